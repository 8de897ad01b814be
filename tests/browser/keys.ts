import type { Locator, Page } from '@playwright/test'
import { expect } from './test'

/** Some stops more than one where several radio buttons or cells are one stop of Tab. */
const MOST_STEPS = 6

/**
 * Goes to something by Tab, as somebody does who has no mouse. Stops that lie between are passed at once, in the order in which
 * Tab comes to them: the last of them gets the focus, and from there Tab itself has to arrive.
 */
export async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible()
  await expect(target).toBeEnabled()
  for (let left = MOST_STEPS; !(await isFocused(target)); left--) {
    if (left === 0) throw new Error(`By Tab ${target.toString()} is not reached.`)
    if (left === MOST_STEPS) await target.evaluate(focusBefore)
    await page.keyboard.press('Tab')
  }
}

/** Goes to something by Tab and presses it. */
export async function pressByKey(page: Page, target: Locator): Promise<void> {
  await tabTo(page, target)
  await page.keyboard.press('Enter')
}

function isFocused(target: Locator): Promise<boolean> {
  return target.evaluate((of) => of === document.activeElement)
}

/** Runs in the page. */
function focusBefore(target: HTMLElement | SVGElement): void {
  const dialogs = document.querySelectorAll<HTMLElement>('dialog[open], [role=dialog]')
  // Out of a dialog that is open Tab does not lead.
  const within = [...dialogs].findLast((dialog) => dialog.contains(target)) ?? document.body
  const stops = [
    ...within.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, summary, [tabindex]'),
  ].filter((one) => one.tabIndex >= 0 && !one.matches(':disabled') && one.checkVisibility())
  const at = stops.indexOf(target as HTMLElement)
  if (at < 0) throw new Error('Tab never comes here: it is no stop, or disabled.')
  stops[at - 1]?.focus()
}
