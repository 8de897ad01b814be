import { expectAccessible } from './axe'
import { expect, test } from './test'
import type { Page } from '@playwright/test'
import { figureOf, look, reasonAbout } from './table'

/** Dough with yeast that rises, faster and faster: h = t²/2 in mm, so that its tangent at t is t. */
const DOUGH = `t (min);h (mm)\n${Array.from({ length: 21 }, (_, t) => `${t};${((t * t) / 2).toFixed(1)}`).join('\n')}\n`

const numbers = (page: Page) => page.getByLabel('Numbers of the place')

const openDough = (page: Page) => reasonAbout(page, 'How fast does the dough rise?', DOUGH)

test.describe('a tangent', () => {
  test('at three moments, kept as lines, by keyboard alone', async ({ page }) => {
    const teacher = await openDough(page)
    for (const at of [5, 10, 15]) {
      await figureOf(page).focus()
      for (let t = 0; t <= at; t++) await page.keyboard.press('ArrowRight')
      await expect(numbers(page)).toContainText(new RegExp(`tangent\\s*${at} mm/min`))
      if (at === 10) await look(page, 'tangent-picked')
      const word = numbers(page).getByRole('button', { name: 'tangent' })
      await word.focus()
      await page.keyboard.press('Enter')
      const line = await teacher.resultOf(`Tangent of h at ${at} min`)
      expect(line.value).toBeCloseTo(at, 6)
    }
  })

  test('follows the pointer, is left by a click, and tells the change from another place', async ({ page }) => {
    await openDough(page)
    const box = await figureOf(page).boundingBox()
    if (box === null) throw new Error('There is no figure.')
    await page.getByRole('button', { name: 'tangent', exact: true }).click()
    const slope = async () => Number(/tangent\s*([\d.]+)/.exec(await numbers(page).innerText())?.[1])
    await page.mouse.move(box.x + 0.4 * box.width, box.y + 0.5 * box.height)
    await expect(numbers(page)).toBeVisible()
    const early = await slope()
    await page.mouse.move(box.x + 0.8 * box.width, box.y + 0.5 * box.height, { steps: 6 })
    await expect.poll(slope).toBeGreaterThan(early + 4)
    await look(page, 'tangent-follows')
    await page.mouse.down()
    await page.mouse.up()
    const left = await slope()
    await page.mouse.move(box.x + 0.5 * box.width, box.y + 0.2 * box.height, { steps: 3 })
    expect(await slope(), 'It stays where it was left.').toBe(left)
    await page.getByRole('button', { name: 'change from here' }).click()
    await page.mouse.click(box.x + 0.4 * box.width, box.y + 0.9 * box.height)
    await expect(numbers(page)).toContainText(/change\s*−\d+(\.\d+)? mm\s*over −\d+(\.\d+)? min/)
    await expectAccessible(page)
    await numbers(page).getByRole('button', { name: 'change' }).click()
    await expect(page.getByText(/^Change of h from /)).toBeVisible()
    await page.keyboard.press('Escape')
  })

  test('a place beside the points reads y at x and x at y, and a note is pinned to a point', async ({ page }) => {
    const teacher = await openDough(page)
    const box = await figureOf(page).boundingBox()
    if (box === null) throw new Error('There is no figure.')
    await page.mouse.click(box.x + 0.35 * box.width, box.y + 0.4 * box.height)
    const word = numbers(page).getByRole('button', { name: /^where h is [\d.]+ mm$/ })
    await expect(word).toBeVisible()
    await look(page, 'tangent-place')
    await expectAccessible(page)
    const height = Number(/where h is ([\d.]+)/.exec(await word.innerText())?.[1])
    await word.click()
    const line = await teacher.resultOf(`t where h is ${height} mm`)
    // On the chord between two whole minutes, which lies above the curve by at most 1/8 mm.
    expect(line.value ** 2 / 2).toBeGreaterThan(height - 0.13)
    expect(line.value ** 2 / 2).toBeLessThanOrEqual(height + 1e-6)
    // A second click beside the points means that one is done.
    await page.mouse.click(box.x + 0.35 * box.width, box.y + 0.4 * box.height)
    await expect(word).toBeVisible()
    await page.mouse.click(box.x + 0.45 * box.width, box.y + 0.5 * box.height)
    await expect(numbers(page)).toHaveCount(0)

    await figureOf(page).focus()
    for (let t = 0; t <= 12; t++) await page.keyboard.press('ArrowRight')
    await figureOf(page).getByRole('button', { name: 'note …' }).click()
    await page.getByLabel('What happened here').fill('oven door opened')
    await page.keyboard.press('Enter')
    await expect(figureOf(page).getByText('“oven door opened”')).toBeVisible()
    await expect(figureOf(page).locator('svg text', { hasText: 'oven door opened' })).toHaveCount(1)
    await look(page, 'tangent-note')
    await figureOf(page).getByRole('button', { name: 'change note' }).click()
    await page.getByLabel('What happened here').fill('window opened')
    await page.getByRole('button', { name: 'pin it' }).click()
    await expect(figureOf(page).locator('svg text', { hasText: 'window opened' })).toHaveCount(1)
    await figureOf(page).getByRole('button', { name: 'remove note' }).click()
    await expect(figureOf(page).locator('svg text', { hasText: 'window opened' })).toHaveCount(0)

    // The same figure as numbers, for who reads them instead.
    await page.getByRole('button', { name: 'as a table' }).click()
    const table = page.getByRole('dialog', { name: 'What the figure draws' }).getByRole('table')
    await expect(table.getByRole('row')).toHaveCount(22)
    await expect(table.getByRole('row').last()).toHaveText(/20\s*200/)
    await expectAccessible(page)
    await look(page, 'tangent-table')
  })
})
