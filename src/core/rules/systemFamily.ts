import { hasBurner, having, targetsOf } from '../query'
import { breach, hasIntent, ownSettings } from './breach'
import type { Breach, JobRule } from './rule'

type Code = 'fuelSetNoBurner' | 'burnerNotSet' | 'conventionalOnHeatPump'

/** The family that a thermostat is set to is the one that is installed. */
export const systemFamily: JobRule<'systemFamily', Code> = {
  id: 'systemFamily',
  scope: 'job',
  severity: 'wrong',
  codes: ['fuelSetNoBurner', 'burnerNotSet', 'conventionalOnHeatPump'],
  applies: hasIntent('system'),
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p): Breach<Code>[] => {
      const [system] = ownSettings(p, 'system')
      if (system?.value === 'dualFuel' && !hasBurner(inst)) return breach('fuelSetNoBurner', [system.at])
      const hasValve = targetsOf(inst).some((target) => target.does.what === 'reversingValve')
      if (system?.value === 'conventional' && hasValve) return breach('conventionalOnHeatPump', [system.at])
      const told = having(inst, 'switchesFuel').length > 0
      return system?.value === 'heatPump' && hasBurner(inst) && !told
        ? breach('burnerNotSet', [system.at])
        : []
    }),
}
