import { isCooling, type Call, type Felt } from '@/core/equipment'
import { placedByRef, splitRef, type Installation } from '@/core/installation'
import {
  COIL_JUMPER,
  type Variation,
  type SceneProblem,
  type SceneEventKind,
  type Scene,
  type SiteFault,
  type System,
  type Waiting,
} from '@/core/simulation'
import { conditionOf } from '@/core/situation'
import type { CountCurve, DemandCause, ModeCause, Move, OutsideEvent, Step } from '@/core/time'
import { INTENT_WORDS } from './intents'
import { CALL_WORDS, gateName, lower, refWords, upper } from './names'
import { degrees, figure } from './numbers'
import { modeWords } from './situation'
import { clock, duration } from './time'

export const SCENE_WORDS: Record<Scene, string> = {
  raise1: 'Raise the setpoint 1 °F',
  raise4: 'Raise the setpoint 4 °F',
  recovery: 'Recover from a setback',
  coldNight: 'A cold night here',
  fog34: 'Fog at 34 °F',
  heatPumpDies: 'The heat pump dies after two hours',
  powerOff: 'Power off for 20 minutes',
  upAndDown: 'An owner who turns it up and down',
  backupCycle: 'Emergency heat, and back',
  forcedDefrost: 'Force a defrost',
  cooling: 'Cooling on a hot day',
  own: 'A scene of your own',
}

/** Events of a custom scene, each with the things that it can happen to. */
export const OWN_WHAT_WORDS: Record<SceneEventKind, string> = {
  set: 'setpoint',
  out: 'outdoors',
  system: 'system',
  power: 'power',
  fault: 'fault',
  end: 'the end',
}

const SYSTEM_WORDS: Record<System, string> = {
  heat: 'heat',
  cool: 'cool',
  emergency: 'emergency heat',
  off: 'off',
}

/** Expected content of an entry in a written scene. */
export const OWN_PROBLEM_WORDS: Record<SceneProblem['expected'], string> = {
  time: 'a time such as 1:30 (hours and minutes, up to 240 h) and what happens then',
  order: 'a time that is not before the one ahead of it',
  what: 'set, out, system, power, fault or end',
  set: 'set and a temperature from 40 to 90 °F',
  out: 'out and a temperature from -20 to 115 °F',
  system: 'system and heat, cool, emergency or off',
  power: 'power and on or off',
  fault: 'fault and a known one, or none',
  events: 'at most 60 entries',
}

const FELT_WORDS: Record<Felt, string> = {
  coil: 'the outdoor coil',
  enteringAir: 'the air entering the coil',
  leavingAir: 'the air leaving the heater',
  frostDrop: 'the outdoor coil’s drop below outdoors, over its clean drop,',
}

/** Why a thermostat asks for more, or for less. */
export function demandWords(c: DemandCause, call: Call): string {
  switch (c.why) {
    case 'differential':
      return `the room is ${degrees(c.offF)} ${isCooling(call) ? 'above' : 'below'} its setpoint`
    case 'droop':
      return `the room is ${degrees(c.offF)} below its setpoint: ${
        c.taken
          ? `its droop is not known, and ${degrees(c.droopF)}, which is usual, is passed`
          : `the droop of ${degrees(c.droopF)} is passed`
      }`
    case 'upstage':
      return `the heat pump ran ${duration(c.seconds)} without catching up`
    case 'satisfied':
      return 'the room has caught up'
    case 'set':
      return 'it was turned at the wall'
  }
}

/** Temperature that let a mode change: "the outdoor coil above 65 °F", or the fault at its sensor. */
function causeWords({ feels, side, at, site }: ModeCause): string {
  const known: Partial<Record<string, string>> = {
    ...SITE_FAULT_WORDS,
    [COIL_JUMPER]: 'the coil thermostat is jumpered',
  }
  const wrong = site === null ? undefined : known[site]
  return wrong ?? `${FELT_WORDS[feels]} ${side} ${degrees(at)}`
}

/** A person's action, or a fault. */
function outsideWords(inst: Installation, e: OutsideEvent): string {
  if ('mode' in e) {
    const isDefrost = conditionOf(inst, e.mode, e.state) === 'defrost'
    return isDefrost ? 'force a defrost by the board’s own test' : modeWords(inst, e.mode, e.state)
  }
  if ('call' in e) return `${CALL_WORDS[e.call]} is called`
  if ('outdoorF' in e) return `it is ${degrees(e.outdoorF)} outdoors`
  if ('site' in e) {
    const known: Partial<Record<string, string>> = SITE_FAULT_WORDS
    const now = known[e.site]
    if (e.site === COIL_JUMPER) return 'power off: jumper the coil thermostat and list the jumper; power on'
    if (e.site === '') return 'take the jumper out'
    return now === undefined ? 'the fault is put right' : `from now on: ${now}`
  }
  const name = placedByRef(inst, e.device)?.label ?? ''
  return e.faster > 1
    ? `hold the speed-up pins of ${name} together: its interval runs ${figure(e.faster)} times faster`
    : `let the speed-up pins of ${name} go`
}

