import { intentOf, isLanded, joinedByCopper, ofKind, terminalsWith } from '../query'
import { breach, hasIntent, ownSettings } from './breach'
import type { Breach, JobRule } from './rule'

/** An outdoor sensor is set where one is landed, and the pair is whole. */
export const sensor: JobRule<'sensor', 'sensorNotLanded' | 'sensorShorted' | 'sensorNotSet'> = {
  id: 'sensor',
  scope: 'job',
  severity: 'wrong',
  codes: ['sensorNotLanded', 'sensorShorted', 'sensorNotSet'],
  applies: hasIntent('outdoorSource'),
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap(
      (p): Breach<'sensorNotLanded' | 'sensorShorted' | 'sensorNotSet'>[] => {
        const [source] = ownSettings(p, 'outdoorSource')
        if (!source || source.value === null) return []
        const pair = terminalsWith(p, 'S')
        const bare = pair.find((t) => !isLanded(inst, t))
        const landed = pair.find((t) => isLanded(inst, t))
        if (source.value !== 'wired') return landed ? breach('sensorNotSet', [source.at, landed]) : []
        if (bare) return breach('sensorNotLanded', [source.at, bare])
        const [one, two] = pair
        // Copper from the one to the other leaves nothing to feel with: a short reads as great heat.
        return one && two && joinedByCopper(inst, one, two) ? breach('sensorShorted', [one, two]) : []
      },
    ),
}

/** A lockout or a changeover has an outdoor temperature to go by. */
export const lockoutSource: JobRule<'lockoutSource', 'lockoutNoSource' | 'changeoverNoSource'> = {
  id: 'lockoutSource',
  scope: 'job',
  severity: 'wrong',
  codes: ['lockoutNoSource', 'changeoverNoSource'],
  applies: hasIntent('outdoorSource'),
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p): Breach<'lockoutNoSource' | 'changeoverNoSource'>[] => {
      const [source] = ownSettings(p, 'outdoorSource')
      if (source?.value !== 'none') return []
      const on = [...ownSettings(p, 'useCompressorLockout'), ...ownSettings(p, 'useAuxLockout')].filter(
        (f) => f.value === 'on',
      )
      if (on.length) return on.flatMap((f) => breach('lockoutNoSource', [f.at, source.at]))
      const [system] = ownSettings(p, 'system')
      const inCharge = intentOf(p, 'inCharge')
      const decides = system?.value === 'dualFuel' && (inCharge === undefined || inCharge === 'thermostat')
      return decides ? breach('changeoverNoSource', [source.at, system.at]) : []
    }),
}
