import { expectAccessible } from './axe'
import { expect, test } from './test'
import { Teacher } from './teacher'

test('a page that was open too long renews itself, and what is done on it counts once', async ({ page, context }) => {
  const teacher = await Teacher.with(page)
  await teacher.begin('What if the token is old?')
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
  const teacher = await Teacher.outside(page)
  await page.goto('/sign-in')
  await page.getByLabel('E-mail address').fill(teacher.made.email)
  await page.getByLabel('Password').fill(teacher.made.password)
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
  await other.getByLabel('E-mail address').fill(teacher.made.email)
  await other.getByLabel('Password').fill(teacher.made.password)
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByRole('heading', { name: 'Experiments' })).toBeVisible()
  const brief = (await elsewhere.cookies()).find(({ name }) => name.startsWith('welkion_'))
  expect(brief?.expires).toBe(-1)

  const third = await browser.newContext(baseURL === undefined ? {} : { baseURL })
  await teacher.at(await third.newPage())

  await page.getByRole('link', { name: 'Iris Fenwick' }).click()
  await expect(page.getByRole('heading', { name: 'Where you are signed in' })).toBeVisible()
  await expect(page.getByText('this browser')).toBeVisible()
  await expectAccessible(page)
  await page
    .getByRole('button', { name: /^Sign out: Phone or tablet at 127\.0\.0\.1/ })
    .first()
    .click()
  await expect(page.getByText('Phone or tablet at 127.0.0.1')).toHaveCount(0)
  await other.goto('/benches')
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible()

  await page.getByRole('button', { name: 'Sign out everywhere else' }).click()
  await expect(page.getByText('You are signed in nowhere else.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('this browser')).toBeVisible()
  await elsewhere.close()
  await third.close()
})
