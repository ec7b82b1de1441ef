import { tapped, type Leads } from './leads'

describe('leads on tapped points', () => {
  const start: Leads = { red: 'ah.W1', black: 'ah.C', next: 'red' }

  it('take turns', () => {
    const one = tapped(start, 'od.Y')
    expect(one).toEqual({ red: 'od.Y', black: 'ah.C', next: 'black' })
    expect(tapped(one, 'od.C')).toEqual({ red: 'od.Y', black: 'od.C', next: 'red' })
  })

  it('change places when one is tapped where it is, and are never both on one point', () => {
    expect(tapped(start, 'ah.C')).toEqual({ red: 'ah.C', black: 'ah.W1', next: 'red' })
    expect(tapped(start, 'ah.W1')).toEqual({ red: 'ah.C', black: 'ah.W1', next: 'red' })
  })
})
