import { randomUUID } from 'node:crypto'
import type { APIResponse, Page } from '@playwright/test'

export async function benchNamed(page: Page, name: string): Promise<number> {
  const benches = (await (await page.request.get('/api/benches')).json()) as { id: number; name: string }[]
  return benches.find((bench) => bench.name === name)?.id ?? 0
}

export async function truthOf(page: Page, bench: string): Promise<Record<string, number>> {
  const answer = await page.request.get(`/api/benches/${await benchNamed(page, bench)}/truth`)
  const { truth } = (await answer.json()) as { truth: { key: string; value: number }[] }
  return Object.fromEntries(truth.map(({ key, value }) => [key, value]))
}

/** Something is done at a simulated bench, whatever page is open. */
export async function act(page: Page, bench: string, details: Record<string, unknown>): Promise<void> {
  const answer = await post(page, `/api/benches/${await benchNamed(page, bench)}/acts`, details)
  if (!answer.ok()) throw new Error(`${bench} does not do this: ${await answer.text()}`)
}

async function post(page: Page, path: string, data: Record<string, unknown> = {}): Promise<APIResponse> {
  const token = (await page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN')?.value ?? ''
  const headers = {
    'X-XSRF-TOKEN': decodeURIComponent(token),
    Accept: 'application/json',
    'Request-Key': randomUUID(),
  }
  return page.request.post(path, { headers, data })
}

/** Sets every probe of a bench to its maker's line: near enough for a lesson about something else. */
export async function setByMaker(page: Page, bench: string): Promise<void> {
  const found = await page.request.get(`/api/benches/${await benchNamed(page, bench)}`)
  const { probes, recording } = (await found.json()) as {
    probes: { id: number; calibration: unknown }[]
    recording: { runId: number } | null
  }
  // Left open by a test that failed.
  if (recording !== null) await post(page, `/api/runs/${recording.runId}/finish`)
  // One that reads by its maker's line already is refused.
  for (const { id, calibration } of probes) {
    if (calibration === null) await post(page, `/api/probes/${id}/calibrations/factory`)
  }
}
