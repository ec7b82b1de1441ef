import { demoInstallation } from '../../../tests/helpers/demo'
import type { Call } from '../equipment'
import type { Installation } from '../installation'
import type { ReadingKind } from '../readings'
import { degF } from '../units'
import type { Physics } from './fault'
import { HiddenSite } from './HiddenSite'

/** What an instrument shows half an hour after a call, at a site with some of its physics changed. */
function shows(
  inst: Installation,
  change: Partial<Physics>,
  [quantity, at, place]: readonly [ReadingKind, string, string],
  call: Call,
  outdoorF: number,
  altitudeFt = 0,
): number | 'OL' | null {
  const site = new HiddenSite(inst, { kind: 'physics', name: 'lowCharge', change }, 1, altitudeFt)
  const situation = { call, outdoorF: degF(outdoorF), modes: {} }
  return site.read({ quantity, place, at, withBlower: null, situation }, 1800)?.value ?? null
}
/** Within what the instruments themselves are off by, and a step of their display. */
const isNear = (shown: unknown, right: number) =>
  typeof shown === 'number' && Math.abs(shown - right) <= 0.03 * Math.abs(right) + 0.6

describe('what instruments show at a heat pump with strips', () => {
  const inst = demoInstallation('quillfeather-lane')
  const COMPRESSOR = ['compressorAmps', 'od.compressor', 'motorLead'] as const
  // A rated load of 13.6 A, of which 0.72 in ordinary weather.
  const USUAL_A = 13.6 * 0.72
  it.each<[string, Partial<Physics>, readonly [ReadingKind, string, string], Call, number]>([
    ['a sound compressor', {}, COMPRESSOR, 'heat1', USUAL_A],
    ['one that stands', {}, COMPRESSOR, 'off', 0],
    ['half of what it should pump: 0.35 + 0.65 / 2', { pumping: 0.5 }, COMPRESSOR, 'heat1', USUAL_A * 0.675],
    ['four fifths of its charge: 0.6 + 0.4 · 0.8', { charge: 0.8 }, COMPRESSOR, 'heat1', USUAL_A * 0.92],
    ['more charge than counts: 0.6 + 0.4 · 1.3', { charge: 2 }, COMPRESSOR, 'heat1', USUAL_A * 1.12],
    ['a weak capacitor', { capacitor: 0.8 }, COMPRESSOR, 'heat1', USUAL_A * 1.5],
    ['the outdoor fan: 0.8 of 0.8 A', {}, ['fanAmps', 'od.fan', 'motorLead'], 'heat1', 0.64],
    ['the blower: 0.7 of 2.4 A', {}, ['blowerAmps', 'ah.blower', 'motorLead'], 'fan', 1.68],
    ['a blower with half its air: 0.625 of 2.4 A', { airShare: 0.5 }, ['blowerAmps', 'ah.blower', 'motorLead'], 'fan', 1.5],
    ['subcooling of a sound unit', {}, ['subcooling', 'od', 'liquidLine'], 'cool1', 10],
    ['nine tenths of the charge: 10 − 4.5', { charge: 0.9 }, ['subcooling', 'od', 'liquidLine'], 'cool1', 5.5],
    ['none below zero', { charge: 0.5 }, ['subcooling', 'od', 'liquidLine'], 'cool1', 0],
    ['superheat of nine tenths: 10 + 5.5', { charge: 0.9 }, ['superheat', 'od', 'suctionLine'], 'cool1', 15.5],
    ['a valve that leaks by a half: 1.5 + 9', { valveLeak: 0.5 }, ['valveDifference', 'od', 'line'], 'cool1', 10.5],
    ['nothing across a valve of a unit that stands', { valveLeak: 0.5 }, ['valveDifference', 'od', 'line'], 'off', 0],
    ['the line, leg to leg', {}, ['lineVolts', 'od', 'line'], 'off', 240],
    ['nine tenths of the line', { lineShare: 0.9 }, ['lineVolts', 'od', 'line'], 'off', 216],
    ['a leg to ground', {}, ['legToGround', 'kit.L1', 'line'], 'off', 120],
    ['the return air', { returnF: 61 }, ['returnAir', 'ah', 'returnDuct'], 'fan', 61],
    ['an outdoor thermostat set to 35 °F that trips 4 °F late', { switchF: 4 }, ['gateTrip', 'odt.setpoint', 'bulb'], 'off', 39],
  ])('%s', (_, change, point, call, right) => {
    const outdoorF = call === 'cool1' ? 85 : 42
    const shown = shows(inst, change, point, call, outdoorF)
    expect([shown, isNear(shown, right)]).toEqual([shown, true])
  }) // prettier-ignore

  it('an element whose leads are lifted has V²/P: 240² / 4,800; one that is burnt through none', () => {
    const row = ['rowOhms', 'kit.row1', 'rowTerminals'] as const
    expect(isNear(shows(inst, {}, row, 'off', 42), 12)).toBe(true)
    const site = new HiddenSite(inst, { kind: 'part', failure: { kind: 'loadOpen', at: 'kit.row1' } }, 1)
    const situation = { call: 'off' as const, outdoorF: degF(42), modes: {} }
    const point = { quantity: row[0], at: row[1], place: row[2], withBlower: null, situation }
    expect(site.read(point, 600)?.value).toBe('OL')
  })
})

describe('what instruments show at a gas furnace', () => {
  const inst = demoInstallation('tallow-mill')
  const at = (kind: ReadingKind) => [kind, 'fur', 'burner'] as const
  it.each<[string, Partial<Physics>, ReadingKind, Call, number]>([
    ['the manifold burning natural gas', {}, 'manifold', 'emergency', 3.5],
    ['four fifths of it', { manifold: 0.8 }, 'manifold', 'emergency', 2.8],
    ['half of the inlet’s pressure: 0.5 / 0.75 of the manifold', { inlet: 0.5 }, 'manifold', 'emergency', 2.33],
    ['no manifold pressure without a fire', {}, 'manifold', 'off', 0],
    ['the inlet', {}, 'gasInlet', 'off', 7],
    ['CO of a fire with the air that it needs', {}, 'coAirFree', 'emergency', 25],
    ['CO with nine tenths of it: 25 + 90', { fireAir: 0.9 }, 'coAirFree', 'emergency', 115],
    ['none without a fire', { fireAir: 0.9 }, 'coAirFree', 'off', 0],
    ['a cold flue', {}, 'flueTemp', 'off', 70],
  ])('%s', (_, change, kind, call, right) => {
    const shown = shows(inst, change, at(kind), call, 20)
    expect([shown, isNear(shown, right)]).toEqual([shown, true])
  }) // prettier-ignore

  it('a mile up its orifices are drilled for 21 % less: 4 % for each 1,000 ft, above 2,000 ft', () => {
    const input = (altitudeFt: number) => shows(inst, {}, at('clockedInput'), 'emergency', 20, altitudeFt)
    const sea = input(0) as number
    expect(sea).toBeGreaterThan(20_000)
    expect(isNear(input(5280), sea * (1 - 0.04 * 5.28))).toBe(true)
    expect(isNear(input(2000), sea)).toBe(true)
  })
})
