import type { LoadPart } from '../equipment'
import {
  makeRef,
  quantity,
  settingValue,
  splitRef,
  type Installation,
  type Placed,
  type Ref,
  type Name,
} from '../installation'

export interface HeaterRow {
  ref: Ref
  row: number
  /** Ω at rating: rated volts squared over rated watts. */
  ohms: number
}

const rowParts = (p: Placed): LoadPart[] =>
  p.device.parts.filter((x): x is LoadPart => x.kind === 'load' && x.does?.what === 'strip')

/** The rows of one placed kit, or of the whole job. R = V²/P at rated volts. */
export function heaterRows(inst: Installation, only?: string): HeaterRow[] {
  return inst.placed
    .filter((p) => only === undefined || p.ref === only)
    .flatMap((p) =>
      rowParts(p).map((x) => ({
        ref: makeRef(p.ref, x.id),
        row: x.does?.what === 'strip' ? x.does.row : 0,
        ohms: x.volts ** 2 / quantity(p, x.va),
      })),
    )
}

/** Settings that rows' watts depend on and that nobody has looked at: those rows are calculated at the default. */
export const unknownWatts = (inst: Installation): Ref[] => [
  ...new Set(
    inst.placed.flatMap((p) =>
      rowParts(p).flatMap(({ va }) =>
        typeof va === 'object' && settingValue(p, va.set) === null ? [makeRef(p.ref, va.set)] : [],
      ),
    ),
  ),
]

/**
 * The rows whose current a clamp takes in: at a feed those that its circuit reaches, at a kit's lead those behind that
 * lead, at a row that row. Contacts count as closed: which rows heat is another question.
 */
export function rowsBehind(
  inst: Installation,
  place: 'feed' | 'kitLead' | 'rowTerminals',
  at: Name,
): HeaterRow[] {
  const rows = heaterRows(inst)
  if (place === 'rowTerminals') return rows.filter((r) => r.ref === at)
  const isReached = partsBehind(inst, at, place === 'kitLead')
  return rows.filter((r) => isReached(r.ref))
}

/** Which parts line conductors and contacts join to a feed or a lead; contacts count as closed. */
export function partsBehind(inst: Installation, at: Name, inside = false): (part: Ref) => boolean {
  const { placed: ref, id } = splitRef(at)
  const reached = lineReach(inst, ref, id, inside ? ref : null)
  return (part) => {
    const { placed, id: own } = splitRef(part)
    const load = inst.placed.find((p) => p.ref === placed)?.device.parts.find((x) => x.id === own)
    return !!load && [load.a, load.b].some((end) => reached.has(makeRef(placed, end)))
  }
}

/**
 * Points that line conductors, contacts and links join to a terminal of a device, or to any hot one of it.
 * @param inside look no further than this device
 */
function lineReach(inst: Installation, ref: string, terminal: string, inside: string | null): Set<Ref> {
  const device = inst.placed.find((p) => p.ref === ref)?.device
  const starts = terminal
    ? [terminal]
    : (device?.terminals ?? []).filter((t) => t.side === 'line' && /^L/.test(t.id)).map((t) => t.id)
  const joins: [Ref, Ref][] = inst.placed
    .filter((p) => inside === null || p.ref === inside)
    .flatMap((p) =>
      p.device.parts.flatMap((x): [Ref, Ref][] =>
        x.kind === 'contact' || x.kind === 'path' ? [[makeRef(p.ref, x.a), makeRef(p.ref, x.b)]] : [],
      ),
    )
  if (inside === null) for (const w of inst.wires) if (w.a && w.b) joins.push([w.a, w.b])
  const around = new Map<Ref, Ref[]>()
  for (const [a, b] of joins) {
    around.set(a, [...(around.get(a) ?? []), b])
    around.set(b, [...(around.get(b) ?? []), a])
  }
  const reached = new Set(starts.map((t) => makeRef(ref, t)))
  const next = [...reached]
  for (let here = next.pop(); here !== undefined; here = next.pop())
    for (const there of around.get(here) ?? []) {
      // The other side of a two-pole switch belongs to the same lead only if copper says so, never by way of earth.
      if (reached.has(there) || there.endsWith('@earth')) continue
      reached.add(there)
      next.push(there)
    }
  return reached
}
