import type { BandedKind } from '../readings'
import { COOL, GAS, OIL, STRIPS, told, type Site } from '../../../tests/helpers/told'
import type { Verdict } from '.'

const { POSITIVE_INFINITY: MORE, NEGATIVE_INFINITY: LESS } = Number
const AIR: Site = { ...STRIPS, returnAir: 70, house: { cfmHigh: 1200, altitudeFt: 1200 } }
const COLD_AIR: Site = { ...COOL, returnAir: 76 }
/** With an oil furnace whose plate says nothing of its flue. */
const NO_FLUE: Site = { ...OIL, without: ['flueLowF', 'flueHighF'] }
const plates = (site: Site, at: string, plate: object): Site => ({ ...site, plates: { [at]: plate } })

/** What is read, where and at which site; the verdict, its basis, from, to and middle, and every cause in its order. */
type Row = [BandedKind, string, number, Site, Verdict['verdict'], string, [number, number, number], string]
const ROWS: Row[] = [
  // 35 % of 13.6 A are 4.76.
  ['compressorAmps', 'od.compressor', 4, STRIPS, 'watch', 'ratedAmps', [4.76, 13.6, 13.6], 'notPumping chargeLow'],
  ['compressorAmps', 'od.compressor', 14, STRIPS, 'wrong', 'ratedAmps', [4.76, 13.6, 13.6], 'chargeHigh airflowLow capacitorWeak utility'],
  ['compressorAmps', 'od.compressor', 9, { ...STRIPS, call: 'fan' }, 'wrong', 'standsStill', [LESS, 0.5, 0], 'shouldBeOff'],
  // A quarter of 4 A, a tenth of 8.
  ['fanAmps', 'od.fan', 0.7, plates(STRIPS, 'od', { fanFla: 4 }), 'watch', 'ratedAmps', [1, 4, 4], 'bladeLoose'],
  ['fanAmps', 'od.fan', 0.9, STRIPS, 'wrong', 'ratedAmps', [0.2, 0.8, 0.8], 'bearing capacitorWeak'],
  ['blowerAmps', 'ah.blower', 0.6, plates(STRIPS, 'ah', { blowerFla: 8 }), 'watch', 'ratedAmps', [0.8, 8, 8], 'airflowLow'],
  ['blowerAmps', 'ah.blower', 2.5, STRIPS, 'wrong', 'ratedAmps', [0.24, 2.4, 2.4], 'bearing capacitorWeak airflowHigh'],
  // 34,200 / (1.08 · 1,200 · e^(−1200/27000)) = 27.588; ±15 %.
  ['supplyAir', 'ah', 93, AIR, 'wrong', 'capacity', [23.45, 31.726, 27.588], 'probes airflowHigh ductLeak outdoorCoil valveLeaks chargeLow notPumping'],
  ['supplyAir', 'ah', 102, AIR, 'wrong', 'capacity', [23.45, 31.726, 27.588], 'airflowLow stripsInIt'],
  ['supplyAir', 'ah', 63, COLD_AIR, 'wrong', 'usual', [16, 22, 19], 'probes airflowHigh ductLeak outdoorCoil valveLeaks chargeLow notPumping'],
  ['supplyAir', 'ah', 51, COLD_AIR, 'wrong', 'usual', [16, 22, 19], 'airflowLow chargeLow'],
  ['supplyAir', 'fur', 102, { ...GAS, returnAir: 68 }, 'wrong', 'plate', [35, 65, 50], 'airflowHigh inputLow'],
  ['supplyAir', 'fur', 134, { ...GAS, returnAir: 68 }, 'wrong', 'plate', [35, 65, 50], 'airflowLow inputHigh'],
  ['coilEntering', 'fur', 102, { ...GAS, returnAir: 68 }, 'wrong', 'plate', [35, 65, 50], 'airflowHigh inputLow'],
  ['coilEntering', 'fur', 134, { ...GAS, returnAir: 68 }, 'wrong', 'plate', [35, 65, 50], 'airflowLow inputHigh'],
  ['coilEntering', 'ah', 74, { ...STRIPS, returnAir: 70 }, 'wrong', 'sameAir', [-3, 3, 0], 'heatAhead probePlace'],
  ['coilEntering', 'ah', 66, { ...STRIPS, returnAir: 70 }, 'wrong', 'sameAir', [-3, 3, 0], 'probePlace'],
  ['staticPressure', 'ah', 0.81, STRIPS, 'wrong', 'usual', [LESS, 0.5, 0.5], 'filter duct tap'],
  ['staticPressure', 'fur', 0.81, plates(GAS, 'fur', { maxStaticInWc: 0.8 }), 'wrong', 'plate', [LESS, 0.8, 0.8], 'filter duct tap'],
  ['airflow', 'ah', 940, STRIPS, 'wrong', 'perTon', [1050, 1350, 1200], 'filter duct tap'],
  ['airflow', 'ah', 1490, STRIPS, 'wrong', 'perTon', [1050, 1350, 1200], 'tap'],
  ['manifold', 'fur', 3.1, GAS, 'wrong', 'usual', [3.2, 3.8, 3.5], 'regulator inletLow'],
  ['manifold', 'fur', 4, GAS, 'wrong', 'usual', [3.2, 3.8, 3.5], 'regulator'],
  // LP's 10 to 11 ± 0.3, each end.
  ['manifold', 'fur', 9.7, GAS, 'wrong', 'usual', [3.2, 3.8, 3.5], 'otherGas regulator'],
  ['manifold', 'fur', 11.3, GAS, 'wrong', 'usual', [3.2, 3.8, 3.5], 'otherGas regulator'],
  ['manifold', 'fur', 11.4, GAS, 'wrong', 'usual', [3.2, 3.8, 3.5], 'regulator'],
  ['manifold', 'fur', 9.6, GAS, 'wrong', 'usual', [3.2, 3.8, 3.5], 'regulator'],
  ['manifold', 'fur', 3.5, plates(GAS, 'fur', { manifoldInWc: 2.5 }), 'wrong', 'plate', [2.2, 2.8, 2.5], 'regulator'],
  ['gasInlet', 'fur', 4.9, GAS, 'watch', 'usual', [5, 10.5, 7.75], 'piping utilityGas'],
  ['gasInlet', 'fur', 10.6, GAS, 'watch', 'usual', [5, 10.5, 7.75], 'regulator'],
  ['gasInlet', 'fur', 9.5, plates(GAS, 'fur', { inletLowInWc: 4.5, inletHighInWc: 9 }), 'wrong', 'plate', [4.5, 9, 6.75], 'regulator'],
  // One end alone says no range.
  ['gasInlet', 'fur', 10.6, plates(GAS, 'fur', { inletLowInWc: 4.5 }), 'watch', 'usual', [5, 10.5, 7.75], 'regulator'],
  ['clockedInput', 'fur', 75_000, GAS, 'wrong', 'plate', [76_000, 84_000, 80_000], 'orifice manifoldLow inletLow'],
  ['clockedInput', 'fur', 85_000, GAS, 'wrong', 'plate', [76_000, 84_000, 80_000], 'orifice manifoldHigh'],
  // 2,000 ft take nothing off yet, 3,000 ft 4 %.
  ['clockedInput', 'fur', 85_000, { ...GAS, house: { altitudeFt: 2000 } }, 'wrong', 'plate', [76_000, 84_000, 80_000], 'orifice manifoldHigh'],
  ['clockedInput', 'fur', 85_000, { ...GAS, house: { altitudeFt: 3000 } }, 'wrong', 'plateDerated', [66_880, 73_920, 70_400], 'orifice manifoldHigh'],
  ['flueTemp', 'fur', 340, NO_FLUE, 'wrong', 'usual', [350, 450, 400], 'inputLow excessAir'],
  ['flueTemp', 'fur', 460, NO_FLUE, 'wrong', 'usual', [350, 450, 400], 'inputHigh draftHigh airflowLow'],
  ['flueTemp', 'fur', 520, plates(OIL, 'fur', { flueLowF: 300, flueHighF: 500 }), 'wrong', 'plate', [300, 500, 400], 'inputHigh draftHigh airflowLow'],
  ['flueTemp', 'fur', 340, plates(NO_FLUE, 'fur', { flueLowF: 300 }), 'wrong', 'usual', [350, 450, 400], 'inputLow excessAir'],
  ['flueTemp', 'fur', 460, plates(NO_FLUE, 'fur', { flueHighF: 500 }), 'wrong', 'usual', [350, 450, 400], 'inputHigh draftHigh airflowLow'],
  ['coAirFree', 'fur', 101, GAS, 'wrong', 'usual', [LESS, 100, 100], 'combustionAir exchanger inputHigh'],
  ['smoke', 'fur', 2, OIL, 'wrong', 'usual', [LESS, 1, 1], 'combustionAir nozzle draftLow'],
  ['overFireDraft', 'fur', -0.03, OIL, 'wrong', 'usual', [-0.02, -0.01, -0.015], 'draftHigh'],
  ['overFireDraft', 'fur', 0, OIL, 'wrong', 'usual', [-0.02, -0.01, -0.015], 'draftLow'],
  ['pumpPressure', 'fur', 94, OIL, 'wrong', 'usual', [95, 105, 100], 'pumpSetting oilFilter'],
  ['pumpPressure', 'fur', 106, OIL, 'wrong', 'usual', [95, 105, 100], 'pumpSetting'],
  ['pumpPressure', 'fur', 132, plates(OIL, 'fur', { pumpPsi: 140 }), 'wrong', 'plate', [133, 147, 140], 'pumpSetting oilFilter'],
  ['subcooling', 'od', 3.9, plates(COOL, 'od', { subcoolingF: 10 }), 'wrong', 'plate', [7, 13, 10], 'chargeLow'],
  ['subcooling', 'od', 16.1, plates(COOL, 'od', { subcoolingF: 10 }), 'wrong', 'plate', [7, 13, 10], 'chargeHigh metering'],
  ['superheat', 'od', 1.9, plates(COOL, 'od', { superheatF: 12 }), 'wrong', 'plate', [7, 17, 12], 'chargeHigh airflowLow'],
  ['superheat', 'od', 22.1, plates(COOL, 'od', { superheatF: 12 }), 'wrong', 'plate', [7, 17, 12], 'chargeLow metering'],
  // 60 to 130 over outdoors between 40 and 65 °F, ends included; beyond them the limit alone.
  ['dischargeLine', 'od', 106, STRIPS, 'watch', 'usual', [107, 177, 142], 'notPumping chargeHigh'],
  ['dischargeLine', 'od', 226, STRIPS, 'wrong', 'usual', [107, 177, 142], 'airflowLow chargeLow'],
  ['dischargeLine', 'od', 226, { ...STRIPS, outdoorF: 40 }, 'wrong', 'usual', [100, 170, 135], 'airflowLow chargeLow'],
  ['dischargeLine', 'od', 226, { ...STRIPS, outdoorF: 65 }, 'wrong', 'usual', [125, 195, 160], 'airflowLow chargeLow'],
  ['dischargeLine', 'od', 226, { ...STRIPS, outdoorF: 39 }, 'wrong', 'most', [LESS, 225, 225], 'airflowLow chargeLow'],
  ['dischargeLine', 'od', 226, { ...STRIPS, outdoorF: 66 }, 'wrong', 'most', [LESS, 225, 225], 'airflowLow chargeLow'],
  ['vapourLine', 'od', 64, STRIPS, 'wrong', 'hotLine', [85, MORE, 85], 'valveOtherWay notPumping'],
  ['vapourLine', 'od', 90, COOL, 'wrong', 'coldLine', [LESS, 65, 65], 'valveOtherWay notPumping'],
  ['valveDifference', 'od', 8.1, STRIPS, 'wrong', 'usual', [LESS, 3, 3], 'valveLeaks'],
  ['defrostMinutes', 'od', 10.4, { ...STRIPS, outdoorF: 30, modes: { 'od.board': 'defrost' } }, 'wrong', 'cap', [LESS, 9.7, 10], 'airflowLow coilSwitch fanRunsOn chargeLow'],
  ['coilSwitchOpens', 'od', 71, STRIPS, 'wrong', 'usual', [60, 70, 65], 'coilSwitch switchPlace'],
  ['coilSwitchOpens', 'od', 69, plates(STRIPS, 'od', { coilOpensF: 75 }), 'wrong', 'plate', [70, 80, 75], 'coilSwitch switchPlace'],
  ['sensorDifference', 'sen', 4.1, GAS, 'wrong', 'usual', [-2, 2, 0], 'sensorPlace sensorWiring'],
  // 40 µF and 5 µF, ±6 %.
  ['capacitor', 'od.compressor', 37, plates(STRIPS, 'od', { compressorUf: 40, fanUf: 5 }), 'wrong', 'plate', [37.6, 42.4, 40], 'capacitorWeak'],
  ['capacitor', 'od.fan', 5.4, plates(STRIPS, 'od', { compressorUf: 40, fanUf: 5 }), 'wrong', 'plate', [4.7, 5.3, 5], 'capacitorWeak'],
  ['gateTrip', 'odt.setpoint', 29, STRIPS, 'wrong', 'setting', [30, 40, 35], 'sensorPlace sensorWiring settingElsewhere'],
  ['airTrip', 'ceat', 97, { job: 'lapwing-court' }, 'wrong', 'plate', [98, 108, 103], 'switchPlace'],
  ['airRemake', 'ceat', 92, { job: 'lapwing-court' }, 'wrong', 'plate', [81, 91, 86], 'switchPlace'],
  ['lowGasTrip', 'fur', 5.3, plates(GAS, 'fur', { lowGasTripInWc: 6 }), 'wrong', 'plate', [5.4, 6.6, 6], 'gasSwitch'],
  // 97,000 / 138,500 / √1.4 = 0.59191; ±8 %.
  ['nozzle', 'fur', 0.65, plates(OIL, 'fur', { inputBtuh: 97_000, pumpPsi: 140 }), 'wrong', 'nozzleFlow', [0.54456, 0.63926, 0.59191], 'otherNozzle'],
  ['chargeAdded', 'od', 13.9, { ...plates(STRIPS, 'od', { chargedForFt: 15, chargeOzPerFt: 0.6 }), lineFt: 40 }, 'wrong', 'lineSet', [14, 16, 15], 'weighAgain lengthWrong'],
  // 5 % of 60 oz are more than an ounce: 115 ft, 100 of them charged for.
  ['chargeAdded', 'od', 56.9, { ...plates(STRIPS, 'od', { chargedForFt: 15, chargeOzPerFt: 0.6 }), lineFt: 115 }, 'wrong', 'lineSet', [57, 63, 60], 'weighAgain lengthWrong'],
  ['vacuum', 'od', 1001, STRIPS, 'wrong', 'usual', [LESS, 500, 500], 'moisture leak'],
] // prettier-ignore

