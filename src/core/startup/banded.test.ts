import { BANDED_KINDS, type BandedKind } from '../readings'
import { COOL, GAS, OIL, STRIPS, told, type Site } from '../../../tests/helpers/told'
import type { Call } from '../equipment'

/** Right, worth another look where there is such, and wrong, each with the arithmetic beside it. */
type Fixture = { at: string; site: Site; right: number[]; watch?: number[]; wrong: [number, string | null][] }
const FIXTURES: Record<BandedKind, Fixture> = {
  // RLA 13.6; below 35 % of it, 4.76 A, it hardly works; nothing at all is no compressor.
  compressorAmps: {
    at: 'od.compressor', site: STRIPS, right: [4.8, 13.6], watch: [4.7], wrong: [[13.7, 'chargeHigh'], [0.2, 'notRunning']],
  },
  // FLA 0.8; a quarter of it is 0.2 A, which a clamp cannot tell from none: below 0.5 A it does not run.
  fanAmps: { at: 'od.fan', site: STRIPS, right: [0.5, 0.8], wrong: [[0.85, 'bearing']] },
  // FLA 2.4; a tenth of it is 0.24 A.
  blowerAmps: { at: 'ah.blower', site: STRIPS, right: [0.6, 2.4], wrong: [[2.5, 'bearing']] },
  // 47 °F: 34,200 BTU/h through 1,200 CFM at 1,200 ft: k = e^(−1200/27000) = 0.9565;
  // 34,200 / (1.08 · 1,200 · 0.9565) = 27.59 °F, ±15 % from 23.45 to 31.73. Return 70.
  supplyAir: {
    at: 'ah', site: { ...STRIPS, returnAir: 70, house: { cfmHigh: 1200, altitudeFt: 1200 } },
    right: [93.5, 97.6, 101.7], wrong: [[93.4, 'probes'], [101.8, 'airflowLow'], [71, 'compressorOff']],
  },
  staticPressure: { at: 'ah', site: STRIPS, right: [0.3, 0.5], watch: [0.51, 0.8], wrong: [[0.81, 'filter']] },
  // 3 tons: 1,050 to 1,350; a tenth beyond 945 and 1,485.
  airflow: {
    at: 'ah', site: STRIPS, right: [1050, 1350], watch: [950, 1480], wrong: [[940, 'filter'], [1490, 'tap']],
  },
  // Natural gas 3.5 ± 0.3; 10.5 is LP's.
  manifold: { at: 'fur', site: GAS, right: [3.2, 3.8], wrong: [[3.1, 'regulator'], [10.5, 'otherGas']] },
  gasInlet: { at: 'fur', site: GAS, right: [5, 10.5], watch: [4.9, 10.6], wrong: [] },
  // 80,000 ± 5 %.
  clockedInput: { at: 'fur', site: GAS, right: [76_000, 84_000], wrong: [[75_900, 'orifice'], [84_100, 'orifice']] },
  flueTemp: { at: 'fur', site: OIL, right: [350, 450], wrong: [[340, 'inputLow'], [460, 'inputHigh']] },
  coAirFree: { at: 'fur', site: GAS, right: [0, 100], wrong: [[101, 'combustionAir']] },
  smoke: { at: 'fur', site: OIL, right: [0, 1], wrong: [[2, 'combustionAir']] },
  overFireDraft: { at: 'fur', site: OIL, right: [-0.02, -0.01], wrong: [[-0.03, 'draftHigh'], [0, 'draftLow']] },
  // 100 psi ± 5 %.
  pumpPressure: { at: 'fur', site: OIL, right: [95, 105], wrong: [[94, 'pumpSetting'], [106, 'pumpSetting']] },
  // 10 ± 3, twice that worth a look.
  subcooling: {
    at: 'od', site: { ...COOL, plates: { od: { subcoolingF: 10 } } },
    right: [7, 13], watch: [4, 16], wrong: [[3.9, 'chargeLow'], [16.1, 'chargeHigh']],
  },
  superheat: {
    at: 'od', site: { ...COOL, plates: { od: { superheatF: 12 } } },
    right: [7, 17], watch: [2, 22], wrong: [[1.9, 'chargeHigh'], [22.1, 'chargeLow']],
  },
  // 47 °F outdoors: 107 to 177; up to 225 worth a look.
  dischargeLine: { at: 'od', site: STRIPS, right: [107, 177], watch: [106, 178, 225], wrong: [[226, 'airflowLow']] },
  vapourLine: { at: 'od', site: STRIPS, right: [85, 150], watch: [84, 65], wrong: [[64, 'valveOtherWay']] },
  valveDifference: { at: 'od', site: STRIPS, right: [0, 3], watch: [8], wrong: [[8.1, 'valveLeaks']] },
  // The board ends it at 600 s = 10 min.
  defrostMinutes: {
    at: 'od', site: { ...STRIPS, outdoorF: 30, modes: { 'od.board': 'defrost' } },
    right: [4, 9.7], watch: [10, 10.3], wrong: [[10.4, 'airflowLow']],
  },
  coilSwitchOpens: { at: 'od', site: STRIPS, right: [60, 70], wrong: [[59, 'coilSwitch'], [71, 'coilSwitch']] },
  // 47 °F lies 0.83333 of the way from 32 (32,700 Ω) to 50 (19,900 Ω), on the logarithm: 21,616 Ω; ± 10 %.
  thermistorOhms: {
    at: 'od', site: { ...STRIPS, outdoorF: 47, plates: { od: { sensorOhms: [{ atF: 32, ohms: 32_700 }, { atF: 50, ohms: 19_900 }] } } },
    right: [19_500, 21_616, 23_700], wrong: [[19_400, 'sensorWiring'], [23_800, 'sensorWiring']],
  },
  sensorDifference: { at: 'sen', site: GAS, right: [-2, 2], watch: [-4, 4], wrong: [[4.1, 'sensorPlace']] },
  // 40 µF ± 6 %: 37.6 to 42.4.
  capacitor: {
    at: 'od.compressor', site: { ...STRIPS, plates: { od: { compressorUf: 40, fanUf: 5 } } },
    right: [37.6, 42.4], wrong: [[37.5, 'capacitorWeak'], [42.5, 'capacitorWeak']],
  },
  // Set to 35: an outdoor thermostat within 5.
  gateTrip: { at: 'odt.setpoint', site: STRIPS, right: [30, 40], wrong: [[29, 'sensorPlace'], [41, 'sensorPlace']] },
  airTrip: { at: 'ceat', site: { job: 'lapwing-court' }, right: [98, 108], wrong: [[97, 'switchPlace'], [109, 'switchPlace']] },
  airRemake: { at: 'ceat', site: { job: 'lapwing-court' }, right: [81, 91], wrong: [[80, 'switchPlace'], [92, 'switchPlace']] },
  // 6 in.w.c. ± 10 %.
  lowGasTrip: {
    at: 'fur', site: { ...GAS, plates: { fur: { lowGasTripInWc: 6 } } },
    right: [5.4, 6.6], wrong: [[5.3, 'gasSwitch'], [6.7, 'gasSwitch']],
  },
  // 97,000 / 138,500 = 0.7004 gal/h, through a nozzle at 140 psi 0.7004 / √1.4 = 0.5919: ± 8 % from 0.5446 to 0.6393.
  nozzle: {
    at: 'fur', site: { ...OIL, plates: { fur: { inputBtuh: 97_000, pumpPsi: 140 } } },
    right: [0.55, 0.63], wrong: [[0.54, 'otherNozzle'], [0.65, 'otherNozzle']],
  },
  // A furnace's rise of 35 to 65 °F over a return of 68.
  coilEntering: {
    at: 'fur', site: { ...GAS, returnAir: 68 }, right: [103, 133], wrong: [[102, 'airflowHigh'], [134, 'airflowLow']],
  },
  // 40 ft less the 15 that are in it, 0.6 oz each: 15 oz ± 1.
  chargeAdded: {
    at: 'od', site: { ...STRIPS, lineFt: 40, plates: { od: { chargedForFt: 15, chargeOzPerFt: 0.6 } } },
    right: [14, 16], wrong: [[13.9, 'weighAgain'], [16.1, 'weighAgain']],
  },
  vacuum: { at: 'od', site: STRIPS, right: [300, 500], watch: [501, 1000], wrong: [[1001, 'moisture']] },
} // prettier-ignore

