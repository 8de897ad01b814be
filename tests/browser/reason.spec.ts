import type { Page } from '@playwright/test'
import { expect, test } from './test'
import { WHEY } from './larkfield'
import { Teacher } from './teacher'

async function openMondaysWorking(page: Page): Promise<Teacher> {
  const teacher = await Teacher.with(page, { has: 'whey' })
  await teacher.open(WHEY, 'reason')
  await expect(page.getByRole('heading', { name: 'Working' })).toBeVisible()
  return teacher
}

test.describe('reasoning', () => {
  test('a point is set aside with a reason and taken back, and the working follows', async ({ page }) => {
    const teacher = await openMondaysWorking(page)
    const before = await teacher.resultOf('Equivalence volume')
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    await page.getByRole('button', { name: 'Set aside the reading at 10.50 mL' }).click()
    // Refused, the dialog is there again.
    const why = page.getByLabel('Why?')
    await why.fill('?')
    await page.getByRole('button', { name: 'Set aside', exact: true }).click()
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText('Say why in a few words')
    await expect(why).toHaveValue('?')
    await why.fill('a drop hung at the tip')
    await page.getByRole('button', { name: 'Set aside', exact: true }).click()

    await expect(page.getByText('2 set aside (hollow, 10.50 mL: a drop hung at the tip; 13.00 mL')).toBeVisible()
    const without = await teacher.resultOf('Equivalence volume')
    expect(without.value).not.toBe(before.value)
    expect(without.uncertainty).toBeGreaterThan(before.uncertainty)

    await page.getByRole('button', { name: 'Take back the reading at 10.50 mL' }).click()
    await expect(page.getByText(/, 1 set aside/)).toBeVisible()
    expect(await teacher.resultOf('Equivalence volume')).toEqual(before)
  })

  test('what setting aside makes stands there at the press, however slow the line is', async ({ page }) => {
    const teacher = await openMondaysWorking(page)
    const before = await teacher.resultOf('Equivalence volume')
    await page.getByRole('button', { name: 'Rows', exact: true }).click()
    const release: (() => Promise<void>)[] = []
    await page.route('**/set-aside', async (route) => {
      if (route.request().headers().foresee === 'yes') await route.continue()
      else release.push(() => route.continue({ postData: { readings: [], reason: null } }))
    })
    const asked = page.waitForResponse('**/set-aside')
    await page.getByRole('button', { name: 'Set aside the reading at 10.50 mL' }).click()
    await page.getByLabel('Why?').fill('a drop hung at the tip')
    await asked
    await page.getByRole('button', { name: 'Set aside', exact: true }).click()
    await expect(page.getByText('2 set aside (hollow, 10.50 mL: a drop hung at the tip; 13.00 mL')).toBeVisible()
    const without = await teacher.resultOf('Equivalence volume')
    expect(without.value).not.toBe(before.value)

    // Refused, because it comes garbled, it is not made: nothing may look as if it were, and what was typed is there again.
    expect(release).toHaveLength(1)
    await release[0]?.()
    await expect(page.getByRole('dialog').getByRole('alert')).toBeVisible()
    await expect(page.getByText(/, 1 set aside/)).toBeVisible()
    await expect(page.getByLabel('Why?')).toHaveValue('a drop hung at the tip')
    await page.unroute('**/set-aside')
    await page.getByRole('button', { name: 'Set aside', exact: true }).click()
    await expect(page.getByText('2 set aside (hollow, 10.50 mL: a drop hung at the tip; 13.00 mL')).toBeVisible()
    await page.keyboard.press('ControlOrMeta+z')
    await expect(page.getByText(/, 1 set aside/)).toBeVisible()
    expect(await teacher.resultOf('Equivalence volume')).toEqual(before)
  })

  test('a span is dragged over the figure and used for the equivalence', async ({ page }) => {
    const teacher = await openMondaysWorking(page)
    const box = await page.getByRole('img', { name: /^pH and dpH/ }).boundingBox()
    if (box === null) throw new Error('There is no figure.')
    await page.mouse.move(box.x + box.width * 0.15, box.y + box.height * 0.3)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.3, { steps: 6 })
    await page.mouse.up()

    await expect(page.getByText(/mL · \d+ readings/)).toBeVisible()
    await page.getByRole('button', { name: '① here' }).click()
    await expect(
      page.getByText('No jump lies inside the span. Move it over the steep part, or clear it.'),
    ).toBeVisible()
    await page.getByRole('button', { name: /more of Equivalence volume$/ }).click()
    await page.getByRole('button', { name: 'look everywhere' }).click()
    await page.getByRole('button', { name: /more of Equivalence volume$/ }).click()
    expect((await teacher.resultOf('Equivalence volume')).value).toBeCloseTo(10.45, 1)
  })

  test('everything can be done with the keyboard', async ({ page }) => {
    await openMondaysWorking(page)
    const figure = page.getByRole('group', { name: /^Figure: arrow keys/ })
    await figure.focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowRight')
    await expect(page.getByText(/^0.50 mL · pH/)).toBeVisible()
    await page.keyboard.press('Shift+ArrowRight')
    await page.keyboard.press('Shift+ArrowRight')
    await expect(page.getByText('0.50 to 1.50 mL · 3 readings')).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(page.getByText('0.50 to 1.50 mL · 3 readings')).toBeHidden()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden()
  })

  test('the second derivative takes the place of the first, is still there after a reload, and undo takes it back', async ({
    page,
  }) => {
    await openMondaysWorking(page)
    await page.getByLabel('y2:').selectOption('ddpH')
    await expect(page.getByRole('img', { name: /^pH and ddpH/ })).toBeVisible()
    await page.reload()
    await expect(page.getByRole('img', { name: /^pH and ddpH/ })).toBeVisible()
    await page.keyboard.press('Control+z')
    await expect(page.getByRole('img', { name: /^pH and dpH/ })).toBeVisible()
  })

  test('a typed value that is nonsense is told and changes nothing', async ({ page }) => {
    const teacher = await openMondaysWorking(page)
    const before = await teacher.resultOf('Concentration in the whey')
    await page.getByRole('button', { name: 'Typed values …' }).click()
    const field = page.getByLabel('Volume of the sample, V0', { exact: true })
    await field.fill('much')
    await field.press('Enter')
    await expect(page.getByText(/^"much" is no number/)).toBeVisible()
    await page.getByRole('button', { name: 'Done' }).click()
    expect(await teacher.resultOf('Concentration in the whey')).toEqual(before)
  })
})
