/** Steps of a drag that are timed. */
const STEPS = 200
/** ms that a step may take beyond one changed attribute: at 1280 px, and at 390 px with a processor four times slower. */
const LIMITS = { wide: 8, phone: 16 }

/** In the page: one step of a gate's drag, or one changed attribute, to the end of the frame that shows it; ms. */
function timeOneStep(x) {
  return new Promise((resolve) => {
    const svg = document.querySelector('[data-testid=crossing-picture] svg')
    const knob = document.querySelector('[data-gate=changeover]')
    const began = performance.now()
    if (x === null) document.body.dataset.bench = String(began)
    else {
      const box = svg.getBoundingClientRect()
      const clientX = box.left + x * box.width
      knob.dispatchEvent(
        new PointerEvent('pointermove', {
          bubbles: true,
          pointerId: 1,
          buttons: 1,
          clientX,
          clientY: box.bottom - 20,
        }),
      )
    }
    requestAnimationFrame(() => {
      // A task asked for in a frame's callback runs once that frame is painted.
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = () => resolve(performance.now() - began)
      port2.postMessage(null)
    })
  })
}

const at = (list, share) => [...list].sort((a, b) => a - b)[Math.ceil(share * list.length) - 1]

/** A gate dragged over the picture: from input to the end of its paint, less the same for one changed attribute. */
export async function dragLatency(url, browser) {
  for (const [name, viewport, rate] of [
    ['wide', { width: 1280, height: 800 }, 1],
    ['phone', { width: 390, height: 844 }, 4],
  ]) {
    const page = await browser.newPage({ viewport })
    await page.goto(`${url}/job/ferrous-hill/crossing?call=heat1&t=30`)
    await page.locator('[data-gate=changeover]').waitFor()
    const session = await page.context().newCDPSession(page)
    await session.send('Emulation.setCPUThrottlingRate', { rate })
    // Nothing else is under way while the least that any program could take is timed.
    const nothing = []
    for (let i = 0; i < STEPS; i++) nothing.push(await page.evaluate(timeOneStep, null))
    await page.evaluate(() => {
      const knob = document.querySelector('[data-gate=changeover]')
      knob.setPointerCapture = () => undefined
      knob.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, pointerId: 1, buttons: 1 }))
    })
    const moved = []
    for (let i = 0; i < STEPS; i++)
      moved.push(await page.evaluate(timeOneStep, 0.3 + (0.4 * ((i * 7) % 50)) / 50))
    const extra = at(moved, 0.95) - at(nothing, 0.95)
    console.log(
      `drag at ${viewport.width} px, ${rate}x throttle, ${STEPS} steps: p95 ${at(moved, 0.95).toFixed(1)} ms, one attribute ${at(nothing, 0.95).toFixed(1)}: ${extra.toFixed(1)} more (limit ${LIMITS[name]})`,
    )
    await page.close()
  }
}
