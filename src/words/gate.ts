import { hasTrait, type ModeCondition } from '@/core/equipment'
import type { ChainBecause, ChainGate, GateChain } from '@/core/explain'
import {
  makeRef,
  placedByRef,
  splitRef,
  terminalOf,
  type Installation,
  type Placed,
} from '@/core/installation'
import { CALL_WORDS, gateName, lower, refWords } from './names'
import { degrees, volts } from './numbers'

/** A gate for the screen: its name, and why it stands as it does, with the number. */
export interface GateWords {
  name: string
  reason: string
}

/** Which reason to give first, when several decide: what the technician can act on. */
const ORDER: ChainBecause['kind'][] = [
  'late',
  'notWired',
  'shorted',
  'samePole',
  'apart',
  'alike',
  'otherWay',
  'volts',
  'sense',
  'mode',
  'condition',
  'call',
  'set',
  'energised',
  'notJoined',
  'crossed',
  'extra',
]

export function gateWords(inst: Installation, gate: ChainGate): GateWords {
  const name = gateName(inst, gate.at)
  const coils = gate.because.filter((b) => b.kind === 'energised')
  // A coil that alone holds it open says more than another call that would close it as well.
  const isHeld = gate.state !== 'passing' && coils.length > 0 && coils.every((b) => b.negated)
  // A setting that lets a call open the contact says more than the call, which was made on purpose.
  const bySetting = (b: ChainBecause) =>
    gate.state !== 'passing' && b.kind === 'set' && b.negated && b.truth === 'yes'
  const rank = (b: ChainBecause) =>
    (isHeld && b.kind === 'energised') || bySetting(b) ? ORDER.indexOf('call') - 0.5 : ORDER.indexOf(b.kind)
  const first = [...gate.because].sort((a, b) => rank(a) - rank(b))[0]
  if (!first) return { name, reason: '' }
  const reason = becauseWords(inst, gate, first)
  // A contact that should not be on the way at all: what holds it, and the conductor that would lead past it.
  const wiring = gate.because.find(
    (b) => b.kind === 'notJoined' || b.kind === 'crossed' || b.kind === 'extra',
  )
  if (!wiring || wiring === first) return { name, reason }
  return { name, reason: `${reason}. ${becauseWords(inst, gate, wiring)}` }
}

function becauseWords(inst: Installation, gate: ChainGate, b: ChainBecause): string {
  const placed = placedByRef(inst, splitRef(gate.at).placed)
  const passing = gate.state === 'passing'
  switch (b.kind) {
    case 'notWired':
      return b.last ? `Not wired: the path ends at ${refWords(inst, b.last)}` : 'Not wired'
    case 'notJoined': {
      const missing = `No conductor leads from ${refWords(inst, b.from)} to ${refWords(inst, b.to)}`
      return b.instead ? `${missing}. The one that belongs there is on ${refWords(inst, b.instead)}` : missing
    }
    case 'crossed': {
      const ways = [b.one, b.other].map((w) => w.map((at) => refWords(inst, at)).join(' goes to '))
      const ends = b.at.flatMap((at) => terminalOf(inst, at) ?? [])
      const [device, ...others] = new Set(ends.map((e) => e.placed))
      // In the order in which the device has them: R before C.
      const labels = device?.device.terminals.filter((t) => ends.some((e) => e.terminal === t)) ?? []
      const where =
        device && !others.length
          ? `${labels.map((t) => t.label).join(' and ')} are crossed at the ${lower(device.label)}`
          : 'Two conductors are crossed'
      return `${where}: ${ways.join(', and ')}`
    }
    case 'extra':
      return `A conductor that does not belong joins ${refWords(inst, b.a)} and ${refWords(inst, b.b)}`
    case 'samePole': {
      const isLine = hasTrait(placedByRef(inst, splitRef(b.pole).placed)?.device, 'feedsLine')
      const side = isLine ? 'one leg' : b.side === 'hot' ? 'R' : 'the common'
      return `Both ends stand at ${side} of the same supply: no volts between them`
    }
    case 'shorted':
      return `The two ends of its supply are joined, a short: ${supplyWords(inst, b.pole)}`
    case 'apart':
      return `Its two ends hang on two supplies with nothing in common: ${supplyWords(inst, b.one)} and ${supplyWords(inst, b.other)}`
    case 'alike':
      return `Its two ends stand at the same volts: ${supplyWords(inst, b.one)} and ${supplyWords(inst, b.other)}`
    case 'late':
      return b.closes ? 'Called, and not closed yet' : 'Not called any more, and not open yet'
    case 'otherWay':
      return 'On, but not by this way: through another load or a supply not meant for it'
    case 'volts':
      return `Only ${volts(b.volts)} there; it needs ${volts(b.needs)}`
    case 'sense':
      return senseWords(b, passing)
    case 'mode': {
      const mode = placed?.device.modes.find((m) => m.id === b.mode)
      const state = mode?.states.find((s) => s.id === b.state)
      return `${mode?.label ?? b.mode}: ${lower(state?.label ?? b.state)}`
    }
    case 'condition': {
      const words = CONDITION_WORDS[b.condition]
      // A closed contact is worded by its true condition: a switch that opens without gas passes because there is gas.
      if (!words) return b.condition
      return words[b.truth === 'yes' ? 0 : 1].replace('{air}', airWords(placed, b.condition))
    }
    case 'call': {
      if (b.truth === 'yes' || passing) return `${CALL_WORDS[b.call]} is called`
      const wants = b.wants.filter((c) => offered(inst, c)).map((c) => CALL_WORDS[c].toLowerCase())
      const list = wants.length > 3 ? `${wants.slice(0, 3).join(', ')} …` : wants.join(', ')
      return `Not called: closes on ${list}`
    }
    case 'set': {
      const setting = placed?.device.settings.find((s) => s.id === b.setting)
      const label = setting?.label ?? b.setting
      const named = (value: unknown) => setting?.options?.find((o) => o.id === value)?.label ?? String(value)
      if (b.value === null) return `${label}: not known yet`
      // A gate that is a setting itself is one that has to be set otherwise.
      const isWrong = gate.at === makeRef(splitRef(gate.at).placed, b.setting)
      const wanted = isWrong ? `. This equipment needs: ${b.wants.map(named).join(' or ')}` : ''
      return `${label}: ${named(b.value)}${wanted}`
    }
    case 'energised':
      // A board's contact that opens may have any of its inputs for a coil: it is said which.
      if (b.truth === 'yes' && b.negated && !passing) {
        const coil = placed?.device.parts.find((x) => x.id === b.part)
        const label = coil?.kind === 'load' ? coil.label : undefined
        if (label) return `Its coil has 24 V: ${lower(label)} holds it open`
      }
      return b.truth === 'yes' ? 'Its coil has 24 V' : 'Its coil has no 24 V'
  }
}

