// Random kills, hangs and hostile devices against an open run, on a copy that bin/bench starts: bench-chaos.mjs MINUTES [SEED].
// An independent listener hears what the device sends; a screen watches; readings are taken all the time and repeated until
// they are acknowledged, as the screens do. Prints what was done, and one JSON line of what came of it.
import { execFileSync, spawn } from 'node:child_process'
import { mkdirSync, readFileSync, readdirSync, readlinkSync, rmSync, writeFileSync } from 'node:fs'
import { createConnection, createServer } from 'node:net'
import { Client, pause } from './client.mjs'

const minutes = Number(process.argv[2])
if (!(minutes > 0)) throw new Error('Say for how many minutes: bin/bench --chaos MINUTES [SEED]')
let state = Number(process.argv[3] ?? 1)
const folder = process.env.WELKION_VAR
const benchPort = Number(/^WELKION_BENCH_PORT=(\d+)$/m.exec(readFileSync(`${folder}/settings.env`, 'utf8'))[1])
const end = Date.now() + minutes * 60_000

/** Numbers from 0 to 1, the same for the same seed (mulberry32). */
function chance() {
  state = (state + 0x6d2b79f5) | 0
  let t = Math.imul(state ^ (state >>> 15), 1 | state)
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296
}
const between = (low, high) => low + chance() * (high - low)
const php = (...args) => JSON.parse(execFileSync('php', ['tools/chaos-database.php', ...args], { encoding: 'utf8', maxBuffer: 1e9 }).trim().split('\n').at(-1))

// What the device sends, heard by someone else.
const heard = {}
function hear() {
  const line = createConnection(benchPort, '127.0.0.1')
  let rest = ''
  line.write('{"do":"hello","bench":"Alder"}\n')
  line.on('data', (piece) => {
    const lines = (rest + piece).split('\n')
    rest = lines.pop()
    for (const text of lines) {
      const message = JSON.parse(text)
      if (!Array.isArray(message)) continue
      for (const { n, seq, v } of message) (heard[n] ??= {})[seq] = v
    }
  })
}
hear()

const client = new Client()
await client.signIn()
const benches = await (await client.ask('GET', '/api/benches')).json()
const alder = benches.find(({ name }) => name === 'Alder')
await client.ask('POST', `/api/benches/${alder.id}/acts`, { act: 'speed', times: 10 })
const experiment = await (await client.ask('POST', '/api/experiments', { title: 'What if everything breaks?', protocol: 'titration', benchId: alder.id })).json()
const { made: runId } = await (await client.ask('POST', `/api/experiments/${experiment.id}/runs`, {})).json()

// A screen: the longest time without a message, and which notes it showed.
const stop = new AbortController()
let last = Date.now()
let longestSilence = 0
let longestAt = ''
let doing = 'nothing yet'
const notes = {}
void client.listen(`bench-${alder.id}`, (message) => {
  if (Date.now() - last > longestSilence) [longestSilence, longestAt] = [Date.now() - last, doing]
  last = Date.now()
  for (const { code } of message.notes ?? []) notes[code] = (notes[code] ?? 0) + 1
}, stop.signal)

// Readings, each repeated with its key until it is acknowledged.
const acknowledged = []
const statuses = {}
let longestReading = 0
let isTaking = true
async function takeReadings() {
  for (let volume = 0; isTaking && volume < 100; volume = Math.round((volume + 0.03) * 100) / 100) {
    const key = crypto.randomUUID()
    const began = Date.now()
    for (;;) {
      const status = await client.ask('POST', `/api/runs/${runId}/readings`, { step: volume, takeAnyway: true }, { key }).then(
        async (answer) => {
          if (answer.status === 500) console.error(`500 while: ${doing}: ${(await answer.text()).slice(0, 300)}`)
          return answer.status
        },
        () => 0,
      )
      statuses[status] = (statuses[status] ?? 0) + 1
      if (status === 201) {
        acknowledged.push(key)
        break
      }
      if (status === 401) throw new Error('The session was lost.')
      if (status === 419) await client.ask('GET', '/api/session').catch(() => undefined)
      if (!isTaking && Date.now() - began > 60_000) return
      await pause(250)
    }
    longestReading = Math.max(longestReading, Date.now() - began)
    await pause(200)
  }
}
const taking = takeReadings()

