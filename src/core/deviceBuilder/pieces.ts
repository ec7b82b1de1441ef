import type { DeviceDraft } from '../equipment'
import {
  CALLS,
  isCooling,
  isHeatPumpHeating,
  type BlowerSpeed,
  type Call,
  type Device,
  type Expr,
  type Gate,
  type Intent,
  type LoadFunction,
  type Duration,
  type Mode,
  type ModeCondition,
  type Part,
  type Setting,
  type TerminalRole,
  type Transition,
} from '../equipment'

/** Calls in which a compressor is asked for, and in which a heat pump heats. */
export const COMPRESSOR_CALLS: Call[] = CALLS.filter((c) => isCooling(c) || isHeatPumpHeating(c))
export const HEAT_PUMP_CALLS: Call[] = CALLS.filter(isHeatPumpHeating)
/** Calls in which backup may be on. */
export const BACKUP_CALLS: Call[] = [...HEAT_PUMP_CALLS, 'emergency']

export const has = (d: Device, id: string): boolean => d.terminals.some((t) => t.id === id)
export const all = (...list: (Expr | null)[]): Expr => ({ all: list.filter((e): e is Expr => e !== null) })
export const any = (...list: Expr[]): Expr => ({ any: list })
export const on = (id: string): Expr => ({ energised: id })
export const inMode = (mode: string, ...is: string[]): Expr => ({ mode, is })

type Rated = {
  volts: number
  va: number | { set: string }
  powerFactor: number
  pullIn: number
  dropOut: number
}
export const load = (
  id: string,
  [a, b]: readonly [string, string],
  label: string,
  rated: Rated,
  does?: LoadFunction,
): Part => ({ kind: 'load', id, a, b, label, ...rated, ...(does ? { does } : {}) })

/** A 24 V coil to common, with usual pull-in and drop-out. */
export const coil = (id: string, a: string, label: string, va = 6, does?: LoadFunction): Part =>
  load(id, [a, 'C'], label, { volts: 24, va, powerFactor: 0.45, pullIn: 18, dropOut: 9 }, does)
/** An electronic input of a board to common. */
export const input = (id: string, a: string, label = `Board input on ${a}`): Part =>
  load(id, [a, 'C'], label, { volts: 24, va: 0.6, powerFactor: 1, pullIn: 15, dropOut: 7 })
/** The electronics of a board, from R to common. */
export const board = (id: string, label: string): Part =>
  load(id, ['R', 'C'], label, { volts: 24, va: 4, powerFactor: 0.8, pullIn: 16, dropOut: 10 })
/** A motor or compressor on line voltage: it runs from some three quarters of its volts up. */
export const motor = (
  id: string,
  ends: readonly [string, string],
  label: string,
  volts: number,
  va: number,
  does: LoadFunction,
): Part =>
  load(
    id,
    ends,
    label,
    { volts, va, powerFactor: 0.9, pullIn: Math.round(0.75 * volts), dropOut: Math.round(0.45 * volts) },
    does,
  )
export const contact = (
  id: string,
  ends: readonly [string, string],
  gate: Gate,
  label: string,
  driver: Expr,
): Part => ({
  kind: 'contact',
  id,
  a: ends[0],
  b: ends[1],
  gate,
  label,
  driver,
})

/** A mode with its normal state and one other. */
export const mode = (
  id: string,
  label: string,
  normal: readonly [string, string],
  other: readonly [string, string],
  condition: ModeCondition | null,
  reach: Expr | 'always' | 'failure',
): Mode => ({
  id,
  label,
  states: [
    { id: normal[0], label: normal[1] },
    { id: other[0], label: other[1], ...(condition ? { condition } : {}), reach },
  ],
})

/** A contact that follows its driver later. */
export const delayed = (part: Part, closes: Duration, opens: Duration): Part =>
  part.kind === 'contact' ? { ...part, after: { closes, opens } } : part

/**
 * A minimum-off timer: it waits from the drop of the compressor output on. One that loses its power starts anew when that
 * returns; goes on meanwhile; or clears, so that nothing waits any more.
 * @param power the load that it runs on; null: a battery
 */
