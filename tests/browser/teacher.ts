import { randomUUID } from 'node:crypto'
import type { APIResponse, Page } from '@playwright/test'
import { factory, type BenchName, type Furnishing, type Made } from './making/factory'
import { figureOf } from './table'
import { expect } from './test'
import type { TablePreview } from '../../resources/js/lib/api/types'
import { guessed } from '../../resources/js/lib/table/taking'

const PLACES = { '7.00': 'pH 7.00', '4.01': 'pH 4.01', '10.01': 'pH 10.01' } as const

export type StandardName = keyof typeof PLACES

/** A column that a probe fills. */
export interface Measured {
  symbol: string
  name: string
  unit: string
  probeKind: string
}

/** In which most probes have come to rest, in s of a bench. */
const A_WHILE = 30
const MOST_AT_ONCE = 480

const HEARD_WITHIN = { intervals: [30], timeout: 4000 }

/** A teacher who was made for one test, and what they do, in a teacher's words. */
export class Teacher {
  private benchInHand: BenchName | null

  private constructor(
    readonly page: Page,
    readonly made: Made,
  ) {
    this.benchInHand = (Object.keys(made.benches)[0] as BenchName | undefined) ?? null
  }

  /** Somebody new, who has what is asked for; signed in, but at no page yet. */
  static async with(page: Page, furnishing: Furnishing = { benches: ['Alder'] }): Promise<Teacher> {
    const teacher = new Teacher(page, await factory.teacher(furnishing))
    await teacher.signIn()
    return teacher
  }

  /** Somebody who has not signed in yet. */
  static async outside(page: Page, furnishing: Furnishing = {}): Promise<Teacher> {
    return new Teacher(page, await factory.teacher(furnishing))
  }

  /** The same person at another screen. */
  async at(page: Page): Promise<Teacher> {
    const again = new Teacher(page, this.made)
    await again.signIn()
    return again
  }

  private async signIn(): Promise<void> {
    await this.page.request.get('/api/session', { maxRetries: 2 })
    const { email, password } = this.made
    await this.post('/api/session', { email, password })
  }

  /** Signs in as a person does. */
  async signInByHand(): Promise<void> {
    await this.page.goto('/sign-in')
    await this.page.getByLabel('E-mail address').fill(this.made.email)
    await this.page.getByLabel('Password').fill(this.made.password)
    await this.page.getByRole('button', { name: 'Sign in' }).click()
    await expect(this.page.getByRole('heading', { name: 'Experiments' })).toBeVisible()
  }

  /** What is made without a hand, through the same door as what the screens ask for. */
  private async post(path: string, data: Record<string, unknown> = {}): Promise<APIResponse> {
    const answer = await this.send(path, data)
    if (!answer.ok()) throw new Error(`${path} was refused: ${await answer.text()}`)
    return answer
  }

