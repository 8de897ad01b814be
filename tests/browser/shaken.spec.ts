import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { Teacher } from './teacher'
import { expect, test } from './test'

// These stop or kill what all others stand on: they run when the others have ended, one after the other.

/** A signal to the process of the simulated benches. */
function signalBenches(signal: 'KILL' | 'STOP' | 'CONT'): void {
  const settings = readFileSync(`${process.env.WELKION_VAR ?? ''}/settings.env`, 'utf8')
  const port = /WELKION_BENCH_PORT=(\d+)/.exec(settings)?.[1] ?? ''
  spawnSync('pkill', [`-${signal}`, '-f', `bench.php --port=${port}`])
}

test('a bench that falls silent without a goodbye shows no old value, says so, and is heard again', async ({
  page,
}) => {
  const teacher = await Teacher.with(page)
  await page.goto('/benches')
  await expect(teacher.probeRow('Alder-2')).toContainText(/\d\s*°C/)
  signalBenches('STOP')
  try {
    await expect(page.getByText('Nothing has come from the device of this bench for').first()).toBeVisible({
      timeout: 15_000,
    })
    await expect(teacher.probeRow('Alder-2')).not.toContainText(/\d\s*°C/)
    if (process.env.LOOK !== undefined) await page.screenshot({ path: `${process.env.LOOK}/silent.png` })
  } finally {
    signalBenches('CONT')
  }
  await expect(page.getByText('Nothing has come from the device of this bench for')).toHaveCount(0, { timeout: 30_000 })
  await expect(teacher.probeRow('Alder-2')).toContainText(/\d\s*°C/)
})

test('a bench that disappears is told at once, and it comes back by itself', async ({ page }) => {
  const pullThePlug = () => {
    signalBenches('KILL')
  }
  const teacher = await Teacher.with(page)
  await page.goto('/benches')
  await expect(teacher.probeRow('Alder-2')).toContainText(/\d\s*°C/)
  pullThePlug()
  // It is started again at once; a second stroke keeps it away for a moment.
  await page.waitForTimeout(400)
  pullThePlug()
  await expect(page.getByRole('alert').filter({ hasText: 'Bench Alder is not connected.' })).toBeVisible()
  await expect(page.getByRole('alert').filter({ hasText: 'Bench Alder is not connected.' })).toBeHidden({
    timeout: 20_000,
  })
  await expect(teacher.probeRow('Alder-2')).toContainText(/\d\s*°C/)
})

function mariadb(): number {
  return Number(readFileSync(`${process.env.WELKION_VAR ?? 'var/demo'}/run/mariadb.pid`, 'utf8'))
}

test('a database that hangs in the middle of a run is told, values go on, and the reading is kept in the end', async ({
  page,
}) => {
  const teacher = await Teacher.with(page)
  await teacher.begin('What if the database hangs?')
  await teacher.goTo('Record')
  await teacher.startRun()
  await teacher.takeNextReading()
  const pid = mariadb()
  process.kill(pid, 'SIGSTOP')
  try {
    const note = page.getByRole('status').filter({ hasText: 'The database does not answer just now.' })
    await expect(note).toContainText('nothing is lost')
    const shelf = page.getByRole('region', { name: 'Probes of bench Alder' })
    const before = (await shelf.textContent()) ?? ''
    await expect(shelf).not.toHaveText(before)
    await page.getByRole('button', { name: /^Take reading/ }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'Not kept yet, trying again …' })).toBeVisible()
  } finally {
    process.kill(pid, 'SIGCONT')
  }
  await expect(teacher.readingRows()).toHaveCount(2, { timeout: 30_000 })
  await expect(page.getByText('The database does not answer')).toHaveCount(0, { timeout: 30_000 })
  await page.reload()
  await expect(teacher.readingRows()).toHaveCount(2)
  await teacher.finishRun()
})
