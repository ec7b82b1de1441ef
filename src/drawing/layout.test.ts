import type { Installation } from '@/core/installation'
import { demoInstallation, rewired, wireBetween, jobIds } from '../../tests/helpers/demo'
import { drawWires, landedCounts, layOut, SIZE } from './layout'

const inst = demoInstallation('quillfeather-lane')
function drawingOf(of: Installation) {
  const layout = layOut(of.placed)
  const { wires, cables } = drawWires(of, layout)
  return { layout, cables, byId: new Map(wires.map((w) => [w.wire.id, w])) }
}
const ends = (d: string) => {
  const numbers = [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]))
  return { start: numbers.slice(0, 2), end: numbers.slice(-2) }
}

describe('the drawing of the bench', () => {
  it('puts every low-voltage terminal in its column, in rows of one height, and none on another', () => {
    const layout = layOut(inst.placed)
    const low = inst.placed
      .filter((p) => p.device.kind !== 'feed')
      .flatMap((p) => p.device.terminals.filter((t) => t.side === 'low').map((t) => `${p.ref}.${t.id}`))
    expect([...layout.at.keys()].sort()).toEqual([...low].sort())
    const spots = [...layout.at.values()].map((a) => `${a.column} ${a.y}`)
    expect(new Set(spots).size).toBe(spots.length)
    for (const panel of layout.panels)
      panel.terminals.slice(1).forEach((t, i) => expect(t.y - panel.terminals[i]!.y).toBe(SIZE.row))
  })

  it('a conductor runs from the one terminal to the other', () => {
    const { layout, byId } = drawingOf(inst)
    const wire = wireBetween(inst, 'tstat.Y', 'ah.Y')
    const [a, b] = [layout.at.get('tstat.Y')!, layout.at.get('ah.Y')!]
    const { start, end } = ends(byId.get(wire.id)!.d)
    expect(start).toEqual([a.x + SIZE.column, a.y])
    expect(end).toEqual([b.x, b.y])
  })

  it('moving one conductor bends that one, and no other line and no cable', () => {
    const before = drawingOf(inst)
    const wire = wireBetween(inst, 'tstat.Y', 'ah.Y')
    const moved = rewired(inst, wire.id, { b: 'ah.G' })
    const after = drawingOf(moved)
    expect(after.cables).toEqual(before.cables)
    const changed = [...after.byId].filter(([id, { d }]) => before.byId.get(id)!.d !== d).map(([id]) => id)
    expect(changed).toEqual([wire.id])
    expect(landedCounts(moved).get('ah.G')).toBe((landedCounts(inst).get('ah.G') ?? 0) + 1)
  })

  it('a conductor that is lifted ends bare beside its cable', () => {
    const wire = wireBetween(inst, 'tstat.Y', 'ah.Y')
    const { byId } = drawingOf(rewired(inst, wire.id, { b: null }))
    expect(byId.get(wire.id)!.loose).toHaveLength(1)
  })

  it('two cables between the same columns keep apart, with room for a name', () => {
    const { cables } = drawingOf(demoInstallation('tallow-mill'))
    const gaps = new Map<number, { y: number; height: number }[]>()
    for (const c of cables) gaps.set(c.x, [...(gaps.get(c.x) ?? []), c])
    for (const list of gaps.values())
      list.slice(1).forEach((c, i) => expect(c.y - (list[i]!.y + list[i]!.height)).toBeGreaterThan(30))
  })
})

describe.each(jobIds())('the drawing of %s', (job) => {
  const here = demoInstallation(job)
  const { layout, cables, byId } = drawingOf(here)

  it('stays on the sheet, and no panel lies on another', () => {
    for (const p of layout.panels) {
      expect(p.x).toBeGreaterThanOrEqual(SIZE.margin)
      expect(p.x + SIZE.column).toBeLessThanOrEqual(layout.width - SIZE.margin)
      expect(p.y + p.height).toBeLessThanOrEqual(layout.height)
      for (const q of layout.panels)
        if (q !== p && q.column === p.column)
          expect(q.y >= p.y + p.height + SIZE.apart || p.y >= q.y + q.height + SIZE.apart).toBe(true)
    }
    for (const { d } of byId.values()) {
      expect(d).not.toMatch(/NaN|undefined|Infinity/)
      if (d) expect(ends(d).start[0]).toBeGreaterThanOrEqual(0)
    }
  })

  it('every landed low-voltage conductor is drawn once, from terminal to terminal', () => {
    const low = here.wires.filter((w) => w.a && w.b && layout.at.has(w.a) && layout.at.has(w.b))
    expect(low.length).toBeGreaterThan(5)
    for (const w of low) {
      const drawn = byId.get(w.id)
      expect([w.id, drawn?.loose]).toEqual([w.id, []])
      const spots = [w.a!, w.b!].map((r) => layout.at.get(r)!)
      // A line begins at the one terminal's edge, left or right, at the height of its row.
      const [x, y] = ends(drawn!.d).start
      expect(spots.some((s) => s.y === y && (s.x === x || s.x + SIZE.column === x))).toBe(true)
    }
  })

  it('in a cable no conductor lies on another', () => {
    for (const { cable, y, height } of cables) {
      const own = here.wires.filter((w) => w.cable === cable.id && byId.has(w.id))
      const lines = own.map((w) => byId.get(w.id)!.d)
      expect(new Set(lines).size).toBe(lines.length)
      expect(height).toBeGreaterThanOrEqual(own.length)
      expect(y).toBeGreaterThanOrEqual(0)
    }
  })
})
