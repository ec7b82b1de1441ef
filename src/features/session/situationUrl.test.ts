import { degF } from '@/core/units'
import { fromQuery, START, toQuery } from './situationUrl'

describe('the situation in the address', () => {
  it('comes back as it went in', () => {
    const s = {
      call: 'heatAux1' as const,
      outdoorF: degF(-7),
      modes: { 'od.board': 'defrost', 'odt.band:setpoint': 'made' },
    }
    expect(fromQuery(toQuery(s))).toEqual(s)
  })
  it.each(['', '?call=lunch', '?t=hot', '?t=9999', '?m=broken'])('falls back on the start for %j', (q) => {
    expect(fromQuery(q)).toEqual(START)
  })
})

describe('what stood before', () => {
  it('travels in the address, the latest first, and comes back', () => {
    const first = { call: 'emergency' as const, outdoorF: degF(45), modes: { 'od.board': 'defrost' } }
    const second = { call: 'heat1' as const, outdoorF: degF(20), modes: {}, after: first }
    const now = { call: 'off' as const, outdoorF: degF(20), modes: {}, after: second }
    expect(fromQuery(toQuery(now))).toEqual(now)
    expect(new URLSearchParams(toQuery(now)).getAll('after')[0]).toBe('call=heat1&t=20')
  })
})
