import { readFileSync } from 'node:fs'
import { cell, expectCell, look, paste } from './table'
import { expect, test } from './test'
import { Teacher } from './teacher'

const FLOWS = ['10.2', '12.0', '15.1', '18.0', '22.4', '27.9', '34.0', '41.3']
const TIMES = ['9.81', '8.39', '6.60', '5.57', '4.45x', '3.60', '2.93', '2.43']

test.describe('runs that are typed', () => {
  test('numbers are typed into a blank notebook, named, and the figure grows beside them', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How long does it take to fill the vat?')
    await expect(page.getByRole('heading', { name: 'Table' })).toBeVisible()
    await look(page, 'typed-empty')
    // The first cell is in hand: numbers go in at once, by keyboard alone.
    for (const [i, flow] of FLOWS.entries()) {
      await page.keyboard.type(flow)
      await page.keyboard.press('Tab')
      await page.keyboard.type(TIMES[i] ?? '')
      await page.keyboard.press('Tab')
    }
    await expect(page.getByText('Row 5, y: “4.45x” is no number.')).toBeVisible()
    await look(page, 'typed-numbers')
    await page.getByRole('button', { name: 'make it 4.45' }).click()
    await expect(page.getByText('is no number')).toBeHidden()
    await expect(page.getByRole('rowheader', { name: 'mean' })).toBeVisible()
    await page.getByRole('columnheader', { name: /^x/ }).getByRole('button').click()
    const card = page.getByRole('region', { name: /^Column/ })
    await card.getByLabel('Name').fill('Flow')
    await card.getByLabel('Symbol').fill('q')
    await card.getByLabel('Unit').fill('L/min')
    await card.getByLabel('Unit').press('Enter')
    await expect(page.getByRole('columnheader', { name: /^q \/ \(L\/min\)/ })).toBeVisible()
    await look(page, 'typed-column')
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      card.getByRole('link', { name: 'decimal comma' }).click(),
    ])
    expect(file.suggestedFilename()).toBe('how-long-does-it-take-to-fill-the-vat-run-1-q.csv')
    expect(readFileSync(await file.path(), 'utf8')).toContain('Flow (L/min);Set aside because\r\n10,2;\r\n')
    await page.getByRole('button', { name: 'done' }).click()
    await page.getByRole('columnheader', { name: /^y/ }).getByRole('button').click()
    const time = page.getByRole('region', { name: /^Column/ })
    await time.getByLabel('Name').fill('Time')
    await time.getByLabel('Symbol').fill('t')
    await time.getByLabel('Unit').fill('min')
    await time.getByLabel('Unit').press('Enter')
    await expect(page.getByRole('columnheader', { name: /^t \/ min/ })).toBeVisible()
    await page.getByRole('button', { name: 'done' }).click()
    await page.getByRole('button', { name: '+ column' }).click()
    const form = page.getByRole('form', { name: 'New column' })
    await form.getByLabel('How its cells come about').selectOption('by a formula')
    await form.getByLabel('What it is').fill('Volume')
    await form.getByLabel('Symbol', { exact: true }).fill('V')
    await form.getByLabel('Unit').fill('L')
    const formula = form.getByLabel(/^Formula/)
    await formula.fill('q*tt')
    await expect(form.getByText(/"tt" is not a column/)).toBeVisible()
    await formula.fill('running_mean(q, 3)*t + ar')
    await expect(form.getByRole('button', { name: 'arctan(y)' })).toBeVisible()
    await form.getByRole('button', { name: 'area(y, x)' }).click()
    await expect(formula).toHaveValue('running_mean(q, 3)*t + area(')
    await expect(formula).toBeFocused()
    await formula.fill('q*t')
    await expect(form.getByText('in L', { exact: true })).toBeVisible()
    await look(page, 'typed-formula')
    await form.getByRole('button', { name: 'Add the column' }).click()
    await expectCell(page, 1, 3, '100.1')
    await look(page, 'typed-derived')
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    await look(page, 'typed-reason')
  })

  test('a pasted block, arrows, fill down, cut, rows put in, moved and deleted, and undo of it all', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('Half strength')
    await paste(page, FLOWS.map((flow, i) => `${flow}\t${i + 1}`).join('\r\n'))
    await expectCell(page, 8, 2, '8')
    await cell(page, 2, 2).click()
    await page.keyboard.press('Shift+ArrowDown')
    await page.keyboard.press('Shift+ArrowDown')
    await page.keyboard.press('Control+d')
    await expectCell(page, 4, 2, '2')
    // On a slow network a way back waits for what is on its way, and takes back that.
    await page.route('**/cells', async (route) => {
      await new Promise((wake) => setTimeout(wake, 1500))
      await route.continue()
    })
    await page.keyboard.press('Delete')
    await expectCell(page, 3, 2, '')
    await page.keyboard.press('Control+z')
    await expectCell(page, 3, 2, '2')
    await page.unroute('**/cells')
    await page.keyboard.press('Control+z')
    await expectCell(page, 4, 2, '4')
    await page.getByRole('button', { name: 'row above' }).click()
    await expectCell(page, 2, 1, '')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expectCell(page, 2, 1, '12.0')
    await cell(page, 1, 1).click()
    await page.getByRole('button', { name: 'move down' }).click()
    await expectCell(page, 1, 1, '12.0')
    await page.getByRole('button', { name: 'delete' }).click()
    await expectCell(page, 1, 1, '10.2')
    await cell(page, 3, 1).click()
    // Also where frames come late.
    await page.evaluate(() => {
      window.requestAnimationFrame = (paint) =>
        window.setTimeout(() => {
          paint(performance.now())
        }, 400)
    })
    await page.keyboard.press('F2')
    await page.keyboard.type('5')
    await page.keyboard.press('Enter')
    await expectCell(page, 3, 1, '18.05')
    // What is being typed is kept when another cell is pressed.
    await page.keyboard.type('23')
    await cell(page, 6, 2).click()
    await expectCell(page, 4, 1, '23.00')
    await page.getByRole('button', { name: /^Undo: Typed x: 23/ }).click()
    await cell(page, 4, 1).click()
    await page.keyboard.type('7')
    await page.keyboard.press('Escape')
    await expectCell(page, 4, 1, '22.40')
    await page.getByRole('button', { name: 'set aside' }).click()
    await page.getByLabel('Why?').fill('Spilled.')
    await page.getByRole('dialog').getByRole('button', { name: 'Set aside' }).click()
    await expect(page.locator('tr.aside')).toHaveCount(1)
    await look(page, 'typed-aside')
  })
})

