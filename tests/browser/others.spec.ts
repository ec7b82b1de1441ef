import { expect, test, type Browser, type Page } from '@playwright/test'
import { copyOf, listed, open, saved } from './helpers'

const named = (page: Page, who: string) =>
  page.addInitScript((name) => localStorage.setItem('gate-cross-who', name), who)
/** One job's Gear on this device and on somebody else's, which it gives. */
async function twoDevices(page: Page, browser: Browser): Promise<Page> {
  const path = await copyOf(page, 'quillfeather-lane')
  const far = await (await browser.newContext()).newPage()
  await named(far, 'Ash Tolland')
  await open(page, `${path}/gear`)
  await open(far, `${path}/gear`)
  return far
}
const setpoint = (page: Page) => page.getByLabel('Closes below, °F')

test('what somebody does on another device is seen within a second, with who and when at its place', async ({
  page,
  browser,
}) => {
  const far = await twoDevices(page, browser)
  await setpoint(far).fill('41')
  const began = Date.now()
  await expect(setpoint(page)).toHaveValue('41')
  console.log(`  seen on the other device after ${Date.now() - began} ms`)
  await expect(page.locator('[data-changed="placed.odt.settings.setpoint"]')).toContainText('Ash Tolland')
  const news = page.getByRole('status', { name: 'What others did' })
  await expect(news).toContainText('Ash Tolland')
  await news.getByRole('button', { name: 'Seen' }).click()
  await expect(news).toBeHidden()
  // The list follows as well, and says what it is about in the end.
  const list = await page.context().newPage()
  await listed(list, '', 'Newest first')
  await expect(list.getByText(/jobs, /)).toBeVisible()
  await far.getByLabel('Job', { exact: true }).fill('Told from afar')
  await far.getByLabel('Job', { exact: true }).press('Enter')
  await expect(list.getByRole('heading', { name: 'Told from afar' })).toBeVisible({ timeout: 10_000 })
  await far.context().close()
})

test('a job that is deleted while somebody works on it says so at once, and is restored from there', async ({
  page,
  browser,
}) => {
  const far = await twoDevices(page, browser)
  const id = new URL(page.url()).pathname.split('/')[2]!
  const answer = await far.request.put(`/api/jobs/${id}/standing`, {
    data: { to: 'deleted', who: 'Ash Tolland' },
  })
  expect(answer.status()).toBe(200)
  const notice = page.getByRole('alert', { name: 'Deleted job' })
  await expect(notice).toContainText('Ash Tolland deleted this job.')
  // What is typed meanwhile is kept.
  await setpoint(page).fill('38')
  await saved(page)
  await notice.getByRole('button', { name: 'Restore job' }).click()
  await expect(notice).toBeHidden()
  const listing = await page.request.get(`/api/jobs/${id}`)
  expect(((await listing.json()) as { deleted: unknown }).deleted).toBeNull()
  await far.context().close()
})