describe('what a reading is held against, whole', () => {
  it.each(ROWS)('%s at %s: %d', (kind, at, value, site, verdict, basis, band, causes) => {
    const said = told(kind, at, value, site)
    const { low, high, nominal } = said.expected!
    expect([said.verdict, said.basis]).toEqual([verdict, basis])
    for (const [i, x] of [low, high, nominal].entries()) {
      if (Number.isFinite(band[i])) expect(x).toBeCloseTo(band[i]!, 3)
      else expect(x).toBe(band[i])
    }
    expect(said.causes.map((c) => c.kind).join(' ')).toBe(causes)
  })

  it('with a right one no cause is told, and an open side is no limit', () => {
    for (const [kind, at, value, site] of [
      ['staticPressure', 'ah', 0.01, STRIPS],
      ['coAirFree', 'fur', 0, GAS],
      ['vapourLine', 'od', 200, STRIPS],
      ['vapourLine', 'od', 20, COOL],
    ] as const)
      expect([kind, told(kind, at, value, site)]).toMatchObject([kind, { verdict: 'right', causes: [] }])
  })

  it('says what it was worked out from', () => {
    expect(told('airflow', 'ah', 940, STRIPS).from).toEqual({ tons: 3 })
    expect(told('dischargeLine', 'od', 150, STRIPS).from).toEqual({ outdoor: 47 })
    expect(told('supplyAir', 'ah', 93, AIR).from).toEqual({
      return: 70,
      supply: 93,
      capacity: 34_200,
      cfm: 1200,
      outdoor: 47,
    })
    expect(told('coilEntering', 'ah', 71, { ...STRIPS, returnAir: 70 }).from).toEqual({
      return: 70,
      entering: 71,
    })
    const nozzle = told('nozzle', 'fur', 0.6, plates(OIL, 'fur', { inputBtuh: 97_000, pumpPsi: 140 })).from
    expect(nozzle).toMatchObject({ input: 97_000, psi: 140 })
    expect(nozzle.gallons).toBeCloseTo(97_000 / 138_500, 5)
    expect(
      told('chargeAdded', 'od', 15, {
        ...plates(STRIPS, 'od', { chargedForFt: 15, chargeOzPerFt: 0.6 }),
        lineFt: 40,
      }).from,
    ).toEqual({ feet: 40, chargedForFt: 15, ozPerFt: 0.6 })
  })

  it('air that does not move says nothing, a return of 60 °F says as much as one of 61', () => {
    expect(told('staticPressure', 'ah', 0.9, { ...STRIPS, call: 'off' }).verdict).toBe('unjudged')
    expect(told('coilEntering', 'ah', 90, { ...STRIPS, call: 'off', returnAir: 70 }).verdict).toBe('unjudged')
    // 60 + 27.6.
    expect(told('supplyAir', 'ah', 87.6, { ...AIR, returnAir: 60 }).verdict).toBe('right')
    expect(told('supplyAir', 'ah', 87.5, { ...AIR, returnAir: 59.9 }).verdict).toBe('unjudged')
    // Without a plate's rise, in whole or in part, nobody knows a furnace's.
    for (const without of [['riseLow'], ['riseHigh'], ['riseLow', 'riseHigh']])
      for (const kind of ['supplyAir', 'coilEntering'] as const)
        expect(told(kind, 'fur', 110, { ...GAS, returnAir: 68, without }).verdict).toBe('unjudged')
    expect(told('airflow', 'ah', 900, { ...STRIPS, without: ['tons'] }).verdict).toBe('unjudged')
    // Nobody knows a flue of gas without its plate.
    expect(told('flueTemp', 'fur', 340, GAS).verdict).toBe('unjudged')
  })
})
