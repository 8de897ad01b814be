import { readFile } from 'node:fs/promises'
import { expect, test } from './test'
import { Teacher } from './teacher'

test.describe('a run', () => {
  test('goes on where it was after a reload', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Interrupted')
    await teacher.goTo('Record')
    await teacher.startRun()
    for (let i = 0; i < 3; i++) await teacher.takeNextReading()
    const next = await teacher.nextStep()

    await page.reload()
    await expect(teacher.readingRows()).toHaveCount(3)
    expect(await teacher.nextStep()).toBe(next)
    await teacher.takeNextReading()
    await teacher.finishRun()

    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(page.getByTestId('next-step')).toContainText('2.00')
    await teacher.finishRun()
    await page.getByRole('button', { name: 'Go on with this run' }).click()
    await teacher.takeNextReading()
    await teacher.finishRun()
  })

  test('is the same in two browsers, and one step is taken once', async ({ page, browser }) => {
    const first = await Teacher.with(page)
    await first.begin('On two screens')
    await first.goTo('Record')
    await first.startRun()
    const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const second = await first.at(await other.newPage())
    await second.page.goto(page.url())
    await expect(second.page.getByTestId('next-step')).toContainText('0.00')

    await first.takeNextReading()
    await expect(second.readingRows()).toHaveCount(1)
    await expect(second.page.getByTestId('next-step')).toContainText('0.50')
    await second.openBenchControls()
    await second.takeNextReading()
    await expect(first.readingRows()).toHaveCount(2)
    await first.finishRun()
    await expect(second.page.getByRole('link', { name: 'Go to Reason' })).toBeVisible()
    await other.close()
  })

  test('leaves together with the others in one file, or each in one of its own', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Taken home')
    await teacher.goTo('Record')
    for (const count of [2, 1]) {
      await teacher.startRun()
      for (let i = 0; i < count; i++) await teacher.takeNextReading()
      await teacher.finishRun()
      if (count === 2) await page.getByRole('button', { name: 'Prepare another run' }).click()
    }
    await teacher.goTo('Report')
    await page.getByLabel('decimal comma (9,75)').check()
    const together = page.waitForEvent('download')
    await page.getByRole('link', { name: 'All runs in one file' }).click()
    expect((await together).suggestedFilename()).toBe('taken-home-all-runs.csv')
    const lines = (await readFile(await (await together).path(), 'utf8')).trim().split('\r\n')
    expect(lines[0]).toContain('Run;Name of the run;Condition;Trial;Volume of NaOH added (mL);pH (pH)')
    expect(lines.slice(1).map((line) => line.split(';')[0])).toEqual(['1', '1', '2'])
    const apart = page.waitForEvent('download')
    await page.getByRole('link', { name: 'All runs, a file each (ZIP)' }).click()
    expect((await apart).suggestedFilename()).toBe('taken-home-runs.zip')
    const bytes = await readFile(await (await apart).path())
    expect(bytes.subarray(0, 2).toString('latin1')).toBe('PK')
    expect(bytes.toString('latin1')).toContain('taken-home-run-2.csv')
  })

  test('retakes, deletes with undo, and takes a volume that was not planned', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Second thoughts')
    await teacher.goTo('Record')
    await teacher.startRun()
    await teacher.takeNextReading()
    await teacher.takeNextReading()

    await teacher.untilSteady()
    await page.getByRole('button', { name: 'retake 0.50 mL' }).click()
    await expect(page.getByText(/^Kept 0 s ago/)).toBeVisible()
    await expect(teacher.readingRows()).toHaveCount(2)

    await page.getByRole('button', { name: 'Delete the reading at 0.50 mL' }).click()
    await expect(teacher.readingRows()).toHaveCount(1)
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(teacher.readingRows()).toHaveCount(2)

    await page.getByRole('button', { name: 'another step' }).click()
    await page.getByLabel('Volume of NaOH added', { exact: true }).fill('0,72')
    await page.getByLabel('Volume of NaOH added', { exact: true }).press('Enter')
    await expect(page.getByTestId('next-step')).toContainText('0.72')
    await teacher.untilSteady()
    await page.getByRole('button', { name: /^Take reading/ }).click()
    await expect(teacher.readingRows()).toHaveCount(3)
    await expect(page.getByTestId('next-step')).toContainText('1.00')
    await teacher.finishRun()
  })
})