/** Condition at a switch in the air, the drain or the refrigerant. */
const CONDITION_WORDS: Partial<Record<ModeCondition, [so: string, not: string]>> = {
  hotCoil: ['{air} is hot', '{air} is not hot'],
  warmCoil: ['{air} is still cooling down', '{air} has cooled'],
  leak: ['Refrigerant leak alarm', 'No refrigerant leak'],
  water: ['Condensate is high', 'Condensate is low'],
  noGas: ['No gas pressure', 'Gas pressure is there'],
  defrost: ['The outdoor unit is defrosting', 'The outdoor unit is not defrosting'],
  lockout: ['The outdoor unit is locked out on a fault', 'The outdoor unit is not locked out'],
}

/** The air that a contact feels: what its own device says of it, else what comes to the coil. */
const airWords = (placed: Placed | undefined, condition: ModeCondition): string =>
  placed?.device.modes.find((m) => m.states.some((s) => s.condition === condition))?.label ??
  'Air entering the coil'

/** The device that a supply stands in; where it has several, which of them. */
function supplyWords(inst: Installation, at: string): string {
  const placed = placedByRef(inst, splitRef(at).placed)
  if (!placed) return at
  const own = placed.device.parts.filter((x) => x.kind === 'transformer' || x.kind === 'source')
  const { id } = splitRef(at)
  const ends = (x: (typeof own)[number]) => (x.kind === 'transformer' ? [x.c, x.d] : [x.a, x.b])
  const part = own.length > 1 ? own.find((x) => ends(x).includes(id)) : undefined
  const isBus = placed.device.terminals.some((t) => t.id === id && t.role === 'bus')
  const name = part?.kind === 'transformer' ? part.label : part && isBus ? 'the bus' : undefined
  return name ? `${lower(placed.label)}, ${lower(name)}` : lower(placed.label)
}

const offered = (inst: Installation, call: keyof typeof CALL_WORDS): boolean =>
  inst.placed.some((p) => p.device.calls?.some((c) => c.call === call))

function senseWords(b: Extract<ChainBecause, { kind: 'sense' }>, passing: boolean): string {
  if (b.below === null) return `${degrees(b.at)} outside; its setting is not known yet`
  const closes = b.negated ? `opens below ${degrees(b.below)}` : `closes below ${degrees(b.below)}`
  if (b.inBand)
    return `${degrees(b.at)} outside, inside its differential (${b.below} to ${degrees(b.below + b.band)}): stays as it was`
  if (passing) return `${degrees(b.at)} outside; ${closes}`
  const back = b.band && !b.negated ? `, opens at ${degrees(b.below + b.band)}` : ''
  return `${degrees(b.at)} outside; ${closes}${back}`
}

/** Why something runs that should not: the conductors that turn it on, one sentence each. */
export const onByWords = (inst: Installation, { onBy }: GateChain): string[] =>
  onBy.map((gate) => gateWords(inst, gate).reason)

const WIRING: readonly ChainBecause['kind'][] = ['notJoined', 'crossed', 'extra']

/** The count of wrong connections of one load, where there are several; else empty. */
export function severalWords({ gates }: GateChain): string {
  const wrong = gates.filter((g) => g.state !== 'passing' && g.because.some((b) => WIRING.includes(b.kind)))
  return wrong.length > 1 ? `${wrong.length} connections are wrong for this load. Correct this one first` : ''
}

/** The chain in one sentence: it runs, or the first gate that stops it and why. */
export function chainSentence(inst: Installation, chain: GateChain): string {
  if (chain.running === 'yes') return ['On', ...onByWords(inst, chain)].join('. ')
  const gate = chain.first === null ? undefined : chain.gates[chain.first]
  if (!gate) return chain.running === 'unknown' ? 'Not known yet' : 'Off'
  const { name, reason } = gateWords(inst, gate)
  const known = gate.state === 'unknown' ? 'Depends on' : 'Held at'
  const held = `${known} ${lower(name)}${reason ? `. ${reason}` : ''}`
  return [held, severalWords(chain)].filter(Boolean).join('. ')
}
