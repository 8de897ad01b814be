import { expect, test } from './test'
import { Teacher } from './teacher'

test.describe('mistakes in a calibration', () => {
  test('swapped buffers are told, and put right with one click', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Swapped bottles')
    await teacher.startCalibration()
    await teacher.acceptStandard('4.01', '7.00')
    await teacher.acceptStandard('7.00', '4.01')

    await expect(page.getByRole('alert')).toContainText('The readings only make sense if 7.00 and 4.01 changed places.')
    await expect(page.getByRole('button', { name: /^Keep/ })).toBeHidden()
    await page.getByRole('button', { name: 'Exchange the two' }).click()
    await expect(page.getByText('Healthy electrode.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Keep it with 2 standards' })).toBeVisible()
    await page.getByRole('button', { name: 'Leave without keeping' }).click()
    await expect(page.getByRole('heading', { name: 'Before the run' })).toBeVisible()
  })

  test('a reading before it is steady is refused, can be taken anyway, and is then noted', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('In a hurry')
    await teacher.startCalibration()
    await teacher.dip('10.01')
    await teacher.passTime('Alder', 60)
    await teacher.dip('7.00')
    await expect(page.locator('li[aria-current=step]').getByText('settling', { exact: true })).toBeVisible()
    await page.keyboard.press('t')

    await expect(page.getByRole('alert')).toContainText('Not steady yet')
    await page.getByRole('button', { name: 'Take it anyway' }).click()
    await expect(page.getByText(/· not steady/)).toBeVisible()
    await expect(page.getByRole('alert').filter({ hasText: 'was taken while it still drifted' })).toBeVisible()
  })

  test('an electrode that was not rinsed is noticed at the bench', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Without a rinse')
    await teacher.startCalibration()
    await teacher.dip('7.00')
    await teacher.dip('4.01')
    await expect(page.getByText('It came straight from another standard: rinse it first.')).toBeVisible()
  })

  test('standards can be typed, and what is no number stays in its field with a sentence', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Typed standards')
    await teacher.startCalibration()
    await page.getByRole('button', { name: 'change', exact: true }).click()
    await page.getByLabel('Standard 3', { exact: true }).selectOption('another, typed')
    const field = page.getByLabel('pH of standard 3 in pH')
    await field.fill('nine')
    await field.press('Enter')
    await expect(page.getByText('"nine" is not a number.')).toBeVisible()
    await expect(field).toHaveValue('nine')
    await field.fill('9,2')
    await page.getByRole('button', { name: 'Use these' }).click()
    await expect(page.getByText('9.20').first()).toBeVisible()
  })
})

test('a wrong password is told, and the address stays', async ({ page }) => {
  await page.goto('/experiments')
  await page.getByLabel('E-mail address').fill('teacher@larkfield.example')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('alert')).toContainText('do not belong together')
  await expect(page.getByLabel('E-mail address')).toHaveValue('teacher@larkfield.example')
})

test('the bottle in hand is another than was said: its value is recognised, and the way on is offered', async ({
  page,
}) => {
  const teacher = await Teacher.with(page)
  await teacher.begin('Another bottle')
  await teacher.startCalibration()
  await teacher.acceptStandard('7.00')
  await teacher.acceptStandard('10.01', '4.01')
  await expect(page.getByRole('alert')).toContainText(
    'in 4.01 is what buffer 10.01 would give. Look at the bottle in hand',
  )
  await expect(page.getByRole('button', { name: /^Keep/ })).toBeHidden()
  await page.getByRole('button', { name: 'Retake pH 4.01' }).click()
  await expect(page.getByRole('alert')).toBeHidden()
})
