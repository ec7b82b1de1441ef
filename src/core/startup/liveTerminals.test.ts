import { demoInstallation, libraryDevice } from '../../../tests/helpers/demo'
import { Circuit, solve } from '../circuit'
import type { Installation, Ref, Wire } from '../installation'
import { degF } from '../units'
import { terminalVolts } from '.'

/** Quillfeather Lane with a second transformer of its own, the outdoor thermostat landed on that alone. */
function withSecond(first: boolean, ...lands: [Ref, Ref][]): Installation {
  const inst = demoInstallation('quillfeather-lane')
  const x = { ref: 'x', label: 'x', device: libraryDevice('sedge-x40'), settings: { tap: 240 } }
  const wire = (a: Ref, b: Ref, i: number): Wire => ({ id: `x${i}`, cable: null, colour: 'red', a, b })
  return {
    ...inst,
    placed: first ? [x, ...inst.placed] : [...inst.placed, x],
    wires: [
      ...inst.wires.filter((w) => ![w.a, w.b].some((end) => end?.startsWith('odt.'))),
      ...([['feedA.L1', 'x.L1'], ['feedA.L2', 'x.L2'], ...lands] as [Ref, Ref][]).map(([a, b], i) =>
        wire(a, b, i),
      ),
    ],
  }
}
const at = (inst: Installation, outdoorF: number) => {
  const volts = terminalVolts(solve(new Circuit(inst), { call: 'off', outdoorF: degF(outdoorF), modes: {} }))
  return (ref: Ref) => volts.get(ref)?.state
}

describe('volts of a device without a common of its own, with two transformers', () => {
  it.each([
    ['the first', true],
    ['the last', false],
  ])('are against the transformer that feeds it, which is %s of the job', (_, first) => {
    // Closed in the cold: both ends of the switch have the second transformer's 24 V.
    const cold = at(withSecond(first, ['x.R', 'odt.T1']), 20)
    expect(['odt.T1', 'odt.T2', 'ah.R', 'tstat.R', 'x.R'].map((r) => cold(r as Ref))).toEqual(
      Array(5).fill('live'),
    )
    // Open in mild weather: the far end has none.
    const mild = at(withSecond(first, ['x.R', 'odt.T1']), 65)
    expect([mild('odt.T1'), mild('odt.T2')]).toEqual(['live', 'dead'])
  })

  it('both commons are common, and what is landed on either', () => {
    const state = at(withSecond(false, ['x.C', 'odt.T1']), 20)
    expect(['x.C', 'ah.C', 'od.C', 'odt.T1'].map((r) => state(r as Ref))).toEqual(Array(4).fill('common'))
  })
})
