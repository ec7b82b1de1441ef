import { expect, test, type Page } from '@playwright/test'
import { copyOf, open } from './helpers'

const clock = (page: Page) => page.getByTestId('clock')
const ready = (page: Page) => page.locator('[data-testid=clock][data-ready=true]').waitFor()

test('a scene is played: the whole screen stands at its second, with why, what is counted down and what is next', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/bench?call=heat1&t=25`)
  await page
    .getByRole('button', { name: 'Clock: the job run through time' })
    .filter({ visible: true })
    .click()
  await clock(page).getByLabel('Scene', { exact: true }).selectOption({ label: 'Raise the setpoint 4 °F' })
  await clock(page).getByLabel('Outdoors, °F').fill('25')
  await page.keyboard.press('Tab')
  await ready(page)
  // The wall is turned after a minute: backup is called, and its rows come after 12 and 24 s.
  await page.getByRole('button', { name: 'The next event' }).click()
  await expect(page.getByTestId('clock-time')).toHaveText('0:01:00')
  await expect(page.getByTestId('now')).toContainText('the droop of 2 °F is passed')
  await expect(page.getByTestId('now')).toContainText('Row 1 sequencer contact, still open: 0:12 left.')
  await expect(page.getByTestId('now')).toContainText('Next, 0:01:06')
  await clock(page).getByRole('button', { name: 'Strip row 1' }).click()
  await expect(page.getByTestId('why')).toContainText('Called, and not closed yet')
  await expect(page.locator('[data-chain="kit.row1"]')).toHaveAttribute('data-running', 'no')
  await page.getByRole('button', { name: 'The next event' }).click()
  await page.getByRole('button', { name: 'The next event' }).click()
  await expect(page.getByTestId('clock-time')).toHaveText('0:01:12')
  await expect(page.locator('[data-chain="kit.row1"]')).toHaveAttribute('data-running', 'yes')
  await expect(page.locator('[data-chain="kit.row2"]')).toHaveAttribute('data-running', 'no')
  await expect(page).toHaveURL(/scene=raise4&at=72/)
  // The address brings it back; with the keys one goes on.
  await page.reload()
  await ready(page)
  await expect(page.getByTestId('clock-time')).toHaveText('0:01:12')
  await page.locator('h1, h2').first().click()
  await page.keyboard.press('.')
  await expect(page.getByTestId('clock-time')).not.toHaveText('0:01:12')
  // Put away, the scene is over and what it stood at stays; so it is with a hand on the dock.
  await page.getByRole('button', { name: 'Put the clock away' }).click()
  await expect(page).not.toHaveURL(/scene=/)
  await expect(page).toHaveURL(/call=heatAux1/)
  await expect(clock(page)).toHaveCount(0)
  await page.keyboard.press('1')
  await expect(page).not.toHaveURL(/scene=/)
})

test('it plays, pauses, and is dragged; beside it one thing otherwise, and what that comes to', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/kit?call=heat1&t=25&scene=raise4&at=0`)
  await ready(page)
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByTestId('clock-time')).not.toHaveText('0:00:00')
  await page.getByRole('button', { name: 'Pause' }).click()
  const held = await page.getByTestId('clock-time').textContent()
  // It moves by frames; none of twenty moves it.
  await page.evaluate(async () => {
    for (let i = 0; i < 20; i++) await new Promise(requestAnimationFrame)
  })
  await expect(page.getByTestId('clock-time')).toHaveText(held ?? '')
  const tape = (await page.getByTestId('tape').boundingBox())!
  await page.mouse.click(tape.x + tape.width / 2, tape.y + 20)
  // Half of four hours.
  await expect(page.getByTestId('clock-time')).toHaveText(/^(1:59|2:00):/)
  const other = clock(page).getByLabel('Beside it')
  await other.selectOption({ label: 'Backup droop: 4 °F' })
  await expect(page.getByTestId('difference')).toContainText(/With the change|no difference/)
})

