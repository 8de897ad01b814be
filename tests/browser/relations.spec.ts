import { expectAccessible } from './axe'
import { expect, test } from './test'
import type { Page } from '@playwright/test'
import { figureOf, look, reasonAbout } from './table'

/** Whey that cools from 80 towards 20 °C. */
const COOLING = `t (min);T (°C)\n${Array.from({ length: 15 }, (_, i) => `${i * 2};${(20 + 60 * Math.exp(-i / 4) + 0.05 * Math.sin(7 * i * i)).toFixed(2)}`).join('\n')}\n`

/** How long the vat takes to fill at a rate: 100 L. */
const VAT =
  'q (L/min);t (min)\n10.2;9.81\n12.0;8.39\n15.1;6.60\n18.0;5.57\n22.4;4.45\n27.9;3.60\n34.0;2.93\n41.3;2.43\n'

const tiles = (page: Page) => page.getByRole('group', { name: 'Relations' }).getByRole('button')
const relation = (page: Page) => page.getByRole('group', { name: 'The relation' })
const constant = (page: Page, name: string) => relation(page).getByTestId(`constant-${name}`)

test.describe('which relation is it', () => {
  test('the one that makes sense comes first, with constants, interval and band, and goes into the working', async ({
    page,
  }) => {
    const teacher = await reasonAbout(page, 'How does the whey cool?', COOLING)
    await page.getByRole('button', { name: 'relations …' }).click()
    await expect(page.getByRole('heading', { name: 'Which relation is it?' })).toBeVisible()
    await expect(tiles(page).first()).toContainText('Exponential to a limit')
    await expect(tiles(page).first()).toContainText('no pattern is left over')
    await expect(tiles(page).first()).toHaveAttribute('aria-pressed', 'true')
    await expect(relation(page)).toContainText('the distance of T from a limit shrinks by the same factor', {
      ignoreCase: true,
    })
    await expect(constant(page, 'c')).toHaveText(/^(19\.9|20\.0)\d* ± 0\.0\d+ °C$/)
    await expect(constant(page, 'b')).toHaveText(/^0\.125\d* ± 0\.000\d+ 1\/min$/)
    await expect(relation(page)).toContainText(/R² 0\.9999\d+ · RMSE 0\.0\d+ K · n 15 · 12 degrees of freedom/)
    await look(page, 'relations')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'show its 95 % band' }).click()
    await expect(page.getByRole('button', { name: 'hide its 95 % band' })).toBeVisible()
    await page.setViewportSize({ width: 390, height: 780 })
    await look(page, 'relations-phone')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await page.setViewportSize({ width: 1280, height: 800 })

    // The room is at 20 °C: what is known is not fitted, and the others are the better for it.
    await relation(page).getByRole('checkbox', { name: 'c is known' }).check()
    const known = relation(page).getByRole('textbox', { name: 'Known value of c' })
    await known.fill('20')
    await known.press('Enter')
    await expect(constant(page, 'c')).toHaveText('20 °C')
    await expect(relation(page)).toContainText('13 degrees of freedom')
    await look(page, 'relations-known')

    await page.getByRole('button', { name: 'Take it into the working' }).click()
    await expect(figureOf(page)).toBeVisible()
    const taken = await teacher.resultOf('Exponential to a limit: T against t')
    expect(taken.value).toBeGreaterThan(59.8)
    expect(taken.value).toBeLessThan(60.2)
    await page.getByRole('button', { name: /more of Exponential to a limit/ }).click()
    await expect(page.getByText(/n 15 · 13 degrees of freedom/)).toBeVisible()
    await expect(page.getByRole('img', { name: /leaves over along x: no pattern is left over/ })).toBeVisible()
    await look(page, 'relations-taken')
    await expectAccessible(page)
  })

  test('an added part is asked about in words and judged, by keyboard', async ({ page }) => {
    await reasonAbout(page, 'How long does it take to fill the vat?', VAT)
    await page.getByRole('button', { name: 'relations …' }).focus()
    await page.keyboard.press('Enter')
    await expect(tiles(page).first()).toContainText('Inverse')
    await expect(relation(page)).toContainText(
      /Drawn without an added part; left free, the added part is zero within its ± \(.* min\)\./,
    )
    const free = relation(page).getByRole('button', { name: 'leave an added part free' })
    await free.focus()
    await page.keyboard.press('Enter')
    await expect(relation(page)).toContainText('The added part is zero within its ±')
    await expect(constant(page, 'b')).toContainText('min')
    const without = relation(page).getByRole('button', { name: 'leave the added part out' })
    await without.focus()
    await page.keyboard.press('Enter')
    await expect(constant(page, 'a')).toHaveText(/^100\.\d+ ± 0\.\d+ L$/)
    // A line through these points bends, and says so beside its R².
    const line = tiles(page).filter({ hasText: 'Straight line' })
    await page.getByRole('button', { name: /more relations …/ }).click()
    await line.focus()
    await page.keyboard.press('Enter')
    await expect(line).toContainText('bends')
    await expect(relation(page)).toContainText(/n 8 · 6 degrees of freedom · what is left over still bends/)
  })

  test('over a span, and by a formula of one’s own whose curve is moved by hand', async ({ page }) => {
    const teacher = await reasonAbout(page, 'How does the whey cool?', COOLING)
    await figureOf(page).focus()
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
    for (let i = 0; i < 7; i++) await page.keyboard.press('Shift+ArrowRight')
    await figureOf(page).getByRole('button', { name: 'relations …' }).click()
    await expect(page.getByText(/of Run 1, \d+ to \d+ min/)).toBeVisible()
    await expect(tiles(page).first()).toContainText('n 8')
    await page.getByRole('button', { name: 'look at all of it' }).click()
    await expect(tiles(page).first()).toContainText('n 15')

    await page.getByRole('button', { name: /a formula of your own/ }).click()
    const formula = page.getByRole('textbox', { name: /T = a formula in t/ })
    await formula.fill('A*exp(-t/tau')
    await expect(page.getByRole('alert')).toContainText(/At character \d+/)
    await formula.fill('A*exp(-t/tau) + E + F0')
    await expect(relation(page)).toContainText('several sets of constants give the same curve')
    await look(page, 'relations-undetermined')
    await formula.fill('A*exp(-t/tau) + E')
    await expect(constant(page, 'tau')).toHaveText(/^(7\.9|8\.0)\d* ± 0\.0\d+ min$/)
    await page.getByRole('button', { name: 'move the curve by hand' }).click()
    const slider = relation(page).getByRole('slider', { name: 'Start of A' })
    const before = await page.getByTestId('relation-begun').getAttribute('d')
    await slider.focus()
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight')
    await expect.poll(() => page.getByTestId('relation-begun').getAttribute('d')).not.toBe(before)
    // From wherever it begins it ends at the same constants.
    await expect(constant(page, 'tau')).toHaveText(/^(7\.9|8\.0)\d* ± 0\.0\d+ min$/)
    await look(page, 'relations-own')
    await page.getByRole('button', { name: 'Take it into the working' }).click()
    const taken = await teacher.resultOf('Own formula for T')
    expect(taken.value).toBeGreaterThan(59.5)
  })

  test('a result is compared with the accepted value, in percent and in words', async ({ page }) => {
    const teacher = await reasonAbout(page, 'How long does it take to fill the vat?', VAT)
    await page.getByRole('button', { name: 'relations …' }).click()
    await page.getByRole('button', { name: 'Take it into the working' }).click()
    await expect(figureOf(page)).toBeVisible()
    await page.getByRole('button', { name: '+ line' }).click()
    await page
      .getByRole('list', { name: 'Methods that fit' })
      .getByRole('button', { name: /^Compare with an accepted value/ })
      .click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('The result, by its symbol').fill('relation1')
    await dialog.getByLabel('The accepted value, in the unit of the result').fill('100')
    await dialog.getByRole('button', { name: 'Add the line' }).click()
    await expect(dialog).toBeHidden()
    await expect(page.getByText(/^The accepted value lies inside the ±: they are [01]\.\d times/)).toBeVisible()
    const percent = await teacher.resultOf('Compare with an accepted value')
    expect(percent.value).toBeCloseTo(0.15, 1)
    await look(page, 'relations-accepted')
  })

  test('a point far from the curve is set aside openly, and the line before and after is told', async ({ page }) => {
    const teacher = await reasonAbout(page, 'How does the whey cool?', COOLING.replace(/\n10;[\d.]+\n/, '\n10;39.2\n'))
    await page.getByRole('button', { name: 'relations …' }).click()
    await tiles(page).filter({ hasText: 'Exponential to a limit' }).click()
    await page.getByRole('button', { name: 'Take it into the working' }).click()
    const before = await teacher.resultOf('Exponential to a limit')
    await page.getByRole('button', { name: /more of Exponential to a limit/ }).click()
    await expect(page.getByText('1 point lies more than 3 standard deviations of the others from it.')).toBeVisible()
    await page.getByRole('button', { name: 'set it aside …' }).click()
    await page.getByRole('dialog').getByLabel('Why?').fill('the lid was open')
    await page.getByRole('dialog').getByRole('button', { name: 'Set aside' }).click()
    await expect(page.getByText(/1 set aside \(hollow, .*the lid was open/)).toBeVisible()
    await expect(page.getByText(/standard deviations of the others/)).toHaveCount(0)
    await look(page, 'relations-far')
    await page.getByRole('button', { name: /more of Exponential to a limit/ }).click()
    const after = await teacher.resultOf('Exponential to a limit')
    expect(after.uncertainty).toBeLessThan(before.uncertainty / 5)
  })
})
