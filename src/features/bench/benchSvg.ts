import type { Installation, Ref } from '@/core/installation'
import type { Situation } from '@/core/situation'
import { hue } from '@/ui'
import { figure, refWords, situationWords } from '@/words'
import type { TerminalVolts } from '../session'
import { drawWires, layOut, SIZE } from './layout'

const safe = (s: string): string => s.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`)

/** The bench as a drawing that stands by itself: paper colours, live conductors thick, dead ones broken. */
export function benchSvg(
  inst: Installation,
  volts: ReadonlyMap<Ref, TerminalVolts>,
  title: string,
  situation: Situation,
): string {
  const layout = layOut(inst.placed)
  const { wires, cables } = drawWires(inst, layout)
  const head = 44
  const stateOf = (r: Ref | null) => (r ? volts.get(r)?.state : undefined)
  const lines = wires.map(({ wire, d }) => {
    const live = (stateOf(wire.a) ?? stateOf(wire.b)) === 'live'
    const dash = live ? '' : ' stroke-dasharray="6 4"'
    const label = `${refWords(inst, `wires.${wire.id}`)}: ${wire.a ? refWords(inst, wire.a) : 'not landed'} to ${wire.b ? refWords(inst, wire.b) : 'not landed'}`
    return `<g><title>${safe(label)}</title><path d="${d}" fill="none" stroke="#222" stroke-width="${live ? 5 : 3.4}"${dash}/><path d="${d}" fill="none" stroke="${hue(wire.colour)}" stroke-width="${live ? 3.6 : 2}"${dash}/></g>`
  })
  const jackets = cables.map(
    (c) =>
      `<rect x="${c.x}" y="${c.y}" width="${c.width}" height="${c.height}" rx="5" fill="#eee" stroke="#777"/>` +
      (c.cable.kind === 'low'
        ? `<text x="${c.x + c.width / 2}" y="${c.y - 5}" text-anchor="middle" font-size="11">${safe(`${c.cable.label}, ${c.cable.feet} ft`)}</text>`
        : ''),
  )
  const panels = layout.panels.map((p) => {
    const rows = p.terminals.map(({ ref, terminal, y }) => {
      const v = volts.get(ref)
      const text = !v
        ? '?'
        : v.state === 'common'
          ? 'common'
          : v.state === 'dead'
            ? '0'
            : `${figure(v.volts)} V`
      return (
        `<rect x="${p.x}" y="${y + 2}" width="${SIZE.column}" height="${SIZE.row - 4}" rx="3" fill="#fff" stroke="#222" stroke-width="${v?.state === 'live' ? 2 : 1}"${v?.state === 'dead' ? ' stroke-dasharray="3 3"' : ''}/>` +
        `<text x="${p.x + 9}" y="${y + 20}" font-weight="bold" font-size="14">${safe(terminal.label)}</text>` +
        `<text x="${p.x + SIZE.column - 9}" y="${y + 20}" text-anchor="end" font-size="12">${text}</text>`
      )
    })
    return `<text x="${p.x}" y="${p.y + 19}" font-weight="bold" font-size="14">${safe(p.placed.label)}</text>${rows.join('')}`
  })
  const height = layout.height + head + 8
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${layout.width} ${height}" width="${layout.width}" height="${height}" font-family="sans-serif">` +
    `<rect width="100%" height="100%" fill="#fff"/><text x="8" y="20" font-weight="bold" font-size="17">${safe(title)}</text>` +
    `<text x="8" y="38" font-size="12">${safe(situationWords(inst, situation))}</text>` +
    `<g transform="translate(0 ${head})">${jackets.join('')}${lines.join('')}${panels.join('')}</g></svg>\n`
  )
}
