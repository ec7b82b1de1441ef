import { demoInstallation, libraryDevice } from '../../../tests/helpers/demo'
import type { ContactPart, Part } from '../equipment'
import type { Placed } from '../installation'
import {
  bankTable,
  clockedInput,
  conductorFor,
  heatingVa,
  identifyKit,
  kitSequence,
  largestBreaker,
  nextBreaker,
  inputAtSite,
  nozzleFlow,
  nozzleFor,
  oilInput,
  serviceLoad,
  USUAL_KITS,
  type KitClues,
} from '.'
import { identitySentences } from '../../words'

const placed = (id: string): Placed => ({ ref: 'kit', label: 'Kit', device: libraryDevice(id), settings: {} })
const banks = (id: string) => bankTable(placed(id)).map((b) => [b.inputs.join('+'), b.rows.map((r) => r.row)])

describe('the bank table', () => {
  it('two rows on a sequencer each', () =>
    expect(banks('teasel-k2')).toEqual([
      ['W1', [1]],
      ['W1+W2', [1, 2]],
    ]))
  it.each(['marram-p4', 'brindle-e1'])('%s: rows in a cabinet with a board of its own', (id) =>
    expect(banks(id)).toEqual([
      ['W1', [1]],
      ['W1+W2', [1, 2]],
    ]),
  )
  it('one row', () => expect(banks('teasel-k1')).toEqual([['W1', [1]]]))
  it('three and four rows on two inputs', () => {
    const all = (id: string) => banks(id).map(([, rows]) => (rows ?? []).length)
    expect(all('teasel-k3')).toEqual([2, 3])
    expect(all('teasel-k4')).toEqual([2, 4])
  })
})

describe('conductors and breakers', () => {
  it.each([
    // 9.6 kW with a 2.4 A blower: 42.4 A · 1.25 = 53 A: 6 AWG at 75 °C (65 A), 6 AWG too as NM-B (55 A), 60 A breaker.
    [53, 6, 6, 60],
    // 5 kW alone: 20.83 · 1.25 = 26.04 A: 10 AWG (35 A, and capped at 30), 30 A.
    [26.04, 10, 10, 30],
    // 31 A is above the 30 A that 10 AWG is held to on strips.
    [31, 8, 8, 35],
    // 7.5 kW with 2.4 A: 33.65 · 1.25 = 42.06 A: 8 AWG at 75 °C (50 A), 6 as NM-B (8 AWG has 40 A).
    [42.06, 8, 6, 45],
  ])('%d A: %d AWG at 75 °C, %d in cable, breaker %d', (amps, at75, at60, breaker) => {
    expect([conductorFor(amps, 'copper75'), conductorFor(amps, 'copper60'), nextBreaker(amps)]).toEqual([
      at75,
      at60,
      breaker,
    ])
  })

  it('an outdoor unit’s small conductors are not capped', () => {
    expect([conductorFor(31, 'copper75', true), conductorFor(31, 'copper75')]).toEqual([10, 8])
  })

  it('the breaker may be the next size above the ampacity', () => {
    // 6 AWG NM-B: 55 A, so 60. 10 AWG on strips: 30, whatever its 35 A.
    expect([
      largestBreaker(6, 'copper60'),
      largestBreaker(10, 'copper75'),
      largestBreaker(8, 'copper75'),
    ]).toEqual([60, 30, 50])
  })

  it('what no conductor of the table carries is said', () => expect(conductorFor(151, 'copper75')).toBeNull())
})

