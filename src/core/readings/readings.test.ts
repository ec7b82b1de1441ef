import { demoInstallation } from '../../../tests/helpers/demo'
import { kindsFor, READING_KINDS, READINGS, SPOTS, type ReadingKind } from '.'

const strips = demoInstallation('quillfeather-lane')
const spots = (kind: ReadingKind, inst = strips) => SPOTS[kind](inst).map(({ place, at }) => `${place} ${at}`)

describe('kinds of readings', () => {
  it('keep their numbers in the cabinet code', () => {
    expect(READING_KINDS).toHaveLength(40)
    expect(new Set(READING_KINDS).size).toBe(40)
    expect((['controlVolts', 'stripAmps', 'manifold', 'vacuum', 'supplyAir'] as const).map((k) => READING_KINDS.indexOf(k))).toEqual([0, 4, 12, 30, 39]) // prettier-ignore
  })

  it.each([
    ['stripAmps', 'clampMeter'],
    ['rowOhms', 'multimeter'],
    ['thermistorOhms', 'multimeter'],
    ['nozzle', 'marking'],
    ['pumpPressure', 'oilGauge'],
    ['coilEntering', 'probeThermometer'],
  ] as const)('%s is read with a %s wherever it is taken', (kind, tool) =>
    expect(READINGS[kind].tool).toBe(tool),
  )

  it('are taken where the job has something to measure, the usual place first', () => {
    expect(spots('controlVolts')).toEqual(expect.arrayContaining(['terminals tstat.R', 'terminals ah.R', 'terminals od.R'])) // prettier-ignore
    expect(spots('rowOhms')).toEqual(['rowTerminals kit.row1', 'rowTerminals kit.row2'])
    const amps = spots('stripAmps')
    expect(amps[0]).toMatch(/^feed /)
    expect(amps.slice(-2)).toEqual(['rowTerminals kit.row1', 'rowTerminals kit.row2'])
    expect(spots('compressorAmps')).toEqual(['motor od.compressor'])
    expect(spots('blowerAmps').map((s) => s.split(' ')[0])).toEqual(['motor', 'twoClamps'])
    expect(spots('manifold')).toEqual([])
    expect(spots('gateTrip')).toContain('sensor odt.setpoint')
  })

  it('are offered only where something in the job has them', () => {
    const offered = kindsFor(strips)
    for (const kind of READING_KINDS)
      expect([kind, offered.includes(kind)]).toEqual([kind, spots(kind).length > 0])
    expect(offered).not.toContain('smoke')
    const gas = kindsFor(demoInstallation('millrace-cottage'))
    expect(gas).toEqual(expect.arrayContaining(['manifold', 'clockedInput', 'flueTemp']))
    expect(gas).not.toContain('pumpPressure')
  })
})
