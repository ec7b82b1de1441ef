import { nth } from '../assert'
import type { Device, Intent, Value } from '../equipment'
import {
  defaultOf,
  makeRef,
  placedByRef,
  splitRef,
  wireRef,
  type Installation,
  type Ref,
} from '../installation'
import { tolerances } from '../tolerances'

/** A thing not known yet, and the values it might have. */
export interface Unknown {
  ref: Ref
  options: Value[]
}

/** Settings that drive something and wires in doubt; an unknown number stands for the two ends of its range. */
export function unknownsOf(inst: Installation): Unknown[] {
  /** Intents that a device takes over the bus from another, and depends on. */
  let followed: Set<Intent> | undefined
  const isFollowed = (intent: Intent) => (followed ??= followedIn(inst)).has(intent)
  const settings = inst.placed.flatMap((placed) => {
    const open = placed.device.settings.filter((s) => placed.settings[s.id] === null)
    if (!open.length) return []
    const drives = readsOf(placed.device)
    return open
      .filter((s) => drives(s.id) || (s.intent !== undefined && isFollowed(s.intent)))
      .map((s) => ({
        ref: makeRef(placed.ref, s.id),
        options: s.kind === 'choice' ? (s.options ?? []).map((o) => o.id) : [...(s.range ?? [s.default])],
      }))
  })
  const wires = inst.wires
    .filter((w) => w.doubt && w.a && w.b)
    .map((w) => ({ ref: wireRef(w.id), options: ['there', 'not there'] }))
  return [...settings, ...wires]
}

const followedIn = (inst: Installation): Set<Intent> =>
  new Set(
    inst.placed.flatMap(({ device }) => {
      const following = device.settings.filter((s) => s.follows)
      const drives = following.length ? readsOf(device) : () => false
      return following.flatMap((s) => (s.follows && drives(s.id) ? [s.follows] : []))
    }),
  )

/** Whether any expression or quantity of a device reads a setting: then the circuit depends on it. */
function readsOf(device: Device): (setting: string) => boolean {
  const behaviour = JSON.stringify([device.parts, device.modes, device.calls ?? []])
  return (setting) => behaviour.includes(`"set":${JSON.stringify(setting)}`)
}

/** Whether the circuit depends on a setting of a device. */
export const drives = (device: Device, setting: string): boolean => readsOf(device)(setting)

/** Assigns one value to each unknown: a job with nothing unknown in it. */
export function assume(
  inst: Installation,
  unknowns: readonly Unknown[],
  values: readonly Value[],
): Installation {
  const of = new Map(unknowns.map((u, i) => [u.ref, nth(values, i)]))
  if (of.size === 0) return inst
  return {
    ...inst,
    placed: inst.placed.map((p) => ({
      ...p,
      settings: Object.fromEntries(
        Object.entries(p.settings).map(([id, v]) => [
          id,
          v === null ? (of.get(makeRef(p.ref, id)) ?? null) : v,
        ]),
      ),
    })),
    wires: inst.wires.filter((w) => of.get(wireRef(w.id)) !== 'not there').map(({ doubt: _, ...w }) => w),
  }
}

/** How each unknown usually stands: a setting at its default, a conductor in doubt where it is drawn. */
export const usualValues = (inst: Installation, unknowns: readonly Unknown[]): Value[] =>
  unknowns.map(({ ref, options }) => {
    const { placed, id } = splitRef(ref)
    const device = placedByRef(inst, placed)
    return (device && defaultOf(device, id)) ?? nth(options, 0)
  })

/** Each unknown alone at each of its other options, the rest as they are here. */
export const oneChanged = (
  unknowns: readonly Unknown[],
  values: readonly Value[],
): { ref: Ref; values: Value[] }[] =>
  unknowns.flatMap(({ ref, options }, i) =>
    options
      .filter((o) => o !== values[i])
      .map((o) => ({ ref, values: values.map((v, j) => (j === i ? o : v)) })),
  )

/** A job with all that is not known taken as it usually stands: what nobody has looked at is neither open nor closed. */
export function asUsual(inst: Installation): Installation {
  const unknowns = unknownsOf(inst)
  return assume(inst, unknowns, usualValues(inst, unknowns))
}

/**
 * Every assignment of the unknowns, or null when there are more than the enumerable number
 * (tolerances.unknownBits binary unknowns, that is 2^6 assignments).
 */
export function assignments(unknowns: readonly Unknown[]): Value[][] | null {
  const count = unknowns.reduce((n, u) => n * Math.max(1, u.options.length), 1)
  if (count > 2 ** tolerances.unknownBits) return null
  return unknowns.reduce<Value[][]>((rows, u) => rows.flatMap((r) => u.options.map((o) => [...r, o])), [[]])
}

/** Which unknowns matter: those where changing that one alone changes the outcome; all where none does so alone. */
export function whichMatter(
  unknowns: readonly Unknown[],
  rows: readonly Value[][],
  outcome: readonly boolean[],
): readonly Unknown[] {
  const matters = unknowns.filter((_, u) => {
    // Rows that differ in this one alone stand together: by their first, and not each against each, since there may be thousands.
    const first = new Map<string, boolean>()
    return rows.some((row, i) => {
      const key = JSON.stringify(row.filter((_, k) => k !== u))
      const known = first.get(key)
      if (known === undefined) first.set(key, nth(outcome, i))
      return known !== undefined && known !== outcome[i]
    })
  })
  return matters.length ? matters : unknowns
}

/**
 * Settings that something depends on, a contact or a rule, and that are assumed to be at their factory default: nobody has
 * looked. On a device that is new from its box the default is known.
 */
export const assumedDefaults = (inst: Installation): Ref[] =>
  inst.placed.flatMap((p) => {
    if (!p.defaultAssumed) return []
    const drives = readsOf(p.device)
    return p.device.settings
      .filter((s) => p.settings[s.id] === undefined && (s.intent !== undefined || drives(s.id)))
      .map((s) => makeRef(p.ref, s.id))
  })
