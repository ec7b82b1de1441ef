import type { Cabinet, Supply } from '@/core/startup'
import { placedByRef, splitRef, type Installation } from '@/core/installation'
import { lower, refWords, upper } from './names'

const list = (inst: Installation, refs: readonly string[]): string =>
  refs.map((r) => refWords(inst, r)).join(', ')

/** Volts that remain when one circuit is off: line volts, and 24 V from another circuit's transformer. */
function supplySentence(inst: Installation, { feed, stillLive, still24 }: Supply): string {
  const off = `${refWords(inst, feed)} off alone`
  const left = [
    ...(stillLive.length ? [`line voltage on ${list(inst, stillLive)}`] : []),
    ...(still24.length ? [`24 V on ${list(inst, still24)}`] : []),
  ]
  return left.length ? `${off} leaves ${left.join(', and ')}.` : `${off} leaves nothing live there.`
}

const STORED = {
  none: [],
  capacitor: ['  All off: capacitors hold a charge. Discharge and meter them.'],
  dcBus: ['  All off: the inverter’s DC bus holds a charge. Wait the minutes on its label. Then meter it.'],
} as const

/** A place with its supplies by name, and what to prove dead. */
export function cabinetWords(inst: Installation, cabinet: Cabinet): string[] {
  const names = cabinet.devices.map((d) => lower(refWords(inst, d))).join(', ')
  const place = cabinet.devices.includes(cabinet.where) ? '' : `${cabinet.where}: `
  const n = cabinet.supplies.length
  const count = n === 1 ? 'One supply' : `${n} supplies`
  return [
    `${upper(place + names)}. ${count} to open, lock and meter dead`,
    ...cabinet.supplies.map((s) => `  ${supplySentence(inst, s)}`),
    ...(cabinet.controlFrom.length
      ? [
          `  24 V here comes from ${lower(list(inst, cabinet.controlFrom))}. Open it too before you touch control wires.`,
        ]
      : []),
    ...(cabinet.neverDead.length
      ? [`  All off: ${list(inst, cabinet.neverDead)} is still live. Find what feeds it.`]
      : []),
    ...STORED[cabinet.stored],
    `  Prove dead: ${cabinet.prove.map(([a, b]) => `${legWords(inst, a)} to ${legWords(inst, b)}`).join('; ')}`,
  ]
}

const legWords = (inst: Installation, ref: string): string => {
  const { placed, id } = splitRef(ref)
  if (id !== '@earth') return refWords(inst, ref)
  return `${lower(placedByRef(inst, placed)?.label ?? placed)} ground`
}
