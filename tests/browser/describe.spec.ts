import { expect, test, type Page } from '@playwright/test'
import { verdict } from './helpers'

/** A device described from its paper, each field and tap counted. */
class Paper {
  used = 0
  constructor(private readonly page: Page) {}
  private get form() {
    return this.page.getByTestId('device-form')
  }
  async tap(...names: string[]) {
    for (const name of names) {
      await this.form.getByRole('button', { name, exact: true }).click()
      this.used++
    }
  }
  async choose(label: string, option: string) {
    await this.form.getByLabel(label, { exact: true }).selectOption({ label: option })
    this.used++
  }
  private name = ''
  async type(label: string, value: string) {
    if (label === 'Name') this.name = value
    await this.form.getByLabel(label, { exact: true }).fill(value)
    this.used++
  }
  /** Into the library, and into the job that is being made. */
  async done(most = 80) {
    await this.tap('Add it to the library')
    await expect(this.form.getByRole('status')).toHaveText(`${this.name} is in the library.`)
    expect(this.used).toBeLessThanOrEqual(most)
    console.log(`  fields and taps: ${this.used}`)
    this.used = 0
  }
}

async function begin(page: Page, job: string): Promise<Paper> {
  await page.goto('/new')
  await page.getByLabel('Job', { exact: true }).fill(job)
  await page.getByText('Something that is not in the library').click()
  return new Paper(page)
}
/** The job as planned, and what is proven of it. */
async function makeAndProve(page: Page) {
  await page.getByRole('button', { name: 'All of it is new from its box' }).click()
  for (const cable of ['Thermostat cable', 'Outdoor cable'])
    if (await page.getByLabel(cable).count()) await page.getByLabel(cable).selectOption('10')
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(verdict(page)).toContainText(/All \d+ rules hold|Nothing is wrong in/)
}

test('a house of strips, each device from its paper: batteries and a star, a board, unlike rows, an inverter', async ({
  page,
}) => {
  test.slow()
  const paper = await begin(page, 'Strips from paper')
  await paper.choose('What it is', 'Thermostat')
  await paper.type('Name', 'Odd wall control')
  await paper.type('Model and suffix on the plate', 'W-1')
  await paper.tap('C', 'W2', 'Star 1')
  await paper.tap('AUX in emergency heat', 'W2 in emergency heat', 'E in emergency heat')
  await paper.tap('G in heat + aux 2', 'Y in heat + aux 2', 'AUX in heat + aux 2', 'W2 in heat + aux 2')
  await paper.tap('E')
  await paper.choose('It runs on batteries', 'yes')
  await paper.done()

  await paper.choose('What it is', 'Air handler')
  await paper.type('Name', 'Odd air handler')
  await paper.type('Model and suffix on the plate', 'A-2')
  await paper.tap('Y2')
  await paper.choose('Strips', 'a kit that plugs in')
  await paper.choose('Its board has several blower speeds', 'yes')
  await paper.choose('W starts the blower by itself', 'yes')
  await paper.type('Blower off delay, most, s', '90')
  await paper.type('Nominal cooling, tons', '3')
  await paper.done()

  await paper.choose('What it is', 'Strip kit')
  await paper.type('Name', 'Odd kit')
  await paper.type('Model and suffix on the plate', 'K-3')
  await paper.type('Row 1, W', '4800')
  await paper.type('Row 2, W', '3600')
  await paper.tap('Add a row')
  await paper.type('Row 3, W', '6000')
  await page.getByTestId('device-form').getByLabel('Line circuit').nth(2).selectOption('2')
  paper.used++
  await paper.type('Last contact in after, s', '45')
  // 4,800 / 240 = 20 A; with 3,600 W 35 A; 6,000 / 240 = 25 A on a circuit of its own.
  await expect(page.getByTestId('banks')).toContainText('W1: row 1, 4.8 kW, 20 A')
  await expect(page.getByTestId('banks')).toContainText(
    'W1 and W2: rows 1, 2, 3, 14.4 kW, circuit 1 35 A, circuit 2 25 A',
  )
  await paper.done()

  await paper.choose('What it is', 'Outdoor unit')
  await paper.type('Name', 'Odd inverter')
  await paper.type('Model and suffix on the plate', 'V-4')
  await paper.tap('D1', 'D2')
  await paper.choose('It is an inverter', 'yes')
  await paper.type('Defrost pins, least, min', '60')
  await paper.type('Defrost pins, most, min', '120')
  await paper.type('Compressor, VA', '2600')
  await paper.type('Nominal cooling, tons', '3')
  await paper.type('Minimum circuit ampacity, A', '18')
  await paper.type('Largest fuse or breaker, A', '25')
  await paper.done()
  await makeAndProve(page)
  await page.keyboard.press('7')
  for (const row of [1, 2, 3])
    await expect(page.locator(`[data-load="kit.row${row}"]`)).toHaveAttribute('data-on', 'true')
})

