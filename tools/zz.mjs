import { signedInPage } from './browser.mjs'
const { browser, page, signIn } = await signedInPage({ width: 390, height: 844 })
await signIn()
for (const [u,n] of [['/benches','p-benches'],['/probes/3','p-probe'],['/standards','p-standards']]) {
  await page.goto(u); await page.waitForTimeout(1500)
  console.log(u, await page.evaluate(() => document.documentElement.scrollWidth), await page.evaluate(() => [...document.querySelectorAll('*')].filter(e => e.getBoundingClientRect().right > 391).slice(0,6).map(e => e.tagName + '.' + e.className.toString().slice(0,60))))
  await page.screenshot({ path: `/tmp/shots/${n}.png` })
}
await browser.close()
