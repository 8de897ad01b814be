import { createServer, type Server } from 'node:net'
import { expect, test } from './test'
import { Teacher } from './teacher'

const CHANNEL = {
  name: 'cellar',
  kind: 'thermometer',
  title: 'Cellar temperature',
  serial: 'Cedar-1',
  unit: '°C',
  resolution: 0.1,
  range: [-20, 60],
  fastestHz: 20,
  stated: { slope: 1, offset: 0 },
}

/** A device as docs/connect.md tells it: says who it is, and one temperature five times a second. */
function device(): Promise<{ server: Server; port: number }> {
  let seq = Date.now() * 1000
  const server = createServer((link) => {
    const timer = setInterval(() => {
      link.write(
        `${JSON.stringify([{ bn: 'Cedar-1:', bt: Date.now() / 1000, bu: '°C', n: 'cellar', t: 0, v: 11.4, seq: seq++ }])}\n`,
      )
    }, 200)
    link.on('data', (heard) => {
      if (heard.includes('"hello"'))
        link.write(
          `${JSON.stringify({ told: 'hello', link: 1, bench: 'Cedar', simulated: false, clock: Date.now() / 1000, channels: [CHANNEL] })}\n`,
        )
    })
    link.on('close', () => {
      clearInterval(timer)
    })
    link.on('error', () => {
      clearInterval(timer)
    })
  })
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const address = server.address()
      resolve({ server, port: typeof address === 'object' && address !== null ? address.port : 0 })
    })
  })
}

test('a bench of one’s own is tried, added, named, put away and brought back', async ({ page }) => {
  const { server, port } = await device()
  await Teacher.with(page, {})
  await page.goto('/benches')
  await page.getByRole('button', { name: 'Add a bench' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a bench' })
  await dialog.getByLabel('Address').fill('127.0.0.1')
  await dialog.getByLabel('Port').fill('1')
  await dialog.getByRole('button', { name: 'Try it' }).click()
  await expect(dialog.getByText('The port is a whole number from 1024 to 65535.')).toBeVisible()
  await dialog.getByLabel('Port').fill('65000')
  await dialog.getByRole('button', { name: 'Try it' }).click()
  await expect(dialog.getByText('nothing listens on port 65000')).toBeVisible()
  await dialog.getByLabel('Port').fill(String(port))
  await dialog.getByRole('button', { name: 'Try it' }).click()
  await expect(dialog.getByText('Cedar answers')).toBeVisible()
  await expect(dialog.getByText('Cellar temperature Cedar-1')).toBeVisible()
  await expect(dialog.getByLabel('Name')).toHaveValue('Cedar')
  if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/add-bench.png` })
  await dialog.getByRole('button', { name: 'Add the bench' }).click()
  await expect(page.getByRole('heading', { name: 'Cedar' })).toBeVisible()
  const bench = page.getByRole('region', { name: 'Cedar' })
  await expect(bench.getByText('11.4')).toBeVisible({ timeout: 20_000 })

  await page.getByRole('button', { name: 'Name of bench Cedar, or put it away' }).click()
  await page.getByRole('dialog', { name: 'Bench Cedar' }).getByLabel('Name').fill('Cellar')
  await page.getByRole('button', { name: 'Use this name' }).click()
  await expect(page.getByRole('heading', { name: 'Cellar', exact: true })).toBeVisible()
  if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/benches.png` })
  await page.getByRole('button', { name: 'Name of bench Cellar, or put it away' }).click()
  await page.getByRole('button', { name: 'Put this bench away' }).click()
  await expect(page.getByRole('heading', { name: 'Cellar', exact: true })).toBeHidden()
  await page.getByRole('button', { name: 'bring Cellar back' }).click()
  await expect(page.getByRole('heading', { name: 'Cellar', exact: true })).toBeVisible()
  server.close()
})
