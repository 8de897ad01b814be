// A run of 10 million samples beside one of 10,000: what its reading costs (bench-long.php), and how long a screen waits for it.
import { execFileSync } from 'node:child_process'
import { Client } from './client.mjs'

const ROUNDS = 60
const STEP_S = 0.001
const SHORT = 10_000
const LONG = Number(process.argv[2] ?? 10_000_000)

const flags = ['-d', 'memory_limit=256M', '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit=1054', '-d', 'opcache.jit_buffer_size=128M']
const told = execFileSync('php', [...flags, 'tools/bench-long.php', String(LONG)], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'inherit'] })
process.stdout.write(told)
const runs = told.split('\n').filter((line) => line !== '').map((line) => JSON.parse(line)).find(({ task }) => task === 'long_run_made')

const client = new Client()
await client.signIn()

async function waited(run, from, to) {
  const began = performance.now()
  const answer = await client.ask('GET', `/api/runs/${run}/points?columns=pH&width=1000&from=${from}&to=${to}`, undefined, { packed: true })
  const { byteLength } = await answer.arrayBuffer()
  if (!answer.ok) throw new Error(`The run was answered ${answer.status}.`)
  return { ms: performance.now() - began, bytes: byteLength }
}

const spot = (i) => (0.618 * i) % 1
const views = { open: () => [0, 1], zoom: (i) => [0.9 * spot(i), 0.9 * spot(i) + 0.1 / (1 + (i % 7))], pan: (i) => [0.7 * spot(i), 0.7 * spot(i) + 0.3] }
for (const [task, view] of Object.entries(views)) {
  const seen = { short: [], long: [] }
  // In turn, so that other work on the machine falls on both.
  for (let i = 0; i < ROUNDS; i++) {
    const [from, to] = view(i)
    seen.short.push(await waited(runs.short, from * SHORT * STEP_S, to * SHORT * STEP_S))
    seen.long.push(await waited(runs.long, from * LONG * STEP_S, to * LONG * STEP_S))
  }
  const median = (all) => all.map(({ ms }) => ms).sort((a, b) => a - b)[Math.floor(all.length / 2)]
  const [short, long] = [median(seen.short), median(seen.long)]
  console.log(
    JSON.stringify({ task: `request_${task}`, short_ms: Number(short.toFixed(1)), long_ms: Number(long.toFixed(1)), ratio: Number((long / short).toFixed(2)), most_bytes: Math.max(...seen.long.map(({ bytes }) => bytes)) }),
  )
}
