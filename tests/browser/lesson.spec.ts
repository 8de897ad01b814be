import { expect, test } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { Teacher } from './teacher'

test('a teacher walks from sign-in to the handed-out file, and the result is true', async ({ page }) => {
  test.setTimeout(300_000)
  const teacher = new Teacher(page)
  await teacher.signInByHand()
  await teacher.beginExperiment('How sour is Wednesday’s whey?')
  await teacher.calibrate()
  await expect(page.getByText('Healthy electrode.')).toBeVisible()

  await page.getByRole('link', { name: 'Go to Record' }).click()
  await page.getByRole('button', { name: 'change steps' }).click()
  await page.getByLabel('To', { exact: true }).fill('16')
  await page.getByLabel('Step', { exact: true }).fill('1')
  await page.getByRole('button', { name: 'Use these steps' }).click()
  await expect(page.getByText('0 to 16 mL by 1')).toBeVisible()

  await teacher.startRun()
  let refined = false
  while (await page.getByRole('button', { name: /^Take reading/ }).isVisible()) {
    await teacher.takeNextReading()
    const advice = page.getByRole('button', { name: /^Use 0.10 mL steps/ })
    if (!refined && (await advice.isVisible())) {
      await expect(page.getByText('The jump is near.')).toBeVisible()
      await advice.click()
      await expect(advice).toBeHidden()
      refined = true
    }
  }
  expect(refined).toBe(true)
  await teacher.finishRun()
  await page.getByRole('link', { name: 'Go to Reason' }).click()

  await expect(page.getByText(/^Type the concentration of the titrant/).first()).toBeVisible()
  await teacher.typeValues({
    'Concentration of the titrant, c': ['0.1000', '0.0002'],
    'Volume of the sample, V0': ['25,00', '0.03'],
    'Molar mass of the analyte, M': ['90.08', '0.01'],
  })
  const concentration = await teacher.resultOf('Concentration in the sample')
  const answer = await page.request.get('/api/benches/1/truth')
  const told = (await answer.json()) as { truth: { key: string; value: number }[] }
  const truth = Object.fromEntries(told.truth.map(({ key, value }) => [key, value])) as Record<
    'analyteMolPerL' | 'pKa',
    number
  >
  expect(Math.abs(concentration.value - truth.analyteMolPerL)).toBeLessThan(3 * concentration.uncertainty)
  expect(concentration.uncertainty / concentration.value).toBeLessThan(0.01)
  const pKa = await teacher.resultOf('Half-equivalence')
  expect(Math.abs(pKa.value - truth.pKa)).toBeLessThan(3 * pKa.uncertainty)

  await teacher.goTo('Report')
  await page.getByLabel('Conclusion').fill('The whey holds 3.8 g/L of lactic acid: sour enough for the next batch.')
  await expect(page.getByText(/^Kept \d s ago/)).toBeVisible()
  await page.getByLabel('decimal comma (9,75)').check()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'CSV for a spreadsheet' }).click()
  const file = await download
  expect(file.suggestedFilename()).toBe('how-sour-is-wednesdays-whey-run-1.csv')
  const lines = (await readFile(await file.path(), 'utf8')).trim().split('\r\n')
  expect(lines[0]).toContain('Volume of NaOH added (mL);pH (pH)')
  expect(lines.length - 1).toBeGreaterThan(20)
  expect(lines[1]).toMatch(/^0;2,\d+;/)
  await expect(page.getByRole('link', { name: 'All runs in one file' })).toHaveCount(0)

  for (const [name, start] of [
    ['PNG picture', '\u0089PNG'],
    ['SVG drawing', '<svg'],
  ] as const) {
    const picture = page.waitForEvent('download')
    await page.getByRole('button', { name }).click()
    const bytes = await readFile(await (await picture).path())
    expect(bytes.subarray(0, 4).toString('latin1')).toBe(start)
    expect(bytes.length).toBeGreaterThan(5000)
  }
})
