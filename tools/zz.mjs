import { signedInPage } from './browser.mjs'
const { browser, page, signIn } = await signedInPage()
page.on('console', m => { if (m.type() === 'error') console.log('console:', m.text()) })
page.on('pageerror', e => console.log('pageerror:', e.message))
const shot = async (n) => { await page.waitForTimeout(900); await page.screenshot({ path: `/tmp/shots/${n}.png` }) }
const inGroup = (g, n) => page.getByRole('group', { name: g }).getByRole('button', { name: n, exact: true })
await signIn()
const row = (name, serial) => page.getByRole('listitem').filter({ hasText: serial })
const begin = async (serial) => { await page.goto('/benches'); await row('', serial).getByRole('button', { name: 'Calibrate', exact: true }).click(); await page.getByRole('heading', { name: /^Calibrate / }).waitFor(); const o = page.getByRole('button', { name: 'open controls' }); await page.waitForTimeout(1200); if (await o.isVisible()) await o.click() }
const accept = async () => { const before = await page.getByRole('button', { name: 'retake' }).count(); await page.locator('li[aria-current=step]').getByText('steady', { exact: true }).waitFor({ timeout: 60000 }); await page.getByRole('button', { name: /^Accept/ }).click(); await page.waitForTimeout(500) }
await begin('Birch-2'); await inGroup('Clock', '×10').click(); await shot('k-cell0'); await inGroup('Cell into', '1413 µS/cm').click(); await page.waitForTimeout(800); await accept(); await shot('k-cell')
await begin('Hazel-2'); await inGroup('Clock', '×10').click(); await inGroup('Thermometer into', 'melting ice').click(); await page.waitForTimeout(800); await accept(); await inGroup('Thermometer into', 'boiling water').click(); await page.getByLabel('Barometer, here and now').fill('100.4'); await page.keyboard.press('Enter'); await page.waitForTimeout(500); await shot('k-therm'); await accept(); await shot('k-therm2')
await begin('Rowan-1'); await shot('k-ecg0'); await accept(); await inGroup('Gauge', 'hold 1 mV').click(); await page.waitForTimeout(800); await accept(); await shot('k-ecg')
await browser.close()
