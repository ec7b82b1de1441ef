import type { BandedKind, ReadingKind } from '../readings'
import { cfmAt, runningCapacity, tableCfm } from '../crossing'
import { hasTrait, isCooling, isHeatPumpHeating } from '../equipment'
import { houseValue, riseOf } from '../house'
import { settingValue, splitRef } from '../installation'
import {
  about,
  cause,
  furnacePlate,
  isDefrost,
  isLit,
  movesAir,
  placedAt,
  plateAt,
  plateBand,
  runs,
  unitPlate,
  wayTo,
  type Banded,
  type BandRule,
  type Context,
} from './bandContext'
import { clocked, flue, inlet, manifold, nozzle } from './furnaceBands'
import { BANDS } from './bands'
import { charge, defrost, discharge, vapour } from './refrigerantBands'
import { ohmsAt } from './sensorOhms'
import { readBeside } from './reading'
import type { Cause } from './verdict'

/** A motor against its rated amps; where it should stand still, against none. */
function motorAmps(
  c: Context,
  what: 'compressor' | 'outdoorFan' | 'blower',
  rated: number | undefined,
  light: number,
  causes: { low: Cause[]; high: Cause[] },
): Banded | null {
  if (!c.solved.ok) return null
  if (!runs(c, what))
    return {
      right: [null, BANDS.idleA],
      nominal: 0,
      basis: 'standsStill',
      low: [],
      high: cause(what === 'outdoorFan' && isDefrost(c) ? 'fanRunsOn' : 'shouldBeOff'),
    }
  if (rated === undefined) return null
  const dead = c.v < BANDS.idleA
  return {
    right: [light * rated, rated],
    ...(dead ? {} : { watch: [0, rated] as const }),
    nominal: rated,
    basis: 'ratedAmps',
    // Nothing at all: something on its way is open, or it has its volts and does not run.
    low: dead ? stillCauses(wayTo(c, what)) : causes.low,
    high: causes.high,
  }
}

/** Why a motor stands still: what is known to lie behind the last live point first; where nothing is known, to look at all. */
const stillCauses = (way: readonly Cause[]): Cause[] =>
  way[0]?.kind === 'meterNext'
    ? [...cause('notRunning'), ...way.slice(0, 3), ...cause('capacitorWeak')]
    : [...way.slice(0, 3), ...cause('notRunning', 'capacitorWeak')]

/** The latest reading of another kind in the same state and on the same visit. */
const beside = ({ all, r }: Context, kind: ReadingKind): number | null => {
  const last = readBeside(r, all, kind).at(-1)?.value
  return typeof last === 'number' ? last : null
}

/**
 * CFM through the coil: as measured in this state; as known of this house at the speed that the blower runs at; by its
 * table; of a low speed without either the usual part of the high one. Where no speed is told apart, the compressor's stage
 * decides. Null: not known.
 */
function cfmOf(c: Context, high: boolean): number | null {
  const { solved, seen } = c
  const measured = beside(c, 'airflow')
  if (measured !== null && measured > 0) return measured
  const full = houseValue(seen.house, 'cfmHigh') ?? cfmAt(seen)
  const speeds = solved.ok
    ? solved.running.flatMap(({ part: { does } }) => (does?.what === 'blower' ? [does.speed] : []))
    : []
  if (speeds.includes('high') || speeds.includes('heat')) return full
  const low = houseValue(seen.house, 'cfmLow')
  if (!speeds.includes('low')) return (unitPlate(c).stages === 2 && !high ? low : null) ?? full
  return low ?? tableCfm(seen, 'low') ?? (full === null ? null : BANDS.usualLowAir * full)
}

/** Likely causes of a small difference across the coil, the cheapest to check first (trade). */
const LOW_DIFFERENCE = cause(
  'probes',
  'airflowHigh',
  'ductLeak',
  'outdoorCoil',
  'valveLeaks',
  'chargeLow',
  'notPumping',
)

