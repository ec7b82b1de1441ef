import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved, verdict } from './helpers'

const tool = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Tools' }).getByRole('button', { name, exact: true }).click()

test('a job is built from the library, planned, and proven', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'New job' }).click()
  await page.getByLabel('Job', { exact: true }).fill('Test Lane 1')
  await page.getByLabel('Thermostat', { exact: true }).selectOption('sorrel-h1')
  await page.getByLabel('Outdoor unit').selectOption('marram-s1')
  await page.getByLabel('Indoor unit').selectOption('teasel-a3')
  await page.getByLabel('Strip kit').selectOption('teasel-k2')
  await page.getByLabel('Thermostat cable').selectOption('5')
  // R C Y G O/B AUX are six: one short. This kit's sequencer runs the blower by itself, so G can go with Y.
  await expect(page.getByTestId('plan-answer')).toContainText(
    'Tie G to Y at the indoor unit. This gives up fan only.',
  )
  await page.getByLabel('Thermostat cable').selectOption('8')
  await expect(page.getByTestId('plan-answer')).toHaveText(
    'Everything fits: 2 spare in the thermostat cable, 3 spare in the outdoor cable.',
  )
  // A service call: what nobody has read off the thermostat is not known, and nothing is proven of it.
  await expect(page.getByText('settings that nobody has read are not known')).toBeVisible()
  await page.getByRole('button', { name: 'All of it is new from its box' }).click()
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(verdict(page)).toContainText(/(All \d+ rules hold|Nothing is wrong) in [\d,]+ states\./)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Test Lane 1')
})

test('a job like another takes its gear and landing, and none of its readings', async ({ page }) => {
  await page.goto('/new')
  await page.getByLabel('Job', { exact: true }).fill('Like Quillfeather')
  await page.getByLabel('or like another job').selectOption('quillfeather-lane')
  await expect(verdict(page)).toHaveText(
    /^All \d+ rules hold in 1,960 states\. \d+ settings stand at their default, not looked at\.$/,
  )
  await expect(page.getByRole('link', { name: /^Startup/ })).toContainText('open')
})

test('the plan shows what is landed differently, lands it, and can be taken back', async ({ page }) => {
  const path = await copyOf(page, 'harrier-bank')
  await open(page, `${path}/bench`)
  await expect(verdict(page)).toContainText('Y2 does not reach its board')
  await tool(page, 'Plan')
  const plan = page.getByTestId('plan')
  await expect(plan.getByRole('heading')).toHaveText('2 differences from the plan.')
  // Strips and no burner: nobody has to decide between two fuels.
  await expect(plan.getByRole('combobox')).toHaveCount(1)
  await expect(plan.getByLabel('Defrost')).toBeVisible()
  await expect(page.getByTestId('differences')).toContainText(
    'the grey conductor of the thermostat cable is on Splice at the air handler, the plan has Air handler Y2',
  )
  await plan.getByRole('button', { name: 'Record it as landed like this' }).click()
  await expect(verdict(page)).toContainText(/All \d+ rules hold|Nothing is wrong in/)
  await expect(plan.getByRole('heading')).toHaveText('Landed as planned.')
  await plan.getByRole('button', { name: /^Take all/ }).click()
  await expect(verdict(page)).toContainText('Y2 does not reach its board')
})

test('a school that the gear leaves open changes the plan, and what it lacks for it is said', async ({
  page,
}) => {
  await open(page, '/job/tallow-mill/bench')
  await tool(page, 'Plan')
  const plan = page.getByTestId('plan')
  await expect(plan.getByRole('heading')).toHaveText('Landed as planned.')
  const lacks = plan.getByText('There is no fossil fuel kit in the gear.')
  await expect(plan.getByRole('combobox')).toHaveCount(1)
  await expect(lacks).toHaveCount(0)
  await plan.getByLabel('Heat pump or furnace, decided by').selectOption('kit')
  await expect(lacks).toBeVisible()
  // Chosen and not recorded yet, it is there again after a reload.
  await open(page, '/job/tallow-mill/bench')
  await tool(page, 'Plan')
  await expect(plan.getByLabel('Heat pump or furnace, decided by')).toHaveValue('kit')
  await expect(lacks).toBeVisible()
})

test('each part is failed in turn, and the gravest are said first', async ({ page }) => {
  await open(page, '/job/quillfeather-lane/bench?call=heatAux1&t=20')
  await tool(page, 'If one part fails')
  await page.getByRole('button', { name: 'Fail each part in turn' }).click()
  const found = page.getByTestId('failures')
  await expect(found).toContainText(
    /3 would do harm, 6 would leave the house cold, 3 are lost protections, \d+ would go unnoticed/,
  )
  await expect(found).toContainText('Air handler: 24 V fuse blown.')
  await found
    .getByRole('listitem')
    .filter({ hasText: 'fuse blown' })
    .getByRole('button', { name: 'Show me' })
    .click()
  await expect(page).toHaveURL(/ah\.fuse24/)
  await expect(page.locator('button[data-terminal="ah.R"]')).toHaveAttribute('data-state', 'dead')
})

test('the fault finder asks for one reading after the other and narrows', async ({ page }) => {
  await open(page, '/job/quillfeather-lane/bench?call=heatAux1&t=20')
  await tool(page, 'Find the fault')
  await page.getByLabel(/what is wrong\?/).selectOption('kit.row1')
  const finder = page.getByTestId('finder')
  await expect(page.getByTestId('finder-answer')).toContainText(/^Meter .* to /)
  const left = async () => Number(/(\d+) causes fit/.exec((await finder.textContent()) ?? '')?.[1] ?? 1)
  const before = await left()
  await finder.getByRole('button', { name: 'Nothing there' }).click()
  await expect.poll(left).toBeLessThan(before)
  await finder.getByRole('button', { name: 'Take back' }).click()
  await expect.poll(left).toBe(before)
})

