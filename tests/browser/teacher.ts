import { expect, type Page } from '@playwright/test'

export const EMAIL = 'teacher@larkfield.example'
export const PASSWORD = 'sour-whey-2026'
const PLACES = { '7.00': 'pH 7.00', '4.01': 'pH 4.01', '10.01': 'pH 10.01' } as const

let session: Awaited<ReturnType<ReturnType<Page['context']>['cookies']>> | null = null

export type StandardName = keyof typeof PLACES

/** What a teacher does, in a teacher's words. */
export class Teacher {
  constructor(readonly page: Page) {}

  /** Signs in as a person does. */
  async signInByHand(): Promise<void> {
    await this.page.goto('/sign-in')
    await this.page.getByLabel('E-mail address').fill(EMAIL)
    await this.page.getByLabel('Password').fill(PASSWORD)
    await this.page.getByRole('button', { name: 'Sign in' }).click()
    await expect(this.page.getByRole('heading', { name: 'Experiments' })).toBeVisible()
    session = await this.page.context().cookies()
  }

  /** Comes back with the session of the first sign-in: only ten sign-ins a minute are allowed. */
  async signIn(): Promise<void> {
    if (session === null) {
      await this.signInByHand()
      return
    }
    await this.page.context().addCookies(session)
    await this.page.goto('/experiments')
    const [inside, outside] = ['Experiments', 'Sign in'].map((name) => this.page.getByRole('heading', { name }))
    if (inside === undefined || outside === undefined) return
    await expect(inside.or(outside)).toBeVisible()
    // A test that ends sessions may have ended this one.
    if (await outside.isVisible()) await this.signInByHand()
  }

  async beginExperiment(title: string, protocol = 'Titration', bench = 'Alder'): Promise<void> {
    await this.beginOwnExperiment(title, protocol, `${bench} (simulated)`)
  }

  /** ... at a bench of one's own. */
  async beginOwnExperiment(title: string, protocol: string, bench: string): Promise<void> {
    await this.page.goto('/experiments')
    await this.page.getByRole('link', { name: 'New experiment' }).click()
    await this.page.getByRole('button', { name: protocol, exact: true }).click()
    await this.page.getByLabel('Bench', { exact: true }).selectOption({ label: bench })
    await this.page.getByLabel('Title, best a question').fill(title)
    await this.page.getByRole('button', { name: 'Begin with Prepare' }).click()
    await expect(this.page.getByRole('heading', { name: 'Before the run' })).toBeVisible()
  }

  /** A blank notebook whose numbers are typed. */
  async beginTyped(title: string): Promise<void> {
    await this.page.goto('/experiments')
    await this.page.getByRole('link', { name: 'New experiment' }).click()
    await this.page.getByRole('button', { name: 'Blank notebook', exact: true }).click()
    await this.page.getByLabel('Bench', { exact: true }).selectOption('none: numbers are typed or pasted')
    await this.page.getByLabel('Title, best a question').fill(title)
    await this.page.getByRole('button', { name: 'Begin with the table' }).click()
    await expect(this.page.getByRole('heading', { name: 'Table' })).toBeVisible()
  }

  /** The first column of a blank notebook, which asks for it by itself. */
  async measureFirst(name: string, symbol: string, probe: string): Promise<void> {
    const form = this.page.getByRole('form', { name: 'New column' })
    await form.getByLabel('How its cells come about').selectOption('measured by a probe')
    await form.getByLabel('What it is').fill(name)
    await form.getByLabel('Symbol').fill(symbol)
    await form.getByRole('combobox', { name: /^Probe/ }).selectOption(probe)
    await form.getByRole('button', { name: 'Add the column' }).click()
    await expect(form).toBeHidden()
    await this.page.keyboard.press('Escape')
  }

  async openBenchControls(): Promise<void> {
    // Between two stages the tray of the last one may still be there for a moment.
    await expect(async () => {
      const open = this.page.getByRole('button', { name: 'open controls' })
      if (await open.isVisible()) await open.click({ timeout: 1000 })
      await expect(this.page.getByRole('group', { name: 'Clock' })).toBeVisible({ timeout: 1000 })
    }).toPass()
    await this.setClock(60)
  }

  async setClock(times: 1 | 10 | 60): Promise<void> {
    const button = this.page
      .getByRole('group', { name: 'Clock' })
      .getByRole('button', { name: `×${times}`, exact: true })
    await button.click()
    await expect(button).toHaveAttribute('aria-pressed', 'true')
  }