/** Supply air by what warms or cools it: a furnace by its plate, the heat pump by its capacity and airflow, cooling by its drop. */
function supplyAir(c: Context): Banded | null {
  const { solved, seen, v, r } = c
  const back = beside(c, 'returnAir')
  if (back === null || !solved.ok || isDefrost(c)) return null
  const rise = v - back
  const base = { value: rise, unit: 'Δ°F', from: { return: back, supply: v } }
  const none = Math.abs(rise) < BANDS.noDifferenceF
  if (runs(c, 'burner')) {
    const { riseLow, riseHigh } = furnacePlate(c)
    if (riseLow === undefined || riseHigh === undefined) return null
    const low = none ? [...cause('notLit'), ...wayTo(c, 'burner')] : cause('airflowHigh', 'inputLow')
    return {
      ...base,
      right: [riseLow, riseHigh],
      basis: 'plate',
      low,
      high: cause('airflowLow', 'inputHigh'),
    }
  }
  if (runs(c, 'strip') || !runs(c, 'compressor')) return null
  if (isCooling(r.situation.call)) {
    const drop = -rise
    const { right, watch } = BANDS.coolDropF
    return {
      ...base,
      value: drop,
      right,
      watch,
      basis: 'usual',
      low: none ? [...cause('compressorOff'), ...wayTo(c, 'compressor')] : LOW_DIFFERENCE,
      high: cause('airflowLow', 'chargeLow'),
    }
  }
  if (!isHeatPumpHeating(r.situation.call)) return null
  const plate = unitPlate(c)
  // An inverter gives what the load needs: its rise means something at a forced speed only.
  if (plate.inverter) return null
  const high = solved.running.some((l) => l.part.does?.what === 'compressor' && l.part.does.stage === 2)
  const capacity = runningCapacity(plate, high)?.(r.situation.outdoorF) ?? null
  const cfm = cfmOf(c, high)
  if (capacity === null || cfm === null || back < BANDS.returnLeastF) return null
  const nominal = riseOf(capacity, cfm, houseValue(seen.house, 'altitudeFt') ?? 0)
  const right = about(nominal, BANDS.riseShare * nominal)
  return {
    ...base,
    right,
    nominal,
    basis: 'capacity',
    from: { ...base.from, capacity, cfm, outdoor: r.situation.outdoorF },
    low: none ? [...cause('compressorOff'), ...wayTo(c, 'compressor')] : LOW_DIFFERENCE,
    high: cause('airflowLow', 'stripsInIt'),
  }
}

/** Air between what heats ahead of a coil and the coil: a furnace's rise, else the return's own temperature. */
function coilEntering(c: Context): Banded | null {
  const back = beside(c, 'returnAir')
  if (back === null || !c.solved.ok || !movesAir(c)) return null
  const rise = c.v - back
  const base = { value: rise, unit: 'Δ°F', from: { return: back, entering: c.v } }
  const { riseLow, riseHigh } = furnacePlate(c)
  if (runs(c, 'burner'))
    return riseLow === undefined || riseHigh === undefined
      ? null
      : {
          ...base,
          right: [riseLow, riseHigh],
          basis: 'plate',
          low: cause('airflowHigh', 'inputLow'),
          high: cause('airflowLow', 'inputHigh'),
        }
  return {
    ...base,
    right: [-BANDS.sameAirF, BANDS.sameAirF],
    nominal: 0,
    basis: 'sameAir',
    low: cause('probePlace'),
    high: cause('heatAhead', 'probePlace'),
  }
}

/** A lockout's trip against its setting as it stood; an outdoor thermostat's own spread is wider. */
function gateTrip(c: Context): Banded | null {
  const placed = placedAt(c)
  const { id } = splitRef(c.r.at)
  const moved = c.r.moved?.find((m) => m.at === c.r.at)?.value
  const set = moved ?? (placed ? settingValue(placed, id) : null)
  if (!placed || typeof set !== 'number') return null
  const by = hasTrait(placed.device, 'outdoorSwitch') ? BANDS.switchF : BANDS.lockoutF
  const causes = cause('sensorPlace', 'sensorWiring', 'settingElsewhere')
  return { right: about(set, by), nominal: set, basis: 'setting', low: causes, high: causes }
}

