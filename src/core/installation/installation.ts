import {
  evaluate,
  type Device,
  type Expr,
  type Unknowable,
  type Quantity,
  type Setting,
  type EvalContext,
  type Terminal,
  type Value,
} from '../equipment'
import { degF } from '../units'
import { makeRef, splitRef, type Ref, type Name } from './ref'

/** A device where it is installed, with its settings as left. A setting that is null is not known yet. */
export interface Placed {
  ref: string
  label: string
  where?: string
  device: Device
  settings: Record<string, Unknowable<Value>>
  /** A setting that is missing from `settings` is assumed at its factory default, unchecked; the verdict counts it. */
  defaultAssumed?: true
  /** The model and revision on its plate, as read on site: some defaults depend on it. */
  model?: string
}

/** A cable or harness between two placed devices. */
export interface Cable {
  id: string
  label: string
  kind: 'low' | 'line' | 'harness'
  from: string
  to: string
  gauge: number
  feet: number
}

/**
 * A conductor of a cable, or a jumper (`cable` null). An end that is null is not landed. `colour` is the color at end
 * a; `colourB` at end b, where a splice or tape changes it. `doubt`: nobody has checked whether it is there; the proof
 * then tries both.
 */
export interface Wire {
  id: string
  cable: string | null
  colour: string
  colourB?: string
  a: Ref | null
  b: Ref | null
  gauge?: number
  feet?: number
  doubt?: boolean
}

/** The core's input for every computation. */
export interface Installation {
  placed: Placed[]
  cables: Cable[]
  wires: Wire[]
}

export const placedByRef = (inst: Installation, ref: string): Placed | undefined =>
  inst.placed.find((p) => p.ref === ref)

export function terminalOf(inst: Installation, ref: Name): { placed: Placed; terminal: Terminal } | null {
  const { placed: p, id } = splitRef(ref)
  const placed = placedByRef(inst, p)
  const terminal = placed?.device.terminals.find((t) => t.id === id)
  return placed && terminal ? { placed, terminal } : null
}

/** A device's own common of its 24 V; null where it has none. */
export function commonOf({ ref, device }: Placed): Ref | null {
  const common = device.terminals.find((t) => t.role === 'C' && t.side === 'low')
  return common ? makeRef(ref, common.id) : null
}

/** A value for a setting. */
export interface SettingChange {
  at: Ref
  value: Value
}

/** The wiring with some settings as they would be. */
export const withSettings = (inst: Installation, changes: readonly SettingChange[]): Installation => ({
  ...inst,
  placed: inst.placed.map((p) => {
    const own = changes.map(({ at, value }) => ({ ...splitRef(at), value })).filter((c) => c.placed === p.ref)
    return own.length
      ? { ...p, settings: { ...p.settings, ...Object.fromEntries(own.map((c) => [c.id, c.value])) } }
      : p
  }),
})

/** The value a setting has: as left; the device's default where nothing is recorded; null while not known. */
export function settingValue(placed: Placed, id: string): Unknowable<Value> {
  const left = placed.settings[id]
  if (left !== undefined) return left
  return defaultOf(placed, id) ?? null
}

/**
 * The factory default of a setting, on a device of this model and with its other settings as they are; undefined for no
 * setting of the device.
 */
export function defaultOf(
  placed: Pick<Placed, 'device' | 'model'> & Partial<Pick<Placed, 'settings'>>,
  id: string,
): Value | undefined {
  const { device, model, settings = {} } = placed
  const setting = device.settings.find((s) => s.id === id)
  const own = setting?.defaultFor?.find((d) => {
    if ('model' in d) return model?.toLowerCase().includes(d.model.toLowerCase())
    const other = settings[d.set] ?? device.settings.find((s) => s.id === d.set)?.default
    return other !== undefined && d.is.includes(other)
  })
  return own?.value ?? setting?.default
}
/** The same in a job: a setting that follows another device's over the bus has that one's value. */
export function settingIn(inst: Installation, placed: Placed, id: string): Unknowable<Value> {
  const follows = settingDef(placed, id)?.follows
  if (follows)
    for (const other of inst.placed) {
      const told = other !== placed && other.device.settings.find((s) => s.intent === follows)
      if (told) return settingValue(other, told.id)
    }
  return settingValue(placed, id)
}
export const settingDef = (placed: Placed, id: string): Setting | undefined =>
  placed.device.settings.find((s) => s.id === id)

/** An electrical quantity's number; an unknown setting gives way to the device's default. */
export function quantity(placed: Placed, q: Quantity): number {
  if (typeof q === 'number') return q
  const value = settingValue(placed, q.set) ?? defaultOf(placed, q.set)
  return (typeof value === 'number' ? value : Number.NaN) * (q.times ?? 1)
}

/** AWG and one-way feet of a wire: its own, else its cable's, else a two-foot 18 AWG jumper. */
export function wireSize(inst: Installation, wire: Wire): { gauge: number; feet: number } {
  const cable = inst.cables.find((c) => c.id === wire.cable)
  return { gauge: wire.gauge ?? cable?.gauge ?? 18, feet: wire.feet ?? cable?.feet ?? 2 }
}

/** Context for an expression that reads settings alone. */
export const settingsContext = (setting: EvalContext['setting']): EvalContext => ({
  call: 'off',
  outdoorF: degF(47),
  setting,
  mode: () => '',
  condition: () => false,
  energised: () => 'unknown',
  memory: () => null,
})

/** A condition that looks at settings alone (such as which demands a thermostat offers). */
export function holdsBySettings(placed: Placed, when: Expr | undefined): boolean {
  if (!when) return true
  return (
    evaluate(
      when,
      settingsContext((id) => settingValue(placed, id)),
    ) !== 'no'
  )
}
