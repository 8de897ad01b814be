import { createServer, type Server } from 'node:net'
import { expect, test } from './test'
import { Teacher } from './teacher'

/** Each try is of a bench of its own. */
const NAME = `Willow ${Math.random().toString(36).slice(2, 6)}`

const CHANNEL = {
  name: 'a0',
  kind: 'light-sensor',
  title: 'Pin 26',
  serial: `${NAME}-1`,
  unit: 'V',
  resolution: 0.001,
  range: [0, 3.3],
  fastestHz: 20,
  stated: null,
}

/** A device with a sensor nobody knows: 0.5 V in the dark, 2 mV more for each lux. */
class LightSensor {
  lux = 0
  private readonly server: Server

  constructor() {
    let seq = Date.now() * 1000
    this.server = createServer((link) => {
      const timer = setInterval(() => {
        const v = 0.5 + 0.002 * this.lux
        link.write(
          `${JSON.stringify([{ bn: `${NAME}-1:`, bt: Date.now() / 1000, bu: 'V', n: 'a0', t: 0, v, seq: seq++ }])}\n`,
        )
      }, 100)
      link.on('data', (heard) => {
        if (heard.includes('"hello"'))
          link.write(
            `${JSON.stringify({ told: 'hello', link: 1, bench: NAME, simulated: false, clock: Date.now() / 1000, channels: [CHANNEL] })}\n`,
          )
      })
      const stop = () => {
        clearInterval(timer)
      }
      link.on('close', stop)
      link.on('error', stop)
    })
  }

  listen(): Promise<number> {
    return new Promise((resolve) => {
      this.server.listen(0, '127.0.0.1', () => {
        const address = this.server.address()
        resolve(typeof address === 'object' && address !== null ? address.port : 0)
      })
    })
  }

  close(): void {
    this.server.close()
  }
}

test('a probe of no known kind is given a name and a unit, calibrated at two values, and recorded', async ({
  page,
}) => {
  const sensor = new LightSensor()
  const port = await sensor.listen()
  const teacher = await Teacher.with(page, {})
  await page.goto('/benches')
  await page.getByRole('button', { name: 'Add a bench' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a bench' })
  await dialog.getByLabel('Address').fill('127.0.0.1')
  await dialog.getByLabel('Port').fill(String(port))
  await dialog.getByRole('button', { name: 'Try it' }).click()
  await dialog.getByRole('button', { name: 'Add the bench' }).click()
  const row = teacher.probeRow(`${NAME}-1`)
  await expect(row).toContainText(/0\.500\s*V/, { timeout: 20_000 })

  await row.getByRole('link').first().click()
  await expect(page.getByText('any quantity')).toBeVisible()
  await page.getByRole('button', { name: 'what does it measure?' }).click()
  const form = page.getByRole('form', { name: 'What does it measure?' })
  await form.getByLabel('What it measures').fill('Light')
  await form.getByLabel('Unit').fill('lx')
  if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/any-name.png` })
  await form.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('heading', { name: `Light ${NAME}-1` })).toBeVisible()
  await expect(page.getByText('Light: not calibrated.')).toBeVisible()

  await page.getByRole('button', { name: /^Calibrate/ }).click()
  await expect(page.getByRole('heading', { name: /^Calibrate Light/ })).toBeVisible()
  await teacher.acceptSteady()
  await page.getByLabel('Value of low in lx').fill('0')
  await page.getByLabel('Value of low in lx').press('Enter')
  sensor.lux = 1000
  await expect(page.locator('li[aria-current=step]').getByText('settling', { exact: true })).toBeVisible()
  await teacher.acceptSteady()
  await page.getByLabel('Value of high in lx').fill('1000')
  await page.getByLabel('Value of high in lx').press('Enter')
  if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/any-calibrated.png` })
  await teacher.keep()
  sensor.lux = 250
  await page.goto('/benches')
  await expect(teacher.probeRow(`${NAME}-1`)).toContainText(/250(\.\d)?\s*lx/)
  await expect(teacher.probeRow(`${NAME}-1`)).toContainText('today')

  await teacher.beginByHand('How bright is it by the window?', 'Blank notebook', NAME)
  const first = page.getByRole('form', { name: 'New column' })
  await first.getByLabel('How its cells come about').selectOption('measured by a probe')
  await first.getByLabel('What it is').fill('Light')
  await first.getByLabel('Symbol').fill('L')
  await first.getByRole('combobox', { name: /^Probe/ }).selectOption('any-quantity Light')
  await first.getByRole('button', { name: 'Add the column' }).click()
  await expect(first).toBeHidden()
  await page.keyboard.press('Escape')
  await teacher.goTo('Record')
  await page.getByRole('button', { name: 'timed instead' }).click()
  await expect(page.getByRole('button', { name: 'step by step instead' })).toBeVisible()
  await page.keyboard.press('s')
  await expect(page.getByTestId('elapsed')).toBeVisible()
  await page.keyboard.press('s')
  await page.getByRole('link', { name: 'Go to Reason' }).click()
  await page.getByRole('button', { name: 'Rows', exact: true }).click()
  const rows = page.getByRole('region', { name: 'Rows' })
  await expect(rows.getByRole('columnheader', { name: 'L / lx' })).toBeVisible()
  await expect(rows.locator('tbody tr').first()).toContainText('250')
  if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/any-reason.png` })
  sensor.close()
})