test('two people who read one point each without a signal see that their readings contradict each other', async ({
  page,
  browser,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  const far = await (await browser.newContext({ serviceWorkers: 'block' })).newPage()
  await named(page, 'Wren Hollis')
  await named(far, 'Ash Tolland')
  for (const p of [page, far]) {
    await open(p, `${path}/startup?call=heatAux1&t=25`)
    await p.getByTestId('startup').waitFor()
  }
  await far.context().setOffline(true)
  for (const [p, volts] of [
    [page, '23.6'],
    [far, '0.4'],
  ] as const) {
    const terminal = p.locator('[data-card="heatAux1"] [data-terminal="ah.W1"]')
    await terminal.click()
    await p.getByLabel('Volts, Air handler W1 to C').fill(volts)
    await p.keyboard.press('Enter')
    await expect(terminal).toHaveAttribute('data-verdict', volts === '0.4' ? 'wrong' : 'right')
  }
  await saved(page)
  await far.context().setOffline(false)
  await saved(far)
  await page.goto(`${path}/handover`)
  const said = page.getByText(/Contradiction: Ash Tolland read 0\.4 V here/)
  await expect(said.first()).toBeVisible()
  await expect(page.getByText(/Contradiction: Wren Hollis read 23\.6 V here/).first()).toBeVisible()
  await far.context().close()
})

test('after a deploy a page without the worker loads itself anew once, and keeps what was typed', async ({
  page,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  await page.getByLabel('Owner', { exact: true }).pressSequentially(' and sons')
  // The parts that this page has not fetched yet are gone from the server, until it is asked for the page.
  let gone = true
  let loads = 0
  await page.route('**/_next/static/**', (route) =>
    gone ? route.fulfill({ status: 404, body: '' }) : route.continue(),
  )
  page.on('request', (r) => {
    if (!r.isNavigationRequest()) return
    loads++
    gone = false
  })
  await page.getByRole('link', { name: /^Startup/ }).click()
  await page.getByTestId('startup').waitFor()
  expect(loads).toBe(1)
  await page.getByRole('link', { name: /^Gear/ }).click()
  await expect(page.getByLabel('Owner', { exact: true })).toHaveValue(/and sons/)
})

test('what others do moves no line of the list under a finger: it waits until it is asked for', async ({
  page,
}) => {
  await copyOf(page, 'quillfeather-lane')
  await listed(page, '', 'Newest first')
  const first = page.locator('main li a').first()
  await first.waitFor()
  await expect(page.getByText('jobs, ')).toBeVisible({ timeout: 60_000 })
  const before = await first.getAttribute('href')
  const made = await copyOf(page, 'quillfeather-lane')
  const show = page.getByRole('button', { name: 'Show it as it is now' })
  await show.waitFor()
  expect(await first.getAttribute('href')).toBe(before)
  await show.click()
  await expect(first).toHaveAttribute('href', `${made}/bench`)
  await expect(show).toBeHidden()
})

test('a field that was open while somebody changed it overwrites nothing: both are shown, one tap keeps either', async ({
  page,
  browser,
}) => {
  const far = await twoDevices(page, browser)
  const note = page.getByLabel('Note', { exact: true })
  await note.pressSequentially(' Key under the mat.')
  await far.getByLabel('Note', { exact: true }).fill('Dog in the yard.')
  await far.getByLabel('Note', { exact: true }).press('Enter')
  await expect(page.getByRole('status', { name: 'What others did' })).toBeVisible({ timeout: 10_000 })
  await note.press('Enter')
  const both = page.getByRole('region', { name: 'To decide' })
  await expect(both).toContainText('Key under the mat')
  await expect(both).toContainText('Dog in the yard')
  await both.getByRole('button', { name: 'Use mine' }).click()
  await saved(page)
  await expect(far.getByLabel('Note', { exact: true })).toHaveValue(/Key under the mat/, { timeout: 10_000 })
  await far.context().close()
})

test('a second tab shows an edit at once, with no signal too', async ({ page, context }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  const second = await context.newPage()
  await open(page, `${path}/gear`)
  await open(second, `${path}/gear`)
  await context.setOffline(true)
  await setpoint(page).fill('42')
  await expect(setpoint(second)).toHaveValue('42', { timeout: 5000 })
  await context.setOffline(false)
  await saved(page)
})

test('an edit made in the last moment before the page goes is not lost', async ({ page }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  for (const value of ['21', '22', '23', '24']) {
    // It may be there again before what left it has answered.
    const loaded = page.waitForEvent('load')
    // In one breath: typed, and the page is left before a frame is painted.
    await setpoint(page).evaluate((box, text) => {
      // As a key would: the page hears of it by the event alone.
      Reflect.set(HTMLInputElement.prototype, 'value', text, box)
      box.dispatchEvent(new Event('input', { bubbles: true }))
      window.location.reload()
    }, value)
    await loaded
    await expect(setpoint(page)).toHaveValue(value)
  }
  await saved(page)
})

test('what was half-typed is there again after the tab was closed', async ({ page, context }) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  await page.getByLabel('Owner', { exact: true }).fill('M. Thornb')
  await page.close()
  const again = await context.newPage()
  await open(again, `${path}/gear`)
  const owner = again.getByLabel('Owner', { exact: true })
  await expect(owner).toHaveValue('M. Thornb')
  await expect(again.getByText('Typed, not stored yet')).toBeVisible()
  await owner.press('Enter')
  await saved(again)
  const job = (await (await again.request.get(`/api/jobs/${path.split('/')[2]}`)).json()) as {
    job: { site: { owner: string } }
  }
  expect(job.job.site.owner).toBe('M. Thornb')
})

for (const [how, deny] of [
  [
    'storage is denied',
    () => {
      const no = () => {
        throw new DOMException('denied', 'SecurityError')
      }
      Object.defineProperty(window, 'localStorage', { get: no })
      Object.defineProperty(window, 'indexedDB', { get: no })
    },
  ],
  [
    'the disk is full',
    () => {
      IDBObjectStore.prototype.add = IDBObjectStore.prototype.put = () => {
        throw new DOMException('full', 'QuotaExceededError')
      }
      Storage.prototype.setItem = () => {
        throw new DOMException('full', 'QuotaExceededError')
      }
    },
  ],
] as const)
  test(`${how}: it is said loudly, the work goes on, and the file can be taken`, async ({ page }) => {
    const path = await copyOf(page, 'quillfeather-lane')
    await page.addInitScript(deny)
    await open(page, `${path}/gear`)
    await setpoint(page).fill('43')
    const alert = page.getByRole('alert', { name: 'Nothing is stored here' })
    await expect(alert).toContainText('This device stores nothing')
    await saved(page)
    await page.context().setOffline(true)
    await setpoint(page).fill('44')
    await expect(alert).toContainText('One edit is on this page alone')
    await expect(page.locator('[data-saving=offline]').first()).toContainText('on this page alone')
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      alert.getByRole('button', { name: 'Download the job as a file' }).click(),
    ])
    expect(file.suggestedFilename()).toContain('.json')
    await page.context().setOffline(false)
    await saved(page)
  })
