import type { Block, Section } from './paper'

/** Lines that a block takes on a card, about. */
function linesOf(b: Block): number {
  const wrapped = (text: string) => Math.max(1, Math.ceil(text.length / 52))
  switch (b.kind) {
    case 'lines':
      return b.lines.reduce((n, l) => n + wrapped(l.text), 0)
    case 'drawing':
      return 7
    case 'qr':
      return 22
    default:
      return 1.3
  }
}

/** Sections in their order, cut into columns of about one height; a long one is cut between its blocks. */
export function inColumns(sections: readonly Section[], count: number): Section[][] {
  const pieces = sections.flatMap((s) =>
    s.blocks.map((b, i) => ({
      section: s,
      block: b,
      first: i === 0,
      size: linesOf(b) + (i === 0 ? 1.8 : 0),
    })),
  )
  const each = pieces.reduce((n, p) => n + p.size, 0) / count
  const columns: Section[][] = [[]]
  let filled = 0
  for (const [i, p] of pieces.entries()) {
    // A heading stays with what it heads.
    const withNext = p.block.kind === 'heading' ? p.size + (pieces[i + 1]?.size ?? 0) : p.size
    if (filled > 0 && filled + withNext / 2 > each * columns.length && columns.length < count)
      columns.push([])
    const column = columns[columns.length - 1] ?? []
    const last = column[column.length - 1]
    if (last?.id === p.section.id) last.blocks.push(p.block)
    else column.push({ ...p.section, title: p.first ? p.section.title : '', blocks: [p.block] })
    filled += p.size
  }
  return columns
}
