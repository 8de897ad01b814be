// What typing, pasting and reading files cost, on a copy that bin/bench starts: one JSON line a task.
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
console.log('SET '+id+' '+run+' '+a.id)
