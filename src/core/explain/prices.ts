import { nth } from '../assert'
import { standsAt, type Solution } from '../circuit'
import { CALLS, evaluate, normalState, type Device, type Expr, type EvalContext } from '../equipment'
import { evalContextOf } from '../situation'
import { oncePer } from './layout'

/** Cost of an open contact; every other consideration is smaller than one of these. */
export const OPEN = 1_000_000

/** Of each contact, what it costs to pass it as it stands, the coils behind it left aside. */
export const openPrices = oncePer((solution) =>
  Float64Array.from(solution.circuit.net.contacts, (_, i) => openPrice(solution, i)),
)

function openPrice(solution: Solution, index: number): number {
  if (standsAt(solution.state, index) === 2) return 0
  const { placed, part } = nth(solution.circuit.net.contacts, index)
  return (
    OPEN +
    1000 *
      farFromClosing(
        part.driver,
        evalContextOf(solution.circuit.inst, placed, solution.situation),
        placed.device,
      )
  )
}

/** What waits for something that no call brings, such as a defrost output: further than any way through a call. */
export const EVENT = 5000

/**
 * How far a driver is from yes: of alternatives the nearest, of conditions together their sum; for a call the calls
 * between, for a mode that must be normal less than any, for an event or another setting more than all; a temperature costs nothing, since the weather does that by itself.
 * @param coil what a coil that is out costs here, beside its own way
 */
export function farFromClosing(driver: Expr, context: EvalContext, device: Device, coil = 0): number {
  if (evaluate(driver, context) === 'yes') return 0
  if ('all' in driver) return driver.all.reduce((sum, e) => sum + farFromClosing(e, context, device, coil), 0)
  if ('any' in driver) return Math.min(...driver.any.map((e) => farFromClosing(e, context, device, coil)))
  if ('call' in driver) {
    const now = CALLS.indexOf(context.call)
    return Math.min(...driver.call.map((c) => Math.abs(CALLS.indexOf(c) - now)))
  }
  if ('mode' in driver) {
    const mode = device.modes.find((m) => m.id === driver.mode)
    // What stands in the way of the call itself is nearer than any other call.
    return mode && driver.is.includes(normalState(mode)) ? 0.5 : EVENT
  }
  if ('energised' in driver) return coil
  return 'set' in driver || 'condition' in driver ? EVENT : 0
}
