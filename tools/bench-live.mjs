// All benches on one page at the speed of the clock, on a copy that bin/bench starts: how old a number is when it is painted,
// and whether a sample was lost. One JSON line a task, times in milliseconds. --seconds N watches for N s instead of five minutes.
import { execFileSync } from 'node:child_process'
import { signedInPage } from './browser.mjs'

const at = process.argv.indexOf('--seconds')
const seconds = at < 0 ? 300 : Number(process.argv[at + 1])
const counts = () => JSON.parse(execFileSync('php', ['artisan', 'welkion:health', '--counts'], { encoding: 'utf8' }))

const { browser, page, signIn } = await signedInPage()
// The moment a stand-in made the newest sample of a message against the moment a number of that bench is painted.
await page.addInitScript(() => {
  window.madeAt = new Map()
  window.delays = []
  const Native = window.EventSource
  window.EventSource = class extends Native {
    constructor(url) {
      super(url)
      this.addEventListener('message', (event) => {
        const { benchId, madeAtMs } = JSON.parse(event.data)
        if (typeof madeAtMs === 'number') window.madeAt.set(benchId, madeAtMs)
      })
    }
  }
})
await signIn()
await page.goto('/benches')
await page.getByText('kPa').first().waitFor()
await page.waitForTimeout(3000)
const before = counts()
const values = await page.evaluate(
  (ms) =>
    new Promise((resolve) => {
      for (const heading of document.querySelectorAll('h2[id^=bench-]')) {
        const benchId = Number(heading.id.slice(6))
        let painted = 0
        new MutationObserver(() => {
          const made = window.madeAt.get(benchId)
          if (made === undefined || made === painted) return
          painted = made
          requestAnimationFrame(() => window.delays.push(Date.now() - made))
        }).observe(heading.closest('section'), { childList: true, characterData: true, subtree: true })
      }
      setTimeout(() => resolve(window.delays), ms)
    }),
  seconds * 1000,
)
const after = counts()
const sorted = [...values].sort((a, b) => a - b)
const share = (part) => Number(sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))].toFixed(1))
console.log(
  JSON.stringify({ task: 'sample_to_pixel_all_benches', seconds, n: values.length, median_ms: share(0.5), p95_ms: share(0.95), max_ms: share(1) }),
)
const received = after.received - before.received
console.log(
  JSON.stringify({ task: 'samples_all_benches', seconds, received, per_s: Number((received / seconds).toFixed(1)), missed: after.missed - before.missed }),
)
await browser.close()
