import type { Page } from '@playwright/test'
import { look, reasonAbout } from './table'
import { expect, test } from './test'

/** The figure, by what it says of itself to who cannot see it. */
const figure = (page: Page, says: RegExp) =>
  page.getByRole('group', { name: /^Figure: arrow keys/ }).getByRole('img', { name: says })

/** A vat that cools from 80 to 20 °C, with its pH beside. */
const COOLING = `t (min);T (°C);pH\n${Array.from({ length: 13 }, (_, i) => `${i * 5};${(20 + 60 * Math.exp(-i / 4)).toFixed(1)};${(6.6 - 0.15 * i).toFixed(2)}`).join('\n')}\n`

test.describe('how a figure is drawn', () => {
  test('ends, units, powers of ten, a second axis, swapped, ± and caption, and undo of it', async ({ page }) => {
    await reasonAbout(page, 'How fast does the vat cool?', COOLING)
    await expect(figure(page, /^T \/ °C against t \/ min/)).toBeVisible()
    const labels = () => page.getByRole('group', { name: /^Figure: arrow keys/ }).locator('svg text')

    const box = await page.getByRole('group', { name: /^Figure: arrow keys/ }).boundingBox()
    if (box === null) throw new Error('There is no figure.')
    // An axis is pressed for its card, as the word above the figure.
    await page.mouse.click(box.x + 20, box.y + 0.5 * box.height)
    const card = page.getByRole('region', { name: 'Axes' })
    await card.getByRole('button', { name: 'done' }).click()
    await expect(card).toBeHidden()
    await page.getByRole('button', { name: 'Axes …' }).click()
    const y = card.getByRole('group', { name: /^y: T/ })
    const x = card.getByRole('group', { name: /^x: t/ })
    await expect(labels().filter({ hasText: /^0$/ })).toHaveCount(1)
    await y.getByLabel('from').fill('0')
    await y.getByLabel('from').press('Enter')
    await expect(labels().filter({ hasText: /^0$/ })).toHaveCount(2)
    // In kelvin the ends are others, and the data are not touched.
    await y.getByLabel('in', { exact: true }).fill('K')
    await y.getByLabel('in', { exact: true }).press('Enter')
    await expect(figure(page, /^T \/ K against t \/ min/)).toBeVisible()
    await expect(labels().filter({ hasText: /^350$/ })).toHaveCount(1)
    // Nearer by keys, and that is kept as the ends of the axes.
    await page.getByRole('group', { name: /^Figure: arrow keys/ }).focus()
    await page.keyboard.press('+')
    await expect(labels().filter({ hasText: /^0$/ })).toHaveCount(0)
    await card.getByRole('button', { name: 'keep this view' }).click()
    await expect(x.getByLabel('from')).not.toHaveValue('')
    await page.keyboard.press('Control+z')
    await expect(x.getByLabel('from')).toHaveValue('')
    await page.getByRole('button', { name: 'Fit view' }).click()
    await expect(labels().filter({ hasText: /^0$/ })).toHaveCount(1)
    await look(page, 'axes-kelvin')
    await y.getByLabel('in', { exact: true }).fill('kg')
    await y.getByLabel('in', { exact: true }).press('Enter')
    await expect(y.getByRole('alert')).toContainText('kg')
    await expect(y.getByLabel('in', { exact: true })).toHaveAttribute('aria-invalid', 'true')
    await expect(figure(page, /^T \/ K against/)).toBeVisible()
    await y.getByLabel('in', { exact: true }).fill('K')
    await y.getByLabel('in', { exact: true }).press('Enter')
    await expect(y.getByRole('alert')).toBeHidden()

    await x.getByLabel('from').fill('five')
    await x.getByLabel('from').press('Enter')
    await expect(x.getByRole('alert')).toHaveText(
      '“five” is no number. Type one like 5 or 0.25, or nothing for an end that fits.',
    )
    await x.getByLabel('from').fill('5')
    await x.getByLabel('from').press('Enter')
    await x.getByLabel('to').fill('3')
    await x.getByLabel('to').press('Enter')
    await expect(card.getByRole('alert')).toHaveText(
      'An axis that ends at 3 cannot begin at 5. Begin it lower, or end it higher.',
    )
    await x.getByLabel('to').fill('50')
    await x.getByLabel('to').press('Enter')
    await expect(card.getByRole('alert')).toBeHidden()
    await expect(page.getByText(/3 points beyond the axes\.$/)).toBeVisible()
    await x.getByLabel('divided').selectOption('by powers of ten')
    await expect(labels().filter({ hasText: /^10$/ })).toHaveCount(1)

    await card.getByLabel('pH is drawn').selectOption('at the right')
    await expect(card.getByRole('group', { name: 'right: pH' })).toBeVisible()
    await card.getByLabel('Points').selectOption('each by itself')
    await card.getByLabel('their ± as bars').click()
    await expect(card.getByLabel('their ± as bars')).toBeChecked()
    await expect(figure(page, /^T \/ K, pH against t \/ min/)).toBeVisible()
    await look(page, 'axes-right')
    const word = x.getByRole('button', { name: /^x: t/ })
    const call = async (name: string) => {
      await word.press('Enter')
      await expect(x.getByLabel('called')).toBeFocused()
      await page.keyboard.press('ControlOrMeta+a')
      await page.keyboard.type(name)
      await page.keyboard.press('Enter')
      await expect(x.getByLabel('called')).toHaveCount(0)
      await expect(word).toBeFocused()
    }
    await call('another name')
    await expect(labels().filter({ hasText: 'another name' })).toHaveCount(1)
    await call(' ')
    await expect(labels().filter({ hasText: 'another name' }), 'Nothing is called as usual.').toHaveCount(0)
    await call('since the heating went off')
    await expect(labels().filter({ hasText: 'since the heating went off / min' })).toHaveCount(1)
    await card.getByLabel(/^Caption/).fill('The lid was on all the time.')
    await card.getByLabel(/^Caption/).press('Enter')
    await expect(page.getByText('Figure 1. The lid was on all the time.')).toBeVisible()
    await page.reload()
    await expect(page.getByText('Figure 1. The lid was on all the time.')).toBeVisible()
    await expect(figure(page, /^T \/ K, pH against t \/ min/)).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText(/^Figure 1\. T/)).toBeVisible()

    await page.getByRole('button', { name: 'Axes …' }).click()
    await card.getByLabel('pH is drawn').selectOption('no')
    await card.getByRole('button', { name: 'swap x and y' }).click()
    await expect(figure(page, /^t \/ min against T \/ K/)).toBeVisible()
    await look(page, 'axes-swapped')
    await card.getByRole('button', { name: 'done' }).click()
    await expect(card).toBeHidden()
  })
})
