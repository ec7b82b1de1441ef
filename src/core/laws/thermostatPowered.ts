import type { Law } from './law'

/** Every thermostat that needs power has it while nothing is called, water in the pan included. */
export const thermostatPowered: Law = {
  id: 'thermostatPowered',
  severity: 'wrong',
  applies: (inst) =>
    inst.placed.some((p) => p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'control')),
  each({ situation, abnormalCount, conditions, facts }) {
    const dead = facts.unpowered[0]
    if (!dead || !facts.settled) return null
    if (abnormalCount === 0 && situation.call === 'off') return { at: dead, what: 'unpowered' }
    return abnormalCount === 1 && conditions.has('water') ? { at: dead, what: 'floatCutsThermostat' } : null
  },
}