test.describe('numbers from files and pasted texts', () => {
  const COOLING = 'Larkfield creamery, cold store\nTime (s);Milk (°C)\n0;62,1\n30;58,O\n60;\n90;51,7\nEnd\n'

  test('a pasted text with a head is looked at first, taken, and its bad cell put right', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How fast does the milk cool?')
    await paste(page, COOLING)
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await expect(dialog.getByLabel('decimal mark')).toHaveValue('comma')
    await expect(dialog.getByText('Not part of the table: "End".')).toBeVisible()
    await expect(dialog.getByText('row 2, Milk: “58,O”')).toBeVisible()
    await look(page, 'file-preview')
    // A wrong guess is put right, and the preview follows.
    await dialog.getByLabel('decimal mark').selectOption('point')
    await expect(dialog.getByText('words', { exact: true })).toBeVisible()
    await dialog.getByLabel('decimal mark').selectOption('comma')
    await expect(dialog.getByText('words', { exact: true })).toBeHidden()
    await dialog.getByLabel('Symbol of Milk').fill('T')
    await dialog.getByRole('button', { name: 'Take 4 rows of 2 columns' }).click()
    await expect(dialog).toBeHidden()
    await expect(page.getByRole('columnheader', { name: /^T \/ °C/ })).toBeVisible()
    await expectCell(page, 4, 2, '51.7')
    await page.getByRole('button', { name: 'make it 58.0' }).click()
    await expectCell(page, 2, 2, '58.0')
    await expect(page.getByText('T is blank in row 3, left out of figure and lines.')).toBeVisible()
    await look(page, 'file-taken')
    await page.getByRole('button', { name: 'Undo' }).click()
    await page.getByRole('button', { name: 'Undo' }).click()
    // It is kept as it came: looked at again later, with another guess, and taken anew.
    await page.getByRole('button', { name: 'file or text' }).click()
    await expect(dialog.getByText(/81 bytes, today \d\d:\d\d, read with decimal commas/)).toBeVisible()
    await look(page, 'files-taken')
    await page.route(/\/files\/\d+\?/, async (route) => {
      await new Promise((wake) => setTimeout(wake, 3000))
      await route.continue().catch(() => undefined)
    })
    await dialog.getByRole('button', { name: 'look at pasted text again' }).click()
    await expect(dialog.getByRole('status')).toContainText('Reading pasted text, 81 bytes')
    await dialog.getByRole('button', { name: 'Cancel' }).click()
    await page.unroute(/\/files\/\d+\?/)
    await dialog.getByRole('button', { name: 'look at pasted text again' }).click()
    await expect(dialog.getByLabel('decimal mark')).toHaveValue('comma')
    await expect(dialog.getByRole('button', { name: 'Take 4 rows of 2 columns' })).toBeEnabled()
    await page.keyboard.press('Escape')
    await expect(dialog).toBeHidden()
    await expect(page.getByRole('columnheader', { name: /^x/ })).toBeVisible()
  })

  test('a file of nine trials becomes nine runs with condition and trial', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('Does strength matter?')
    const names = ['full', 'half', 'quarter'].flatMap((strength) =>
      [1, 2, 3].map((trial) => `${strength} strength trial ${trial}`),
    )
    const rows = [0, 10, 20].map((t) => [t, ...names.map((_, i) => (1 + 0.1 * i - 0.01 * t).toFixed(2))].join(','))
    await page.getByRole('button', { name: 'file or text' }).click()
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByLabel('or choose a file').setInputFiles({
      name: 'class.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from([['Time (s)', ...names].join(','), ...rows].join('\n')),
    })
    await expect(dialog.getByLabel('9 runs, one for each trial')).toBeChecked()
    await look(page, 'file-trials')
    await dialog.getByRole('button', { name: /^Take 3 rows/ }).click()
    await expect(dialog).toBeHidden()
    await expect(page.getByText('Other runs:')).toBeVisible()
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    await page.getByRole('button', { name: 'Runs', exact: true }).click()
    await page.getByRole('button', { name: 'every run' }).click()
    await expect(page.getByLabel('Condition of half strength trial 2')).toHaveValue('half strength')
    await look(page, 'file-runs')
  })

  test('reading that takes long says so, and is cancelled with nothing changed', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('A slow network')
    await page.route('**/files', async (route) => {
      await new Promise((wake) => setTimeout(wake, 4000))
      await route.continue().catch(() => undefined)
    })
    await page.getByRole('button', { name: 'file or text' }).click()
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    await dialog.getByLabel('Paste rows from a spreadsheet or a text').fill(COOLING)
    await dialog.getByRole('button', { name: 'Look at it' }).click()
    await expect(dialog.getByRole('status')).toContainText(/Reading the pasted text … [1-3] s/)
    await look(page, 'file-reading')
    await dialog.getByRole('button', { name: 'Cancel' }).click()
    await expect(dialog.getByLabel('Paste rows from a spreadsheet or a text')).toHaveValue(COOLING)
    await expect(dialog.getByRole('alert')).toBeHidden()
    await expect(page.getByText(/^Kept/)).toBeVisible()
    // Who closes the dialog does not wait for it either.
    await dialog.getByRole('button', { name: 'Look at it' }).click()
    await expect(dialog.getByRole('status')).toContainText('Reading the pasted text')
    const ended = page.waitForEvent('requestfailed', (request) => request.url().endsWith('/files'))
    await page.keyboard.press('Escape')
    await expect(dialog).toBeHidden()
    await ended
  })

  test('a long table fetches the rows one looks at, and keeps what was being typed where they are scrolled away', async ({
    page,
  }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('How fast does the vat cool?')
    // 2,000 rows that rise by one: the mean of 0 to 1999 is 999.5.
    await paste(page, Array.from({ length: 2000 }, (_, i) => `${i}\t${i}`).join('\n'))
    const mean = page.getByRole('row', { name: /^mean/ }).getByRole('gridcell').nth(1)
    await expect(mean).toHaveText('999.5')
    await expect(page.getByText('800 of 2000 rows are drawn; every calculation uses all.')).toBeVisible()
    const rows = page.getByRole('region', { name: 'Rows' })
    const scrollTo = (row: number) =>
      rows.evaluate((of, to) => {
        of.scrollTop = (to - 8) * (of.querySelector('tbody tr[aria-rowindex]')?.getBoundingClientRect().height ?? 30)
      }, row)
    await scrollTo(1500)
    await expectCell(page, 1500, 2, '1499')
    await cell(page, 1500, 2).click()
    await page.keyboard.type('201499')
    // Not yet left by a key, and out of sight.
    await scrollTo(10)
    await expectCell(page, 10, 2, '9')
    await expect(mean).toHaveText('1099.5')
    await look(page, 'typed-long')
    await scrollTo(1500)
    await expectCell(page, 1500, 2, '201499')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(mean).toHaveText('999.5')
    await expectCell(page, 1500, 2, '1499')
    // A cell that is gone to by keyboard stands clear of the head and of the foot.
    await cell(page, 1500, 2).click()
    for (const [key, times] of [
      ['Enter', 22],
      ['ArrowUp', 44],
    ] as const) {
      for (let i = 0; i < times; i++) await page.keyboard.press(key)
      const held = await page.locator('td.held').boundingBox()
      const head = await rows.locator('thead').boundingBox()
      const foot = await rows.locator('tfoot').boundingBox()
      expect(held?.y).toBeGreaterThanOrEqual((head?.y ?? 0) + (head?.height ?? 0) - 1)
      expect((held?.y ?? 0) + (held?.height ?? 0)).toBeLessThanOrEqual((foot?.y ?? 0) + 1)
    }
    await look(page, 'typed-clear')
    // Another column is as it was, also among those that are drawn.
    await page.getByRole('link', { name: 'Go to Reason' }).click()
    await expect(page.getByText(/2000 rows \(800 of them drawn\)/)).toBeVisible()
    // A span is all of its rows, drawn or not: from the first point that is drawn to the fifth.
    await page.getByRole('group', { name: /^Figure: arrow keys/ }).focus()
    for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowRight')
    const span = page.getByText(/0 to \d+\s+· 6 points of those drawn/)
    await expect(span).toBeVisible()
    const last = Number(/to (\d+)/.exec((await span.textContent()) ?? '')?.[1])
    expect(last).toBeGreaterThan(5)
    await look(page, 'typed-long-span')
    await page.getByRole('button', { name: 'set aside', exact: true }).click()
    await page.getByRole('dialog', { name: 'Set aside all rows of this span' }).getByLabel('Why?').fill('lid was open')
    await page.keyboard.press('Enter')
    await expect(page.getByText(new RegExp(`, ${last + 1} set aside \\(hollow, lid was open\\)`))).toBeVisible()
  })

  test('what is too large or no text is said, and nothing is lost', async ({ page }) => {
    const teacher = await Teacher.with(page, {})
    await teacher.beginTyped('A picture')
    await page.keyboard.type('5')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'file or text' }).click()
    const dialog = page.getByRole('dialog', { name: 'Numbers from a file or a pasted text' })
    const choose = dialog.getByLabel('or choose a file')
    await choose.setInputFiles({
      name: 'vat.png',
      mimeType: 'image/png',
      buffer: Buffer.from([137, 80, 78, 71, 0, 1, 2]),
    })
    await expect(dialog.getByRole('alert')).toContainText('This file is not text.')
    await page.keyboard.press('Escape')
    await expectCell(page, 1, 1, '5')
  })
})
