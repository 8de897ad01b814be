import { expectAccessible } from './axe'
import type { Page } from '@playwright/test'
import { look, reasonAbout } from './table'
import { expect, test } from './test'
import type { Teacher } from './teacher'

/** How much light cider of two ages takes away, a peak over a ground that falls. */
const WAVES = Array.from({ length: 41 }, (_, i) => 400 + 2 * i)
const light = (centre: number, phase: number) => (w: number) =>
  (
    0.3 -
    0.001 * (w - 400) +
    0.6 * Math.exp(-0.5 * ((w - centre) / 9) ** 2) +
    0.003 * Math.sin(1.7 * w + phase)
  ).toFixed(4)
const [fresh, old] = [light(431, 0), light(442.5, 2)]
const CIDER = `w (nm);fresh trial 1;old trial 1\n${WAVES.map((w) => `${w};${fresh(w)};${old(w)}`).join('\n')}\n`

const runs = (page: Page) => page.getByRole('region', { name: 'Runs' })
const line = (page: Page, title: string | RegExp) =>
  page.getByTestId('working-lines').getByRole('listitem').filter({ hasText: title })

function openCider(page: Page): Promise<Teacher> {
  return reasonAbout(page, 'Does cider change its colour while it stands?', CIDER)
}

/** Adds a line by a method; what is filled in first is its own. */
async function addLine(page: Page, method: RegExp, fill: (dialog: ReturnType<Page['getByRole']>) => Promise<unknown>) {
  await page.keyboard.press('/')
  await page.getByRole('list', { name: 'Methods that fit' }).getByRole('button', { name: method }).click()
  const dialog = page.getByRole('dialog')
  await fill(dialog)
  await dialog.getByRole('button', { name: 'Add the line' }).click()
  await expect(dialog).toBeHidden()
}

test.describe('lines across runs', () => {
  test('a peak’s centre in two runs and how far it moved, with a value copied in full', async ({ page, context }) => {
    const teacher = await openCider(page)
    await page.getByRole('button', { name: 'relations …' }).click()
    await page.getByRole('group', { name: 'Relations' }).getByRole('button').filter({ hasText: 'Peak' }).click()
    await page.getByRole('button', { name: 'Take it into the working' }).click()
    await page.getByRole('button', { name: 'Runs', exact: true }).click()
    await page.getByRole('button', { name: 'every run' }).click()
    await page.getByRole('button', { name: 'compare two runs' }).click()
    const moved = 'Bell-shaped peak on a line: y against w, centre, old trial 1 less fresh trial 1'
    const dialog = page.getByRole('dialog', { name: 'Compare two runs' })
    await expect(dialog.getByLabel('In run', { exact: true })).toHaveValue('2')
    await expect(dialog.getByLabel('less that in run')).toHaveValue('1')
    await expect(dialog.getByLabel('Worked out for')).toHaveCount(0)
    const centre = await dialog
      .getByLabel('Which result')
      .locator('option')
      .filter({ hasText: /[Cc]entre/ })
      .getAttribute('value')
    await dialog.getByLabel('Which result').selectOption(centre)
    await expect(dialog.getByLabel('Title')).toHaveValue(moved)
    await look(page, 'across-asked')
    await expectAccessible(page)
    await dialog.getByRole('button', { name: 'Add the line' }).click()
    await expect(dialog).toBeHidden()
    const by = await teacher.resultOf(moved)
    // 442.5 less 431 nm, to what the ripple of 0.003 leaves open.
    expect(Math.abs(by.value - 11.5)).toBeLessThan(0.5)
    expect(by.uncertainty).toBeGreaterThan(0)
    await expect(line(page, moved)).toContainText(/^.*The two differ by more than their ±/s)
    await look(page, 'across-moved')

    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    await line(page, moved).getByRole('button', { expanded: false }).first().click()
    await page.getByRole('button', { name: 'Copy tworuns1 with all digits and its unit' }).click()
    await expect(page.getByText(/nm is copied\.$/)).toBeVisible()
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(`${by.value} nm`)

    // What the run comes to without a far point moves the difference with it; a run set aside is said.
    await page.getByRole('button', { name: 'Set old trial 1 aside' }).click()
    await page.getByRole('dialog').getByLabel('Why?').fill('the vessel was wet')
    await page.getByRole('dialog').getByRole('button', { name: 'Set aside' }).click()
    await expect(line(page, moved)).toContainText('Run 2 is set aside. Take it back, or choose another.')
    await page.getByRole('button', { name: 'Take old trial 1 back' }).click()
    await expect(line(page, moved)).toContainText('The two differ by more than their ±')
  })

  test('a line is of one run alone, and what is typed for each run stands in the runs table', async ({ page }) => {
    const teacher = await openCider(page)
    await addLine(page, /^Statistics/, async (dialog) => {
      await dialog.getByLabel('Title').fill('Light in the old')
      await dialog.getByLabel('Worked out for').selectOption('old trial 1 alone')
    })
    await expect(line(page, 'Light in the old')).toContainText('In run 2: ')
    const alone = await teacher.resultOf('Light in the old')
    await page.getByRole('button', { name: /^runs: / }).click()
    await page.getByRole('button', { name: /^old trial 1/ }).click()
    await expect(page.getByRole('button', { name: /^runs: old/ })).toBeVisible()
    expect(await teacher.resultOf('Light in the old')).toEqual(alone)
    await line(page, 'Light in the old').getByRole('button', { expanded: false }).first().click()
    await page.getByRole('button', { name: 'change', exact: true }).click()
    await expect(page.getByRole('dialog').getByLabel('Worked out for')).toHaveValue('2')
    await page.getByRole('dialog').getByLabel('Worked out for').selectOption('each run')
    await page.getByRole('dialog').getByRole('button', { name: 'Keep' }).click()
    await expect(line(page, 'Light in the old')).not.toContainText('In run 2: ')

    await page.getByRole('button', { name: 'Runs', exact: true }).click()
    await page.getByRole('button', { name: '+ typed column' }).click()
    const form = page.getByRole('form', { name: 'New entry' })
    await expect(form.getByLabel('How often')).toHaveValue('run')
    await form.getByLabel('What is typed').fill('Days it stood')
    await form.getByLabel('Symbol').fill('d')
    await form.getByLabel('Unit').fill('d')
    await form.getByRole('button', { name: 'Add the entry' }).click()
    const days = (of: string) => runs(page).getByRole('textbox', { name: `Days it stood of ${of}` })
    await days('fresh trial 1').fill('0,5 ± 0,1')
    await days('fresh trial 1').press('Enter')
    await days('old trial 1').fill('much')
    await days('old trial 1').press('Enter')
    await expect(runs(page).getByText(/“?"?much"?”? is no number|no number/)).toBeVisible()
    await look(page, 'across-typed')
    await days('old trial 1').fill('168 h')
    await days('old trial 1').press('Enter')
    await expect(days('old trial 1')).toHaveValue('7')
    await expect(days('fresh trial 1')).toHaveValue('0.5 ± 0.1')
  })
})
