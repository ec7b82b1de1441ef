import { hasBurner, ofKind } from '../query'
import { breach, hasIntent, ownSettings } from './breach'
import type { Breach, JobRule } from './rule'

/** The family that a thermostat is set to is the one that is bolted down. */
export const systemFamily: JobRule<'systemFamily', 'fuelSetNoBurner' | 'burnerNotSet'> = {
  id: 'systemFamily',
  scope: 'job',
  severity: 'wrong',
  codes: ['fuelSetNoBurner', 'burnerNotSet'],
  applies: hasIntent('system'),
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p): Breach<'fuelSetNoBurner' | 'burnerNotSet'>[] => {
      const [system] = ownSettings(p, 'system')
      if (system?.value === 'dualFuel' && !hasBurner(inst)) return breach('fuelSetNoBurner', [system.at])
      const told = ofKind(inst, 'fuelKit').length > 0
      return system?.value === 'heatPump' && hasBurner(inst) && !told
        ? breach('burnerNotSet', [system.at])
        : []
    }),
}
