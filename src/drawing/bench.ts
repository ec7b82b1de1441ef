import type { Installation, Ref } from '@/core/installation'
import type { Situation } from '@/core/situation'
import { figure, refWords, situationWords } from '@/words'
import { hue } from './colours'
import { drawWires, layOut, SIZE } from './layout'
import { svgOf, type Drawing, type Shape } from './shapes'

/** Meter reading at a terminal, for a drawing. */
export interface VoltsShown {
  volts: number
  state: 'live' | 'dead' | 'between' | 'common' | 'unknown'
}

/**
 * The low-voltage wiring as it is landed: each conductor in its colour over a dark outline.
 * @param volts by terminal: live conductors are drawn thick and dead ones broken; null: how it is landed, whatever is on
 */
export function benchDrawing(inst: Installation, volts: ReadonlyMap<Ref, VoltsShown> | null): Drawing {
  const layout = layOut(inst.placed)
  const { wires, cables } = drawWires(inst, layout)
  const stateOf = (r: Ref | null) => (r ? volts?.get(r)?.state : undefined)
  const lines = wires.map(({ wire, d }): Shape => {
    const live = volts !== null && (stateOf(wire.a) ?? stateOf(wire.b)) === 'live'
    const dash = live || !volts ? {} : { dash: '6 4' }
    return {
      kind: 'group',
      title: `${refWords(inst, `wires.${wire.id}`)}: ${wire.a ? refWords(inst, wire.a) : 'not landed'} to ${wire.b ? refWords(inst, wire.b) : 'not landed'}`,
      shapes: [
        { kind: 'path', d, stroke: '#222', strokeWidth: live ? 5 : 3.4, ...dash },
        { kind: 'path', d, stroke: hue(wire.colour), strokeWidth: live ? 3.6 : 2, ...dash },
      ],
    }
  })
  const jackets = cables.map(({ x, y, width, height }): Shape => ({
    kind: 'rect',
    x,
    y,
    width,
    height,
    rx: 5,
    fill: '#eee',
    stroke: '#777',
  }))
  // Over the conductors, on a ground of its own.
  const names = cables
    .filter((c) => c.cable.kind === 'low')
    .flatMap(({ cable, x, y, width }): Shape[] => {
      const text = `${cable.label}, ${cable.feet} ft`
      const wide = text.length * 5.6
      const middle = x + width / 2
      return [
        { kind: 'rect', x: middle - wide / 2, y: y - 16, width: wide, height: 14, fill: '#fff' },
        { kind: 'text', x: middle, y: y - 5, text, size: 11, anchor: 'middle' },
      ]
    })
  const panels = layout.panels.flatMap((p): Shape[] => [
    { kind: 'text', x: p.x, y: p.y + 19, text: p.placed.label, size: 14, bold: true },
    ...p.terminals.flatMap(({ ref, terminal, y }): Shape[] => {
      const v = volts?.get(ref)
      return [
        {
          kind: 'rect',
          x: p.x,
          y: y + 2,
          width: SIZE.column,
          height: SIZE.row - 4,
          rx: 3,
          fill: '#fff',
          stroke: '#222',
          strokeWidth: v?.state === 'live' ? 2 : 1,
          ...(v?.state === 'dead' ? { dash: '3 3' } : {}),
        },
        { kind: 'text', x: p.x + 9, y: y + 20, text: terminal.label, size: 14, bold: true },
        ...(volts
          ? [
              {
                kind: 'text',
                x: p.x + SIZE.column - 9,
                y: y + 20,
                text: voltsText(v),
                size: 12,
                anchor: 'end',
              } as const,
            ]
          : []),
      ]
    }),
  ])
  return {
    width: layout.width,
    height: layout.height + 8,
    shapes: [...jackets, ...lines, ...names, ...panels],
  }
}

function voltsText(v: VoltsShown | undefined): string {
  if (!v || v.state === 'unknown') return '?'
  if (v.state === 'common') return 'common'
  return v.state === 'dead' ? '0' : `${figure(v.volts)} V`
}

const HEAD = 44

/** The bench as an SVG that stands by itself: paper colors, its title, and the situation that it shows. */
export function benchSvg(
  inst: Installation,
  volts: ReadonlyMap<Ref, VoltsShown>,
  title: string,
  situation: Situation,
): string {
  const { width, height, shapes } = benchDrawing(inst, volts)
  return svgOf({
    width,
    height: height + HEAD,
    shapes: [
      { kind: 'text', x: 8, y: 20, text: title, size: 17, bold: true },
      { kind: 'text', x: 8, y: 38, text: situationWords(inst, situation), size: 12 },
      { kind: 'lower', by: HEAD, shapes },
    ],
  })
}
