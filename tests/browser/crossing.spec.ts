import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved } from './helpers'

const answer = (page: Page, id: string) => page.locator(`[data-answer=${id}]`)
const openCrossing = async (page: Page, job: string) => {
  const path = await copyOf(page, job)
  await open(page, `${path}/crossing?call=heat1&t=30`)
  await page.getByTestId('crossing').waitFor()
  return path
}
/** The width of a gate's own line, and where its knob stands on the screen. */
async function knobOf(page: Page, gate: string) {
  const handle = page.locator(`[data-gate=${gate}]`)
  const box = await handle.locator('rect').last().boundingBox()
  if (!box) throw new Error('no knob')
  return { handle, x: box.x + box.width / 2, y: box.y + box.height / 2 }
}

test('the answer comes first, and each sentence opens to its arithmetic', async ({ page }) => {
  await openCrossing(page, 'quillfeather-lane')
  await expect(answer(page, 'balance')).toHaveText('The heat pump alone carries the house down to 26 °F.')
  await expect(answer(page, 'design')).toHaveText(
    'At 8 °F it lacks 5.2 kW; the strips that may run there have 9.6.',
  )
  await answer(page, 'design').click()
  await expect(
    page.getByText('the house wants 34,000 BTU/h and the heat pump gives 16,260 BTU/h'),
  ).toBeVisible()
})

test('a gate that is dragged is the setting: live meanwhile, set when let go, undone as one', async ({
  page,
}) => {
  await openCrossing(page, 'tallow-mill')
  const { handle, x, y } = await knobOf(page, 'changeover')
  await expect(handle).toHaveAttribute('aria-valuenow', '35')
  const picture = await page.getByTestId('crossing-picture').locator('svg').last().boundingBox()
  // 90 degrees are drawn over the width less its margins of 46 and 14 px.
  const degree = ((picture?.width ?? 0) - 60) / 90
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 5 * degree, y, { steps: 4 })
  await expect(handle).toHaveAttribute('aria-valuenow', '40')
  await expect(page.locator('[data-preview]')).toContainText(/A year: .*kWh/)
  await expect(page.locator('[data-preview]')).toContainText(/Each degree (costs|saves)/)
  await page.mouse.up()
  await expect(page.locator('[data-preview]')).toHaveCount(0)
  // The lanes follow the solved circuit: the heat pump's begins at 40 °F.
  const lane = page.locator('[data-lane=heatPump] rect[data-on=true]')
  await expect(handle).toHaveAttribute('aria-valuenow', '40')
  // While it is solved the lanes still stand as at the last degree that was dragged over.
  const apart = async () => {
    const box = (await lane.count()) === 1 ? await lane.boundingBox() : null
    return Math.abs((box?.x ?? 0) - ((picture?.x ?? 0) + 46 + 60 * degree))
  }
  await expect.poll(apart).toBeLessThan(degree)
  await saved(page)
  // Setup has its intent, and its sheet the line.
  await page
    .getByRole('link', { name: /^Setup/ })
    .or(page.getByRole('button', { name: /^Setup/ }))
    .first()
    .click()
  await page
    .getByRole('tablist', { name: 'Parts of the setup' })
    .getByRole('tab', { name: 'Intents' })
    .click()
  await expect(page.getByLabel('Changeover to the furnace below').first()).toHaveValue('40')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Changeover to the furnace below').first()).toHaveValue('35')
})

test('a gate is moved by keys and by ±, and set with the button', async ({ page }) => {
  await openCrossing(page, 'quillfeather-lane')
  const handle = page.locator('[data-gate=outdoorSwitch]')
  await handle.focus()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('PageDown')
  await expect(handle).toHaveAttribute('aria-valuenow', '29')
  const row = page.locator('[data-gate-row=outdoorSwitch]')
  await row.getByRole('button', { name: 'One degree more' }).click()
  await expect(row.locator('[data-preview]')).toContainText('A year:')
  await row.getByRole('button', { name: 'Set 30 °F' }).click()
  await expect(row).toContainText('It decides who heats')
  await expect(handle).toHaveAttribute('aria-valuenow', '30')
  await saved(page)
})

test('a gate that nothing can realise says what it would take, one without a sensor asks for it first', async ({
  page,
}) => {
  await openCrossing(page, 'pennywort-close')
  await expect(page.locator('[data-gate-missing=outdoorSwitch]')).toContainText('Nothing in this job can')
  await expect(page.locator('[data-gate-row=auxLockout]')).toContainText(
    'First: an outdoor temperature to go by',
  )
  await expect(page.locator('[data-gate=auxLockout]')).toHaveAttribute('aria-disabled', 'true')
})