test('the winter of a job, and of one without a climate', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/crossing?call=heat1&t=25&scene=coldNight&at=0`)
  await ready(page)
  await page.getByRole('button', { name: 'Run the winter' }).click()
  await expect(page.getByTestId('winter')).toContainText('180 days from November')
  await expect(page.getByTestId('winter')).toContainText(/Backup ran \d+ h: /)
  // Which interval fits, by a day of fog with each; and a fault beside the job as it stands.
  await expect(page.getByTestId('pins')).toContainText('60 min, as set')
  await clock(page).getByLabel('Beside it').selectOption({ label: 'Fault: the coil’s thermostat stuck open' })
  await expect(page.getByTestId('difference')).toContainText('defrosts less')
})

test('a defrost forced with the pins is a procedure: what to do and to see, each at its time', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/bench?call=heat1&t=25&scene=forcedDefrost&at=0`)
  await ready(page)
  await expect(clock(page)).toContainText('Let the pins go when the defrost begins')
  const events = page.getByTestId('events').getByRole('listitem')
  await expect(events.filter({ hasText: 'hold the speed-up pins' })).toContainText('0:10:00')
  const defrost = events.filter({ hasText: 'outdoor fan off' })
  // 60 min at 90 times: 34 s after the pins are held, since 9 min of them are counted by then.
  await expect(defrost).toContainText('0:10:34')
  await defrost.getByRole('button').click()
  await expect(page.getByTestId('clock-time')).toHaveText('0:10:34')
  await expect(page.locator('[data-chain="od.fan"]')).toHaveAttribute('data-running', 'no')
  // The count that fills is drawn, and the frost.
  await expect(page.locator('[data-count="od.board defrost"]')).toBeVisible()
  await expect(clock(page)).toContainText('1 h to defrosting')
  await expect(clock(page)).toContainText(/frost\s*up to/)
  // On a mild day the coil is not cold: a jumper, with the power off, and out again.
  await clock(page).getByLabel('Outdoors, °F').fill('62')
  await expect(events.filter({ hasText: 'jumper the coil thermostat' })).toBeVisible()
  await expect(events.filter({ hasText: 'take the jumper out' })).toBeVisible()
  await expect(page.getByTestId('summary')).toContainText(/Room 70 °F at the start.*Supply air up to.*kWh/)
})

test('a defrost that cannot be forced says which gate keeps the compressor off', async ({ page }) => {
  const path = await copyOf(page, 'ferrous-hill')
  await open(page, `${path}/bench?call=heat1&t=25&scene=forcedDefrost&at=0`)
  await ready(page)
  await clock(page).getByLabel('Outdoors, °F').fill('25')
  await expect(page.getByTestId('summary')).toContainText('No defrost: the compressor doesn’t run at 25 °F.')
})

test('a scene of one’s own: line by line, kept over a reload, sent by its address; a line that cannot be read is named', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/bench?call=heat1&t=25&scene=raise1&at=0`)
  await ready(page)
  await clock(page).getByLabel('Scene', { exact: true }).selectOption({ label: 'A scene of your own' })
  await page.getByLabel('At, h:mm, line 5').fill('4:00')
  await page.getByRole('button', { name: 'Add a line' }).click()
  await page.getByLabel('At, h:mm, line 6').fill('1:3')
  await expect(clock(page).getByRole('alert')).toContainText(
    'Line 6 is left out: expected a time such as 1:30',
  )
  await page.getByLabel('At, h:mm, line 6').fill('1:30')
  await page.getByLabel('What, line 6').selectOption({ label: 'power' })
  await expect(clock(page).getByRole('alert')).toHaveCount(0)
  await page.getByText(/^All \d+ events/).click()
  const events = page.getByTestId('events').getByRole('listitem')
  const off = events.filter({ hasText: '1:30:00' })
  await expect(off).toContainText(/[Cc]ompressor off/)
  await off.getByRole('button').click()
  await expect(page).toHaveURL(/scene=own&at=5400&events=.*power/)
  const sent = page.url()
  // What was typed outlives the page, also where no address brings it.
  await open(page, `${path}/bench?call=heat1&t=25&scene=own&at=0`)
  await expect(page.getByLabel('At, h:mm, line 6')).toHaveValue('1:30')
  await page.evaluate(() => window.localStorage.clear())
  await page.goto(sent)
  await ready(page)
  await expect(page.getByTestId('clock-time')).toHaveText('1:30:00')
  // In the order of their times.
  await expect(page.getByLabel('What, line 3')).toHaveValue('power')
})

test('the winter says how far it is, and is given up', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/crossing?call=heat1&t=25&scene=raise1&at=0`)
  await ready(page)
  await page.getByRole('button', { name: 'Run the winter' }).click()
  const bar = page.getByRole('progressbar', { name: 'How much of the winter is run' })
  await expect(bar).toBeVisible()
  await expect.poll(async () => Number(await bar.getAttribute('aria-valuenow'))).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('button', { name: 'Run the winter' })).toBeVisible()
  await expect(bar).toHaveCount(0)
  // The tape is another worker’s, and goes on.
  await clock(page).getByLabel('Scene', { exact: true }).selectOption({ label: 'Fog at 34 °F' })
  await ready(page)
})