// Who can be killed: by the words of its command line, in this copy alone.
function pidsOf(words) {
  return readdirSync('/proc').filter((pid) => /^\d+$/.test(pid)).map(Number).filter((pid) => {
    try {
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ')
      return command.includes(words) && !command.startsWith('setpriv') && !command.includes('run-alone') && readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`WELKION_VAR=${folder}\0`)
    } catch {
      return false
    }
  })
}
const masters = { nginx: () => [Number(readFileSync(`${folder}/run/nginx.pid`))], 'php-fpm': () => [Number(readFileSync(`${folder}/run/php-fpm.pid`))] }
const WORDS = { recorder: 'artisan welkion:record', clerk: 'artisan welkion:keep', mariadb: 'mariadbd' }
const pids = (name) => { try { return (masters[name] ?? (() => pidsOf(WORDS[name])))() } catch { return [] } }
const send = (name, signal) => { for (const pid of pids(name)) { try { process.kill(pid, signal) } catch { /* gone already */ } } }

let hostile = null
const hostilePort = await new Promise((resolve) => { const s = createServer().listen(0, '127.0.0.1', () => { const { port } = s.address(); s.close(() => resolve(port)) }) })
php('prepare', String(hostilePort))
const done = {}
const deeds = {
  ...Object.fromEntries(['recorder', 'clerk', 'mariadb', 'nginx', 'php-fpm'].map((name) => [`kill ${name}`, async () => send(name, 'SIGKILL')])),
  'kill all at once': async () => { for (const name of ['mariadb', 'recorder', 'nginx', 'php-fpm']) send(name, 'SIGKILL') },
  'hang mariadb': async () => { send('mariadb', 'SIGSTOP'); await pause(between(2000, 25_000)); send('mariadb', 'SIGCONT') },
  'hang mariadb, kill the recorder meanwhile': async () => { send('mariadb', 'SIGSTOP'); await pause(between(2500, 6000)); send('recorder', 'SIGKILL'); await pause(between(1000, 6000)); send('mariadb', 'SIGCONT') },
  'hang mariadb with no disk': async () => {
    const spool = `${folder}/storage/recorder-spool.jsonl`
    try { mkdirSync(spool) } catch { return }
    send('mariadb', 'SIGSTOP'); await pause(between(4000, 12_000)); send('mariadb', 'SIGCONT')
    rmSync(spool, { recursive: true })
  },
  'hang the recorder': async () => { const held = pids('recorder'); for (const pid of held) process.kill(pid, 'SIGSTOP'); await pause(between(500, 4000)); for (const pid of held) { try { process.kill(pid, 'SIGCONT') } catch { /* gone */ } } },
  'hostile devices come or go': async () => {
    if (hostile === null) hostile = spawn('php', ['-d', 'memory_limit=1G', 'tests/Support/hostile-device.php', String(hostilePort)], { stdio: 'ignore' })
    else { hostile.kill('SIGKILL'); hostile = null }
  },
}
const names = Object.keys(deeds)
let memory = 0
while (Date.now() < end) {
  await pause(between(1500, 9000))
  doing = names[Math.floor(chance() * names.length)]
  done[doing] = (done[doing] ?? 0) + 1
  await deeds[doing]()
  for (const pid of pids('recorder')) { try { memory = Math.max(memory, Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1])) } catch { /* gone */ } }
}
doing = 'the end'
hostile?.kill('SIGKILL')
await pause(15_000)
isTaking = false
await taking
for (let i = 0; i < 60; i++) {
  if ((await client.ask('POST', `/api/runs/${runId}/finish`, {}).catch(() => ({ status: 0 }))).status === 200) break
  await pause(500)
}
await pause(5000)
stop.abort()
const file = `${folder}/chaos.json`
writeFileSync(file, JSON.stringify({ acknowledged, heard }))
const result = php('check', String(runId), file)
console.log(JSON.stringify({
  task: 'chaos', minutes, seed: Number(process.argv[3] ?? 1), deeds: done, ...result,
  longest_silence_on_a_screen_s: Number((longestSilence / 1000).toFixed(1)), during: longestAt, longest_until_a_reading_was_acknowledged_s: Number((longestReading / 1000).toFixed(1)),
  answers_to_readings: statuses, notes_shown: notes, recorder_most_memory_mb: Math.round(memory / 1024), sockets: readlinkSync(`${folder}/run/sockets`) !== '',
}))
const { readings, samples } = result
process.exit(readings.lost + readings.doubled + samples.missing + samples.doubled + samples.different === 0 ? 0 : 1)
