import { expect, test } from './test'
import { Teacher } from './teacher'

test.describe('calibrating under the conditions of a school', () => {
  test('a barometer reduced to sea level in hPa is told, what was typed stays, and the right one is taken', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.beginCalibration('Birch-3')
    const refusal = page.getByText('The barometer must be a number from 50 to 110 kPa')
    const field = page.getByLabel('Barometer, here and now')
    await expect(page.getByText('Type it: until then 101.325 kPa is taken.')).toBeVisible()
    await field.fill('1013')
    await field.press('Enter')
    await expect(refusal).toBeVisible()
    await expect(field).toHaveValue('1013')
    await field.fill('98,6')
    await field.press('Enter')
    await expect(refusal).toBeHidden()
    await expect(page.getByText('Type it: until then 101.325 kPa is taken.')).toBeHidden()
    await page.getByRole('button', { name: 'Leave without keeping' }).click()
  })

  test('on a slow network a second press takes no second reading', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.beginCalibration('Birch-2')
    await teacher.hands('Cell into', '1413 µS/cm')
    let asked = 0
    let letItGo = () => undefined as unknown
    const isPressedAgain = new Promise((resolve) => (letItGo = () => resolve(undefined)))
    await page.route('**/api/calibrations/*/readings', async (route) => {
      asked++
      await isPressedAgain
      await route.continue()
    })
    await teacher.untilSteady()
    await page.keyboard.press('t')
    await expect(page.getByRole('button', { name: /^Accept reading/ })).toBeDisabled()
    await page.keyboard.press('t')
    letItGo()
    await expect(page.getByRole('button', { name: 'retake', exact: true })).toHaveCount(1)
    expect(asked).toBe(1)
    await page.getByRole('button', { name: 'Leave without keeping' }).click()
  })

  test('a reload in the middle comes back to the same standard with what was read', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.beginCalibration('Birch-1')
    await teacher.hands('Electrode into', 'rinse water')
    await teacher.hands('Electrode into', 'pH 7.00')
    await teacher.acceptSteady()
    await page.reload()
    await expect(page.getByRole('button', { name: 'retake', exact: true })).toHaveCount(1)
    await expect(page.locator('li[aria-current=step]')).toContainText('pH 4.01')
    await page.getByRole('button', { name: 'Leave without keeping' }).click()
    await expect(page.getByRole('heading', { name: 'pH electrode Birch-1' })).toBeVisible()
  })

  test('from the benches to a kept line with keys alone', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await page.goto('/benches')
    const calibrate = teacher.probeRow('Birch-2').getByRole('button', { name: 'Calibrate', exact: true })
    await calibrate.focus()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: /^Calibrate Conductivity/ })).toBeVisible()
    await teacher.openBenchControls()
    await teacher.hands('Cell into', '1413 µS/cm')
    await teacher.acceptSteady()
    await page.keyboard.press('k')
    await expect(page.getByRole('heading', { name: 'Kept', exact: true })).toBeVisible()
    await page.getByRole('link', { name: 'Go to the benches' }).focus()
    await page.keyboard.press('Enter')
    await expect(teacher.probeRow('Birch-2')).toContainText('today')
  })
})
