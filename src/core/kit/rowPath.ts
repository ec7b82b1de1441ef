import type { ContactPart, LoadPart, Part } from '../equipment'
import { makeRef, type Placed, type Ref } from '../installation'

/** A part on a row's path from one line terminal to the other. */
export interface RowStep {
  ref: Ref
  part: ContactPart | LoadPart
  /** The point before it and the one after it, for a meter's leads. */
  from: Ref
  to: Ref
}

/** A row as it is wired inside its device: link, element, limit and contact in the order in which current meets them. */
export interface RowPath {
  ref: Ref
  row: number
  /** The line terminals that it hangs between; null: it is open inside. */
  ends: [Ref | null, Ref | null]
  steps: RowStep[]
}

/** Every heater row of a placed device, lowest first, found in its own parts. */
export function rowPaths(placed: Placed): RowPath[] {
  return placed.device.parts
    .flatMap((x) => (x.kind === 'load' && x.does?.what === 'strip' ? [{ load: x, row: x.does.row }] : []))
    .sort((a, b) => a.row - b.row)
    .map(({ load, row }) => {
      const [near, far] = [walk(placed, load.a, load), walk(placed, load.b, load)]
      const at = (id: string) => makeRef(placed.ref, id)
      const before = near.steps.map(({ part, from, to }) => ({ part, from: to, to: from })).reverse()
      const own = { part: load, from: load.a, to: load.b }
      return {
        ref: at(load.id),
        row,
        ends: [near.end === null ? null : at(near.end), far.end === null ? null : at(far.end)],
        steps: [...before, own, ...far.steps].map((s) => ({
          ref: at(s.part.id),
          part: s.part,
          from: at(s.from),
          to: at(s.to),
        })),
      }
    })
}

interface Walked {
  part: ContactPart | LoadPart
  from: string
  to: string
}

/** The shortest way from a point through contacts and plain conductors to a line terminal of the device. */
function walk(placed: Placed, start: string, own: LoadPart): { end: string | null; steps: Walked[] } {
  const { device } = placed
  const lines = new Set(
    device.terminals.filter((t) => t.side === 'line' && t.role !== 'ground').map((t) => t.id),
  )
  const ways = new Map<string, Walked[]>([[start, []]])
  const next = [start]
  for (let here = next.shift(); here !== undefined; here = next.shift()) {
    const so = ways.get(here) ?? []
    if (lines.has(here)) return { end: here, steps: so }
    for (const part of device.parts) {
      if (part === own || (part.kind !== 'contact' && part.kind !== 'path')) continue
      const there = otherEnd(part, here)
      if (there === null || ways.has(there)) continue
      ways.set(there, part.kind === 'contact' ? [...so, { part, from: here, to: there }] : so)
      next.push(there)
    }
  }
  return { end: null, steps: [] }
}

const otherEnd = ({ a, b }: Part, end: string): string | null => (a === end ? b : b === end ? a : null)
