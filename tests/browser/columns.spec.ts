import type { Page } from '@playwright/test'
import { expectCell, paste } from './table'
import { expect, test } from './test'
import { Teacher } from './teacher'

const head = (page: Page, name: RegExp) => page.getByRole('columnheader', { name })

/** What the table shows of its columns, in their order. */
const heads = (page: Page) =>
  page
    .getByRole('columnheader')
    .allInnerTexts()
    .then((all) => all.map((text) => text.split('\n')[0] ?? '').filter((text) => text.includes(' / ')))

test.describe('columns of a table', () => {
  test('are moved, made wider, hidden, and put into another unit, as a person would do it', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('Does warm gas need more room?')
    await paste(page, 'V (mL);T (°C);p (kPa)\n25,0;20;101,3\n26,1;33;101,2\n')
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByRole('button', { name: 'Take 2 rows of 3 columns' }).click()
    await expect(dialog).toBeHidden()
    await expect.poll(() => heads(page)).toEqual(['V / mL', 'T / °C', 'p / kPa'])

    const card = page.getByRole('region', { name: /T/ }).filter({ has: page.getByRole('button', { name: 'narrower' }) })
    await head(page, /^T \/ °C/)
      .getByRole('button')
      .click()
    await page.keyboard.press('Tab')
    await card.getByRole('button', { name: '← to the left' }).press('Enter')
    await expect.poll(() => heads(page)).toEqual(['T / °C', 'V / mL', 'p / kPa'])
    await head(page, /^p/).dragTo(head(page, /^V/))
    await expect.poll(() => heads(page)).toEqual(['T / °C', 'p / kPa', 'V / mL'])

    const width = async () => (await head(page, /^T \/ °C/).boundingBox())?.width ?? 0
    const before = await width()
    await card.getByRole('button', { name: 'wider' }).click()
    await expect.poll(width).toBeGreaterThan(before)
    await card.getByRole('button', { name: 'narrower' }).click()
    await expect.poll(width).toBe(before)

    // Another unit asks what is meant by the numbers.
    await card.getByLabel('Unit').fill('K')
    await card.getByLabel('Unit').press('Enter')
    await card.getByRole('button', { name: 'convert them into K' }).click()
    await expect.poll(() => heads(page)).toEqual(['T / K', 'p / kPa', 'V / mL'])
    await expectCell(page, 1, 1, '293.15')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expectCell(page, 1, 1, '20')
    await card.getByLabel('Unit').fill('K')
    await card.getByLabel('Unit').press('Enter')
    await card.getByRole('button', { name: 'keep the numbers, they were meant in K' }).click()
    await expect.poll(() => heads(page)).toEqual(['T / K', 'p / kPa', 'V / mL'])
    await expectCell(page, 1, 1, '20')

    await card.getByRole('button', { name: 'hide' }).click()
    await expect.poll(() => heads(page)).toEqual(['p / kPa', 'V / mL'])
    await page.getByRole('button', { name: 'show T' }).click()
    await expect.poll(() => heads(page)).toEqual(['T / K', 'p / kPa', 'V / mL'])
  })

  test('a temperature in a ratio is put into kelvin by one press', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('Is V over T constant?')
    await paste(page, 'V (mL);T (°C)\n25,0;20\n26,1;33\n')
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByRole('button', { name: 'Take 2 rows of 2 columns' }).click()
    await expect(dialog).toBeHidden()
    await page.getByRole('button', { name: '+ column' }).click()
    const form = page.getByRole('form', { name: 'New column' })
    await form.getByLabel('How its cells come about').selectOption('by a formula')
    await form.getByLabel(/^Formula/).fill('V/T')
    await form.getByRole('button', { name: 'use T in kelvin' }).click()
    await expect.poll(() => heads(page)).toContain('T / K')
    await expectCell(page, 1, 2, '293.15')
  })
})
