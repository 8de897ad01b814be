import { expect, test } from '@playwright/test'
import { Teacher } from './teacher'

test.describe('a run', () => {
  test('goes on where it was after a reload', async ({ page }) => {
    const teacher = new Teacher(page)
    await teacher.signIn()
    await teacher.beginExperiment('Interrupted')
    await teacher.goTo('Record')
    await teacher.startRun()
    for (let i = 0; i < 3; i++) await teacher.takeNextReading()
    const next = await teacher.nextVolume()

    await page.reload()
    await expect(teacher.readingRows()).toHaveCount(3)
    expect(await teacher.nextVolume()).toBe(next)
    await teacher.takeNextReading()
    await teacher.finishRun()
  })

  test('is the same in two browsers, and one step is taken once', async ({ page, browser }) => {
    const first = new Teacher(page)
    await first.signIn()
    await first.beginExperiment('On two screens')
    await first.goTo('Record')
    await first.startRun()
    const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const second = new Teacher(await other.newPage())
    await second.signIn()
    await second.page.goto(page.url())
    await expect(second.page.getByTestId('next-volume')).toContainText('0.00')

    await first.takeNextReading()
    await expect(second.readingRows()).toHaveCount(1)
    await expect(second.page.getByTestId('next-volume')).toContainText('0.50')
    await second.openBenchControls()
    await second.takeNextReading()
    await expect(first.readingRows()).toHaveCount(2)
    await first.finishRun()
    await expect(second.page.getByRole('link', { name: 'Go to Reason' })).toBeVisible()
    await other.close()
  })

  test('retakes, deletes with undo, and takes a volume that was not planned', async ({ page }) => {
    const teacher = new Teacher(page)
    await teacher.signIn()
    await teacher.beginExperiment('Second thoughts')
    await teacher.goTo('Record')
    await teacher.startRun()
    await teacher.takeNextReading()
    await teacher.takeNextReading()

    await expect(page.locator('li[aria-current=step]').getByText('steady', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'retake 0.50 mL' }).click()
    await expect(page.getByText(/^Kept 0 s ago/)).toBeVisible()
    await expect(teacher.readingRows()).toHaveCount(2)

    await page.getByRole('button', { name: 'Delete the reading at 0.50 mL' }).click()
    await expect(teacher.readingRows()).toHaveCount(1)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(teacher.readingRows()).toHaveCount(2)

    await page.getByRole('button', { name: 'other volume' }).click()
    await page.getByLabel('The burette stands at').fill('0,72')
    await page.getByLabel('The burette stands at').press('Enter')
    await expect(page.getByTestId('next-volume')).toContainText('0.72')
    await expect(page.locator('li[aria-current=step]').getByText('steady', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: /^Take reading/ }).click()
    await expect(teacher.readingRows()).toHaveCount(3)
    await expect(page.getByTestId('next-volume')).toContainText('1.00')
    await teacher.finishRun()
  })
})
