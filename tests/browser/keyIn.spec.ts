import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved, terminal, verdict } from './helpers'

const part = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Parts of the setup' }).getByRole('tab', { name }).click()
const device = (page: Page, name: RegExp) =>
  page.getByRole('group', { name: 'Device' }).getByRole('button', { name }).first().click()
const line = (page: Page, id: string) => page.locator(`[data-line="${id}"]`)

test('a model that the sheet was not written for is warned of, and recorded all the same', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/setup`)
  const model = page.getByLabel('Model on the plate')
  await model.fill('H1-C')
  await expect(page.getByRole('alert').filter({ hasText: 'This sheet was written for' })).toContainText(
    'codes and defaults of “H1-C” may differ',
  )
  await expect(page.getByTestId('conflicts')).toContainText('not one that this key-in sheet was written for')
  await model.fill('h1-a')
  await expect(page.getByTestId('conflicts')).toHaveCount(0)
  await saved(page)
})

test('a request code is keyed, read back and stands in the report with who did it', async ({ page }) => {
  const path = await copyOf(page, 'ferrous-hill')
  await open(page, `${path}/setup`)
  await device(page, /kit/i)
  const row = line(page, '/41')
  await expect(row).toContainText('4, 1, TO')
  await expect(row).toContainText('see “41 SENT”')
  await row.getByRole('checkbox').click()
  await row.getByRole('button', { name: /^It reads back/ }).click()
  await expect(row.getByRole('button', { name: /Read back/ })).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('link', { name: /^Handover/ }).click()
  const left = page
    .getByRole('table', { name: 'Settings as left' })
    .getByRole('row')
    .filter({ hasText: 'Changeover to the furnace below' })
  await expect(left.getByRole('cell')).toHaveCount(5)
  // Nothing was found before; it was left, read back, and by somebody.
  for (const n of [2, 3, 4]) await expect(left.getByRole('cell').nth(n)).not.toBeEmpty()
})

test('one intent over two functions is left as wanted only when both halves are ticked', async ({ page }) => {
  const path = await copyOf(page, 'gorse-end')
  await open(page, `${path}/setup`)
  await device(page, /Thermostat/)
  await expect(line(page, 'unitOff')).toContainText('ON/OFF until “OFF”')
  const [one, two] = [line(page, 'unit/F41'), line(page, 'unit/F42')]
  await one.getByRole('checkbox').click()
  await expect(one).not.toContainText('Left so by')
  await two.getByRole('checkbox').click()
  await expect(one).toContainText('Left so by')
  await one.getByRole('checkbox').click()
  await expect(two).not.toContainText('Left so by')
  await expect(page.getByText(/^By itself: After it has seen the strips run/)).toBeVisible()
})

test('what was found is left as found, and the intent says where it comes from', async ({ page }) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/setup`)
  const row = line(page, '/C8')
  await row.getByText('Found: On').click()
  await row.getByRole('button', { name: 'Leave it as found' }).click()
  // On it stands as found now, so there is nothing to key.
  await expect(row).toHaveCount(0)
  // And the owner does not want to hear it before waking.
  await expect(page.getByTestId('conflicts')).toContainText('Early recovery runs while somebody sleeps')
  await part(page, 'Intents')
  const intent = page
    .getByTestId('intents')
    .getByRole('listitem')
    .filter({ hasText: 'Early recovery' })
    .first()
  await expect(intent).toContainText('as found on the device')
  await expect(intent).toContainText('Early recovery runs while somebody sleeps')
})

test('the guided screens say which terminals must be found live, by this landing', async ({ page }) => {
  await open(page, '/job/candlemaker-yard/setup')
  await device(page, /Thermostat/)
  await expect(line(page, 'enter')).toContainText('By this landing it must name R C')
})

