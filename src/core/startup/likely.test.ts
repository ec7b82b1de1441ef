import type { ReadingKind } from '../readings'
import { degF } from '../units'
import { reading } from '../../../tests/helpers/reading'
import { inLikelyOrder } from './likely'
import type { Reading } from './reading'
import type { Cause, Verdict } from './verdict'

const HEAT = { call: 'heat1' as const, outdoorF: degF(40), modes: {} }
const of = (kind: ReadingKind, value: number, over: Partial<Reading> = {}): Reading =>
  reading({ kind, value, at: 'ah', situation: HEAT, withBlower: null, ...over })
const verdict = (causes: readonly Cause['kind'][], over: Partial<Verdict> = {}): Verdict => ({
  verdict: 'wrong',
  rule: 'band',
  unit: '',
  expected: { low: 10, high: 20, nominal: 15 },
  from: {},
  causes: causes.map((kind) => ({ kind }) as Cause),
  ...over,
})

/** The order in which causes are told, where other readings were judged so. */
function order(
  causes: Cause['kind'][],
  others: [Reading, Partial<Verdict>, Cause['kind'][]?][],
  own = of('supplyAir', 80),
): string {
  const all = [own, ...others.map(([r]) => r)]
  const told = inLikelyOrder(verdict(causes), own, all, (x) => {
    const found = others.find(([r]) => r === x)!
    return verdict(found[2] ?? [], found[1])
  })
  return told.causes.map((c) => c.kind).join(' ')
}