/** A change, and its delay; loads that come or go are reported apart. */
function moveWords(inst: Installation, m: Move): string {
  switch (m.kind) {
    case 'demand':
      return `${CALL_WORDS[m.call]}${m.call === 'off' ? '' : ' is called'}: ${demandWords(m.cause, m.call)}`
    case 'weather':
      return `outdoors passes a temperature at which something changes`
    case 'outside':
      return outsideWords(inst, m.event)
    case 'mode': {
      const counted = m.transition.accumulates
      const waited =
        m.waited > 0 ? (counted ? `, ${duration(m.waited)} counted` : ` after ${duration(m.waited)}`) : ''
      return `${lower(modeWords(inst, m.ref, m.to))}${waited}${m.because ? `: ${causeWords(m.because)}` : ''}`
    }
    case 'contact':
      return `${lower(gateName(inst, m.ref))} ${m.closes ? 'closes' : 'opens'}${m.waited > 0 ? ` after ${duration(m.waited)}` : ''}`
    case 'load':
      return `${refWords(inst, m.ref)} ${m.on ? 'on' : 'off'}`
  }
}

/** Changes at an instant, and their reason. */
export interface EventWords {
  at: number
  what: string[]
  why: string[]
}

/** A step as a person is told it: what runs otherwise first, then what moved, in its order. */
export function eventWords(inst: Installation, step: Pick<Step, 'at' | 'moves'>): EventWords {
  const loads = step.moves.filter((m) => m.kind === 'load')
  const others = step.moves.filter((m) => m.kind !== 'load')
  // The weather is said only where it is what moved something.
  const told = others.length > 1 ? others.filter((m) => m.kind !== 'weather') : others
  return {
    at: step.at,
    what: loads.map((m) => moveWords(inst, m)),
    why: told.map((m) => moveWords(inst, m)),
  }
}

/** "Compressor on, outdoor fan on: heat is called: the room is 0.3 °F off its setpoint." */
export function eventSentence(inst: Installation, step: Pick<Step, 'at' | 'moves'>): string {
  const { what, why } = eventWords(inst, step)
  const parts = [what.map((w, i) => (i ? lower(w) : w)).join(', '), why.join('; ')].filter(Boolean)
  const text = parts.join(': ')
  return text ? `${upper(text)}.` : ''
}

/** 3725 as "1:02:05". */
export function elapsed(seconds: number): string {
  const s = Math.round(seconds)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${Math.floor(s / 3600)}:${two(Math.floor((s % 3600) / 60))}:${two(s % 60)}`
}

/** "Compressor minimum-off timer, waiting: 3:12 left." */
export function waitingSentence(inst: Installation, w: Waiting): string {
  const name =
    w.kind === 'mode' ? modeWords(inst, w.ref, w.state) : `${gateName(inst, w.ref)}, still ${w.state}`
  return `${name}: ${clock(w.left)} left.`
}

const SITE_FAULT_WORDS: Record<SiteFault, string> = {
  coilSwitchOpen: 'the coil’s thermostat stuck open',
  coilSwitchClosed: 'the coil’s thermostat stuck closed',
  coilSwitchOff: 'the coil’s thermostat off its tube',
  lowCharge: 'low on charge',
  fanStays: 'the outdoor fan does not stop in a defrost',
  compressorDead: 'the compressor does not turn over, though its contactor is in',
}

/** The values that a line of a scene of one's own may have; null: a number, or none. */
export const OWN_VALUE_WORDS: Record<SceneEventKind, Record<string, string> | null> = {
  set: null,
  out: null,
  system: SYSTEM_WORDS,
  power: { off: 'goes off', on: 'comes back' },
  fault: { ...SITE_FAULT_WORDS, none: 'nothing: put right' },
  end: null,
}

/** "1 h to defrosting": a count that fills. */
export function countWords(inst: Installation, c: CountCurve): string {
  const { placed, id } = splitRef(c.mode)
  const mode = placedByRef(inst, placed)?.device.modes.find((m) => m.id === id)
  const label = mode?.states.find((s) => s.id === c.to)?.label ?? c.to
  return `${duration(c.after)} to ${lower(label)}`
}

/** "Backup droop: 4 °F": one thing otherwise. */
export function variationWords(inst: Installation, o: Variation): string {
  if (o.kind === 'fault') return `Fault: ${SITE_FAULT_WORDS[o.fault]}`
  if (o.kind === 'cold') return 'Defrosts cold: no backup in them'
  const { placed, id } = splitRef(o.at)
  const own = placedByRef(inst, placed)
  const setting = own?.device.settings.find((s) => s.id === id)
  const option = setting?.options?.find((x) => x.id === String(o.value))
  const unit = setting?.unit ? ` ${setting.unit.replace('Δ', '')}` : ''
  return `${INTENT_WORDS[o.intent].name}: ${option?.label ?? `${String(o.value)}${unit}`}`
}
