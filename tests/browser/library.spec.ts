import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved, terminal, verdict } from './helpers'

/** A duplicate of a shipped thermostat, with its key-in profile open. */
async function profileOfCopy(page: Page) {
  await page.goto('/library')
  await page.getByLabel('Search by name').fill('plover s3')
  await page
    .getByRole('button', { name: /^Plover S3/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Duplicate' }).click()
  await page.getByRole('button', { name: 'Edit its key-in profile' }).click()
  return page.getByTestId('profile-editor')
}

test('a device that no library has is described, put into a job and proven', async ({ page }) => {
  await page.goto('/new')
  await page.getByText('Something that is not in the library').click()
  const form = page.getByTestId('device-form')
  await form.getByLabel('What it is').selectOption('airHandler')
  await form.getByLabel('Name').fill('Odd air handler')
  await form.getByLabel('Model and suffix').fill('Q-7')
  await form.getByLabel('W starts the blower').selectOption('true')
  await form.getByLabel('Strips').selectOption('rows')
  await form.getByRole('button', { name: 'Add a row' }).click()
  await form.getByRole('button', { name: 'Add a row' }).click()
  await form.getByRole('button', { name: 'W2', exact: true }).click()
  await form.getByRole('button', { name: 'Add it to the library' }).click()
  await expect(form.getByRole('status')).toHaveText('Odd air handler is in the library.')
  await expect(page.getByLabel('Indoor unit')).toHaveValue(/^own-odd-air-handler-q-7/)
  await page.getByLabel('Job', { exact: true }).fill('Odd house')
  await page.getByLabel('Thermostat', { exact: true }).selectOption('sorrel-h1')
  await page.getByLabel('Outdoor unit').selectOption('marram-s1')
  await page.getByRole('button', { name: 'All of it is new from its box' }).click()
  await page.getByRole('button', { name: 'Make the job' }).click()
  await expect(verdict(page)).toContainText(/All \d+ rules hold|Nothing is wrong in/)
  await expect(page.locator('[data-load="ah.row2"]')).toHaveAttribute('data-on', 'false')
  await page.keyboard.press('5')
  await expect(page.locator('[data-load="ah.row2"]')).toHaveAttribute('data-on', 'true')
})

test('a device file is taken out, taken in, and refused by its line when it is wrong', async ({ page }) => {
  await page.goto('/library')
  await page.getByLabel('Search by name').fill('outdoor thermostat two')
  const item = page.getByRole('button', { name: /Sedge T60/ })
  await item.click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the file' }).click(),
  ])
  const text = readFileSync(await download.path(), 'utf8')
  const wrong = text.replace('"sense": "outdoor"', '"sense": "indoor"')
  const line = wrong.split('\n').findIndex((l) => l.includes('"indoor"')) + 1
  const take = (name: string, body: string) =>
    page
      .getByLabel('Device file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(body) })
  await take('wrong.json', wrong)
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was imported' })).toContainText(
    `wrong.json, line ${line}, parts[0].driver.sense: expected one of outdoor`,
  )
  await take('broken.json', text.slice(0, 40))
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was imported' })).toContainText(
    'broken.json, line ',
  )
  await take('right.json', text)
  await expect(page.getByRole('status').filter({ hasText: 'is in, as' })).toContainText('sedge-t60-2')
  // It stands open: removed again, it is gone.
  await page.getByRole('button', { name: 'Remove from the library' }).click()
  await expect(page.getByText('the shop’s own').filter({ hasText: 'Outdoor thermostat' })).toHaveCount(0)
})

test('a conductor is landed by dragging from one terminal to the other', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/bench?call=off&t=47`)
  const from = (await terminal(page, 'ah.W1').boundingBox())!
  const to = (await terminal(page, 'ah.G').boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(from.x + 30, from.y - 20)
  await page.mouse.move(to.x + 20, to.y + 10)
  await page.mouse.up()
  await expect(page.getByText('Landed from Air handler W1 to Air handler G.', { exact: true })).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(verdict(page)).toHaveText(
    /^All \d+ rules hold in 1,960 states\. \d+ settings stand at their default, not looked at\.$/,
  )
})

test('two tapped points are metered, and a tap with the meter out lands nothing', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/bench?call=heat1&t=40`)
  await page.getByRole('group', { name: 'Tools' }).getByRole('button', { name: 'Meter', exact: true }).click()
  const meter = page.getByTestId('meter')
  await terminal(page, 'ah.R').click()
  await expect(terminal(page, 'ah.R')).toContainText('red')
  await expect(meter.getByLabel('Red lead')).toHaveValue('ah.R')
  await terminal(page, 'ah.C').click()
  await expect(meter.getByLabel('Black lead')).toHaveValue('ah.C')
  const high = meter.locator('dd').first()
  await expect(high).toHaveText(/^2[4-6](\.\d)? V$/)
  // A tap with the meter out lands nothing.
  await expect(page.getByText(/^Landing from/)).toHaveCount(0)
})

