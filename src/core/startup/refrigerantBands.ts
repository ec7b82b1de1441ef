import { amountOf, isCooling, isHeatPumpHeating } from '../equipment'
import { settingValue } from '../installation'
import {
  about,
  cause,
  isDefrost,
  plateAt,
  runs,
  wayTo,
  type Banded,
  type Context,
  type Range,
} from './bandContext'
import { BANDS } from './bands'
import { currentReadings, readBeside } from './reading'
import type { Cause } from './verdict'

/** Why the refrigerant side shows nothing where the compressor was read to stand still; null: it was not. */
function compressorStill(c: Context): Cause[] | null {
  const last = readBeside(c.r, c.all, 'compressorAmps').at(-1)?.value
  return typeof last === 'number' && last < BANDS.idleA
    ? [...cause('compressorOff'), ...wayTo(c, 'compressor')]
    : null
}

export function discharge(c: Context): Banded | null {
  if (!isHeatPumpHeating(c.r.situation.call) || !runs(c, 'compressor') || isDefrost(c)) return null
  const { outdoorF } = c.r.situation
  const [from, to] = BANDS.dischargeAtF
  const [low, high] = BANDS.dischargeOverF
  const usual: Range = [outdoorF + low, Math.min(BANDS.dischargeMostF, outdoorF + high)]
  // As warm as outdoors: nothing runs.
  const still =
    compressorStill(c) ?? (Math.abs(c.v - outdoorF) < BANDS.noDifferenceF ? cause('compressorOff') : null)
  const causes = { low: still ?? cause('notPumping', 'chargeHigh'), high: cause('airflowLow', 'chargeLow') }
  if (outdoorF < from || outdoorF > to)
    return { right: [null, BANDS.dischargeMostF], basis: 'most', ...causes }
  // A habit: outside it one looks again; over the limit it is wrong.
  return {
    right: usual,
    watch: [null, BANDS.dischargeMostF],
    basis: 'usual',
    from: { outdoor: outdoorF },
    ...causes,
  }
}

export function vapour(c: Context): Banded | null {
  if (!runs(c, 'compressor') || isDefrost(c)) return null
  const cools = isCooling(c.r.situation.call)
  if (!cools && !isHeatPumpHeating(c.r.situation.call)) return null
  const { vapourHotF: hot, vapourColdF: cold } = BANDS
  return cools
    ? {
        right: [null, cold],
        watch: [null, hot],
        basis: 'coldLine',
        low: [],
        high: compressorStill(c) ?? cause('valveOtherWay', 'notPumping'),
      }
    : {
        right: [hot, null],
        watch: [cold, null],
        basis: 'hotLine',
        low: compressorStill(c) ?? cause('valveOtherWay', 'notPumping'),
        high: [],
      }
}

/** Minutes after which the board ends a defrost whatever the coil says: its own transition. */
function capOf({ seen }: Context): number | null {
  for (const p of seen.inst.placed)
    for (const m of p.device.modes) {
      const defrost = m.states.find((s) => s.condition === 'defrost')?.id
      const caps = (m.transitions ?? []).flatMap((t) => {
        const after =
          t.from === defrost && t.after !== undefined ? amountOf(t.after, (id) => settingValue(p, id)) : null
        return after ? [after / 60] : []
      })
      if (caps.length) return Math.min(...caps)
    }
  return null
}

export function defrost(c: Context): Banded | null {
  const cap = capOf(c)
  if (cap === null) return null
  return {
    right: [null, cap - BANDS.capMinutes],
    watch: [null, cap + BANDS.capMinutes],
    nominal: cap,
    basis: 'cap',
    low: [],
    high: cause('airflowLow', 'coilSwitch', 'fanRunsOn', 'chargeLow'),
  }
}

/** Expected charge: the factory's charge plus that for the line length as measured. */
export function charge(c: Context): Banded | null {
  const { chargedForFt, chargeOzPerFt } = plateAt(c)
  const lengths = currentReadings(c.all).filter((x) => x.kind === 'lineLength' && x.at === c.r.at)
  const feet = lengths[lengths.length - 1]?.value
  if (chargedForFt === undefined || chargeOzPerFt === undefined || typeof feet !== 'number') return null
  const nominal = (feet - chargedForFt) * chargeOzPerFt
  const by = Math.max(BANDS.chargeOz, BANDS.chargeShare * Math.abs(nominal))
  const causes = cause('weighAgain', 'lengthWrong')
  return {
    right: about(nominal, by),
    nominal,
    basis: 'lineSet',
    from: { feet, chargedForFt, ozPerFt: chargeOzPerFt },
    low: causes,
    high: causes,
  }
}
