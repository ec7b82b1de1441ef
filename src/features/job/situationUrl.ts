import { CALLS, type Call } from '@/core/equipment'
import type { Situation } from '@/core/situation'
import { degF } from '@/core/units'

/** What a job opens with: nothing called, at the mild rating point. */
export const START: Situation = { call: 'heat1', outdoorF: degF(47), modes: {} }

/** The situation as a query string: ?call=heatAux1&t=52&m=od.board~defrost */
export function toQuery(s: Situation): string {
  const q = new URLSearchParams({ call: s.call, t: String(s.outdoorF) })
  for (const [ref, state] of Object.entries(s.modes)) q.append('m', `${ref}~${state}`)
  return `?${q.toString()}`
}

/** The situation that a query string names; whatever it does not name is as at the start. */
export function fromQuery(query: string): Situation {
  const q = new URLSearchParams(query)
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
