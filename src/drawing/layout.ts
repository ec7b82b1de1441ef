import { nth, mustGet, required } from '@/core/assert'
import { type Target, targetsOf } from '@/core/query'
import { KINDS, type Terminal } from '@/core/equipment'
import { makeRef, type Cable, type Installation, type Placed, type Ref, type Wire } from '@/core/installation'

/** Sizes of the bench drawing, px. Everything is placed by arithmetic, so that nothing shifts. */
export const SIZE = { column: 134, gap: 142, row: 32, head: 28, load: 24, apart: 14, margin: 22 }

export interface Panel {
  placed: Placed
  column: number
  x: number
  y: number
  height: number
  terminals: { ref: Ref; terminal: Terminal; y: number }[]
  loads: { target: Target; y: number }[]
}
export interface BenchLayout {
  width: number
  height: number
  panels: Panel[]
  /** Middle of a terminal's row, and its column. */
  at: Map<Ref, { column: number; x: number; y: number }>
}

/** Low-voltage terminals by device, stacked in three columns: thermostat, indoors, outdoors. */
export function layOut(all: Placed[]): BenchLayout {
  const targets = targetsOf({ placed: all })
  const heights = [0, 0, 0]
  const panels: Panel[] = []
  const at: BenchLayout['at'] = new Map()
  for (const placed of all) {
    const { column } = KINDS[placed.device.kind]
    if (column === null) continue
    const low = placed.device.terminals.filter((t) => t.side === 'low')
    const x = SIZE.margin + column * (SIZE.column + SIZE.gap)
    const y = nth(heights, column)
    let here = y + SIZE.head
    const terminals = low.map((terminal) => {
      const ref = makeRef(placed.ref, terminal.id)
      const row = { ref, terminal, y: here }
      at.set(ref, { column, x, y: here + SIZE.row / 2 })
      here += SIZE.row
      return row
    })
    const loads = targets
      .filter((t) => t.ref.startsWith(`${placed.ref}.`))
      .map((target) => {
        const load = { target, y: here }
        here += SIZE.load
        return load
      })
    panels.push({ placed, column, x, y, height: here - y, terminals, loads })
    heights[column] = here + SIZE.apart
  }
  return { width: 2 * SIZE.margin + 3 * SIZE.column + 2 * SIZE.gap, height: Math.max(...heights), panels, at }
}

export interface DrawnWire {
  wire: Wire
  d: string
  /** Position of a conductor's bare end that is not landed. */
  loose: { x: number; y: number }[]
}
export interface DrawnCable {
  cable: Cable
  x: number
  y: number
  width: number
  height: number
  /** Which of the cables between its two columns, from 0. */
  nth: number
}

const BUNDLE = 8
/** px between a jacket and the next below it: room for its name. */
const LABEL = 44

/** The cables between columns as jackets with their conductors fanning out, and jumpers as loops beside a column. */
export function drawWires(
  inst: Installation,
  layout: BenchLayout,
): { wires: DrawnWire[]; cables: DrawnCable[] } {
  const wires: DrawnWire[] = []
  const cables: DrawnCable[] = []
  const columnOf = (placed: string) => layout.panels.find((p) => p.placed.ref === placed)?.column ?? -1
  /** Lower end of the last jacket in each gap. */
  const bottoms = [-Infinity, -Infinity]
  const seen = [0, 0]
  for (const cable of inst.cables) {
    if (cable.kind === 'line') continue
    const [from, to] = [columnOf(cable.from), columnOf(cable.to)]
    if (from < 0 || to < 0) continue
    const own = inst.wires.filter((w) => w.cable === cable.id && isLow(layout, w))
    if (from === to) {
      own.forEach((wire, i) => wires.push(loop(layout, wire, i + 1, 'right')))
      continue
    }
    const left = Math.min(from, to)
    const x0 = SIZE.margin + left * (SIZE.column + SIZE.gap) + SIZE.column
    // By the devices that it joins and not by what is landed, so that landing a conductor moves no other.
    const ys = layout.panels
      .filter((p) => p.placed.ref === cable.from || p.placed.ref === cable.to)
      .flatMap((p) => p.terminals.map((t) => t.y))
    const middle = ys.length ? ys.reduce((a, b) => a + b, 0) / ys.length : 60
    const height = own.length * BUNDLE
    const y = Math.max(middle - height / 2, nth(bottoms, left) + LABEL)
    bottoms[left] = y + height
    const place = nth(seen, left)
    seen[left] = place + 1
    const jacket = { x: x0 + SIZE.gap / 2 - 25, width: 50 }
    cables.push({ cable, x: jacket.x, y: y - 3, width: jacket.width, height: height + 6, nth: place })
    own.forEach((wire, i) => {
      const lane = y + i * BUNDLE + BUNDLE / 2
      wires.push(throughJacket(layout, wire, lane, jacket, x0))
    })
  }
  const lanes = new Map<string, number>()
  for (const wire of inst.wires) {
    if (wire.cable !== null || !wire.a || !wire.b || !isLow(layout, wire)) continue
    const a = mustGet(layout.at, wire.a)
    const b = mustGet(layout.at, wire.b)
    if (a.column === b.column) {
      const side = a.column === 0 ? 'left' : a.column === 2 ? 'right' : 'left'
      const key = `${a.column}${side}`
      const lane = (lanes.get(key) ?? 0) + 1
      lanes.set(key, lane)
      wires.push(loop(layout, wire, lane, side))
    } else wires.push(across(layout, wire))
  }
  return { wires, cables }
}

