import { nth } from '../assert'
import { breakpoints, type Expr } from '../equipment'
import { settingDef, settingValue, type Installation, type Placed } from '../installation'
import { tolerances } from '../tolerances'
import { degF, type DegF } from '../units'

function expressions(placed: Placed): Expr[] {
  const drivers = placed.device.parts.flatMap((p) => (p.kind === 'contact' ? [p.driver] : []))
  const reaches = placed.device.modes.flatMap((m) =>
    m.states.flatMap((s) => (s.reach && typeof s.reach === 'object' ? [s.reach] : [])),
  )
  return [...drivers, ...reaches]
}

/**
 * Every outdoor temperature (°F), ascending and without repeats, at which some setting or device of the job changes
 * its answer. A setting that is not known yet cuts at both ends of its range, since it may be either.
 */
export function breakpointsOf(inst: Installation): DegF[] {
  const found = new Set<number>()
  for (const placed of inst.placed) {
    for (const expr of expressions(placed)) {
      for (const end of [0, 1] as const) {
        const setting = (id: string) =>
          settingValue(placed, id) ?? settingDef(placed, id)?.range?.[end] ?? null
        for (const c of breakpoints(expr, setting)) found.add(c)
      }
    }
  }
  return [...found]
    .filter((c) => c > tolerances.coldestF && c < tolerances.warmestF)
    .sort((a, b) => a - b)
    .map(degF)
}

/** A representative of each region: below the first breakpoint, then each breakpoint and a point between neighbors. */
export function regionsOf(inst: Installation): DegF[] {
  const breakpoints = breakpointsOf(inst)
  const edges = [tolerances.coldestF, ...breakpoints, tolerances.warmestF]
  const points: number[] = []
  for (let i = 0; i + 1 < edges.length; i++) {
    const low = nth(edges, i)
    const high = nth(edges, i + 1)
    if (i > 0) points.push(low)
    points.push(representative(low, high))
  }
  return points.map(degF)
}

/** A readable temperature inside (low, high): the whole degree in the middle where there is one. */
function representative(low: number, high: number): number {
  const middle = Math.round((low + high) / 2)
  return middle > low && middle < high ? middle : (low + high) / 2
}
