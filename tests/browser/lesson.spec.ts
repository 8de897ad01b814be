import { readFile } from 'node:fs/promises'
import { expect, test } from './test'
import { Teacher } from './teacher'

test('a teacher walks from sign-in to the handed-out file, and the result is true', async ({ page }) => {
  // The whole of it, with a reading for each step.
  test.slow()
  const teacher = await Teacher.outside(page, { benches: ['Alder'] })
  await teacher.signInByHand()
  await teacher.beginByHand('How sour is Wednesday’s whey?', 'Titration', 'Alder (simulated)')
  await teacher.startCalibration()
  for (const standard of ['7.00', '4.01', '10.01'] as const) await teacher.acceptStandard(standard)
  await page.getByRole('button', { name: 'Keep this calibration' }).click()
  await expect(page.getByRole('heading', { name: 'Kept', exact: true })).toBeVisible()
  await expect(page.getByText('Healthy electrode.')).toBeVisible()

  await page.getByRole('link', { name: 'Go to Record' }).click()
  await page.getByRole('button', { name: 'change steps' }).click()
  // Half of the acid is gone at 5 mL, all of it at 10.
  await page.getByLabel('From', { exact: true }).fill('3')
  await page.getByLabel('To', { exact: true }).fill('16')
  await page.getByLabel('Step', { exact: true }).fill('1')
  await page.getByRole('button', { name: 'Use these steps' }).click()
  await expect(page.getByText('3 to 16 mL by 1')).toBeVisible()

  await teacher.startRun()
  // Its pH, in the newest row.
  const isPastTheJump = async () =>
    Number(
      (await teacher
        .readingRows()
        .first()
        .getByRole('cell')
        .nth(1)
        .textContent()
        .catch(() => '0')) ?? '0',
    ) > 11.2
  let refined = false
  while (!(await isPastTheJump())) {
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
  const truth = (await teacher.truthOf('Alder')) as Record<'analyteMolPerL' | 'pKa', number>
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
  expect(lines.length - 1).toBeGreaterThan(12)
  expect(lines[1]).toMatch(/^3;3,\d+;/)
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
