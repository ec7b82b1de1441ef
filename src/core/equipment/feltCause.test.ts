import { feltCause, type When } from '.'
import type { TransitionContext } from './transition'
import { degF } from '../units'

const context = (coil: number, early: string, drop = 0): TransitionContext => ({
  call: 'heat1',
  outdoorF: degF(35),
  setting: () => early,
  mode: () => '',
  condition: () => false,
  energised: () => 'yes',
  memory: () => null,
  closed: () => 'unknown',
  feels: (what) => (what === 'coil' ? coil : what === 'frostDrop' ? drop : null),
})

describe('the temperature that let a mode go', () => {
  const cold: When = {
    all: [
      { energised: 'contactor' },
      { any: [{ all: [{ set: 'early', is: ['on'] }, { feels: 'coil', below: 34 }] }, { feels: 'coil', below: 30 }] },
    ],
  } // prettier-ignore

  it('is that of the branch that holds, and not of the first that is written', () => {
    expect(feltCause(cold, context(29, 'off'))).toEqual({ feels: 'coil', side: 'below', at: 30 })
    expect(feltCause(cold, context(33, 'on'))).toEqual({ feels: 'coil', side: 'below', at: 34 })
    expect(feltCause(cold, context(33, 'off'))).toBeNull()
  })

  it('is the one that passed its point last', () => {
    const demand: When = {
      all: [
        { feels: 'coil', below: 32 },
        { feels: 'frostDrop', above: 5 },
      ],
    }
    expect(feltCause(demand, context(20, '', 5.1))).toEqual({ feels: 'frostDrop', side: 'above', at: 5 })
    expect(feltCause({ not: { energised: 'x' } }, context(20, ''))).toBeNull()
  })
})
