import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved, terminal } from './helpers'

const openRun = async (page: Page, job: string, query: string) => {
  const path = await copyOf(page, job)
  await open(page, `${path}/startup?${query}`)
  await page.getByTestId('startup').waitFor()
  return path
}
const card = (page: Page, id: string) => page.locator(`[data-card="${id}"]`)
const choose = (page: Page, id: string) => page.locator(`[data-line="${id}"]`).click()

test('a card says how to bring it up today, what must run, and ends done, with the next one open', async ({
  page,
}) => {
  await openRun(page, 'quillfeather-lane', 'call=heat1&t=25')
  await expect(page.getByTestId('startup-answer')).toContainText('0 of 10 cards are done.')
  await expect(card(page, 'heat1')).toContainText(
    'Raise the setpoint to 1 °F above the room: below the droop of 2 °F, so that the heat pump comes alone.',
  )
  await expect(card(page, 'heat1').getByTestId('expected')).toContainText(
    'Must not: strip row 1; strip row 2.',
  )
  await card(page, 'heat1').getByRole('button', { name: 'Done' }).click()
  await expect(page.getByTestId('startup-answer')).toContainText('1 of 10 cards is done.')
  // The dock goes along: one situation for the whole app.
  await expect(card(page, 'heatAux1')).toBeVisible()
  await expect(page).toHaveURL(/call=heatAux1/)
  await choose(page, 'cool1')
  await expect(card(page, 'cool1').getByTestId('today')).toHaveText('Test it above 60 °F outdoors.')
  // Another day: on a warm one it can be tried.
  await page.getByLabel('Outdoors today, °F').fill('72')
  await expect(card(page, 'cool1').getByTestId('today')).toHaveCount(0)
  await saved(page)
  // What was tried and what was not stands in the report, and in the list.
  await page.goto(page.url().replace(/startup.*/, 'handover'))
  await expect(page.locator('[data-row="run:heat1"]')).toContainText('Done')
  await expect(page.locator('[data-row="run:cool1"]')).toContainText('Not tried')
})

test('while a rule is broken a card says what runs as wired, and that it is not what ought to', async ({
  page,
}) => {
  await openRun(page, 'saltmarsh-row', 'call=emergency&t=45')
  const expected = card(page, 'emergency').getByTestId('expected')
  await expect(expected).toContainText('Emergency heat brings on no backup')
  await expect(expected).toContainText('Put that right first.')
  await expect(expected).toContainText(
    'As wired it runs: blower. And not: strip row 1; strip row 2; compressor.',
  )
  await expect(expected).not.toContainText('Must run')
  await expect(card(page, 'emergency')).toContainText('As wired, 24 V')
})

test('what hangs on a setting that is not known is expected neither way, and judged neither way', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane', { 'tstat.rvSense': null })
  await open(page, `${path}/startup?call=heat1&t=45`)
  const own = card(page, 'heat1')
  await expect(own.getByTestId('expected')).toContainText('By what is not known yet: reversing valve.')
  await expect(own).toContainText('By what is not known yet: Thermostat: O/B terminal energised in')
  await expect(own.locator('[data-terminal="tstat.OB"]')).toHaveAttribute('data-expect', 'unknown')
  await expect(own.locator('[data-terminal="tstat.Y"]')).toHaveAttribute('data-expect', 'live')
  await own.locator('[data-terminal="tstat.OB"]').click()
  await page.keyboard.type('25')
  await page.keyboard.press('Enter')
  await expect(own.locator('[data-terminal="tstat.OB"]')).toHaveAttribute('data-verdict', 'unjudged')
  // Nor does the Bench show it as one or the other.
  await page.goto(`${path}/bench?call=cool1&t=90`)
  for (const at of ['tstat.OB', 'ah.O'])
    await expect(terminal(page, at)).toHaveAttribute('data-state', 'unknown')
  await expect(terminal(page, 'tstat.Y')).toHaveAttribute('data-state', 'live')
  await expect(page.locator('[data-load="od.rvCoil"]')).toContainText('?')
  await terminal(page, 'tstat.OB').click()
  await expect(page.getByTestId('terminal-panel')).toContainText('Live or dead by what is not known yet')
  // The places of the job count what is open, and the setup claims nothing of it.
  await page.goto(`${path}/setup`)
  await expect(page.getByTestId('setup-answer')).toHaveText(/^1 setting is not known yet\. What is known/)
})

