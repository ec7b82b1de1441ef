import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'

const JOB = '/job/saltmarsh-row'
const PAGES = [
  '/',
  '/new',
  '/library',
  '/card',
  '/job/tallow-mill/bench?call=heatAux2&t=30',
  `${JOB}/gear`,
  `${JOB}/bench?call=emergency&t=45`,
  '/job/pennywort-close/setup',
  '/job/tallow-mill/crossing?call=heat1&t=30',
  '/job/quillfeather-lane/kit?call=heatAux1&t=52',
  '/job/tallow-mill/bench?call=heat1&t=30&scene=raise4&at=600',
  `${JOB}/startup?call=emergency&t=52`,
  `${JOB}/handover`,
]
const SIZES = { wide: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } }

for (const [size, viewport] of Object.entries(SIZES))
  for (const theme of ['light', 'dark'])
    for (const path of PAGES)
      test(`${path} at ${size}, ${theme}: nothing serious for axe, nothing sideways, nothing shifts`, async ({
        page,
      }) => {
        await page.setViewportSize(viewport)
        await page.emulateMedia({ reducedMotion: 'reduce' })
        await page.addInitScript((t) => localStorage.setItem('gate-cross-theme', t), theme)
        await page.addInitScript(() => {
          const w = window as unknown as { shifted: number; refused: string[] }
          w.shifted = 0
          w.refused = []
          document.addEventListener('securitypolicyviolation', (e) =>
            w.refused.push(`${e.violatedDirective} ${e.blockedURI} ${e.sample}`),
          )
          new PerformanceObserver((list) => {
            for (const e of list.getEntries() as (PerformanceEntry & {
              value: number
              hadRecentInput: boolean
            })[])
              if (!e.hadRecentInput) w.shifted += e.value
          }).observe({ type: 'layout-shift', buffered: true })
        })
        const asked: string[] = []
        page.on('request', (r) => asked.push(new URL(r.url()).hostname))
        await page.goto(path)
        if (path === '/new')
          await page.getByRole('option', { name: /^Marram T2/ }).waitFor({ state: 'attached' })
        else if (path === '/library') await page.getByRole('button', { name: /^Marram T2/ }).waitFor()
        else if (path === '/card') await page.getByRole('heading', { level: 1 }).waitFor()
        else if (path === '/') await page.getByRole('heading', { level: 2 }).first().waitFor()
        else await page.locator('[data-testid=verdict][data-stale=false]').waitFor()
        if (path.includes('scene=')) await page.locator('[data-testid=clock][data-ready=true]').waitFor()
        if (path.includes('/crossing')) await page.locator('.apexcharts-bar-area').first().waitFor()
        const axe = await new AxeBuilder({ page }).analyze()
        const serious = axe.violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
        expect(serious.map((v) => [v.id, v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160))])).toEqual([])
        const { scroll, client, shifted, refused } = await page.evaluate(() => ({
          refused: (window as unknown as { refused: string[] }).refused,
          scroll: document.documentElement.scrollWidth,
          client: document.documentElement.clientWidth,
          shifted: (window as unknown as { shifted: number }).shifted,
        }))
        expect(scroll).toBeLessThanOrEqual(client)
        expect(shifted).toBeLessThan(0.1)
        // The page's own policy refuses nothing of the page.
        expect(refused).toEqual([])
        // Nothing is fetched from outside.
        expect(asked.filter((h) => h !== '127.0.0.1' && h !== '')).toEqual([])
      })
