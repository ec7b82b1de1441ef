import { placeOfPath } from '../session'
import { placeNamed, PLACES } from './places'

describe('the places of a job', () => {
  it('are named by the address; the Bench where it names none', () => {
    expect(placeNamed(placeOfPath('/job/x/startup')).id).toBe('startup')
    expect(placeNamed(placeOfPath('/job/x')).id).toBe('bench')
    expect(placeNamed(placeOfPath('/job/x/attic')).id).toBe('bench')
  })
  it('each have a name of their own and a title', () => {
    const ids = PLACES.map((p) => p.id)
    expect(new Set(ids).size).toBe(ids.length)
    for (const p of PLACES) expect(p.title).toMatch(/^[A-Z]/)
  })
})
