import { expect, test } from './test'
import { Teacher } from './teacher'

test.describe('runs in steps of any kind', () => {
  test('a serial dilution: the steps are halved one after the other, and what they give is a straight line', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.setByMaker('Birch')
    await teacher.begin('How much does half the salt conduct?', 'dilution-line', 'Birch')
    await teacher.goTo('Record')
    await teacher.openBenchControls()
    await teacher.hands('Thermometer into', 'rinse water')
    await page.getByRole('button', { name: 'change steps' }).click()
    const dialog = page.getByRole('dialog', { name: 'Steps of the run' })
    await dialog.getByRole('textbox').fill('0,8')
    for (let i = 0; i < 3; i++) await dialog.getByRole('button', { name: '+ halve the last one' }).click()
    await expect(dialog.getByRole('textbox')).toHaveValue('0,8\n0.4\n0.2\n0.1')
    await dialog.getByRole('button', { name: 'Use these steps' }).click()
    await page.getByRole('button', { name: /^Start run/ }).click()
    for (const step of [0.8, 0.4, 0.2, 0.1]) {
      expect(await teacher.nextStep()).toBe(step)
      await teacher.takeNextReading(/^put in \d/)
    }
    await teacher.finishRun()
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    const rise = await teacher.resultOf('Rise for one per cent')
    const truth = await teacher.truthOf('Birch')
    expect(Math.abs(rise.value - (truth.dilutionSlope ?? 0))).toBeLessThan(0.05 * rise.value)
    // A column that is typed beside what was measured.
    await page.getByRole('button', { name: 'columns and entries' }).click()
    await page.getByRole('button', { name: '+ column' }).click()
    const form = page.getByRole('form', { name: 'New column' })
    await form.getByLabel('How its cells come about').selectOption('typed into the table')
    await form.getByLabel('What it is').fill('Shade of the solution')
    await form.getByLabel('Symbol', { exact: true }).fill('shade')
    await form.getByRole('button', { name: 'Add the column' }).click()
    await expect(form).toBeHidden()
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    const shade = page.getByLabel(/^shade at 0\.8/)
    await shade.fill('3,5')
    await shade.press('Enter')
    await expect(shade).toHaveValue('3.5')
    if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/shade.png` })
    await page.getByRole('button', { name: /^Undo: Typed shade/ }).click()
    await expect(shade).toHaveValue('')
  })

  test('typed volumes from 12 mL down to 5 by 1', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Hazel'] })
    await teacher.setByMaker('Hazel')
    await teacher.begin('How small can a gas be made?', 'gas-in-a-syringe', 'Hazel')
    await teacher.goTo('Record')
    await teacher.openBenchControls()
    await teacher.turn('Vessel', 'sealed bottle instead of the syringe', false)
    await teacher.turn('Valve', 'plunger free', false)
    await teacher.turn('Valve', 'open to the room', true)
    await page.getByRole('button', { name: 'change steps' }).click()
    const dialog = page.getByRole('dialog', { name: 'Steps of the run' })
    for (const [label, value] of [
      ['From', '12'],
      ['To', '5'],
      ['Step', '1'],
    ] as const)
      await dialog.getByLabel(label, { exact: true }).fill(value)
    await dialog.getByRole('button', { name: 'Use these steps' }).click()
    await page.getByRole('button', { name: /^Start run/ }).click()
    await teacher.press(/^move 12/)
    await teacher.turn('Valve', 'open to the room', false)
    await teacher.takeNextReading(/^move \d/)
    // Pressing warms the gas; that it should not be warmer is said until it has cooled.
    const moved = page.getByText(/^Temperature stands [\d.]+ °C above the first reading: wait/)
    await teacher.press(/^move 11/)
    await expect(moved).toBeVisible()
    await teacher.passTime('Hazel', 30)
    await expect(moved).toBeHidden()
    for (const volume of [11, 10, 9, 8, 7, 6, 5]) {
      expect(await teacher.nextStep()).toBe(volume)
      await teacher.takeNextReading(/^move \d/)
    }
    await teacher.finishRun()
    await expect(teacher.readingRows()).toHaveCount(8)
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    const hidden = await teacher.resultOf('Volume hidden in the tubing')
    const truth = await teacher.truthOf('Hazel')
    // As near as the calibration allows that the bench happens to have.
    expect(Math.abs(hidden.value - (truth.deadMl ?? 0))).toBeLessThan(1)
  })
})
