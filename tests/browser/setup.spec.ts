import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved } from './helpers'

const part = (page: Page, name: string) =>
  page.getByRole('tablist', { name: 'Parts of the setup' }).getByRole('tab', { name }).click()

test('the interview recommends with reasons, a school changes a group at once, and what is taken says so', async ({
  page,
}) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/setup`)
  await part(page, 'Intents')
  await page.getByLabel('Backup heat on a heat pump fault').selectOption('off')
  await part(page, 'Interview')
  const interview = page.getByTestId('interview')
  await interview
    .getByRole('group', { name: 'Anybody frail in the house?' })
    .getByRole('button', { name: 'Yes' })
    .click()
  const fault = interview.getByRole('listitem').filter({ hasText: 'Backup heat on a heat pump fault' })
  await expect(fault).toContainText('somebody frail lives there')
  await interview.getByRole('button', { name: 'A fixed line' }).click()
  await expect(interview).toContainText('Old one-stage units give little heat in the cold')
  const lockout = interview.getByRole('listitem').filter({ hasText: 'Compressor held off below' })
  await expect(lockout).toContainText('32 °F')
  await fault.getByRole('button', { name: 'Take it' }).click()
  await expect(fault).toHaveCount(0)
  await part(page, 'Intents')
  const row = page
    .getByTestId('intents')
    .getByRole('listitem')
    .filter({ hasText: 'Backup heat on a heat pump fault' })
  await expect(row.first()).toContainText('recommended')
  // What nothing is worked out of says so.
  const scale = page.getByTestId('intents').getByRole('listitem').filter({ hasText: 'Temperature scale' })
  await expect(scale.first()).toContainText("Gate Cross doesn't model this. It changes the display only.")
})

test('a contradiction stands at its intent and its wire, with the smallest change, and the bench’s rules read the same setting', async ({
  page,
}) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/setup`)
  await expect(page.getByTestId('setup-answer')).toHaveText(/do not contradict/)
  await part(page, 'Intents')
  await page.getByLabel('Compressor stages').selectOption('1')
  await expect(page.getByTestId('conflicts')).toContainText(
    'The second stage is landed, and only one is set.',
  )
  await expect(page.getByTestId('conflicts')).toContainText('Thermostat Y2')
  await expect(page.locator('[data-testid=verdict][data-stale=false]')).not.toContainText('rules hold')
  await page.getByTestId('conflicts').getByRole('button', { name: 'What do I change?' }).click()
  await page
    .getByTestId('conflicts')
    .getByRole('button', { name: /^Set Thermostat: Compressor stages to/ })
    .click()
  await expect(page.getByTestId('setup-answer')).toHaveText(/do not contradict/)
  await expect(page.locator('[data-testid=verdict][data-stale=false]')).toContainText(
    /rules hold|Nothing is wrong/,
  )
})

