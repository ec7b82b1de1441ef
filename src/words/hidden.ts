import type { PhysicsFault, SiteFault } from '@/core/instruments'
import type { Installation } from '@/core/installation'
import { failureWords } from './failure'

/** Physical faults of a hidden site. */
const PHYSICS_WORDS: Record<PhysicsFault, string> = {
  lowVolts: 'The line volts were 14 % low.',
  dirtyFilter: 'The filter was full.',
  lowCharge: 'A third of the charge was gone.',
  overcharge: 'It was overcharged by a quarter.',
  weakCompressor: 'The compressor pumped less than half.',
  leakyValve: 'The reversing valve leaked back.',
  weakCapacitor: 'The compressor’s capacitor had a fifth less than its µF.',
  lowManifold: 'The manifold pressure was too low.',
  highManifold: 'The manifold pressure was too high.',
  lowInlet: 'The gas inlet pressure was too low.',
  lowPump: 'The oil pump’s pressure was too low.',
  fireShortOfAir: 'The fire was short of air.',
  sensorInTheSun: 'The outdoor sensor stood in the sun.',
  switchOff: 'The outdoor thermostat trips elsewhere than it is set.',
  fanRunsOn: 'The outdoor fan ran on in defrost.',
}

/** The hidden site's fault, when it is revealed. */
export function hiddenWords(inst: Installation, fault: SiteFault | null): string {
  if (fault === null) return 'Nothing was wrong with this site.'
  return fault.kind === 'part'
    ? `What was wrong: ${failureWords(inst, fault.failure)}.`
    : PHYSICS_WORDS[fault.name]
}