describe('the order of causes', () => {
  const AIR: Cause['kind'][] = ['probePlace', 'airflowHigh', 'airflowLow', 'inputLow', 'inputHigh']

  it.each<[string, [ReadingKind, number], string]>([
    ['too much air is the cause itself', ['airflow', 21], 'airflowHigh probePlace airflowLow inputLow inputHigh'],
    ['too little is the other', ['airflow', 9], 'airflowLow probePlace airflowHigh inputLow inputHigh'],
    ['what stands at the end of its band is neither', ['airflow', 10], AIR.join(' ')],
    ['at either end', ['airflow', 20], AIR.join(' ')],
    ['too little gas', ['clockedInput', 9], 'inputLow probePlace airflowHigh airflowLow inputHigh'],
    ['too much gas', ['clockedInput', 21], 'inputHigh probePlace airflowHigh airflowLow inputLow'],
  ])('%s', (_, [kind, value], expected) =>
    expect(order(AIR, [[of(kind, value), { verdict: 'wrong' }]])).toBe(expected),
  ) // prettier-ignore

  it.each<[Cause['kind'], ReadingKind, number]>([
    ['manifoldLow', 'manifold', 9],
    ['manifoldHigh', 'manifold', 21],
    ['inletLow', 'gasInlet', 9],
  ])('%s by the reading itself, on its own side', (cause, kind, value) => {
    const causes: Cause['kind'][] = ['orifice', cause]
    expect(order(causes, [[of(kind, value), { verdict: 'wrong' }]])).toBe(`${cause} orifice`)
    expect(order(causes, [[of(kind, 30 - value), { verdict: 'wrong' }]])).toBe(`orifice ${cause}`)
  })

  it('a right reading speaks against every cause that it would show', () => {
    const right: Partial<Verdict> = { verdict: 'right' }
    const last: [Cause['kind'], ReadingKind][] = [
      ['airflowHigh', 'airflow'], ['airflowLow', 'airflow'], ['airflowLow', 'staticPressure'],
      ['filter', 'staticPressure'], ['filter', 'airflow'], ['duct', 'staticPressure'], ['duct', 'airflow'],
      ['tap', 'airflow'], ['chargeLow', 'subcooling'], ['chargeLow', 'superheat'], ['chargeHigh', 'subcooling'],
      ['chargeHigh', 'superheat'], ['valveLeaks', 'valveDifference'], ['inputLow', 'clockedInput'],
      ['inputHigh', 'clockedInput'], ['manifoldLow', 'manifold'], ['manifoldHigh', 'manifold'],
      ['inletLow', 'gasInlet'], ['capacitorWeak', 'capacitor'], ['utility', 'lineVolts'],
      ['looseLug', 'lineVolts'], ['breakerOff', 'lineVolts'], ['stripsInIt', 'stripAmps'],
    ] // prettier-ignore
    for (const [cause, kind] of last) {
      expect([kind, order([cause, 'probePlace'], [[of(kind, 15), right]])]).toEqual([kind, `probePlace ${cause}`])
      // One that says nothing of it leaves it where it is.
      expect(order([cause, 'probePlace'], [[of('vacuum', 15), right]])).toBe(`${cause} probePlace`)
    } // prettier-ignore
  })

  it('a wrong one, and one to look at again, speak for the causes that they share', () => {
    const causes: Cause['kind'][] = ['probePlace', 'filter']
    for (const v of ['wrong', 'watch'] as const)
      expect(order(causes, [[of('staticPressure', 25), { verdict: v }, ['duct', 'filter']]])).toBe('filter probePlace')
    expect(order(causes, [[of('staticPressure', 25), { verdict: 'wrong' }, ['duct']]])).toBe('probePlace filter')
    expect(order(causes, [[of('staticPressure', 25), { verdict: 'unjudged' }, ['filter']]])).toBe('probePlace filter')
    // What one supports stays so, whatever another says against it.
    const both: [Reading, Partial<Verdict>, Cause['kind'][]?][] = [
      [of('airflow', 15), { verdict: 'right' }],
      [of('staticPressure', 25), { verdict: 'wrong' }, ['filter']],
    ]
    expect(order(causes, both)).toBe('filter probePlace')
    expect(order(['filter', 'probePlace'], both.slice(0, 1))).toBe('probePlace filter')
  }) // prettier-ignore

  it('only of the same state, but for what no call changes', () => {
    const cool = { situation: { ...HEAT, call: 'cool1' as const } }
    const right: Partial<Verdict> = { verdict: 'right' }
    expect(order(['airflowHigh', 'probePlace'], [[of('airflow', 15, cool), right]])).toBe('airflowHigh probePlace')
    for (const [cause, kind] of [['capacitorWeak', 'capacitor'], ['utility', 'lineVolts'], ['inletLow', 'gasInlet']] as const)
      expect(order([cause, 'probePlace'], [[of(kind, 15, cool), right]])).toBe(`probePlace ${cause}`)
  }) // prettier-ignore

  it('ohms speak of the row that they were read at, and of no other', () => {
    const amps = of('stripAmps', 0, { at: 'kit.row1' })
    const right: Partial<Verdict> = { verdict: 'right' }
    const with1 = (at: string) => order(['rowOpen', 'linkOpen'], [[of('rowOhms', 15, { at }), right]], amps)
    expect(with1('kit.row1')).toBe('linkOpen rowOpen')
    expect(with1('kit.row2')).toBe('rowOpen linkOpen')
  })

  it('what is right, has one cause, or was corrected since is not weighed', () => {
    let asked = 0
    const count = () => (asked++, verdict([], { verdict: 'right' }))
    const own = of('supplyAir', 80)
    const air = of('airflow', 15)
    const two = verdict(['airflowHigh', 'filter'])
    expect(inLikelyOrder({ ...two, verdict: 'right' }, own, [own, air], count)).toEqual({ ...two, verdict: 'right' })
    expect(inLikelyOrder(verdict(['filter']), own, [own, air], count).causes).toEqual([{ kind: 'filter' }])
    expect(asked).toBe(0)
    // Each is judged once, however many causes it speaks of.
    inLikelyOrder(two, own, [own, air], count)
    expect(asked).toBe(1)
    const corrected = [own, air, of('airflow', 21, { supersedes: air.id })]
    const said = inLikelyOrder(two, own, corrected, (x) => verdict([], { verdict: x === air ? 'right' : 'wrong' }))
    expect(said.causes[0]).toEqual({ kind: 'airflowHigh' })
  }) // prettier-ignore
})
