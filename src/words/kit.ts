import type { KitAdvice } from '@/core/crossing'
import type { CircuitNote, Clue, KitIdentity, LineCircuit, ServiceLoad } from '@/core/kit'
import type { Installation, Ref } from '@/core/installation'
import { lower, refWords, upper } from './names'
import { degrees, figure } from './numbers'

const CLUE_WORDS: Record<Clue, string> = {
  labelKw: 'kW on the label',
  labelBreaker: 'the breaker on the label',
  breakers: 'breakers',
  ohms: 'ohms of its rows',
  amps: 'amps at the feed',
  rows: 'number of rows',
}
const NEXT_WORDS: Record<Clue, string> = {
  labelKw: 'look for kW on a label, inside the door or on the kit',
  labelBreaker: 'look for the largest fuse or breaker on its label',
  breakers: 'find every breaker that feeds it, and read their numbers',
  ohms: 'meter ohms across each element, power off and proven dead',
  amps: 'clamp one leg of its feed with every row on',
  rows: 'count the rows',
}

const kitName = (watts: readonly number[]): string =>
  `${figure(watts.reduce((a, b) => a + b, 0) / 1000)} kW${watts.length > 1 ? ` (${watts.map((w) => figure(w / 1000)).join(' + ')})` : ''}`

/** Rows whose watts are assumed; null: none. */
export function unknownWattsSentence(inst: Installation, unknown: readonly Ref[]): string | null {
  if (!unknown.length) return null
  const names = unknown.map((r) => refWords(inst, r)).join('; ')
  return `Not known yet: ${names}. Its rows are reckoned at the default.`
}

/** Conclusions from the clues, in sentences. */
export function identitySentences(found: KitIdentity): string[] {
  if (!found.byClue.length && !found.needsVolts)
    return ['Enter anything that can be seen or read; one clue is enough to begin.']
  const said: string[] = []
  const clue = (c: Clue) => found.byClue.some((b) => b.clue === c)
  const names = found.fits.map((k) => kitName(k.watts))
  if (names.length === 1)
    said.push(
      `It is ${/^(8|11|18)/.test(names[0] ?? '') ? 'an' : 'a'} ${names[0] ?? ''} kit: nothing else fits.`,
    )
  else if (names.length > 1) said.push(`It may be ${names.join(' or ')}.`)
  else said.push('No kit fits all of it.')
  for (const r of found.strayOhms)
    said.push(
      `No listed kit has a row of ${figure(r, 2)} Ω (${figure(240 ** 2 / r / 1000, 1)} kW at 240 V). Lift one lead and read it again. Check the part number.`,
    )
  if (found.openRow === 'element') said.push('OL across an element alone: that row is open.')
  if (found.openRow === 'row')
    said.push('OL across a whole row is normal: its relay is open. Read across the element alone.')
  if (found.openRow === 'ask')
    said.push('OL: was it across the element alone, or across the whole row with its open relay?')
  if (found.needsVolts) said.push('Amps need the volts: read the volts at its feed with every row on.')
  if (found.rowAmps.length)
    said.push(
      `At these volts the rows that were read draw ${found.rowAmps.map((a) => figure(a, 1)).join(' + ')} A${
        found.rowAmps.length > 1
          ? ` = ${figure(
              found.rowAmps.reduce((a, b) => a + b, 0),
              1,
            )} A`
          : ''
      }.`,
    )
  if (clue('labelBreaker'))
    said.push('The label’s breaker is the largest allowed. It fits every kit up to that size.')
  for (const [a, b] of found.contradictions)
    said.push(
      `${CLUE_WORDS[a]} and ${CLUE_WORDS[b]} contradict each other: a row may be open, the label may be another’s, or the wrong kit was fitted.`,
    )
  if (found.next) said.push(`Next: ${NEXT_WORDS[found.next]}.`)
  return said.map(upper)
}