test('every terminal is a reading: tap, type, Enter, the next; a dead one says where to look', async ({
  page,
}) => {
  const path = await openRun(page, 'quillfeather-lane', 'call=heatAux1&t=25')
  const own = card(page, 'heatAux1')
  await own.locator('[data-terminal="ah.W1"]').click()
  const box = page.getByLabel('Volts, Air handler W1 to C')
  await box.fill('0.4')
  const form = page.getByRole('form', { name: 'Reading at Air handler W1' })
  await expect(form).toContainText('Wrong')
  await expect(form).toContainText(/Meter .* next/)
  await expect(form).toContainText('On the way: outdoor thermostat')
  await box.press('Enter')
  await expect(own.locator('[data-terminal="ah.W1"]')).toHaveAttribute('data-verdict', 'wrong')
  await page.getByLabel('Volts, Air handler W2 to C').fill('23,5')
  await page.keyboard.press('Enter')
  await expect(own.locator('[data-terminal="ah.W2"]')).toHaveAttribute('data-verdict', 'right')
  // A retest keeps the first.
  await own.locator('[data-terminal="ah.W1"]').click()
  await page.getByLabel('Volts, Air handler W1 to C').fill('23.6')
  await page.keyboard.press('Enter')
  await expect(own.locator('[data-terminal="ah.W1"]')).toHaveAttribute('data-verdict', 'right')
  await saved(page)
  const job = (await (await page.request.get(`/api${path.replace('/job/', '/jobs/')}/file`)).json()) as {
    readings: { at: string; value: number; supersedes: string | null; id: string }[]
  }
  const own2 = job.readings.filter((r) => r.at === 'ah.W1' && [0.4, 23.6].includes(r.value))
  expect(own2.map((r) => r.supersedes)).toEqual([null, own2[0]!.id])
})

test('a wait is counted down with its reason, and goes on after a reload', async ({ page }) => {
  await page.clock.install({ time: new Date() })
  // The page's clock then runs ahead as this test has it, so the server does not say its time.
  await page.route(/\/api\/(?!changes)/, async (route) => {
    const response = await route.fetch()
    const headers = response.headers()
    delete headers.date
    await route.fulfill({ response, headers })
  })
  const path = await openRun(page, 'quillfeather-lane', 'call=heat1&t=45')
  await choose(page, 'minimumOff')
  const waits = card(page, 'minimumOff').getByTestId('waits')
  await expect(waits).toContainText('Wait 4 min 30 s')
  await expect(waits.locator('[data-wait="od.compressor"]')).toContainText(
    'Compressor minimum-off timer, 5 min',
  )
  await waits.getByRole('button', { name: 'The call is made: count' }).click()
  await page.clock.runFor(30_000)
  await expect(waits.getByRole('timer')).toHaveText('4:00')
  await saved(page)
  await page.goto(`${path}/startup?call=heat1&t=45`)
  await expect(card(page, 'minimumOff').getByRole('timer')).toHaveText(/^(4:00|3:5\d)$/)
  await page.clock.runFor(60_000)
  // The page itself took a moment to open.
  await expect(card(page, 'minimumOff').getByRole('timer')).toHaveText(/^(3:00|2:5\d)$/)
  await page.clock.runFor(200_000)
  await expect(card(page, 'minimumOff').getByRole('timer')).toHaveText('Now')
  // A request that is under way would end in the next test.
  await page.unrouteAll({ behavior: 'ignoreErrors' })
})

test('a device whose clock is a year behind is told so, and its wait runs right here and elsewhere', async ({
  page,
  browser,
}) => {
  const late = await (await browser.newContext({ serviceWorkers: 'block' })).newPage()
  await late.addInitScript(() => {
    const Real = Date
    const behind = 365 * 86_400_000
    const Late = function (...args: [number]) {
      return args.length ? new Real(...args) : new Real(Real.now() - behind)
    }
    Object.setPrototypeOf(Late, Real)
    Late.prototype = Real.prototype
    Late.now = () => Real.now() - behind
    window.Date = Late as unknown as DateConstructor
  })
  const path = await openRun(late, 'quillfeather-lane', 'call=heat1&t=45')
  await expect(late.getByRole('alert', { name: 'Clock' })).toContainText('clock is 1 year behind')
  await choose(late, 'minimumOff')
  const waits = card(late, 'minimumOff').getByTestId('waits')
  await waits.getByRole('button', { name: 'The call is made: count' }).click()
  await expect(waits.getByRole('timer')).toHaveText(/^4:[0-3]\d$/)
  await saved(late)
  await open(page, `${path}/startup?call=heat1&t=45`)
  await choose(page, 'minimumOff')
  await expect(card(page, 'minimumOff').getByRole('timer')).toHaveText(/^[34]:\d\d$/)
  await late.context().close()
})

