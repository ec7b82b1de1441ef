import type { Cabinet, Supply } from '@/core/startup'
import { placedByRef, splitRef, type Installation } from '@/core/installation'
import { lower, refWords, upper } from './names'

/** "Feed to strip kit off alone leaves Outdoor unit L1 and Outdoor unit L2 live." */
function supplySentence(inst: Installation, { feed, stillLive }: Supply): string {
  const off = `${refWords(inst, feed)} off alone`
  if (!stillLive.length) return `${off} leaves nothing live there.`
  return `${off} leaves ${stillLive.map((r) => refWords(inst, r)).join(', ')} live.`
}

/** A place with its supplies by name, and what to prove dead. */
export function cabinetWords(inst: Installation, cabinet: Cabinet): string[] {
  const names = cabinet.devices.map((d) => lower(refWords(inst, d))).join(', ')
  const place = cabinet.devices.includes(cabinet.where) ? '' : `${cabinet.where}: `
  const n = cabinet.supplies.length
  const count = n === 1 ? 'One supply' : `${n} supplies`
  return [
    `${upper(place + names)}. ${count} to open, lock and meter dead`,
    ...cabinet.supplies.map((s) => `  ${supplySentence(inst, s)}`),
    `  Prove dead: ${cabinet.prove.map(([a, b]) => `${legWords(inst, a)} to ${legWords(inst, b)}`).join('; ')}`,
  ]
}

const legWords = (inst: Installation, ref: string): string => {
  const { placed, id } = splitRef(ref)
  if (id !== '@earth') return refWords(inst, ref)
  return `${lower(placedByRef(inst, placed)?.label ?? placed)} ground`
}
