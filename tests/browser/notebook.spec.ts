import { readFile } from 'node:fs/promises'
import { expect, test } from './test'
import { WHEY } from './larkfield'
import { Teacher } from './teacher'

test.describe('protocols that are nothing but files', () => {
  test('a dilution line gives the strength of the unknown', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Birch'] })
    await teacher.setByMaker('Birch')
    await teacher.begin('How salty is the pickle?', 'dilution-line', 'Birch')
    await teacher.goTo('Record')
    await teacher.openBenchControls()
    await page.getByRole('button', { name: /^Start run/ }).click()
    for (let i = 0; i < 6; i++) await teacher.takeNextReading(/^put in \d/)
    await teacher.finishRun()
    await teacher.hands('Cell into a dilution', 'the unknown')
    const cell = page.getByRole('region', { name: 'Probes of bench Birch' })
    await teacher.passTime('Birch', 60)
    await expect(cell).toContainText('steady')
    const [, shown] = /([\d.]+)\s*µS\/cm/.exec((await cell.textContent()) ?? '') ?? []
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    await teacher.typeValues({ 'Conductivity of the unknown, k_u': [shown ?? '', '5'] })
    const unknown = await teacher.resultOf('Strength of the unknown')
    const truth = await teacher.truthOf('Birch')
    expect(Math.abs(unknown.value - (truth.unknownPercent ?? 0))).toBeLessThan(3 * unknown.uncertainty)
    expect(unknown.uncertainty).toBeLessThan(0.05)
  })

  test('pressing a gas together step by step, downwards, gives the volume hidden in the tubing', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Hazel'] })
    await teacher.setByMaker('Hazel')
    await teacher.begin('What stays the same?', 'gas-in-a-syringe', 'Hazel')
    await teacher.goTo('Record')
    await teacher.openBenchControls()
    await teacher.turn('Vessel', 'sealed bottle instead of the syringe', false)
    await teacher.turn('Valve', 'plunger free', false)
    await teacher.hands('Plunger', '50')
    await teacher.turn('Valve', 'open to the room', false)
    await page.getByRole('button', { name: /^Start run/ }).click()
    expect(await teacher.nextStep()).toBe(50)
    for (let i = 0; i < 7; i++) await teacher.takeNextReading(/^move \d/)
    await teacher.finishRun()
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    const hidden = await teacher.resultOf('Volume hidden in the tubing')
    const truth = await teacher.truthOf('Hazel')
    expect(Math.abs(hidden.value - (truth.deadMl ?? 0))).toBeLessThan(3 * hidden.uncertainty)
    expect(hidden.uncertainty).toBeLessThan(1)
    await page.getByRole('group', { name: 'Figures' }).getByRole('button', { name: '2' }).click()
    await expect(page.getByRole('img', { name: /^P .* against x/ })).toBeVisible()
  })

  test('baths that have names are taken one after the other', async ({ page }) => {
    const teacher = await Teacher.with(page, { benches: ['Hazel'] })
    await teacher.setByMaker('Hazel')
    // A thermometer that is off by half a per cent would be off so here, too.
    await teacher.beginCalibration('Hazel-2')
    const [, barometer] =
      /barometer ([\d.]+) kPa/.exec(
        (await page.getByRole('region', { name: 'Simulated bench Hazel' }).textContent()) ?? '',
      ) ?? []
    await page.getByLabel('Barometer, here and now').fill(barometer ?? '')
    await page.getByLabel('Barometer, here and now').press('Enter')
    for (const place of ['melting ice', 'boiling water']) {
      await teacher.hands('Thermometer into', place)
      await teacher.acceptSteady()
    }
    await teacher.keep()
    await teacher.hands('Thermometer into', 'the gas')
    await teacher.begin('Where would the gas be gone?', 'three-baths', 'Hazel')
    await teacher.goTo('Record')
    await teacher.openBenchControls()
    await teacher.turn('Vessel', 'sealed bottle instead of the syringe', false)
    await teacher.turn('Valve', 'open to the room', true)
    await teacher.hands('Plunger', '40')
    await teacher.turn('Valve', 'open to the room', false)
    await teacher.turn('Valve', 'plunger free', true)
    await page.getByRole('button', { name: /^Start run/ }).click()
    await expect(page.getByTestId('next-step')).toContainText('cold bath')
    for (let i = 0; i < 4; i++) await teacher.takeNextReading(/^into /, 2)
    await expect(teacher.readingRows().first()).toContainText('hot bath')
    await teacher.finishRun()
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    const truth = await teacher.truthOf('Hazel')
    await teacher.typeValues({
      'Inner diameter of the syringe, d': [String(truth.boreMm), '0.01'],
      'Travel shown with the plunger pushed in, h0': [String(truth.travelAtZero), '0.02'],
      'Volume of the tubing, Vt': [String(truth.deadMl), '0.02'],
    })
    // What was typed is in the cells of the derived columns at once.
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    await expect(page.getByRole('region', { name: 'Rows' }).locator('tbody tr').first()).not.toContainText('—')
    const rise = await teacher.resultOf('Rise for one kelvin')
    expect(Math.abs(rise.value - (truth.mlPerKelvin ?? 0))).toBeLessThan(3 * rise.uncertainty)
    const nothing = await teacher.resultOf('Where the volume would be nothing')
    expect(Math.abs(nothing.value + 273.15)).toBeLessThan(3 * nothing.uncertainty)
    expect(nothing.uncertainty).toBeLessThan(15)
  })
})

