import { readFileSync } from 'node:fs'
import { dragLatency } from './benchDrag.mjs'
import { ensurePackages } from './lib/machine.mjs'
import { ensureModules } from './lib/prepare.mjs'
import { main } from './lib/say.mjs'
import { withStage } from './lib/stage.mjs'

const EDITS = 50
/** The demo job with the most reachable states. */
const LARGEST = 'tallow-mill'

/**
 * In the page: one edit by its key, and the milliseconds until the conductors are relit and the verdict has followed:
 * to the frame that shows it, and to the end of that frame, styled, laid out and painted.
 */
function timeOneEdit(redo) {
  return new Promise((resolve) => {
    const began = performance.now()
    const out = { relit: null, relitPainted: null, verdict: null, verdictPainted: null }
    const seen = (name) =>
      requestAnimationFrame(() => {
        out[name] ??= performance.now() - began
        // A task asked for in a frame's callback runs once that frame is done.
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = () => {
          out[`${name}Painted`] ??= performance.now() - began
          if (out.relitPainted === null || out.verdictPainted === null) return
          watch.disconnect()
          resolve(out)
        }
        port2.postMessage(null)
      })
    const terminal = document.querySelector('button[data-terminal="ah.W2"]')
    const verdict = document.querySelector('[data-testid=verdict]')
    const before = verdict.firstChild.textContent
    const watch = new MutationObserver(() => {
      if (terminal.dataset.state === (redo ? 'live' : 'dead')) seen('relit')
      if (verdict.dataset.stale === 'false' && verdict.firstChild.textContent !== before) seen('verdict')
    })
    watch.observe(document.body, { subtree: true, attributes: true, childList: true, characterData: true })
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, shiftKey: redo }))
  })
}

/** In the page: the least that any program could take, one attribute changed and its frame; what the machine itself costs. */
function timeNothing() {
  return new Promise((resolve) => {
    const began = performance.now()
    document.body.dataset.bench = String(began)
    requestAnimationFrame(() => resolve({ nothing: performance.now() - began }))
  })
}

/** In the page: a fixed piece of arithmetic, so that runs on a faster and a slower hour can be told apart. */
function timeArithmetic() {
  const began = performance.now()
  let x = 1
  for (let i = 0; i < 2e6; i++) x = (x * 48271) % 2147483647
  return { arithmetic: performance.now() - began, x }
}

/** Hundredths of a second that a virtual machine's host has given to others; 0 where the system does not say. */
function stolen() {
  try {
    return Number(readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/)[8])
  } catch {
    return 0
  }
}

/** The middle and the slow end of a list of ms. */
function middleAndSlow(list) {
  const sorted = [...list].sort((a, b) => a - b)
  const at = (share) => sorted[Math.ceil(share * sorted.length) - 1].toFixed(0)
  return `p50 ${at(0.5)} p95 ${at(0.95)}`
}

/** All that was measured of some edits, in a line. */
function report(times) {
  const both = (name) => middleAndSlow(times.map((t) => t[name]))
  return `relit ${both('relit')} (painted ${both('relitPainted')}), verdict ${both('verdict')} (painted ${both('verdictPainted')}); of this machine: an empty frame ${both('nothing')}, two million steps of arithmetic ${both('arithmetic')}`
}

main(async () => {
  await ensurePackages(['postgresql', 'chromium'])
  await ensureModules()
  await withStage({ name: 'bench', browser: true }, async ({ url, browser }) => {
    await dragLatency(url, browser)
    if (process.argv[2] === 'drag') return
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
    await page.getByText(/All \d+ rules hold|Nothing is wrong in/).waitFor()
    const session = await page.context().newCDPSession(page)
    for (const rate of [1, 4]) {
      await session.send('Emulation.setCPUThrottlingRate', { rate })
      const times = []
      for (let i = 0; i < EDITS; i++) {
        const before = stolen()
        const edit = await page.evaluate(timeOneEdit, i % 2 === 1)
        const taken = stolen() - before
        await page.waitForTimeout(250)
        const nothing = await page.evaluate(timeNothing)
        times.push({ ...edit, ...nothing, ...(await page.evaluate(timeArithmetic)), taken })
        await page.waitForTimeout(50)
      }
      console.log(`browser at ${rate}x throttle, ${EDITS} edits, ms: ${report(times)}`)
      const own = times.filter((t) => t.taken === 0)
      if (own.length < EDITS && own.length > 0)
        console.log(
          `  the ${own.length} of them during which the host gave no time to others: ${report(own)}`,
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
  const later = times.slice(10)
  console.log(`${LARGEST} in its worker: ${later.length} sweeps, ${middleAndSlow(later)} ms`)
  await page.close()
}
