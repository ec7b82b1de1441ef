import type { Effect, EffectKind, Failure } from '@/core/failures'
import { hasTrait, leaves } from '@/core/equipment'
import { placedByRef, splitRef, type Installation } from '@/core/installation'
import { unknownsOf } from '@/core/situation'
import { lower, refWords } from './names'
import { ruleWords } from './ruleWords'
import { situationWords } from './situation'

/** Caution beside the failures' effects, where not everything is known; null: all is. */
export const assumedSentence = (inst: Installation): string | null => {
  const n = unknownsOf(inst).length
  if (n === 1) return '1 thing is not known, and taken as it usually stands.'
  return n ? `${n} things are not known, and taken as they usually stand.` : null
}

export function failureWords(inst: Installation, f: Failure): string {
  const what = refWords(inst, f.at)
  switch (f.kind) {
    case 'wireOpen': {
      const w = inst.wires.find((x) => `wires.${x.id}` === f.at)
      return `Open: ${lower(what)}, ${refWords(inst, w?.a ?? '')} to ${refWords(inst, w?.b ?? '')}`
    }
    case 'stuckOpen':
      return `${what} does not close`
    case 'stuckClosed':
      return `${what} does not open`
    case 'loadOpen':
      return `${what}, open or dead`
    case 'mode': {
      const { placed: p, id } = splitRef(f.at)
      const placed = placedByRef(inst, p)
      const mode = placed?.device.modes.find((m) => m.id === id)
      const state = mode?.states.find((s) => s.id === f.state)
      return `${placed?.label ?? p}: ${lower(mode?.label ?? id)} ${lower(state?.label ?? f.state ?? '')}`
    }
  }
}

export const EFFECT_WORDS: Record<EffectKind, string> = {
  harm: 'Would do harm',
  noHeat: 'Would leave the house without heat',
  lostProtection: 'A lost protection, found only by a test',
  unnoticed: 'Would go unnoticed while every heating call still heats',
  noticed: 'Would be noticed at once',
  nothing: 'Would change nothing by itself',
}

/** How a protection is proved, where it can be done safely. */
function protectionTest(inst: Installation, { at }: Failure): string {
  const { placed, id } = splitRef(at)
  const device = placedByRef(inst, placed)?.device
  const part = device?.parts.find((x) => x.id === id)
  const isLowGas =
    part?.kind === 'contact' && leaves(part.driver).some((l) => 'condition' in l && l.condition === 'noGas')
  if (hasTrait(device, 'feelsWater')) return 'Test it with water in the pan (Startup).'
  if (hasTrait(device, 'feelsLeak')) return 'Test it by the manufacturer’s method (Startup).'
  if (isLowGas) return 'Test it with the gas valve closed (Startup).'
  return 'Test it only by the manufacturer’s procedure.'
}

/** Effect of a failure, and where it shows. */
export function effectWords(inst: Installation, e: Effect): string {
  const at = e.witness ? situationWords(inst, e.witness) : ''
  if (e.kind === 'harm') return `Breaks: ${lower(ruleWords(e.rule ?? ''))}. ${at}`
  if (e.kind === 'noHeat') return `No heat from anything: ${at}`
  if (e.kind === 'lostProtection')
    return `Nothing changes until it is needed. ${protectionTest(inst, e.failure)}`
  if (e.defrosts === 'never') return 'The board doesn’t defrost. The coil ices up in cold weather.'
  if (e.defrosts === 'byTime') return 'The board defrosts by run time alone.'
  const names = (refs: string[]) => refs.map((r) => lower(refWords(inst, r))).join(', ')
  const lost = e.lost.length ? `${names(e.lost)} off` : ''
  const gained = e.gained.length ? `${names(e.gained)} on` : ''
  const changes = [lost, gained].filter(Boolean).join('; ')
  return changes ? `${at}: ${changes}` : ''
}
