import type { Circuit } from '../circuit'
import { hasBurner, hasCompressor, hasStrips, having } from '../query'
import { isHeatPumpHeating, rolesOf, wantsBackup, type Trait, type TerminalRole } from '../equipment'
import { makeRef, type Ref } from '../installation'
import type { StateRule, StateSeen } from './rule'

/** With everything normal, a heating demand brings some heat at every outdoor temperature. */
export const someHeat: StateRule<'someHeat', 'noHeat'> = {
  id: 'someHeat',
  scope: 'state',
  severity: 'danger',
  codes: ['noHeat'],
  applies: (inst) => hasCompressor(inst) || hasStrips(inst) || hasBurner(inst),
  each(state) {
    const { targets, situation, abnormalCount, facts } = state
    const { call } = situation
    if (abnormalCount > 0 || !facts.settled || !isHeatPumpHeating(call)) return null
    // Whether the heat pump's valve stands for heating is another rule's question.
    if (facts.compressor || facts.stripsOn.length || facts.burnersOn.length) return null
    // The loads that a person asks about: the compressor on a call for the heat pump, the first backup on a call for
    // backup. The same holds where it is so cold that the call for heat goes to the furnace.
    const compressor = targets.find((t) => t.does.what === 'compressor')?.ref
    const backup = facts.stripsOff[0] ?? facts.burnersOff[0]
    const at = wantsBackup(call) || goesToBackup(state) ? (backup ?? compressor) : (compressor ?? backup)
    return at ? { at, code: 'noHeat' } : null
  },
}

/** Devices that send a call on to the equipment, the nearest to it first. */
const SENDERS: readonly Trait[] = ['zones', 'switchesFuel', 'onWall']

/** The contacts by which calls are sent on to the heat pump, and to backup. */
function outputsOf({ inst }: Circuit): { heatPump: Ref[]; backup: Ref[] } {
  const senders = SENDERS.map((trait) => having(inst, trait)).find((found) => found.length) ?? []
  const to = (roles: readonly TerminalRole[]) =>
    senders.flatMap(({ ref, device }) => {
      const ids = device.terminals.filter((t) => roles.includes(t.role)).map((t) => t.id)
      return device.parts.flatMap((p) =>
        p.kind === 'contact' && (ids.includes(p.a) || ids.includes(p.b)) ? [makeRef(ref, p.id)] : [],
      )
    })
  return { heatPump: to(rolesOf('compressor')), backup: to(rolesOf('backup')) }
}

/** Whether backup is asked for now, and the heat pump is not. */
function goesToBackup(state: StateSeen): boolean {
  const { heatPump, backup } = state.ofJob(outputsOf)
  const isClosed = (contact: Ref) => state.closed(contact)
  return backup.some(isClosed) && !heatPump.some(isClosed)
}
