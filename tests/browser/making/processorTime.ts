import { readdirSync, readFileSync } from 'node:fs'

/** The kernel counts in hundredths of a second, on every machine this runs on. */
const TICKS_PER_S = 100

/** Seconds of processor time that a process and all it has started have taken so far, what has ended included. */
export function processorSeconds(root: number): number {
  const children = new Map<number, number[]>()
  const taken = new Map<number, number>()
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue
    try {
      const stat = readFileSync(`/proc/${name}/stat`, 'utf8')
      // The name of the program stands in brackets and may hold spaces.
      const fields = stat
        .slice(stat.lastIndexOf(')') + 2)
        .split(' ')
        .map(Number)
      const pid = Number(name)
      const parent = fields[1] ?? 0
      children.set(parent, [...(children.get(parent) ?? []), pid])
      taken.set(
        pid,
        fields.slice(11, 15).reduce((sum, ticks) => sum + ticks, 0),
      )
    } catch {
      // It has ended meanwhile.
    }
  }
  let ticks = 0
  for (let left = [root]; left.length > 0;) {
    ticks += left.reduce((sum, pid) => sum + (taken.get(pid) ?? 0), 0)
    left = left.flatMap((pid) => children.get(pid) ?? [])
  }
  return ticks / TICKS_PER_S
}
