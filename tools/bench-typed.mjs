// What typing, pasting and reading files cost, on a copy that bin/bench starts: one JSON line a task.
import { signedInPage } from './browser.mjs'
import { Client } from './client.mjs'

const ROWS = Number(process.argv[2] ?? 100_000)
const SYMBOLS = ['t', 'a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i']
const CHANGES = 40
const CLASS = '10.2\t9.81\n12.0\t8.39\n15.1\t6.60\n18.0\t5.57\n22.4\t4.45\n27.9\t3.60'

const tell = (task, values) => console.log(JSON.stringify({ task, ...values }))
const rounded = (value) => Number(value.toFixed(1))
const client = new Client()
await client.signIn()
const json = async (method, path, body) => {
  const answer = await client.ask(method, path, body, { timeoutMs: 60_000, key: method === 'GET' ? undefined : crypto.randomUUID() })
  if (!answer.ok) throw new Error(`${method} ${path} was answered ${answer.status}: ${await answer.text()}`)
  return answer.json()
}

const { id } = await json('POST', '/api/experiments', { title: 'A long table', protocol: 'blank', benchId: null })
const text = [SYMBOLS.join(','), ...Array.from({ length: ROWS }, (_, i) => SYMBOLS.map((_, k) => (k === 0 ? i : (Math.sin(i + k) * 10).toFixed(3))).join(','))].join('\n')
let began = performance.now()
const form = new FormData()
form.append('file', new Blob([text]), 'long.csv')
const preview = await client.upload(`/api/experiments/${id}/files`, form)
const readMs = performance.now() - began
began = performance.now()
const columns = SYMBOLS.map((symbol, place) => ({ place, columnId: null, symbol, name: symbol, unit: '' }))
const { made: run } = await json('POST', `/api/experiments/${id}/files/${preview.id}/take`, { hints: preview.hints, runId: null, asTrials: false, columns })
tell('file_to_table', { rows: ROWS, columns: SYMBOLS.length, bytes: text.length, understood_ms: rounded(readMs), taken_ms: rounded(performance.now() - began) })

// Five lines hang on one column.
const notebook = await json('GET', `/api/experiments/${id}`)
const a = notebook.columns.find(({ symbol }) => symbol === 'a')
for (const [k, [method, uses]] of [
  ['statistics', { column: 'a' }],
  ['slope', { x: 't', y: 'a' }],
  ['area', { x: 't', y: 'a' }],
  ['statistics', { column: 'a' }],
  ['slope', { x: 'b', y: 'a' }],
].entries())
  await json('POST', `/api/experiments/${id}/lines`, { method, symbol: `r${k}`, title: `Line ${k}`, uses, isPerRun: true })
const times = []
for (let i = 0; i < CHANGES; i++) {
  began = performance.now()
  const { worked } = await json('PUT', `/api/runs/${run}/cells`, { row: 1 + ((i * 7919) % ROWS), columns: [a.id], cells: [[String(i / 10)]] })
  if (worked.length !== 5) throw new Error(`${worked.length} lines were worked out.`)
  times.push(performance.now() - began)
}
times.sort((x, y) => x - y)
tell('cell_change_with_five_lines', { rows: ROWS, n: CHANGES, median_ms: rounded(times[CHANGES / 2]), p95_ms: rounded(times[Math.floor(0.95 * CHANGES)]) })

// Numbers of a span that is dragged over the rows, narrow and wide: each is asked for anew.
await asked('span_to_numbers', CHANGES, (i) => {
  const from = (i * ROWS) / (2 * CHANGES)
  return `span?x=t&y=a&from=${from}&to=${ROWS - from / 2}`
})
// Relations of a stretch, looked at side by side, and one of them while its curve is moved by hand.
await asked('relations', 10, (i) => `relations?x=t&y=a&from=${i}&to=${ROWS - i}`)
await asked('relation_moved', CHANGES, (i) => `relation?x=t&y=a&relation=parabola&start=${encodeURIComponent(`a = ${i}; b = 1; c = 2`)}`)