describe('which kit is this', () => {
  const fits = (clues: KitClues, options = {}) =>
    identifyKit(clues, USUAL_KITS, options).fits.map((k) => k.watts.map((w) => w / 1000).join('+'))

  it.each([
    // 240² / 5000 = 11.52 Ω; 240² / 3000 = 19.2 Ω; 240² / 4800 = 12 Ω.
    [{ ohms: [11.4, 19] }, ['5+3']],
    [{ labelKw: 9.6 }, ['4.8+4.8']],
    [{ labelKw: 10, rows: 2 }, ['5+5']],
    // 10 kW draws 41.7 · 1.25 = 52.1: a 60; 9.6 kW 40 · 1.25 = 50, which a 50 is; 5 + 5 + 5 draws 62.5 A.
    // Of the larger ones it may be one of two: 15 kW as 60 + 30, 20 kW as 60 + 60.
    [{ breakers: [60] }, ['5+5', '5+5+5', '5+5+5+5']],
    [{ breakers: [60, 60] }, ['5+5+5+5']],
    [{ breakers: [30, 60] }, ['5+5+5']],
    [{ breakers: [50] }, ['4.8+4.8']],
    // 30 A: 5 kW draws 20.8 · 1.25 = 26.04.
    [{ breakers: [30] }, ['5', '5+5+5']],
    // 8 kW draws 33.3 · 1.25 = 41.7: a 45; 7.5 kW 39.06: a 40.
    [{ breakers: [40] }, ['7.5']],
    [{ breakers: [45] }, ['5+3']],
    // 62.5 A of three rows at 240 V is 54.2 at 208.
    [{ amps: 54, volts: 208 }, ['5+5+5']],
    [{ rows: 4 }, ['5+5+5+5']],
  ] as const)('%j: %j', (clues, kits) => expect(fits(clues)).toEqual(kits))

  it('a blower on the same breaker may make it a size larger: 7.5 kW with 3.5 A is 43.4, a 45', () => {
    expect(fits({ breakers: [45] }, { blowerA: 3.5 })).toEqual(['7.5', '5+3'])
  })

  it('at 208 V a breaker names other kits: 10 kW draws 36.1 · 1.25 = 45.1, a 50', () => {
    expect(fits({ breakers: [50], rows: 2 }, { volts: 208 })).toEqual(['5+5'])
    expect(fits({ breakers: [50] }, { volts: 240 })).toEqual(['4.8+4.8'])
  })

  it('a label’s breaker is the largest: 60 A fits every kit that needs no more, 40 A up to 7.5 kW', () => {
    // 9.6 kW draws 40 · 1.25 = 50 A, 10 kW 52.1: a 60; 8 kW 41.7: a 45; three rows 78.1: an 80.
    expect(fits({ labelBreaker: 60 })).toEqual(['5', '7.5', '5+3', '4.8+4.8', '5+5'])
    expect(fits({ labelBreaker: 40 })).toEqual(['5', '7.5'])
  })

  it('amps say nothing without volts, and ask for them', () => {
    const found = identifyKit({ amps: 39 }, USUAL_KITS)
    expect(found).toMatchObject({ fits: [], byClue: [], needsVolts: true })
    expect(identitySentences(found).join(' ')).toMatch(/Amps need the volts/)
  })

  it('OL across an element is an open row; across a whole row it is its relay; else it is asked', () => {
    const open = (across?: 'element' | 'row') =>
      identifyKit({ ohms: [11.5, 'OL'], ...(across ? { across } : {}) }, USUAL_KITS)
    expect([open('element').openRow, open('row').openRow, open().openRow]).toEqual(['element', 'row', 'ask'])
    // Another row is there, whatever it has.
    expect(open('element').fits.map((k) => k.watts.length)).not.toContain(1)
  })

  it('ohms and volts give amps: 240 V across 12.06 and 20.2 Ω are 19.9 + 11.9 A', () => {
    const found = identifyKit({ ohms: [12.06, 12.06, 20.2], volts: 240 }, USUAL_KITS)
    expect(found.rowAmps.map((a) => a.toFixed(1))).toEqual(['19.9', '19.9', '11.9'])
    expect(identitySentences(found).join(' ')).toContain('19.9 + 19.9 + 11.9 A = 51.7 A')
  })

  it('names ohms that no listed kit has', () => {
    // 240² / 15 = 3,840 W: between 3 kW (19.2 Ω) and 4.8 (12), each off by more than a tenth.
    const found = identifyKit({ ohms: [15] }, USUAL_KITS)
    expect(found.strayOhms).toEqual([15])
    expect(identitySentences(found).join(' ')).toContain('No listed kit has a row of 15 Ω (3.8 kW at 240 V)')
  })

  it('two clues that no kit satisfies together contradict each other', () => {
    const found = identifyKit({ labelKw: 10, amps: 21, volts: 240, rows: 2 }, USUAL_KITS)
    expect(found.fits).toEqual([])
    expect(found.contradictions).toEqual([
      ['labelKw', 'amps'],
      ['amps', 'rows'],
    ])
  })

  it('names what to look at next, and nothing once one kit is left', () => {
    // With a blower of 2.4 A a 60 feeds 9.6 (53 A) or 10 kW: the label tells them apart at a glance.
    expect(identifyKit({ breakers: [60] }, USUAL_KITS, { blowerA: 2.4 }).next).toBe('labelKw')
    expect(identifyKit({ labelKw: 9.6 }, USUAL_KITS).next).toBeNull()
    expect(identifyKit({}, USUAL_KITS)).toMatchObject({ fits: [], next: null })
  })
})