export function timerTransitions(
  output: string,
  after: Duration,
  power: string | null,
  atPowerLoss: 'anew' | 'goesOn' | 'clears' = 'anew',
): Transition[] {
  const drops: Transition = { from: 'ready', to: 'waiting', when: { closed: output }, counts: 'ends' }
  const full: Transition = { from: 'waiting', to: 'ready', after }
  if (power === null || atPowerLoss === 'goesOn') return [drops, full]
  const powered = { energised: power }
  return atPowerLoss === 'clears'
    ? [drops, { from: 'waiting', to: 'ready', when: { not: powered } }, full]
    : [drops, { from: 'ready', to: 'waiting', when: powered, counts: 'begins' }, { ...full, when: powered }]
}
/** A limit opens by its own heat and closes by itself, 30 °F lower; °F of the air that leaves the heater. */
export const limitTransitions = (opensF: number): Transition[] => [
  { from: 'closed', to: 'open', when: { feels: 'leavingAir', above: opensF } },
  { from: 'open', to: 'closed', when: { feels: 'leavingAir', below: opensF - 30 }, after: 30 },
]

type Group = Setting['group']
export const choice = (
  id: string,
  label: string,
  group: Group,
  options: readonly (readonly [string, string])[],
  chosen: string,
  intent?: Intent,
): Setting => ({
  id,
  label,
  group,
  kind: 'choice',
  options: options.map(([o, l]) => ({ id: o, label: l })),
  default: chosen,
  ...(intent ? { intent } : {}),
})
export const onOff = (id: string, label: string, chosen: boolean, intent?: Intent): Setting =>
  choice(id, label, 'set', [['off', 'Off'], ['on', 'On']], chosen ? 'on' : 'off', intent) // prettier-ignore
export const figure = (
  id: string,
  label: string,
  group: Group,
  range: [number, number],
  unit: string,
  value: number,
  intent?: Intent,
  step?: number,
): Setting => ({
  id,
  label,
  group,
  kind: 'number',
  range,
  ...(step ? { step } : {}),
  unit,
  default: value,
  ...(intent ? { intent } : {}),
})
export const valveSetting = (group: Group, draft: DeviceDraft): Setting =>
  choice(
    'rvSense',
    'Reversing valve energised in',
    group,
    [
      ['cooling', 'Cooling (O)'],
      ['heating', 'Heating (B)'],
    ],
    draft.rvSense,
    'rvSense',
  )

/** Line terminals and the ground, added to those that were ticked. */
export function lineTerminals(d: Device, ids: readonly string[], role: TerminalRole = 'line'): void {
  for (const id of ids) d.terminals.push({ id, label: id, side: 'line', role })
  d.terminals.push({ id: 'GND', label: 'Ground', side: 'line', role: 'ground' })
}

/** Door switch, control transformer and 24 V fuse, from L1 and the other leg, with their modes. */
export function controlSupply(other: string, volts: number, va: number): { parts: Part[]; modes: Mode[] } {
  return {
    parts: [
      contact('door', ['L1', 'L1d'], 'door', 'Blower door switch', inMode('door', 'shut')),
      {
        kind: 'transformer',
        id: 'xfmr',
        a: 'L1d',
        b: other,
        c: 's1',
        d: 'C',
        label: 'Control transformer',
        primaryVolts: volts,
        secondaryVolts: 24,
        noLoadVolts: 26.4,
        va,
      },
      {
        ...contact('fuse24', ['s1', 'R'], 'fuse', '24 V fuse', inMode('fuse24', 'good')),
        ratedA: va > 40 ? 5 : 3,
      } as Part,
    ],
    modes: [
      mode('door', 'Blower door', ['shut', 'Shut'], ['open', 'Open'], 'off', 'failure'),
      mode('fuse24', '24 V fuse', ['good', 'Good'], ['blown', 'Blown'], 'failed', 'failure'),
    ],
  }
}

/** A blower speed, with the board contact that selects it. */
export const speed = (
  of: BlowerSpeed,
  [from, to]: readonly [string, string],
  volts: number,
  va: number,
  driver: Expr,
): Part[] => {
  const words = {
    fan: 'fan speed',
    low: 'heat pump speed',
    high: 'high heat pump speed',
    heat: 'heating speed',
  }[of]
  const node = `m${of}`
  return [
    contact(`${of}Fan`, [from, node], 'board', `Board, ${words}`, driver),
    motor(`blower${of[0]?.toUpperCase()}${of.slice(1)}`, [node, to], `Blower, ${words}`, volts, va, {
      what: 'blower',
      speed: of,
    }),
  ]
}

/** Standard sizes, A, up to the 60 A of one heating circuit (NEC 424.22). */
const BREAKERS = [15, 20, 25, 30, 35, 40, 45, 50, 60]
export const breakerFor = (amps: number): number => BREAKERS.find((b) => b >= amps) ?? 60
