import { expect, test, type Browser } from '@playwright/test'

/**
 * kB of script that a page asks for, packed as the browser takes it, before what it is for is there.
 * @param live whether that is there by a script alone; else all counts that the page itself names
 */
async function scriptsOf(browser: Browser, path: string, ready: string, live: boolean): Promise<number> {
  const context = await browser.newContext({ serviceWorkers: 'block' })
  const page = await context.newPage()
  // What comes after it, when nothing else is to be done, is told by the moment it was asked for.
  await page.addInitScript((selector) => {
    const look = new MutationObserver(() => {
      if (!document.querySelector(selector)) return
      look.disconnect()
      document.documentElement.dataset.there = String(Date.now())
    })
    look.observe(document, { childList: true, subtree: true })
  }, ready)
  const asked: Promise<{ at: number; bytes: number }>[] = []
  page.on('requestfinished', (r) => {
    if (r.resourceType() === 'script')
      asked.push(
        r.sizes().then(
          (s) => ({ at: r.timing().startTime, bytes: s.responseBodySize }),
          // One that comes in while the page is closed is fetched after what the page is for.
          () => ({ at: Infinity, bytes: 0 }),
        ),
      )
  })
  await page.goto(path)
  await page.locator(ready).first().waitFor()
  const there = live ? Number(await page.locator('html').getAttribute('data-there')) : Infinity
  const all = await Promise.all(asked)
  await context.close()
  return all.filter((r) => r.at <= there).reduce((sum, r) => sum + r.bytes, 0) / 1024
}

test('what a page must fetch before it is of use stays small', async ({ browser }) => {
  const list = await scriptsOf(browser, '/', 'main h2', false)
  const job = await scriptsOf(browser, '/job/quillfeather-lane/bench', '[data-testid=verdict]', true)
  console.log(`  the list ${list.toFixed(1)} kB, a job ${job.toFixed(1)} kB`)
  expect(list).toBeLessThanOrEqual(164)
  // The library that talks to workers (1.9 kB) is asked for before or after, as the machine has time.
  expect(job).toBeLessThanOrEqual(263)
})

test('what a page names is compiled as it comes in, off its thread', async ({ page, request }) => {
  await page.goto('/job/quillfeather-lane/bench')
  const named = await page
    .locator('script[src*="/chunks/"]')
    .evaluateAll((all) => all.map((s) => (s as HTMLScriptElement).src))
  expect(named.length).toBeGreaterThan(5)
  for (const one of named)
    expect(await (await request.get(one)).text()).toMatch(/^\/\/# allFunctionsCalledOnLoad\n/)
})

test.describe('before any script', () => {
  test.use({ javaScriptEnabled: false })

  test('the list and what was proven of a job last are there, and only for who looks', async ({
    page,
    request,
  }) => {
    const answer = await request.get('/api/jobs/quillfeather-lane/summary')
    const { summary } = (await answer.json()) as { summary: { verdict: string } }
    // A database that is slow just then is not waited for: the page goes out without.
    await expect(async () => {
      await page.goto('/job/quillfeather-lane/kit')
      await expect(page.getByText(summary.verdict)).toBeVisible({ timeout: 500 })
    }).toPass({ timeout: 40_000 })
    await expect(page.getByText('As it was proven last.')).toBeVisible()
    await expect(page.getByRole('link', { name: 'Kit' })).toHaveAttribute('aria-current', 'page')
    const title = page.locator('main li h2').first()
    await expect(async () => {
      await page.goto('/')
      await expect(title).toBeVisible({ timeout: 500 })
    }).toPass({ timeout: 40_000 })
    // What is kept on a device for days without a signal comes by such a request.
    for (const [path, name] of [
      ['/', await title.innerText()],
      ['/job/quillfeather-lane/kit', '18 Quillfeather Lane'],
    ] as const)
      expect(await (await request.get(path)).text()).not.toContain(name)
  })
})
