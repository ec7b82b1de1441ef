import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { copyOf, open, saved } from './helpers'

test('readings leave as a table and come into another job, each once; a wrong line is named and nothing is taken', async ({
  page,
}) => {
  const [from, to] = [await copyOf(page, 'quillfeather-lane'), await copyOf(page, 'osier-walk')]
  await open(page, `${from}/handover`)
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the readings' }).click(),
  ])
  const text = readFileSync(await file.path(), 'utf8')
  const rows = text.trim().split('\r\n').length - 1
  const put = (name: string, body: string) =>
    page.getByLabel('Readings file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(body) })

  await put('same.csv', text)
  const said = page.getByRole('status').filter({ hasText: 'readings' })
  await expect(said).toContainText(`0 readings are imported; ${rows} were here already`)
  await put('wrong.csv', text.replace(/controlVolts,[\d.]+/, 'controlVolts,9000'))
  await expect(page.getByText(/line 2, value: expected 0 to 150 V, found 9000/)).toBeVisible()

  await open(page, `${to}/handover`)
  await put('from another.csv', text)
  await expect(said).toContainText(/\d+ readings are imported/)
  await saved(page)
  await expect(page.getByText('Superseded:').first()).toBeVisible()
})

test('the owner takes reminders into a calendar', async ({ page }) => {
  await open(page, `${await copyOf(page, 'quillfeather-lane')}/setup`)
  await page.getByRole('tab', { name: 'Owner’s card' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Reminders for their calendar' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('quillfeather-lane-reminders.ics'.replace('quillfeather-lane', new URL(page.url()).pathname.split('/')[2]!)) // prettier-ignore
  const text = readFileSync(await file.path(), 'utf8')
  expect(text).toContain('BEGIN:VCALENDAR')
  expect(text.match(/RRULE:FREQ=MONTHLY/g)!.length).toBeGreaterThanOrEqual(2)
})

test('readings stand year by year, with what has drifted, and one unit’s alone', async ({ page }) => {
  const file = (await (await page.request.get('/api/jobs/quillfeather-lane/file')).json()) as {
    readings: { id: string; value: number; when: string; supersedes: string | null }[]
  }
  // A year earlier row 1 had 11.2 Ω (12.1 is 8 % more) and row 2 as much as today.
  const then = (id: string, value: number) => ({
    ...file.readings.find((r) => r.id === id)!,
    id: `${id}-then`,
    value,
    when: '2025-11-20T10:00:00Z',
  })
  const data = { ...file, readings: [then('q5', 11.2), then('q6', 11.9), ...file.readings] }
  const { id } = (await (await page.request.post('/api/jobs?copy=1', { data })).json()) as { id: string }
  await open(page, `/job/${id}/handover`)
  await page.getByRole('tab', { name: 'Year by year' }).click()
  const years = page.getByTestId('years')
  await expect(years).toContainText('1 reading has drifted.')
  await expect(years.getByRole('row', { name: /Row ohms, Strip row 1/ })).toContainText('+8 %, drifts')
  await expect(years.getByRole('row', { name: /Row ohms, Strip row 2/ })).toContainText('+0 %, steady')
  await years.getByLabel('Of').selectOption({ label: 'Air handler' })
  await expect(years.getByRole('row', { name: /Row ohms/ })).toHaveCount(0)
  await expect(years.getByRole('row', { name: /Control volts/ })).toHaveCount(1)
})
