import { type Circuit, solve } from '../circuit'
import { circuitWith, type GateIntent } from '../crossing'
import { hasTrait, leaves, wantsBackup, type Call, type Setting } from '../equipment'
import { makeRef, settingValue, type Placed, type Ref, type SettingChange } from '../installation'
import { degF, type DegF } from '../units'
import { BANDS } from './bands'
import { ohmsAt } from './sensorOhms'
import { situationAt, TODAY, type Card, type TestStep } from './testCard'
import { having } from '../query'

/** The calls that a gate is seen in: what it locks out is asked for. */
const SEEN_IN: Record<GateIntent, 'heatPump' | 'backup'> = {
  compressorLockout: 'heatPump',
  changeover: 'heatPump',
  auxLockout: 'backup',
  outdoorSwitch: 'backup',
}
const GATES = Object.keys(SEEN_IN) as GateIntent[]

/**
 * A card for each gate that decides something as wired: what it does on the other side of today's temperature, by its
 * setting moved past the sensor, by ice water, or by a resistor in place of the sensor. The side it stands on today is the
 * call's own card.
 */
export function gateTest(circuit: Circuit, heating: readonly Call[], outdoorF: DegF): Card[] {
  const backup = [...heating].reverse().find(wantsBackup)
  return GATES.flatMap((intent) => {
    const call = SEEN_IN[intent] === 'backup' ? backup : heating[0]
    if (!call) return []
    return circuit.inst.placed.flatMap((placed) =>
      placed.device.settings
        .filter((s) => s.intent === intent && s.kind === 'number')
        .flatMap((setting) => gateCard(circuit, intent, placed, setting, call, outdoorF)),
    )
  })
}

function gateCard(
  circuit: Circuit,
  intent: GateIntent,
  placed: Placed,
  setting: Setting,
  call: Call,
  outdoorF: DegF,
): Card[] {
  const ref = makeRef(placed.ref, setting.id)
  const value = settingValue(placed, setting.id)
  const card = { id: `gate-${placed.ref}-${setting.id}`, kind: 'gate' as const, at: ref, intent }
  const here = situationAt(call, outdoorF)
  const runs = (changes: readonly SettingChange[]): string => {
    const solved = solve(circuitWith(circuit, changes), here)
    return solved.ok ? solved.running.map((l) => l.ref).join() : 'chatter'
  }
  // Asked with its lockout as it stands, on or off: one that is off has nothing to be tried.
  if (runs([{ at: ref, value: -60 }]) === runs([{ at: ref, value: 150 }])) return []
  if (typeof value !== 'number')
    return [{ ...card, situation: here, steps: [], today: { can: false, why: 'settingUnknown', at: ref } }]
  const band = bandOf(placed, setting.id)
  const isCold = outdoorF < value
  const past = isCold ? outdoorF - BANDS.pastSensorF - band : outdoorF + BANDS.pastSensorF
  const to = toStep(past, setting, isCold)
  const moved = [{ at: ref, value: to }]
  if (runs(moved) === runs([])) return []
  const done = (steps: TestStep[], today: Card['today'] = TODAY): Card[] => [
    // Its setting is moved with nothing called.
    { ...card, situation: here, moved, steps, today, past: [] },
  ]
  const { range } = setting
  if (!range || (to >= range[0] && to <= range[1]))
    return done([{ kind: 'moveSetting', at: ref, was: value, to }])
  const bulb = bulbOf(circuit, intent, placed, setting)
  const forF = degF(isCold ? value + band + BANDS.pastSensorF : value - BANDS.pastSensorF)
  const ohms = bulb && ohmsAt(bulb.table, forF)
  if (bulb && typeof ohms === 'number') return done([{ kind: 'resistor', at: bulb.at, forF, ohms }])
  if (bulb && isCold && forF <= BANDS.bathMostF) return done([{ kind: 'warmBath', at: bulb.at, forF }])
  if (bulb && !isCold) {
    // A mechanical switch trips within ±5 °F of its dial, an electronic one within ±2.
    const isDial = hasTrait(placed.device, 'outdoorSwitch')
    const enough = BANDS.iceF + (isDial ? BANDS.iceDialMarginF : BANDS.iceMarginF)
    if (value >= enough) return done([{ kind: 'iceBath', at: bulb.at }])
    if (range[1] >= enough)
      return done([
        { kind: 'moveSetting', at: ref, was: value, to: range[1] },
        { kind: 'iceBath', at: bulb.at },
      ])
  }
  return done(
    [],
    isCold
      ? { can: false, why: 'tooCold', untilF: value + band }
      : { can: false, why: 'tooWarm', untilF: value },
  )
}

/** Δ°F that a switch stays as it was, over its setting. */
const bandOf = (placed: Placed, setting: string): number =>
  placed.device.parts.reduce((most, p) => {
    if (p.kind !== 'contact') return most
    const own = leaves(p.driver).flatMap((l) =>
      'sense' in l && typeof l.below === 'object' && l.below.set === setting ? [l.band ?? 0] : [],
    )
    return Math.max(most, ...own)
  }, 0)

/** To a step of the setting that is at least so far past. */
function toStep(value: number, { range, step = 1 }: Setting, down: boolean): number {
  const from = range?.[0] ?? 0
  const steps = (value - from) / step
  return from + step * (down ? Math.floor(steps) : Math.ceil(steps))
}

/**
 * Outdoor sensor of a contact that can go into a cup of water or be replaced by a resistor: the switch itself, a kit
 * with its own bulb, or the wired sensor with its table of ohms. null: a feed, or unknown.
 */
function bulbOf(
  circuit: Circuit,
  intent: GateIntent,
  placed: Placed,
  setting: Setting,
): { at: Ref; table: readonly { atF: number; ohms: number }[] } | null {
  const { inst } = circuit
  if (intent === 'outdoorSwitch') return { at: makeRef(placed.ref, setting.id), table: [] }
  const source = placed.device.settings.find((s) => s.intent === 'outdoorSource')
  if (!source)
    return hasTrait(placed.device, 'switchesFuel') ? { at: makeRef(placed.ref, ''), table: [] } : null
  if (settingValue(placed, source.id) !== 'wired') return null
  const sensor = having(inst, 'sensesOutdoors')[0]
  return sensor ? { at: makeRef(sensor.ref, ''), table: sensor.device.plate.sensorOhms ?? [] } : null
}
