import { CALLS, type Call } from '@/core/equipment'
import type { Situation } from '@/core/situation'
import { degF } from '@/core/units'

/** Situation of a job that is opened: no call, at the mild rating point. */
export const START: Situation = { call: 'heat1', outdoorF: degF(47), modes: {} }

/**
 * The situation as a query string: ?call=heatAux1&t=52&m=od.board~defrost. What stood before follows in the same form, the
 * latest first: &after=call%3Demergency%26t%3D52
 */
export function toQuery(s: Situation): string {
  const q = asParams(s)
  for (let before = s.after; before; before = before.after) q.append('after', asParams(before).toString())
  return `?${q.toString()}`
}

function asParams(s: Situation): URLSearchParams {
  const q = new URLSearchParams({ call: s.call, t: String(s.outdoorF) })
  for (const [ref, state] of Object.entries(s.modes)) q.append('m', `${ref}~${state}`)
  return q
}

/** The situation that a query string names; whatever it does not name is as at the start. */
export function fromQuery(query: string): Situation {
  const q = new URLSearchParams(query)
  const before = q
    .getAll('after')
    .slice(0, MOST_STEPS)
    .map((text) => readOne(new URLSearchParams(text)))
  return [readOne(q), ...before].reduceRight((after, now) => ({ ...now, after }))
}

/** As many steps back as an address may name. */
const MOST_STEPS = 12

function readOne(q: URLSearchParams): Situation {
  const call = q.get('call')
  const t = Number(q.get('t') ?? Number.NaN)
  const modes: Record<string, string> = {}
  for (const m of q.getAll('m')) {
    const [ref, state] = m.split('~')
    if (ref && state) modes[ref] = state
  }
  return {
    call: CALLS.includes(call as Call) ? (call as Call) : START.call,
    outdoorF: Number.isFinite(t) && t >= -60 && t <= 140 ? degF(t) : START.outdoorF,
    modes,
  }
}