describe('readings that a band decides', () => {
  it.each(BANDED_KINDS)('%s: right, worth another look, wrong', (kind) => {
    const { at, site, right, watch = [], wrong } = FIXTURES[kind]
    for (const v of right) expect([v, told(kind, at, v, site).verdict]).toEqual([v, 'right'])
    for (const v of watch) expect([v, told(kind, at, v, site).verdict]).toEqual([v, 'watch'])
    for (const [v, cause] of wrong) {
      const { verdict, causes } = told(kind, at, v, site)
      expect([v, verdict, causes[0]?.kind ?? null]).toEqual([v, 'wrong', cause])
    }
  })
})

describe('what a band hangs on', () => {
  it('airflow means something while the compressor runs: a fan alone may be slow, a low stage slower', () => {
    expect(told('airflow', 'ah', 700, { ...STRIPS, call: 'fan' }).verdict).toBe('unjudged')
    expect(told('airflow', 'ah', 700, { job: 'gorse-end' }).verdict).toBe('unjudged')
    // Two stages: 65 % of 1,050 are 683 in the low one.
    const stages = (call: 'heat1' | 'heat2', cfm: number) =>
      told('airflow', 'fur', cfm, { job: 'tallow-mill', call, outdoorF: 50 }).verdict
    expect([stages('heat1', 700), stages('heat2', 700), stages('heat2', 1100)]).toEqual([
      'right',
      'wrong',
      'right',
    ])
    // Next to no air: the blower stands still, and filters are not to blame.
    expect(told('airflow', 'ah', 20, STRIPS).causes[0]).toEqual({ kind: 'notRunning' })
  })

  it('a cold flue, and air that is not warmed, mean that nothing burns', () => {
    expect(told('flueTemp', 'fur', 70, OIL).causes[0]).toEqual({ kind: 'notLit' })
    expect(told('supplyAir', 'fur', 69, { ...GAS, returnAir: 68 }).causes[0]).toEqual({ kind: 'notLit' })
    for (const kind of ['manifold', 'clockedInput'] as const)
      expect(told(kind, 'fur', 0, GAS).causes[0]).toEqual({ kind: 'notLit' })
    // A line as warm as outdoors: the compressor does not even run.
    expect(told('dischargeLine', 'od', 47, STRIPS).causes[0]).toEqual({ kind: 'compressorOff' })
  })

  it('a blower read by two clamps is known no closer than two large readings are', () => {
    // Two rows of 5 kW: 40 to 41.7 A at their volts under load; √2 · 2 % of it is 1.13 to 1.18 A beside the 2.4 of its rating.
    const site: Site = { ...STRIPS, call: 'emergency' }
    const two = (v: number) => told('blowerAmps', 'ah.blower', v, site, 'twoClamps')
    expect([two(3.5).verdict, two(3.7).verdict, two(4.4).verdict, two(4.9).verdict]).toEqual([
      'right',
      'watch',
      'watch',
      'wrong',
    ])
    expect(two(3.7).causes[0]).toEqual({ kind: 'twoClamps' })
    expect(told('blowerAmps', 'ah.blower', 3.5, site).verdict).toBe('wrong')
  })

  it('air entering a coil is the return’s while nothing heats ahead of it', () => {
    const site: Site = { job: 'tallow-mill', call: 'heat1', outdoorF: 50, returnAir: 68 }
    const entering = (v: number) => told('coilEntering', 'fur', v, site)
    expect([entering(65).verdict, entering(71).verdict, entering(72).verdict]).toEqual([
      'right',
      'right',
      'wrong',
    ])
    expect(entering(90).causes[0]).toEqual({ kind: 'heatAhead' })
    expect(entering(60).causes[0]).toEqual({ kind: 'probePlace' })
  })

  it('with the panels off what hangs on the air is to be read again; volts are not', () => {
    const open = (kind: BandedKind, at: string, v: number, site: Site) =>
      told(kind, at, v, { ...site, panelsOff: true })
    // 1,200 CFM for three tons would be right.
    expect(open('airflow', 'ah', 1200, STRIPS)).toMatchObject({
      verdict: 'watch',
      causes: [{ kind: 'panelsOff' }],
    })
    expect(open('airflow', 'ah', 500, STRIPS)).toMatchObject({ verdict: 'wrong' })
    expect(open('airflow', 'ah', 500, STRIPS).causes.slice(0, 2)).toEqual([
      { kind: 'panelsOff' },
      { kind: 'filter' },
    ])
    expect(open('compressorAmps', 'od.compressor', 10, STRIPS).verdict).toBe('right')
  })

  it('a charge is weighed by the length of its line, a shorter one takes some out', () => {
    const plates = { od: { chargedForFt: 15, chargeOzPerFt: 0.6 } }
    // 10 ft: 5 less, 3 oz out.
    expect(told('chargeAdded', 'od', -3, { ...STRIPS, plates, lineFt: 10 }).verdict).toBe('right')
    expect(told('chargeAdded', 'od', -3, { ...STRIPS, plates }).verdict).toBe('unjudged')
    expect(told('chargeAdded', 'od', -3, { ...STRIPS, lineFt: 10 }).verdict).toBe('unjudged')
  })

  it('a motor that should stand still draws nothing, and a fan in a defrost least of all', () => {
    const off: Site = { ...STRIPS, call: 'fan' }
    expect(told('compressorAmps', 'od.compressor', 0.3, off).verdict).toBe('right')
    expect(told('compressorAmps', 'od.compressor', 9, off).causes).toEqual([{ kind: 'shouldBeOff' }])
    const defrost: Site = { ...STRIPS, outdoorF: 30, modes: { 'od.board': 'defrost' } }
    expect(told('fanAmps', 'od.fan', 0.7, defrost)).toMatchObject({
      verdict: 'wrong',
      causes: [{ kind: 'fanRunsOn' }],
    })
  })

  it('the rise of a furnace is its plate’s, of strips nobody’s, of an inverter its own affair', () => {
    // 35 to 65 °F by the plate.
    const gas: Site = { ...GAS, returnAir: 68 }
    expect(told('supplyAir', 'fur', 68 + 65, gas).verdict).toBe('right')
    expect(told('supplyAir', 'fur', 68 + 66, gas).causes[0]).toEqual({ kind: 'airflowLow' })
    expect(
      told('supplyAir', 'ah', 110, { ...STRIPS, call: 'heatAux1', outdoorF: 25, returnAir: 68 }).verdict,
    ).toBe('unjudged')
    const inverter: Site = { job: 'copper-alley', returnAir: 68, house: { cfmHigh: 1200 } }
    expect(told('supplyAir', 'ah', 95, inverter).verdict).toBe('unjudged')
  })

  it('between 17 and 47 °F a rise is held against what the unit gives without frost', () => {
    // 32 °F: halfway, (34,200 + 20,400) / 2 = 27,300; / (1.08 · 1,200) = 21.06, ±15 % 17.9 to 24.2. With frost it would be less.
    const site: Site = { ...STRIPS, outdoorF: 32, returnAir: 70, house: { cfmHigh: 1200 } }
    expect(told('supplyAir', 'ah', 91, site).expected!.nominal).toBeCloseTo(21.06, 1)
  })

  it('of two stages the one that runs', () => {
    // Low at 47 °F 25,200, high 35,400; through 1,000 and 1,200 CFM: 23.33 and 27.31.
    const site = (call: Call): Site => ({
      job: 'pennywort-close', call, returnAir: 70, house: { cfmLow: 1000, cfmHigh: 1200 },
    }) // prettier-ignore
    expect(told('supplyAir', 'ah', 93, site('heat1')).expected!.nominal).toBeCloseTo(23.33, 2)
    expect(told('supplyAir', 'ah', 97, site('heat2')).expected!.nominal).toBeCloseTo(27.31, 2)
  })

  it('nothing is said of cold return air, without a return, or in a defrost', () => {
    const site: Site = { ...STRIPS, house: { cfmHigh: 1200 } }
    expect(told('supplyAir', 'ah', 95, { ...site, returnAir: 59 }).verdict).toBe('unjudged')
    expect(told('supplyAir', 'ah', 95, site).verdict).toBe('unjudged')
    const defrost: Site = { ...site, outdoorF: 30, modes: { 'od.board': 'defrost' }, returnAir: 70 }
    for (const kind of ['supplyAir', 'dischargeLine', 'vapourLine'] as const)
      expect(told(kind, 'od', 50, defrost).verdict).toBe('unjudged')
  })

  it('in cooling the drop is 16 to 22 °F, and the vapour line cold', () => {
    const site: Site = { ...COOL, returnAir: 76 }
    for (const [supply, verdict] of [[60, 'right'], [54, 'right'], [61, 'watch'], [53, 'watch'], [63, 'wrong'], [51, 'wrong']] as const)
      expect([supply, told('supplyAir', 'ah', supply, site).verdict]).toEqual([supply, verdict]) // prettier-ignore
    expect(told('supplyAir', 'ah', 75, site).causes[0]).toEqual({ kind: 'compressorOff' })
    expect(told('vapourLine', 'od', 55, COOL).verdict).toBe('right')
    expect(told('vapourLine', 'od', 120, COOL).causes[0]).toEqual({ kind: 'valveOtherWay' })
  })

  it('LP has its own pressures, and natural gas at its manifold is a conversion that was not made', () => {
    const lp: Site = { ...GAS, settings: { 'fur.fuel': 'lp' } }
    for (const [v, verdict] of [
      [10, 'right'],
      [11, 'right'],
      [9.9, 'watch'],
      [11.2, 'watch'],
      [9.6, 'wrong'],
      [11.4, 'wrong'],
    ] as const)
      expect([v, told('manifold', 'fur', v, lp).verdict]).toEqual([v, verdict])
    expect(told('manifold', 'fur', 3.5, lp).causes[0]).toEqual({ kind: 'otherGas' })
    expect(told('gasInlet', 'fur', 12, lp).verdict).toBe('right')
  })

  it('the plate wins: manifold, inlet, static, pump, coil', () => {
    const fur = { manifoldInWc: 2.5, inletLowInWc: 4.5, inletHighInWc: 9, maxStaticInWc: 0.8 }
    const site: Site = { ...GAS, plates: { fur } }
    expect(told('manifold', 'fur', 2.8, site).verdict).toBe('right')
    expect(told('manifold', 'fur', 3.5, site).verdict).toBe('wrong')
    expect(told('gasInlet', 'fur', 9.5, site)).toMatchObject({ verdict: 'wrong', basis: 'plate' })
    expect(told('staticPressure', 'fur', 0.79, site)).toMatchObject({ verdict: 'right', basis: 'plate' })
    expect(told('staticPressure', 'fur', 0.81, site).verdict).toBe('wrong')
    expect(told('pumpPressure', 'fur', 140, { ...OIL, plates: { fur: { pumpPsi: 140 } } }).verdict).toBe(
      'right',
    )
    expect(told('coilSwitchOpens', 'od', 75, { ...STRIPS, plates: { od: { coilOpensF: 75 } } }).verdict).toBe(
      'right',
    )
  })

  it('above 2,000 ft altitude takes 4 % of the input for each 1,000 ft from sea level', () => {
    // 5,280 ft: 21.12 % off 80,000 = 63,104; ±5 % 59,949 to 66,259.
    const site: Site = { ...GAS, house: { altitudeFt: 5280 } }
    expect(told('clockedInput', 'fur', 63_104, site)).toMatchObject({
      verdict: 'right',
      basis: 'plateDerated',
    })
    expect(told('clockedInput', 'fur', 59_900, site).verdict).toBe('wrong')
    expect(told('clockedInput', 'fur', 66_300, site).verdict).toBe('wrong')
    // At 2,000 ft it is the plate's own.
    expect(told('clockedInput', 'fur', 76_100, { ...GAS, house: { altitudeFt: 2000 } }).verdict).toBe('right')
  })

  it('the plate’s or manufacturer’s input at this altitude wins over the share', () => {
    const plates = { fur: { inputAtAltitudeBtuh: 70_000 } }
    const site: Site = { ...GAS, house: { altitudeFt: 5280 }, plates }
    // ±5 %: 66,500 to 73,500.
    expect(told('clockedInput', 'fur', 66_600, site)).toMatchObject({ verdict: 'right', basis: 'plate' })
    expect(told('clockedInput', 'fur', 63_104, site).verdict).toBe('wrong')
  })

  it('a plate’s figures are of full fire, and of a burner that is lit', () => {
    // Aux 1 lights the first stage alone.
    const low: Site = { job: 'tallow-mill', call: 'heatAux1', outdoorF: 25 }
    expect(told('clockedInput', 'fur', 50_000, low).verdict).toBe('unjudged')
    expect(told('manifold', 'fur', 1.7, low).verdict).toBe('unjudged')
    expect(told('coAirFree', 'fur', 300, low).verdict).toBe('wrong')
    const off: Site = { job: 'tallow-mill', call: 'fan', outdoorF: 25 }
    for (const kind of ['manifold', 'clockedInput', 'flueTemp', 'coAirFree'] as const)
      expect([kind, told(kind, 'fur', 0, off).verdict]).toEqual([kind, 'unjudged'])
  })

  it('a lockout’s trip is held against what it was set to for the test', () => {
    // A thermostat’s within 2 °F of the 35 that is set; moved to 60 of that.
    expect(told('gateTrip', 'tstat.changeover', 37, GAS).verdict).toBe('right')
    expect(told('gateTrip', 'tstat.changeover', 37.5, GAS).verdict).toBe('wrong')
    const moved: Site = { ...GAS, moved: [{ at: 'tstat.changeover', value: 60 }] }
    expect(told('gateTrip', 'tstat.changeover', 58, moved).verdict).toBe('right')
  })

  it('charge is not judged in heating or in cold weather, nor what nobody has a figure for', () => {
    const plates = { od: { subcoolingF: 10 } }
    expect(told('subcooling', 'od', 3, { ...STRIPS, plates }).verdict).toBe('unjudged')
    // At 64 °F it is too cold to charge by; at 65 it is not.
    expect(told('subcooling', 'od', 3, { ...COOL, outdoorF: 64, plates })).toMatchObject({
      verdict: 'unjudged', causes: [{ kind: 'tooColdToCharge' }],
    }) // prettier-ignore
    expect(told('subcooling', 'od', 3, { ...COOL, outdoorF: 65, plates }).verdict).toBe('wrong')
    expect(told('subcooling', 'od', 3, COOL).verdict).toBe('unjudged')
    expect(told('capacitor', 'od.fan', 4, { ...STRIPS, plates: { od: { compressorUf: 40 } } }).verdict).toBe(
      'unjudged',
    )
  })
})
