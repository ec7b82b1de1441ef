import { expect, test } from '@playwright/test'

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
  const all = await titles.allTextContents()
  const at = (title: string) => all.findIndex((t) => t.includes(title))
  expect(at('8 Brambling Rise')).toBeLessThan(at('14 Candlemaker Yard'))
  expect(at('14 Candlemaker Yard')).toBeLessThan(at('7 Saltmarsh Row'))
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
