import { expect, type Locator, type Page } from '@playwright/test'
import { Teacher } from './teacher'

/** A picture for whoever wants to see it. */
export async function look(page: Page, name: string): Promise<void> {
  if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/${name}.png` })
}

/** Puts a text on the clipboard of the page as a spreadsheet does, and pastes it into what holds the focus. */
export async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((copied) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', copied)
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
    )
  }, text)
}

/** A cell by its row and column as they stand, from 1. */
export const cell = (page: Page, row: number, column: number): Locator =>
  page.locator(`tr[aria-rowindex="${row + 1}"] td[role=gridcell]`).nth(column - 1)

/** What stands in a cell, in hand or not. */
export async function expectCell(page: Page, row: number, column: number, text: string): Promise<void> {
  await expect
    .poll(() => cell(page, row, column).evaluate((of) => of.querySelector('input')?.value ?? of.textContent))
    .toBe(text)
}

/** An experiment with the runs of a table, looked at in Reason. */
export async function reasonAbout(page: Page, title: string, text: string): Promise<Teacher> {
  const teacher = await Teacher.with(page, {})
  await teacher.reasonAbout(title, text)
  return teacher
}

export const figureOf = (page: Page): Locator => page.getByRole('group', { name: /^Figure: arrow keys/ })
