import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'

export async function benchNamed(page: Page, name: string): Promise<number> {
  const benches = (await (await page.request.get('/api/benches')).json()) as { id: number; name: string }[]
  return benches.find((bench) => bench.name === name)?.id ?? 0
}

export async function truthOf(page: Page, bench: string): Promise<Record<string, number>> {
  const answer = await page.request.get(`/api/benches/${await benchNamed(page, bench)}/truth`)
  const { truth } = (await answer.json()) as { truth: { key: string; value: number }[] }
  return Object.fromEntries(truth.map(({ key, value }) => [key, value]))
}

/** Sets every probe of a bench to its maker's line: near enough for a lesson about something else. */
export async function setByMaker(page: Page, bench: string): Promise<void> {
  const found = await page.request.get(`/api/benches/${await benchNamed(page, bench)}`)
  const { probes, recording } = (await found.json()) as {
    probes: { id: number; calibration: unknown }[]
    recording: { runId: number } | null
  }
  const token = (await page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN')?.value ?? ''
  const post = (path: string) =>
    page.request.post(path, {
      headers: { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json', 'Request-Key': randomUUID() },
    })
  // Left open by a test that failed.
  if (recording !== null) await post(`/api/runs/${recording.runId}/finish`)
  for (const { id, calibration } of probes) {
    if (calibration === null) await post(`/api/probes/${id}/calibrations/factory`)
  }
}
