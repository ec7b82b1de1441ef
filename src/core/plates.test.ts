import { libraryDevice, libraryIds } from '../../tests/helpers/demo'
import { UNKNOWN_SITE, type Installation } from './installation'
import { plateAdds } from './rules/plateAdds'

/** A device by itself, at its defaults. */
const alone = (id: string): Installation => ({
  placed: [{ ref: 'x', label: id, device: libraryDevice(id), settings: {} }],
  cables: [],
  wires: [],
})
const plates = libraryIds().map((id) => [id, libraryDevice(id)] as const)

describe('every plate of the library adds up', () => {
  it.each(libraryIds())('%s: amps and kilowatts by its own parts', (id) => {
    const inst = alone(id)
    expect(plateAdds.find({ ...UNKNOWN_SITE, inst })).toEqual([])
  })

  it.each(plates)('%s: its largest breaker is not under its least circuit, nor over what the code lets it be', (_, d) => {
    const { mca, mocpA, compressorRla = 0, fanFla = 0, blowerFla = 0 } = d.plate
    const elements = d.parts.flatMap((x) => {
      if (x.kind !== 'load' || x.does?.what !== 'strip') return []
      const watts = typeof x.va === 'number' ? x.va : Number(d.settings.find((s) => s.id === (x.va as { set: string }).set)!.default)
      return [watts / x.volts]
    }).reduce((a, b) => a + b, 0)
    if (mca === undefined || mocpA === undefined) return
    expect(mocpA).toBeGreaterThanOrEqual(mca)
    // 2.25 × the compressor and the rest (NEC 440.22); elements at 125 %, and the next size where that is larger still.
    if (compressorRla > 0) expect(mocpA).toBeLessThanOrEqual(Math.max(15, 2.25 * compressorRla + fanFla + 1.25 * (elements + blowerFla)))
  })

  it.each(plates)('%s: about 12,000 BTU/h for each ton', (_, d) => {
    const { tons, ratings = [] } = d.plate
    const full = ratings.filter((r) => r.outdoorF === 47 && ['rated', 'high'].includes(r.stage)).map((r) => r.capacityBtuh ?? 0)
    for (const capacity of tons === undefined ? [] : full) expect(Math.abs(capacity / (12_000 * tons!) - 1)).toBeLessThan(0.15)
  })

  it.each(plates)('%s: its transformer carries what it holds in at once, for half of it', (_, d) => {
    const low = d.parts.flatMap((x) => (x.kind === 'load' && x.volts < 60 && typeof x.va === 'number' ? [x.va] : []))
    for (const x of d.parts)
      if (x.kind === 'transformer' && typeof x.va === 'number') expect(low.reduce((a, b) => a + b, 0)).toBeLessThan(x.va)
  })
}) // prettier-ignore
