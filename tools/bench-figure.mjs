// What looking closely costs, on a copy that bin/bench starts: one JSON line a task.
import { signedInPage } from './browser.mjs'
import { Client } from './client.mjs'

const RUNS = Number(process.argv[2] ?? 20)
const ROWS = 10_000
const SECONDS = 2
const TRIES = 9
const OPENINGS = 20

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
const figure = page.getByRole('group', { name: /^Figure: arrow keys/ })
let began = 0
const opened = []
for (let i = 0; i < OPENINGS; i++) {
  began = performance.now()
  await page.goto(`/experiments/${id}/reason?run=${run}`)
  await figure.locator('svg text, canvas').first().waitFor()
  opened.push(performance.now() - began)
}
opened.sort((a, b) => a - b)
tell('first_figure', { rows: ROWS, n: OPENINGS, median_ms: rounded(opened[Math.floor(OPENINGS / 2)]), p95_ms: rounded(opened[Math.floor(0.95 * OPENINGS)]) })
// What a browser that was never here takes: the scripts the page begins with, and all until the figure stands.
const scripts = await page.evaluate(async () => {
  const begins = await (await fetch(location.href)).text()
  const sizes = performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js'))
  const sum = (of) => of.reduce((all, { decodedBodySize }) => all + decodedBodySize, 0)
  return { first: sum(sizes.filter(({ name }) => begins.includes(new URL(name).pathname))), all: sum(sizes) }
})
tell('javascript', { first_bytes: scripts.first, until_figure_bytes: scripts.all })

await page.getByRole('button', { name: /^runs:/ }).click()
await page.getByRole('button', { name: 'all of them' }).click()
await page.keyboard.press('Escape')
await figure.locator('canvas').first().waitFor()
await page.waitForTimeout(3000)
await figure.focus()

/** How often a second the figure is drawn while it is pulled along by hand, or drawn nearer and further by wheel. */
const drawnWhile = (kind) =>
  figure.evaluate(
    (region, [kind, seconds]) =>
      new Promise((resolve) => {
        let [drawn, painted] = [0, false]
        const { clearRect } = CanvasRenderingContext2D.prototype
        CanvasRenderingContext2D.prototype.clearRect = function (...of) {
          painted = true
          return clearRect.apply(this, of)
        }
        const host = region.querySelector('[role=img]')
        host.setPointerCapture = () => undefined
        const box = host.getBoundingClientRect()
        const [middle, clientY] = [box.left + box.width / 2, box.top + box.height / 2]
        const hand = (does, clientX) => host.dispatchEvent(new PointerEvent(`pointer${does}`, { pointerId: 1, clientX, clientY, shiftKey: true, bubbles: true }))
        const wheel = (deltaY) => host.dispatchEvent(new WheelEvent('wheel', { clientX: middle, clientY, deltaY, bubbles: true, cancelable: true }))
        if (kind === 'pull') hand('down', middle)
        const start = performance.now()
        const step = (now) => {
          if (painted) drawn++
          painted = false
          const turn = (now - start) / 400
          if (kind === 'pull') hand('move', middle + 150 * Math.sin(turn))
          else wheel(25 * Math.cos(turn))
          if (now - start < 1000 * seconds) requestAnimationFrame(step)
          else {
            if (kind === 'pull') hand('up', middle)
            CanvasRenderingContext2D.prototype.clearRect = clearRect
            resolve((1000 * drawn) / (now - start))
          }
        }
        requestAnimationFrame(step)
      }),
    [kind, SECONDS],
  )
// Other work on the machine disturbs single tries: the middle one is told, with the slowest.
for (const kind of ['pull', 'zoom']) {
  const tries = []
  for (let i = 0; i < TRIES; i++) {
    // Each sees the same part first.
    await page.keyboard.press('f')
    for (let k = 0; k < 4; k++) await page.keyboard.press('+')
    await page.waitForTimeout(1000)
    tries.push(await drawnWhile(kind))
  }
  tries.sort((a, b) => a - b)
  tell(kind, { runs: RUNS, rows: ROWS, tries: TRIES, drawn_a_second: rounded(tries[Math.floor(TRIES / 2)]), slowest: rounded(tries[0]) })
}

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
