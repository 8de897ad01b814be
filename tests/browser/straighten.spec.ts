import { expectAccessible } from './axe'
import { expect, test } from './test'
import type { Page } from '@playwright/test'
import { cell, expectCell, look, reasonAbout } from './table'

/** How long the vat takes to fill at a rate: 100 L, and one time that was typed with a slip. */
const VAT =
  'q (L/min);t (min)\n10.2;9.81\n12.0;8.39\n15.1;6.60\n18.0;5.57\n22.4;4.45x\n27.9;3.60\n34.0;2.93\n41.3;2.43\n'

/** Whey that cools from 80 towards 20 °C. */
const COOLING = `t (min);T (°C)\n${Array.from({ length: 15 }, (_, i) => `${i * 2};${(20 + 60 * Math.exp(-i / 4) + 0.05 * Math.sin(7 * i * i)).toFixed(2)}`).join('\n')}\n`

const ways = (page: Page) => page.getByRole('group', { name: 'Ways to plot them' })
const meaning = (page: Page) => page.getByRole('group', { name: 'What it means' })

test.describe('which way is it straight', () => {
  test('an inverse relation is found by what is left over, and taken into the working in one step', async ({
    page,
  }) => {
    const teacher = await reasonAbout(page, 'How long does it take to fill the vat?', VAT)
    await page.getByRole('button', { name: 'straighten …' }).click()
    await expect(page.getByRole('heading', { name: 'Which way is it straight?' })).toBeVisible()
    const best = ways(page).getByRole('button').first()
    await expect(best).toContainText('t against 1/q')
    await expect(best).toContainText('n 7')
    await expect(best).toContainText('straight')
    await expect(best).toHaveAttribute('aria-pressed', 'true')
    await expect(ways(page).getByRole('button')).toHaveCount(6)
    await expect(meaning(page)).toContainText(
      /t is inversely proportional to q\.\s+The constant is 100\.\d ± 0\.\d L\.\s+The line goes through the origin within its ±/,
    )
    await expect(meaning(page)).toContainText('R² of differently transformed y are not strictly comparable.')
    await look(page, 'straighten-vat')
    await expectAccessible(page)
    await page.setViewportSize({ width: 390, height: 780 })
    await look(page, 'straighten-phone')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await page.setViewportSize({ width: 1280, height: 800 })

    await page.getByRole('button', { name: 'Take t against 1/q into the working' }).click()
    const figure = page.getByRole('group', { name: /^Figure: arrow keys/ }).getByRole('img', { name: /against/ })
    await expect(figure).toHaveAccessibleName(/^t \/ min against inv_q/)
    const slope = await teacher.resultOf('Slope of t against 1/q')
    expect(slope.value).toBeGreaterThan(100)
    expect(slope.value).toBeLessThan(101)
    expect(slope.uncertainty).toBeGreaterThan(0)
    await look(page, 'straighten-taken')
    // The slip put right, the line follows: nothing was copied.
    await expect(page.getByText('One cell is no number')).toBeVisible()
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    await cell(page, 5, 2).click()
    await page.keyboard.type('4.45')
    await page.keyboard.press('Enter')
    await expectCell(page, 5, 2, '4.45')
    await expect(page.getByText('One cell is no number')).toHaveCount(0)
    expect(await teacher.resultOf('Slope of t against 1/q')).not.toEqual(slope)

    await page.getByRole('button', { name: /^Undo/ }).click()
    await page.getByRole('button', { name: 'Undo: Took t against 1/q into the working' }).click()
    await expect(page.getByText('Slope of t against 1/q')).toHaveCount(0)
    await expect(page.getByRole('columnheader', { name: /inv_q/ })).toHaveCount(0)
  })

  test('four ways are compared by keyboard, and the honest one is shown as the figure', async ({ page }) => {
    await reasonAbout(page, 'How does the whey cool?', COOLING)
    await page.getByRole('button', { name: 'straighten …' }).focus()
    await page.keyboard.press('Enter')
    const tiles = ways(page).getByRole('button')
    await expect(tiles.first()).toContainText('ln(T − limit) against t')
    await expect(tiles.first()).toContainText('straight')
    // In °C few ways mean anything; in kelvin there are more.
    await expect(tiles).toHaveCount(2)
    await look(page, 'straighten-celsius')
    await meaning(page).getByRole('button', { name: 'use T in kelvin' }).click()
    await expect(tiles.filter({ hasText: '1/T against t' })).toBeVisible()
    for (const [title, verdict] of [
      ['ln T against t', /bends/],
      ['1/T against t', /bends/],
      ['T against t', /bends/],
    ] as const) {
      const tile = tiles.filter({ has: page.getByText(title, { exact: true }) }).first()
      await tile.focus()
      await page.keyboard.press('Enter')
      await expect(tile).toHaveAttribute('aria-pressed', 'true')
      await expect(tile).toContainText(verdict)
      await expect(meaning(page)).toContainText(`${title} bends`)
    }
    await look(page, 'straighten-kelvin')
    await tiles.first().focus()
    await page.keyboard.press('Enter')
    await expect(meaning(page)).toContainText('It goes to T = 293.')
    const show = meaning(page).getByRole('button', { name: 'show it as the figure' })
    await show.focus()
    await page.keyboard.press('Enter')
    await expect(
      page.getByRole('group', { name: /^Figure: arrow keys/ }).getByRole('img', { name: /^ln_T against t/ }),
    ).toBeVisible()
    await look(page, 'straighten-figure')
  })

  test('a line that leaves a pattern leads to the other ways, on a projector too', async ({ page }) => {
    await reasonAbout(page, 'How long does it take to fill the vat?', VAT.replace('4.45x', '4.45'))
    // The key is one of this page's.
    await expect(page.getByRole('group', { name: /^Figure: arrow keys/ })).toBeVisible()
    await page.keyboard.press('/')
    await page
      .getByRole('list', { name: 'Methods that fit' })
      .getByRole('button', { name: /^Slope/ })
      .click()
    await page.getByRole('dialog').getByRole('button', { name: 'Add the line' }).click()
    await expect(page.getByText('A straight line leaves a pattern.')).toBeVisible()
    await page.getByRole('link', { name: 'which way is it straight?' }).click()
    await expect(ways(page).getByRole('button').first()).toContainText('t against 1/q')
    await page.getByRole('button', { name: 'Projector' }).click()
    await look(page, 'straighten-projector')
    await page.goBack()
    await expect(page.getByRole('group', { name: /^Figure: arrow keys/ })).toBeVisible()
  })

  test('too few points are told, other columns can be chosen, and back leads to the figure', async ({ page }) => {
    await reasonAbout(page, 'How much does the spring stretch?', 'F (N);s (cm)\n1;2.1\n2;4.0\n3;6.2\n4;8.1\n')
    await page.getByRole('button', { name: 'straighten …' }).click()
    await expect(page.getByRole('alert')).toContainText('Straightening needs at least 5 points')
    await page.getByRole('button', { name: 'back to the figure' }).click()
    await expect(page.getByRole('group', { name: /^Figure: arrow keys/ })).toBeVisible()
  })

  test('a power shows as the slope of a line between logarithms', async ({ page }) => {
    // Air pressed together fast: P V^1.40 stays the same.
    const air = Array.from({ length: 12 }, (_, i) => {
      const volume = 60 - 3 * i
      return `${volume};${(101.3 * (60 / volume) ** 1.4 * (1 + 0.0008 * Math.sin(5 * i))).toFixed(2)}`
    })
    const teacher = await reasonAbout(
      page,
      'How stiff is air that is pressed fast?',
      `V (mL);P (kPa)\n${air.join('\n')}\n`,
    )
    await page.getByRole('button', { name: 'straighten …' }).click()
    const tile = ways(page)
      .getByRole('button')
      .filter({ has: page.getByText('ln P against ln V', { exact: true }) })
    await tile.click()
    await expect(tile).toContainText('straight')
    await expect(meaning(page)).toContainText('P is proportional to a power of V')
    await look(page, 'straighten-power')
    await page.getByRole('button', { name: 'Take ln P against ln V into the working' }).click()
    const slope = await teacher.resultOf('Slope of ln P against ln V')
    // The ripple of 0.08 % leaves less than 0.005 open over a factor of 2.2.
    expect(Math.abs(slope.value + 1.4)).toBeLessThan(0.005)
    await expect(
      page.getByRole('group', { name: /^Figure: arrow keys/ }).getByRole('img', { name: /^ln_P/ }),
    ).toBeVisible()
  })
})
