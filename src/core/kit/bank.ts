import { evaluate, type ContactPart, type Part } from '../equipment'
import { makeRef, settingsContext, settingValue, type Placed, type Ref } from '../installation'

/** The inputs that bring rows on, lowest first. */
export const HEAT_INPUTS = ['W1', 'W2', 'W3'] as const
export type HeatInput = (typeof HEAT_INPUTS)[number]

/** Rows and loads that are on with some inputs energized and everything normal. */
export interface Bank {
  inputs: HeatInput[]
  rows: { id: Ref; row: number }[]
}

/**
 * The bank table of a kit: which rows are on with W1 alone, with W1 and W2, with all. Found in the device's own parts:
 * coils between a live input and common close their contacts, which may bring in further coils, and a row is on when its
 * ends reach two line terminals.
 */
export function bankTable(placed: Placed): Bank[] {
  const inputs = HEAT_INPUTS.filter((w) => hotInputs(placed, [w]).length > 0)
  return inputs.map((_, i) => {
    const live = inputs.slice(0, i + 1)
    const hot = hotInputs(placed, live)
    let closed = new Set<string>()
    // Each round may bring in a coil that the last one's contacts feed; there are no more rounds than parts.
    for (let round = 0; round <= placed.device.parts.length; round++) {
      const { wants } = rowsWith(placed, hot, closed)
      const next = new Set(contactsOf(placed).flatMap((x) => (wants(x) ? [x.id] : [])))
      if (next.size === closed.size && [...next].every((c) => closed.has(c))) break
      closed = next
    }
    return { inputs: live, rows: rowsWith(placed, hot, closed).rows }
  })
}

const contactsOf = ({ device }: Placed): ContactPart[] =>
  device.parts.filter((x): x is ContactPart => x.kind === 'contact')

/** The terminals of a device that some inputs are. */
export const hotInputs = ({ device }: Placed, inputs: readonly HeatInput[]): string[] =>
  inputs.flatMap((w) => device.terminals.find((t) => t.role === w || t.id === w)?.id ?? [])

/** A kit with some terminals live and some contacts closed: which rows are on, and which contacts want to be closed. */
export function rowsWith(
  placed: Placed,
  hot: readonly string[],
  closed: ReadonlySet<string>,
): { rows: Bank['rows']; wants: (x: ContactPart) => boolean } {
  const { device } = placed
  // A board of its own has its R live at all times.
  const live = [...hot, ...device.terminals.filter((t) => t.role === 'R').map((t) => t.id)]
  const common = device.terminals.filter((t) => t.role === 'C' || t.label === 'C').map((t) => t.id)
  const lines = device.terminals.filter((t) => t.side === 'line' && /^L\d/.test(t.label)).map((t) => t.id)
  const joins = device.parts.filter(
    (x) => x.kind === 'path' || (x.kind === 'contact' && (closed.has(x.id) || standsClosed(placed, x))),
  )
  const reach = reachBy(joins)
  const energised = new Set(
    device.parts.flatMap((x) =>
      x.kind === 'load' && !x.does && isBetween(reach, x, live, common) ? [x.id] : [],
    ),
  )
  const rows = device.parts.flatMap((x) => {
    if (x.kind !== 'load' || x.does?.what !== 'strip') return []
    const [a = [], b = []] = [x.a, x.b].map((end) => lines.filter((l) => reach(end).has(l)))
    const isOn = a.length > 0 && b.length > 0 && !a.some((l) => b.includes(l))
    return isOn ? [{ id: makeRef(placed.ref, x.id), row: x.does.row }] : []
  })
  return {
    rows: rows.sort((a, b) => a.row - b.row),
    wants: (x) => driven(placed, x, (coil) => energised.has(coil)) !== 'no',
  }
}

/** Answer of a contact's driver on a call for backup, with everything normal. */
function driven(placed: Placed, x: ContactPart, isOn: (coil: string) => boolean) {
  const { device } = placed
  return evaluate(x.driver, {
    ...settingsContext((id) => settingValue(placed, id)),
    call: 'heatAux2',
    mode: (id) => device.modes.find((m) => m.id === id)?.states[0]?.id ?? '',
    energised: (id) => (isOn(id) ? 'yes' : 'no'),
  })
}

/** Closed whatever the coils do: a limit, a fuse link. */
const standsClosed = (placed: Placed, x: ContactPart): boolean =>
  driven(placed, x, () => false) !== 'no' && driven(placed, x, () => true) !== 'no'

const isBetween = (
  reach: (end: string) => ReadonlySet<string>,
  { a, b }: Pick<Part, 'a' | 'b'>,
  hot: readonly string[],
  common: readonly string[],
): boolean => {
  const [atA, atB] = [reach(a), reach(b)]
  const touches = (end: ReadonlySet<string>, of: readonly string[]) => of.some((t) => end.has(t))
  return (touches(atA, hot) && touches(atB, common)) || (touches(atB, hot) && touches(atA, common))
}

/** Points that closed contacts and plain conductors join. */
function reachBy(joins: readonly Pick<Part, 'a' | 'b'>[]): (end: string) => ReadonlySet<string> {
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
