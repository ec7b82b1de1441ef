import type { Installation } from '@/core/installation'
import type { Cause, Reading, ReadingKind, ReadingPlace, Verdict } from '@/core/startup'
import { gateWords } from './gate'
import { lower, refWords } from './names'
import { figure } from './numbers'

export const KIND_WORDS: Record<ReadingKind, string> = {
  controlVolts: 'Control volts, R to C',
  lineVolts: 'Line volts',
  legToGround: 'Leg to ground',
  stripAmps: 'Strip amps',
  rowOhms: 'Row ohms',
  returnAir: 'Return air',
  supplyAir: 'Supply air',
}
export const PLACE_WORDS: Record<ReadingPlace, string> = {
  terminals: 'at the terminals',
  feed: 'at the feed',
  kitLead: 'on one kit lead',
  rowTerminals: 'at the row',
  disconnect: 'at the disconnect',
  returnDuct: 'in the return',
  supplyDuct: 'in the supply',
}
export const VERDICT_WORDS: Record<Verdict['verdict'], string> = {
  right: 'Right',
  watch: 'Look again',
  wrong: 'Wrong',
  unjudged: 'Recorded',
}

/** "39.3 A at the feed, with the blower" */
export function readingWords(inst: Installation, r: Reading, unit: string): string {
  const value = r.value === 'OL' ? 'OL' : `${figure(r.value, 2)} ${unit}`
  const at = r.place === 'feed' ? PLACE_WORDS.feed : `${PLACE_WORDS[r.place]}, ${refWords(inst, r.at)}`
  const blower =
    r.kind !== 'stripAmps' || r.place !== 'feed'
      ? ''
      : r.withBlower === null
        ? ', blower in or out not known'
        : r.withBlower
          ? ', blower in it'
          : ', without the blower'
  return `${value} ${at}${blower}`
}

/** What the reading was held against, with the arithmetic. */
export function heldAgainst(v: Verdict): string {
  const e = v.expected
  if (!e) return 'Recorded; it is judged once capacity and airflow are known.'
  const band = `${figure(e.low)} to ${figure(e.high)} ${v.unit}`
  switch (v.rule) {
    case 'controlVolts':
      return `Held against ${band}${v.from.computed === undefined ? '' : `; this circuit should give ${figure(v.from.computed)} V`}.`
    case 'lineVolts':
      return v.from.plate === undefined
        ? `Held against ${band}: ${figure(v.from.service ?? e.nominal)} V service, ±10 %.`
        : `Held against ${band}, the plate’s, on a ${figure(v.from.service ?? e.nominal)} V service.`
    case 'legToGround':
      return e.nominal
        ? `Held against ${band}: a live leg to ground.`
        : `Held against ${band}: with the breakers as they stand, nothing feeds this leg.`
    case 'stripsOff':
      return `As wired, no row is on here: held against ${band}.`
    case 'stripAmps': {
      const rows = v.from.rows ?? 0
      const sum = `${rows} ${rows === 1 ? 'row' : 'rows'} × ${figure(v.from.volts ?? 0)} V ÷ ${figure(v.from.ohms ?? 0, 2)} Ω`
      const blower = v.from.blower ? ` + ${figure(v.from.blower)} A blower` : ''
      return `Held against ${figure(e.nominal)} A (${sum}${blower}): ${band}.`
    }
    case 'rowOhms':
      return `Held against ${figure(e.nominal, 2)} Ω ±10 %: ${band}.`
    case 'recordedOnly':
      return ''
  }
}

/** One likely cause, said so that it can be checked. */
export function causeWords(inst: Installation, c: Cause): string {
  switch (c.kind) {
    case 'fuseOpen':
      return '24 V fuse open'
    case 'doorOpen':
      return 'Blower door off, door switch open'
    case 'breakerOff':
      return 'Breaker or disconnect off'
    case 'tapHighOnLow':
      return 'Transformer on its 240 V tap with 208 V on it (about 20.8 V)'
    case 'tapLowOnHigh':
      return 'Transformer on its 208 V tap with 240 V on it (27.7 V and up)'
    case 'overload':
      return 'Too much on the transformer: does it come up with the calls off?'
    case 'conductorOpen':
      return `Live at ${lower(refWords(inst, c.from))}: a conductor between there and here is open, or off its terminal`
    case 'otherService':
      return `A ${c.volts} V service: record the circuit as that, and look at the transformer’s tap`
    case 'legLost':
      return 'One leg is lost: one pole of a breaker or disconnect, or a lug'
    case 'twoLegs':
      return 'Two legs where a leg and the neutral belong: open the circuit before anything is spoilt'
    case 'looseLug':
      return 'Loose lug or burnt contact on the way'
    case 'utility':
      return 'The utility: measure line volts'
    case 'sequencerWaiting':
      return c.seconds
        ? `A sequencer still waiting: up to ${c.seconds} s a step`
        : 'A sequencer still waiting'
    case 'gateBlocks': {
      const { name, reason } = gateWords(inst, c.gate)
      return `Held at ${lower(name)}. ${reason}`
    }
    case 'oneBankClamped':
      return `It is ${c.rows} of ${c.of} rows: only one bank in the clamp? Compare with the feed`
    case 'rowOpen':
      return c.rows > 1 ? `${c.rows} rows open: ohm each` : 'An open row: ohm it'
    case 'linkOpen':
      return 'Fuse link open (one-time): replace it, and find out why'
    case 'limitOpen':
      return 'Limit open: let it cool, then look at the airflow'
    case 'wrongKit':
      return 'Not the kit on the plate: check the watts of each row'
    case 'voltsNotMeasured':
      return 'Line volts not measured: nominal volts were used'
    case 'shouldBeOff':
      return 'Something is on that this wiring should hold off: a welded contact, or a wire not as recorded'
    case 'supplyNotFound':
      return 'A supply that is not found yet: look for another breaker, and prove it dead before you touch anything'
    case 'blowerIncluded':
      return 'The blower is in the clamp too?'
    case 'rowIsolated':
      return 'Still connected to another row: lift one lead'
  }
}
