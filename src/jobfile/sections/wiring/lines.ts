import type { Cable, Wire } from '@/core/installation'
import { hasTerminal } from '../../lookup'
import { problem, type Checked, type Problem } from '../../problem'
import type { GearDoc } from '../gear/gearDoc'
import type { WiringDoc } from './wiringDoc'
import { done, fail } from '../section'

/** Cables and conductors into a job; a conductor that is there already takes the ends given (a device put back). */
export function addLines<J extends GearDoc & WiringDoc>(
  job: J,
  cables: readonly Cable[],
  wires: readonly Wire[],
): Checked<J> {
  const found: Problem[] = []
  const all = [...job.cables]
  for (const c of cables) {
    if (all.some((x) => x.id === c.id)) found.push(problem('cable.id', 'a name that is not used yet', c.id))
    for (const end of ['from', 'to'] as const)
      if (!job.placed.some((p) => p.ref === c[end]))
        found.push(problem(`cable.${end}`, 'a placed device', c[end]))
    all.push(c)
  }
  for (const w of wires) {
    if (w.cable !== null && !all.some((c) => c.id === w.cable))
      found.push(problem('wire.cable', 'a cable of this job', w.cable))
    for (const end of ['a', 'b'] as const) {
      const ref = w[end]
      if (ref !== null && !hasTerminal(job, ref))
        found.push(problem(`wire.${end}`, 'a terminal of a placed device', ref))
    }
  }
  if (found.length) return fail(...found)
  const given = new Map(wires.map((w) => [w.id, w]))
  const old = job.wires.map((w) => given.get(w.id) ?? w)
  const fresh = wires.filter((w) => !job.wires.some((x) => x.id === w.id))
  return done({ ...job, cables: all, wires: [...old, ...fresh] })
}
