import { chromium } from '@playwright/test'

const ADDRESS = process.env.WELKION_ADDRESS ?? 'http://127.0.0.1:8420'

/** A page of a signed-in demo teacher, in the browser that Debian brings. */
export async function signedInPage(viewport = { width: 1280, height: 800 }) {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
  })
  const context = await browser.newContext({ viewport, baseURL: ADDRESS })
  const page = await context.newPage()
  page.setDefaultTimeout(20_000)
  return { browser, page, signIn: () => signIn(page) }
}

async function signIn(page) {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail address').fill('teacher@larkfield.example')
  await page.getByLabel('Password').fill('sour-whey-2026')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'Experiments' }).waitFor()
}

export function steady(page) {
  return page.locator('li[aria-current=step]').getByText('steady', { exact: true })
}
