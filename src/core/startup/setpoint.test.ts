import type { Call, Device, Intent, Setting, Value } from '../equipment'
import { device, install, placed } from '../../../tests/helpers/build'
import { callSteps } from './setpoint'

const number = (id: string, intent: Intent): Setting => ({
  id,
  label: id,
  group: 'set',
  kind: 'number',
  unit: 'Δ°F',
  range: [0, 9],
  step: 0.1,
  default: 0,
  intent,
})
const STAGES: readonly Call[] = ['heat1', 'heat2', 'heatAux1', 'heatAux2', 'cool1', 'cool2', 'emergency']

/** What a thermostat of these calls and settings is to be asked for, beside another device that makes no calls. */
function steps(
  call: Call,
  settings: Record<string, Value>,
  calls: readonly Call[] = STAGES,
  texts: string[] = [],
) {
  const thermostat: Device = {
    ...device('t', [], [], {
      kind: 'thermostat',
      calls: calls.map((c) => ({ call: c, drives: [] })) as unknown as Device['calls'],
      settings: [
        ...('droop' in settings ? [number('droop', 'droop')] : []),
        ...('differential' in settings ? [number('differential', 'stageDifferential')] : []),
      ],
    }),
    ...(texts.length ? { profile: { tests: texts } as unknown as NonNullable<Device['profile']> } : {}),
  } // prettier-ignore
  return callSteps(install([placed('ah', device('ah', [], [])), placed('tstat', thermostat, settings)]), call)
}
/** Nobody set a droop: comfort is about a degree (trade). */
const USUAL = { droopF: 1, passes: false, taken: true as const }
const setpoint = (
  way: string,
  byF: number,
  limit: { droopF: number; passes: boolean; taken?: true } | null = null,
) => ({
  kind: 'setpoint',
  way,
  byF,
  limit,
})

describe('how far the setpoint goes for a call', () => {
  it.each<[string, Call, Record<string, Value>, unknown[]]>([
    ['off is a mode', 'off', {}, [{ kind: 'mode', mode: 'off' }]],
    ['the fan is a mode', 'fan', {}, [{ kind: 'mode', mode: 'fan' }]],
    ['cooling goes down a degree', 'cool1', { differential: 1.5 }, [setpoint('lower', 1)]],
    ['its second stage a differential more', 'cool2', { differential: 1.5 }, [setpoint('lower', 2.5)]],
    ['a degree where no differential is known', 'cool2', {}, [setpoint('lower', 2)]],
    ['emergency is a mode, and a degree', 'emergency', { droop: 3 }, [{ kind: 'mode', mode: 'emergency' }, setpoint('raise', 1)]],
    ['heating stays below the usual droop of a degree', 'heat1', {}, [setpoint('raise', 0.5, USUAL)]],
    ['its second stage cannot', 'heat2', { differential: 1.5 }, [setpoint('raise', 2.5), { kind: 'backupComesToo', droopF: 1 }]],
    ['which stays below the droop', 'heat2', { differential: 1.5, droop: 3 }, [setpoint('raise', 2.5, { droopF: 3, passes: false })]],
    ['or cannot', 'heat2', { differential: 1.5, droop: 2.5 }, [setpoint('raise', 2.5), { kind: 'backupComesToo', droopF: 2.5 }]],
    ['a first stage goes half of a small droop', 'heat1', { droop: 1 }, [setpoint('raise', 0.5, { droopF: 1, passes: false })]],
    ['where half a degree still lies between', 'heat1', { droop: 0.8 }, [setpoint('raise', 1), { kind: 'backupComesToo', droopF: 0.8 }]],
    ['backup comes a degree past it', 'heatAux1', { differential: 1.5 }, [setpoint('raise', 2, { ...USUAL, passes: true })]],
    ['or a degree past the droop', 'heatAux1', { differential: 1.5, droop: 3 }, [setpoint('raise', 4, { droopF: 3, passes: true })]],
    ['its second stage a differential more', 'heatAux2', { differential: 1.5, droop: 3 }, [setpoint('raise', 5.5, { droopF: 3, passes: true })]],
  ])('%s: %s with %j', (_, call, settings, expected) => expect(steps(call, settings)).toEqual(expected)) // prettier-ignore

  it('without backup there is no droop to stay below', () =>
    expect(steps('heat2', { differential: 1.5 }, ['heat1', 'heat2'])).toEqual([setpoint('raise', 2.5)]))

  it('the thermostat’s own test follows where something is called for', () => {
    const own = { kind: 'installerTest', at: 'tstat.', text: 'hold both keys' }
    const with1 = (call: Call, settings = {}) => steps(call, settings, STAGES, [own.text]).slice(1)
    expect(with1('off')).toEqual([])
    expect(with1('fan')).toEqual([])
    expect(with1('cool1')).toEqual([own])
    expect(with1('emergency')).toEqual([setpoint('raise', 1), own])
    expect(with1('heat1')).toEqual([own])
    expect(with1('heat1', { droop: 1 })).toEqual([own])
    expect(with1('heat1', { droop: 0.8 })).toEqual([{ kind: 'backupComesToo', droopF: 0.8 }, own])
    expect(with1('heatAux1')).toEqual([own])
  })

  it('without a thermostat that makes it, nothing is known of its differentials', () =>
    expect(callSteps(install([]), 'heat2')).toEqual([setpoint('raise', 2)]))
})