test('the wire finder names four unmarked conductors in two trips and records where they are', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/bench?call=off&t=47`)
  await page.getByRole('group', { name: 'Tools' }).getByRole('button', { name: 'Wire finder' }).click()
  const finder = page.getByTestId('wire-finder')
  await finder.getByLabel('Cable').selectOption({ label: 'Outdoor cable' })
  const conductors = finder.locator('ol > li').first().locator('ul').first().getByRole('button')
  const n = await conductors.count()
  // All but four are known already.
  for (let i = n - 1; i >= 4; i--) await conductors.nth(i).click()
  // Four: two alone and a pair at each end. The far order is C, A, D, B of the near conductors 1, 2, 3, 4.
  await expect(finder.getByText(/ alone$/)).toHaveCount(2)
  const size = (name: string, label: string) =>
    finder
      .getByRole('group', { name: `${name} reads through` })
      .getByRole('button', { name: label })
      .click()
  const names: string[] = []
  for (let i = 0; i < 4; i++) names.push(((await conductors.nth(i).textContent()) ?? '').trim())
  // Near 1 and 2 are alone, 3 and 4 twisted; their far letters are C, A and D, B.
  await size('A', 'alone')
  await size('C', 'alone')
  await size('B', '2 together')
  await size('D', '2 together')
  await expect(finder.getByText('twist anew')).toBeVisible()
  const far = (await finder.locator('ol > li').nth(2).getByRole('listitem').allTextContents()).join(' | ')
  expect(far).toMatch(/alone.*alone.*\+/)
  const paired = /([A-D]) \+ ([A-D])/.exec(far)!.slice(1)
  const order = ['C', 'A', 'D', 'B']
  for (let i = 0; i < 4; i++) await size(names[i]!, paired.includes(order[i]!) ? '2 together' : 'alone')
  const found = page.getByTestId('wire-found')
  for (let i = 0; i < 4; i++) await expect(found).toContainText(`${names[i]} is ${order[i]}`)
  // A reload loses nothing of it.
  await page.reload()
  await page.getByRole('group', { name: 'Tools' }).getByRole('button', { name: 'Wire finder' }).click()
  await expect(page.getByTestId('wire-found')).toContainText('All 4 are known')
})

test('a profile that changes under a job does not change the job’s record', async ({ request }) => {
  const { devices } = (await (await request.get('/api/library')).json()) as {
    devices: { id: string; name: string; settings: { id: string; label: string }[] }[]
  }
  const device = devices.find((d) => d.id === 'marram-s1')!
  const { device: own } = (await (
    await request.post('/api/library', {
      data: JSON.stringify(device),
      headers: { 'content-type': 'application/json' },
    })
  ).json()) as { device: { id: string } }
  const job = (await (await request.get('/api/jobs/quillfeather-lane/file')).json()) as {
    id: string
    devices: Record<string, { id: string }>
    placed: { ref: string; device: string }[]
  }
  job.devices[own.id] = own
  job.placed.find((p) => p.ref === 'od')!.device = own.id
  const { id } = (await (
    await request.post('/api/jobs?copy=1', {
      data: JSON.stringify(job),
      headers: { 'content-type': 'application/json' },
    })
  ).json()) as { id: string }
  const before = await (await request.get(`/api/jobs/${id}/file`)).text()
  const changed = { ...own, settings: device.settings.map((s) => ({ ...s, label: `${s.label}, changed` })) }
  const put = await request.put(`/api/library/${own.id}`, {
    data: JSON.stringify(changed),
    headers: { 'content-type': 'application/json' },
  })
  expect(put.ok()).toBe(true)
  expect(await (await request.get(`/api/jobs/${id}/file`)).text()).toBe(before)
  // A wrong one is refused by its line, and what was there stays.
  const wrong = JSON.stringify(changed, null, 2).replace('"kind": "choice"', '"kind": "dial"')
  const refused = await request.put(`/api/library/${own.id}`, {
    data: wrong,
    headers: { 'content-type': 'application/json' },
  })
  expect(refused.status()).toBe(400)
  expect(((await refused.json()) as { error: string }).error).toMatch(
    /^line \d+, settings\[\d\]\.kind: expected one of/,
  )
  await request.delete(`/api/library/${own.id}`)
})

test('a duplicate gets its own name, models and one more item, by the keyboard alone', async ({ page }) => {
  const editor = await profileOfCopy(page)
  await expect(page.getByTestId('profile-answer')).toHaveText('7 items, no errors.')
  await editor.getByLabel('Name', { exact: true }).fill('Plover S4 staged thermostat')
  await editor.getByLabel('Models and revisions').fill('S4, S4-R2')
  await editor.getByLabel('Code, line 7', { exact: true }).focus()
  // Enter goes down a line, Tab to the next cell.
  await page.keyboard.press('Enter')
  await expect(editor.getByLabel('Code, line 8', { exact: true })).toBeFocused()
  for (const text of ['8', 'Chime', '', '0=Off, 1=On']) {
    await page.keyboard.insertText(text)
    await page.keyboard.press('Tab')
  }
  await expect(page.getByTestId('profile-answer')).toHaveText('8 items, no errors.')
  await expect(editor.getByLabel('Preview')).toContainText('Chime')
  await editor.getByRole('button', { name: 'Keep the profile' }).click()
  await expect(editor.getByText('8 items are kept.')).toBeVisible()
  await page.getByLabel('Search by name').fill('s4-r2')
  await expect(page.getByRole('button', { name: /^Plover S4 staged thermostat/ })).toBeVisible()
})

test('a new job offers the part that its practice lacks, and one tap brings it', async ({ page }) => {
  await page.goto('/new')
  await page.getByLabel('Thermostat', { exact: true }).selectOption('sorrel-h2')
  await page.getByLabel('Outdoor unit').selectOption('marram-s1')
  await page.getByLabel('Indoor unit').selectOption('teasel-a3')
  await page.getByLabel('Strip kit').selectOption('teasel-k2')
  const lacks = page.getByTestId('lacks')
  await expect(lacks).toContainText('nothing tells it any yet')
  // Seven conductors are in use, and a sensor takes two: an eight-conductor cable has not enough.
  await expect(lacks).toContainText('1 conductor short for it')
  await page.getByLabel('Thermostat cable').selectOption('10 conductors')
  await lacks.getByRole('button', { name: /^Add .*sensor/i }).click()
  await expect(lacks).not.toContainText('nothing tells it any yet')
  // The thermostat feels for its wires: the defrost output goes through a relay of its own.
  await lacks.getByRole('button', { name: /^Add .*relay/i }).click()
  await expect(lacks).toBeHidden()
})

test('a second way of keying is described, and the key-in sheet is had in either', async ({ page }) => {
  const editor = await profileOfCopy(page)
  await editor.getByRole('button', { name: 'Another way of keying it' }).click()
  await expect(page.getByTestId('profile-answer')).toHaveText('0 items, no errors.')
  await editor.getByLabel('How it is keyed').selectOption('request')
  await editor.getByRole('button', { name: 'What must be known beside its keys' }).click()
  await editor.getByLabel(/^Name of this way/).fill('Request codes')
  await editor.getByLabel('Wait first until').fill('the outdoor unit has sent its data')
  const cells = { Code: '411', 'As the manual calls it': 'STAGES', Intent: 'system + compressorStages' }
  for (const [column, text] of Object.entries(cells)) await editor.getByLabel(`${column}, line 1`).fill(text)
  await editor.getByLabel('Values, line 1').fill('1=Heat pump / One, 2=Heat pump / Two')
  await editor.getByLabel('Note, line 1').fill('reads back 911; default 2 for REV B')
  await expect(page.getByTestId('profile-answer')).toHaveText('1 items, no errors.')
  const preview = editor.getByLabel('Preview')
  await expect(preview).toContainText('until the outdoor unit has sent its data')
  await expect(preview).toContainText('see “411 SENT”')
  await editor.getByRole('button', { name: 'Keep the profile' }).click()
  await expect(editor.getByRole('button', { name: 'Request codes' })).toBeVisible()
})
