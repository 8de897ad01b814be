import type { Page } from '@playwright/test'
import { look, reasonAbout } from './table'
import { expect, test } from './test'

/** Whey in the cellar: warm by day, cool by night. */
const CELLAR = `t (h);T (°C)\n${Array.from({ length: 101 }, (_, i) => `${i};${(11 + 3 * Math.sin(i / 8) + 0.1 * Math.sin(17 * i)).toFixed(2)}`).join('\n')}\n`

const figure = (page: Page) => page.getByRole('group', { name: /^Figure: arrow keys/ })

/** A night of 5000 minutes, of which a figure draws some. */
const NIGHT = `t (min);T (°C)\n${Array.from({ length: 5000 }, (_, i) => `${i};${(11 + 3 * Math.sin(i / 700)).toFixed(2)}`).join('\n')}\n`

/** Five nights beside each other, as many points as are drawn as a picture. */
const NIGHTS = `t (min);${[1, 2, 3, 4, 5].map((night) => `cellar trial ${night}`).join(';')}\n${Array.from({ length: 4000 }, (_, i) => [i, ...[1, 2, 3, 4, 5].map((night) => (10 + night + 3 * Math.sin(i / (600 + 20 * night))).toFixed(2))].join(';')).join('\n')}\n`

/** How much colour there is in the key of a figure and below it, with every move of the pointer. */
async function watchColours(page: Page): Promise<() => Promise<{ key: number; plot: number }[]>> {
  await page.evaluate(() => {
    const seen: { key: number; plot: number }[] = []
    Object.assign(globalThis, { seen })
    document.addEventListener('pointermove', () => {
      const canvas = document.querySelector<HTMLCanvasElement>('[role=group] canvas')
      if (canvas === null) return
      const colours = (from: number, to: number) => {
        const { data } = canvas.getContext('2d')?.getImageData(0, from, canvas.width, to - from) ?? { data: [] }
        let sum = 0
        for (let i = 0; i < data.length; i += 4) {
          const [r = 0, g = 0, b = 0, opacity = 0] = data.slice(i, i + 4)
          // Paper, grid and letters have next to none.
          const colour = Math.max(r, g, b) - Math.min(r, g, b)
          if (colour > 40) sum += (colour * opacity) / 255 / 100
        }
        return Math.round(sum)
      }
      seen.push({ key: colours(0, 30), plot: colours(40, canvas.height) })
    })
  })
  return () => page.evaluate(() => (globalThis as unknown as { seen: { key: number; plot: number }[] }).seen.splice(0))
}

/** The numbers along x that are drawn, left to right. */
const labels = async (page: Page): Promise<number[]> => {
  const texts = await figure(page)
    .locator('svg text')
    .evaluateAll((all) =>
      all
        .map((one) => ({ text: one.textContent, at: one.getBoundingClientRect() }))
        .filter(({ text }) => /^-?[\d.]+$/.test(text))
        .sort((a, b) => a.at.left - b.at.left)
        .map(({ text, at }) => ({ text, bottom: at.bottom })),
    )
  const lowest = Math.max(...texts.map(({ bottom }) => bottom))
  return texts.filter(({ bottom }) => lowest - bottom < 4).map(({ text }) => Number(text))
}

async function openTyped(page: Page, title: string, text: string, last: number) {
  const teacher = await reasonAbout(page, title, text)
  await expect.poll(async () => (await labels(page)).at(-1)).toBe(last)
  const box = await figure(page).boundingBox()
  if (box === null) throw new Error('There is no figure.')
  return {
    teacher,
    box,
    at: (right: number, down: number) => [box.x + right * box.width, box.y + down * box.height] as const,
  }
}

const openCellar = (page: Page) => openTyped(page, 'How does the cellar keep the whey cool?', CELLAR, 100)

