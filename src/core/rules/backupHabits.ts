import { isFelt, landedOutputs, having, onStripsAlone } from '../query'
import { splitRef } from '../installation'
import { breach, hasIntent, ownSettings, settingsSetTo } from './breach'
import type { JobRule } from './rule'

/**
 * Strips with the outdoor unit's fault output landed run when its board locks itself out on a fault. Without that
 * setting the house waits for a droop or a timer, or gets no heat where neither calls.
 */
export const backupOnFault: JobRule<'backupOnFault', 'faultHeatOff'> = {
  id: 'backupOnFault',
  scope: 'job',
  severity: 'warn',
  codes: ['faultHeatOff'],
  applies: (inst) => onStripsAlone(inst) && hasIntent('faultHeat')(inst),
  find: ({ inst }) => {
    const landed = landedOutputs(inst).map((t) => splitRef(t).placed)
    return settingsSetTo(inst, 'faultHeat', 'off')
      .filter((f) => landed.includes(f.placed.ref))
      .flatMap((f) => breach('faultHeatOff', [f.at]))
  },
}

/** °F below which a unit may stop by its maker's word, where its plate does not say. */
const USUAL_FLOOR_F = 5

/**
 * A compressor that strips alone stand behind is locked out by its maker's floor and no higher: it beats them at any
 * temperature that it runs at, and they may be too small for the house.
 */
export const stripLockout: JobRule<'stripLockout', 'lockoutByHabit'> = {
  id: 'stripLockout',
  scope: 'job',
  severity: 'warn',
  codes: ['lockoutByHabit'],
  asksSite: true,
  applies: (inst) => onStripsAlone(inst) && hasIntent('compressorLockout')(inst),
  find: ({ inst, plates }) => {
    const [unit] = having(inst, 'compresses')
    const floor = (unit && { ...unit.device.plate, ...plates[unit.ref] }.floorF) ?? USUAL_FLOOR_F
    return settingsSetTo(inst, 'useCompressorLockout', 'on').flatMap(({ placed }) => {
      const [[source], [below]] = [
        ownSettings(placed, 'outdoorSource'),
        ownSettings(placed, 'compressorLockout'),
      ]
      // Without a temperature to go by it holds nothing off, which is said of it.
      const acts = source === undefined || isFelt(source.value)
      return acts && typeof below?.value === 'number' && below.value > floor
        ? breach('lockoutByHabit', [below.at], below.value, floor)
        : []
    })
  },
}