describe('the service', () => {
  const heating = { compressorVa: 3500, stripsVa: 9600, blowerVa: 500, neverTogether: false }

  it('of an existing dwelling: 8 kVA whole, 40 % of the rest, heating whole', () => {
    // 3 · 2000 + 4500 + 12,000 = 22,500: 8000 + 5800; heating 13,600: 27,400 VA, 114.2 A
    const load = serviceLoad({
      method: 'existing',
      serviceA: 100,
      areaFt2: 2000,
      applianceVa: 12_000,
      ...heating,
    })
    expect(load?.va).toBeCloseTo(27_400, 6)
    expect(load?.amps).toBeCloseTo(114.167, 2)
    expect(load?.fits).toBe(false)
  })

  it('of a new one: 10 kVA whole, strips at 65 %', () => {
    // 10,000 + 5000 + 3500 + 6240 + 500 = 25,240 VA, 105.2 A
    const load = serviceLoad({ method: 'new', serviceA: 125, areaFt2: 2000, applianceVa: 12_000, ...heating })
    expect(load?.va).toBeCloseTo(25_240, 6)
    expect(load?.fits).toBe(true)
  })

  it('by its meter: a quarter more than the peak, and the new load', () => {
    // 1.25 · 9000 + 13,600 = 24,850
    const load = serviceLoad({ method: 'metered', serviceA: 100, peakKw: 9, ...heating })
    expect(load?.va).toBeCloseTo(24_850, 6)
  })

  it('leaves the compressor out where it is proven never to run with the strips', () => {
    const load = serviceLoad({ method: 'metered', serviceA: 100, peakKw: 9, ...heating, neverTogether: true })
    // 11,250 + 9600 + 500
    expect(load?.va).toBeCloseTo(21_350, 6)
  })

  it('counts one speed of a blower, and nothing of the control circuit', () => {
    // The furnace's blower draws 300, 540 or 480 VA by its speed; compressor 3,100 and fan 190, its second stage's coil is on 24 V.
    expect(heatingVa(demoInstallation('tallow-mill'))).toEqual({
      compressorVa: 3290,
      stripsVa: 0,
      blowerVa: 540,
    })
  })

  it('says nothing without what it hangs on', () => {
    expect(serviceLoad({ method: 'metered', serviceA: 100, ...heating })).toBeNull()
    expect(serviceLoad({ method: 'new', serviceA: 100, areaFt2: 2000, ...heating })).toBeNull()
  })
})