  async rinse(): Promise<void> {
    await this.placeElectrode('rinse water')
  }

  async dip(standard: StandardName): Promise<void> {
    await this.placeElectrode(PLACES[standard])
  }

  async dipIntoBeaker(): Promise<void> {
    await this.placeElectrode('the beaker')
  }

  private async placeElectrode(name: string): Promise<void> {
    const button = this.page.getByRole('group', { name: 'Electrode into' }).getByRole('button', { name, exact: true })
    await button.click()
    await expect(button).toHaveAttribute('aria-pressed', 'true')
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
    const before = await this.retakeCount()
    const step = this.page.locator('li[aria-current=step]')
    await expect(step).toContainText(shown)
    await this.untilTaken(
      async () => {
        await expect(step.getByText('steady', { exact: true })).toBeVisible()
        await step.getByRole('button', { name: /Accept reading/ }).click()
      },
      async () => (await this.retakeCount()) === before + 1,
    )
  }

  /** Begins the usual calibration of a probe, from the list of benches. */
  async beginCalibration(serial: string, clock: 1 | 10 | 60 = 60): Promise<void> {
    await this.page.goto('/benches')
    await this.probeRow(serial).getByRole('button', { name: 'Calibrate', exact: true }).click()
    await expect(this.page.getByRole('heading', { name: /^Calibrate / })).toBeVisible()
    await this.openBenchControls()
    await this.setClock(clock)
  }

  /** Begins another than the usual calibration, perhaps together with other probes. */
  async beginOtherWay(probe: string, serial: string, recipe: string, ...beside: string[]): Promise<void> {
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
    await this.page
      .getByRole('group', { name: group, exact: true })
      .getByRole('button', { name: button, exact: true })
      .click()
    await this.page.waitForTimeout(250)
  }

  /** Turns a switch of the simulated bench on or off, if it is not so already. */
  async turn(group: string, name: string, isOn: boolean): Promise<void> {
    const button = this.page.getByRole('group', { name: group, exact: true }).getByRole('button', { name, exact: true })
    if ((await button.getAttribute('aria-pressed')) !== String(isOn)) await button.click()
    await expect(button).toHaveAttribute('aria-pressed', String(isOn))
  }

  /** Waits until every probe in the standard that is next is steady, and accepts it. */
  async acceptSteady(probes = 1): Promise<void> {
    const before = await this.retakeCount()
    const step = this.page.locator('li[aria-current=step]')
    await this.untilTaken(
      async () => {
        await expect(step.getByText('steady', { exact: true })).toHaveCount(probes, { timeout: 60_000 })
        await this.page.keyboard.press('t')
      },
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

  async calibrate(): Promise<void> {
    await this.startCalibration()
    for (const standard of ['7.00', '4.01', '10.01'] as const) await this.acceptStandard(standard)
    await this.page.getByRole('button', { name: 'Keep this calibration' }).click()
    await expect(this.page.getByRole('heading', { name: 'Kept', exact: true })).toBeVisible()
  }

  async goTo(stage: 'Prepare' | 'Record' | 'Reason' | 'Report'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage }).click()
  }

  async startRun(): Promise<void> {
    await this.openBenchControls()
    await this.page.getByRole('button', { name: 'new sample' }).click()
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
    if (await add.isEnabled()) {
      await add.click()
      // What is set outright can be set again; what is counted or chosen is there then.
      if (/^\^move|^\^put/.test(towards.source)) await this.page.waitForTimeout(400)
      else await expect(add).toBeDisabled()
    }
    const steady = this.page.locator('li[aria-current=step]').getByText('steady', { exact: true })
    await this.untilTaken(
      async () => {
        await expect(steady).toHaveCount(probes, { timeout: 60_000 })
        await this.page.getByRole('button', { name: /^Take reading/ }).click()
      },
      async () => (await this.readingCount()) === before + 1,
    )
  }

  /** What was still said to be steady may have moved when the press arrives; then a person waits and presses again. */
  private async untilTaken(press: () => Promise<void>, isTaken: () => Promise<boolean>): Promise<void> {
    const refused = this.page.getByRole('alert').filter({ hasText: 'Not steady yet' })
    for (let i = 0; i < 5; i++) {
      await press()
      await expect.poll(async () => (await isTaken()) || (await refused.isVisible()), { timeout: 30_000 }).toBe(true)
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
}
