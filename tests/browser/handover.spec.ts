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
