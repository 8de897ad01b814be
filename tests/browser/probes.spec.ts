import { expect, test } from './test'
import { WHEY } from './larkfield'
import { Teacher } from './teacher'

test.describe('the probes of all benches', () => {
  test('are seen at a glance: which are ready, which need a look, and what they show', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Alder', 'Birch', 'Hazel', 'Rowan'] })
    await page.goto('/experiments')
    await page.getByRole('link', { name: 'Benches' }).click()
    await expect(page.getByText(/\d+ probes ready · \d+ probes? to look at/)).toBeVisible()
    for (const bench of ['Alder', 'Birch', 'Hazel', 'Rowan']) {
      await expect(page.getByRole('heading', { name: bench, exact: true })).toBeVisible()
    }
    await expect(teacher.probeRow('Birch-1')).toContainText(/old · 90\.\d % · 1[12] days ago/)
    await expect(teacher.probeRow('Rowan-5')).toContainText(/\d\.\d\s*°C/)
  })

  test('one that is unplugged in the middle says so, and goes on when it is back', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.beginCalibration('Birch-1')
    await teacher.hands('Electrode into', 'pH 7.00')
    await teacher.acceptSteady()
    await teacher.hands('Plugged in', 'pH electrode')
    await expect(page.locator('li[aria-current=step]').getByRole('alert')).toContainText(
      'Unplugged. Plug it in again; what was read is kept.',
    )
    await expect(page.getByRole('button', { name: /^Accept reading/ })).toBeDisabled()

    await teacher.hands('Plugged in', 'pH electrode')
    await teacher.hands('Electrode into', 'rinse water')
    await teacher.hands('Electrode into', 'pH 4.01')
    await teacher.acceptSteady()
    await expect(page.getByRole('button', { name: 'retake' })).toHaveCount(2)
    await page.getByRole('button', { name: 'Leave without keeping' }).click()
  })

  test('one that is carried to another bench is found there', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Alder', 'Birch'] })
    await teacher.begin('Where is the electrode?')
    await teacher.openBenchControls()
    await teacher.hands('Faults', 'electrode at bench Birch')
    await page.goto('/benches')
    const birch = page.getByRole('region', { name: 'Birch' })
    await expect(birch.getByRole('listitem').filter({ hasText: 'Alder-1' })).toContainText('from bench Alder')
    await teacher.open('Where is the electrode?', 'prepare')
    await teacher.openBenchControls()
    await teacher.hands('Faults', 'electrode at bench Birch')
    await expect(page.getByRole('heading', { name: /^pH electrode/ }).first()).toBeVisible()
  })

  test('one that is carried away during a run is missed there, by name, until it is back', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Alder', 'Birch'] })
    await teacher.begin('Who took the electrode?')
    await teacher.goTo('Record')
    await teacher.startRun()
    await teacher.takeNextReading()
    await teacher.hands('Faults', 'electrode at bench Birch')
    const step = page.locator('li[aria-current=step]')
    await expect(step.getByRole('alert')).toHaveText(
      'At bench Birch now. Bring pH electrode Alder-1 back to bench Alder to go on.',
    )
    await expect(page.getByRole('button', { name: /^Take reading/ })).toBeDisabled()

    await teacher.hands('Faults', 'electrode at bench Birch')
    await teacher.dipIntoBeaker()
    await teacher.takeNextReading()
    await teacher.finishRun()
  })

  test('one that has gone for good is put away, and is back by itself when it is plugged in', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await page.goto('/benches')
    await teacher.probeRow('Birch-3').getByRole('link', { name: 'Temperature' }).click()
    await teacher.openBenchControls()
    await teacher.turn('Plugged in', 'Temperature', true)
    await expect(page.getByText('Ready to record with.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Put it away' })).toBeHidden()
    await teacher.hands('Plugged in', 'Temperature')
    await page.getByRole('button', { name: 'Put it away' }).click()
    await expect(page.getByText('Temperature Birch-3 was put away.')).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await page.getByRole('button', { name: 'Put it away' }).click()
    const putAway = page.getByText('Plugged in, it is back by itself.')
    await expect(putAway).toBeVisible()

    await page.getByRole('link', { name: 'Benches' }).click()
    const birch = page.getByRole('region', { name: 'Birch' })
    await expect(birch.getByRole('listitem')).toHaveCount(2)
    await birch.getByRole('link', { name: 'Temperature Birch-3' }).click()
    await teacher.openBenchControls()
    await teacher.hands('Plugged in', 'Temperature')
    await expect(putAway).toBeHidden()
    await page.getByRole('link', { name: 'Benches' }).click()
    await expect(birch.getByRole('listitem')).toHaveCount(3)
  })

  test('a zero taken by accident is undone with one click', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await page.goto('/benches')
    const row = teacher.probeRow('Rowan-3')
    await expect(row).toContainText(/\d\s*N/)
    await page.getByRole('button', { name: 'Zero Breathing belt Rowan-3' }).click()
    await expect(page.getByText(/^Breathing belt zeroed: what read .* N now reads 0\./)).toBeVisible()
    await expect(row).toContainText('zeroed today')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(row).not.toContainText('zeroed today')
  })

  test('limits of rest can be set for one bench and taken back', async ({ page }) => {
    await Teacher.with(page, { benches: ['Hazel'] })
    await page.goto('/benches')
    const open = () => page.getByRole('button', { name: 'When is a probe of bench Hazel steady?' }).click()
    await open()
    await page.getByLabel('drifts by at most').fill('nothing')
    await page.getByLabel('drifts by at most').press('Enter')
    await expect(page.getByText('"nothing" is not a number.')).toBeVisible()
    await page.getByLabel('drifts by at most').fill('0,5')
    await page.getByRole('button', { name: 'Use these limits' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await open()
    await expect(page.getByLabel('drifts by at most')).toHaveValue('0.5')
    await page.getByRole('button', { name: 'back to what is usual for this kind' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
  })
})

test.describe('the record of a probe', () => {
  test('shows its calibrations, when to replace it, and the raw values of each standard', async ({ page }) => {
    await Teacher.with(page, { benches: ['Birch'] })
    await page.goto('/benches')
    await page.getByRole('link', { name: 'pH electrode' }).click()
    await expect(page.getByRole('heading', { name: 'pH electrode Birch-1' })).toBeVisible()
    await expect(page.getByText(/Falls about 2\.\d % a month: below 85 % in about \d+ weeks/)).toBeVisible()
    await page.getByRole('button', { name: /^Raw values of the calibration kept 1[12] days ago/ }).click()
    await expect(page.getByRole('cell', { name: 'pH 4.01', exact: true })).toBeVisible()
    await expect(page.getByRole('img', { name: '40 raw values in pH 7.00' })).toBeVisible()
  })

  test('a calibration is set aside with a reason, the one before is in force, and it comes back', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await page.goto(`/probes/${teacher.probe('Birch-2')}`)
    await expect(page.getByText('in force')).toBeVisible()
    await page
      .getByRole('button', { name: /^Set aside the calibration/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'wrong standard' }).click()
    await page.getByRole('button', { name: 'Set aside', exact: true }).click()
    await expect(page.getByText('set aside: wrong standard')).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText('set aside: wrong standard')).toBeHidden()
  })

  test('a run is worked out again, both results stand side by side, and the sheet says so', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'whey' })
    await page.goto(`/probes/${teacher.probe('Alder-1')}`)
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Monday’s whey' })
      .getByRole('link', { name: 'work out again …' })
      .click()
    const dialog = page.getByRole('dialog', { name: 'Worked out by other calibrations' })
    await dialog.getByLabel('Another calibration of this probe').selectOption({ index: 3 })
    await dialog.getByRole('button', { name: 'Work it out beside' }).click()
    await expect(dialog.getByText('Worked out again')).toBeVisible()
    await expect(dialog.getByRole('row', { name: /Half-equivalence/ }).getByText(/^[+−]0\.\d+$/)).toBeVisible()
    await dialog.getByRole('button', { name: 'tell results by it' }).click()
    await dialog.getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText(/^Worked out again by the calibration of/)).toBeVisible()
    await teacher.goTo('Report')
    await expect(page.getByText(/the run was worked out again with it/)).toBeVisible()

    await page.goto(`/experiments/${teacher.experiment(WHEY)}/reason?compare=yes`)
    await dialog.getByRole('button', { name: 'tell results by it' }).click()
    await dialog.getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText(/^By the calibration of/)).toBeVisible()
  })

  test('a probe set to another’s line says so until it is back at its own', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await page.goto(`/probes/${teacher.probe('Rowan-6')}`)
    await page.getByRole('button', { name: 'Another probe’s line, or the factory’s …' }).click()
    await page.getByLabel(/^That of Left hand Rowan-5/).check()
    await page.getByRole('button', { name: 'Set this line' }).click()
    await expect(page.getByText('Right hand: reads by the calibration of another probe.')).toBeVisible()
    await page.getByRole('button', { name: 'Another probe’s line, or the factory’s …' }).click()
    await page.getByLabel('The factory’s, as its maker states it').check()
    await page.getByRole('button', { name: 'Set this line' }).click()
    await expect(page.getByText('Ready to record with.')).toBeVisible()
  })
})

