import type { BlowerSpeed } from '../equipment'
import { having } from '../query'
import { makeRef, type Installation, type Placed } from '../installation'
import type { StateRule, StateSeen } from './rule'

type Code = 'kitBelowSpeed' | 'kitBelowAir'

/** From the slowest; heating speed is the fastest that a board has for strips. */
const RANK: readonly BlowerSpeed[] = ['fan', 'low', 'high', 'heat']
const rank = (s: BlowerSpeed): number => RANK.indexOf(s)

const kitsOf = (inst: Installation): Placed[] =>
  having(inst, 'addsStrips', 'movesAir').filter(
    (p) => p.device.plate.leastSpeed !== undefined || p.device.plate.leastCfm !== undefined,
  )

/** CFM at the fastest speed that runs, by the air handler's own table; null where it has none for that speed. */
function cfmOf({ inst, facts }: StateSeen): number | null {
  const movers = having(inst, 'movesAir')
  const table = movers.flatMap((p) => p.device.plate.blower ?? [])
  const rows = table.filter((r) => facts.speeds.has(r.speed))
  // Which static stands in this house is not known here: the most that the table gives at a speed is the kindest answer.
  return rows.length ? Math.max(...rows.map((r) => r.cfm)) : null
}

/** Strips never heat at less air than their plate asks for: its least blower speed, or its least CFM. */
export const kitAirflow: StateRule<'kitAirflow', Code> = {
  id: 'kitAirflow',
  scope: 'state',
  severity: 'wrong',
  codes: ['kitBelowSpeed', 'kitBelowAir'],
  applies: (inst) => kitsOf(inst).length > 0,
  each(state) {
    const { inst, facts, conditions } = state
    // Strips without any air are another rule's, and graver; and a board that still waits has its own delay.
    if (!facts.stripsOn.length || !facts.speeds.size || conditions.has('blowerDelay')) return null
    const fastest = Math.max(...[...facts.speeds].map(rank))
    const cfm = cfmOf(state)
    for (const p of kitsOf(inst)) {
      const on = facts.stripsOn.find((ref) => ref.startsWith(`${p.ref}.`))
      if (!on) continue
      const { leastSpeed, leastCfm } = p.device.plate
      if (leastSpeed && fastest < rank(leastSpeed))
        return { at: on, code: 'kitBelowSpeed', also: [makeRef(p.ref, '')] }
      if (leastCfm !== undefined && cfm !== null && cfm < leastCfm)
        return { at: on, code: 'kitBelowAir', numbers: [cfm, leastCfm] }
    }
    return null
  },
}
