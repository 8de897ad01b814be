import { expectAccessible } from './axe'
import type { Page } from '@playwright/test'
import { look, reasonAbout } from './table'
import { expect, test } from './test'
import type { Teacher } from './teacher'

/** Loss of mass by washing soda in whey of three strengths, three trials each, in g every 10 s. */
const RATES = {
  full: [0.01139, 0.01097, 0.01118],
  half: [0.00651, 0.00622, 0.00641],
  quarter: [0.00318, 0.00341, 0.00329],
}
const NAMES = Object.keys(RATES).flatMap((strength) => [1, 2, 3].map((trial) => `${strength} trial ${trial}`))
const LOSS = [
  ['t (s)', ...NAMES.map((name) => `${name} (g)`)].join(','),
  ...Array.from({ length: 7 }, (_, i) =>
    [
      i * 10,
      ...Object.values(RATES)
        .flat()
        .map((rate, k) => (rate * i * 10 + 0.002 * Math.sin(3 * i + k)).toFixed(3)),
    ].join(','),
  ),
].join('\n')

const runs = (page: Page) => page.getByRole('region', { name: 'Runs' })
const figure = (page: Page) => page.getByRole('group', { name: /^Figure: arrow keys/ })

async function openLoss(page: Page): Promise<Teacher> {
  const teacher = await reasonAbout(page, 'Does weaker whey fizz slower?', LOSS)
  await page.keyboard.press('/')
  await page
    .getByRole('list', { name: 'Methods that fit' })
    .getByRole('button', { name: /^Slope/ })
    .click()
  await page.getByRole('dialog').getByRole('button', { name: 'Add the line' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('/')
  await page
    .getByRole('list', { name: 'Methods that fit' })
    .getByRole('button', { name: /^Statistics/ })
    .click()
  await page.getByRole('dialog').getByRole('button', { name: 'Add the line' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.getByRole('button', { name: 'Runs', exact: true }).click()
  return teacher
}

test.describe('the runs table', () => {
  test('nine runs become a summary by condition, with percent and a figure with error bars', async ({ page }) => {
    await openLoss(page)
    const full = runs(page).getByRole('row', { name: /full/ })
    await expect(full).toContainText('0.0112')
    await expect(full).toContainText(/1\.\d %/)
    await expect(runs(page)).toContainText(/“quarter” scatters most: half its range is \d\.\d % of its mean\./)
    await look(page, 'runs-conditions')
    await expectAccessible(page)

    // One trial set aside openly: the mean is another, the trial is still there, and undo brings it back.
    const before = await full.innerText()
    await page.getByRole('button', { name: 'every run' }).click()
    await expect(runs(page).getByLabel('Condition of half trial 2')).toHaveValue('half')
    await page.getByRole('button', { name: 'Set full trial 2 aside' }).click()
    await page.getByRole('dialog').getByLabel('Why?').fill('stopper was loose')
    await page.getByRole('dialog').getByRole('button', { name: 'Set aside' }).click()
    await expect(page.getByRole('button', { name: 'Take full trial 2 back' })).toBeVisible()
    await look(page, 'runs-aside')
    await page.getByRole('button', { name: 'by condition' }).click()
    await expect(full).not.toHaveText(before)
    await expect(full.getByTitle('full trial 2, set aside: stopper was loose')).toBeVisible()

    await page.getByRole('button', { name: 'figure of this table' }).click()
    await expect(figure(page).getByRole('img', { name: /against/ })).toHaveAccessibleName(
      /9 runs in 3 conditions, 1 set aside \(hollow, full trial 2: stopper was loose\)/,
    )
    await look(page, 'runs-figure')
    // A point of it is a run: by keyboard, too.
    await figure(page).focus()
    await page.keyboard.press('ArrowRight')
    await expect(figure(page).getByRole('button', { name: 'its rows' })).toBeVisible()
    await look(page, 'runs-picked')
    await figure(page).getByRole('button', { name: 'its rows' }).click()
    await expect(figure(page).getByRole('img', { name: /against t/ })).toBeVisible()
  })

  test('a figure of the runs is made straight, and a relation is laid through them', async ({ page }) => {
    const teacher = await openLoss(page)
    // What was set in each run, typed in its cell.
    await page.getByRole('button', { name: '+ typed column' }).click()
    const form = page.getByRole('form', { name: 'New entry' })
    await form.getByLabel('What is typed').fill('Strength')
    await form.getByLabel('Symbol').fill('c')
    await form.getByLabel('Unit').fill('mol/L')
    await form.getByRole('button', { name: 'Add the entry' }).click()
    await expect(form).toBeHidden()
    for (const [strength, value] of [
      ['full', '0.04'],
      ['half', '0.022'],
      ['quarter', '0.0115'],
    ] as const) {
      for (const trial of [1, 2, 3]) {
        const cell = runs(page).getByRole('textbox', { name: `Strength of ${strength} trial ${trial}` })
        // Nine strengths: of three a straight line cannot be told from others.
        await cell.fill(`${value}${trial}`)
        await cell.press('Enter')
      }
    }
    await page.getByRole('button', { name: 'figure of this table' }).click()
    await expect(figure(page).getByRole('img', { name: /against c/ })).toBeVisible()
    await page.getByRole('button', { name: 'relations …' }).click()
    await expect(page.getByRole('region', { name: 'Which relation is it?' })).toContainText('of the runs')
    await page.getByRole('group', { name: 'Relations' }).getByRole('button').filter({ hasText: 'Proportional' }).click()
    await look(page, 'runs-relation')
    await page.getByRole('button', { name: 'Take it into the working' }).click()
    const line = await teacher.resultOf('Proportional: slope1 against c')
    // By the sums of the nine rates and strengths: Σ c r / Σ c²; the ripple moves a rate by less than 0.00003 g/s.
    expect(Math.abs(line.value - 0.2715)).toBeLessThan(0.001)
    await page.getByRole('group', { name: 'Figures' }).getByRole('button').last().click()
    await page.getByRole('button', { name: 'straighten …' }).click()
    await page.getByRole('button', { name: /^Take .* into the working$/ }).click()
    await expect(figure(page).getByRole('img', { name: /against/ })).toHaveAccessibleName(/9 runs in 3 conditions/)
    await look(page, 'runs-straight')
  })

  test('is put in order, copied, and read on a phone', async ({ page, context }) => {
    await openLoss(page)
    await page.getByRole('button', { name: 'every run' }).click()
    const first = runs(page).getByRole('row').nth(1)
    await expect(first).toContainText('full trial 1')
    const head = runs(page).getByRole('columnheader', { name: /g\/s/ })
    await head.getByRole('button').click()
    await expect(head).toHaveAttribute('aria-sort', 'ascending')
    await expect(first).toContainText('quarter trial 1')
    await head.getByRole('button').click()
    await expect(first).toContainText('full trial 1')
    await expect(head).toHaveAttribute('aria-sort', 'descending')
    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    await page.getByRole('button', { name: 'copy', exact: true }).click()
    await expect(page.getByText('The table is copied')).toBeVisible()
    const copied = await page.evaluate(() => navigator.clipboard.readText())
    expect(copied.split('\n')).toHaveLength(10)
    expect(copied.split('\n')[1]).toMatch(/^full trial 1\tfull\t1\t0\.0113/)
    const file = page.waitForEvent('download')
    await page.getByRole('link', { name: 'CSV' }).click()
    expect((await file).suggestedFilename()).toBe('does-weaker-whey-fizz-slower-runs.csv')
    await page.setViewportSize({ width: 390, height: 780 })
    await runs(page).scrollIntoViewIfNeeded()
    await look(page, 'runs-phone')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  })

  test('a relation is laid through each run, drawn with it, and its constants are columns of the runs', async ({
    page,
  }) => {
    await openLoss(page)
    await page.getByRole('button', { name: 'relations …' }).click()
    await page
      .getByRole('group', { name: 'Relations' })
      .getByRole('button')
      .filter({ hasText: 'Straight line' })
      .click()
    const relation = page.getByRole('group', { name: 'The relation' })
    await expect(relation).toContainText('The intercept is zero within its ±')
    await relation.getByRole('button', { name: 'Take it into the working' }).click()
    await page.getByRole('button', { name: /^runs: / }).click()
    await page.getByRole('button', { name: 'all of them' }).click()
    await page.keyboard.press('Escape')
    await look(page, 'relations-runs')
    // Trials of a strength look alike, until each run is asked for.
    const key = figure(page).locator('text')
    await expect(key.filter({ hasText: /^quarter$/ })).toHaveCount(1)
    await page.getByRole('button', { name: 'Axes …' }).click()
    await page.getByLabel('Colours').selectOption('of each run')
    await expect(key.filter({ hasText: /^quarter trial 3$/ })).toHaveCount(1)
    await look(page, 'runs-colours')
    await page.getByLabel('Colours').selectOption('of each condition')
    await expect(key.filter({ hasText: /^quarter trial 3$/ })).toHaveCount(0)
    await page.getByRole('button', { name: 'done', exact: true }).click()
    await page.getByRole('button', { name: 'every run' }).click()
    const head = runs(page).getByRole('columnheader')
    await expect(head.filter({ hasText: 'relation1.b' })).toBeVisible()
    await expect(runs(page).getByRole('row').filter({ hasText: 'full trial 1' })).toContainText(/0\.011\d+ ± 0\.000\d+/)
    await look(page, 'relations-columns')
    await page.getByRole('button', { name: 'Projector' }).click()
    await page.getByRole('button', { name: 'relations …' }).click()
    await expect(relation.getByTestId('constant-a')).toBeVisible()
    await look(page, 'relations-projector')
  })
})
