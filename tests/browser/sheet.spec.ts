import { readFileSync, writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { cell, expectCell, look, paste, reasonAbout } from './table'
import { expect, test } from './test'
import { Teacher } from './teacher'

/** Adds a column by a formula in the table, and waits for its first cell. */
async function addFormula(page: Page, place: number, symbol: string, formula: string, first: number): Promise<void> {
  await page.getByRole('button', { name: '+ column' }).click()
  const form = page.getByRole('form', { name: 'New column' })
  await form.getByLabel('How its cells come about').selectOption('by a formula')
  await form.getByLabel('What it is').fill(symbol)
  await form.getByLabel('Symbol', { exact: true }).fill(symbol)
  await form.getByLabel(/^Formula/).fill(formula)
  await form.getByRole('button', { name: 'Add the column' }).click()
  await expect(form).toBeHidden()
  await expect.poll(async () => parseFloat((await cell(page, 1, place).textContent()) ?? '')).toBe(first)
}

async function addLine(page: Page, method: RegExp, isPerRun: boolean): Promise<void> {
  await expect(figure(page, /against/)).toBeVisible()
  await page.keyboard.press('/')
  await page.getByRole('list', { name: 'Methods that fit' }).getByRole('button', { name: method }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Worked out for').selectOption(isPerRun ? 'each run' : 'all runs together')
  await dialog.getByRole('button', { name: 'Add the line' }).click()
  await expect(dialog).toBeHidden()
}

/** The figure, by what it says of itself to who cannot see it. */
const figure = (page: Page, says: RegExp) =>
  page.getByRole('group', { name: /^Figure: arrow keys/ }).getByRole('img', { name: says })

test.describe('what a spreadsheet is used for in a lesson', () => {
  test('four derived columns, each drawn; a number changed below changes all that hangs on it, and says so', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('Which of them is straight?')
    await paste(page, '1\t12\n2\t6\n3\t4\n4\t3\n6\t2')
    await addFormula(page, 3, 'inv', '1/x', 1)
    await addFormula(page, 4, 'sq', 'x^2', 1)
    await addFormula(page, 5, 'lnx', 'ln(x)', 0)
    await addFormula(page, 6, 'xy', 'x*y', 12)
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    for (const symbol of ['sq', 'lnx', 'xy', 'inv']) {
      await page.getByLabel('x:').selectOption(symbol === 'inv' ? 'inv' : 'x')
      await page.getByLabel('y:').selectOption(symbol === 'inv' ? 'y' : symbol)
      await expect(figure(page, symbol === 'inv' ? /^y against inv/ : new RegExp(`^${symbol} against x`))).toBeVisible()
    }
    await look(page, 'sheet-inverse')
    await addLine(page, /^Slope/, false)
    // y = 12/x: the slope against 1/x is 12.
    expect((await teacher.resultOf('Slope')).value).toBeCloseTo(12, 9)
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    await cell(page, 5, 2).click()
    let sent = 0
    page.on('request', (request) => {
      sent += request.url().endsWith('/cells') ? 1 : 0
    })
    await page.keyboard.type('2.6')
    await page.keyboard.press('Enter')
    await expect(cell(page, 5, 6)).toHaveText(/^15\.60*$/)
    await expect(page.getByText(/^Changed with it: Slope 12\.?0* → 11\.\d+; column xy$/)).toBeVisible()
    expect(sent).toBe(1)
    await look(page, 'sheet-changed')
  })

  test('the area under a typed curve, and the figure with its title as a picture', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How much whey ran out?')
    // A flow that falls from 4 to 0 in 8: a triangle of 16.
    await paste(page, '0\t4\n2\t3\n4\t2\n6\t1\n8\t0')
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    await addLine(page, /^Area/, false)
    expect((await teacher.resultOf('Area')).value).toBeCloseTo(16, 9)
    await page.getByRole('heading', { name: 'Figure', exact: true }).getByRole('button').click()
    await page.getByLabel('Title of the figure').fill('Flow & time of the vat')
    await page.getByLabel('Title of the figure').press('Enter')
    await expect(page.getByRole('heading', { name: 'Flow & time of the vat' })).toBeVisible()
    await look(page, 'sheet-title')
    const saved = async (kind: string) => {
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: kind, exact: true }).click(),
      ])
      return readFileSync(await download.path())
    }
    expect((await saved('SVG')).toString()).toContain('>Flow &amp; time of the vat</text>')
    const picture = await saved('PNG')
    if (process.env.LOOK !== undefined) writeFileSync(`${process.env.LOOK}/saved.png`, picture)
    // Width and height stand at the head of a PNG: the title has room of its own above the figure.
    expect([picture.readUInt32BE(16), picture.readUInt32BE(20)]).toEqual([3000, 2052])
    await page.getByRole('heading', { name: 'Flow & time of the vat' }).getByRole('button').click()
    await page.getByLabel('Title of the figure').fill('')
    await page.getByLabel('Title of the figure').press('Enter')
    await expect(page.getByRole('heading', { name: 'Figure', exact: true })).toBeVisible()
    // The experiment has one always: what is refused is said, and what was typed stays to be mended.
    await page.getByRole('heading', { name: 'How much whey ran out?' }).getByRole('button').click()
    const title = page.getByLabel('Title of the experiment')
    await title.fill('   ')
    await title.press('Enter')
    await expect(
      page.getByRole('alert').filter({ hasText: 'Give the experiment a title, for example a question.' }),
    ).toBeVisible()
    await expect(title).toHaveValue('   ')
    await look(page, 'sheet-no-title')
    await title.fill('How much whey ran out of the vat?')
    await title.press('Enter')
    await expect(page.getByRole('heading', { name: 'How much whey ran out of the vat?' })).toBeVisible()
  })

  test('two sets of data on the same axes, with a line for each', async ({ page }) => {
    await reasonAbout(
      page,
      'Does the strength matter?',
      'Time (s),half strength trial 1,full strength trial 1\n0,1.00,1.00\n10,0.80,0.60\n20,0.60,0.20\n30,0.40,-0.20\n',
    )
    await addLine(page, /^Slope/, true)
    await page.getByRole('button', { name: /^runs:/ }).click()
    await page.getByRole('listitem').filter({ hasText: 'half strength trial 1' }).getByLabel('show').check()
    await page.keyboard.press('Escape')
    await expect(figure(page, /half strength trial 1.*full strength trial 1/)).toBeVisible()
    await page.getByRole('button', { name: 'Runs', exact: true }).click()
    await page.getByRole('button', { name: 'every run' }).click()
    await expect(page.getByRole('row', { name: /half strength trial 1/ })).toContainText('−0.02')
    await expect(page.getByRole('row', { name: /full strength trial 1/ })).toContainText('−0.04')
    await look(page, 'sheet-two-runs')
  })

  test('the first derivative of a pasted titration shows its two jumps', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How much acid is in the cleaner?')
    // Two jumps of 3 pH, at 8 and at 16 mL.
    const jump = (v: number) => 1.5 * Math.tanh(2 * v)
    const rows = Array.from(
      { length: 49 },
      (_, i) => `${i / 2};${(5.5 + jump(i / 2 - 8) + jump(i / 2 - 16)).toFixed(3)}`,
    )
    await paste(page, `Volume (mL);pH\n${rows.join('\n')}\n`)
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByRole('button', { name: 'Take 49 rows of 2 columns' }).click()
    await expect(dialog).toBeHidden()
    await page.getByRole('button', { name: '+ column' }).click()
    const form = page.getByRole('form', { name: 'New column' })
    await form.getByLabel('How its cells come about').selectOption('by a formula')
    await form.getByLabel('What it is').fill('How steep')
    await form.getByLabel('Symbol', { exact: true }).fill('d')
    await form.getByLabel(/^Formula/).fill('derivative(pH, V)')
    await form.getByRole('button', { name: 'Add the column' }).click()
    await expect(form).toBeHidden()
    await look(page, 'sheet-steep')
    const steep = async (row: number) => {
      await page.getByRole('region', { name: 'Rows' }).evaluate((of, to) => {
        of.scrollTop = (to - 4) * (of.querySelector('tbody tr[aria-rowindex]')?.clientHeight ?? 30)
      }, row)
      await expect(cell(page, row, 3)).not.toHaveText('')
      return Number((await cell(page, row, 3).textContent())?.replace('−', '-'))
    }
    // Row 17 is at 8 mL, row 33 at 16, row 25 between them.
    for (const row of [17, 33]) {
      expect(await steep(row)).toBeGreaterThan(2)
      expect(await steep(row)).toBeGreaterThan(await steep(row - 1))
      expect(await steep(row)).toBeGreaterThan(await steep(row + 1))
    }
    expect(await steep(25)).toBeLessThan(0.1)
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    await page.getByLabel('y:').selectOption('d')
    await expect(figure(page, /^d \/ .* against V/)).toBeVisible()
    await look(page, 'sheet-derivative')
  })

  test('by keyboard alone: mean and scatter of typed values, and both again without the wild one', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How much does the bottle hold?')
    for (const volume of ['20.11', '20.14', '20.09', '24.10', '20.12']) {
      await page.keyboard.type(volume)
      await page.keyboard.press('Enter')
    }
    await expectCell(page, 5, 1, '20.12')
    const foot = page.getByRole('row', { name: /^mean/ }).getByRole('gridcell').first()
    const scatter = page.getByRole('row', { name: /^sd/ }).getByRole('gridcell').first()
    // By hand: mean 20.912, standard deviation 1.78222.
    await expect(foot).toHaveText('20.912')
    await expect(scatter).toHaveText('1.782')
    await page.keyboard.press('ArrowUp')
    await page.keyboard.press('ArrowUp')
    // Out of the cells, and on to what can be done with the row.
    await page.keyboard.press('Escape')
    for (let i = 0; i < 8; i++) {
      await page.keyboard.press('Tab')
      if ((await page.evaluate(() => document.activeElement?.textContent)) === 'set aside') break
    }
    await page.keyboard.press('Enter')
    await page.keyboard.type('Read a line too high.')
    await page.keyboard.press('Enter')
    await expect(page.locator('tr.aside')).toHaveCount(1)
    // Without 24.10: mean 20.115, standard deviation 0.02082.
    await expect(foot).toHaveText('20.115')
    await expect(scatter).toHaveText('0.021')
    await look(page, 'sheet-aside')
  })

  test('rows of a file go below the rows there are, in the units there are', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How fast does the whey cool?')
    await paste(page, 'Time (s),T (°C)\n0,62.1\n30,58.0\n60,55.2\n')
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByRole('button', { name: 'Take 3 rows of 2 columns' }).click()
    await expect(dialog).toBeHidden()
    await expectCell(page, 3, 2, '55.2')
    // Another pupil went on with the run, in minutes and kelvin.
    const later = {
      name: 'later.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('Time (min),T (K)\n2,321.65\n3,316.25\n'),
    }
    await page.getByRole('button', { name: 'file or text' }).click()
    await dialog.getByLabel('or choose a file').setInputFiles(later)
    await dialog.getByLabel('Run 1, below its 3 rows').check()
    await look(page, 'sheet-below')
    await dialog.getByRole('button', { name: 'Take 2 rows of 2 columns' }).click()
    await expect(dialog).toBeHidden()
    await expectCell(page, 4, 1, '120')
    await expectCell(page, 5, 1, '180')
    await expectCell(page, 4, 2, '48.5')
    await expectCell(page, 5, 2, '43.1')
    await expectCell(page, 3, 2, '55.2')
    await look(page, 'sheet-below-taken')
    await page.getByRole('button', { name: 'Undo: Took 2 rows from later.csv' }).click()
    await expect(cell(page, 4, 2)).toHaveText('')
    await expectCell(page, 3, 2, '55.2')
  })

  test('columns of a file go beside the rows there are', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('What did the room do?')
    await paste(page, '0\t62.1\n30\t58.0\n60\t55.2')
    await expectCell(page, 3, 2, '55.2')
    await page.getByRole('button', { name: 'file or text' }).click()
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByLabel('Paste rows from a spreadsheet or a text').fill('Room (°C)\n8.2\n8.4\n8.9\n')
    await dialog.getByRole('button', { name: 'Look at it' }).click()
    await dialog.getByLabel('further columns of Run 1, beside its rows').check()
    await dialog.getByLabel('Symbol of Room').fill('r')
    await look(page, 'sheet-beside')
    await dialog.getByRole('button', { name: 'Take 3 rows of 1 column' }).click()
    await expect(dialog).toBeHidden()
    await expectCell(page, 3, 3, '8.9')
    await expectCell(page, 3, 2, '55.2')
    await page.getByRole('button', { name: 'Undo: Took a column from pasted text' }).click()
    await expect(page.getByRole('columnheader', { name: /^r \// })).toBeHidden()
    // To look at on a phone.
    await page.setViewportSize({ width: 390, height: 780 })
    await expectCell(page, 2, 2, '58.0')
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await look(page, 'sheet-phone')
  })
})
