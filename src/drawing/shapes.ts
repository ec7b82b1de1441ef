/** A drawing as shapes, so that screen, file and paper draw the same one. Lengths are px of the drawing. */
export type Shape =
  | {
      kind: 'rect'
      x: number
      y: number
      width: number
      height: number
      rx?: number
      fill: string
      stroke?: string
      strokeWidth?: number
      dash?: string
    }
  | { kind: 'path'; d: string; stroke: string; strokeWidth: number; dash?: string }
  | {
      kind: 'text'
      x: number
      y: number
      text: string
      size: number
      bold?: boolean
      anchor?: 'middle' | 'end'
    }
  /** Shapes that are one thing, with what it is. */
  | { kind: 'group'; title: string; shapes: Shape[] }
  /** Shapes that stand so many px lower. */
  | { kind: 'lower'; by: number; shapes: Shape[] }

export interface Drawing {
  width: number
  height: number
  shapes: Shape[]
}

const safe = (s: string): string => s.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`)
const attributes = (all: Record<string, string | number | undefined>): string =>
  Object.entries(all)
    .flatMap(([name, value]) => (value === undefined ? [] : [` ${name}="${value}"`]))
    .join('')

function shapeSvg(s: Shape): string {
  switch (s.kind) {
    case 'rect':
      return `<rect${attributes({ x: s.x, y: s.y, width: s.width, height: s.height, rx: s.rx, fill: s.fill, stroke: s.stroke, 'stroke-width': s.strokeWidth, 'stroke-dasharray': s.dash })}/>`
    case 'path':
      return `<path${attributes({ d: s.d, fill: 'none', stroke: s.stroke, 'stroke-width': s.strokeWidth, 'stroke-dasharray': s.dash })}/>`
    case 'text':
      return `<text${attributes({ x: s.x, y: s.y, 'text-anchor': s.anchor, 'font-weight': s.bold ? 'bold' : undefined, 'font-size': s.size })}>${safe(s.text)}</text>`
    case 'lower':
      return `<g transform="translate(0 ${s.by})">${s.shapes.map(shapeSvg).join('')}</g>`
    case 'group':
      return `<g><title>${safe(s.title)}</title>${s.shapes.map(shapeSvg).join('')}</g>`
  }
}

/** A drawing as an SVG file that stands by itself. */
export const svgOf = ({ width, height, shapes }: Drawing): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif">` +
  `<rect width="100%" height="100%" fill="#fff"/>${shapes.map(shapeSvg).join('')}</svg>\n`