test.describe('what is seen of a figure', () => {
  test('is of a long run every row, once it is looked at closely', async ({ page }) => {
    const { at } = await openTyped(page, 'How warm is the cellar by night?', NIGHT, 5000)
    const picked = async () => Number(/row (\d+)/.exec((await figure(page).innerText()).replaceAll('\n', ' '))?.[1])
    const next = async () => {
      const before = await picked()
      await page.keyboard.press('ArrowRight')
      await expect.poll(picked).toBeGreaterThan(before)
      return (await picked()) - before
    }
    await figure(page).focus()
    await page.keyboard.press('ArrowRight')
    await expect.poll(picked).toBe(1)
    const far = Math.max(await next(), await next(), await next())
    expect(far, 'Some of the rows are drawn.').toBeGreaterThan(1)
    await page.keyboard.press('Escape')
    const near = page.waitForResponse((answer) => answer.url().includes('/near?'))
    await page.mouse.move(...at(0.5, 0.5))
    for (let i = 0; i < 14; i++) await page.mouse.wheel(0, -100)
    await near
    await expect
      .poll(async () => Math.max(...(await labels(page))) - Math.min(...(await labels(page))))
      .toBeLessThan(300)
    await page.mouse.move(...at(0.45, 0.3))
    await page.mouse.down()
    await page.mouse.move(...at(0.55, 0.3), { steps: 5 })
    await page.mouse.up()
    const words = figure(page).getByText(/points of those drawn/)
    await expect(words).toBeVisible()
    const [, from, to, count] = (
      /(\d+(?:\.\d+)?) to (\d+(?:\.\d+)?) min · (\d+) points/.exec(await words.innerText()) ?? []
    ).map(Number)
    expect(count).toBe(Math.floor(to ?? 0) - Math.ceil(from ?? 0) + 1)
    await look(page, 'view-night')
  })

  test('is moved with all its lines and its key', async ({ page }) => {
    const { at } = await openTyped(page, 'Is one night in the cellar as the next?', NIGHTS, 4000)
    await page.getByRole('button', { name: /^runs: / }).click()
    await page.getByRole('button', { name: 'all of them' }).click()
    await page.keyboard.press('Escape')
    await expect(figure(page).locator('canvas')).toBeVisible()
    await expect(page.getByText(/^Figure 1\. .* 20,000 rows/)).toBeVisible()
    const colours = await watchColours(page)
    const places = [0.5, 0.52, 0.54, 0.51, 0.5]
    let still = { key: 0, plot: 0 }
    await expect
      .poll(async () => {
        const before = still
        for (const right of places) await page.mouse.move(...at(right, 0.7))
        still = (await colours())[0] ?? before
        return still.plot > 0 && still.plot === before.plot
      }, 'All of it is drawn.')
      .toBe(true)
    expect(still.key, 'a stroke of each run').toBeGreaterThan(100)
    expect(still.plot).toBeGreaterThan(3000)
    await page.keyboard.down('Shift')
    await page.mouse.down()
    for (const right of places) await page.mouse.move(...at(right, 0.7))
    const moved = await colours()
    await page.mouse.up()
    await page.keyboard.up('Shift')
    expect(moved).toHaveLength(places.length)
    for (const { key, plot } of moved) {
      expect(key).toBe(still.key)
      expect(plot / still.plot).toBeGreaterThan(0.8)
      expect(plot / still.plot).toBeLessThan(1.25)
    }
    await expect
      .poll(async () => {
        await page.mouse.move(...at(0.5, 0.71))
        return (await colours()).at(-1)
      }, 'It is as it was.')
      .toEqual(still)
  })

  test('comes nearer by wheel, is pulled by hand, and F leads back', async ({ page }) => {
    const { at } = await openCellar(page)
    await page.mouse.move(...at(0.5, 0.5))
    for (let i = 0; i < 4; i++) await page.mouse.wheel(0, -100)
    await expect.poll(async () => Math.min(...(await labels(page)))).toBeGreaterThan(20)
    await look(page, 'view-near')
    const near = await labels(page)
    expect(Math.max(...near)).toBeLessThan(80)
    expect(near.length).toBeGreaterThan(3)
    // Pulled by its numbers, along x alone.
    await page.mouse.move(...at(0.5, 0.96))
    await page.mouse.down()
    await page.mouse.move(...at(0.3, 0.96), { steps: 5 })
    await page.mouse.up()
    await expect.poll(async () => Math.max(...(await labels(page)))).toBeGreaterThan(Math.max(...near))
    const pulled = await labels(page)
    await page.keyboard.down('Shift')
    await page.mouse.move(...at(0.4, 0.5))
    await page.mouse.down()
    await page.mouse.move(...at(0.7, 0.4), { steps: 5 })
    await page.mouse.up()
    await page.keyboard.up('Shift')
    await expect.poll(async () => Math.min(...(await labels(page)))).toBeLessThan(Math.min(...pulled))
    await expect(page.getByLabel('Numbers of the span'), 'No span was meant.').toBeHidden()
    // A span of what is seen now.
    await page.mouse.move(...at(0.4, 0.3))
    await page.mouse.down()
    await page.mouse.move(...at(0.6, 0.3), { steps: 5 })
    await page.mouse.up()
    await expect(page.getByLabel('Numbers of the span')).toBeVisible()
    await look(page, 'view-span')
    await page.keyboard.press('f')
    await expect.poll(() => labels(page)).toEqual([0, 20, 40, 60, 80, 100])
  })

  test('comes nearer and moves by keyboard alone', async ({ page }) => {
    await openCellar(page)
    await figure(page).focus()
    await page.keyboard.press('+')
    await page.keyboard.press('+')
    await page.keyboard.press('+')
    await expect.poll(async () => Math.min(...(await labels(page)))).toBeGreaterThan(20)
    const near = await labels(page)
    await page.keyboard.press('PageDown')
    await expect.poll(async () => Math.max(...(await labels(page)))).toBeGreaterThan(Math.max(...near))
    await page.keyboard.press('PageUp')
    await expect.poll(() => labels(page)).toEqual(near)
    for (let i = 0; i < 3; i++) await page.keyboard.press('-')
    await expect.poll(() => labels(page)).toEqual([0, 20, 40, 60, 80, 100])
    // Of other axes all is seen at first.
    await page.keyboard.press('+')
    await page.keyboard.press('+')
    await expect.poll(async () => Math.min(...(await labels(page)))).toBeGreaterThan(0)
    await page.getByLabel('x:').selectOption('T')
    await expect(figure(page).getByRole('img', { name: / against T/ })).toBeVisible()
    await page.getByLabel('x:').selectOption('t')
    await expect.poll(() => labels(page)).toEqual([0, 20, 40, 60, 80, 100])
  })

  test('is stretched by two fingers on a phone', async ({ page }) => {
    await openCellar(page)
    await page.setViewportSize({ width: 390, height: 780 })
    await figure(page).scrollIntoViewIfNeeded()
    await expect.poll(async () => Math.max(...(await labels(page)))).toBe(100)
    const box = await figure(page).boundingBox()
    if (box === null) throw new Error('There is no figure.')
    const hands = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
      hands.send('Input.dispatchTouchEvent', {
        type,
        touchPoints:
          type === 'touchEnd'
            ? []
            : [-1, 1].map((way, id) => ({
                id,
                x: box.x + box.width * (0.55 + way * apart),
                y: box.y + box.height / 2,
              })),
      })
    await touch('touchStart', 0.08)
    for (const apart of [0.1, 0.13, 0.17]) await touch('touchMove', apart)
    await touch('touchEnd', 0.2)
    await expect.poll(async () => Math.max(...(await labels(page)))).toBeLessThan(100)
    await look(page, 'view-phone')
  })
})
