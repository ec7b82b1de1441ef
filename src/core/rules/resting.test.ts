import { ALWAYS, coil, contact, device, install, placed } from '../../../tests/helpers/build'
import { demoInstallation, jobIds, libraryDevice } from '../../../tests/helpers/demo'
import { joined } from '../../../tests/helpers/ruleFixtures'
import { Circuit, solve } from '../circuit'
import type { Part } from '../equipment'
import type { Installation, Ref } from '../installation'
import type { Situation } from '../situation'
import { degF } from '../units'
import { prove } from '.'
import { otherRests } from './resting'

const supply: Part = { kind: 'source', id: 's', a: 'R', b: 'C', volts: 24, ohms: 0.5 }
const at = (call: Situation['call'], after?: Situation): Situation => ({
  call,
  outdoorF: degF(47),
  modes: {},
  ...(after ? { after } : {}),
})
const circuitOf = (parts: Part[]) => new Circuit(install([placed('d', device('d', ['R', 'C'], parts))]))
const energised = (circuit: Circuit, s: Situation, ref: Ref) => {
  const solved = solve(circuit, s)
  if (!solved.ok) throw new Error(solved.why)
  return solved.energised(ref)
}

describe('a circuit that remembers', () => {
  const latch = circuitOf([
    supply,
    contact('start', 'R', 'x', { call: ['fan'] }),
    contact('seal', 'R', 'x', { energised: 'k' }),
    coil('k', 'x', 'C', 6, 1),
  ])

  it('a relay that seals itself in stays in when its start contact opens, and out where it never closed', () => {
    expect(latch.hasMemory()).toBe(true)
    expect(energised(latch, at('off'), 'd.k')).toBe(false)
    expect(energised(latch, at('fan'), 'd.k')).toBe(true)
    expect(energised(latch, at('off', at('fan')), 'd.k')).toBe(true)
    expect(energised(latch, at('off', at('off')), 'd.k')).toBe(false)
  })

  it('has one more rest for each situation but the one that pulls it in', () => {
    const rests = otherRests(latch, ['off', 'fan', 'cool1'], [degF(47)])
    // Off and cooling stage 1: one more each, straight after the fan's call.
    expect(rests.map((r) => [r.situation.call, r.situation.after?.call]).sort()).toEqual([
      ['cool1', 'fan'],
      ['off', 'fan'],
    ])
  })

  it('of two relays that lock each other out, the one that was first stays', () => {
    const pair = circuitOf([
      supply,
      contact('first', 'R', 'a', { call: ['fan', 'heat1'] }),
      contact('second', 'R', 'b', { call: ['cool1', 'heat1'] }),
      contact('nc1', 'a', 'x', { not: { energised: 'two' } }),
      coil('one', 'x', 'C', 6, 0.5),
      contact('nc2', 'b', 'y', { not: { energised: 'one' } }),
      coil('two', 'y', 'C', 6, 0.5),
    ])
    const both = (after: Situation) =>
      (['d.one', 'd.two'] as const).map((ref) => energised(pair, at('heat1', after), ref))
    expect(both(at('fan'))).toEqual([true, false])
    expect(both(at('cool1'))).toEqual([false, true])
    // From rest one of the two wins; the other answer is found beside it.
    expect(otherRests(pair, ['off', 'fan', 'cool1', 'heat1'], [degF(47)])).toHaveLength(1)
  })

  it('a coil that holds on 14.7 V and pulls in at 18 remembers without any contact of its own ahead of it', () => {
    // Short of 60 Ω by the fan's call: 24 V; without it 24 · 96 / (96 + 60.5) = 14.7 V, above its drop-out of 10.
    const weak = circuitOf([
      supply,
      contact('full', 'R', 'x', { call: ['fan'] }),
      { kind: 'path', id: 'p', a: 'R', b: 'x', ohms: 60 },
      coil('k', 'x', 'C', 6, 1),
      contact('lamp', 'R', 'y', { energised: 'k' }),
      coil('lampCoil', 'y', 'C', 6, 1),
    ])
    expect(weak.hasMemory()).toBe(false)
    const off = weak.settle(at('off'))
    if (!off.ok) throw new Error(off.why)
    expect(weak.holdsOn(off)).toBe(true)
    expect(energised(weak, at('off', at('fan')), 'd.lampCoil')).toBe(true)
    expect(otherRests(weak, ['off', 'fan'], [degF(47)])).toMatchObject([
      { situation: { call: 'off', after: { call: 'fan' } } },
    ])
  })

  it('a chain of relays, each moved by the one before, has one rest only', () => {
    const chain = circuitOf([
      supply,
      contact('start', 'R', 'x', { call: ['fan'] }),
      coil('one', 'x', 'C', 6, 1),
      contact('c1', 'R', 'y', { energised: 'one' }),
      coil('two', 'y', 'C', 6, 1),
      contact('c2', 'R', 'z', { not: { energised: 'two' } }),
      coil('three', 'z', 'C', 6, 1),
      contact('c3', 'R', 'C2', { energised: 'three' }),
    ])
    expect(chain.hasMemory()).toBe(false)
    expect(otherRests(chain, ['off', 'fan'], [degF(47)])).toEqual([])
  })
})

describe('a proof of a circuit that remembers', () => {
  /** A relay from the truck beside the strips' W1, its own contact feeding W1 from R. */
  const sealed = (): Installation => {
    const inst = demoInstallation('quillfeather-lane')
    const relay = placed('rel', libraryDevice('sedge-r1'))
    const jumpers: [Ref, Ref][] = [
      ['rel.A1', 'ah.W1'],
      ['rel.A2', 'ah.C'],
      ['rel.COM', 'ah.R'],
      ['rel.NO', 'ah.W1'],
    ]
    return jumpers.reduce((i, [a, b]) => joined(i, a, b), { ...inst, placed: [...inst.placed, relay] })
  }

  it('finds strips that never let go after one emergency call, which from rest no state shows', () => {
    const proof = prove(sealed())
    const found = proof.findings.find((f) => f.rule === 'quietUncalled')
    // Nothing heats from rest in "off"; after emergency heat W1 holds itself. Of the points 45 and 50, 45 is nearer the mild point.
    expect(found?.witness).toMatchObject({ call: 'off', outdoorF: 45, modes: {}, after: { modes: {} } })
    expect(proof.factors.otherRests).toBeGreaterThan(0)
    const circuit = new Circuit(sealed())
    const { after: _, ...alone } = found!.witness!
    expect(energised(circuit, alone, 'kit.row1')).toBe(false)
    expect(energised(circuit, found!.witness!, 'kit.row1')).toBe(true)
  })

  it.each(jobIds())('%s: no demo job has a coil that remembers', (id) =>
    expect(new Circuit(demoInstallation(id)).hasMemory()).toBe(false),
  )
  it('counts no other rest where nothing remembers', () =>
    expect(
      prove(install([placed('d', device('d', ['R', 'C'], [supply, contact('c', 'R', 'C2', ALWAYS)]))]))
        .factors.otherRests,
    ).toBe(0))
})
