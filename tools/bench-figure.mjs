// What looking closely costs, on a copy that bin/bench starts: one JSON line a task.
import { signedInPage } from './browser.mjs'
import { Client } from './client.mjs'

const RUNS = Number(process.argv[2] ?? 20)
const ROWS = 10_000
const SECONDS = 4

const tell = (task, values) => console.log(JSON.stringify({ task, ...values }))
const rounded = (value) => Number(value.toFixed(1))
const client = new Client()
await client.signIn()
const json = async (method, path, body) => {
  const answer = await client.ask(method, path, body, { timeoutMs: 60_000, key: method === 'GET' ? undefined : crypto.randomUUID() })
  if (!answer.ok) throw new Error(`${method} ${path} was answered ${answer.status}: ${await answer.text()}`)
  return answer.json()
}

const { id } = await json('POST', '/api/experiments', { title: 'Many long runs', protocol: 'blank', benchId: null })
let run = null
for (let k = 0; k < RUNS; k++) {
  const lines = Array.from({ length: ROWS }, (_, i) => `${i},${(k + Math.sin(i / (200 + k)) + 0.05 * Math.sin(i * 7.3)).toFixed(3)}`)
  const form = new FormData()
  form.append('file', new Blob([['t,a', ...lines].join('\n')]), 'long.csv')
  const { id: file, hints } = await client.upload(`/api/experiments/${id}/files`, form)
  const known = (await json('GET', `/api/experiments/${id}`)).columns
  const columns = ['t', 'a'].map((symbol, place) => ({ place, columnId: known.find((one) => one.symbol === symbol)?.id ?? null, symbol, name: symbol, unit: '' }))
  run = (await json('POST', `/api/experiments/${id}/files/${file}/take`, { hints, runId: null, asTrials: false, columns })).made
}

const { browser, page, signIn } = await signedInPage()
await signIn()
let began = performance.now()
await page.goto(`/experiments/${id}/reason?run=${run}`)
const figure = page.getByRole('group', { name: /^Figure: arrow keys/ })
await figure.locator('svg text, canvas').first().waitFor()
tell('first_figure', { rows: ROWS, ms: rounded(performance.now() - began) })

await page.getByRole('button', { name: /^runs:/ }).click()
await page.getByRole('button', { name: 'all of them' }).click()
await page.keyboard.press('Escape')
await figure.locator('canvas').first().waitFor()
await page.waitForTimeout(3000)
await figure.focus()
for (let i = 0; i < 4; i++) await page.keyboard.press('+')
await page.waitForTimeout(2000)

const frames = await figure.evaluate(
  (region, seconds) =>
    new Promise((resolve) => {
      let [drawn, painted, count] = [0, false, 0]
      const { clearRect } = CanvasRenderingContext2D.prototype
      CanvasRenderingContext2D.prototype.clearRect = function (...of) {
        painted = true
        return clearRect.apply(this, of)
      }
      const host = region.querySelector('[role=img]')
      const box = host.getBoundingClientRect()
      const tell = (kind, x) =>
        host.dispatchEvent(new PointerEvent(`pointer${kind}`, { pointerId: 1, clientX: x, clientY: box.top + box.height / 2, shiftKey: true, bubbles: true }))
      host.setPointerCapture = () => undefined
      const middle = box.left + box.width / 2
      tell('down', middle)
      const start = performance.now()
      const step = (now) => {
        count++
        if (painted) drawn++
        painted = false
        tell('move', middle + 150 * Math.sin((now - start) / 400))
        if (now - start < 1000 * seconds) requestAnimationFrame(step)
        else {
          tell('up', middle)
          resolve({ drawn: (1000 * drawn) / (now - start), frames: (1000 * count) / (now - start) })
        }
      }
      requestAnimationFrame(step)
    }),
  SECONDS,
)
tell('panning', { runs: RUNS, rows: ROWS, drawn_a_second: rounded(frames.drawn), frames_a_second: rounded(frames.frames) })

// What a stretch of a long run costs that is looked at closely.
const times = []
for (let i = 0; i < 40; i++) {
  began = performance.now()
  await json('GET', `/api/runs/${run}/near?x=t&columns=t,a&from=${i * 200}&to=${i * 200 + 1500}`)
  times.push(performance.now() - began)
}
times.sort((a, b) => a - b)
tell('stretch_to_rows', { rows: ROWS, n: times.length, median_ms: rounded(times[20]), p95_ms: rounded(times[37]) })
await browser.close()