test('the meter shows volts, ohms and amps between any two points, and a ghost for what it is', async ({
  page,
}) => {
  await open(page, '/job/quillfeather-lane/bench?call=heatAux1&t=20')
  await tool(page, 'Meter')
  const meter = page.getByTestId('meter')
  await meter.getByLabel('Red lead').selectOption('kit.L1')
  await meter.getByLabel('Black lead').selectOption('kit.L2')
  // 240 V less the drop of some 42 A over 35 ft of 6 AWG, both ways, and the service.
  await expect(meter).toContainText(/23\d(\.\d)? V/)
  await meter.getByLabel('Red lead').selectOption('ah.W1')
  await meter.getByLabel('Black lead').selectOption('ah.C')
  await expect(meter).toContainText('23.4 V')
  await expect(meter.getByRole('list', { name: 'Clamp amps' })).toContainText('A')
})

test('the wiring goes out as CSV and as an SVG that stands by itself', async ({ page }) => {
  await open(page, '/job/quillfeather-lane/bench?call=emergency&t=52')
  await tool(page, 'Export')
  const take = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name }).click(),
    ])
    return [download.suggestedFilename(), readFileSync(await download.path(), 'utf8')] as const
  }
  const [csvName, csv] = await take('Landing schedule, CSV')
  expect(csvName).toBe('quillfeather-lane-landing.csv')
  expect(csv.split('\r\n')).toHaveLength(1 + 27 + 1)
  const [svgName, svg] = await take('Wiring, SVG')
  expect(svgName).toBe('quillfeather-lane-wiring.svg')
  const wrong = await page.evaluate((text) => {
    const doc = new DOMParser().parseFromString(text, 'image/svg+xml')
    return [doc.querySelector('parsererror')?.textContent ?? '', doc.querySelectorAll('path').length]
  }, svg)
  expect(wrong[0]).toBe('')
  expect(wrong[1]).toBeGreaterThan(30)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('an existing landing that differs in two places is walked in at most 20 taps', async ({ page }) => {
    const path = await copyOf(page, 'quillfeather-lane')
    await open(page, `${path}/bench`)
    let taps = 0
    const tap = async (name: string | RegExp) => {
      taps++
      await page.getByRole('button', { name }).first().click()
    }
    await tap('Landing')
    await tap(/^Walk it/)
    const walk = page.getByTestId('walk')
    // Thirteen conductors and two jumpers. The orange one is found on Y at the air handler, the W1–W2 jumper is gone.
    for (let n = 1; n <= 15; n++) {
      await expect(walk).toContainText(`${n} of 15`)
      const card = (await walk.textContent()) ?? ''
      if (card.includes('Thermostat O/B')) {
        await tap('Different at Air handler O')
        await tap('Air handler Y')
      } else if (card.includes('Air handler W1 to Air handler W2')) await tap('Not there')
      else await tap('As shown')
    }
    await expect(page.getByText('All 15 walked.')).toBeVisible()
    expect(taps).toBeLessThanOrEqual(20)
    await saved(page)
    const file = (await (await page.request.get(`/api${path.replace('/job/', '/jobs/')}/file`)).json()) as {
      wires: { id: string; a: string; b: string }[]
    }
    expect(file.wires.find((w) => w.id === 'w05')).toMatchObject({ a: 'tstat.OB', b: 'ah.Y' })
    expect(file.wires.some((w) => w.a === 'ah.W1' && w.b === 'ah.W2')).toBe(false)
    await expect(verdict(page)).not.toContainText('rules hold')
  })
})

test('a device and a cable are put into a job, and taken out and back again', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  await page.getByText('Add a device').click()
  await page.getByLabel('From the library').selectOption('sedge-fl1')
  await page.getByLabel('Where').fill('garage')
  await page.getByRole('button', { name: 'Add', exact: true }).first().click()
  await expect(page.getByText('Sedge FL1 condensate float switch is added')).toBeVisible()
  await page.getByText('Add a cable').click()
  await page.getByLabel('From', { exact: true }).selectOption('ah')
  await page.getByLabel('To', { exact: true }).selectOption('tstat')
  await page.getByLabel('Conductors').selectOption('4')
  await page.getByRole('button', { name: 'Add', exact: true }).last().click()
  await expect(page.getByText('Air handler to thermostat is added')).toBeVisible()
  const unit = page.getByRole('region', { name: 'Outdoor unit', exact: true })
  await unit.getByRole('button', { name: 'Remove', exact: true }).click()
  await unit.getByRole('button', { name: /^Remove the outdoor unit/ }).click()
  await expect(unit).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(unit).toBeVisible()
  await saved(page)
  const file = (await (await page.request.get(`/api${path.replace('/job/', '/jobs/')}/file`)).json()) as {
    placed: { device: string }[]
    cables: { id: string }[]
    wires: { cable: string | null; b: string | null }[]
  }
  expect(file.placed.some((p) => p.device === 'sedge-fl1')).toBe(true)
  expect(file.wires.filter((w) => w.cable === 'cable')).toHaveLength(4)
  expect(file.wires.some((w) => w.b === 'od.Y')).toBe(true)
})
