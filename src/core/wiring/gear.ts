import { nth } from '../assert'
import type { TerminalRole, Value } from '../equipment'
import { makeRef, settingDef, type Installation, type Placed, type Ref } from '../installation'
import { lowSpeedIsEnough } from '../query'
import { decided, firstWith, term, terms } from './kinds'
import type { Unmet, Net, PlanSetting, PlanWhy, WiringPractice } from './net'

/** The devices of a job as a landing sees them. */
export interface Gear {
  inst: Installation
  /** Sender of the calls: the thermostat, or the zone panel behind it. */
  source: Placed
  thermostat: Placed
  indoor: Placed
  outdoor: Placed
  /** Relays that nothing has taken yet. */
  relays: Placed[]
  practice: WiringPractice
}

/**
 * Gathers nets and settings that the equipment needs, before any choice of cables. A point that does not exist is left
 * out.
 */
export class Requirements {
  nets: Net[] = []
  settings: PlanSetting[] = []
  unmet: Unmet[] = []
  /** Relays that nothing has taken. */
  spareRelays: Placed[] = []

  net(role: TerminalRole, points: (Ref | undefined)[], why?: PlanWhy): void {
    const there = points.filter((p): p is Ref => p !== undefined)
    const apart = there.filter((p, i) => there.indexOf(p) === i)
    if (apart.length > 1) this.nets.push({ role, points: apart, ...(why ? { why } : {}) })
  }
  set(placed: Placed, intent: string, value: Value, why: PlanSetting['why'] = 'follows'): void {
    const found = decided(placed, intent)
    const options = settingDef(placed, found?.id ?? '')?.options
    // A device that cannot say it is left as it is.
    if (options && !options.some((o) => o.id === value)) return
    if (!found) return
    // The last word counts: what a short cable gives up overrules what the gear could do.
    this.settings = this.settings.filter((s) => s.placed !== placed.ref || s.setting !== found.id)
    if (found.value !== value) this.settings.push({ placed: placed.ref, setting: found.id, value, why })
  }
}

/** Ends of a device that a conductor goes through: in, and out. */
export type Through = { in: Ref | undefined; out: Ref | undefined; why: PlanWhy }

/** A leak sensor's second contact, where it has one: in an alarm it stops the compressor. */
function leakContact(leak: Placed | undefined): Through[] {
  const [, , a, b] = terms(leak, 'switch')
  return a && b ? [{ in: a, out: b, why: 'leak' }] : []
}

/** Y from the thermostat through whatever must be able to stop the compressor. */
export function compressorNets(
  requirements: Requirements,
  gear: Gear,
  from: Ref | undefined,
  through: Through[],
): void {
  const { inst, source, indoor, outdoor } = gear
  let here = from
  for (const step of through) {
    requirements.net('Y1', [here, step.in], step.why)
    here = step.out
  }
  const late: Through[] = [
    ...inSeries(firstWith(inst, 'feelsWater'), 'float'),
    ...leakContact(firstWith(inst, 'feelsLeak')),
    ...inSeries(firstWith(inst, 'watchesLine'), 'monitor'),
  ]
  let points = [here, indoor === outdoor ? undefined : term(indoor, 'Y1')]
  for (const step of late) {
    requirements.net('Y1', [...points, step.in], step.why)
    points = [step.out]
  }
  requirements.net('Y1', [...points, term(outdoor, 'Y1')])
  const stages = decided(gear.thermostat, 'compressorStages')
  const two = term(source, 'Y2') && term(outdoor, 'Y2')
  if (stages) requirements.set(gear.thermostat, 'compressorStages', two ? '2' : '1')
  if (!two && term(outdoor, 'Y2')) requirements.unmet.push('stageMissing')
  const [y1, y2] = indoor === outdoor ? [] : [term(indoor, 'Y1'), term(indoor, 'Y2')]
  // A one-stage unit on a board of two heat pump speeds gets the full one.
  if (y2 && !term(outdoor, 'Y2') && !lowSpeedIsEnough(inst)) requirements.net('Y1', [y1, y2], 'jumperY')
  if (two)
    requirements.net('Y2', [
      term(source, 'Y2'),
      indoor === outdoor ? undefined : term(indoor, 'Y2'),
      term(outdoor, 'Y2'),
    ])
}

/** The two ends of a switch. */
export function inSeries(placed: Placed | undefined, why: PlanWhy): Through[] {
  const ends = placed?.device.terminals.filter((t) => t.side === 'low') ?? []
  return placed && ends.length >= 2
    ? [{ in: makeRef(placed.ref, nth(ends, 0).id), out: makeRef(placed.ref, nth(ends, 1).id), why }]
    : []
}
