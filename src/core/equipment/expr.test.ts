import { degF } from '../units'
import {
  breakpoints,
  evaluate,
  explain,
  leaves,
  memoryId,
  type Expr,
  type Unknowable,
  type EvalContext,
  type Value,
} from '.'

const context = (
  over: Partial<EvalContext> = {},
  settings: Record<string, Unknowable<Value>> = {},
): EvalContext => ({
  call: 'heat1',
  outdoorF: degF(30),
  setting: (id) => settings[id] ?? null,
  mode: () => 'normal',
  condition: () => false,
  energised: () => 'unknown',
  memory: () => null,
  ...over,
})
const YES: Expr = { call: ['heat1'] }
const NO: Expr = { call: ['cool1'] }
const UNKNOWN: Expr = { set: 'nobodyKnows', is: ['x'] }

describe('three-valued expressions', () => {
  // Kleene's tables, written out.
  it.each([
    [[YES, YES], 'yes', 'yes'],
    [[YES, UNKNOWN], 'unknown', 'yes'],
    [[YES, NO], 'no', 'yes'],
    [[UNKNOWN, UNKNOWN], 'unknown', 'unknown'],
    [[UNKNOWN, NO], 'no', 'unknown'],
    [[NO, NO], 'no', 'no'],
    [[], 'yes', 'no'],
  ] as [Expr[], string, string][])('all and any of %j', (list, all, any) => {
    expect(evaluate({ all: list }, context())).toBe(all)
    expect(evaluate({ any: list }, context())).toBe(any)
  })
  it('turns over with not, and leaves unknown alone', () => {
    expect([YES, NO, UNKNOWN].map((e) => evaluate({ not: e }, context()))).toEqual(['no', 'yes', 'unknown'])
  })
})

describe('a switch with a differential', () => {
  const leaf = { sense: 'outdoor' as const, below: { set: 'point' }, band: 5 }
  const at = (t: number, memory: 'made' | 'broken' | null = null) =>
    evaluate(leaf, context({ outdoorF: degF(t), memory: () => memory }, { point: 35 }))

  it('makes below its point, breaks at the top of its band, and remembers between', () => {
    expect(at(34.9)).toBe('yes')
    expect(at(40)).toBe('no')
    expect([at(35), at(35, 'made'), at(39.9, 'broken')]).toEqual(['unknown', 'yes', 'no'])
  })
  it('cuts the sweep at both ends of the band; without a band at the point; unknown, nowhere', () => {
    const setting = (id: string) => (id === 'point' ? 35 : null)
    expect(breakpoints(leaf, setting)).toEqual([35, 40])
    expect(breakpoints({ sense: 'outdoor', below: 50 }, setting)).toEqual([50])
    expect(breakpoints({ sense: 'outdoor', below: { set: 'other' } }, setting)).toEqual([])
  })
  it('is unknown while its setting is', () => expect(evaluate(leaf, context())).toBe('unknown'))
  it('names its memory by its setting', () => expect(memoryId(leaf)).toBe('band:point'))
})

describe('reasons', () => {
  it('are only those that decide the answer', () => {
    const expr: Expr = { all: [YES, { mode: 'board', is: ['defrost'] }, { sense: 'outdoor', below: 50 }] }
    expect(explain(expr, context())).toMatchObject([
      { kind: 'mode', mode: 'board', state: 'normal', wants: ['defrost'] },
    ])
  })
  it('are all of them where all are needed', () => {
    expect(explain({ any: [NO, UNKNOWN] }, context())).toHaveLength(1)
    expect(explain({ any: [NO, NO] }, context())).toHaveLength(2)
  })
  it('carry the numbers and the turn of a not', () => {
    expect(explain({ not: { sense: 'outdoor', below: 35 } }, context({ outdoorF: degF(52) }))).toEqual([
      {
        kind: 'sense',
        sense: 'outdoor',
        at: 52,
        below: 35,
        band: 0,
        setting: null,
        inBand: false,
        truth: 'no',
        negated: true,
      },
    ])
  })
  it('name a coil', () => {
    expect(explain({ energised: 'k' }, context({ energised: () => 'no' }))).toMatchObject([
      { kind: 'energised', part: 'k' },
    ])
  })
})

it('lists leaves in reading order', () => {
  expect(leaves({ any: [{ not: YES }, { all: [NO, UNKNOWN] }] })).toEqual([YES, NO, UNKNOWN])
})