function staticPressure(c: Context): Banded | null {
  if (!movesAir(c)) return null
  const plate = plateAt(c).maxStaticInWc
  const causes = { low: [], high: cause('filter', 'duct', 'tap') }
  return plate === undefined
    ? { right: [null, BANDS.staticMost], watch: [null, BANDS.staticWatch], basis: 'usual', ...causes }
    : { right: [null, plate], basis: 'plate', ...causes }
}

/** The air of a coil, by its tons: only while the compressor runs does it mean anything. A fan alone may be as slow as it is set. */
function airflow(c: Context): Banded | null {
  const { tons, stages, inverter } = unitPlate(c)
  // An inverter's blower follows what its compressor gives.
  if (tons === undefined || !movesAir(c) || !runs(c, 'compressor') || inverter) return null
  const high2 =
    c.solved.ok && c.solved.running.some((l) => l.part.does?.what === 'compressor' && l.part.does.stage === 2)
  const share = stages === 2 && !high2 ? BANDS.lowStageAir : 1
  const [low, high] = [BANDS.cfmPerTon[0] * tons * share, BANDS.cfmPerTon[1] * tons]
  const more = BANDS.cfmWatchShare
  return {
    right: [low, high],
    watch: [low * (1 - more), high * (1 + more)],
    basis: 'perTon',
    from: { tons },
    // No air at all: the blower stands still.
    low:
      c.v < low * BANDS.noAirShare
        ? [...cause('notRunning'), ...wayTo(c, 'blower')]
        : cause('filter', 'duct', 'tap'),
    high: cause('tap'),
  }
}

/** A blower's own lead against its rating; by two clamps, no closer than two large readings can tell. */
function blower(c: Context): Banded | null {
  const band = motorAmps(c, 'blower', plateAt(c).blowerFla, BANDS.lightShare.blower, {
    low: cause('airflowLow'),
    high: cause('bearing', 'capacitorWeak', 'airflowHigh'),
  })
  if (!band || c.r.place !== 'twoClamps' || !c.solved.ok) return band
  const strips = c.solved.running.filter((l) => l.part.does?.what === 'strip')
  const amps = c.solved.ok ? strips.reduce((sum, l) => sum + (c.solved.ok ? c.solved.amps(l.ref) : 0), 0) : 0
  const by = Math.SQRT2 * BANDS.clampShare * amps
  const [low, high] = band.right
  const more = by > BANDS.idleA ? cause('twoClamps') : []
  return {
    ...band,
    right: [low, (high ?? 0) + by],
    watch: [-by, (band.watch?.[1] ?? high ?? 0) + 2 * by],
    low: [...more, ...band.low],
    high: [...more, ...band.high],
  }
}

/** Only while a burner is lit does it mean anything. */
const lit =
  (rule: BandRule): BandRule =>
  (c) =>
    isLit(c) ? rule(c) : null
/** Only in cooling, with the compressor on and no colder outdoors than the maker tries it at; in heating by the maker's chart. */
const cooling =
  (rule: BandRule): BandRule =>
  (c) =>
    isCooling(c.r.situation.call) && runs(c, 'compressor') && c.r.situation.outdoorF >= BANDS.chargeLeastF
      ? rule(c)
      : null

