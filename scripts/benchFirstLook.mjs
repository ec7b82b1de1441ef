import { ensurePackages } from './lib/machine.mjs'
import { ensureModules } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

const RUNS = 3
/** A slow phone on a slow line: a quarter of this machine's speed, 150 ms there and back, 1.6 Mbit/s. */
const SLOWER = 4
const LINE = { offline: false, latency: 150, downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 }
/** ms after which nothing of a first look is left to be done. */
const DONE_MS = 12_000

/** In the page, before anything else: what is painted when, and every task that keeps a finger waiting. */
function watch() {
  window.seen = { tasks: [], lcp: 0, fcp: 0 }
  const on = (type, act) =>
    new PerformanceObserver((list) => list.getEntries().forEach(act)).observe({ type, buffered: true })
  on('longtask', (e) => window.seen.tasks.push({ at: e.startTime, ms: e.duration }))
  on('largest-contentful-paint', (e) => (window.seen.lcp = e.startTime))
  on('paint', (e) => e.name === 'first-contentful-paint' && (window.seen.fcp = e.startTime))
}

const middle = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]

/** First and largest paint, and the ms over 50 of each task after the first paint, on a page that nothing is kept of. */
async function firstLook(browser, address) {
  const context = await browser.newContext({
    viewport: { width: 412, height: 823 },
    deviceScaleFactor: 1.75,
    isMobile: true,
    hasTouch: true,
  })
  const page = await context.newPage()
  const tools = await context.newCDPSession(page)
  await tools.send('Network.enable')
  await tools.send('Network.emulateNetworkConditions', LINE)
  await tools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  await page.addInitScript(watch)
  await page.goto(address, { waitUntil: 'commit' })
  await page.waitForTimeout(DONE_MS)
  const { tasks, lcp, fcp } = await page.evaluate(() => window.seen)
  await context.close()
  const blocked = tasks.filter((t) => t.at + t.ms > fcp).reduce((sum, t) => sum + Math.max(0, t.ms - 50), 0)
  return { fcp, lcp, blocked }
}

/** npm run bench -- first: the first look of the list and of a job, beside a page that has the framework alone. */
main(async () => {
  await ensurePackages(['postgresql', 'chromium'])
  await ensureModules()
  await withStage({ name: 'first', browser: true }, async ({ url, browser }) => {
    const pages = { 'the framework alone': '/nowhere', 'the list': '/', 'a job': '/job/quillfeather-lane' }
    for (const path of Object.values(pages)) await (await fetch(url + path)).text()
    for (const [name, path] of Object.entries(pages)) {
      const looks = []
      for (let i = 0; i < RUNS; i++) looks.push(await firstLook(browser, url + path))
      const [fcp, lcp, blocked] = ['fcp', 'lcp', 'blocked'].map((k) =>
        middle(looks.map((l) => l[k])).toFixed(0),
      )
      console.log(`${name}: first paint ${fcp} ms, largest ${lcp} ms, a finger waits ${blocked} ms in all`)
    }
  })
})
