import { commonOf, terminalOf, type Installation, type Placed } from '../installation'
import { intentOf, isLanded, having, settingsWith, terminalsWith, wiredNet } from '../query'
import { tolerances } from '../tolerances'
import { hasTrait, isCooling, isHeatPumpHeating } from '../equipment'
import type { Breach, JobRule, StateRule } from './rule'

type Code = 'busSetWired24' | '24SetWiredBus' | 'busOpen'

/** Whether the bus of a device comes to one of these. */
const busReaches = (inst: Installation, placed: Placed, others: readonly Placed[]): boolean =>
  terminalsWith(placed, 'bus').every((t) =>
    [...wiredNet(inst, t)].some((ref) => {
      const at = terminalOf(inst, ref)
      return at !== null && at.terminal.role === 'bus' && others.includes(at.placed)
    }),
  )

/** An air handler that talks to its outdoor unit over the bus, and is called on 24 V by an ordinary thermostat. */
function callsOn24(inst: Installation, placed: Placed): boolean {
  const units = having(inst, 'compresses').filter((u) => intentOf(u, 'selector') === 'bus')
  return (
    hasTrait(placed.device, 'takesKit') &&
    terminalsWith(placed, 'bus').length > 0 &&
    units.length > 0 &&
    busReaches(inst, placed, units) &&
    !busReaches(inst, placed, having(inst, 'onWall'))
  )
}

/**
 * The 24 V / communicating selector agrees with what is landed: reversed is dead, or damaged. Each side of an air
 * handler counts by itself: a pair may talk over its bus and be called on 24 V. A call that is not landed at all is another
 * matter, and is found where it is missed.
 */
export const selectorMatches: JobRule<'selectorMatches', Code> = {
  id: 'selectorMatches',
  scope: 'job',
  severity: 'danger',
  codes: ['busSetWired24', '24SetWiredBus', 'busOpen'],
  applies: (inst) => settingsWith(inst, 'selector').length > 0,
  find: ({ inst }) =>
    settingsWith(inst, 'selector').flatMap(({ at, placed, value }) => {
      const bus = terminalsWith(placed, 'bus').map((t) => isLanded(inst, t))
      const call = terminalsWith(placed, 'Y1').some((t) => isLanded(inst, t))
      const between = callsOn24(inst, placed)
      const found = (code: Code) => [{ at, code }]
      if (value === 'bus') {
        if (call && !between) return found('busSetWired24')
        return bus.includes(false) ? found('busOpen') : []
      }
      return value === '24V' && bus.includes(true) && (!call || between) ? found('24SetWiredBus') : []
    }),
}

/**
 * With a conventional thermostat on an air handler that passes calls over its bus, each call must reach the air
 * handler's own inputs: messages between the pair are not calls of the thermostat.
 */
export const busCalls: StateRule<'busCalls', 'busCallMissing'> = {
  id: 'busCalls',
  scope: 'state',
  severity: 'danger',
  codes: ['busCallMissing'],
  applies: (inst) => having(inst, 'takesKit').some((p) => terminalsWith(p, 'bus').length > 0),
  each(state) {
    const { inst, situation, abnormalCount, facts } = state
    const { call } = situation
    if (abnormalCount > 0 || !facts.settled) return null
    return having(inst, 'takesKit').flatMap((ah): Breach<'busCallMissing'>[] => {
      if (intentOf(ah, 'selector') !== 'bus' || !callsOn24(inst, ah)) return []
      const common = commonOf(ah)
      const dead = (...roles: string[]) =>
        terminalsWith(ah, ...roles).filter((t) => !common || state.volts(t, common) < tolerances.liveVolts)
      const told = (...roles: string[]) =>
        terminalsWith(ah, ...roles).some((t) =>
          [...wiredNet(inst, t)].some((ref) => hasTrait(terminalOf(inst, ref)?.placed.device, 'onWall')),
        )
      const [unit] = having(inst, 'compresses')
      const sense = unit && intentOf(unit, 'rvSense')
      const missing = [
        ...(facts.compressor ? dead('Y1') : []),
        ...(facts.compressor && (sense === 'cooling' ? isCooling(call) : isHeatPumpHeating(call))
          ? dead('OB')
          : []),
        // The board closes its own W as well: whether the thermostat's comes there, the copper says.
        ...(facts.stripsOn.length && !told('W1', 'W2') ? terminalsWith(ah, 'W1').slice(0, 1) : []),
      ]
      return missing.map((at) => ({ at, code: 'busCallMissing' }))
    })
  },
}
