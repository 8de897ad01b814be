import { pressByKey, tabTo } from './keys'
import { expectCell, figureOf, look } from './table'
import { expect, test } from './test'
import { Teacher } from './teacher'

/** How long the vat takes to fill at a rate: 12 L, exactly. */
const [RATES, TIMES] = [
  [1, 2, 3, 4, 6, 8],
  [12, 6, 4, 3, 2, 1.5],
]

test('an inverse relation is typed, straightened and taken, undone and done again, by keyboard alone', async ({
  page,
}) => {
  const teacher = await Teacher.outside(page, { benches: ['Alder'] })
  await page.goto('/sign-in')
  await tabTo(page, page.getByLabel('E-mail address'))
  await page.keyboard.type(teacher.made.email)
  await tabTo(page, page.getByLabel('Password'))
  await page.keyboard.type(teacher.made.password)
  await page.keyboard.press('Enter')
  await pressByKey(page, page.getByRole('link', { name: 'New experiment' }))
  await pressByKey(page, page.getByRole('button', { name: 'Blank notebook', exact: true }))
  await tabTo(page, page.getByLabel('Title, best a question'))
  await page.keyboard.type('How long does the vat take, without a mouse?')
  const bench = page.getByLabel('Bench', { exact: true })
  await tabTo(page, bench)
  // Its list opens, and what stands above the benches is chosen.
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await expect(bench).toHaveValue('typed')
  await pressByKey(page, page.getByRole('button', { name: 'Begin with the table' }))
  await expect(page.getByRole('heading', { name: 'Table' })).toBeVisible()

  for (const rate of RATES) {
    await page.keyboard.type(String(rate))
    await page.keyboard.press('Enter')
  }
  await page.keyboard.press('Control+Home')
  await page.keyboard.press('ArrowRight')
  for (const time of TIMES) {
    await page.keyboard.type(String(time))
    await page.keyboard.press('Enter')
  }
  await expectCell(page, 6, 2, '1.5')
  await page.keyboard.press('Escape')
  await pressByKey(page, page.getByRole('link', { name: 'Go to Reason' }))
  await expect(figureOf(page)).toBeVisible()

  await pressByKey(page, page.getByRole('button', { name: 'straighten …' }))
  const best = page.getByRole('group', { name: 'Ways to plot them' }).getByRole('button').first()
  await expect(best).toContainText('y against 1/x')
  await pressByKey(page, best)
  await look(page, 'keyboard-straighten')
  await pressByKey(page, page.getByRole('button', { name: 'Take y against 1/x into the working' }))
  const lines = page.getByTestId('working-lines')
  await expect(lines).toContainText(/Slope of y against 1\/x.*12\.?0*/s)
  // Its points are there some moments after it.
  await expect(
    figureOf(page).getByRole('img', { name: /^y against inv_x.* begins at 1\.5 and ends at 12/ }),
  ).toBeVisible()
  // A point of the new figure, picked and told.
  await tabTo(page, figureOf(page))
  await page.keyboard.press('ArrowRight')
  await expect(figureOf(page).getByRole('button', { name: 'set aside' })).toBeVisible()
  await look(page, 'keyboard-picked')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(lines).not.toContainText('Slope of y against 1/x')
  await page.keyboard.press('Control+Shift+z')
  await expect(lines).toContainText('Slope of y against 1/x')
})
