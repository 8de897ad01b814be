import { readdirSync, readFileSync } from 'node:fs'
import { basename, dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'

const ROOT = dirname(fileURLToPath(import.meta.url))

/** features/report, lib, ui …: a folder of features by itself. */
function roomOf(path: string): string {
  const [first, second] = relative(ROOT, path).split('/')
  return first === 'features' ? `features/${second ?? ''}` : (first ?? '')
}

function roomsUsed(): Map<string, Set<string>> {
  const uses = new Map<string, Set<string>>()
  for (const entry of readdirSync(ROOT, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !/(?<!\.test)\.tsx?$/.test(entry.name)) continue
    const room = roomOf(join(entry.parentPath, entry.name))
    if (basename(room) === room && /\.tsx?$/.test(room)) continue
    const used = uses.get(room) ?? new Set<string>()
    uses.set(room, used)
    for (const [, target = ''] of readFileSync(join(entry.parentPath, entry.name), 'utf8').matchAll(
      /(?:from|import\() ?'(\.[^']+)'/g,
    )) {
      const other = roomOf(join(entry.parentPath, target))
      if (other !== room) used.add(other)
    }
  }
  return uses
}

describe('folders of the screens', () => {
  it('none uses one that uses it, and what is shared knows no feature', () => {
    const uses = roomsUsed()
    expect(uses.size).toBeGreaterThan(15)
    for (const shared of ['lib', 'ui']) {
      expect([...(uses.get(shared) ?? [])].filter((room) => room.startsWith('features/'))).toEqual([])
    }
    // A room that uses nothing that is left is in no circle; what stays over is.
    let left = [...uses.keys()]
    for (let before = left.length + 1; left.length < before;) {
      before = left.length
      left = left.filter((room) => [...(uses.get(room) ?? [])].some((used) => left.includes(used)))
    }
    expect(left).toEqual([])
  })
})
