import { expect, test } from '@playwright/test'
import { copyOf, open, saved } from './helpers'

test('the kit is drawn inside, lit for the situation, and leads stand on any two points', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/kit?call=heatAux1&t=52`)
  const row = page.locator('[data-row-path="kit.row1"]')
  await expect(row).toHaveAttribute('data-on', 'false')
  await expect(row).toContainText('held at outdoor thermostat')
  const drawing = page.getByTestId('rows-drawing')
  await row.getByRole('button', { name: 'Lead on e1c' }).click()
  await drawing.getByRole('button', { name: 'Ground' }).click()
  // One leg is always live at the element, even with the contact open.
  await expect(drawing.locator('[data-leads]')).toContainText(/e1c to ground: 1(19|20)/)
  await drawing.getByRole('button', { name: 'Lift the leads' }).click()
  await row.getByRole('button', { name: 'Lead on e1a' }).click()
  await row.getByRole('button', { name: 'Lead on e1b' }).click()
  await expect(drawing.locator('[data-leads]')).toContainText('12 Ω with every supply off')
  // Colder than the outdoor thermostat: on.
  await open(page, `${path}/kit?call=heatAux1&t=20`)
  await expect(row).toHaveAttribute('data-on', 'true')
  await expect(row).toContainText('On: 19.')
})

test('what it should read follows the volts, and the bank table names the rows', async ({ page }) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/kit?call=heatAux1&t=20`)
  await expect(page.getByTestId('kit-answer')).toContainText('9.6 kW in 2 rows at 240 V: 40 A')
  await page.getByLabel('Line volts to reckon with').fill('208')
  // 208 / 12 = 17.33 A a row, 7.21 kW of both.
  await expect(page.getByTestId('kit-answer')).toContainText('7.2 kW in 2 rows at 208 V: 34.7 A')
  await expect(page.getByRole('region', { name: 'Rows at 208 V' })).toContainText('17.3')
  await expect(page.getByTestId('bank-table').getByRole('row')).toHaveCount(3)
  await expect(page.getByTestId('bank-table')).toContainText('1, 2')
  // Its sequencers: 24 s to the last row, 75 until the first has gone.
  await expect(page.getByTestId('sequence')).toContainText(
    'All are in after 24 s, and out 75 s after the call ends',
  )
})

test('a kit that nobody knows is named from its clues, and contradictions are said', async ({ page }) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/kit`)
  const which = page.getByTestId('which-kit')
  await which.getByLabel('Ω of each row, or OL, with spaces').fill('11.5 19.1')
  await expect(page.getByTestId('which-kit-answer')).toContainText('It is an 8 kW (5 + 3) kit')
  await which.getByLabel('kW on its label').fill('10')
  await expect(page.getByTestId('which-kit-answer')).toContainText('contradict each other')
  // OL is asked about: across the element alone it is an open row.
  await which.getByLabel('kW on its label').fill('')
  await which.getByLabel('Ω of each row, or OL, with spaces').fill('11.5 OL')
  await expect(page.getByTestId('which-kit-answer')).toContainText('OL: was it across the element alone')
  await which.getByLabel('OL was read across').selectOption({ label: 'the element alone' })
  await expect(page.getByTestId('which-kit-answer')).toContainText('that row is open')
})

test('the airflow by the strips is kept with its source, and Crossing has it', async ({ page }) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/kit`)
  const air = page.getByTestId('airflow')
  await air.getByLabel('A of the elements').fill('40')
  await air.getByLabel('Rise of the air, °F').fill('27')
  // 240 V · 40 A · 3.412 / (1.08 · 27) = 1,123 CFM, 374 a ton of three.
  await expect(page.getByTestId('airflow-answer')).toContainText('1,123 CFM')
  await expect(page.getByTestId('airflow-answer')).toContainText('374 a ton, as it should be')
  await air.getByRole('button', { name: 'Keep 1,123 CFM as measured' }).click()
  await saved(page)
  await expect(page.getByText('In 1,123 CFM it warms the air by')).toBeVisible()
})

