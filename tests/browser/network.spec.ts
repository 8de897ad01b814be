import { expect, test } from './test'
import { Teacher } from './teacher'

test('a connection that breaks in the middle of a run costs no reading and doubles none', async ({ page, context }) => {
  const teacher = await Teacher.with(page)
  await teacher.begin('What if the cable is pulled?')
  await teacher.goTo('Record')
  await teacher.startRun()
  await teacher.takeNextReading()

  await teacher.untilSteady()
  await context.setOffline(true)
  await page.getByRole('button', { name: /^Take reading/ }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Not kept yet, trying again …' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Take reading/ })).toBeDisabled()
  await context.setOffline(false)
  await expect(teacher.readingRows()).toHaveCount(2)
  await expect(page.getByText(/^Kept \d+ s ago$/)).toBeVisible()

  // The answer is lost on its way back, though the reading was stored: the same request once more must not double it.
  let lost = 0
  await page.route('**/api/runs/*/readings', async (route) => {
    const answer = await route.fetch()
    if (lost++ === 0) await route.abort('connectionreset')
    else await route.fulfill({ response: answer })
  })
  await teacher.takeNextReading()
  expect(lost).toBe(2)
  await page.unroute('**/api/runs/*/readings')
  await expect(teacher.readingRows()).toHaveCount(3)
  await page.reload()
  await expect(teacher.readingRows()).toHaveCount(3)
  await teacher.finishRun()
})

test('a run whose start is answered late is still in view when it has ended by itself', async ({ page }) => {
  const teacher = await Teacher.with(page, { benches: ['Rowan'] })
  const grip = { symbol: 'g', name: 'Grip', unit: 'kPa', probeKind: 'grip-bulb' }
  await teacher.beginMeasuring('How strong is a hand?', 'Rowan', grip)
  await page.getByRole('button', { name: 'timed instead' }).click()
  const card = page.getByRole('region', { name: /^Run/ })
  await card.getByRole('button', { name: /^after / }).click()
  await card.getByLabel('after').fill('10')
  await card.getByLabel('after').press('Enter')
  await expect(card.getByRole('button', { name: 'after 10 s' })).toBeVisible()
  let answered = false
  await page.route('**/api/experiments/*/runs', async (route) => {
    const answer = await route.fetch()
    await expect(page.getByTestId('elapsed')).toBeVisible()
    answered = true
    await route.fulfill({ response: answer })
  })
  await page.keyboard.press('s')
  await expect(page.getByTestId('elapsed')).toBeVisible()
  await expect.poll(() => answered, 'The news of it came first.').toBe(true)
  await teacher.passTime('Rowan', 11)
  await expect(page.getByText('201 rows, its whole length')).toBeVisible()
})

test('pages that were asked for while the server was away come by themselves', async ({ page, context }) => {
  await Teacher.with(page)
  await page.goto('/standards')
  await expect(page.getByRole('heading', { name: 'Standards on the shelf' })).toBeVisible()
  await page.getByRole('link', { name: 'Benches' }).hover()
  await page.getByRole('link', { name: 'Benches' }).click()
  await expect(page.getByRole('region', { name: 'Alder' })).toBeVisible()
  await context.setOffline(true)
  await page.getByRole('region', { name: 'Alder' }).getByRole('link', { name: 'pH electrode' }).click()
  await expect(page.getByRole('alert')).toContainText('this page comes by itself once it is back.')
  await context.setOffline(false)
  await expect(page.getByRole('heading', { name: 'pH electrode Alder-1' })).toBeVisible()
  await expect(page.getByText(/^\+?−?\d+\.\d mV$/).first()).toBeVisible()
})

test('a page that is broken is not loaded again for ever', async ({ page }) => {
  await Teacher.with(page)
  await page.goto('/benches')
  let asked = 0
  await page.route('**/build/assets/probePage-*.js', (route) => {
    asked++
    return route.abort()
  })
  await page.getByRole('region', { name: 'Alder' }).getByRole('link', { name: 'pH electrode' }).click()
  await expect(page.getByRole('alert')).toContainText('Something went wrong on this page.')
  await page.waitForTimeout(3000)
  expect(asked).toBeLessThanOrEqual(4)
  await page.getByRole('link', { name: 'Back to the experiments' }).click()
  await expect(page.getByRole('heading', { name: 'Experiments' })).toBeVisible()
})
