/** Steps of a drag that are timed. */
const STEPS = 200
/** ms that a step may take beyond one changed attribute: at 1280 px, and at 390 px with a processor four times slower. */
const LIMITS = { wide: 8, phone: 16 }

/** Things to drag: their place, the element that hears the pointer, and the element that they move along. */
const DRAGS = {
  // A gate over the picture of Crossing.
  gate: {
    path: '/job/ferrous-hill/crossing?call=heat1&t=30',
    ready: '[data-gate=changeover]',
    hears: '[data-gate=changeover]',
    along: '[data-testid=crossing-picture] svg',
  },
  // The clock over a tape, while the Bench stands at its second.
  clock: {
    path: '/job/ferrous-hill/bench?call=heat1&t=30&scene=coldNight&at=0',
    ready: '[data-testid=clock][data-ready=true]',
    hears: '[data-testid=tape]',
    along: '[data-testid=tape]',
  },
}

/** In the page: one step of a drag, or one changed attribute, to the end of the frame that shows it; ms. */
function timeOneStep({ x, hears, along }) {
  return new Promise((resolve) => {
    const knob = document.querySelector(hears)
    const box = document.querySelector(along).getBoundingClientRect()
    const began = performance.now()
    if (x === null) document.body.dataset.bench = String(began)
    else
      knob.dispatchEvent(
        new PointerEvent('pointermove', {
          bubbles: true,
          pointerId: 1,
          buttons: 1,
          clientX: box.left + x * box.width,
          clientY: box.bottom - 20,
        }),
      )
    requestAnimationFrame(() => {
      // A task asked for in a frame's callback runs once that frame is painted.
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = () => resolve(performance.now() - began)
      port2.postMessage(null)
    })
  })
}

const at = (list, share) => [...list].sort((a, b) => a - b)[Math.ceil(share * list.length) - 1]

/** A gate dragged over the picture, and the clock over its tape: from input to the end of its paint, less the same for one changed attribute. */
export async function dragLatency(url, browser) {
  for (const [what, { path, ready, hears, along }] of Object.entries(DRAGS))
    for (const [name, viewport, rate] of [
      ['wide', { width: 1280, height: 800 }, 1],
      ['phone', { width: 390, height: 844 }, 4],
    ]) {
      const page = await browser.newPage({ viewport })
      await page.goto(`${url}${path}`)
      await page.locator(ready).waitFor()
      const session = await page.context().newCDPSession(page)
      await session.send('Emulation.setCPUThrottlingRate', { rate })
      // Nothing else is under way while the least that any program could take is timed.
      const nothing = []
      for (let i = 0; i < STEPS; i++)
        nothing.push(await page.evaluate(timeOneStep, { x: null, hears, along }))
      await page.evaluate((hears) => {
        const knob = document.querySelector(hears)
        knob.setPointerCapture = () => undefined
        knob.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, pointerId: 1, buttons: 1 }))
      }, hears)
      const moved = []
      for (let i = 0; i < STEPS; i++)
        moved.push(await page.evaluate(timeOneStep, { x: 0.3 + (0.4 * ((i * 7) % 50)) / 50, hears, along }))
      const extra = at(moved, 0.95) - at(nothing, 0.95)
      console.log(
        `drag of the ${what} at ${viewport.width} px, ${rate}x throttle, ${STEPS} steps: p50 ${at(moved, 0.5).toFixed(1)} p95 ${at(moved, 0.95).toFixed(1)} ms, one attribute ${at(nothing, 0.95).toFixed(1)}: ${extra.toFixed(1)} more (limit ${LIMITS[name]})`,
      )
      await page.close()
    }
}
