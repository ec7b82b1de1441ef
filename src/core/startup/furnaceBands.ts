import { houseValue } from '../house'
import { settingValue } from '../installation'
import { inputAtSite, nozzleFor } from '../kit'
import { having } from '../query'
import { about, cause, furnacePlate, isLit, type Banded, type Context } from './bandContext'
import { BANDS } from './bands'
import { inTheWay } from './likely'
import type { Cause } from './verdict'

/** The gas that a furnace burns, by its plate setting. */
function gasOf(c: Context): 'natural' | 'lp' {
  const [furnace] = having(c.seen.inst, 'burns')
  const setting = furnace?.device.settings.find((s) => s.intent === 'fuel')
  return furnace && setting && settingValue(furnace, setting.id) === 'lp' ? 'lp' : 'natural'
}

/** Nothing burns: what may be open on the way to the burner. */
function notLit(c: Context): Cause[] {
  if (!c.solved.ok) return cause('notLit')
  const load = c.solved.running.find((l) => l.part.does?.what === 'burner')
  return [...cause('notLit'), ...(load ? inTheWay(c.solved, load.ref, c.r, c.all) : [])]
}

export function manifold(c: Context): Banded | null {
  if (!isLit(c, true)) return null
  const gas = gasOf(c)
  const plate = furnacePlate(c).manifoldInWc
  const other = BANDS.manifold[gas === 'lp' ? 'natural' : 'lp'].watch
  // A pressure that is right for the other gas is a conversion that was not made, or made twice.
  const isOther = c.v >= other[0] && c.v <= other[1]
  const converted = isOther ? cause('otherGas') : []
  return {
    // Without the plate a pressure a little beyond the usual range is a question to the plate.
    ...(plate === undefined ? BANDS.manifold[gas] : { right: about(plate, BANDS.manifold.plusMinus) }),
    basis: plate === undefined ? 'usual' : 'plate',
    // No pressure at all: the valve is not open, and no regulator is to blame.
    low: c.v < BANDS.noManifold ? notLit(c) : [...converted, ...cause('regulator', 'inletLow')],
    high: [...converted, ...cause('regulator')],
  }
}

export function clocked(c: Context): Banded | null {
  if (!isLit(c, true)) return null
  const input = inputAtSite(
    furnacePlate(c),
    gasOf(c) === 'lp' ? 'lp' : 'gas',
    houseValue(c.seen.house, 'altitudeFt'),
  )
  if (!input) return null
  const nominal = input.btuh
  return {
    right: about(nominal, BANDS.inputShare * nominal),
    nominal,
    basis: input.isDerated ? 'plateDerated' : 'plate',
    low: c.v < BANDS.noAirShare * nominal ? notLit(c) : cause('orifice', 'manifoldLow', 'inletLow'),
    high: cause('orifice', 'manifoldHigh'),
  }
}

export function flue(c: Context): Banded | null {
  if (!isLit(c)) return null
  const plate = furnacePlate(c)
  const cold = c.v < BANDS.coldFlueF
  const causes = {
    low: cold ? notLit(c) : cause('inputLow', 'excessAir'),
    high: cause('inputHigh', 'draftHigh', 'airflowLow'),
  }
  if (plate.flueLowF !== undefined && plate.flueHighF !== undefined)
    return { right: [plate.flueLowF, plate.flueHighF], basis: 'plate', ...causes }
  const oil = c.circuit.net.loads.some((l) => l.part.does?.what === 'burner' && l.part.does.fuel === 'oil')
  return oil ? { right: BANDS.oilFlueF, basis: 'usual', ...causes } : null
}

export function inlet(c: Context): Banded {
  const { inletLowInWc: low, inletHighInWc: high } = furnacePlate(c)
  const causes = { low: cause('piping', 'utilityGas'), high: cause('regulator') }
  if (low !== undefined && high !== undefined) return { right: [low, high], basis: 'plate', ...causes }
  // The plate's range decides; without it what is unusual is looked at again, and no more.
  return { right: BANDS.inlet[gasOf(c)], watch: [0, 60], basis: 'usual', ...causes }
}

/** The nozzle that a plate's input needs at the pump's pressure: gal/h at 100 psi, as nozzles are marked. */
export function nozzle(c: Context): Banded | null {
  const { inputBtuh: input, pumpPsi } = furnacePlate(c)
  if (input === undefined) return null
  const psi = pumpPsi ?? BANDS.pumpPsi
  const nominal = nozzleFor(input, psi)
  return {
    right: about(nominal, BANDS.nozzleShare * nominal),
    nominal,
    basis: 'nozzleFlow',
    from: { input, psi, gallons: nozzleFor(input, 100) },
    low: cause('otherNozzle'),
    high: cause('otherNozzle'),
  }
}
