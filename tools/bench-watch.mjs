// A board that 40 devices watch while eight benches are live and a run is recorded, on a copy that bin/bench starts: how soon a
// phone shows its first value after the code was typed, and how old a number is when it is painted there. One JSON line a task,
// times in milliseconds. --seconds N watches for N s instead of one minute.
import { spawn } from 'node:child_process'
import { chromium } from '@playwright/test'
import { Client, pause, shareOf } from './client.mjs'

const ADDRESS = process.env.WELKION_ADDRESS ?? 'http://127.0.0.1:8420'
const at = process.argv.indexOf('--seconds')
const seconds = at < 0 ? 60 : Number(process.argv[at + 1])
const WATCHERS = 40
const BENCHES = 8
const POINTS_EACH_MS = 5000
const ENTERED = 10
const FAST_PORT = 8890
const FAST_HZ = 50

const teacher = new Client()
await teacher.signIn()
const json = async (method, path, body) => {
  const answer = await teacher.ask(method, path, body)
  if (!answer.ok) throw new Error(`${method} ${path} was answered ${answer.status}: ${await answer.text()}`)
  return answer.status === 204 ? null : answer.json()
}
const benches = await json('GET', '/api/benches')
// Four more benches beside the simulated ones, with six channels each.
const generator = spawn('php', ['standins/bin/generator.php', `--port=${FAST_PORT}`, '--channels=6', `--rate=${FAST_HZ}`])
await pause(1000)
for (let i = benches.length; i < BENCHES; i++) {
  await json('POST', '/api/benches', { name: `Fast ${i + 1}`, linkName: `Fast ${i + 1}`, host: '127.0.0.1', port: FAST_PORT })
}
const bench = benches.find(({ name }) => name === 'Hazel')
const begun = await json('POST', '/api/experiments', { title: 'Watched by a class', protocol: 'sealed-bottle', benchId: bench.id })
const path = `/api/experiments/${begun.id}`
await json('PATCH', path, { plan: { rate: 10, length: null, begin: null, end: null } })
const { made: run } = await json('POST', `${path}/runs`, {})
const { watch } = await json('POST', `${path}/watch`)

const stop = new AbortController()
let messages = 0
const points = []
for (let i = 0; i < WATCHERS; i++) {
  const client = new Client()
  await client.ask('GET', '/api/session')
  const { watchId } = await (await client.ask('POST', '/api/watch', { code: watch.code })).json()
  void client.listen(`watch-${watchId},experiment-${begun.id},bench-${bench.id}`, () => messages++, stop.signal)
  void (async () => {
    await pause((i / WATCHERS) * POINTS_EACH_MS)
    while (!stop.signal.aborted) {
      const asked = performance.now()
      await (await client.ask('GET', `/api/watch/${watchId}/runs/${run}/points?columns=p,th&width=900`, undefined, { packed: true })).arrayBuffer()
      points.push(performance.now() - asked)
      await pause(POINTS_EACH_MS)
    }
  })()
}

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: ['--no-sandbox', '--disable-gpu'] })
const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: ADDRESS })).newPage()
await page.addInitScript(() => {
  const Native = window.EventSource
  window.EventSource = class extends Native {
    constructor(url) {
      super(url)
      this.addEventListener('message', (event) => {
        const made = JSON.parse(event.data).madeAtMs
        if (typeof made === 'number') window.lastMadeAtMs = made
      })
    }
  }
})
const first = []
for (let i = 0; i < ENTERED; i++) {
  await page.goto('/watch')
  await page.getByLabel(/^The code/).fill(watch.code)
  await page.waitForTimeout(500)
  first.push(
    await page.evaluate(() => {
      const pressed = performance.now()
      document.querySelector('button[type=submit]').click()
      return new Promise((resolve) => {
        const look = () => {
          const shown = document.querySelector('.board-number')?.textContent ?? ''
          if (/\d/.test(shown)) resolve(performance.now() - pressed)
          else requestAnimationFrame(look)
        }
        look()
      })
    }),
  )
}
console.log(JSON.stringify({ task: 'code_to_first_value_on_a_phone', n: first.length, p50_ms: shareOf(first, 0.5), max_ms: shareOf(first, 1) }))
await page.waitForTimeout(3000)
const before = messages
const delays = await page.evaluate(
  (ms) =>
    new Promise((resolve) => {
      const found = []
      let painted = 0
      new MutationObserver(() => {
        const made = window.lastMadeAtMs
        if (made === undefined || made === painted) return
        painted = made
        requestAnimationFrame(() => found.push(Date.now() - made))
      }).observe(document.querySelector('.board-number'), { childList: true, characterData: true, subtree: true })
      setTimeout(() => resolve(found), ms)
    }),
  seconds * 1000,
)
const heard = messages - before
const live = await json('GET', `${path}/watch`)
stop.abort()
console.log(
  JSON.stringify({
    task: 'sample_to_pixel_of_a_watched_board', seconds, benches: BENCHES, watchers: live.watch.onlookers, n: delays.length,
    p50_ms: shareOf(delays, 0.5), p95_ms: shareOf(delays, 0.95), max_ms: shareOf(delays, 1), live_messages_per_s: Math.round(heard / seconds),
  }),
)
console.log(JSON.stringify({ task: 'points_of_onlookers', n: points.length, p50_ms: shareOf(points, 0.5), p95_ms: shareOf(points, 0.95) }))
await json('DELETE', `${path}/watch`)
await json('POST', `/api/runs/${run}/finish`)
await browser.close()
generator.kill()
process.exit(0)