/** How long it takes until so many different questions about the run are answered, one after the other. */
async function asked(name, count, question) {
  const times = []
  for (let i = 0; i < count; i++) {
    began = performance.now()
    await json('GET', `/api/runs/${run}/${question(i)}`)
    times.push(performance.now() - began)
  }
  times.sort((x, y) => x - y)
  tell(name, { rows: ROWS, n: count, median_ms: rounded(times[Math.floor(count / 2)]), p95_ms: rounded(times[Math.floor(0.95 * count)]) })
}

const { browser, page, signIn } = await signedInPage()
await signIn()
await page.goto(`/experiments/${id}/record?run=${run}`)
const rows = page.getByRole('region', { name: 'Rows' })
await rows.locator('tbody td').first().waitFor()
await page.waitForTimeout(1500)
const frames = await rows.evaluate(
  (region) =>
    new Promise((resolve) => {
      let count = 0
      const start = performance.now()
      const step = (now) => {
        count++
        region.scrollTop += 60
        if (now - start < 3000) requestAnimationFrame(step)
        else resolve((1000 * count) / (now - start))
      }
      requestAnimationFrame(step)
    }),
)
tell('scrolling', { rows: ROWS, frames_a_second: rounded(frames) })

// What a person sees: Enter in a cell, and the mean at the foot is another.
await rows.evaluate((region) => (region.scrollTop = 0))
await rows.getByRole('row').nth(1).getByRole('gridcell').nth(1).click()
await page.evaluate(() => {
  window.seen = []
  let pressed = null
  addEventListener('keydown', (event) => event.key === 'Enter' && (pressed = performance.now()), true)
  new MutationObserver(() => {
    if (pressed === null) return
    const from = pressed
    pressed = null
    requestAnimationFrame((now) => window.seen.push(now - from))
  }).observe(document.querySelector('tfoot'), { subtree: true, childList: true, characterData: true })
})
for (let i = 0; i < 15; i++) {
  const before = await page.evaluate(() => window.seen.length)
  await page.keyboard.type(`${(i + 1) * 100_000}`)
  await page.keyboard.press('Enter')
  await page.waitForFunction((count) => window.seen.length > count, before)
  await page.waitForTimeout(400)
}
const seen = (await page.evaluate(() => window.seen)).sort((x, y) => x - y)
tell('cell_to_mean_in_the_browser', { rows: ROWS, n: seen.length, median_ms: rounded(seen[Math.floor(seen.length / 2)]), slowest_ms: rounded(seen.at(-1)) })

// From a blank notebook to a figure with a line, by six pasted rows.
await page.goto('/begin')
await page.getByRole('button', { name: 'Blank notebook', exact: true }).waitFor()
let clicks = 0
let keys = 0
const click = async (locator) => {
  clicks++
  await locator.click()
}
began = performance.now()
await click(page.getByRole('button', { name: 'Blank notebook', exact: true }))
clicks++
await page.getByLabel('Bench', { exact: true }).selectOption('none: numbers are typed or pasted')
await click(page.getByRole('button', { name: 'Begin with the table' }))
await page.getByRole('textbox', { name: 'x, row 1' }).waitFor()
keys++
await page.evaluate((copied) => {
  const clipboardData = new DataTransfer()
  clipboardData.setData('text/plain', copied)
  document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
}, CLASS)
await page.getByRole('rowheader', { name: 'mean' }).waitFor()
await click(page.getByRole('link', { name: 'Go to Reason' }))
await click(page.getByRole('button', { name: '+ line' }))
await page.getByRole('dialog').waitFor()
await click(page.getByRole('dialog').getByRole('button', { name: /slope/i }).first())
const add = page.getByRole('dialog').getByRole('button', { name: /^Add/ })
if (await add.isVisible()) await click(add)
await page.getByText(/slope/i).first().waitFor()
tell('six_pasted_rows_to_a_line', { seconds: Number(((performance.now() - began) / 1000).toFixed(2)), clicks, keys })
await browser.close()
