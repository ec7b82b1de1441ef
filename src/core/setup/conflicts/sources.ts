import { intentOf, isLanded, ofKind, settingsWith, terminalsWith } from '../../laws'
import { makeRef } from '../../installation'
import { at, numberOf, standing, type Conflict } from './conflict'

/** A lockout is set and nothing says how cold it is. */
export const lockoutNoSource: Conflict = {
  id: 'lockoutNoSource',
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) => {
      if (intentOf(p, 'outdoorSource') !== 'none') return []
      const own = { ...inst, placed: [p] }
      const on = [...standing(own, 'useCompressorLockout', 'on'), ...standing(own, 'useAuxLockout', 'on')]
      return on.flatMap((f) => at('lockoutNoSource', [f.at, settingsWith(own, 'outdoorSource')[0]?.at]))
    }),
}

/**
 * Backup is held off above one temperature and the compressor below a higher one: between them there is no heat.
 * A thermostat without an outdoor temperature holds nothing off.
 */
export const heatGap: Conflict = {
  id: 'heatGap',
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) => {
      const own = { ...inst, placed: [p] }
      const source = intentOf(p, 'outdoorSource')
      if (source === 'none' || source === undefined) return []
      if (intentOf(p, 'useCompressorLockout') !== 'on') return []
      const cold = settingsWith(own, 'compressorLockout')[0]
      const below = numberOf(cold?.value)
      if (below === null) return []
      const gates: { at: string; above: number }[] = []
      const aux = settingsWith(own, 'auxLockout')[0]
      if (intentOf(p, 'useAuxLockout') === 'on' && typeof aux?.value === 'number')
        gates.push({ at: aux.at, above: aux.value })
      for (const odt of ofKind(inst, 'outdoorThermostat')) {
        const point = numberOf(intentOf(odt, 'outdoorSwitch'))
        if (point !== null && terminalsWith(odt, 'switch').some((t) => isLanded(inst, t)))
          gates.push({ at: settingsWith({ ...inst, placed: [odt] }, 'outdoorSwitch')[0]!.at, above: point })
      }
      return gates
        .filter((g) => g.above < below)
        .flatMap((g) => at('heatGap', [g.at, cold!.at], g.above, below))
    }),
}

/** An outdoor sensor is set and no conductors come from one, or they are landed and it is not set. */
export const sensorNoConductors: Conflict = {
  id: 'sensorNoConductors',
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) => {
      const source = intentOf(p, 'outdoorSource')
      const pair = terminalsWith(p, 'S')
      if (source !== 'wired' || !pair.length || pair.every((t) => isLanded(inst, t))) return []
      return at('sensorNoConductors', [
        settingsWith({ ...inst, placed: [p] }, 'outdoorSource')[0]?.at,
        pair.find((t) => !isLanded(inst, t)),
      ])
    }),
}

/** The weather comes over a network, and nobody has seen the device online. */
export const feedNotOnline: Conflict = {
  id: 'feedNotOnline',
  find: ({ inst, plates }) =>
    standing(inst, 'outdoorSource', 'feed')
      .filter((f) => !plates[f.placed.ref]?.seenOnline)
      .flatMap((f) => at('feedNotOnline', [f.at])),
}

/** A model suffix or revision that the profile was not written for. */
export const profileMisfit: Conflict = {
  id: 'profileMisfit',
  find: ({ inst, plates }) =>
    inst.placed.flatMap((p) => {
      const model = plates[p.ref]?.model?.trim()
      const { fits } = p.device
      if (!model || fits.includes('any') || fits.some((f) => f.toLowerCase() === model.toLowerCase()))
        return []
      return at('profileMisfit', [makeRef(p.ref, '')])
    }),
}
