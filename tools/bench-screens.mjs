// How fast the screens answer, on a copy that bin/bench starts: one JSON line a task, times in milliseconds.
import { execFileSync } from 'node:child_process'
import { gzipSync } from 'node:zlib'
import { signedInPage, steady } from './browser.mjs'
import { Client } from './client.mjs'

const LIVE_SAMPLES = 150
const SET_ASIDES = 40
const REQUESTS = 60
const OPENINGS = 10

const report = (task, values, more = {}) => {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share) => Number(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))].toFixed(1))
  console.log(JSON.stringify({ task, n: values.length, median_ms: at(0.5), p95_ms: at(0.95), max_ms: at(1), ...more }))
}

const { browser, page, signIn } = await signedInPage()

// What the browser loads before anyone has signed in.
let firstBytes = 0
page.on('response', async (response) => {
  if (!response.url().endsWith('.js') || !response.ok()) return
  const body = await response.body()
  firstBytes += gzipSync(body).length
})
await page.goto('/sign-in')
await page.getByRole('button', { name: 'Sign in' }).waitFor()
await page.waitForTimeout(300)
console.log(JSON.stringify({ task: 'first_javascript', gzip_kb: Number((firstBytes / 1024).toFixed(1)) }))

// The moment the stand-in made a sample against the moment its number stands in the page and is painted.
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
await signIn()
await page.goto('/experiments/3/prepare')
await page.getByRole('listitem').filter({ hasText: 'pH electrode' }).getByRole('button', { name: /^Calibrate/ }).click()
await page.getByRole('button', { name: /Accept reading/ }).waitFor()
await page.waitForTimeout(1500)
const delays = await page.evaluate(
  (wanted) =>
    new Promise((resolve) => {
      const found = []
      let counted = 0
      const card = document.querySelector('section[aria-label^="Probes"] li .num')
      new MutationObserver(() => {
        const made = window.lastMadeAtMs
        if (made === counted) return
        counted = made
        requestAnimationFrame(() => {
          found.push(Date.now() - made)
          if (found.length === wanted) resolve(found)
        })
      }).observe(card, { childList: true, characterData: true, subtree: true })
    }),
  LIVE_SAMPLES,
)
report('sample_to_number_in_browser', delays)
await page.getByRole('button', { name: 'Leave without keeping' }).click()

// A two-point pH calibration by someone who knows the way, at ten times the speed of the clock. Hands at the simulated bench
// are no clicks of the application; before each click a person takes this long to aim.
const AIMING_MS = 700
const hands = async (group, name) => {
  await page.waitForTimeout(AIMING_MS)
  await page.getByRole('group', { name: group }).getByRole('button', { name, exact: true }).click()
}
await page.getByRole('button', { name: 'open controls' }).click()
await hands('Clock', '×10')
let clicks = 0
const click = async (name) => {
  await page.waitForTimeout(AIMING_MS)
  await page.getByRole('button', { name }).click()
  clicks++
}
const began = Date.now()
await page.getByRole('listitem').filter({ hasText: 'pH electrode' }).getByRole('button', { name: /^Calibrate/ }).click()
clicks++
for (const buffer of ['pH 7.00', 'pH 4.01']) {
  await hands('Electrode into', 'rinse water')
  await hands('Electrode into', buffer)
  await steady(page).waitFor()
  await click(/^Accept reading/)
  await page.waitForTimeout(300)
}
await click(/^Keep it with 2 standards/)
await page.getByRole('heading', { name: 'Kept' }).waitFor()
console.log(JSON.stringify({ task: 'two_point_calibration_x10', seconds: Number(((Date.now() - began) / 1000).toFixed(1)), clicks }))
await hands('Clock', '×1')

// From the press on "Set aside" to the changed working.
await page.goto('/experiments/2/reason')
await page.getByRole('button', { name: 'Rows', exact: true }).click()
const times = { aside: [], back: [] }
const requests = []
// Nobody types a reason faster.
const TYPING_MS = 60
page.on('requestfinished', (request) => {
  if (request.url().endsWith('/set-aside') && request.headers().foresee === undefined) requests.push(request.timing().responseEnd)
})
for (let i = 0; i < SET_ASIDES; i++) {
  await page.getByRole('button', { name: 'Set aside the reading at 10.50 mL' }).click()
  await page.getByLabel('Why?').pressSequentially('measured for speed', { delay: TYPING_MS })
  for (const [act, name] of Object.entries({ aside: /^Set aside$/, back: /^Take back the reading at 10.50 mL/ })) {
    await page.getByRole('button', { name }).waitFor()
    times[act].push(
      await page.evaluate((isTakeBack) => {
        const button = [...document.querySelectorAll('button')].find((b) =>
          isTakeBack
            ? (b.getAttribute('aria-label') ?? '').startsWith('Take back the reading at 10.50')
            : b.textContent === 'Set aside' && b.type === 'submit',
        )
        const line = document.querySelector('[data-testid=working-lines] > li')
        const before = line.textContent
        const began = performance.now()
        return new Promise((resolve) => {
          const look = () => {
            if (line.textContent === before) requestAnimationFrame(look)
            else resolve(performance.now() - began)
          }
          button.click()
          look()
        })
      }, act === 'back'),
    )
    await page.waitForTimeout(150)
  }
}
report('set_aside_to_working', times.aside)
report('take_back_to_working', times.back)
report('of_it_the_request', requests)

// A notebook of 40 runs, from the press on its link, and then on Reason, to its working.
const { experiment, runs, readings } = JSON.parse(execFileSync('php', ['tools/bench-database.php']))
const openings = []
for (let i = 0; i < OPENINGS; i++) {
  await page.goto('/experiments')
  const link = page.locator(`a[href^="/experiments/${experiment}/"]`).first()
  await link.waitFor()
  await page.waitForTimeout(300)
  const started = performance.now()
  await link.click()
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Reason' }).click()
  await page.locator('[data-testid=working-lines] > li').first().waitFor()
  openings.push(performance.now() - started)
}
report('open_notebook', openings, { runs, readings })
await browser.close()

// One after the other, as one screen asks.
const client = new Client()
await client.signIn()
for (const [task, path] of [
  ['request_up', '/up'],
  ['request_session', '/api/session'],
  ['request_experiments', '/api/experiments'],
  ['request_notebook', '/api/experiments/2'],
  ['request_worked', '/api/experiments/2/worked'],
  ['request_notebook_of_40_runs', `/api/experiments/${experiment}`],
  ['request_worked_of_40_runs', `/api/experiments/${experiment}/worked`],
]) {
  const took = []
  for (let i = 0; i < REQUESTS; i++) {
    const asked = performance.now()
    const answer = await client.ask('GET', path)
    await answer.text()
    if (!answer.ok) throw new Error(`${path} was answered ${answer.status}.`)
    took.push(performance.now() - asked)
  }
  report(task, took)
}
