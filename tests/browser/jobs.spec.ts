import { expect, test } from '@playwright/test'
import { copyOf, listed, open, saved } from './helpers'

test('the list is searched, narrowed by state, and put in order of street', async ({ page }) => {
  await page.goto('/')
  const titles = page.getByRole('heading', { level: 2 })
  await expect(titles.first()).toBeVisible()
  await page.getByLabel('Search').fill('osier')
  await expect(titles.first()).toHaveText('12 Osier Walk')
  await expect(titles.filter({ hasText: 'Saltmarsh' })).toHaveCount(0)
  await page.getByLabel('Search').fill('nobody lives here')
  await expect(page.getByText('No job fits.')).toBeVisible()
  await page.getByLabel('Search').fill('')
  await page.getByLabel('Show').selectOption({ label: 'Failing' })
  await expect(titles.filter({ hasText: '7 Saltmarsh Row' })).not.toHaveCount(0)
  await expect(titles.filter({ hasText: '33 Tansy Street' })).toHaveCount(0)
  await page.getByLabel('Show').selectOption({ label: 'All jobs' })
  await page.getByLabel('Order').selectOption({ label: 'By street' })
  const answer = await page.request.get('/api/jobs?order=street&most=40')
  const { jobs } = (await answer.json()) as { jobs: { title: string; address: string }[] }
  await expect.poll(() => titles.allTextContents()).toEqual(jobs.map((j) => j.title))
  const streets = jobs.map((j) => j.address.replace(/^\d+ /, '').toLowerCase())
  expect(streets).toEqual([...streets].sort())
  expect(new Set(streets).size).toBeGreaterThan(1)
})

test('a long list comes in parts, and every part is there once', async ({ page }) => {
  for (let n = 0; n < 45; n++) await copyOf(page, 'osier-walk')
  await listed(page, 'osier')
  const lines = page.locator('main ul > li')
  // The list from before the search has forty lines too, and its button asks for more of that list.
  await expect(lines.filter({ hasText: 'Osier Walk' })).toHaveCount(40)
  await page.getByRole('button', { name: 'Show more' }).click()
  await expect.poll(() => lines.count()).toBeGreaterThan(45)
  const hrefs = await page.locator('main ul > li a').evaluateAll((a) => a.map((x) => x.getAttribute('href')))
  expect(new Set(hrefs).size).toBe(hrefs.length)
})

test('a job is put away, deleted and brought back, each with undo', async ({ page }) => {
  const path = await copyOf(page, 'osier-walk')
  const id = path.split('/')[2]!
  const line = page.locator('li', { has: page.locator(`a[href="/job/${id}/bench"]`) })
  const act = async (what: string) => {
    await line.getByRole('button', { name: /What to do with/ }).click()
    await page.getByRole('menuitem', { name: what }).click()
  }
  await listed(page, 'osier', 'Newest first')
  await act('Put it away')
  await expect(page.getByRole('status')).toContainText('is put away')
  await expect(line).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(line).toHaveCount(1)
  await act('Delete it')
  await expect(page.getByRole('status')).toContainText('It can be brought back for 30 days')
  await expect(line).toHaveCount(0)
  await page.getByLabel('Where').selectOption({ label: 'Deleted' })
  await expect(line).toContainText('it goes for good on')
  await act('Bring it back')
  await expect(page.getByText('Nothing is here.')).toBeVisible()
  await page.getByLabel('Where').selectOption({ label: 'At work' })
  await expect(line).toHaveCount(1)
})

test('a newer description from the library is taken into a job, landing and settings stay, and undo brings the old one back', async ({
  page,
  request,
}) => {
  const demo = (await (await request.get('/api/jobs/quillfeather-lane/file')).json()) as {
    devices: Record<string, object>
  }
  const old = {
    ...demo,
    id: 'older-description',
    title: 'Older description',
    devices: {
      ...demo.devices,
      'sedge-t50': { ...demo.devices['sedge-t50'], about: 'As described last year.' },
    },
  }
  expect((await request.post('/api/jobs?copy=1', { data: old })).status()).toBe(201)
  await page.goto('/job/older-description/gear')
  await page.getByRole('button', { name: 'Look for newer descriptions in the library' }).click()
  const line = page.getByRole('listitem').filter({ hasText: 'Sedge T50' })
  await line.getByRole('button', { name: 'Take the library’s' }).click()
  await expect(page.getByText('landing and settings stay')).toBeVisible()
  const section = page.getByRole('region', { name: 'Outdoor thermostat' })
  await expect(section).not.toContainText('As described last year.')
  await expect(section.getByRole('textbox', { name: /Closes below/ })).toHaveValue('35')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(section).toContainText('As described last year.')
})

test('the history says who changed what, and any edit’s job is a copy of its own', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await page.addInitScript(() => localStorage.setItem('gate-cross-who', 'Wren Hollis'))
  await open(page, `${path}/gear`)
  const setpoint = page.getByLabel('Closes below, °F')
  await setpoint.fill('41')
  await saved(page)
  await setpoint.fill('22')
  await saved(page)
  await page.getByRole('link', { name: 'Handover' }).click()
  await page.getByRole('button', { name: 'History: who changed what' }).click()
  const lines = page.getByTestId('history').getByRole('listitem')
  await expect(lines.first()).toContainText('22')
  await expect(lines.first()).toContainText('Wren Hollis')
  await lines.filter({ hasText: '41' }).getByRole('button', { name: 'Copy as it was then' }).click()
  await page.getByRole('link', { name: 'open the copy' }).click()
  // The job that it is a copy of has a rail too.
  await page.waitForURL((url) => !url.pathname.startsWith(`${path}/`))
  await page.getByRole('link', { name: 'Gear' }).click()
  await expect(page.getByLabel('Closes below, °F')).toHaveValue('41')
})

test('all jobs leave as one file and come back as one, and what is here already stays', async ({ page }) => {
  await page.goto('/')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export all jobs' }).click(),
  ])
  await page.getByLabel('Job file').setInputFiles(await file.path())
  // The list may say beside it that somebody else has changed it.
  const took = page.getByRole('region', { name: 'Take a job in' }).getByRole('status')
  await expect(took).toContainText('Imported 0 jobs and 0 devices.')
})
