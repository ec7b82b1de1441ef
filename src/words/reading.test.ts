import { Circuit } from '@/core/circuit'
import { demoInstallation } from '../../tests/helpers/demo'
import { reading } from '../../tests/helpers/reading'
import { judge, SIMPLE_CAUSES, type Cause, type Reading, type SimpleCause } from '@/core/startup'
import { degF } from '@/core/units'
import { causeWords, comparedWith, readingWords } from '.'

const inst = demoInstallation('quillfeather-lane')
const line = (value: number) => reading({ kind: 'lineVolts', value, place: 'disconnect', at: 'kit' })
const held = (over: Partial<Reading>, all: Reading[] = []) =>
  comparedWith(judge(new Circuit(inst), reading(over), all))

describe('a reading in words', () => {
  it.each([
    [{ value: 39.25, withBlower: true }, 'A', '39.25 A at the feed, blower in it'],
    [{ value: 39.25, withBlower: false }, 'A', '39.25 A at the feed, without the blower'],
    [{ value: 39.25, withBlower: null }, 'A', '39.25 A at the feed, blower in or out not known'],
    // Only the feed can have the blower in it.
    [{ value: 19.5, place: 'kitLead', at: 'kit' }, 'A', '19.5 A on one kit lead, Strip kit'],
    [{ kind: 'rowOhms', value: 'OL', place: 'rowTerminals', at: 'kit' }, 'Ω', 'OL at the row, Strip kit'],
    [{ kind: 'controlVolts', value: 25, place: 'terminals', at: 'ah.R' }, 'V', '25 V at the terminals, Air handler R'],
    [{ kind: 'supplyAir', value: 98.6, place: 'supplyDuct', at: 'ah' }, '°F', '98.6 °F in the supply, Air handler'],
  ] as [Partial<Reading>, string, string][])('%j', (over, unit, words) => {
    expect(readingWords(inst, reading(over), unit)).toBe(words)
  }) // prettier-ignore
})

describe('what a reading was held against', () => {
  it('two rows of 12 Ω at a measured 236 V: 39.33 A, of it −10 and +5 %', () => {
    expect(held({}, [line(236)])).toBe('Held against 39.3 A (2 rows × 236 V ÷ 12 Ω): 35.4 to 41.3 A.')
  })
  it('with the blower in the clamp, 2.4 A by its plate: up to that much more, for a blower may draw from next to nothing to its plate', () => {
    expect(held({ withBlower: true }, [line(236)])).toBe(
      'Held against 41.7 A (2 rows × 236 V ÷ 12 Ω + 2.4 A blower): 35.4 to 43.7 A.',
    )
  })
  it('one row, at volts that nobody measured: 240 / 12 = 20 A, 18 to 21', () => {
    expect(held({ place: 'rowTerminals', at: 'kit.row1' })).toBe(
      'Held against 20 A (1 row × 240 V ÷ 12 Ω): 18 to 21 A.',
    )
  })
  it('no row that should be on: nothing but the clamp’s own half an ampere', () => {
    const situation = { call: 'heat1' as const, outdoorF: degF(47), modes: {} }
    expect(held({ situation })).toBe('As wired, no row is on here: held against 0 to 0.5 A.')
  })
  it.each([
    [{ kind: 'lineVolts', value: 238, place: 'disconnect', at: 'kit' }, 'Held against 216 to 264 V: 240 V service, ±10 %.'],
    [{ kind: 'rowOhms', value: 12, place: 'rowTerminals', at: 'kit.row1' }, 'Held against 12 Ω ±10 %: 10.8 to 13.2 Ω.'],
    [{ kind: 'returnAir', value: 70, place: 'returnDuct', at: 'ah' }, 'Recorded; what it would be held against is not known here.'],
  ] as [Partial<Reading>, string][])('%j', (over, words) => expect(held(over)).toBe(words)) // prettier-ignore
  it('control volts: the rule of the trade, and what this very circuit should give there', () => {
    expect(held({ kind: 'controlVolts', value: 25, place: 'terminals', at: 'ah.R' })).toMatch(
      /^Held against 2\d\.\d to 2\d\.\d V; this circuit should give 2[45]\.\d V\.$/,
    )
  })
})

