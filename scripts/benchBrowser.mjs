import { ensurePackages } from './lib/machine.mjs'
import { ensureModules } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

const EDITS = 50
/** The demo job with the most reachable states. */
const LARGEST = 'tallow-mill'

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

/** In the page: the least that any program could take, one attribute changed and painted; what the machine itself costs. */
function timeNothing() {
  return new Promise((resolve) => {
    const began = performance.now()
    document.body.dataset.bench = String(began)
    requestAnimationFrame(() => resolve(performance.now() - began))
  })
}

main(async () => {
  await ensurePackages(['postgresql', 'chromium'])
  await ensureModules()
  await withStage({ name: 'bench', browser: true }, async ({ url, browser }) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`${url}/job/saltmarsh-row/bench?call=emergency&t=52`)
    await page.locator('[data-testid=verdict][data-stale=false]').waitFor()
    await page.locator('button[data-terminal="spl.x"]').click()
    const brown = page
      .getByTestId('terminal-panel')
      .getByRole('listitem')
      .filter({ hasText: 'brown conductor of the thermostat' })
    await brown.getByRole('button', { name: 'Move this end' }).click()
    await page.locator('button[data-terminal="ah.W2"]').click()
    await page.getByText(/All \d+ laws hold/).waitFor()
    const session = await page.context().newCDPSession(page)
    for (const rate of [1, 4]) {
      await session.send('Emulation.setCPUThrottlingRate', { rate })
      const relit = []
      const verdict = []
      const nothing = []
      for (let i = 0; i < EDITS; i++) {
        const times = await page.evaluate(timeOneEdit, i % 2 === 1)
        relit.push(times.relit)
        verdict.push(times.verdict)
        await page.waitForTimeout(250)
        nothing.push(await page.evaluate(timeNothing))
        await page.waitForTimeout(50)
      }
      const at = (list, share) =>
        [...list].sort((a, b) => a - b)[Math.ceil(share * list.length) - 1].toFixed(0)
      console.log(
        `browser at ${rate}x throttle, ${EDITS} edits: relit p50 ${at(relit, 0.5)} p95 ${at(relit, 0.95)} ms, verdict p50 ${at(verdict, 0.5)} p95 ${at(verdict, 0.95)} ms; an empty frame of this machine p50 ${at(nothing, 0.5)} p95 ${at(nothing, 0.95)} ms`,
      )
    }
    await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })
    await page.close()
    await sweepInWorker(url, browser)
  })
})

/** The largest demo job's whole sweep, as its own worker times it, over edits of one setting's wire. */
async function sweepInWorker(url, browser) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/job/${LARGEST}/bench`)
  const settled = () => page.locator('[data-testid=verdict][data-stale=false]').waitFor()
  await settled()
  await page.locator('button[data-terminal="tstat.G"]').click()
  await page.getByTestId('terminal-panel').getByRole('button', { name: 'Lift' }).first().click()
  await settled()
  for (let i = 0; i < EDITS; i++) {
    await page.keyboard.press(i % 2 ? 'Control+Shift+z' : 'Control+z')
    await page.waitForTimeout(250)
    await settled()
  }
  const times = (
    await Promise.all(
      page
        .workers()
        .map((w) => w.evaluate(() => performance.getEntriesByName('prove').map((e) => e.duration))),
    )
  ).flat()
  const later = times.slice(10).sort((a, b) => a - b)
  const nth = (share) => later[Math.ceil(share * later.length) - 1].toFixed(0)
  console.log(`${LARGEST} in its worker: ${later.length} sweeps, p50 ${nth(0.5)} p95 ${nth(0.95)} ms`)
  await page.close()
}
