import { expect, test, type Browser } from '@playwright/test'

/** kB of script that a page takes, packed as the browser takes it, until what it is for is there. */
async function scriptsOf(browser: Browser, path: string, ready: string): Promise<number> {
  const context = await browser.newContext({ serviceWorkers: 'block' })
  const page = await context.newPage()
  const sizes: Promise<number>[] = []
  page.on('requestfinished', (r) => {
    if (r.resourceType() === 'script') sizes.push(r.sizes().then((s) => s.responseBodySize))
  })
  await page.goto(path)
  await page.locator(ready).first().waitFor()
  const all = await Promise.all(sizes)
  await context.close()
  return all.reduce((a, b) => a + b, 0) / 1024
}

test('what a page must fetch before it is of use stays small', async ({ browser }) => {
  const list = await scriptsOf(browser, '/', 'main h2')
  const job = await scriptsOf(browser, '/job/quillfeather-lane/bench', '[data-testid=verdict]')
  console.log(`  the list ${list.toFixed(0)} kB, a job ${job.toFixed(0)} kB`)
  expect(list).toBeLessThan(170)
  expect(job).toBeLessThan(350)
})
