import { install, device, placed, wire } from '../../../tests/helpers/build'
import { degF, asOhms } from '../units'
import { tolerances } from '../tolerances'
import { Circuit, meterWithStrays, solve } from '.'

/** 24 V with its common on earth at one end of a two-conductor cable, and a conductor that nothing holds beside it. */
const feet = 100
const source = device(
  'src',
  ['R', 'F'],
  [{ kind: 'source', id: 's', a: 'R', b: '@earth', volts: 24, ohms: 0.1 }],
)
const far = device('far', ['R', 'F'], [])
const inst = {
  ...install(
    [placed('x', source), placed('y', far)],
    [
      { ...wire('hot', 'x.R', 'y.R', { gauge: 18, feet }), cable: 'c' },
      { ...wire('idle', 'x.F', 'y.F', { gauge: 18, feet }), cable: 'c' },
    ],
  ),
  cables: [{ id: 'c', label: 'Cable', kind: 'low' as const, from: 'x', to: 'y', gauge: 18, feet }],
}
const solved = solve(new Circuit(inst), { call: 'off', outdoorF: degF(47), modes: {} })

describe('a conductor that nothing holds', () => {
  if (!solved.ok) throw new Error('does not settle')

  // 12 pF/ft over 100 ft is 1.2 nF: Xc = 1 / (2π · 60 · 1.2e-9) = 2.2105 MΩ, in series with the meter alone.
  it('reads its neighbour’s ghost on a 10 MΩ meter', () => {
    // 24 · 10 / √(10² + 2.2105²) = 23.43 V.
    expect(meterWithStrays(solved, 'y.F', '@earth', asOhms(10e6))).toBeCloseTo(23.43, 1)
  })

  it('and next to nothing on the low-impedance range', () => {
    // 24 · 3000 / 2.2105e6 = 0.0326 V.
    expect(meterWithStrays(solved, 'y.F', '@earth', tolerances.lowMeterOhms)).toBeCloseTo(0.0326, 3)
  })

  it('while a held point reads the same on both, and a point that is not there is unknown', () => {
    expect(meterWithStrays(solved, 'y.R', '@earth', asOhms(10e6))).toBeCloseTo(24, 2)
    expect(meterWithStrays(solved, 'y.R', '@earth', tolerances.lowMeterOhms)).toBeCloseTo(24, 1)
    expect(meterWithStrays(solved, 'y.Q', '@earth', asOhms(10e6))).toBeNaN()
  })
})
