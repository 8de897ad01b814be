import { cell, figureOf, look, reasonAbout } from './table'
import { expect, test } from './test'
import { WHEY } from './larkfield'
import { Teacher } from './teacher'

test.describe('what may be a mistake is said where it happens', () => {
  test('what was set is drawn upwards: one word turns it', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'whey' })
    await teacher.open(WHEY, 'reason')
    await page.getByRole('button', { name: 'Remove panel 2' }).click()
    await page.getByRole('button', { name: 'Axes …' }).click()
    const swap = page.getByRole('button', { name: 'swap x and y' })
    await swap.click()
    const doubt = page.getByRole('status').filter({ hasText: 'V is what was set from reading to reading' })
    await expect(doubt).toContainText('belongs along x.')
    await look(page, 'doubt-swapped')
    await doubt.getByRole('button', { name: 'swap x and y' }).click()
    await expect(doubt).toHaveCount(0)
    await expect(figureOf(page).getByRole('img', { name: /^pH against/ })).toBeVisible()
    const undo = page.getByRole('button', { name: /^Undo: / })
    await undo.click()
    await expect(doubt).toBeVisible()
    await undo.click()
    await expect(doubt).toHaveCount(0)
    await undo.click()
    await expect(page.getByRole('button', { name: 'Remove panel 2' })).toBeVisible()
  })

  test('a row that only looks wrong is better set aside than deleted', async ({ page }) => {
    await reasonAbout(page, 'How much does the spring stretch?', 'F (N);s (cm)\n1;2.1\n2;9.9\n3;6.2\n4;8.1\n')
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    await cell(page, 2, 1).click()
    await page.getByRole('button', { name: 'delete', exact: true }).click()
    const notice = page.getByRole('status').filter({ hasText: 'Row 2 is deleted.' })
    await expect(notice).toContainText('Does it only look wrong? Undo, and set it aside with a reason')
    await notice.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('tr[aria-rowindex="3"] td[role=gridcell]').nth(1)).toContainText('9.9')
  })

  test('a trial that was worked out over another stretch is told under the table of the runs', async ({ page }) => {
    const rows = [0, 10, 20, 30, 40, 50, 60].map((t) =>
      [t, (0.011 * t).toFixed(3), t > 30 ? '' : (0.0112 * t).toFixed(3), (0.006 * t).toFixed(3)].join(';'),
    )
    const head = 't (s);full trial 1 (g);full trial 2 (g);half trial 1 (g)'
    await reasonAbout(page, 'Does weaker whey fizz slower?', [head, ...rows].join('\n'))
    await page.keyboard.press('/')
    await page
      .getByRole('list', { name: 'Methods that fit' })
      .getByRole('button', { name: /^Slope/ })
      .click()
    await page.getByRole('dialog').getByRole('button', { name: 'Add the line' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await page.getByRole('button', { name: 'Runs', exact: true }).click()
    await expect(
      page.getByText(
        'Trial 2 of “full” is worked out over 0 to 30 and not 0 to 60 s. Compare trials over the same stretch',
      ),
    ).toBeVisible()
    await look(page, 'doubt-trials')
  })
})
