import { ensurePackages } from './lib/machine.mjs'
import { ensureModules } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

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
  })
})
