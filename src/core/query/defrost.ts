import { evaluateWhen, feltLeaves, normalState, type Mode, type When } from '../equipment'
import { settingValue, type Placed } from '../installation'
import { degF } from '../units'

/** How a defrost begins: by what the coil says against outdoors, or by run time on a cold coil. */
export type DefrostStart = 'demand' | 'time'

/** °F outdoors of a day on which a coil can frost. */
const FROSTS_F = degF(25)

/**
 * The ways in which a board's defrosts can begin, with some of its modes in these states (a sensor lost); a mode that is
 * not named is sound. Empty: it has no board that defrosts, or none of its ways is left.
 */
export function defrostStarts(
  placed: Placed,
  states: Readonly<Record<string, string>> = {},
): ReadonlySet<DefrostStart> {
  const { modes } = placed.device
  const found = new Set<DefrostStart>()
  for (const mode of modes)
    for (const { to, when } of mode.transitions ?? []) {
      if (mode.states.find((s) => s.id === to)?.condition !== 'defrost' || !when) continue
      if (!canHold(placed, when, states)) continue
      const isDemand = feltLeaves(when).some((l) => l.feels === 'frostDrop')
      found.add(isDemand ? 'demand' : 'time')
    }
  return found
}

/** Whether a condition can come true while the named modes stand as they do. Everything else may yet become what it needs. */
function canHold(placed: Placed, when: When, states: Readonly<Record<string, string>>): boolean {
  const { modes } = placed.device
  const stateOf = (mode: Mode, free: number): string =>
    states[mode.id] ??
    (canFail(mode) ? normalState(mode) : (mode.states[free % mode.states.length]?.id ?? ''))
  const most = Math.max(...modes.map((m) => m.states.length))
  return Array.from({ length: most }, (_, free) =>
    evaluateWhen(when, {
      call: 'heat1',
      outdoorF: FROSTS_F,
      setting: (id) => settingValue(placed, id),
      mode: (id) => {
        const mode = modes.find((m) => m.id === id)
        return mode ? stateOf(mode, free) : ''
      },
      condition: () => false,
      energised: () => 'unknown',
      memory: () => null,
      closed: () => 'unknown',
      feels: () => null,
    }),
  ).some((truth) => truth !== 'no')
}
const canFail = (mode: Mode): boolean => mode.states.some((s) => s.reach === 'failure')
