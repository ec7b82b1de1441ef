import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensurePackages } from './lib/machine.mjs'
import { freePort, startCluster } from './lib/postgres.mjs'
import { ensureBuild, ensureModules } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { prepareDatabase, startServer } from './lib/serve.mjs'

const EDITS = 50

/** In the page: one edit by its key, and the milliseconds until the conductors are relit and the verdict has followed. */
function timeOneEdit(redo) {
  return new Promise((resolve) => {
    const began = performance.now()
    const out = { relit: null, verdict: null }
    const painted = (name) =>
      requestAnimationFrame(() => {
        out[name] ??= performance.now() - began
        if (out.relit !== null && out.verdict !== null) {
          watch.disconnect()
          resolve(out)
        }
      })
    const terminal = document.querySelector('button[data-terminal="ah.W2"]')
    const verdict = document.querySelector('[data-testid=verdict]')
    const before = verdict.firstChild.textContent
    const watch = new MutationObserver(() => {
      if (terminal.dataset.state === (redo ? 'live' : 'dead')) painted('relit')
      if (verdict.dataset.stale === 'false' && verdict.firstChild.textContent !== before) painted('verdict')
    })
    watch.observe(document.body, { subtree: true, attributes: true, childList: true, characterData: true })
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, shiftKey: redo }))
  })
}

main(async () => {
  await ensurePackages(['postgresql', 'chromium'])
  await ensureModules()
  await ensureBuild()
  const { chromium } = await import('@playwright/test')
  const folder = join(tmpdir(), `gate-cross-bench-${process.pid}`)
  const cluster = await startCluster(folder)
  await prepareDatabase(cluster.url)
  const server = await startServer({ port: await freePort(), databaseUrl: cluster.url })
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--disable-background-networking', '--no-sandbox'],
  })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`${server.url}/job/saltmarsh-row/bench?call=emergency&t=52`)
    await page.locator('[data-testid=verdict][data-stale=false]').waitFor()
    await page.locator('button[data-terminal="spl.x"]').click()
    const brown = page
      .getByTestId('terminal-panel')
      .getByRole('listitem')
      .filter({ hasText: 'brown conductor of the thermostat' })
    await brown.getByRole('button', { name: 'Move this end' }).click()
    await page.locator('button[data-terminal="ah.W2"]').click()
    await page.getByText('All 6 laws hold').waitFor()
    for (const rate of [1, 4]) {
      await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate })
      const relit = []
      const verdict = []
      for (let i = 0; i < EDITS; i++) {
        const times = await page.evaluate(timeOneEdit, i % 2 === 1)
        relit.push(times.relit)
        verdict.push(times.verdict)
        await page.waitForTimeout(60)
      }
      const at = (list, share) =>
        [...list].sort((a, b) => a - b)[Math.ceil(share * list.length) - 1].toFixed(0)
      console.log(
        `browser at ${rate}x throttle, ${EDITS} edits: relit p50 ${at(relit, 0.5)} p95 ${at(relit, 0.95)} ms, verdict p50 ${at(verdict, 0.5)} p95 ${at(verdict, 0.95)} ms`,
      )
    }
  } finally {
    await browser.close()
    await server.stop()
    await cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  }
})
