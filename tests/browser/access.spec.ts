import type { Locator, Page } from '@playwright/test'
import { expectAccessibleInBothThemes } from './axe'
import { pressByKey, tabTo } from './keys'
import { WHEY } from './larkfield'
import { Teacher } from './teacher'
import { expect, test } from './test'

test.describe('axe finds nothing, on paper and on the projector,', () => {
  test.beforeEach(async ({ page }) => {
    await page.addInitScript(() => {
      localStorage.setItem('welkion.simulation-open', 'yes')
    })
  })

  test('where one signs in, looks for an experiment and begins one', async ({ page }) => {
    const teacher = await Teacher.outside(page, { has: 'all' })
    await page.goto('/sign-in')
    await expectAccessibleInBothThemes(page)
    await teacher.signInByHand()
    await expect(page.getByRole('link', { name: /Monday’s whey/ })).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await page.getByRole('link', { name: 'New experiment' }).click()
    const titration = page.getByRole('button', { name: 'Titration', exact: true })
    await expect(titration).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await titration.click()
    await expect(page.getByRole('button', { name: 'Begin with Prepare' })).toBeVisible()
    await expectAccessibleInBothThemes(page)
  })

  test('where probes are prepared, calibrated and recorded with', async ({ page }) => {
    const teacher = await Teacher.with(page)
    await teacher.begin('How sour is it?')
    await expect(page.getByText('Healthy electrode.')).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await teacher.startCalibration()
    await expectAccessibleInBothThemes(page)
    await teacher.open('How sour is it?', 'record')
    await expect(page.getByRole('button', { name: /^Start run/ })).toBeVisible()
    await expectAccessibleInBothThemes(page)
  })

  test('at the benches and in another way to calibrate', async ({ page }) => {
    await Teacher.with(page, { benches: ['Birch', 'Rowan'] })
    await page.goto('/benches')
    await expect(page.getByText(/probes? (are )?ready/)).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await page.getByRole('button', { name: 'Another way to calibrate Left hand Rowan-5' }).click()
    await expectAccessibleInBothThemes(page)
    await page.getByRole('button', { name: 'Begin' }).click()
    await expect(page.getByRole('heading', { name: 'So far' })).toBeVisible()
    await expectAccessibleInBothThemes(page)
  })

  test('in the record of a probe and at the shelf', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'all', benches: ['Alder'] })
    await page.goto(`/probes/${teacher.probe('Alder-1')}`)
    await expect(page.getByRole('heading', { name: 'Its calibrations over time' })).toBeVisible()
    await page
      .getByRole('button', { name: /^Raw values of/ })
      .last()
      .click()
    await expect(page.getByRole('columnheader', { name: /^Raw mean/ })).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await page.goto('/standards')
    await expect(page.getByRole('heading', { name: 'Buffers for pH' })).toBeVisible()
    await page.getByRole('button', { name: 'Add a standard' }).click()
    await expectAccessibleInBothThemes(page)
  })

  test('in a table that is typed, and in the preview of a file', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How long does it take to fill the vat?')
    await page.keyboard.type('10.2')
    await page.keyboard.press('Tab')
    await page.keyboard.type('9.81x')
    await page.keyboard.press('Enter')
    await expect(page.getByText('“9.81x” is no number.')).toBeVisible()
    await page.getByRole('columnheader', { name: /^x/ }).getByRole('button').click()
    await expectAccessibleInBothThemes(page)
    await page.getByRole('button', { name: 'file or text' }).click()
    await page.getByRole('dialog').getByRole('textbox').fill('Time;T\n0;60\n1;59')
    await page.getByRole('button', { name: 'Look at it' }).click()
    await expect(page.getByRole('button', { name: 'Take 2 rows of 2 columns' })).toBeVisible()
    await expectAccessibleInBothThemes(page)
  })

  test('in Reason with its tables and dialogs', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'whey' })
    await teacher.open(WHEY, 'reason')
    await expect(page.getByText('Typed values …')).toBeVisible()
    for (const table of ['Rows', 'Runs']) {
      await page.getByRole('button', { name: table, exact: true }).click()
      await expectAccessibleInBothThemes(page)
    }
    for (const dialog of ['Typed values …', 'Columns and entries', '+ line', 'History']) {
      await page.getByRole('button', { name: dialog }).click()
      await expect(page.getByRole('dialog')).toBeVisible()
      await expectAccessibleInBothThemes(page)
      await page.keyboard.press('Escape')
    }
  })

  test('where a result is explained, compared, and handed out', async ({ page }) => {
    const teacher = await Teacher.with(page, { has: 'whey' })
    await teacher.open(WHEY, 'reason')
    await page.getByRole('button', { name: /more of Equivalence volume$/ }).click()
    await expect(page.getByText('Where its ± comes from')).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await page.goto(`/experiments/${teacher.experiment(WHEY)}/reason?compare=yes`)
    await expect(page.getByRole('columnheader', { name: /^As recorded/ })).toBeVisible()
    await expectAccessibleInBothThemes(page)
    await teacher.open(WHEY, 'report')
    await expect(page.getByRole('button', { name: 'Print the sheet' })).toBeVisible()
    await expectAccessibleInBothThemes(page)
  })
})

