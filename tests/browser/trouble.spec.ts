import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { EMAIL, PASSWORD, Teacher } from './teacher'

function mariadb(): number {
  return Number(readFileSync(`${process.env.WELKION_VAR ?? 'var/demo'}/run/mariadb.pid`, 'utf8'))
}

test('a database that hangs in the middle of a run is told, values go on, and the reading is kept in the end', async ({
  page,
}) => {
  const teacher = new Teacher(page)
  await teacher.signIn()
  await teacher.beginExperiment('What if the database hangs?')
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

test('a page that was open too long renews itself, and what is done on it counts once', async ({ page, context }) => {
  const teacher = new Teacher(page)
  await teacher.signIn()
  await teacher.beginExperiment('What if the token is old?')
  await teacher.goTo('Record')
  await teacher.startRun()
  const statuses: number[] = []
  page.on('response', (answer) => {
    if (answer.url().endsWith('/readings')) statuses.push(answer.status())
  })
  const [cookie] = (await context.cookies()).filter(({ name }) => name === 'XSRF-TOKEN')
  if (cookie === undefined) throw new Error('There is no token to make old.')
  await context.addCookies([{ ...cookie, value: 'old' }])
  await teacher.takeNextReading()
  expect(statuses).toEqual([419, 201])
  await expect(teacher.readingRows()).toHaveCount(1)
  await expect(page.getByText(/^Kept \d+ s ago$/)).toBeVisible()
  await teacher.finishRun()
})

test('staying signed in is chosen, and one sees and ends where one is signed in', async ({
  page,
  browser,
  baseURL,
}) => {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail address').fill(EMAIL)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('checkbox', { name: 'Stay signed in for a month' }).check()
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Experiments' })).toBeVisible()
  const session = (await page.context().cookies()).find(({ name }) => name.startsWith('welkion_'))
  expect(session?.expires).toBeGreaterThan(Date.now() / 1000 + 29 * 86_400)

  const elsewhere = await browser.newContext({
    ...(baseURL === undefined ? {} : { baseURL }),
    userAgent: 'Mozilla/5.0 (Linux; Android 14) Mobile',
  })
  const other = await elsewhere.newPage()
  await other.goto('/sign-in')
  await other.getByLabel('E-mail address').fill(EMAIL)
  await other.getByLabel('Password').fill(PASSWORD)
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByRole('heading', { name: 'Experiments' })).toBeVisible()
  const brief = (await elsewhere.cookies()).find(({ name }) => name.startsWith('welkion_'))
  expect(brief?.expires).toBe(-1)

  await page.getByRole('link', { name: 'Iris Fenwick' }).click()
  await expect(page.getByRole('heading', { name: 'Where you are signed in' })).toBeVisible()
  await expect(page.getByText('this browser')).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await page
    .getByRole('button', { name: /^Sign out: Phone or tablet at 127\.0\.0\.1/ })
    .first()
    .click()
  await expect(page.getByText('Phone or tablet at 127.0.0.1')).toHaveCount(0)
  await other.goto('/benches')
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible()

  // The last test of all: the sessions of the others are not needed any more.
  await page.getByRole('button', { name: 'Sign out everywhere else' }).click()
  await expect(page.getByText('You are signed in nowhere else.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('this browser')).toBeVisible()
  await elsewhere.close()
})