test('switches and pins are drawn, with the power off first and on again last', async ({ page }) => {
  await open(page, '/job/quillfeather-lane/setup')
  await device(page, /Outdoor unit/)
  const lines = page.locator('li[data-line]')
  await expect(lines.first()).toContainText('Power off, locked, and metered dead')
  await expect(lines.last()).toContainText('Power on again')
  await expect(line(page, '/P1').getByRole('img', { name: 'P1 cap on 60' })).toBeVisible()
  await expect(line(page, '/SW1-1').getByRole('img', { name: /^SW1-1 (on|off)$/ })).toBeVisible()
  await expect(page.getByText(/moved with every supply off, locked and metered dead/)).toBeVisible()
})

test('something changed for a test is listed with its reason, everywhere, until it is put back', async ({
  page,
}) => {
  const path = await copyOf(page, 'tallow-mill')
  await open(page, `${path}/setup`)
  await page.getByText('Change something for a test only').click()
  await page
    .getByLabel('Setting', { exact: true })
    .selectOption({ label: 'Thermostat: Changeover to the furnace below' })
  await page.getByLabel('For the test').fill('60')
  await page.getByLabel('What for').fill('to see the furnace on a mild day')
  await page.getByRole('button', { name: 'List it' }).click()
  const list = page.getByTestId('temporary')
  await expect(list).toContainText('at 60 °F, was 35 °F, to see the furnace on a mild day')
  await expect(page.getByRole('link', { name: /^Setup/ })).toContainText('1 to put back')
  await page.getByRole('link', { name: /^Handover/ }).click()
  await expect(
    page.getByText('Still to be put back: Thermostat: Changeover to the furnace below to 35 °F.').first(),
  ).toBeVisible()
  // What is left is what is proven: the test's value is not.
  await expect(verdict(page)).toContainText(/All \d+ rules hold|Nothing is wrong in/)
})

test('the break-even stands on the house’s own prices', async ({ page }) => {
  const path = await copyOf(page, 'tallow-mill')
  await open(page, `${path}/setup`)
  await part(page, 'Interview')
  const interview = page.getByTestId('interview')
  await interview.getByLabel('Price of a kWh').fill('')
  await interview.getByRole('button', { name: 'Break-even' }).click()
  await expect(interview).toContainText('Its temperature needs both prices, the unit’s COPs and a furnace')
  await interview
    .getByRole('group', { name: 'Which fuel is in the house?' })
    .getByRole('button', { name: 'Gas' })
    .click()
  for (const [label, value] of [
    ['Price of a kWh', '0.14'],
    ['Price of a therm or gallon', '1.10'],
    ['COP at 47 °F', '3.6'],
    ['COP at 17 °F', '2.2'],
  ] as const)
    await interview.getByLabel(label).fill(value)
  // As worked by hand in Crossing's unit test, with the furnace's electricity: 39.3 °F.
  await expect(
    interview.getByRole('listitem').filter({ hasText: 'Changeover to the furnace below' }),
  ).toContainText('35 °F → 39 °F')
  // "Don't know" is an answer, and decides nothing.
  await interview
    .getByRole('group', { name: 'Which electric rate?' })
    .getByRole('button', { name: 'Don’t know' })
    .click()
  await expect(interview.getByRole('heading').first()).toContainText('5 of 13 answered')
})

test('a contradiction is said at the wire that it hangs on', async ({ page }) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/setup`)
  await part(page, 'Intents')
  await page.getByLabel('Backup stages').selectOption('1')
  await expect(page.getByTestId('conflicts')).toContainText('second stage is landed')
  await page.getByRole('link', { name: /^Bench/ }).click()
  await expect(page.getByRole('button', { name: /^The second stage is landed/ })).toBeVisible()
  await terminal(page, 'tstat.W2').click()
  await expect(page.getByTestId('terminal-panel')).toContainText(
    'The second stage is landed, and only one is set.',
  )
})

test('what is ticked without a signal is there when it comes back', async ({ page, context }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/setup`)
  await context.setOffline(true)
  await line(page, 'enter').getByRole('checkbox').click()
  await line(page, '/11').getByRole('checkbox').click()
  await expect(page.locator('[data-saving=offline]').first()).toBeAttached()
  await expect(page.getByTestId('sheet-answer')).toContainText('2 of')
  await context.setOffline(false)
  await saved(page)
  await page.reload()
  await expect(page.getByTestId('sheet-answer')).toContainText('2 of')
})
