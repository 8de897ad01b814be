import type { Page } from '@playwright/test'
import { look, reasonAbout } from './table'
import { expect, test } from './test'
import type { Teacher } from './teacher'

/** Up the stairs of the dairy from 60 s to 120 s: pulse and breaths, each a minute, every 10 s. */
const PULSE = [72, 72, 73, 71, 72, 72, 80, 96, 110, 121, 128, 132, 132, 120, 108, 98, 90, 84, 80]
const BREATHS = [15, 15, 14, 16, 15, 15, 17, 21, 25, 28, 30, 31, 30, 27, 24, 21, 19, 17, 16]
const STAIRS = `t (s);p (1/min);b (1/min)\n${PULSE.map((p, i) => `${i * 10};${p};${BREATHS[i] ?? 0}`).join('\n')}\n`

/** The figure, by what it says of itself to who cannot see it. */
const figure = (page: Page) =>
  page.getByRole('group', { name: /^Figure: arrow keys/ }).getByRole('img', { name: /against t/ })

async function openStairs(page: Page): Promise<Teacher> {
  const teacher = await reasonAbout(page, 'What do the stairs do to the body?', STAIRS)
  await page.getByRole('button', { name: 'Axes …' }).click()
  const card = page.getByRole('region', { name: 'Axes' })
  await card.getByLabel('b is drawn').selectOption('at the right')
  await expect(card.getByRole('group', { name: /^right: b/ })).toBeVisible()
  await card.getByRole('button', { name: 'done' }).click()
  return teacher
}

/** A number that stands beside its word in the menu of a span. */
const told = (page: Page, word: string) =>
  page
    .getByLabel('Numbers of the span')
    .getByRole('button', { name: word, exact: true })
    .locator('xpath=../following-sibling::dd[1]')

test.describe('numbers of a span', () => {
  test('of two quantities before, at the peak and after, told while it is dragged and kept as lines', async ({
    page,
  }) => {
    const teacher = await openStairs(page)
    const box = await figure(page).boundingBox()
    if (box === null) throw new Error('There is no figure.')
    // Where a second along x is drawn, by the labels of its ends.
    const label = async (text: string) => {
      const at = await figure(page)
        .locator('svg text')
        .filter({ hasText: new RegExp(`^${text}$`) })
        .last()
        .boundingBox()
      if (at === null) throw new Error(`There is no ${text}.`)
      return at.x + at.width / 2
    }
    const [zero, end] = [await label('50'), await label('150')]
    const place = (s: number) => zero + ((end - zero) * (s - 50)) / 100
    const middle = box.y + box.height / 2

    await page.mouse.move(place(-4), middle)
    await page.mouse.down()
    await page.mouse.move(place(33), middle, { steps: 4 })
    // Still dragged: 72, 72, 73 and 71.
    await expect(told(page, 'mean')).toContainText(/^72\.0 ± 0\.4/)
    await page.mouse.move(place(54), middle, { steps: 4 })
    await expect(told(page, 'mean')).toContainText('n 6')
    await expect(told(page, 'change')).toContainText(/^0 1\/min/)
    await look(page, 'span-drag')
    await page.mouse.up()
    await told(page, 'mean').locator('xpath=preceding-sibling::dt[1]').getByRole('button').click()
    expect((await teacher.resultOf('Mean of p')).value).toBeCloseTo(72, 9)

    // The peak, of the breaths.
    await page.mouse.move(place(96), middle)
    await page.mouse.down()
    await page.mouse.move(place(124), middle, { steps: 4 })
    await page.mouse.up()
    await page.getByLabel('Column the numbers are of').selectOption('b')
    await expect(told(page, 'mean')).toContainText(/^30\.3/)
    await expect(told(page, 'mean')).toContainText('most 31')
    await look(page, 'span-peak')
    await page.setViewportSize({ width: 390, height: 780 })
    await look(page, 'span-phone')
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.keyboard.press('Escape')
    // After it, as it goes back.
    await page.mouse.move(place(136), middle)
    await page.mouse.down()
    await page.mouse.move(place(190), middle, { steps: 4 })
    await page.mouse.up()
    await expect(told(page, 'change')).toContainText(/^−28 1\/min\s*from 108\s*to 80\s*over 40 s/)
  })

  test('a span is made and stretched by keys, and its change is kept', async ({ page }) => {
    const teacher = await openStairs(page)
    const keys = page.getByRole('group', { name: /^Figure: arrow keys/ })
    await keys.focus()
    await page.keyboard.press('ArrowRight')
    for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight')
    const change = page.getByLabel('Numbers of the span').getByRole('button', { name: 'change', exact: true })
    // From 0 to 40 s; while it was stretched there were others.
    await expect(told(page, 'change')).toContainText('over 40 s')
    const words = await told(page, 'change').textContent()
    await change.focus()
    await page.keyboard.press('Enter')
    const kept = await teacher.resultOf('Change of p')
    expect(words?.replace('−', '-')).toMatch(new RegExp(`^${kept.value}`))

    // A name of its own, by which it is found again and shared.
    await keys.focus()
    await page.keyboard.press('Escape')
    await page.keyboard.press('ArrowRight')
    for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight')
    await keys.getByRole('button', { name: 'name it' }).click()
    await page.keyboard.type('at rest')
    await page.keyboard.press('Enter')
    await expect(keys.getByText('“at rest” · 0 to 40 s')).toBeVisible()
    await expect(keys.locator('svg text', { hasText: 'at rest' }).first()).toBeVisible()
    await look(page, 'span-named')
    await keys.focus()
    await page.keyboard.press('Shift+ArrowRight')
    await expect(keys.getByText('0 to 50 s')).toBeVisible()
    // In this run it may lie elsewhere, until it joins the others again.
    await keys.getByRole('button', { name: 'Put “at rest” here in Run 1 alone' }).click()
    await expect(keys.getByText('“at rest” lies here in Run 1 alone')).toBeVisible()
    await look(page, 'span-own')
    await keys.getByRole('button', { name: 'as in all runs' }).click()
    await expect(keys.getByText('lies here in Run 1 alone')).toHaveCount(0)
    await keys.focus()
    await page.keyboard.press('ArrowRight')
    for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight')
    await expect(keys.getByText('0 to 50 s')).toBeVisible()
    await keys.getByRole('button', { name: '“at rest”', exact: true }).click()
    await expect(keys.getByRole('button', { name: 'rename' })).toBeVisible()
  })
})
