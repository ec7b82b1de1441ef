import { sameState, type Reading, type TestCard } from '@/core/startup'
import { degF } from '@/core/units'
import { reading } from '../../../tests/helpers/reading'
import { belongsTo } from './belongsTo'

const card = (over: Partial<TestCard> = {}): TestCard => ({
  id: 'c', kind: 'call', situation: { call: 'heat1', outdoorF: degF(30), modes: {} }, moved: [], steps: [],
  expected: null, today: { can: true, brief: false }, past: [], ...over,
}) // prettier-ignore
const taken = (modes: Record<string, string>, over: Partial<Reading> = {}): Reading =>
  reading({ situation: { call: 'heat1', outdoorF: degF(50), modes: modes }, ...over })
const defrost = card({ situation: { call: 'heat1', outdoorF: degF(30), modes: { 'od.board': 'defrost' } } })

describe('the card that a reading belongs to', () => {
  it('is of the same call, modes and moved settings; the day and a switch’s memory do not matter', () => {
    expect(sameState(taken({}), card())).toBe(true)
    expect(sameState(taken({ 'odt.band:setpoint': 'made' }), card())).toBe(true)
    expect(sameState(taken({ 'od.board': 'defrost' }), card())).toBe(false)
    expect(sameState(taken({ 'od.board': 'defrost' }), defrost)).toBe(true)
    expect(sameState(reading(), card())).toBe(false)
    const moved = [{ at: 'tstat.changeover' as const, value: 60 }]
    expect(sameState(taken({}, { moved }), card())).toBe(false)
    expect(sameState(taken({}, { moved }), card({ moved }))).toBe(true)
  })

  it('lists what was read there with more standing otherwise, too', () => {
    expect(belongsTo(taken({ 'feedA.breaker': 'off' }), card())).toBe(true)
    expect(belongsTo(taken({}), defrost)).toBe(false)
    expect(belongsTo(taken({ 'od.board': 'defrost', 'feedA.breaker': 'off' }), defrost)).toBe(true)
  })
})
