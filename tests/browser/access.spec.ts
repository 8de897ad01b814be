import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Locator, type Page } from '@playwright/test'
import { EMAIL, PASSWORD, Teacher } from './teacher'

type Theme = 'fieldbook' | 'projector'

/** What may be right in one theme and wrong in another; names and roles are the same in all. */
const OF_THEMES = ['color-contrast', 'target-size', 'scrollable-region-focusable', 'link-in-text-block']
/** Large enough for a finger is not looked at unless it is asked for. */
const ALSO = { rules: { 'target-size': { enabled: true } } }

async function expectNone(page: Page, theme: Theme): Promise<void> {
  const builder = new AxeBuilder({ page }).options(ALSO)
  const { violations } = await (theme === 'fieldbook' ? builder : builder.withRules(OF_THEMES)).analyze()
  expect(
    violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map(({ target, failureSummary }) => `${String(target)} ${failureSummary ?? ''}`).join(' | ')}`,
    ),
  ).toEqual([])
}

for (const theme of ['fieldbook', 'projector'] as const) {
  test(`axe finds nothing on any view, theme ${theme}`, async ({ page }) => {
    const expectNoViolation = (of: Page) => expectNone(of, theme)
    // Every view, one after the other.
    test.slow()
    await page.addInitScript((name) => {
      localStorage.setItem('welkion.theme', name)
      localStorage.setItem('welkion.simulation-open', 'yes')
    }, theme)
    await page.goto('/sign-in')
    await expectNoViolation(page)
    const teacher = new Teacher(page)
    await teacher.signIn()
    await expectNoViolation(page)
    await page.getByRole('link', { name: 'New experiment' }).click()
    await expect(page.getByRole('button', { name: 'Titration', exact: true })).toBeVisible()
    await expectNoViolation(page)
    await page.getByRole('button', { name: 'Titration', exact: true }).click()
    await expectNoViolation(page)
    await page.keyboard.press('Escape')

    await page.goto('/experiments')
    await page.getByRole('link', { name: /Monday’s whey/ }).click()
    await teacher.goTo('Prepare')
    await expect(page.getByText('Healthy electrode.')).toBeVisible()
    await expectNoViolation(page)
    await teacher.startCalibration()
    await expectNoViolation(page)
    await page.goto('/benches')
    await expect(page.getByText(/probes? ready/)).toBeVisible()
    await expectNoViolation(page)
    await page.getByRole('button', { name: 'Another way to calibrate Left hand Rowan-5' }).click()
    await expectNoViolation(page)
    await page.getByRole('button', { name: 'Begin' }).click()
    await expect(page.getByRole('heading', { name: 'So far' })).toBeVisible()
    await expectNoViolation(page)
    await page.goto('/experiments/2/reason?compare=yes')
    await expect(page.getByRole('columnheader', { name: /^As recorded/ })).toBeVisible()
    await expectNoViolation(page)
    await page.goto('/probes/1')
    await expect(page.getByRole('heading', { name: 'Its calibrations over time' })).toBeVisible()
    await page
      .getByRole('button', { name: /^Raw values of/ })
      .last()
      .click()
    await expect(page.getByRole('columnheader', { name: /^Raw mean/ })).toBeVisible()
    await expectNoViolation(page)
    await teacher.beginTyped('How long does it take to fill the vat?')
    await page.keyboard.type('10.2')
    await page.keyboard.press('Tab')
    await page.keyboard.type('9.81x')
    await page.keyboard.press('Enter')
    await expect(page.getByText('“9.81x” is no number.')).toBeVisible()
    await page.getByRole('columnheader', { name: /^x/ }).getByRole('button').click()
    await expectNoViolation(page)
    await page.getByRole('button', { name: 'file or text' }).click()
    await page.getByRole('dialog').getByRole('textbox').fill('Time;T\n0;60\n1;59')
    await page.getByRole('button', { name: 'Look at it' }).click()
    await expect(page.getByRole('button', { name: 'Take 2 rows of 2 columns' })).toBeVisible()
    await expectNoViolation(page)
    await page.goto('/standards')
    await expect(page.getByRole('heading', { name: 'Buffers for pH' })).toBeVisible()
    await page.getByRole('button', { name: 'Add a standard' }).click()
    await expectNoViolation(page)
    await page.goto('/experiments/2/record')
    await expect(page.getByRole('button', { name: /^Start run/ })).toBeVisible()
    await expectNoViolation(page)
    await teacher.goTo('Reason')
    await expect(page.getByText('Typed values …')).toBeVisible()
    for (const table of ['Rows', 'Runs']) {
      await page.getByRole('button', { name: table, exact: true }).click()
      await expectNoViolation(page)
    }
    await page.getByRole('button', { name: /more of Equivalence volume$/ }).click()
    await expect(page.getByText('Where its ± comes from')).toBeVisible()
    await expectNoViolation(page)
    for (const dialog of ['Typed values …', 'Columns and entries', '+ line', 'History']) {
      await page.getByRole('button', { name: dialog }).click()
      await expect(page.getByRole('dialog')).toBeVisible()
      await expectNoViolation(page)
      await page.keyboard.press('Escape')
    }
    await teacher.goTo('Report')
    await expect(page.getByRole('button', { name: 'Print the sheet' })).toBeVisible()
    await expectNoViolation(page)
  })
}

/** Presses Tab until the wanted control has the focus, as a person without a mouse would. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press('Tab')
    const text = await page.evaluate(() => {
      const element = document.activeElement
      return element?.getAttribute('aria-label') ?? element?.textContent ?? ''
    })
    if (name.test(text.trim())) return
  }
  throw new Error(`Tab never came to ${String(name)}.`)
}

test('the whole path can be walked with the keyboard alone', async ({ page }) => {
  test.slow()
  await page.goto('/sign-in')
  await expect(page.getByLabel('E-mail address')).toBeFocused()
  await page.keyboard.type(EMAIL)
  await page.keyboard.press('Tab')
  await page.keyboard.type(PASSWORD)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Experiments' })).toBeVisible()

  await tabTo(page, /^New experiment/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Titration', exact: true })).toBeVisible()
  await tabTo(page, /^Titration$/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('Without a mouse')
  await expect(page.getByRole('button', { name: 'Begin with Prepare' })).toBeEnabled()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Before the run' })).toBeVisible()
  await tabTo(page, /^Calibrate/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /Calibrate pH electrode/ })).toBeVisible()
  await tabTo(page, /^open controls/)
  await page.keyboard.press('Enter')
  const steady = page.locator('li[aria-current=step]').getByText('steady', { exact: true })
  for (const [standard, count] of [
    ['pH 7.00', 1],
    ['pH 4.01', 2],
  ] as const) {
    await tabTo(page, new RegExp(`^${standard}$`))
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: standard, exact: true })).toHaveAttribute('aria-pressed', 'true')
    await expect(steady).toBeVisible()
    await page.keyboard.press('t')
    await expect(page.getByRole('button', { name: 'retake' })).toHaveCount(count)
  }
  await tabTo(page, /^Keep it with 2 standards/)
  await page.keyboard.press('Enter')
  await tabTo(page, /^Go to Record/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Start run/ })).toBeVisible()
  await tabTo(page, /^new sample/)
  await page.keyboard.press('Enter')
  await tabTo(page, /^the beaker/)
  await page.keyboard.press('Enter')
  await page.keyboard.press('s')
  const rows = page.getByRole('region', { name: 'Readings' }).locator('tbody tr')
  for (let count = 1; count <= 6; count++) {
    await expect(steady).toBeVisible()
    await page.keyboard.press('t')
    await expect(rows).toHaveCount(count)
    await tabTo(page, /^add up to/)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /^add up to/ })).toBeDisabled()
  }
  await page.keyboard.press('s')
  await tabTo(page, /^Go to Reason/)
  await page.keyboard.press('Enter')
  await tabTo(page, /^Figure: arrow keys/)
  await page.keyboard.press('ArrowLeft')
  await tabTo(page, /^set aside/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('only to try it')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/1 set aside \(hollow/)).toBeVisible()
  await tabTo(page, /Report$/)
  await page.keyboard.press('Enter')
  await tabTo(page, /^CSV for a spreadsheet/)
  const download = page.waitForEvent('download')
  await page.keyboard.press('Enter')
  expect((await download).suggestedFilename()).toBe('without-a-mouse-run-1.csv')
})

test('on a phone the values are live and nothing runs out of sight', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const teacher = new Teacher(page)
  await teacher.signIn()
  for (const place of ['/experiments', '/begin', '/benches', '/probes/3', '/standards']) {
    await page.goto(place)
    await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible()
    await page.waitForTimeout(500)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  }
  for (const stage of ['prepare', 'record', 'reason', 'report']) {
    await page.goto(`/experiments/2/${stage}`)
    await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible()
    await page.waitForTimeout(500)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  }
})

/** How much of a picture is not paper, by looking at its pixels. */
async function inkOf(page: Page, figure: Locator): Promise<number> {
  const picture = (await figure.screenshot()).toString('base64')
  return page.evaluate(async (data) => {
    const image = new Image()
    image.src = `data:image/png;base64,${data}`
    await image.decode()
    const canvas = new OffscreenCanvas(image.width, image.height)
    const context = canvas.getContext('2d')
    if (context === null) return 0
    context.drawImage(image, 0, 0)
    const pixels = context.getImageData(0, 0, image.width, image.height).data
    let inked = 0
    for (let i = 0; i < pixels.length; i += 4) {
      const [r = 0, g = 0, b = 0] = pixels.slice(i, i + 3)
      // The colours of runs and derivatives; paper, grid and text are grey or cream.
      if (Math.max(r, g, b) - Math.min(r, g, b) > 80) inked++
    }
    return inked
  }, picture)
}

for (const width of [1280, 390]) {
  test(`the figures of Record, Reason and Report are drawn at ${width} px`, async ({ page }) => {
    await page.setViewportSize({ width, height: 844 })
    const teacher = new Teacher(page)
    await teacher.signIn()
    for (const place of ['record?run=1', 'reason', 'report']) {
      await page.goto(`/experiments/2/${place}`)
      const figure = page.getByRole('img', { name: /V \/ mL/ }).first()
      await expect(async () => {
        await figure.scrollIntoViewIfNeeded()
        expect(await inkOf(page, figure)).toBeGreaterThan(500)
      }).toPass({ timeout: 10_000 })
    }
  })
}
