import type { Intent, Setting, Value } from '@/core/equipment'
import { ownerSentence, settingText, valueAtText } from '.'
import { demoInstallation } from '../../tests/helpers/demo'

const number = (unit: string): Setting => ({ id: 'x', label: 'X', unit, group: 'set' }) as unknown as Setting
const choice = (...options: [string, string][]): Setting =>
  ({
    id: 'x',
    label: 'X',
    group: 'set',
    options: options.map(([id, label]) => ({ id, label })),
  }) as unknown as Setting
const onOff = choice(['on', 'On'], ['off', 'Off']) // prettier-ignore

describe('a setting’s value', () => {
  it.each([
    [number('°F'), 35, '35 °F'],
    [number('Δ°F'), 2.5, '2.5 °F'],
    [number('1/h'), 3, '3 an hour'],
    [number('min'), 5, '5 min'],
    [number('°F'), null, 'not known'],
    [onOff, 'on', 'On'],
    // What a file says and the device does not know is said as it stands.
    [onOff, 'perhaps', 'perhaps'],
  ] as [Setting, Value | null, string][])('%#: %s', (setting, value, words) => {
    expect(settingText(setting, value)).toBe(words)
  })

  it('can be said from its place alone, even where the device has no such setting', () => {
    const inst = demoInstallation('quillfeather-lane')
    expect(valueAtText(inst, 'odt.setpoint', 35)).toBe('35 °F')
    expect(valueAtText(inst, 'odt.nothing', 35)).toBe('35')
    expect(valueAtText(inst, 'nobody.setpoint', null)).toBe('null')
  })
})

describe('what the owner is told', () => {
  it.each([
    ['droop', number('Δ°F'), 0, 'Backup heat helps as soon as the room falls: steadiest, and dearest.'],
    ['droop', number('Δ°F'), 2, 'Backup heat helps only when the room is 2 °F below what you set.'],
    ['droop', number('Δ°F'), 3, 'Backup heat helps only when the room is 3 °F below what you set: cheaper, and a little less steady.'],
    ['compressorLockout', number('°F'), 10, 'Colder than 10 °F outside, the backup heats alone.'],
    ['auxLockout', number('°F'), 40, 'Warmer than 40 °F outside, the backup stays off and the heat pump heats alone, which is cheaper.'],
    ['outdoorSwitch', number('°F'), 35, 'Warmer than 35 °F outside, the electric backup stays off, except in emergency heat.'],
    ['changeover', number('°F'), 38, 'Below 38 °F outside the furnace heats; above it the heat pump does.'],
    ['rangeHigh', number('°F'), 76, 'It cannot be set warmer than 76 °F.'],
    ['rangeLow', number('°F'), 68, 'It cannot be set colder than 68 °F in cooling.'],
    ['displayOffset', number('Δ°F'), -2, 'It shows 2 °F colder than it feels, to agree with your own thermometer.'],
    ['displayOffset', number('Δ°F'), 1, 'It shows 1 °F warmer than it feels, to agree with your own thermometer.'],
    ['filterReminder', number('months'), 1, 'It asks for a new filter every month.'],
    ['filterReminder', number('months'), 3, 'It asks for a new filter every 3 months.'],
    ['minimumOff', number('min'), 5, 'After it stops, the heat pump waits 5 minutes before it starts again. That is no fault.'],
  ] as [Intent, Setting, Value, string][])('%s', (intent, setting, value, words) => {
    expect(ownerSentence(intent, setting, value)).toBe(words)
  }) // prettier-ignore

  it.each([
    ['earlyRecovery', 'on', /warm at the hour you set\. You may hear it/],
    ['earlyRecovery', 'off', /warm a while later/],
    ['stripsInDefrost', 'yes', /the air stays warm/],
    ['stripsInDefrost', 'no', /the air is cool.+saves electricity/],
    ['faultHeat', 'on', /heats the house by itself/],
    ['faultHeat', 'off', /switch to emergency heat and call us/],
  ] as [Intent, Value, RegExp][])('%s: %s', (intent, value, words) => {
    expect(ownerSentence(intent, onOff, value)).toMatch(words)
  })

  it('a lock is named, and nothing is said of what is not there, not known, or no matter of theirs', () => {
    const lock = choice(['none', 'None'], ['partial', 'Setpoint only'])
    expect(ownerSentence('keypadLock', lock, 'partial')).toBe('The keys are locked: setpoint only.')
    expect(ownerSentence('keypadLock', lock, 'none')).toBeNull()
    expect(ownerSentence('displayOffset', number('Δ°F'), 0)).toBeNull()
    expect(ownerSentence('filterReminder', number('months'), 0)).toBeNull()
    expect(ownerSentence('minimumOff', number('min'), 0)).toBeNull()
    expect(ownerSentence('droop', number('Δ°F'), null)).toBeNull()
    expect(ownerSentence('rvSense', onOff, 'on')).toBeNull()
  })
})