test.describe('a notebook', () => {
  test('is built from nothing: entry, column, line; a new symbol changes every formula; undone to the beginning and done again', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('From a blank page', 'blank')
    // An empty notebook asks for its first column by itself.
    await page.getByRole('dialog', { name: 'Columns and entries' }).getByRole('button', { name: 'Cancel' }).click()
    await page.getByRole('button', { name: '+ entry' }).click()
    await page.getByLabel('What is typed').fill('Mass of the cup')
    await page.getByLabel('Symbol', { exact: true }).fill('m')
    await page.getByLabel('Unit', { exact: true }).fill('g')
    await page.getByRole('button', { name: /^Add the (column|entry)$/ }).click()
    await page.getByRole('button', { name: '+ column' }).click()
    await page.getByLabel('How its cells come about').selectOption('measured by a probe')
    await page.getByLabel('What it is').fill('Temperature')
    await page.getByLabel('Symbol', { exact: true }).fill('T')
    await page.getByRole('combobox', { name: /^Probe/ }).selectOption('thermometer')
    await page.getByRole('button', { name: /^Add the (column|entry)$/ }).click()
    await expect(page.getByLabel('Name of T')).toHaveValue('Temperature')
    await page.getByRole('button', { name: '+ column' }).click()
    await page.getByLabel('How its cells come about').selectOption('by a formula')
    await page.getByLabel('What it is').fill('Twice')
    await page.getByLabel('Symbol', { exact: true }).fill('d')
    await page.getByLabel('Unit', { exact: true }).fill('g')
    await page.getByLabel(/^Formula, in the symbols/).fill('2 * m')
    await page.getByRole('button', { name: /^Add the (column|entry)$/ }).click()
    await expect(page.getByLabel('Formula of d')).toHaveValue('2 * m')
    await page.getByLabel('Symbol of Mass of the cup').fill('mc')
    await page.getByLabel('Symbol of Mass of the cup').press('Enter')
    await expect(page.getByLabel('Formula of d')).toHaveValue('2 * mc')
    await page.getByLabel('Symbol of Mass of the cup').fill('T')
    await page.getByLabel('Symbol of Mass of the cup').press('Enter')
    await expect(page.getByText('The symbol "T" is used here already. Choose another.')).toBeVisible()
    await page.keyboard.press('Escape')

    let undone = 0
    const undo = page.getByRole('button', { name: /^Undo: / })
    while (await undo.isVisible()) {
      const words = await undo.getAttribute('aria-label')
      await undo.click()
      await expect(page.getByRole('button', { name: words ?? '', exact: true })).toHaveCount(0)
      undone++
    }
    expect(undone).toBe(4)
    await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled()
    for (let i = 0; i < undone; i++) {
      const redo = page.getByRole('button', { name: /^Redo: / })
      const words = await redo.getAttribute('aria-label')
      await redo.click()
      await expect(page.getByRole('button', { name: words ?? '', exact: true })).toHaveCount(0)
    }
    await page.getByRole('button', { name: 'columns and entries' }).click()
    await expect(page.getByLabel('Formula of d')).toHaveValue('2 * mc')
    await page.keyboard.press('Escape')

    await page.getByRole('button', { name: 'History' }).click()
    await page.getByRole('button', { name: 'The beginning' }).click()
    await expect(page.getByRole('region', { name: 'As it was then' })).toContainText('0 lines of working')
    await page.getByRole('button', { name: 'Go back to this' }).click()
    await expect(page.getByRole('button', { name: 'Undo: Went back to the beginning' })).toBeVisible()
  })

  test('a line is added over a span, explains itself, is moved, changed and removed', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'whey' })
    await teacher.open(WHEY, 'reason')
    const figure = page.getByRole('group', { name: /^Figure: arrow keys/ })
    await figure.focus()
    await page.keyboard.press('ArrowRight')
    for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight')
    await page.getByRole('button', { name: 'slope', exact: true }).click()
    const lines = page.getByTestId('working-lines').locator(':scope > li')
    await expect(lines).toHaveCount(6)
    await lines.last().getByRole('button', { expanded: false }).click()
    await expect(lines.last().getByText('Where its ± comes from')).toBeVisible()
    await lines.last().getByRole('button', { name: 'up', exact: true }).click()
    await expect(lines.nth(4)).toContainText('Where its ± comes from')
    await lines.nth(4).getByRole('button', { name: 'change', exact: true }).click()
    await page.getByRole('dialog').getByLabel('Title').fill('How fast it rises')
    await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(lines.nth(4)).toContainText('How fast it rises')
    await lines.nth(4).getByRole('button', { name: 'remove', exact: true }).click()
    await expect(lines).toHaveCount(5)

    await page.keyboard.press('/')
    await page
      .getByRole('list', { name: 'Methods that fit' })
      .getByRole('button', { name: /^Formula/ })
      .click()
    await page.getByRole('dialog').getByLabel('Title').fill('Twice the volume')
    await page
      .getByRole('dialog')
      .getByLabel(/^The formula/)
      .fill('2 * Veq')
    await page
      .getByRole('dialog')
      .getByLabel(/^in which unit/)
      .fill('mL')
    await page.getByRole('dialog').getByRole('button', { name: 'Add the line' }).click()
    const twice = await teacher.resultOf('Twice the volume')
    const once = await teacher.resultOf('Equivalence volume')
    expect(twice.value).toBeCloseTo(2 * once.value, 9)
    await page.keyboard.press('Control+z')
    await expect(lines).toHaveCount(5)
  })

  test('what one screen changes stands on the other, and what was changed meanwhile is said, not written over', async ({
    page,
    browser,
  }) => {
    const first = await Teacher.with(page)
    await first.begin('Two heads')
    const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const second = await first.at(await other.newPage())
    await second.page.goto(page.url())
    for (const { page: screen } of [first, second]) await screen.getByRole('button', { name: 'type them' }).click()
    const volume = 'Volume of the sample, V0'
    await first.page.getByLabel(volume, { exact: true }).fill('25.0')
    await first.page.getByLabel(volume, { exact: true }).press('Enter')
    await expect(second.page.getByLabel(volume, { exact: true })).toHaveValue('25')

    // The second screen stops hearing, and writes about what it has not seen.
    await second.page.route('**/api/experiments/*', (route) =>
      route.request().method() === 'GET' ? route.abort() : route.continue(),
    )
    await first.page.getByLabel(volume, { exact: true }).fill('20')
    await first.page.getByLabel(volume, { exact: true }).press('Enter')
    await expect(first.page.getByLabel(volume, { exact: true })).toHaveValue('20')
    await second.page.getByLabel(volume, { exact: true }).fill('30')
    await second.page.getByLabel(volume, { exact: true }).press('Enter')
    await expect(second.page.getByText(/has changed this meanwhile: Typed V0: 20 mL/)).toBeVisible()
    await expect(first.page.getByLabel(volume, { exact: true })).toHaveValue('20')
    await other.close()
  })

  test('a protocol is made of an experiment, saved as a file, read in and begun; an experiment is copied, thrown away and brought back', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Our own way')
    await page.goto('/experiments')
    const menu = async (title: string, act: string) => {
      await page.getByRole('button', { name: `More for ${title}`, exact: true }).click()
      await page.getByRole('button', { name: act, exact: true }).click()
    }
    await menu('Our own way', 'Make a protocol of this')
    await menu('Our own way', 'Copy without its runs')
    await expect(page.getByRole('link', { name: /^Our own way, copy/ })).toBeVisible()
    await menu('Our own way, copy', 'Throw away')
    await expect(page.getByRole('link', { name: /^Our own way, copy/ })).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(page.getByRole('link', { name: /^Our own way, copy/ })).toBeVisible()
    await page.getByRole('searchbox').fill('nothing like it')
    await expect(page.getByText('No experiment holds “nothing like it” in its title.')).toBeVisible()

    await page.goto('/begin')
    const own = page.getByRole('region', { name: 'Your own' })
    const download = page.waitForEvent('download')
    await own.getByRole('link', { name: 'Save the protocol Our own way as a file' }).click()
    const path = await (await download).path()
    const file = JSON.parse(await readFile(path, 'utf8')) as { title: string; lines: unknown[] }
    expect(file.lines).toHaveLength(5)
    const pick = (name: string, content: string) =>
      page
        .getByLabel('Protocol file')
        .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) })
    await pick('broken.json', '{"title": 5}')
    await expect(page.getByRole('alert')).toContainText('This file is no protocol Welkion can use.')
    await pick('ours.json', JSON.stringify({ ...file, title: 'Read from a file' }))
    await expect(own.getByRole('button', { name: 'Read from a file', exact: true })).toBeVisible()
    await own.getByRole('button', { name: 'Remove the protocol Read from a file' }).click()
    await expect(own.getByRole('button', { name: 'Read from a file', exact: true })).toHaveCount(0)
    await page.getByLabel('Search protocols').fill('gas')
    await expect(page.getByRole('button', { name: 'Three baths', exact: true })).toBeVisible()
    await expect(page.getByRole('button', { name: 'Titration', exact: true })).toHaveCount(0)
  })

  test('a sign-in that runs out in the middle loses nothing: it is asked for over the page, and what was typed is kept then', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('Too late')
    await page.getByRole('button', { name: 'type them' }).click()
    const field = page.getByLabel('Volume of the sample, V0', { exact: true })
    // An answer that is still on its way would bring the cookie back.
    await page.waitForLoadState('networkidle')
    await page.context().clearCookies()
    await field.fill('25')
    await field.press('Enter')
    const again = page.getByRole('dialog', { name: 'Sign in again' })
    await expect(again).toBeVisible()
    await expect(page.getByText('Not kept yet, trying again …')).toBeAttached()
    await again.getByLabel('E-mail address').fill(teacher.made.email)
    await again.getByLabel('Password').fill('wrong')
    await again.getByRole('button', { name: 'Sign in' }).click()
    await expect(again.getByRole('alert')).toContainText('do not belong together')
    await again.getByLabel('Password').fill(teacher.made.password)
    await again.getByRole('button', { name: 'Sign in' }).click()
    await expect(again).toBeHidden()
    await expect(page.getByRole('button', { name: 'Undo: Typed V0: 25 mL' })).toBeAttached()
    await expect(field).toHaveValue('25')
  })
})
