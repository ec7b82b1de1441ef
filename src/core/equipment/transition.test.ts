import { libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import { amountOf, evaluateWhen, type TransitionContext, type Value, type When } from '.'

const context = (over: Partial<TransitionContext> = {}): TransitionContext => ({
  call: 'heat1',
  outdoorF: 30 as TransitionContext['outdoorF'],
  setting: () => null,
  mode: () => 'normal',
  condition: () => false,
  energised: () => 'no',
  memory: () => null,
  closed: () => 'no',
  feels: () => null,
  ...over,
})

describe('what a transition waits for', () => {
  const cold: When = { feels: 'coil', below: 30 }
  it('feels the air above or below a point, and says that it does not know what nobody knows', () => {
    expect(evaluateWhen(cold, context({ feels: () => 29.9 }))).toBe('yes')
    expect(evaluateWhen(cold, context({ feels: () => 30 }))).toBe('no')
    expect(evaluateWhen(cold, context())).toBe('unknown')
    const hot: When = { feels: 'leavingAir', above: { set: 'opens' } }
    const at = (v: Value | null) => context({ feels: () => 151, setting: () => v })
    expect(evaluateWhen(hot, at(150))).toBe('yes')
    expect(evaluateWhen(hot, at(151))).toBe('no')
    expect(evaluateWhen(hot, at(null))).toBe('unknown')
  })

  it('sees its own contacts and whatever a driver may look at, joined with three values', () => {
    const both: When = { all: [{ closed: 'outY' }, { call: ['heat1'] }, cold] }
    expect(evaluateWhen(both, context({ closed: () => 'yes' }))).toBe('unknown')
    expect(evaluateWhen(both, context({ closed: () => 'no' }))).toBe('no')
    expect(evaluateWhen({ not: { any: [{ closed: 'outY' }, cold] } }, context({ feels: () => 40 }))).toBe(
      'yes',
    )
  })

  it('takes its seconds from a setting in minutes, or from the number that a choice is called', () => {
    const setting = (v: Value | null) => () => v
    expect(amountOf({ set: 'minimumOff', times: 60 }, setting(5))).toBe(300)
    expect(amountOf({ set: 'fanOffDelay' }, setting('90'))).toBe(90)
    expect(amountOf({ set: 'fanOffDelay' }, setting(null))).toBeNull()
    expect(amountOf({ set: 'fanOffDelay' }, setting('long'))).toBeNull()
  })
})

describe('every device that ships', () => {
  // What only an event brings and takes away: water, a leak, wet pads, a hand on a breaker. Time alone moves all others.
  const BY_HAND = ['water', 'leak', 'wetPan', 'off']
  it.each(libraryIds().map((id) => [id, libraryDevice(id)] as const))(
    '%s: time moves what it can move',
    (_, device) => {
      for (const mode of device.modes)
        for (const state of mode.states) {
          if (!state.condition || !state.reach || state.reach === 'failure') continue
          const name = `${device.id}.${mode.id}=${state.id}`
          const into = (mode.transitions ?? []).some((t) => t.to === state.id)
          const out = (mode.transitions ?? []).some((t) => t.from === state.id)
          if (![...BY_HAND, 'lockout', 'tripped', 'waiting'].includes(state.condition))
            expect([name, into]).toEqual([name, true])
          if (!BY_HAND.includes(state.condition)) expect([name, out]).toEqual([name, true])
        }
    },
  )

  it.each(libraryIds().map((id) => [id, libraryDevice(id)] as const))(
    '%s: a sequencer has its seconds',
    (_, device) => {
      const untimed = device.parts.filter((p) => p.kind === 'contact' && p.gate === 'sequencer' && !p.after)
      expect(untimed).toEqual([])
    },
  )
})