test('a circuit that is too small is said with what it needs, and the service adds up', async ({ page }) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/kit`)
  const circuits = page.getByTestId('circuits')
  await expect(circuits).toContainText('125 % of 40 A of elements and 2.6 A of motors is 53.3 A (NEC 424.4)')
  // NM-B: 6 AWG has 55 A, which is still enough for 53.3; the outdoor unit's 10 AWG has 30.
  await circuits.getByLabel('Cable and terminals').selectOption('copper60')
  await expect(circuits).not.toContainText('too thin')
  const service = page.getByTestId('service')
  // 3 · 1850 + 4500 + 12,000 = 22,050: 8,000 + 5,620; heating: compressor, fan, 9,600 and the blower.
  await expect(service.getByRole('status')).toContainText(
    '8 kVA general load at 100 % + 5.6 kVA the rest at 40 %',
  )
  await service.getByLabel('Main breaker, A').fill('60')
  await expect(service.getByRole('status')).toContainText('more than the service carries')
})

test('a furnace shows its gas chain, and its clocked input against the plate', async ({ page }) => {
  const path = await copyOf(page, 'tallow-mill')
  await open(page, `${path}/kit?call=heatAux1&t=20`)
  await expect(page.locator('[data-chain="fur.burner1"], [data-chain^="fur."]').first()).toBeVisible()
  const burner = page.getByTestId('burner')
  await burner.getByLabel('ft³ at the meter').fill('2')
  await burner.getByLabel('in seconds').fill('90')
  // 3600 · 2 · 1030 / 90 = 82,400: 3 % above 80,000.
  await expect(page.getByTestId('burner-answer')).toContainText('82,400 BTU/h in, within 5 % of the plate')
  await expect(page.getByTestId('burner-answer')).toContainText('78,280 BTU/h out')
  await expect(burner).toContainText('Altitude not entered. Calculated for sea level.')
})

test('at altitude a furnace is meant to fire less, and its meter counts less gas', async ({ page }) => {
  const path = await copyOf(page, 'tallow-mill')
  await open(page, `${path}/crossing`)
  await page.getByTestId('house-form').getByLabel('Altitude, ft').fill('5280')
  await page.keyboard.press('Tab')
  await saved(page)
  await open(page, `${path}/kit?call=heatAux1&t=20`)
  const burner = page.getByTestId('burner')
  const answer = page.getByTestId('burner-answer')
  // 21.12 % off 80,000.
  await expect(burner).toContainText('63,104 BTU/h at 5,280 ft')
  await burner.getByLabel('ft³ at the meter').fill('2')
  await burner.getByLabel('in seconds').fill('114')
  await burner.getByLabel('Meter compensates for pressure').selectOption('Yes')
  // 3600 · 2 · 1030 / 114 = 65,053: 3 % above it.
  await expect(answer).toContainText(
    '65,053 BTU/h in, within 5 % of 63,104 BTU/h, the input at this altitude',
  )
  await burner.getByLabel('Meter compensates for pressure').selectOption('No')
  // At 5,280 ft the atmosphere is 12.100 psi: 12.350 / 14.73 of it are 54,543 BTU/h.
  await expect(answer).toContainText('54,543 BTU/h in, 14 % below 63,104 BTU/h')
  await burner.getByLabel('Meter compensates for pressure').selectOption('Not known')
  await expect(burner).toContainText('Ask the utility whether this meter compensates')
  // One of the two is right and the other is not, so nothing is said to be wrong.
  await expect(answer).toContainText(
    '54,543 BTU/h in, or 65,053 BTU/h if the meter compensates: ask the utility',
  )
  await expect(answer).not.toContainText('below')
})

test('an oil burner is compared with its plate only once its pump was read', async ({ page }) => {
  await open(page, `${await copyOf(page, 'candlemaker-yard')}/kit?call=heatAux1&t=20`)
  const burner = page.getByTestId('burner')
  const answer = page.getByTestId('burner-answer')
  await burner.getByLabel('Nozzle, gal/h at 100 psi').fill('0.6')
  // 0.6 · √1.4 · 138,500 = 98,325.
  await expect(answer).toContainText('98,325 BTU/h in')
  await expect(answer).not.toContainText('the plate')
  await expect(burner).toContainText('Pump pressure not entered. Calculated for 140 psi.')
  await burner.getByLabel('Pump, psi').fill('100')
  // 0.6 · 138,500 = 83,100.
  await expect(answer).toContainText('83,100 BTU/h in, 21 % below the plate: check the pump pressure')
})
