import { signedInPage } from './browser.mjs'
const { browser, page, signIn } = await signedInPage()
page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text()))
page.on('pageerror', (e) => console.log('pageerror:', e.message))
const shot = async (name) => { await page.waitForTimeout(1200); await page.screenshot({ path: `/tmp/shots/${name}.png` }) }
await page.goto('/sign-in'); await signIn()
await shot('experiments')
await page.goto('/begin'); await shot('begin')
await page.goto('/experiments/2/reason'); await page.waitForTimeout(1500); await shot('reason')
await page.getByRole('button', { name: 'Rows', exact: true }).click(); await shot('rows')
await page.goto('/experiments/2/report'); await shot('report')
await page.goto('/experiments/1/prepare'); await shot('prepare')
await page.goto('/experiments/3/record?run=2'); await shot('record')
await browser.close()