/** How many conductors are landed on each terminal. */
export function landedCounts(inst: Installation): ReadonlyMap<Ref, number> {
  const landed = new Map<Ref, number>()
  for (const w of inst.wires) for (const r of [w.a, w.b]) if (r) landed.set(r, (landed.get(r) ?? 0) + 1)
  return landed
}

/** Drawn here only if no end is on a line-voltage terminal. */
function isLow(layout: BenchLayout, w: Wire): boolean {
  return [w.a, w.b].every((r) => r === null || layout.at.has(r))
}

function throughJacket(
  layout: BenchLayout,
  wire: Wire,
  lane: number,
  jacket: { x: number; width: number },
  gapStart: number,
): DrawnWire {
  const end = (ref: Ref | null, fallback: 'left' | 'right') => {
    const at = ref ? layout.at.get(ref) : undefined
    const side = at ? (at.x < gapStart ? 'left' : 'right') : fallback
    return { at, side, x: side === 'left' ? gapStart : gapStart + SIZE.gap }
  }
  const a = end(wire.a, 'left')
  const b = end(wire.b, a.side === 'left' ? 'right' : 'left')
  const [left, right] = a.side === 'left' ? [a, b] : [b, a]
  const [jl, jr] = [jacket.x, jacket.x + jacket.width]
  const loose: DrawnWire['loose'] = []
  const start = left.at
    ? `M${left.x} ${left.at.y}C${left.x + 24} ${left.at.y} ${jl - 22} ${lane} ${jl} ${lane}`
    : `M${jl - 14} ${lane}L${jl} ${lane}`
  const stop = right.at
    ? `C${jr + 22} ${lane} ${right.x - 24} ${right.at.y} ${right.x} ${right.at.y}`
    : `L${jr + 14} ${lane}`
  if (!left.at) loose.push({ x: jl - 14, y: lane })
  if (!right.at) loose.push({ x: jr + 14, y: lane })
  return { wire, d: `${start}L${jr} ${lane}${stop}`, loose }
}

function loop(layout: BenchLayout, wire: Wire, lane: number, side: 'left' | 'right'): DrawnWire {
  const a = wire.a ? layout.at.get(wire.a) : undefined
  const b = wire.b ? layout.at.get(wire.b) : undefined
  const one = a ?? b
  if (!one) return { wire, d: '', loose: [] }
  const x = side === 'left' ? one.x : one.x + SIZE.column
  const out = (side === 'left' ? -1 : 1) * (8 + lane * 6)
  if (!a || !b) return { wire, d: `M${x} ${one.y}h${out}`, loose: [{ x: x + out, y: one.y }] }
  const turn = a.y < b.y ? 1 : -1
  return {
    wire,
    d: `M${x} ${a.y}h${out - Math.sign(out) * 5}q${Math.sign(out) * 5} 0 ${Math.sign(out) * 5} ${5 * turn}V${b.y - 5 * turn}q0 ${5 * turn} ${-Math.sign(out) * 5} ${5 * turn}H${x}`,
    loose: [],
  }
}

function across(layout: BenchLayout, wire: Wire): DrawnWire {
  const a = mustGet(layout.at, required(wire.a, 'its landing'))
  const b = mustGet(layout.at, required(wire.b, 'its landing'))
  const [l, r] = a.column < b.column ? [a, b] : [b, a]
  const [x0, x1] = [l.x + SIZE.column, r.x]
  const mid = (x1 - x0) / 2
  return { wire, d: `M${x0} ${l.y}C${x0 + mid} ${l.y} ${x1 - mid} ${r.y} ${x1} ${r.y}`, loose: [] }
}