describe('what may be behind it', () => {
  const gate = {
    at: 'odt.contact' as const,
    side: 'control' as const,
    state: 'blocking' as const,
    because: [{ kind: 'volts' as const, volts: 11.2, needs: 18 }],
  }
  const SAID: Record<Exclude<Cause['kind'], SimpleCause>, [Cause, RegExp]> = {
    fuseOpen: [{ kind: 'fuseOpen' }, /^24 V fuse open$/],
    doorOpen: [{ kind: 'doorOpen' }, /door switch open/],
    breakerOff: [{ kind: 'breakerOff' }, /^Breaker or disconnect off$/],
    // 24 · 208 / 240 = 20.8; 24 · 240 / 208 = 27.69
    tapHighOnLow: [{ kind: 'tapHighOnLow' }, /240 V tap with 208 V on it \(about 20\.8 V\)/],
    tapLowOnHigh: [{ kind: 'tapLowOnHigh' }, /208 V tap with 240 V on it \(27\.7 V and up\)/],
    overload: [{ kind: 'overload' }, /come up with the calls off/],
    meterNext: [{ kind: 'meterNext', at: 'ah.W1' }, /^Meter air handler W1 next$/],
    gateToCheck: [{ kind: 'gateToCheck', at: 'tstat.outAux' }, /^On the way: /],
    ghost: [{ kind: 'ghost' }, /low-impedance range/],
    contradicted: [
      {
        kind: 'contradicted',
        by: { kind: 'terminalVolts', value: 23.6, who: 'Ash Tolland', when: '2026-11-26T09:02:00Z' } as never,
      },
      /^Contradiction: Ash Tolland read 23\.6 V here, 26 Nov 2026 \d\d:\d\d\. Measure again\. Correct the wrong reading$/,
    ],
    notKnown: [{ kind: 'notKnown', at: 'tstat.rvSense' }, /energised in: not known yet$/],
    supplyNotFound: [{ kind: 'supplyNotFound' }, /another breaker/],
    commonOpen: [{ kind: 'commonOpen', from: 'ah.C' }, /The common: its conductor from air handler C/],
    conductorOpen: [
      { kind: 'conductorOpen', from: 'ah.R' },
      /^Live at air handler R: a conductor between there and here/,
    ],
    otherService: [{ kind: 'otherService', volts: 208 }, /^A 208 V service: record/],
    legLost: [{ kind: 'legLost' }, /^One leg is lost/],
    twoLegs: [{ kind: 'twoLegs' }, /where a leg and the neutral belong/],
    looseLug: [{ kind: 'looseLug' }, /^Loose lug/],
    utility: [{ kind: 'utility' }, /measure line volts/],
    sequencerWaiting: [{ kind: 'sequencerWaiting', seconds: 30 }, /up to 30 s a step$/],
    gateBlocks: [{ kind: 'gateBlocks', gate }, /^Held at .+\. Only 11\.2 V there; it needs 18 V$/],
    oneBankClamped: [{ kind: 'oneBankClamped', rows: 1, of: 2 }, /^It is 1 of 2 rows/],
    rowOpen: [{ kind: 'rowOpen', rows: 2 }, /^2 rows open: ohm each$/],
    linkOpen: [{ kind: 'linkOpen' }, /one-time.+find out why$/],
    limitOpen: [{ kind: 'limitOpen' }, /let it cool, then look at the airflow/],
    wrongKit: [{ kind: 'wrongKit' }, /watts of each row/],
    voltsNotMeasured: [{ kind: 'voltsNotMeasured' }, /nominal volts were used/],
    shouldBeOff: [{ kind: 'shouldBeOff' }, /should hold off/],
    blowerIncluded: [{ kind: 'blowerIncluded' }, /blower is in the clamp too\?$/],
    rowIsolated: [{ kind: 'rowIsolated' }, /lift one lead$/],
  }
  it.each(Object.values(SAID))('%j', (cause, words) => expect(causeWords(inst, cause)).toMatch(words))
  it.each(SIMPLE_CAUSES)('%s is said so that it can be checked', (kind) => {
    expect(causeWords(inst, { kind })).toMatch(/^[A-Z].{8,}[^.]$/)
  })
  it('a single open row, and a sequencer whose steps nobody knows', () => {
    expect(causeWords(inst, { kind: 'rowOpen', rows: 1 })).toBe('An open row: ohm it')
    expect(causeWords(inst, { kind: 'sequencerWaiting', seconds: null })).toBe('A sequencer still waiting')
  })
})