test('a value that the device does not take is refused with its range, and nothing is changed', async ({
  page,
}) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/setup`)
  await part(page, 'Intents')
  const droop = page.getByLabel('Backup droop')
  await droop.fill('9')
  await expect(page.getByText('Not stored: 0 to 5')).toBeVisible()
  await droop.blur()
  await expect(droop).toHaveValue('2')
})

test('what cannot be taken back must be written down first', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  const job = (await (await page.request.get(`/api${path.replace('/job/', '/jobs/')}/file`)).json()) as {
    devices: Record<string, unknown>
    placed: { ref: string; device: string; settings: Record<string, unknown> }[]
    id: string
  }
  const { devices } = (await (await page.request.get('/api/library')).json()) as {
    devices: { id: string; settings: { id: string; default: unknown }[] }[]
  }
  const p2 = devices.find((d) => d.id === 'plover-p2')!
  job.devices['plover-p2'] = p2
  job.placed.push({
    ref: 'second',
    device: 'plover-p2',
    settings: Object.fromEntries(p2.settings.map((s) => [s.id, s.default])),
    label: 'Second thermostat',
  } as never)
  const made = (await (
    await page.request.post('/api/jobs?copy=1', {
      data: JSON.stringify(job),
      headers: { 'content-type': 'application/json' },
    })
  ).json()) as { id: string }
  await open(page, `/job/${made.id}/setup`)
  await page
    .getByRole('group', { name: 'Device' })
    .getByRole('button', { name: /^Second thermostat/ })
    .click()
  const line = page.locator('[data-line="/3-01"]')
  await expect(line.getByRole('checkbox')).toBeDisabled()
  await line.getByLabel(/as found/).fill('3')
  await line.getByRole('checkbox').click()
  await expect(line.getByRole('checkbox')).toBeChecked()
  await expect(line).toContainText('Left so by')
})

test('on paper the Setup is the key-in sheet of every device, with its boxes to tick', async ({ page }) => {
  await open(page, '/job/copper-alley/setup')
  const paper = page.getByTestId('printed-sheets')
  await expect(paper).toBeHidden()
  await page.emulateMedia({ media: 'print' })
  await expect(paper).toBeVisible()
  await expect(page.getByTestId('key-in')).toBeHidden()
  await expect(paper.getByRole('heading', { level: 2 })).toHaveCount(3)
  await expect(paper).toContainText('Defrost interval: 60 min')
  await expect(paper.getByText('[ ]').first()).toBeVisible()
})

test('a stand-in is rehearsed on with its own keys', async ({ page }) => {
  await open(page, '/job/ferrous-hill/setup')
  await page
    .getByRole('group', { name: 'Device' })
    .getByRole('button', { name: /Fossil fuel kit|fuel/i })
    .first()
    .click()
  await page.getByText('Rehearse on a stand-in').click()
  const box = page.getByTestId('rehearse')
  const display = box.getByLabel('Display')
  for (const key of ['4', '1', 'TO', '3', '0', 'SEND'])
    await box.getByRole('button', { name: key, exact: true }).click()
  await expect(display).toHaveText('41 SENT')
  for (const key of ['1', '4', '1', 'SEND']) await box.getByRole('button', { name: key, exact: true }).click()
  await expect(display).toHaveText('141 = 30')
})

test('what changed between visits is a list, and a temporary setting is listed until it is put back', async ({
  page,
}) => {
  const path = await copyOf(page, 'pennywort-close')
  await open(page, `${path}/setup`)
  await expect(page.getByTestId('temporary')).toContainText(
    'Heat pump cycles per hour at 6 an hour, was 3 an hour',
  )
  await page.getByRole('button', { name: /^Put back to 3/ }).click()
  await expect(page.getByTestId('temporary')).toHaveCount(0)
  await part(page, 'Visits')
  const visits = page.getByTestId('visits')
  await expect(visits.getByRole('heading')).toHaveText(/^2 settings have changed since May 6, 2026\./)
  await expect(visits.getByRole('row').filter({ hasText: 'Display offset' })).toContainText('-2 °F')
  await visits.getByRole('button', { name: /^End this visit/ }).click()
  await expect(visits.getByRole('heading')).toHaveText(/^Nothing that was looked at has changed/)
  await part(page, 'Owner’s card')
  await expect(page.getByTestId('owners-card')).toContainText(
    'Backup heat helps only when the room is 2 °F below',
  )
})

test('sixty rows are pasted and three errors put right in at most twelve actions', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.goto('/library')
  await page.getByLabel('Search by name').fill('sorrel h1')
  await page
    .getByRole('button', { name: /^Sorrel H1/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Duplicate' }).click()
  await page.getByRole('button', { name: 'Edit its key-in profile' }).click()
  const lines = Array.from({ length: 60 }, (_, i) => {
    const code = String(100 + i)
    if (i === 6) return [code, 'Odd one', '', 'Off or on'].join('\t')
    if (i === 20) return ['100', 'Twice', '', '0=Off, 1=On'].join('\t')
    if (i === 41) return [code, 'Far', 'nonsense', '0..9'].join('\t')
    return [
      code,
      `Item ${i + 1}`,
      i === 0 ? 'rvSense' : '',
      i === 0 ? '1=Cooling, 2=Heating' : i % 2 ? '0=Off, 1=On' : '0..20/5 min',
    ].join('\t')
  })
  const editor = page.getByTestId('profile-editor')
  // A new menu from the manual: what the copy had is cleared by pasting over all of it.
  let actions = 0
  const act = async (what: Promise<unknown>) => {
    await what
    actions++
  }
  await page.evaluate((t) => navigator.clipboard.writeText(t), lines.join('\n'))
  await act(editor.getByLabel('Code, line 1', { exact: true }).click())
  await act(page.keyboard.press('Control+v'))
  await expect(page.getByTestId('profile-answer')).toHaveText(/60 items|59 items|58 items/)
  await expect(page.getByTestId('profile-answer')).toContainText('3 errors')
  for (const [button, right] of [
    [/^Line 7, values/, '0=Off, 1=On'],
    [/^Line 21, code/, '120'],
    [/^Line 42, intent/, ''],
  ] as const) {
    await act(editor.getByRole('button', { name: button }).click())
    await act(right ? page.keyboard.insertText(right) : page.keyboard.press('Delete'))
  }
  await expect(page.getByTestId('profile-answer')).toHaveText('60 items, no errors.')
  await expect(editor.getByText(/The key-in sheet as it will be, 6\d lines/)).toBeVisible()
  await act(editor.getByRole('button', { name: 'Keep the profile' }).click())
  await expect(editor.getByText('60 items are kept.')).toBeVisible()
  expect(actions).toBeLessThanOrEqual(12)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('a sheet of twenty changes is ticked off in at most thirty taps, sideways nowhere, and resumes at its line', async ({
    page,
  }) => {
    const path = await copyOf(page, 'pennywort-close')
    const id = path.replace('/job/', '')
    // Twenty settings of the thermostat away from the maker's own.
    const changes: [string, string | number][] = [
      ['backupSource', 'lp'], ['sourceLost', 'lastValue'], ['droop', 3], ['upstageTimer', 60],
      ['stageDifferential', 2], ['cyclesHeatPump', 2], ['cyclesBackup', 4], ['earlyRecovery', 'on'],
      ['autoChangeover', 'on'], ['deadBand', 5], ['indoorSensor', 'remote'], ['powerRestart', 'stayOff'],
      ['fanOverrunHeat', 30], ['fanOverrunCool', 90], ['rangeLow', 65], ['rangeHigh', 80], ['displayOffset', 1],
      ['scale', 'C'], ['clock', '24'], ['filterReminder', 6], ['padReminder', 6], ['lampReminder', 12],
    ] // prettier-ignore
    const { version } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as { version: number }
    await page.request.post(`/api/jobs/${id}/ops`, {
      data: {
        base: version,
        ops: changes.map(([setting, value], i) => ({
          opId: `${id}-c${i}`, client: 'test', who: 'Wren Hollis', at: '2026-11-24T00:00:00Z',
          op: { kind: 'setSetting', ref: 'tstat', setting, value },
        })), // prettier-ignore
      },
    })
    await open(page, `${path}/setup`)
    let taps = 0
    const tap = async (target: { tap: () => Promise<void> }) => {
      await target.tap()
      taps++
    }
    await tap(page.getByRole('button', { name: 'It is new from its box' }))
    await page.getByRole('button', { name: '✓ New from its box' }).waitFor()
    const lines = page.locator('li[data-line]')
    const count = await lines.count()
    const sets = await page.locator('li[data-line^="/"]').count()
    expect(sets).toBeGreaterThanOrEqual(20)
    for (let i = 0; i < 10; i++) await tap(lines.nth(i).getByRole('checkbox'))
    await saved(page)
    // An interruption: the page is gone, and comes back where the work was.
    await page.reload()
    await page.locator('li[data-line][data-ticked=true]').nth(9).waitFor()
    await expect(lines.nth(10)).toBeInViewport()
    for (let i = 10; i < count; i++) await tap(lines.nth(i).getByRole('checkbox'))
    await expect(page.getByTestId('sheet-answer')).toHaveText(`All ${sets} keyed in.`)
    const { scroll, client } = await page.evaluate(() => ({
      scroll: document.documentElement.scrollWidth,
      client: document.documentElement.clientWidth,
    }))
    expect(scroll).toBeLessThanOrEqual(client)
    expect(taps).toBeLessThanOrEqual(30)
  })
})
