import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import type { AxeResults, RunOptions } from 'axe-core'
import { expect } from './test'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Large enough for a finger is not looked at unless it is asked for. */
const ALL: RunOptions = { rules: { 'target-size': { enabled: true } } }

/** What may be right in one theme and wrong in another; names and roles are the same in all. */
const OF_THEMES: RunOptions = {
  runOnly: ['color-contrast', 'target-size', 'scrollable-region-focusable', 'link-in-text-block'],
}

/** Whoever cannot see, point or tell colours apart can use what is on the page now. */
export async function expectAccessible(page: Page): Promise<void> {
  expect(await violations(page, ALL)).toEqual([])
}

/** ... on paper and on the projector. */
export async function expectAccessibleInBothThemes(page: Page): Promise<void> {
  await expectAccessible(page)
  await setTheme(page, 'projector')
  expect(await violations(page, OF_THEMES)).toEqual([])
  await setTheme(page, 'fieldbook')
}

/** As the button for it does, also where a dialog lies over that. */
async function setTheme(page: Page, theme: 'fieldbook' | 'projector'): Promise<void> {
  await page.evaluate((name) => {
    document.documentElement.dataset.theme = name
    window.dispatchEvent(new Event('welkion:theme'))
  }, theme)
}

async function violations(page: Page, options: RunOptions): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE)
  return page.evaluate(async (of) => {
    const { axe } = window as unknown as { axe: { run: (root: Document, of: RunOptions) => Promise<AxeResults> } }
    const found = (await axe.run(document, { ...of, resultTypes: ['violations'] })).violations
    return found.map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map(({ target, failureSummary }) => `${String(target)} ${failureSummary ?? ''}`).join(' | ')}`,
    )
  }, options)
}