test('with nothing but the plate the unit’s curve is there, with nothing but bills the line', async ({
  page,
}) => {
  const path = await openCrossing(page, 'tansy-street')
  const form = page.getByTestId('house-form')
  for (const label of ['Design load, BTU/h', 'Outdoor design temperature, °F']) {
    await form.getByLabel(label, { exact: true }).fill('')
  }
  await expect(page.getByText(/^Not known yet: the house’s load/)).toBeVisible()
  await expect(answer(page, 'balance')).toHaveCount(0)
  await expect(page.locator('[data-curve=capacity]')).toHaveAttribute('d', /^M.*L/)
  // What cannot be kept says what could be, and changes nothing.
  await form.getByLabel('Loss a degree, BTU/h·°F').fill('many')
  await expect(form.getByRole('alert')).toHaveText('“many” is not kept: 10 to 10,000 BTU/h·°F')
  await form.getByLabel('Loss a degree, BTU/h·°F').fill('')
  await expect(form.getByRole('alert')).toHaveCount(0)
  await form.getByLabel('The bills are for').selectOption('gas')
  await form.getByLabel('Used in a year, kWh, therms or gallons').fill('720')
  await form.getByLabel('Efficiency of what burned it, or COP').fill('0.8')
  await form.getByLabel('Degree-days that year, °F·day').fill('5000')
  // 720 · 100,000 · 0.8 / 120,000 = 480
  await expect(page.locator('[data-way=bills]')).toContainText('480 BTU/h a degree below 65 °F')
  await expect(answer(page, 'balance')).toContainText('The heat pump alone carries the house down to')
  await saved(page)
  await page.goto(path + '/crossing')
  await expect(
    page.getByTestId('house-form').getByLabel('Degree-days that year, °F·day', { exact: true }),
  ).toHaveValue('5000')
})

test('schools stand side by side, and one is applied as one edit', async ({ page }) => {
  await openCrossing(page, 'tallow-mill')
  await expect(page.getByTestId('recommended-school')).toContainText('This house speaks for “Comfort switch”')
  const table = page.getByRole('region', { name: 'A year by each school' })
  await table.getByRole('button', { name: 'Cost' }).click()
  await expect(table.getByRole('columnheader', { name: 'Cost' })).toHaveAttribute(
    'aria-sort',
    /ascending|descending/,
  )
  const compare = page.getByTestId('compare')
  await compare.getByLabel('Compare').selectOption('comfortSwitch')
  await compare.getByLabel('with').selectOption('runAlways')
  await expect(compare.getByRole('status')).toContainText(
    /Against “Run it always”, “Comfort switch” is \$\d+ less/,
  )
  await table.locator('[data-row=comfortSwitch]').getByRole('button', { name: 'Look' }).click()
  const apply = page.getByTestId('apply-school')
  await expect(apply).toContainText('Changeover to the furnace below: 45')
  await apply.getByRole('button', { name: /^Set \d/ }).click()
  await expect(page.locator('[data-gate=changeover]')).toHaveAttribute('aria-valuenow', '45')
})

test('a weather file takes the climate’s place, and a wrong one names its line', async ({ page }) => {
  await openCrossing(page, 'quillfeather-lane')
  const form = page.getByTestId('weather-form')
  const input = form.getByLabel('Weather file')
  await input.setInputFiles({
    name: 'half.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('temp F\n10\n20\n'),
  })
  await expect(form.getByRole('alert')).toContainText('8760 rows')
  await input.setInputFiles({
    name: 'bins.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('temp F,hours\n70,8000\n32,760\n'),
  })
  await expect(form.getByRole('alert')).toHaveCount(0)
  await expect(form).toContainText('below 65')
  // 760 h · 33 °F / 24 = 1,045
  await expect(form).toContainText('1,045 °F·day')
})

test('the year is a chart, and the same numbers are a table beside it', async ({ page }) => {
  await openCrossing(page, 'quillfeather-lane')
  const year = page.getByRole('region', { name: 'The year', exact: true })
  await expect(year.locator('.apexcharts-bar-area').first()).toBeVisible()
  await year.getByRole('button', { name: 'The same as a table' }).first().click()
  const rows = year.getByRole('region', { name: 'By month' }).locator('tbody tr')
  await expect(rows).toHaveCount(12)
  await expect(rows.first()).toContainText('Jan')
})

test('what every state says of a gate is told while it rests, before it is let go', async ({ page }) => {
  await openCrossing(page, 'millrace-cottage')
  const row = page.locator('[data-gate-row=auxLockout]')
  // With the aux lockout switched on, a call for backup on a mild day stops the heat pump and brings nothing.
  await row.getByRole('button', { name: 'One degree more' }).click()
  await expect(row.locator('[data-proven]')).toContainText('A heating demand brings no heat at all')
  await row.getByRole('button', { name: 'Leave it' }).click()
  const other = page.locator('[data-gate-row=changeover]')
  await other.getByRole('button', { name: 'One degree more' }).click()
  await expect(other.locator('[data-proven]')).toContainText(/Over every state at \d+ °F: no rule broken/)
})

test('temperatures and hours are typed, survive a reload half done, and a wrong line is named', async ({
  page,
}) => {
  const path = await openCrossing(page, 'quillfeather-lane')
  const form = page.getByTestId('weather-form')
  const box = form.getByLabel('°F, and hours a year, a line each')
  await form.getByRole('button', { name: 'Type temperatures and hours' }).click()
  await box.fill('70 8000\nthirty 760')
  await page.goto(`${path}/crossing`)
  await form.getByRole('button', { name: 'Type temperatures and hours' }).click()
  await expect(box).toHaveValue('70 8000\nthirty 760')
  await form.getByRole('button', { name: 'Reckon with these' }).click()
  await expect(form.getByRole('alert')).toContainText('line 2')
  await box.fill('70 8000\n32; 760')
  await form.getByRole('button', { name: 'Reckon with these' }).click()
  // 760 h · 33 °F / 24 = 1,045
  await expect(form).toContainText('1,045 °F·day')
  await expect(box).toHaveValue('')
  await saved(page)
})
