import {
  CALLS,
  normalState,
  type Call,
  hasTrait,
  type Mode,
  type ModeCondition,
  type EvalContext,
  type Truth,
} from '../equipment'
import {
  holdsBySettings,
  makeRef,
  placedByRef,
  settingIn,
  settingValue,
  splitRef,
  type Installation,
  type Placed,
  type Ref,
  type Name,
} from '../installation'
import type { DegF } from '../units'

/** Everything from outside that decides what runs. Modes that are not named are in their normal state. */
export interface Situation {
  call: Call
  outdoorF: DegF
  /** State by mode reference ("od.board": "defrost"); memories of differentials too ("odt.band:setpoint": "made"). */
  modes: Record<Ref, string>
  /** Situation just before this one, where that decides how the coils settle; absent: all coils start de-energized. */
  after?: Situation
}

/** Another situation, reached by a hand on the dock: what stood before an earlier one says nothing about it. */
export function changedSituation(s: Situation, change: Partial<Omit<Situation, 'after'>>): Situation {
  return { call: s.call, outdoorF: s.outdoorF, modes: s.modes, ...change }
}

/** Values that an expression of `placed` reads in a situation. The caller supplies the coils. */
export function evalContextOf(
  inst: Installation,
  placed: Placed,
  situation: Situation,
  energised: (part: string) => Truth = () => 'unknown',
): EvalContext {
  return {
    call: situation.call,
    outdoorF: situation.outdoorF,
    setting: (id) => settingIn(inst, placed, id),
    mode(id) {
      const named = situation.modes[makeRef(placed.ref, id)]
      if (named !== undefined) return named
      const mode = placed.device.modes.find((m) => m.id === id)
      return mode ? normalState(mode) : ''
    },
    condition: (m) => canFeel(placed, m) && conditionsOf(inst, situation).has(m),
    energised,
    memory: (id) => memoryState(situation.modes[makeRef(placed.ref, id)]),
  }
}

/**
 * Whether a device has anything that feels, or waits out, how hot the air is that enters the coil: a switch that stands
 * in the air, a sensor in the plenum, or a timed hold-off. A wall thermostat that merely drops Y does not know when the
 * furnace has cooled, whatever its description says.
 */
export function canFeel(placed: Placed, condition: ModeCondition): boolean {
  if (condition !== 'hotCoil' && condition !== 'warmCoil') return true
  if (!hasTrait(placed.device, 'farFromCoil') || placed.device.plate.plenumSensor) return true
  const holdOff = placed.device.settings.find((s) => s.intent === 'furnaceHoldOff')
  const minutes = holdOff && settingValue(placed, holdOff.id)
  return typeof minutes === 'number' && minutes > 0
}

/** The modes of a situation as one text, in whatever order they were set. */
export const modesKey = (modes: Situation['modes']): string =>
  Object.entries(modes)
    .map(([ref, state]) => `${ref}=${state}`)
    .sort()
    .join()

/** Whether two situations are the same: call, outdoor temperature and modes. */
export const sameSituation = (a: Situation, b: Situation): boolean =>
  a.call === b.call && a.outdoorF === b.outdoorF && modesKey(a.modes) === modesKey(b.modes)

/** Reads a differential's entry among a situation's modes. */
export const memoryState = (last: string | undefined): 'made' | 'broken' | null =>
  last === 'made' || last === 'broken' ? last : null

export interface PlacedMode {
  ref: Ref
  placed: Placed
  mode: Mode
}

/** All modes of the job with their reference, in the order of placing. */
export function modesOf(inst: Installation): PlacedMode[] {
  return inst.placed.flatMap((placed) =>
    placed.device.modes.map((mode) => ({ ref: makeRef(placed.ref, mode.id), placed, mode })),
  )
}

/** The mode that a reference names; undefined for a differential's memory and for what is not there. */
function modeAt(inst: Installation, ref: Name): Mode | undefined {
  const { placed, id } = splitRef(ref)
  return placedByRef(inst, placed)?.device.modes.find((m) => m.id === id)
}

/** Condition of a mode's state; undefined where it stands for nothing special, or does not exist. */
export const conditionOf = (inst: Installation, ref: Name, state: string): ModeCondition | undefined =>
  modeAt(inst, ref)?.states.find((s) => s.id === state)?.condition

/** The demands that the job's thermostats can make, lowest first. */
export function callsOf(inst: Installation): Call[] {
  const offered = new Set<Call>()
  for (const placed of inst.placed)
    for (const c of placed.device.calls ?? []) if (holdsBySettings(placed, c.when)) offered.add(c.call)
  return CALLS.filter((c) => offered.has(c))
}

/** Conditions of a situation's modes away from normal. */
export const conditionsOf = (inst: Installation, situation: Situation): Set<ModeCondition> =>
  conditionsOfModes(situation.modes, (ref) => modeAt(inst, ref))

/**
 * The same of the modes alone.
 * @param modeOf the mode that stands at a place
 */
export function conditionsOfModes(
  named: Situation['modes'],
  modeOf: (ref: Ref) => Mode | undefined,
): Set<ModeCondition> {
  const found = new Set<ModeCondition>()
  // By what is named and not by every mode there is: few are, and a sweep asks for thousands of rows.
  for (const ref of Object.keys(named) as Ref[]) {
    const state = modeOf(ref)?.states.find((s) => s.id === named[ref])
    if (state?.condition) found.add(state.condition)
  }
  return found
}

/** How many modes are away from normal; a differential's memory is never "away". */
export function abnormalCountOf(inst: Installation, situation: Situation): number {
  let count = 0
  for (const [ref, state] of Object.entries(situation.modes)) {
    const mode = modeAt(inst, ref)
    if (mode && state !== normalState(mode)) count++
  }
  return count
}

/** The states of a job's modes that stand for a condition, by mode; a mode without one is left out. */
export const modesWith = (inst: Installation, condition: ModeCondition): Situation['modes'] =>
  Object.fromEntries(
    modesOf(inst).flatMap(({ ref, mode }) => {
      const state = mode.states.find((s) => s.condition === condition)
      return state ? [[ref, state.id] as const] : []
    }),
  )
