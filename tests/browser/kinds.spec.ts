import { expect, test } from './test'
import { Teacher } from './teacher'

test.describe('a full calibration of each kind', () => {
  test('conductivity: a potassium chloride standard gives the cell constant', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.beginCalibration('Birch-2')
    // The standard is as warm as the thermometer says.
    await teacher.hands('Thermometer into', 'rinse water')
    await teacher.hands('Cell into', '1413 µS/cm')
    await teacher.acceptSteady()
    // The cell of the bench has K = 1.062 per cm; the standard is good to 0.5 %.
    await expect(page.getByText(/^1\.0[5-7]\d/).first()).toBeVisible()
    await expect(page.getByText('Good cell.')).toBeVisible()
    await teacher.keep()
  })

  test('temperature: ice, and boiling water at the day’s pressure', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.beginCalibration('Birch-3')
    await page.getByLabel('Barometer, here and now').fill('100,4')
    await page.getByLabel('Barometer, here and now').press('Enter')
    await teacher.hands('Thermometer into', 'melting ice')
    await teacher.acceptSteady()
    await teacher.hands('Thermometer into', 'boiling water')
    // Water boils at 99.74 °C at 100.4 kPa.
    await expect(page.locator('li[aria-current=step]')).toContainText('99.7 °C')
    await teacher.acceptSteady()
    await expect(page.getByText('Sound probe.')).toBeVisible()
    await teacher.keep()
    await page.goto('/benches')
    await expect(teacher.probeRow('Birch-3')).toContainText(/99\.\d+ % · today/)
  })

  test('pressure: against the barometer, and the gas then reads what the gauge says', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Hazel'] })
    await teacher.beginOtherWay('Gas pressure', 'Hazel-1', 'Against the barometer, offset only')
    await page.getByLabel('Barometer, here and now').fill('100.4')
    await page.getByLabel('Barometer, here and now').press('Enter')
    await teacher.acceptSteady()
    await teacher.keep()
    await page.getByRole('link', { name: 'Go to the benches' }).click()
    await expect(teacher.probeRow('Hazel-1')).toContainText(/100\.[2-6]\s*kPa/)
  })

  test('plunger: travel becomes volume by the bore', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Hazel'] })
    await teacher.beginCalibration('Hazel-3')
    await expect(page.getByText('Type the inner diameter: it turns travel into volume.')).toBeVisible()
    await teacher.hands('Plunger', '20')
    await page.getByLabel('Inner diameter').fill('29.0')
    await page.getByLabel('Inner diameter').press('Enter')
    await teacher.acceptSteady()
    await expect(page.getByRole('alert')).toContainText(
      'Type the value of "start volume", as it was read beside the probe.',
    )
    await page.getByLabel('Value of start volume in mL').fill('20')
    await page.getByLabel('Value of start volume in mL').press('Enter')
    await teacher.keep()
    await teacher.hands('Plunger', '40')
    await expect(page.getByRole('listitem').filter({ hasText: 'Plunger' }).first()).toContainText(
      /(39\.9|40\.0)\d?\s*mL/,
    )
  })

  test('grip bulb: hung weights turn pressure into newtons', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await teacher.beginOtherWay('Grip bulb', 'Rowan-2', 'With hung weights, in N')
    for (const how of ['let go', '2 kg hung on', '5 kg hung on']) {
      await teacher.hands('Bulb', how)
      await teacher.acceptSteady()
    }
    await teacher.keep()
    // 5 kg times 9.80665 m/s² are 49.0 N.
    await expect(page.getByRole('listitem').filter({ hasText: 'Grip bulb' }).first()).toContainText(
      /(48\.[89]|49\.[0-2])\s*N/,
    )
  })

  test('ECG: baseline and a 1 mV pulse give zero and gain', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await teacher.beginCalibration('Rowan-1')
    await teacher.acceptSteady()
    await teacher.hands('Gauge', 'hold 1 mV')
    await teacher.acceptSteady()
    await expect(page.getByText('Sound probe.')).toBeVisible()
    await teacher.keep()
  })

  test('belt: slack is zero, and a loose belt is told', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await teacher.beginCalibration('Rowan-3')
    await teacher.acceptSteady()
    const step = page.locator('li[aria-current=step]')
    await teacher.hands('Belt', 'on, loose')
    await teacher.passTime('Rowan', 10)
    await step.getByRole('button', { name: /^Accept reading/ }).click()
    await expect(page.getByText(/For a comfortable stretch it should show about 5.0 N, but shows/)).toBeVisible()
    await page.getByRole('button', { name: 'Retake comfortable stretch' }).click()
    await teacher.hands('Belt', 'on, comfortable')
    await teacher.passTime('Rowan', 10)
    await step.getByRole('button', { name: /^Accept reading/ }).click()
    await expect(page.getByText(/it should show about 5.0 N/)).toBeHidden()
    await teacher.keep()
  })

  test('two skin thermometers stand in the same water and are read together', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await teacher.beginOtherWay('Left hand', 'Rowan-5', 'Beside a reference thermometer', 'Right hand Rowan-6')
    for (const [into, value] of [
      ['melting ice', '0'],
      ['warm water', '41,3'],
    ] as const) {
      await teacher.hands('Left thermometer', into)
      await teacher.hands('Right thermometer', into)
      const field = page.locator('li[aria-current=step]').getByRole('textbox')
      await field.fill(value)
      await field.press('Enter')
      await teacher.acceptSteady(2)
    }
    await expect(page.getByRole('heading', { name: 'Right hand Rowan-6' })).toBeVisible()
    await teacher.keep()
    await page.getByRole('link', { name: 'Go to the benches' }).click()
    await expect(teacher.probeRow('Rowan-6')).toContainText('today')
    await expect(teacher.probeRow('Rowan-5')).toContainText('today')
  })
})
