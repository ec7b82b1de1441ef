import { hasTrait, type LoadFunction, type Plate } from '../equipment'
import { makeRef, type Placed } from '../installation'
import { feedsOf, having, stripLoad } from '../query'
import { tolerances } from '../tolerances'
import { breach } from './breach'
import type { Breach, JobRule } from './rule'

type Code = 'plateMca' | 'plateMcaLow' | 'plateKilowatts'

const apart = (a: number, b: number): boolean => Math.abs(a - b) > b * tolerances.plateShare

/** A that one motor draws: by the plate, else as its part is described. */
const motorA = ({ device }: Placed, what: LoadFunction['what']): number =>
  Math.max(
    0,
    ...device.parts.flatMap((x) =>
      x.kind === 'load' && x.does?.what === what && typeof x.va === 'number' ? [x.va / x.volts] : [],
    ),
  )

/**
 * A: the least circuit of a cabinet with strips. With a compressor in it the greater of heating, 1.25 × (elements + blower) +
 * compressor + outdoor fan, and cooling, 1.25 × the compressor + the rest (NEC 424.4, 440.33).
 */
function leastAmps(p: Placed, plate: Plate, elementsA: number): number {
  const more = tolerances.continuousShare
  const blower = plate.blowerFla ?? (hasTrait(p.device, 'packaged') ? motorA(p, 'blower') : 0)
  const compressor = plate.compressorRla ?? motorA(p, 'compressor')
  const fan = plate.fanFla ?? motorA(p, 'outdoorFan')
  return Math.max(more * (elementsA + blower) + compressor + fan, more * compressor + fan + blower)
}

/**
 * A plate that contradicts its parts is a question to whoever read it: an outdoor unit's minimum circuit ampacity is
 * 1.25 × the compressor + the fan (largest motor and the rest), strips' is at least 1.25 × what they draw with the motors beside
 * them, and their kW are their rows'. An inverter's amps are no sum of its parts, and are not asked about.
 */
export const plateAdds: JobRule<'plateAdds', Code> = {
  id: 'plateAdds',
  scope: 'job',
  severity: 'warn',
  codes: ['plateMca', 'plateMcaLow', 'plateKilowatts'],
  asksSite: true,
  applies: (inst) => having(inst, 'compresses', 'addsStrips', 'movesAir').length > 0,
  find: ({ inst, plates }) =>
    having(inst, 'compresses', 'addsStrips', 'movesAir').flatMap((p): Breach<Code>[] => {
      const plate = { ...p.device.plate, ...plates[p.ref] }
      const at = makeRef(p.ref, '')
      const found: Breach<Code>[] = []
      const { mca, compressorRla: rla, fanFla = 0, kilowatts } = plate
      const { watts, amps } = stripLoad(p)
      if (mca !== undefined && rla !== undefined && !plate.inverter && !watts) {
        const sum = tolerances.continuousShare * rla + fanFla
        if (apart(mca, sum)) found.push(...breach<Code>('plateMca', [at], mca, rla, fanFla, sum))
      }
      // Strips on two circuits have a minimum for each: their plate's one figure says nothing of the sum.
      const heat = leastAmps(p, plate, amps)
      if (
        mca !== undefined &&
        watts &&
        feedsOf(inst, p.ref).length < 2 &&
        heat - mca > heat * tolerances.plateShare
      )
        found.push(...breach<Code>('plateMcaLow', [at], mca, heat))
      if (kilowatts !== undefined && watts && apart(kilowatts, watts / 1000))
        found.push(...breach<Code>('plateKilowatts', [at], kilowatts, watts / 1000))
      return found
    }),
}
