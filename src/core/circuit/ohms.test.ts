import type { Point } from '../installation'
import { demoInstallation, rewired, wireBetween } from '../../../tests/helpers/demo'
import { coil, device, install, placed, wire } from '../../../tests/helpers/build'
import { Circuit, ohmsBetween } from '.'

const ohms = (a: Point, b: Point, inst = demoInstallation('quillfeather-lane')) =>
  ohmsBetween(new Circuit(inst), a, b)

describe('ohms with every supply off', () => {
  it('of a row of strips: 240² / 4800 = 12 Ω across the element, open across the kit at rest', () => {
    expect(ohms('kit.e1a', 'kit.e1b')).toBeCloseTo(12, 1)
    // One end of the element is on L1 through its link; the sequencer keeps the other off L2. What is left between
    // the legs is the blower's transformer: its primary, 1.44 Ω · (240/26.4)² = 119 Ω.
    expect(ohms('kit.L1', 'kit.L2')).toBeCloseTo(119, 0)
  })

  it('of a coil is the resistive part of its impedance', () => {
    // 24² / 8 VA = 72 Ω at power factor 0.5: 36 Ω of copper.
    const box = device('box', ['A', 'C'], [coil('k', 'A', 'C', 8, 0.5)])
    expect(ohmsBetween(new Circuit(install([placed('z', box)])), 'z.A', 'z.C')).toBeCloseTo(36, 3)
  })

  it('of a hundred feet there and back: 18 AWG is 6.4 Ω per thousand feet', () => {
    const box = device('box', ['A', 'B'], [])
    const inst = install(
      [placed('x', box), placed('y', box)],
      [
        wire('go', 'x.A', 'y.A', { gauge: 18, feet: 50 }),
        wire('back', 'y.B', 'x.B', { gauge: 18, feet: 50 }),
        wire('short', 'y.A', 'y.B', { gauge: 18, feet: 0 }),
      ],
    )
    expect(ohmsBetween(new Circuit(inst), 'x.A', 'x.B')).toBeCloseTo(0.64, 1)
  })

  it('is open where nothing joins two points, zero on one, and unknown for a point that is not there', () => {
    const inst = demoInstallation('quillfeather-lane')
    const lifted = rewired(inst, wireBetween(inst, 'ah.Y', 'od.Y').id, { b: null })
    expect(ohms('tstat.Y', 'od.Y', lifted)).toBe(Infinity)
    expect(ohms('ah.R', 'ah.R')).toBe(0)
    expect(ohms('ah.R', 'nobody.X')).toBeNaN()
  })
})
