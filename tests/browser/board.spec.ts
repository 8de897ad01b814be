import { expectAccessible } from './axe'
import type { Browser, Page } from '@playwright/test'
import { look } from './table'
import { expect, test } from './test'
import { Teacher } from './teacher'

/** A phone that has never been here. */
async function phone(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
  return await context.newPage()
}

/** A squeeze, by the pressure in the bulb. */
const GRIP = { symbol: 'g', name: 'Grip', unit: 'kPa', probeKind: 'grip-bulb' }

const tile = (page: Page, name: string) => page.getByRole('region', { name: new RegExp(`^${name}`) })

test.describe('the board, and who watches it', () => {
  test('four tiles on the projector; a phone watches, looks back, changes nothing, and is cut off', async ({
    page,
    browser,
  }) => {
    const teacher = await Teacher.with(page, { benches: ['Hazel'] })
    await teacher.setByMaker('Hazel')
    await teacher.begin('When would a gas vanish?', 'sealed-bottle', 'Hazel')
    await teacher.act('Hazel', { act: 'bottle', on: true })
    await teacher.act('Hazel', { act: 'bath', in: 'cold bath' })
    await teacher.passTime('Hazel', 80)
    await teacher.goTo('Record')
    await teacher.openBenchControls()
    await expect(page.getByRole('button', { name: /^Start run/ })).toBeEnabled()
    await page.keyboard.press('s')
    await expect(page.getByTestId('waits-for')).toHaveText('pressure rises above 99 kPa')

    await page.getByRole('link', { name: 'Board' }).click()
    await expect(tile(page, 'Readout')).toContainText(/9\d\.\d\d/)
    await page.getByRole('button', { name: 'Arrange' }).click()
    await page.getByRole('button', { name: 'Four tiles' }).click()
    await expect(tile(page, 'Level')).toBeVisible()
    await look(page, 'board-arranging')
    await tile(page, 'Level, place 4').dragTo(tile(page, 'Table, place 3'))
    await expect(tile(page, 'Level, place 3')).toBeVisible()
    await tile(page, 'Readout').getByLabel('Temperature', { exact: true }).uncheck()
    await expect(tile(page, 'Readout')).not.toContainText('°C')
    await tile(page, 'Readout').getByLabel('Temperature', { exact: true }).check()
    await page.getByRole('button', { name: 'Done arranging' }).click()
    await expectAccessible(page)

    await page.getByRole('button', { name: 'Watch on other devices' }).click()
    const dialog = page.getByRole('dialog', { name: 'Watch on other devices' })
    await dialog.getByRole('button', { name: 'Open the board' }).click()
    await expect(dialog).toContainText(/[A-Z]+-[A-Z]+-\d{3}/)
    const code = /[A-Z]+-[A-Z]+-\d{3}/.exec((await dialog.textContent()) ?? '')?.[0] ?? ''
    await expect(dialog.getByRole('img', { name: `/watch/${code}` })).toBeVisible()
    await look(page, 'board-code')

    const watcher = await phone(browser)
    await watcher.goto('/watch')
    await watcher.getByLabel(/^The code/).fill('plum fern 999')
    await watcher.getByRole('button', { name: 'Watch' }).click()
    await expect(watcher.getByRole('alert')).toContainText('No board is open under this code')
    await watcher.getByLabel(/^The code/).fill(code.toLowerCase().replaceAll('-', ' '))
    await watcher.getByRole('button', { name: 'Watch' }).click()
    await expect(tile(watcher, 'Readout')).toContainText(/9\d\.\d\d/, { timeout: 1500 })
    await expect(dialog).toContainText('1 device watching')
    await dialog.getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText('watch on your own device:')).toContainText(code)

    await page.goBack()
    await teacher.hands('Bottle into', 'warm bath')
    await expect(page.getByTestId('elapsed')).toBeVisible()
    await page.getByRole('link', { name: 'Board' }).click()
    await expect(watcher.getByText(/recording \d/)).toBeVisible()
    await teacher.passTime('Hazel', 30)
    await expect(watcher.getByText(/recording 0:[34]\d/)).toBeVisible()
    await look(page, 'board-dark')
    await page.getByRole('button', { name: 'Light' }).click()
    await look(page, 'board-light')
    await look(watcher, 'watch-phone')
    await expectAccessible(watcher)

    // Before it was carried over, while the run goes on.
    const slider = watcher.getByRole('slider', { name: 'Look back' })
    await slider.fill('-1')
    await expect(tile(watcher, 'Readout')).toContainText('at this moment of the run')
    await expect(tile(watcher, 'Readout')).toContainText(/9[78]\.\d\d/)
    await look(watcher, 'watch-back')
    await watcher.getByRole('button', { name: 'Now' }).click()
    await expect(tile(watcher, 'Readout')).not.toContainText('at this moment')
    await expect(watcher.getByRole('button', { name: /stop|finish|throw/i })).toHaveCount(0)

    await page.getByRole('button', { name: 'Watch on other devices' }).click()
    await dialog.getByRole('button', { name: 'Close the board' }).click()
    await expect(watcher.getByText('This board was closed.')).toBeVisible()
    await watcher.context().close()
    await dialog.getByRole('button', { name: 'Done' }).click()
    await page.getByRole('link', { name: 'Back to Record' }).click()
    await page.keyboard.press('s')
  })

  test('two hands grip one after the other, both in one figure, watched on a phone', async ({ page, browser }) => {
    const teacher = await Teacher.with(page, { benches: ['Rowan'] })
    await teacher.setByMaker('Rowan')
    await teacher.beginMeasuring('Which hand is stronger?', 'Rowan', GRIP)
    await page.getByRole('button', { name: 'timed instead' }).click()
    const card = page.getByRole('region', { name: /^Run/ })
    await expect(card.getByRole('button', { name: '20 times a second' })).toBeVisible()
    await card.getByRole('button', { name: /^after / }).click()
    await card.getByLabel('after').fill('10')
    await card.getByLabel('after').press('Enter')
    await card.getByRole('button', { name: 'after 10 s' }).click()

    await page.getByRole('link', { name: 'Board' }).click()
    await page.getByRole('button', { name: 'Watch on other devices' }).click()
    const dialog = page.getByRole('dialog', { name: 'Watch on other devices' })
    await dialog.getByRole('button', { name: 'Open the board' }).click()
    const address = await dialog.getByRole('img', { name: /^Opens / }).getAttribute('aria-label')
    const link = /\/watch\/[A-Z]+-[A-Z]+-\d{3}/.exec(address ?? (await dialog.innerHTML()))?.[0] ?? ''
    const watcher = await phone(browser)
    // As the camera of the phone opens it.
    await watcher.goto(link)
    await expect(watcher.getByRole('heading', { name: 'Which hand is stronger?' })).toBeVisible()
    await dialog.getByRole('button', { name: 'Done' }).click()
    await page.getByRole('link', { name: 'Back to Record' }).click()
    await teacher.openBenchControls()

    for (const [number, hand] of [
      [1, 'right hand'],
      [2, 'left hand'],
    ] as const) {
      if (number === 2) await page.getByRole('button', { name: 'Prepare another run' }).click()
      await expect(page.getByRole('button', { name: `Start run ${number}` })).toBeEnabled()
      await page.keyboard.press('s')
      await expect(page.getByTestId('elapsed')).toBeVisible()
      await teacher.hands('Bulb', 'squeezed')
      await expect(tile(watcher, 'Readout')).toContainText(/[3-7]\d\.\d/, { timeout: 10_000 })
      await teacher.passTime('Rowan', 11)
      await expect(page.getByText('201 rows, its whole length')).toBeVisible()
      await teacher.hands('Bulb', 'let go')
      await page.getByRole('button', { name: 'describe' }).click()
      await page.getByLabel('Name', { exact: true }).fill(hand)
      await page.getByRole('button', { name: 'Use this' }).click()
      await expect(page.getByRole('list', { name: 'Runs' })).toContainText(hand)
    }
    // The newest stands first; dragged, or by its arrows, they change places.
    const runs = page.getByRole('list', { name: 'Runs' }).getByRole('listitem')
    await expect(runs.first()).toContainText('left hand')
    await page.getByRole('button', { name: 'Move left hand down' }).click()
    await expect(runs.first()).toContainText('right hand')
    await runs.nth(1).dragTo(runs.first())
    await expect(runs.first()).toContainText('left hand')
    await expect(watcher.getByText('left hand · Rowan · 10 s')).toBeVisible()
    await expect(watcher.getByRole('img', { name: /against time/ })).toBeVisible()
    await look(page, 'grip')
    await look(watcher, 'grip-phone')
    await watcher.context().close()
  })
})
