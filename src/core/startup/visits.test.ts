import { demoInstallation } from '../../../tests/helpers/demo'
import { reading } from '../../../tests/helpers/reading'
import { Circuit } from '../circuit'
import { UNKNOWN_SITE } from '../installation'
import { degF } from '../units'
import { judge, type Reading } from '.'

const circuit = new Circuit(demoInstallation('quillfeather-lane'))
const air = (kind: 'supplyAir' | 'returnAir', value: number, over: Partial<Reading> = {}): Reading =>
  reading({
    kind,
    value,
    place: kind === 'supplyAir' ? 'supplyDuct' : 'returnDuct',
    at: 'ah',
    withBlower: null,
    situation: { call: 'cool1', outdoorF: degF(85), modes: {} },
    ...over,
  })
/** 76 °F in and 58 °F out: 18 °F, between the 16 and 22 that a coil takes. */
const verdict = (supply: Reading, back: Reading): string =>
  judge(circuit, supply, [back, supply], { ...UNKNOWN_SITE, inst: circuit.inst }).verdict

describe('a reading and the one beside it', () => {
  it.each([
    ['an hour before', '2026-11-20T14:00:00Z', 'right'],
    ['the evening before', '2026-11-19T18:00:00Z', 'right'],
    ['two days before', '2026-11-18T14:00:00Z', 'unjudged'],
    ['a year before', '2025-11-20T15:00:00Z', 'unjudged'],
  ])('a return read %s: %s', (_, when, expected) =>
    expect(verdict(air('supplyAir', 58), air('returnAir', 76, { when }))).toBe(expected),
  )

  it('the order in which modes were set makes no other state, and another mode does', () => {
    const situation = (modes: Reading['situation']['modes']) => ({
      call: 'cool1' as const,
      outdoorF: degF(85),
      modes,
    })
    const supply = air('supplyAir', 58, {
      situation: situation({ 'tstat.timer': 'ready', 'ah.door': 'shut' }),
    })
    const back = (modes: Reading['situation']['modes']) =>
      air('returnAir', 76, { situation: situation(modes) })
    expect(verdict(supply, back({ 'ah.door': 'shut', 'tstat.timer': 'ready' }))).toBe('right')
    expect(verdict(supply, back({ 'tstat.timer': 'ready', 'kit.limit1': 'open' }))).toBe('unjudged')
  })
})