test('dual fuel from paper: a thermostat with a sensor, a two-stage LP furnace, a unit with W in and pins', async ({
  page,
}) => {
  test.slow()
  const paper = await begin(page, 'Fuel from paper')
  await paper.choose('What it is', 'Thermostat')
  await paper.type('Name', 'Odd fuel control')
  await paper.tap('S1', 'S2')
  await paper.choose('It can hold heat off by the outdoor temperature', 'yes')
  await paper.choose('It can change over to a furnace', 'yes')
  await paper.done()
  await paper.choose('What it is', 'Furnace')
  await paper.type('Name', 'Odd furnace')
  await paper.tap('W2')
  await paper.choose('Backup heat', 'LP gas')
  await paper.choose('Low-gas-pressure switch', 'in the pressure switch circuit')
  await paper.type('Input, BTU/h', '80000')
  await paper.type('Efficiency, %', '95')
  await paper.type('Temperature rise, least, °F', '35')
  await paper.type('Temperature rise, most, °F', '65')
  await paper.done()
  await paper.choose('What it is', 'Outdoor unit')
  await paper.type('Name', 'Odd two-stage')
  await paper.tap('W out')
  await paper.choose('Reversing valve energised', 'in heating (B)')
  await paper.done()
  await page
    .getByRole('button', { name: /^Add .*outdoor sensor/i })
    .first()
    .click()
  await makeAndProve(page)
})

test('packaged from paper, with a burner; and an oil furnace in a job of its own', async ({ page }) => {
  test.slow()
  const paper = await begin(page, 'Packaged from paper')
  await paper.choose('What it is', 'Packaged unit')
  await paper.type('Name', 'Odd package')
  await paper.choose('Backup heat', 'natural gas')
  await paper.tap('W2')
  await paper.type('Input, BTU/h', '60000')
  await paper.type('Blower at its highest speed, VA', '700')
  await paper.done()
  await page.getByLabel('Thermostat', { exact: true }).selectOption('plain-thermostat-fuel')
  await page
    .getByRole('button', { name: /^Add .*outdoor sensor/i })
    .first()
    .click()
  await makeAndProve(page)

  const oil = await begin(page, 'Oil from paper')
  await oil.choose('What it is', 'Furnace')
  await oil.type('Name', 'Odd oil furnace')
  await oil.choose('Backup heat', 'oil')
  await oil.type('Input, BTU/h', '90000')
  await oil.done()
  await page.getByLabel('Thermostat', { exact: true }).selectOption('plain-thermostat-fuel')
  await page.getByLabel('Outdoor unit').selectOption('plain-heat-pump-1')
  await page
    .getByRole('button', { name: /^Add .*outdoor sensor/i })
    .first()
    .click()
  await makeAndProve(page)
})

test('three things changed of the nearest are shown, kept with the device, and changed again from it', async ({
  page,
}) => {
  await page.goto('/library')
  await page.getByText('Describe a device that is not here').click()
  const form = page.getByTestId('device-form')
  await form.getByLabel('Start from the nearest').selectOption('plain-kit-2')
  await expect(form.getByTestId('changed')).toContainText('As the Two-row kit, sequencers, 2 × 5 kW, so far.')
  await form.getByLabel('Name').fill('Kit of the shop')
  await form.getByLabel('Row 2, W').fill('3600')
  await form.getByLabel('Rows are switched by').selectOption('relay')
  await form.getByLabel('Each row has a fuse link').selectOption('false')
  const changed = form.getByTestId('changed')
  await expect(changed).toContainText('3 things changed of the Two-row kit')
  await expect(changed).toContainText('Rows are switched by: sequencers → relays')
  await expect(changed).toContainText('Row 2: 5000 W on W2, circuit 1 → 3600 W on W2, circuit 1')
  await form.getByRole('button', { name: 'Add it to the library' }).click()
  await page.getByLabel('Search by name').fill('kit of the shop')
  const item = page.getByRole('button', { name: /^Kit of the shop/ })
  await item.first().click()
  await expect(
    page.getByText(/Started from the Two-row kit.*Each row has a fuse link: yes → no/),
  ).toBeVisible()
  // It is itself a start now.
  await form.getByLabel('Start from the nearest').selectOption({ label: 'Kit of the shop' })
  await expect(form.getByLabel('Row 2, W')).toHaveValue('3600')
})
