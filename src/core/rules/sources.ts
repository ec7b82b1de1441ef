import { nth } from '../assert'
import { makeRef } from '../installation'
import { intentOf, isFelt, isLanded, having, terminalsWith } from '../query'
import { breach, hasIntent, numberOf, ownSettings, settingsSetTo } from './breach'
import type { JobRule } from './rule'

/**
 * Backup is locked out above one temperature and the compressor below a higher one: between them there is no heat.
 * A thermostat without an outdoor temperature holds nothing off.
 */
export const heatGap: JobRule<'heatGap', 'heatGap'> = {
  id: 'heatGap',
  scope: 'job',
  severity: 'danger',
  codes: ['heatGap'],
  applies: hasIntent('compressorLockout'),
  explains: ['noHeat'],
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p) => {
      const source = intentOf(p, 'outdoorSource')
      if (source === undefined || (source !== null && !isFelt(source))) return []
      if (intentOf(p, 'useCompressorLockout') !== 'on') return []
      const cold = ownSettings(p, 'compressorLockout')[0]
      const below = numberOf(cold?.value)
      if (!cold || below === null) return []
      const gates: { at: string; above: number }[] = []
      const aux = ownSettings(p, 'auxLockout')[0]
      if (intentOf(p, 'useAuxLockout') === 'on' && typeof aux?.value === 'number')
        gates.push({ at: aux.at, above: aux.value })
      for (const odt of having(inst, 'outdoorSwitch')) {
        const point = numberOf(intentOf(odt, 'outdoorSwitch'))
        if (point !== null && terminalsWith(odt, 'switch').some((t) => isLanded(inst, t)))
          gates.push({ at: nth(ownSettings(odt, 'outdoorSwitch'), 0).at, above: point })
      }
      return gates
        .filter((g) => g.above < below)
        .flatMap((g) => breach('heatGap', [g.at, cold.at], g.above, below))
    }),
}

/** The weather comes over a network, and nobody has seen the device online. */
export const feedNotOnline: JobRule<'feedNotOnline', 'feedNotOnline'> = {
  id: 'feedNotOnline',
  scope: 'job',
  severity: 'warn',
  codes: ['feedNotOnline'],
  applies: hasIntent('outdoorSource'),
  asksSite: true,
  find: ({ inst, plates }) =>
    settingsSetTo(inst, 'outdoorSource', 'feed')
      .filter((f) => !plates[f.placed.ref]?.seenOnline)
      .flatMap((f) => breach('feedNotOnline', [f.at])),
}

/** A model suffix or revision that the profile was not written for. */
export const profileMisfit: JobRule<'profileMisfit', 'profileMisfit'> = {
  id: 'profileMisfit',
  scope: 'job',
  severity: 'warn',
  codes: ['profileMisfit'],
  applies: (inst) => inst.placed.some((p) => p.device.profile),
  asksSite: true,
  find: ({ inst, plates }) =>
    inst.placed.flatMap((p) => {
      const model = plates[p.ref]?.model?.trim()
      const { fits } = p.device
      if (!model || fits.includes('any') || fits.some((f) => f.toLowerCase() === model.toLowerCase()))
        return []
      return breach('profileMisfit', [makeRef(p.ref, '')])
    }),
}