test('what stands otherwise is on every screen until it is put back, and no visit ends before', async ({
  page,
}) => {
  const path = await openRun(page, 'tallow-mill', 'call=heat1&t=55')
  await choose(page, 'gate-tstat-changeover')
  const own = card(page, 'gate-tstat-changeover')
  await expect(own).toContainText('from 35 to 60 for the test')
  // With the changeover above today the furnace is to answer: its W has 24 V, the outdoor unit's Y none.
  await expect(own.locator('[data-terminal="fur.W"]')).toHaveAttribute('data-expect', 'live')
  await expect(
    own.locator('[data-terminal="od.Y1"]').or(own.locator('[data-terminal="od.Y"]')).first(),
  ).toHaveAttribute('data-expect', 'dead')
  await own.getByRole('button', { name: 'It is set: list it' }).click()
  await page.getByRole('button', { name: /^List a jumper/ }).click()
  await page.getByLabel('What stands otherwise, and where').fill('R to W with R to G at the furnace')
  await page.getByRole('button', { name: 'List it', exact: true }).click()
  await page.goto(`${path}/bench?call=heat1&t=55`)
  const list = page.getByTestId('temporary')
  await expect(list).toContainText('Changeover to the furnace below at 60 °F, was 35 °F')
  await expect(list).toContainText('jumper, R to W with R to G at the furnace')
  await page.goto(`${path}/setup`)
  await page.getByRole('tablist', { name: 'Parts of the setup' }).getByRole('tab', { name: 'Visits' }).click()
  await expect(page.getByRole('button', { name: /^End this visit/ })).toBeDisabled()
  await list.getByRole('button', { name: 'Put back to 35 °F' }).click()
  await list.getByRole('button', { name: 'It is as it was' }).click()
  await expect(list).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^End this visit/ })).toBeEnabled()
})

test('a plate that is read on site is what the card goes by; a blower is read by two clamps', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  await page.getByRole('button', { name: 'The plate of Outdoor unit' }).click()
  await page.getByLabel('Crankcase heater before the first start, h').fill('100')
  await page.keyboard.press('Tab')
  await expect(page.getByText(/Not stored: .*72/)).toBeVisible()
  await page.getByLabel('Crankcase heater before the first start, h').fill('12')
  await page.keyboard.press('Tab')
  await saved(page)
  await open(page, `${path}/startup?call=heat1&t=25`)
  await expect(card(page, 'heat1')).toContainText('12 h of power on the crankcase heater')
  await choose(page, 'emergency')
  const own = card(page, 'emergency')
  await own.getByLabel('Reading', { exact: true }).selectOption('blowerAmps')
  await own.getByLabel('Where', { exact: true }).selectOption({ label: 'Two clamps: the feed less the kit' })
  await own.getByLabel('At the feed, A').fill('42.3')
  await own.getByLabel('At the kit alone, A').fill('40.2')
  // 42.3 less 40.2.
  await expect(own.getByLabel('Value, A')).toHaveValue('2.1')
  await own.getByRole('button', { name: 'Save the reading' }).click()
  const read = own.locator('[data-reading]').filter({ hasText: 'Blower amps' })
  await expect(read).toContainText('2.1 A by two clamps, feed less kit')
  await expect(read).toContainText('42.3 A at the feed less 40.2 A at the kit')
  await expect(read).toContainText('Right')
  // With the panels off what hangs on the air is to be read again.
  await choose(page, 'heat1')
  const heat = card(page, 'heat1')
  await heat.getByLabel('Reading', { exact: true }).selectOption('airflow')
  await heat.getByLabel('Panels off').check()
  await heat.getByLabel('Value, CFM').fill('1200')
  await heat.getByRole('button', { name: 'Save the reading' }).click()
  const air = heat.locator('[data-reading]').filter({ hasText: 'Airflow' })
  await expect(air).toContainText('panels off')
  await expect(air).toContainText('Look again')
  await choose(page, 'outdoors-od')
  await expect(card(page, 'outdoors-od')).toContainText('Defrost water drains away')
})
