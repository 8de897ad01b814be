import { expect, test, type Page } from '@playwright/test'
import { act, setByMaker } from './benches'
import { look } from './table'
import { Teacher } from './teacher'

const tray = (page: Page, bench: string) => page.getByRole('region', { name: `Simulated bench ${bench}` })

async function setClock(page: Page, bench: string, times: number): Promise<void> {
  const button = tray(page, bench)
    .getByRole('group', { name: 'Clock' })
    .getByRole('button', { name: `×${times}`, exact: true })
  await button.click()
  await expect(button).toHaveAttribute('aria-pressed', 'true')
}

test('two benches feed one run: the gas of Hazel beside the milk of Birch, by one clock', async ({ page }) => {
  test.setTimeout(180_000)
  const teacher = new Teacher(page)
  await teacher.signIn()
  await setByMaker(page, 'Hazel')
  await setByMaker(page, 'Birch')
  // As it is left by whatever came before, it may run ahead.
  await act(page, 'Hazel', { act: 'speed', times: 1 })
  await teacher.beginExperiment('Does the gas feel the milk?', 'Sealed bottle, warmed', 'Hazel')
  await page.getByLabel('Bench recorded beside it').selectOption('Birch')
  await expect(page.getByRole('listitem').filter({ hasText: /^Conductivity: / })).toBeVisible()
  await look(page, 'beside-prepare')
  await page.getByRole('button', { name: 'columns and entries' }).click()
  await page.getByRole('button', { name: '+ column' }).click()
  const form = page.getByRole('form', { name: 'New column' })
  await form.getByLabel('How its cells come about').selectOption('measured by a probe')
  await form.getByLabel('What it is').fill('Temperature of the milk')
  await form.getByLabel('Symbol').fill('T_milk')
  await form.getByRole('combobox', { name: /^Probe/ }).selectOption({ label: 'Temperature (°C) at Birch' })
  await look(page, 'beside-column')
  await form.getByRole('button', { name: 'Add the column' }).click()
  await expect(form).toBeHidden()
  await page.keyboard.press('Escape')

  await teacher.goTo('Record')
  const card = page.getByRole('region', { name: /^Run 1/ })
  await expect(card).toContainText('Recorded together with bench Birch.')
  await card.getByRole('button', { name: /^when pressure/ }).click()
  await card.getByLabel('It begins').selectOption('at once')
  await card.getByRole('button', { name: 'Use this' }).click()
  await expect(card.getByRole('button', { name: 'at once', exact: true })).toHaveCount(1)
  await tray(page, 'Birch').getByRole('button', { name: 'open controls' }).click()
  await setClock(page, 'Birch', 10)
  await look(page, 'beside-start')
  // Its clock runs away from that of Hazel: that is said, and nothing is begun.
  await page.keyboard.press('s')
  await expect(page.getByText(/clocks of Hazel and Birch cannot be set beside each other yet/)).toBeVisible()
  await setClock(page, 'Birch', 1)
  await expect(async () => {
    await page.keyboard.press('s')
    await expect(page.getByTestId('elapsed')).toBeVisible({ timeout: 1500 })
  }).toPass()
  await expect(page.getByText(/^The clock of Birch is set by that of Hazel, to ± \d+ ms\.$/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Probes of bench Hazel' })).toContainText('at Birch')
  await tray(page, 'Birch').getByRole('button', { name: 'on the stove' }).click()
  await page.waitForTimeout(6000)
  await look(page, 'beside-recording')
  await page.keyboard.press('s')
  await expect(card.getByRole('heading', { name: /^Recorded \d/ })).toBeVisible()
  await look(page, 'beside-finished')
  await page.getByRole('link', { name: 'Go to Reason' }).click()
  await page.getByRole('button', { name: 'Rows', exact: true }).click()
  const rows = page.getByRole('region', { name: 'Rows' })
  await expect(rows.getByRole('columnheader', { name: /T_milk/ })).toBeVisible()
  const cells = await rows.locator('tbody tr').first().locator('td').allTextContents()
  expect(cells.filter((text) => text === '—')).toHaveLength(0)
  await look(page, 'beside-reason')
  // The thermometer of Birch also says how warm its solutions are: it does not stay in the milk.
  await teacher.goTo('Record')
  await setClock(page, 'Birch', 60)
  await teacher.hands('Thermometer into', 'rinse water')
})