test('the whole path can be walked with the keyboard alone', async ({ page }) => {
  const teacher = await Teacher.outside(page, { benches: ['Alder'] })
  await page.goto('/sign-in')
  await expect(page.getByLabel('E-mail address')).toBeFocused()
  await page.keyboard.type(teacher.made.email)
  await page.keyboard.press('Tab')
  await page.keyboard.type(teacher.made.password)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Experiments' })).toBeVisible()

  await pressByKey(page, page.getByRole('link', { name: /^New experiment/ }))
  await expect(page.getByRole('button', { name: 'Titration', exact: true })).toBeVisible()
  await pressByKey(page, page.getByRole('button', { name: /^Titration$/ }))
  await page.keyboard.type('Without a mouse')
  await expect(page.getByRole('button', { name: 'Begin with Prepare' })).toBeEnabled()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Before the run' })).toBeVisible()
  const electrode = page.getByRole('listitem').filter({ hasText: 'pH electrode' })
  await pressByKey(page, electrode.getByRole('button', { name: /^Calibrate/ }))
  await expect(page.getByRole('heading', { name: /Calibrate pH electrode/ })).toBeVisible()
  await pressByKey(page, page.getByRole('button', { name: /^open controls/ }))
  for (const [standard, count] of [
    ['pH 7.00', 1],
    ['pH 4.01', 2],
  ] as const) {
    await pressByKey(page, page.getByRole('button', { name: 'rinse water', exact: true }))
    await pressByKey(page, page.getByRole('button', { name: standard, exact: true }))
    await expect(page.getByRole('button', { name: standard, exact: true })).toHaveAttribute('aria-pressed', 'true')
    await teacher.untilTaken(
      1,
      () => page.keyboard.press('t'),
      async () => (await page.getByRole('button', { name: 'retake' }).count()) === count,
    )
  }
  await pressByKey(page, page.getByRole('button', { name: /^Keep it with 2 standards/ }))
  await pressByKey(page, page.getByRole('link', { name: /^Go to Record/ }))
  await expect(page.getByRole('button', { name: /^Start run/ })).toBeVisible()
  await pressByKey(page, page.getByRole('button', { name: /^new sample/ }))
  await pressByKey(page, page.getByRole('button', { name: 'rinse water', exact: true }))
  await pressByKey(page, page.getByRole('button', { name: /^the beaker/ }))
  await page.keyboard.press('s')
  const rows = page.getByRole('region', { name: 'Readings' }).locator('tbody tr')
  for (let count = 1; count <= 3; count++) {
    await teacher.untilTaken(
      1,
      () => page.keyboard.press('t'),
      async () => (await rows.count()) === count,
    )
    await pressByKey(page, page.getByRole('button', { name: /^add up to/ }))
    await expect(page.getByRole('button', { name: /^add up to/ })).toBeDisabled()
  }
  await page.keyboard.press('s')
  await pressByKey(page, page.getByRole('link', { name: /^Go to Reason/ }))
  await tabTo(page, page.getByRole('group', { name: /^Figure: arrow keys/ }))
  await page.keyboard.press('ArrowLeft')
  await pressByKey(page, page.getByRole('button', { name: /^set aside/ }))
  await page.keyboard.type('only to try it')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/1 set aside \(hollow/)).toBeVisible()
  await pressByKey(page, page.getByRole('link', { name: /Report$/ }))
  await tabTo(page, page.getByRole('link', { name: /^CSV for a spreadsheet/ }))
  const download = page.waitForEvent('download')
  await page.keyboard.press('Enter')
  expect((await download).suggestedFilename()).toBe('without-a-mouse-run-1.csv')
})

test('on a phone nothing runs out of sight', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const teacher = await Teacher.with(page, { has: 'all', benches: ['Alder', 'Birch'] })
  const experiment = `/experiments/${teacher.experiment(WHEY)}`
  for (const [place, heading] of [
    ['/experiments', 'Experiments'],
    ['/begin', 'What do you want to find out?'],
    ['/benches', 'Benches'],
    [`/probes/${teacher.probe('Birch-1')}`, 'Its calibrations over time'],
    ['/standards', 'Standards on the shelf'],
    [`${experiment}/prepare`, 'Before the run'],
    [`${experiment}/record`, 'Readings'],
    [`${experiment}/reason`, 'Working'],
    [`${experiment}/report`, 'Print or keep as PDF'],
  ] as const) {
    await page.goto(place)
    await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth), place).toBeLessThanOrEqual(390)
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
    const teacher = await Teacher.with(page, { has: 'whey', benches: ['Alder'] })
    for (const place of [`record?run=${teacher.run(WHEY)}`, 'reason', 'report']) {
      await page.goto(`/experiments/${teacher.experiment(WHEY)}/${place}`)
      const figure = page.getByRole('img', { name: /V \/ mL/ }).first()
      await expect(async () => {
        await figure.scrollIntoViewIfNeeded()
        expect(await inkOf(page, figure)).toBeGreaterThan(500)
      }).toPass({ timeout: 10_000, intervals: [50] })
    }
  })
}