describe('a burner', () => {
  it('clocked: 2 ft³ in 90 s of gas with 1,030 BTU are 82,400 BTU/h', () =>
    expect(clockedInput(2, 90, 1030)).toBeCloseTo(82_400, 6))
  it('by a meter at 5,280 ft that does not compensate: 12.10 psi and 0.25 of 14.73 are 84 % of the gas', () => {
    // (12.10 + 0.25) / 14.73 = 0.838.
    expect(clockedInput(2, 90, 1030, 5280) / 82_400).toBeCloseTo(0.838, 2)
    // Below sea level no foot holds more than a sold one is taken to.
    expect(clockedInput(2, 90, 1030, -280)).toBeCloseTo(82_400, 6)
  })
  it('fires 63,104 of 80,000 BTU/h at 5,280 ft, all of it up to 2,000 ft, and oil all of it', () => {
    const plate = { inputBtuh: 80_000 }
    expect(inputAtSite(plate, 'gas', 5280)).toEqual({ btuh: expect.closeTo(63_104, 6), isDerated: true })
    expect(inputAtSite(plate, 'lp', 5280)?.btuh).toBeCloseTo(63_104, 6)
    expect(inputAtSite(plate, 'gas', 2000)).toEqual({ btuh: 80_000, isDerated: false })
    expect(inputAtSite(plate, 'oil', 5280)).toEqual({ btuh: 80_000, isDerated: false })
    expect(inputAtSite({ ...plate, inputAtAltitudeBtuh: 70_000 }, 'gas', 5280)?.btuh).toBe(70_000)
    expect(inputAtSite({}, 'gas', 5280)).toBeNull()
  })
  it('a nozzle of 0.65 gal/h at 144 psi gives 0.78, which is 108,030 BTU/h', () => {
    expect(nozzleFlow(0.65, 144)).toBeCloseTo(0.78, 9)
    expect(oilInput(0.78)).toBeCloseTo(108_030, 6)
    expect(nozzleFor(108_030, 144)).toBeCloseTo(0.65, 9)
  })
})

const without = ({ after: _, ...x }: ContactPart): ContactPart => x

describe('the seconds after a call', () => {
  const events = (list: { seconds: number; rows: { row: number }[] }[]) =>
    list.map((e) => [e.seconds, e.rows.map((r) => r.row)])

  it('two sequencers come in by their own delays, and go out by theirs', () => {
    // Its file: row 1 closes after 12 s and opens after 75, row 2 after 24 and 50.
    const both = kitSequence(placed('teasel-k2'), ['W1', 'W2'])
    expect(events(both.in)).toEqual([
      [0, []],
      [12, [1]],
      [24, [1, 2]],
    ])
    expect(events(both.out)).toEqual([
      [0, [1, 2]],
      [50, [1]],
      [75, []],
    ])
    expect(both.untimed).toEqual([])
  })

  it('one input brings its own rows alone', () => {
    const first = kitSequence(placed('teasel-k4'), ['W1'])
    expect(events(first.in)).toEqual([
      [0, []],
      [9, [1]],
      [16, [1, 2]],
    ])
  })

  it('a relay is at once, and a sequencer without times is said to have none', () => {
    expect(events(kitSequence(placed('teasel-k1'), ['W1']).in)).toEqual([[0, [1]]])
    const kit = placed('teasel-k2')
    const parts = kit.device.parts.map((x) => (x.kind === 'contact' ? without(x) : x))
    const bare = kitSequence({ ...kit, device: { ...kit.device, parts } }, ['W1'])
    expect(bare.untimed).toEqual(['kit.seq1c', 'kit.seq2c', 'kit.interlock'])
    expect(events(bare.in)).toEqual([[0, [1]]])
  })

  it('a contact that feeds the next coil hands its delay on', () => {
    const kit = placed('teasel-k2')
    // The second sequencer's heater hangs behind the first one's contact instead of W2.
    const parts: Part[] = kit.device.parts.map((x) => (x.id === 'seq2' ? { ...x, a: 'behind' } : x))
    const chain: Part = {
      kind: 'contact', id: 'hand', a: 'W1', b: 'behind', gate: 'sequencer',
      driver: { energised: 'seq1' }, after: { closes: 15, opens: 40 },
    } // prettier-ignore
    const chained = { ...kit, device: { ...kit.device, parts: [...parts, chain] } }
    // 15 s, then 24 of its own; out: W1 dead is both heaters dead at once.
    expect(events(kitSequence(chained, ['W1']).in)).toEqual([
      [0, []],
      [12, [1]],
      [39, [1, 2]],
    ])
    expect(events(kitSequence(chained, ['W1']).out)).toEqual([
      [0, [1, 2]],
      [50, [1]],
      [75, []],
    ])
  })
})
