import { Circuit } from '../circuit'
import type { Intent, Setting } from '../equipment'
import {
  makeRef,
  placedByRef,
  settingValue,
  splitRef,
  withSettings,
  type Installation,
  type JobSeen,
  type Placed,
  type Ref,
  type SettingChange,
} from '../installation'
import { findingKey, jobFindings, type Finding } from '../rules'
import { sharingOf, type Sharing, type SharingStretch } from './sharing'

/** Settings that can be dragged: temperatures at which a heat source begins or stops. */
const GATE_INTENTS = ['compressorLockout', 'auxLockout', 'outdoorSwitch', 'changeover'] as const
export type GateIntent = (typeof GATE_INTENTS)[number]

/** The switch that a lockout has beside its temperature. */
const SWITCHED_BY: Partial<Record<GateIntent, Intent>> = {
  compressorLockout: 'useCompressorLockout',
  auxLockout: 'useAuxLockout',
}

/** A gate where a device of the job can realise it. */
export interface CrossingGate {
  intent: GateIntent
  at: Ref
  /** °F; null: the setting is not known yet. */
  valueF: number | null
  range: { low: number; high: number; step: number }
  /** Moving it changes who heats when. One that changes nothing as things stand is drawn hollow. */
  acts: boolean
  /** It would, once its lockout is switched on, which a drag does as well. */
  wouldAct: boolean
  /** The finding that must be cleared first, where the change has no effect or would add a finding. */
  needs: Finding | null
}

/** The gates of a job; and those intents of them that nothing in it can realise. */
export interface CrossingGates {
  gates: CrossingGate[]
  missing: GateIntent[]
}

/** Gates that a house with this backup has use for. */
const relevant = (furnace: boolean): readonly GateIntent[] =>
  furnace ? GATE_INTENTS : GATE_INTENTS.filter((i) => i !== 'changeover')

/** The settings that a gate moved to a temperature sets: the temperature, and its switch where it is off. */
export function gateChanges(
  inst: Installation,
  gate: Pick<CrossingGate, 'intent' | 'at'>,
  valueF: number,
): SettingChange[] {
  const { placed: ref } = splitRef(gate.at)
  const placed = placedByRef(inst, ref)
  const use = SWITCHED_BY[gate.intent]
  const toggle = use && placed?.device.settings.find((s) => s.intent === use)
  const changes: SettingChange[] = [{ at: gate.at, value: valueF }]
  if (placed && toggle && settingValue(placed, toggle.id) !== 'on')
    changes.push({ at: makeRef(ref, toggle.id), value: 'on' })
  return changes
}

const movedCircuits = () => new Map<string, Circuit>()

/** A circuit with some settings as they would be, laid out once for as long as the circuit itself is kept. */
export function circuitWith(circuit: Circuit, changes: readonly SettingChange[] = []): Circuit {
  if (!changes.length) return circuit
  const known = circuit.cache.once(movedCircuits)
  const key = JSON.stringify(changes)
  let own = known.get(key)
  if (!own) known.set(key, (own = new Circuit(withSettings(circuit.inst, changes), circuit)))
  return own
}

/**
 * Compares another wiring of a job with the present one and lists the findings that it adds. The present findings are
 * looked up once.
 */
export function newFindings(seen: JobSeen): (inst: Installation) => Finding[] {
  const before = new Set(jobFindings(seen).map(findingKey))
  return (inst) => jobFindings({ ...seen, inst }).filter((f) => !before.has(findingKey(f)))
}

const shape = (sharing: Sharing): string =>
  JSON.stringify(sharing.map((s) => [s.from, s.to, s.heatPump, s.kitKw, s.furnace, s.together]))
/** The same answers on both sides of a cut make one stretch. */
export function merged(sharing: Sharing): Sharing {
  const list: SharingStretch[] = []
  for (const s of sharing) {
    const last = list[list.length - 1]
    const alike =
      last &&
      last.heatPump === s.heatPump &&
      last.kitKw === s.kitKw &&
      last.furnace === s.furnace &&
      last.together === s.together
    if (last && alike) list[list.length - 1] = { ...last, to: s.to, unsure: last.unsure || s.unsure }
    else list.push(s)
  }
  return list
}

/** The gates that the devices of this job have, and whether moving each changes who heats when in the solved circuit. */
export function gatesOfJob(seen: JobSeen, circuit: Circuit, furnace: boolean): CrossingGates {
  const { inst } = circuit
  const raised = newFindings(seen)
  const sharingWith = (changes: readonly SettingChange[]): string =>
    shape(merged(sharingOf(new Circuit(withSettings(inst, changes), circuit))))
  const found = relevant(furnace).flatMap((intent) =>
    inst.placed.flatMap((placed) =>
      placed.device.settings
        .filter((s) => s.intent === intent && s.kind === 'number')
        .map((setting) => gateAt(inst, intent, placed, setting, sharingWith, raised)),
    ),
  )
  return {
    gates: found,
    missing: relevant(furnace).filter((i) => !found.some((g) => g.intent === i)),
  }
}

function gateAt(
  inst: Installation,
  intent: GateIntent,
  placed: Placed,
  setting: Setting,
  sharingWith: (changes: readonly SettingChange[]) => string,
  raised: (inst: Installation) => Finding[],
): CrossingGate {
  const at = makeRef(placed.ref, setting.id)
  const [low, high] = setting.range ?? [0, 65]
  const value = settingValue(placed, setting.id)
  const gate = { intent, at }
  const differs = (changes: (f: number) => SettingChange[]) =>
    sharingWith(changes(low)) !== sharingWith(changes(high))
  const acts = differs((f) => [{ at, value: f }])
  const switched = gateChanges(inst, gate, typeof value === 'number' ? value : low)
  const wouldAct = acts || (switched.length > 1 && differs((f) => gateChanges(inst, gate, f)))
  return {
    ...gate,
    valueF: typeof value === 'number' ? value : null,
    range: { low, high, step: setting.step ?? 1 },
    acts,
    wouldAct,
    needs: raised(withSettings(inst, switched))[0] ?? null,
  }
}