  private async send(path: string, data: Record<string, unknown> = {}): Promise<APIResponse> {
    const token = (await this.page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN')?.value ?? ''
    const headers = {
      'X-XSRF-TOKEN': decodeURIComponent(token),
      Accept: 'application/json',
      'Request-Key': randomUUID(),
    }
    // A connection that was kept open may have been closed meanwhile; a key makes a second try the same request.
    return this.page.request.post(path, { headers, data, maxRetries: 2 })
  }

  experiment(title: string): number {
    return numberOf(title, this.made.experiments)
  }

  run(title: string): number {
    return numberOf(title, this.made.runs)
  }

  probe(serial: string): number {
    return numberOf(serial, this.made.probes)
  }

  bench(name: BenchName): number {
    return numberOf(name, this.made.benches)
  }

  /** Opens a stage of an experiment that is there. */
  async open(title: string, stage: 'prepare' | 'record' | 'reason' | 'report'): Promise<void> {
    await this.page.goto(`/experiments/${this.experiment(title)}/${stage}`)
  }

  /** Does something at a simulated bench, whatever page is open. */
  async act(bench: BenchName, details: Record<string, unknown>): Promise<void> {
    await factory.act(this.bench(bench), details)
  }

  /** Lets so many seconds pass at a bench at once. */
  async passTime(bench: BenchName, seconds: number): Promise<void> {
    await this.act(bench, { act: 'go-on', seconds })
  }

  /** Sets every probe of a bench to its maker's line: near enough for a lesson about something else. */
  async setByMaker(bench: BenchName): Promise<void> {
    const found = await this.page.request.get(`/api/benches/${this.bench(bench)}`)
    const { probes } = (await found.json()) as { probes: { id: number; calibration: unknown }[] }
    for (const { id, calibration } of probes) {
      // One that reads by its maker's line already is refused.
      if (calibration === null) await this.send(`/api/probes/${id}/calibrations/factory`)
    }
  }

  /** What no onlooker can see of a bench. */
  async truthOf(bench: BenchName): Promise<Record<string, number>> {
    const answer = await this.page.request.get(`/api/benches/${this.bench(bench)}/truth`)
    const { truth } = (await answer.json()) as { truth: { key: string; value: number }[] }
    return Object.fromEntries(truth.map(({ key, value }) => [key, value]))
  }

  /** An experiment that has begun, with Prepare open. */
  async begin(title: string, protocol = 'titration', bench: BenchName = 'Alder'): Promise<number> {
    this.benchInHand = bench
    const id = await this.make(title, protocol, this.bench(bench))
    await this.page.goto(`/experiments/${id}/prepare`)
    await expect(this.page.getByRole('heading', { name: 'Before the run' })).toBeVisible()
    return id
  }

  /** Begins an experiment as a person does. */
  async beginByHand(title: string, protocol: string, bench: string): Promise<void> {
    await this.page.goto('/experiments')
    await this.page.getByRole('link', { name: 'New experiment' }).click()
    await this.page.getByRole('button', { name: protocol, exact: true }).click()
    await this.page.getByLabel('Bench', { exact: true }).selectOption({ label: bench })
    await this.page.getByLabel('Title, best a question').fill(title)
    await this.page.getByRole('button', { name: 'Begin with Prepare' }).click()
    await expect(this.page.getByRole('heading', { name: 'Before the run' })).toBeVisible()
  }

  /** A table that has been read into a blank notebook, each of its trials a run, with Reason open. */
  async reasonAbout(title: string, text: string): Promise<void> {
    const id = await this.make(title, 'blank', null)
    const kept = await this.post(`/api/experiments/${id}/files`, { text })
    const preview = (await kept.json()) as TablePreview
    await this.post(`/api/experiments/${id}/files/${preview.id}/take`, {
      hints: preview.hints,
      runId: null,
      asTrials: preview.trials.length > 0,
      isBeside: false,
      columns: guessed(preview, [], true)
        .filter(({ isTaken }) => isTaken)
        .map(({ place, columnId, symbol, name, unit, isWords }) => ({ place, columnId, symbol, name, unit, isWords })),
    })
    await this.open(title, 'reason')
    await expect(figureOf(this.page)).toBeVisible()
  }

  /** A blank notebook with a typed run, its empty table open. */
  async beginTyped(title: string): Promise<void> {
    const id = await this.make(title, 'blank', null)
    const answer = await this.post(`/api/experiments/${id}/runs`, { kind: 'typed' })
    const { made } = (await answer.json()) as { made: number }
    await this.page.goto(`/experiments/${id}/record?run=${made}`)
    await expect(this.page.getByRole('heading', { name: 'Table' })).toBeVisible()
  }

  /** A blank notebook that records one quantity by itself, with Record open. */
  async beginMeasuring(title: string, bench: BenchName, column: Measured): Promise<void> {
    this.benchInHand = bench
    const id = await this.make(title, 'blank', this.bench(bench))
    await this.post(`/api/experiments/${id}/columns`, { kind: 'measured', ...column })
    await this.open(title, 'record')
  }

  private async make(title: string, protocol: string, benchId: number | null): Promise<number> {
    const answer = await this.post('/api/experiments', { title, protocol, benchId })
    const { id } = (await answer.json()) as { id: number }
    this.made.experiments[title] = id
    return id
  }

  async openBenchControls(): Promise<void> {
    // Between two stages the tray of the last one may still be there for a moment.
    await expect(async () => {
      const open = this.page.getByRole('button', { name: 'open controls' })
      if (await open.isVisible()) await open.click({ timeout: 1000 })
      await expect(this.page.getByRole('group', { name: 'Clock' })).toBeVisible({ timeout: 1000 })
    }).toPass()
  }

  async setClock(times: 1 | 10 | 60): Promise<void> {
    const button = this.page
      .getByRole('group', { name: 'Clock' })
      .getByRole('button', { name: `×${times}`, exact: true })
    await button.click()
    await expect(button).toHaveAttribute('aria-pressed', 'true')
  }

  async rinse(): Promise<void> {
    await this.hands('Electrode into', 'rinse water')
  }

  async dip(standard: StandardName): Promise<void> {
    await this.hands('Electrode into', PLACES[standard])
  }

  async dipIntoBeaker(): Promise<void> {
    await this.hands('Electrode into', 'the beaker')
  }

  async startCalibration(): Promise<void> {
    await this.page
      .getByRole('listitem')
      .filter({ hasText: 'pH electrode' })
      .getByRole('button', { name: /^Calibrate/ })
      .click()
    await expect(this.page.getByRole('heading', { name: /Calibrate pH electrode/ })).toBeVisible()
    await this.openBenchControls()
  }

  /** Dips into a standard, waits until it is steady, and accepts. */
  async acceptStandard(standard: StandardName, shown: StandardName = standard): Promise<void> {
    await this.rinse()
    await this.dip(standard)
    await expect(this.page.locator('li[aria-current=step]')).toContainText(shown)
    await this.acceptSteady()
  }

  /** Begins the usual calibration of a probe, from the list of benches. */
  async beginCalibration(serial: string): Promise<void> {
    this.stays(serial)
    await this.page.goto('/benches')
    await this.probeRow(serial).getByRole('button', { name: 'Calibrate', exact: true }).click()
    await expect(this.page.getByRole('heading', { name: /^Calibrate / })).toBeVisible()
    await this.openBenchControls()
  }

  /** Begins another than the usual calibration, perhaps together with other probes. */
  async beginOtherWay(probe: string, serial: string, recipe: string, ...beside: string[]): Promise<void> {
    this.stays(serial)
    await this.page.goto('/benches')
    await this.page.getByRole('button', { name: `Another way to calibrate ${probe} ${serial}` }).click()
    await this.page.getByRole('radio', { name: recipe }).check()
    for (const other of beside) await this.page.getByRole('checkbox', { name: other }).check()
    await this.page.getByRole('button', { name: 'Begin' }).click()
    await expect(this.page.getByRole('heading', { name: 'So far' })).toBeVisible()
    await this.openBenchControls()
  }

  probeRow(serial: string) {
    return this.page.getByRole('listitem').filter({ hasText: serial })
  }

  /** Does something at the simulated bench. */
  async hands(group: string, button: string): Promise<void> {
    const there = this.page.getByRole('group', { name: group, exact: true })
    await this.untilDone(() => there.getByRole('button', { name: button, exact: true }).click())
  }

  /** Presses a word that sets the bench to the next step. */
  async press(towards: RegExp): Promise<void> {
    await this.untilDone(() => this.page.getByRole('button', { name: towards }).click())
  }

  /** Turns a switch of the simulated bench on or off, if it is not so already. */
  async turn(group: string, name: string, isOn: boolean): Promise<void> {
    const button = this.page.getByRole('group', { name: group, exact: true }).getByRole('button', { name, exact: true })
    if ((await button.getAttribute('aria-pressed')) !== String(isOn)) await this.untilDone(() => button.click())
    await expect(button).toHaveAttribute('aria-pressed', String(isOn))
  }

  /** Presses what moves the bench, until the bench has answered. */
  private async untilDone(press: () => Promise<void>): Promise<void> {
    await Promise.all([this.page.waitForResponse('**/acts'), press()])
  }

  /** Waits until every probe in the standard that is next is steady, and accepts it. */
  async acceptSteady(probes = 1): Promise<void> {
    const before = await this.retakeCount()
    await this.untilTaken(
      probes,
      () => this.page.keyboard.press('t'),
      async () => (await this.retakeCount()) === before + 1,
    )
  }

  private async retakeCount(): Promise<number> {
    return this.page.getByRole('button', { name: 'retake', exact: true }).count()
  }

  async keep(): Promise<void> {
    await this.page.getByRole('button', { name: /^Keep/ }).click()
    await expect(this.page.getByRole('heading', { name: 'Kept', exact: true })).toBeVisible()
  }

  async goTo(stage: 'Prepare' | 'Record' | 'Reason' | 'Report'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage }).click()
  }

  /** Fills the beaker, dips the electrode, and starts the run. */
  async startRun(): Promise<void> {
    await this.openBenchControls()
    await this.untilDone(() => this.page.getByRole('button', { name: 'new sample' }).click())
    await this.rinse()
    await this.dipIntoBeaker()
    await this.page.getByRole('button', { name: /^Start run/ }).click()
    await expect(this.page.getByTestId('next-step')).toBeVisible()
  }

  async nextStep(): Promise<number> {
    return Number((await this.page.getByTestId('next-step').textContent())?.replace(/[^\d.]/g, ''))
  }

  /** Sets the bench to the next step, waits until it is steady, takes the reading. */
  async takeNextReading(towards = /^add up to/, probes = 1): Promise<void> {
    const before = await this.readingCount()
    const add = this.page.getByRole('button', { name: towards })
    if (await add.isEnabled()) await this.untilDone(() => add.click())
    await this.untilTaken(
      probes,
      () => this.page.getByRole('button', { name: /^Take reading/ }).click(),
      async () => (await this.readingCount()) === before + 1,
    )
  }

  /** Lets time pass at the bench in hand until probes are steady. */
  async untilSteady(probes = 1): Promise<void> {
    const steady = this.page.locator('li[aria-current=step]').getByText('steady', { exact: true })
    let stretch = A_WHILE
    await expect(async () => {
      if (this.benchInHand !== null) await this.passTime(this.benchInHand, stretch)
      // What has not come to rest yet comes slowly.
      stretch = Math.min(2 * stretch, MOST_AT_ONCE)
      await expect(steady).toHaveCount(probes, { timeout: 1000 })
    }).toPass({ timeout: 30_000, intervals: [0] })
  }

  /** What was still said to be steady may have moved when the press arrives; then a person waits and presses again. */
  async untilTaken(probes: number, press: () => Promise<void>, isTaken: () => Promise<boolean>): Promise<void> {
    const refused = this.page.getByRole('alert').filter({ hasText: 'Not steady yet' })
    for (let i = 0; i < 5; i++) {
      await this.untilSteady(probes)
      await press()
      // A press that came between two states of the page was heard by nobody.
      const isHeard = expect.poll(async () => (await isTaken()) || (await refused.isVisible()), HEARD_WITHIN).toBe(true)
      await isHeard.catch(() => undefined)
      if (await isTaken()) return
    }
    expect(await isTaken()).toBe(true)
  }

  readingRows() {
    return this.page.getByRole('region', { name: 'Readings' }).locator('tbody tr')
  }

  async readingCount(): Promise<number> {
    return this.readingRows().count()
  }

  async finishRun(): Promise<void> {
    await this.page.getByRole('button', { name: /^Finish the run/ }).click()
    await expect(this.page.getByRole('link', { name: 'Go to Reason' })).toBeVisible()
  }

  async typeValues(values: Record<string, readonly [string, string]>): Promise<void> {
    await this.page.getByRole('button', { name: 'Typed values …' }).click()
    for (const [label, [value, uncertainty]] of Object.entries(values)) {
      const error = this.page.getByLabel(`± of ${label.split(', ').at(-1) ?? ''}`, { exact: true })
      await this.page.getByLabel(label, { exact: true }).fill(value)
      await error.fill(uncertainty)
      await error.press('Enter')
    }
    await this.page.getByRole('button', { name: 'Done' }).click()
  }

  /** Value and uncertainty of a line of working in full. */
  async resultOf(title: string): Promise<{ value: number; uncertainty: number }> {
    const line = this.page.getByTestId('working-lines').getByRole('listitem').filter({ hasText: title })
    const button = line.getByRole('button', { expanded: false }).first()
    await button.click()
    const digits = (await line.getByTestId(/^digits-/).textContent()) ?? ''
    const [value, uncertainty] = digits.replaceAll('−', '-').split('±').map(parseFloat)
    await line.getByRole('button', { expanded: true }).click()
    return { value: value ?? Number.NaN, uncertainty: uncertainty ?? Number.NaN }
  }

  /** At the bench of this probe, where time is let pass from now on. */
  private stays(serial: string): void {
    const bench = serial.split('-')[0] as BenchName
    this.benchInHand = bench in this.made.benches ? bench : null
  }
}

function numberOf(name: string, ids: Record<string, number>): number {
  const id = ids[name]
  if (id === undefined) throw new Error(`Nothing called "${name}" was made; there are ${Object.keys(ids).join(', ')}.`)
  return id
}