export const BAND_RULES: Record<BandedKind, BandRule> = {
  compressorAmps: (c) =>
    motorAmps(
      c,
      'compressor',
      plateAt(c).compressorRla ?? unitPlate(c).compressorRla,
      BANDS.lightShare.compressor,
      {
        low: cause('notPumping', 'chargeLow'),
        high: cause('chargeHigh', 'airflowLow', 'capacitorWeak', 'utility'),
      },
    ),
  fanAmps: (c) =>
    motorAmps(c, 'outdoorFan', plateAt(c).fanFla ?? unitPlate(c).fanFla, BANDS.lightShare.fan, {
      low: cause('bladeLoose'),
      high: cause('bearing', 'capacitorWeak'),
    }),
  blowerAmps: blower,
  supplyAir,
  coilEntering,
  staticPressure,
  airflow,
  manifold,
  gasInlet: inlet,
  clockedInput: clocked,
  flueTemp: flue,
  coAirFree: lit(() => ({
    right: [null, BANDS.coMost],
    basis: 'usual',
    low: [],
    high: cause('combustionAir', 'exchanger', 'inputHigh'),
  })),
  smoke: lit(() => ({
    right: [null, BANDS.smokeMost],
    basis: 'usual',
    low: [],
    high: cause('combustionAir', 'nozzle', 'draftLow'),
  })),
  overFireDraft: lit(() => ({
    right: BANDS.draft,
    basis: 'usual',
    low: cause('draftHigh'),
    high: cause('draftLow'),
  })),
  pumpPressure: lit((c) => {
    const plate = furnacePlate(c).pumpPsi
    const nominal = plate ?? BANDS.pumpPsi
    return {
      right: about(nominal, BANDS.pumpShare * nominal),
      nominal,
      basis: plate === undefined ? 'usual' : 'plate',
      low: cause('pumpSetting', 'oilFilter'),
      high: cause('pumpSetting'),
    }
  }),
  subcooling: cooling((c) =>
    plateBand(
      unitPlate(c).subcoolingF,
      BANDS.subcoolingF,
      { low: cause('chargeLow'), high: cause('chargeHigh', 'metering') },
      BANDS.chargeWatchTimes,
    ),
  ),
  superheat: cooling((c) =>
    plateBand(
      unitPlate(c).superheatF,
      BANDS.superheatF,
      { low: cause('chargeHigh', 'airflowLow'), high: cause('chargeLow', 'metering') },
      BANDS.chargeWatchTimes,
    ),
  ),
  dischargeLine: discharge,
  vapourLine: vapour,
  valveDifference: () => ({ right: [null, BANDS.valveF.right], watch: [null, BANDS.valveF.watch], basis: 'usual', low: [], high: cause('valveLeaks') }), // prettier-ignore
  defrostMinutes: defrost,
  coilSwitchOpens: (c) => {
    const opens = plateAt(c).coilOpensF ?? unitPlate(c).coilOpensF
    const causes = cause('coilSwitch', 'switchPlace')
    const basis = opens === undefined ? 'usual' : 'plate'
    return { right: about(opens ?? BANDS.coilOpensF, BANDS.switchF), basis, low: causes, high: causes }
  },
  thermistorOhms: (c) => {
    const at = c.r.situation.outdoorF
    const nominal = ohmsAt(plateAt(c).sensorOhms ?? [], at)
    const causes = cause('sensorWiring')
    return nominal === null
      ? null
      : {
          right: about(nominal, BANDS.thermistorShare * nominal),
          nominal,
          basis: 'plate',
          from: { outdoorF: at },
          low: causes,
          high: causes,
        }
  },
  sensorDifference: () => {
    const causes = cause('sensorPlace', 'sensorWiring')
    return { right: [-BANDS.sensorF, BANDS.sensorF], watch: [-BANDS.sensorWatchF, BANDS.sensorWatchF], basis: 'usual', low: causes, high: causes } // prettier-ignore
  },
  capacitor: (c) => {
    const { id } = splitRef(c.r.at)
    const load = placedAt(c)?.device.parts.find((p) => p.id === id)
    const plate = unitPlate(c)
    const rated = load?.kind === 'load' && load.does?.what === 'outdoorFan' ? plate.fanUf : plate.compressorUf
    const causes = cause('capacitorWeak')
    return rated === undefined
      ? null
      : {
          right: about(rated, BANDS.capacitorShare * rated),
          nominal: rated,
          basis: 'plate',
          low: causes,
          high: causes,
        }
  },
  gateTrip,
  airTrip: (c) =>
    plateBand(plateAt(c).opensF, BANDS.switchF, { low: cause('switchPlace'), high: cause('switchPlace') }),
  airRemake: (c) =>
    plateBand(plateAt(c).closesF, BANDS.switchF, { low: cause('switchPlace'), high: cause('switchPlace') }),
  lowGasTrip: (c) => {
    const plate = furnacePlate(c).lowGasTripInWc
    const causes = cause('gasSwitch')
    return plateBand(plate, BANDS.lowGasShare * (plate ?? 0), { low: causes, high: causes })
  },
  nozzle,
  chargeAdded: charge,
  vacuum: () => ({ right: [null, BANDS.vacuumMost], watch: [null, BANDS.vacuumWatch], basis: 'usual', low: [], high: cause('moisture', 'leak') }), // prettier-ignore
}
