// 40 screens that watch all benches and 8 that click, five times a second each and never before the last answer has come, on a
// copy that bin/bench starts: how long an answer takes. (Faster, and the limit of requests of one person would answer.)
// One JSON line a task, times in milliseconds. --seconds N clicks for N s instead of one minute.
import { Client, pause, shareOf } from './client.mjs'

const at = process.argv.indexOf('--seconds')
const seconds = at < 0 ? 60 : Number(process.argv[at + 1])
const WATCHERS = 40
const CLICKERS = 8
const CLICKED_EACH_MS = 200

const client = new Client()
await client.signIn()
const benches = await (await client.ask('GET', '/api/benches')).json()
const [experiment] = await (await client.ask('GET', '/api/experiments')).json()
const { runs } = await (await client.ask('GET', `/api/experiments/${experiment.id}`)).json()
const paths = [
  '/api/session',
  '/api/benches',
  '/api/experiments',
  `/api/experiments/${experiment.id}`,
  `/api/runs/${runs[0].id}`,
  `/api/experiments/${experiment.id}/worked`,
]

const stop = new AbortController()
let messages = 0
const channel = benches.map(({ id }) => `bench-${id}`).join(',')
for (let i = 0; i < WATCHERS; i++) void client.listen(channel, () => messages++, stop.signal)
await pause(3000)
const times = new Map(paths.map((path) => [path, []]))
const wrong = []
const end = Date.now() + seconds * 1000
const before = messages
async function click(which) {
  for (let i = which; Date.now() < end; i++) {
    const path = paths[i % paths.length]
    const began = performance.now()
    const answer = await client.ask('GET', path)
    await answer.arrayBuffer()
    times.get(path).push(performance.now() - began)
    if (answer.status !== 200) wrong.push(`${path} ${answer.status}`)
    await pause(CLICKED_EACH_MS - (performance.now() - began))
  }
}
await Promise.all(Array.from({ length: CLICKERS }, (_, i) => click(i)))
const heard = messages - before
stop.abort()
const all = [...times.values()].flat()
console.log(
  JSON.stringify({
    task: 'load', seconds, watchers: WATCHERS, clickers: CLICKERS, n: all.length, per_s: Number((all.length / seconds).toFixed(1)),
    p50_ms: shareOf(all, 0.5), p95_ms: shareOf(all, 0.95), max_ms: shareOf(all, 1), wrong: wrong.length, live_messages_per_s: Math.round(heard / seconds),
  }),
)
for (const [path, values] of times) {
  console.log(JSON.stringify({ task: `load ${path.replace(/\d+/g, '{id}')}`, n: values.length, p50_ms: shareOf(values, 0.5), p95_ms: shareOf(values, 0.95) }))
}
process.exit(wrong.length === 0 ? 0 : 1)
