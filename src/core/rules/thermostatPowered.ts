import type { StateRule } from './rule'

/** Every thermostat that needs power has it while nothing is called, water in the pan included. */
export const thermostatPowered: StateRule<'thermostatPowered', 'unpowered' | 'floatCutsThermostat'> = {
  id: 'thermostatPowered',
  scope: 'state',
  severity: 'wrong',
  codes: ['unpowered', 'floatCutsThermostat'],
  applies: (inst) =>
    inst.placed.some((p) => p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'control')),
  each({ situation, abnormalCount, conditions, facts }) {
    const dead = facts.unpowered[0]
    if (!dead || !facts.settled) return null
    if (abnormalCount === 0 && situation.call === 'off') return { at: dead, code: 'unpowered' }
    return abnormalCount === 1 && conditions.has('water') ? { at: dead, code: 'floatCutsThermostat' } : null
  },
}
