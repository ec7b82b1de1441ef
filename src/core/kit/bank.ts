import { evaluate, type Part } from '../equipment'
import { makeRef, settingsContext, settingValue, type Placed } from '../installation'

/** The inputs that bring rows on, lowest first. */
export const HEAT_INPUTS = ['W1', 'W2', 'W3'] as const
export type HeatInput = (typeof HEAT_INPUTS)[number]

/** What is on with some inputs live, everything normal. */
export interface Bank {
  inputs: HeatInput[]
  /** Ids of the rows' elements, in the order of their numbers. */
  rows: { id: string; row: number }[]
}

/**
 * The bank table of a kit: which rows are on with W1 alone, with W1 and W2, with all. Found in the device's own parts:
 * coils between a live input and common close their contacts, which may bring in further coils, and a row is on when its
 * ends reach two line terminals.
 */
export function bankTable(placed: Placed): Bank[] {
  const has = HEAT_INPUTS.filter((w) => terminalOf(placed, w) !== undefined)
  const inputs = has.filter((w, i) => has.indexOf(w) === i)
  return inputs.map((_, i) => {
    const live = inputs.slice(0, i + 1)
    return { inputs: live, rows: rowsWith(placed, live) }
  })
}

const terminalOf = (placed: Placed, input: HeatInput): string | undefined =>
  placed.device.terminals.find((t) => t.role === input || t.id === input)?.id

function rowsWith(placed: Placed, live: readonly HeatInput[]): Bank['rows'] {
  const { device } = placed
  const hot = live.flatMap((w) => terminalOf(placed, w) ?? [])
  const common = device.terminals.filter((t) => t.role === 'C' || t.id === 'C').map((t) => t.id)
  const lines = device.terminals.filter((t) => t.side === 'line' && /^L\d/.test(t.id)).map((t) => t.id)
  let on = new Set<string>()
  // Each round may bring in a coil that the last one's contacts feed; there are no more rounds than parts.
  for (let round = 0; round <= device.parts.length; round++) {
    const reach = reachBy(placed, on)
    const coils = device.parts.filter((x) => x.kind === 'load' && !x.does && isBetween(reach, x, hot, common))
    const next = new Set(coils.map((x) => x.id))
    if (next.size === on.size && [...next].every((c) => on.has(c))) break
    on = next
  }
  const reach = reachBy(placed, on)
  return device.parts
    .flatMap((x) => {
      if (x.kind !== 'load' || x.does?.what !== 'strip') return []
      const [a, b] = [x.a, x.b].map((end) => lines.filter((l) => reach(end).has(l)))
      const isOn = a?.length && b?.length && !a.some((l) => b.includes(l))
      return isOn ? [{ id: makeRef(placed.ref, x.id), row: x.does.row }] : []
    })
    .sort((a, b) => a.row - b.row)
}

const isBetween = (
  reach: (end: string) => Set<string>,
  { a, b }: Pick<Part, 'a' | 'b'>,
  hot: readonly string[],
  common: readonly string[],
): boolean => {
  const [atA, atB] = [reach(a), reach(b)]
  const touches = (end: Set<string>, of: readonly string[]) => of.some((t) => end.has(t))
  return (touches(atA, hot) && touches(atB, common)) || (touches(atB, hot) && touches(atA, common))
}

/** Points of the device that closed contacts and plain conductors join, with these coils energised. */
function reachBy(placed: Placed, on: ReadonlySet<string>): (end: string) => Set<string> {
  const { device } = placed
  const context = {
    ...settingsContext((id) => settingValue(placed, id)),
    call: 'heatAux2' as const,
    mode: (id: string) => device.modes.find((m) => m.id === id)?.states[0]?.id ?? '',
    energised: (id: string) => (on.has(id) ? ('yes' as const) : ('no' as const)),
  }
  const joins = device.parts.filter(
    (x) => x.kind === 'path' || (x.kind === 'contact' && evaluate(x.driver, context) !== 'no'),
  )
  return (end) => {
    const found = new Set([end])
    for (let grew = true; grew;) {
      grew = false
      for (const x of joins)
        if (found.has(x.a) !== found.has(x.b)) {
          found.add(x.a).add(x.b)
          grew = true
        }
    }
    return found
  }
}