test.describe('the shelf of standards', () => {
  test('a bottle is written down once and chosen in a calibration; an expired one is flagged', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'all', benches: ['Alder'] })
    await page.goto('/experiments')
    await page.getByRole('link', { name: 'Standards', exact: true }).click()
    await expect(page.getByText('1 standard expired.')).toBeVisible()
    await page.getByRole('button', { name: 'Add a standard' }).click()
    await page.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(page.getByRole('alert')).toContainText('Type the name that stands on it.')
    await page.getByLabel('What it is').selectOption('pH 6.865, phosphate')
    await page.getByLabel('Name on it').fill('phosphate, own')
    await page.getByLabel('Lot').fill('own-11')
    await page.getByRole('button', { name: 'Put it on the shelf' }).click()
    await expect(page.getByRole('cell', { name: 'phosphate, own', exact: true })).toBeVisible()

    await teacher.beginCalibration('Alder-1')
    await page.getByRole('button', { name: 'change', exact: true }).click()
    await page.getByLabel('Standard 1', { exact: true }).selectOption('phosphate, own, lot own-11')
    await page.getByLabel('Standard 3', { exact: true }).selectOption('buffer 10.01, lot LK-0324 · expired')
    await page.getByRole('button', { name: 'Use these' }).click()
    await expect(page.locator('li[aria-current=step]')).toContainText('phosphate, own')
    await expect(page.getByRole('alert')).toContainText('The bottle of buffer 10.01 was good until')
    await page.getByRole('button', { name: 'Leave without keeping' }).click()

    await page.goto('/standards')
    await page.getByRole('button', { name: 'Remove phosphate, own' }).click()
    await expect(page.getByRole('cell', { name: 'phosphate, own', exact: true })).toBeHidden()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('cell', { name: 'phosphate, own', exact: true })).toBeVisible()
  })
})

test('a run on an old calibration is begun only after it was said, and says so itself', async ({ page }) => {
  const teacher = await Teacher.with(page, { benches: ['Birch'] })
  await teacher.begin('Brine on the old electrode', 'titration', 'Birch')
  await teacher.goTo('Record')
  await expect(page.getByText(/^pH electrode: calibration 1[12] days old\.$/)).toBeVisible()
  await page.getByRole('button', { name: /^Start run 1 all the same/ }).click()
  await expect(page.getByTestId('next-step')).toBeVisible()
  await expect(page.getByText(/^pH electrode: calibration 1[12] days old\.$/)).toBeVisible()
  await page.getByRole('button', { name: /^Finish the run/ }).click()
})
