import { coil, contact, device, install, placed, wire, ALWAYS } from '../../../tests/helpers/build'
import { demoInstallation, jobIds, rewired, without, wireBetween } from '../../../tests/helpers/demo'
import { moved } from '../../../tests/helpers/ruleFixtures'
import { gateWords } from '@/words'
import { Circuit, solve } from '../circuit'
import type { Call } from '../equipment'
import { makeRef, type Installation, type Ref } from '../installation'
import { degF } from '../units'
import { gateChain } from '.'

const chainOf = (inst: Installation, target: Ref, call: Call = 'heat1', t = 30) => {
  const solved = solve(new Circuit(inst), { call, outdoorF: degF(t), modes: {} })
  if (!solved.ok) throw new Error(solved.why)
  return gateChain(solved, target)
}
const first = (inst: Installation, target: Ref, call: Call = 'heat1', t = 30) => {
  const chain = chainOf(inst, target, call, t)
  const gate = chain.first === null ? undefined : chain.gates[chain.first]
  return { because: gate?.because[0], at: gate?.at, words: gate && gateWords(inst, gate).reason }
}
const good = () => demoInstallation('quillfeather-lane')
/** A supply of 24 V with terminals of its own. */
const supply = (volts = 24) =>
  device('supply', ['R', 'C'], [{ kind: 'source', id: 's', a: 'R', b: 'C', volts, ohms: 0.5 }])
const SHORT = { gauge: 18, feet: 1 }
const oneCoil = device('one', ['A', 'B'], [coil('k', 'A', 'B', 6, 1)])

describe('why there are no volts between two ends', () => {
  it('R and C swapped at the thermostat: what it closes is the common', () => {
    const inst = good()
    const [r, c] = [wireBetween(inst, 'ah.R', 'tstat.R'), wireBetween(inst, 'ah.C', 'tstat.C')]
    const end = (w: typeof r, at: string) => (w.a === at ? 'a' : 'b')
    const swapped = rewired(rewired(inst, r.id, { [end(r, 'tstat.R')]: 'tstat.C' }), c.id, {
      [end(c, 'tstat.C')]: 'tstat.R',
    })
    const found = first(swapped, 'od.compressor')
    expect(found).toMatchObject({ at: 'tstat.C', because: { kind: 'crossed', at: ['tstat.C', 'tstat.R'] } })
    expect(found.words).toMatch(/^R and C are crossed at the thermostat/)
  })

  it('a coil between two points of one pole', () => {
    // The outdoor unit's common on R: with Y called both ends of its input stand at R.
    const inst = moved(good(), 'ah.C', 'ah.R', 'od.C')
    expect(first(inst, 'od.compressor')).toMatchObject({
      at: 'ah.C',
      because: { kind: 'notJoined', from: 'ah.C', to: 'od.C', instead: 'ah.R' },
    })
    expect(first(inst, 'od.compressor').words).toBe(
      'No conductor leads from Air handler C to Outdoor unit C. The one that belongs there is on Air handler R',
    )
  })

  it('the jumper from Rc to Rh missing: names the dead R and the live one beside it', () => {
    const id = jobIds().find((j) =>
      demoInstallation(j).wires.some((w) => [w.a, w.b].sort().join() === 'tstat.Rc,tstat.Rh'),
    )!
    const inst = demoInstallation(id)
    const bare = without(inst, wireBetween(inst, 'tstat.Rc', 'tstat.Rh').id)
    const target = bare.placed.flatMap((p) =>
      p.device.parts.flatMap((x) =>
        x.kind === 'load' && (x.does?.what === 'strip' || x.does?.what === 'burner')
          ? [makeRef(p.ref, x.id)]
          : [],
      ),
    )[0]!
    const found = first(bare, target, 'emergency', 10)
    expect(found.because).toEqual({ kind: 'notJoined', from: 'tstat.Rc', to: 'tstat.Rh', instead: null })
    expect(found.words).toMatch(/^No conductor leads from .*Rc to .*Rh$/)
  })

  it('two supplies that share no conductor, and two of which the hot ends meet', () => {
    const list = [placed('one', supply()), placed('two', supply()), placed('k', oneCoil)]
    const apart = install(list, [wire('a', 'one.R', 'k.A', SHORT), wire('b', 'two.C', 'k.B', SHORT)])
    expect(first(apart, 'k.k')).toMatchObject({ because: { kind: 'apart', one: 'one.R', other: 'two.C' } })
    const alike = install(list, [
      wire('a', 'one.R', 'k.A', SHORT),
      wire('b', 'two.R', 'k.B', SHORT),
      wire('c', 'one.C', 'two.C', SHORT),
    ])
    expect(first(alike, 'k.k')).toMatchObject({ because: { kind: 'alike', one: 'one.R', other: 'two.R' } })
    expect(first(alike, 'k.k').words).toBe('Its two ends stand at the same volts: one and two')
  })

  it('a supply of too few volts is said by its volts, and is no missing wire', () => {
    const inst = install(
      [placed('one', supply(12)), placed('k', oneCoil)],
      [wire('a', 'one.R', 'k.A', SHORT), wire('b', 'one.C', 'k.B', SHORT)],
    )
    // 12 V behind 0.5 Ω on 96 Ω: 11.9 V; the coil wants 18.
    expect(first(inst, 'k.k').words).toBe('Only 11.9 V there; it needs 18 V')
  })

  it('what is not wired is still said to be not wired', () => {
    const inst = install([placed('one', supply()), placed('k', oneCoil)], [wire('a', 'one.R', 'k.A', SHORT)])
    expect(first(inst, 'k.k')).toMatchObject({ because: { kind: 'notWired', last: 'k.B' } })
  })

  it('a load that is on by way of another has no gate that blocks it', () => {
    // 96 Ω and 576 Ω in series: 24 · 576 / 672.5 = 20.6 V on the second, enough to pull in at 18.
    const series = device('s', ['R', 'C'], [
      { kind: 'source', id: 's', a: 'R', b: 'C', volts: 24, ohms: 0.5 },
      coil('big', 'R', 'x', 6, 1),
      coil('small', 'x', 'C', 1, 1),
      contact('c', 'R', 'x', { not: ALWAYS }),
    ]) // prettier-ignore
    const chain = chainOf(install([placed('d', series)]), 'd.small', 'off')
    expect(chain).toMatchObject({ running: 'yes', first: null })
    expect(chain.gates.map((g) => [g.state, g.because[0]?.kind])).toEqual([['passing', 'otherWay']])
  })
})
