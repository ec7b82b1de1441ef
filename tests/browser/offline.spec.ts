import { expect, test, type Page } from '@playwright/test'
import { copyOf, open, saved, verdict } from './helpers'

test.use({ serviceWorkers: 'allow' })

/** The app is on the device as soon as its worker has taken everything and answers this page. */
async function onDevice(page: Page): Promise<void> {
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null, null, { timeout: 90_000 })
}

/** In the page: looks for a newer release, and says whether none is on its way to the device or waits there. */
async function noNewerRelease(): Promise<boolean> {
  const at = await navigator.serviceWorker.ready
  await at.update()
  return !at.installing && !at.waiting
}

/** The library is on the device with its first answer. */
async function libraryOnDevice(page: Page): Promise<void> {
  await page.goto('/library')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.waitForFunction(async () => (await caches.match('/api/library')) !== undefined)
}

/** An edit is in the device's copy of its job: written when nobody has edited for a while. */
async function copyHas(page: Page, jobId: string, setpoint: string): Promise<void> {
  const held = () =>
    page.evaluate(
      (id) =>
        new Promise<string>((resolve, reject) => {
          const open = indexedDB.open('gate-cross')
          open.onerror = () => reject(new Error('the store of the device does not open'))
          open.onsuccess = () => {
            const row = open.result.transaction('seen').objectStore('seen').get(id)
            row.onsuccess = () => resolve(JSON.stringify(row.result ?? null))
            open.result.close()
          }
        }),
      jobId,
    )
  await expect.poll(held).toContain(`"setpoint":${setpoint}`)
}

test('after one visit the app, the library and an opened job open and compute with no signal', async ({
  page,
  context,
}) => {
  const path = await copyOf(page, 'quillfeather-lane')
  await open(page, `${path}/gear`)
  await onDevice(page)
  await page.getByLabel('Closes below, °F').fill('41')
  await saved(page)
  await copyHas(page, path.replace('/job/', ''), '41')
  await libraryOnDevice(page)
  await context.setOffline(true)

  await page.goto(`${path}/gear`)
  await expect(page.getByLabel('Closes below, °F')).toHaveValue('41')
  await expect(verdict(page)).toContainText('states')
  // An edit is proven here, and waits on the device through a reload.
  await page.getByLabel('Closes below, °F').fill('23')
  await expect(verdict(page)).toContainText('states')
  await expect(page.locator('[data-saving=offline]').first()).toContainText('on this device')
  await page.reload()
  await expect(page.getByLabel('Closes below, °F')).toHaveValue('23')
  await page.getByRole('link', { name: 'Bench' }).click()
  await expect(page.locator('[data-chain]').first()).toBeVisible()

  await page.goto('/')
  const here = page.getByRole('listitem').filter({ has: page.locator(`a[href="${path}/bench"]`) })
  await expect(here).toContainText('one edit not on the server yet')
  await expect(here).toContainText(/as of \d+ (second|minute)s? ago/)
  await here.getByRole('link').click()
  await expect(verdict(page)).toContainText('states')
  await page.goto('/library')
  await expect(page.getByText('Sedge T50').first()).toBeVisible()
  await page.goto('/new')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()

  await context.setOffline(false)
  await open(page, `${path}/gear`)
  await saved(page)
  const job = (await (await page.request.get(`/api${path.replace('/job', '/jobs')}`)).json()) as {
    job: { placed: { ref: string; settings: { setpoint?: number } }[] }
  }
  expect(job.job.placed.find((p) => p.ref === 'odt')!.settings.setpoint).toBe(23)
})

test('one file that does not come does not keep the app off the device', async ({ page, context }) => {
  // A bar of signal that comes and goes: the worker's first request for a page is lost.
  let lost = 0
  await context.route('**/card', (route) =>
    route.request().serviceWorker() && lost++ === 0 ? route.abort() : route.continue(),
  )
  await page.goto('/')
  await onDevice(page)
  expect(lost).toBe(2)
  await context.setOffline(true)
  await page.goto('/card')
  await expect(page.getByLabel('Picture of a card')).toBeAttached()
  await context.setOffline(false)
})

test('a new release waits until the person takes it', async ({ page, context }) => {
  // What the server has for a worker changes while the page is open, as with a release.
  let release = 'first'
  await context.route('**/sw.js', async (route) => {
    const answer = await route.fetch()
    await route.fulfill({ response: answer, body: `${await answer.text()}\n// ${release}` })
  })
  await page.goto('/')
  await onDevice(page)
  release = 'second'
  await page.reload()
  const offer = page.getByText('A new version of Gate Cross is here.')
  await expect(offer).toBeVisible({ timeout: 90_000 })
  const loaded = page.waitForEvent('load')
  await page.getByRole('button', { name: 'Take it' }).click()
  await loaded
  await expect(page.getByRole('heading', { name: 'Gate Cross' })).toBeVisible()
  // Asked for a newer release, it finds none, so that there is nothing to offer.
  expect(await page.evaluate(noNewerRelease)).toBe(true)
  await expect(offer).toHaveCount(0)
})

test('a cabinet card opens from its picture with no signal', async ({ page, context }) => {
  const path = await copyOf(page, 'dovecote-lane')
  await open(page, `${path}/handover`)
  await page.getByRole('tab', { name: 'Cabinet card' }).click()
  const picture = await page.locator('.paper-qr').screenshot()
  await onDevice(page)
  await libraryOnDevice(page)
  await context.setOffline(true)
  await page.goto('/card')
  await page
    .getByLabel('Picture of a card')
    .setInputFiles({ name: 'card.png', mimeType: 'image/png', buffer: picture })
  await expect(page.getByTestId('card')).toContainText('Dovecote Lane, as left on')
  await expect(page.getByTestId('card')).toContainText('A cooling call heats')
  await context.setOffline(false)
})
