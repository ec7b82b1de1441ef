import { degF } from '@/core/units'
import { fromQuery, START, toQuery } from './situationUrl'
import { placeOfPath } from './places'

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
  it('names the place, and the Bench where it names none', () => {
    expect(placeOfPath('/job/x/startup')).toBe('startup')
    expect(placeOfPath('/job/x')).toBe('bench')
    expect(placeOfPath('/job/x/attic')).toBe('bench')
  })
})
