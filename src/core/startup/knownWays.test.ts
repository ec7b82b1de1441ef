import { NOT_LOOKED_AT, ONE_STAGE } from '../../../tests/cases/gear'
import { compose } from '../../../tests/helpers/compose'
import { installationOf } from '@/jobfile'
import { Circuit } from '../circuit'
import type { Call } from '../equipment'
import type { Installation } from '../installation'
import { situationAt } from './testCard'
import { degF } from '../units'
import { tolerances } from '../tolerances'
import { expectations, judge, runningBy, testPlan, unknownsBehindVolts, variantsOf, type Reading } from '.'

const open = (...lines: string[]): Installation => installationOf(compose([...NOT_LOOKED_AT, ...lines]))
const known = installationOf(compose(ONE_STAGE))
const unlooked = open()
/** The tap is read off, the rest is not. */
const tapped = open('set ah.tap=240')
const cooling = situationAt('cool1', degF(90))
const stateOf = (inst: Installation, at: string) =>
  expectations(new Circuit(inst), cooling)!.flatMap((d) => d.terminals).find((t) => t.terminal === at)! // prettier-ignore

const reading = (kind: Reading['kind'], value: number, at: string, call: Call = 'cool1'): Reading => ({
  id: 'r', kind, value, place: kind === 'stripAmps' ? 'feed' : 'terminals', at, withBlower: kind === 'stripAmps' ? true : null,
  instrument: 'meter', situation: situationAt(call, degF(call === 'cool1' ? 90 : 40)), who: 'R. Osei', when: '2026-11-28T09:00:00Z', supersedes: null,
}) // prettier-ignore
const told = (inst: Installation, r: Reading) => {
  const { verdict, expected, causes } = judge(new Circuit(inst), r)
  return { verdict, expected, hangsOn: causes.flatMap((c) => (c.kind === 'notKnown' ? [c.at] : [])) }
}

describe('what hangs on settings that nobody has looked at', () => {
  it('is neither live nor dead at a terminal, and is named', () => {
    // O is live in cooling on an O thermostat and dead on a B one.
    expect(stateOf(unlooked, 'tstat.OB')).toMatchObject({ state: 'unknown', hangsOn: ['tstat.rvSense'] })
    expect(stateOf(open('set tstat.rvSense=cooling'), 'tstat.OB')).toMatchObject({
      state: 'live',
      hangsOn: [],
    })
    expect(stateOf(open('set tstat.rvSense=heating'), 'tstat.OB')).toMatchObject({
      state: 'dead',
      hangsOn: [],
    })
    // Y does not depend on it, whatever else is not known.
    expect(stateOf(unlooked, 'tstat.Y')).toMatchObject({ state: 'live', hangsOn: [] })
    expect(stateOf(unlooked, 'tstat.AUX')).toMatchObject({ state: 'dead', hangsOn: [] })
  })

  it('gives no verdict on a reading, right or wrong', () => {
    for (const volts of [25.5, 0])
      expect(told(tapped, reading('terminalVolts', volts, 'tstat.OB'))).toEqual({
        verdict: 'unjudged',
        expected: null,
        hangsOn: ['tstat.rvSense'],
      })
    // 42.4 A are two rows of 4.8 kW at 240 V and a blower; of other rows they are not.
    expect(told(tapped, reading('stripAmps', 40, 'kit', 'heatAux1'))).toMatchObject({
      verdict: 'unjudged',
      hangsOn: ['kit.rowWatts'],
    })
    // 26 V are right on one tap, and too much on the other.
    expect(told(unlooked, reading('controlVolts', 26, 'ah.R', 'off'))).toMatchObject({
      verdict: 'unjudged',
      hangsOn: ['ah.tap'],
    })
  })

  it('takes no verdict from what does not hang on it', () => {
    expect(told(tapped, reading('terminalVolts', 25.5, 'tstat.Y')).verdict).toBe('right')
    expect(told(tapped, reading('terminalVolts', 0, 'tstat.Y')).verdict).toBe('wrong')
    expect(told(tapped, reading('controlVolts', 26, 'ah.R', 'off')).verdict).toBe('right')
    expect(told(known, reading('stripAmps', 40, 'kit', 'heatAux1')).verdict).toBe('right')
  })

  it('stands on a card by itself, and neither runs nor stays off', () => {
    const card = (inst: Installation) =>
      testPlan(new Circuit(inst), degF(90)).find((c) => c.id === 'cool1')!.expected!
    expect(card(unlooked)).toEqual({
      runs: ['ah.blower', 'od.compressor', 'od.fan'],
      stays: ['kit.row1', 'kit.row2'],
      open: ['od.rvCoil'],
    })
    expect(card(known).open).toEqual([])
    expect(card(known).runs).toContain('od.rvCoil')
  })

  it('is said of a meter between two points', () => {
    const shown = (inst: Installation, to: 'tstat.OB' | 'tstat.Y') =>
      unknownsBehindVolts(variantsOf(new Circuit(inst)), cooling, to, 'tstat.C', tolerances.meterOhms)
    expect(shown(tapped, 'tstat.OB')).toEqual(['tstat.rvSense'])
    expect(shown(tapped, 'tstat.Y')).toEqual([])
    // The tap moves every control volt by more than one: 24 · 240 / 208 = 27.7.
    expect(shown(unlooked, 'tstat.Y')).toEqual(['ah.tap'])
    expect(shown(known, 'tstat.OB')).toEqual([])
  })

  it('a conductor in doubt is one of those things', () => {
    const wire = known.wires.find((w) => w.a === 'tstat.Y' || w.b === 'tstat.Y')!
    const doubted = { ...known, wires: known.wires.map((w) => (w === wire ? { ...w, doubt: true } : w)) }
    const ways = variantsOf(new Circuit(doubted))
    expect(ways.others.map((o) => o.ref)).toEqual([`wires.${wire.id}`])
    expect(runningBy(ways, cooling)!.open).toEqual(expect.arrayContaining(['od.compressor', 'od.fan']))
    expect(runningBy(ways, cooling)!.runs).toContain('od.rvCoil')
  })
})