/** Which kit the house asks for, in sentences. */
export function kitAdviceSentences(a: KitAdvice): string[] {
  const from = a.fromList ? 'of the air handler’s list' : 'that the trade sells'
  const at = a.volts === 240 ? '' : ` (${Math.round(a.volts)} V)`
  const say = (needsKw: number, kit: KitAdvice['alone']['kit'], what: string) =>
    needsKw < 0.05
      ? `${what} no strips are needed at ${degrees(a.outdoorF)}.`
      : kit
        ? `${what} ${figure(needsKw)} kW are needed at ${degrees(a.outdoorF)}: the ${figure(kit.kilowatts)} kW kit is the smallest ${from}${at && `, and gives ${figure(kit.givesKw)}${at}`}.`
        : `${what} ${figure(needsKw)} kW are needed at ${degrees(a.outdoorF)}: no kit ${from} gives that.`
  return [
    ...(a.withHeatPump ? [say(a.withHeatPump.needsKw, a.withHeatPump.kit, 'Beside the heat pump')] : []),
    say(a.alone.needsKw, a.alone.kit, 'With the heat pump dead'),
  ]
}

export function circuitNoteWords(note: CircuitNote): string {
  switch (note.code) {
    case 'breakerSmall':
      return `the breaker is too small: ${figure(note.needs)} A at least`
    case 'breakerLarge':
      return `the breaker is too large: ${figure(note.most)} A at most`
    case 'conductorThin':
      return Number.isNaN(note.needs)
        ? 'the conductor is too thin, and none of the table is thick enough'
        : `the conductor is too thin: ${note.needs} AWG at least`
    case 'subdivide':
      return `${figure(note.amps)} A of elements are more than 48: they are subdivided, each part on 60 A at most (NEC 424.22)`
    case 'breakerUnknown':
      return 'the breaker is not known'
    case 'conductorUnknown':
      return 'the conductors are not recorded'
  }
}

/** A line circuit in a sentence: what it asks for and why, and what is there. */
export function circuitSentence(inst: Installation, c: LineCircuit): string {
  const feeds = c.feeds.map((f) => lower(refWords(inst, f))).join(', ')
  const why = c.fromPlate
    ? `the plate asks for ${figure(c.requiredA)} A`
    : c.elementsA === 0
      ? `125 % of ${figure(c.motorsA)} A of motors is ${figure(c.requiredA)} A`
      : `125 % of ${figure(c.elementsA)} A of elements and ${figure(c.motorsA)} A of motors is ${figure(c.requiredA)} A (NEC 424.4)`
  const needs = `${c.gaugeNeeds === null ? 'no conductor of the table' : `${c.gaugeNeeds} AWG`} and a breaker of ${figure(c.breakerNeeds)} A${c.mostBreakerA === null || c.mostBreakerA === c.breakerNeeds ? '' : ` to ${figure(c.mostBreakerA)}`}`
  const has = [
    c.breakerA === null ? null : `${figure(c.breakerA)} A`,
    c.gauge === null ? null : `${c.gauge} AWG`,
  ].filter((x) => x !== null)
  return `${refWords(inst, c.feed)} feeds ${feeds}: ${why}, so ${needs}.${has.length ? ` There: ${has.join(', ')}.` : ''}`
}

const PART_WORDS: Record<ServiceLoad['parts'][number]['code'], string> = {
  general: 'general load at 100 %',
  generalRest: 'the rest at 40 %',
  heating: 'heating',
  metered: '1.25 times the year’s peak',
}
/** Whether the service carries it, with its sum. */
export function serviceSentence(load: ServiceLoad, serviceA: number): string {
  const sum = load.parts.map((p) => `${figure(p.va / 1000)} kVA ${PART_WORDS[p.code]}`).join(' + ')
  return `${figure(load.amps, 0)} A of ${figure(serviceA)}: ${load.fits ? 'the service carries it' : 'more than the service carries'}. ${sum}.`
}
