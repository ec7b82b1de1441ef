import type { ReactNode } from 'react'
import { svgOf } from '@/drawing'
import type { Block, Cell, Line, Paper, Section } from './paper'

/** A paper as it stands on a screen and in a file. Its look is `paperCss`. */
export function PaperView({ paper, after }: { paper: Paper; after?: (section: string) => ReactNode }) {
  return (
    <article className={paper.layout ? `paper paper-${paper.layout}` : 'paper'} lang={paper.lang}>
      <header>
        <h2 className="paper-title">{paper.title}</h2>
        {paper.under.map((l) => (
          <LineView key={l.text} line={l} />
        ))}
      </header>
      {paper.sections.map((s) => (
        <SectionView key={s.id} section={s}>
          {after?.(s.id)}
        </SectionView>
      ))}
    </article>
  )
}

function SectionView({ section, children }: { section: Section; children: ReactNode }) {
  return (
    <section data-part={section.id} className={section.newPage ? 'paper-new' : undefined}>
      {section.title && <h2>{section.title}</h2>}
      {section.blocks.map((b, i) => (
        <BlockView key={i} block={b} />
      ))}
      {children}
    </section>
  )
}

function BlockView({ block }: { block: Block }) {
  switch (block.kind) {
    case 'heading':
      return <h3>{block.text}</h3>
    case 'lines':
      return (
        <>
          {block.lines.map((l, i) => (
            <LineView key={i} line={l} />
          ))}
        </>
      )
    case 'drawing':
      // Drawn by us from the job's own words, each of which is made safe.
      return (
        <div
          role="img"
          aria-label={block.title}
          className="paper-drawing"
          dangerouslySetInnerHTML={{ __html: svgOf(block.drawing) }}
        />
      )
    case 'signature':
      return (
        <div className="paper-signature">
          <svg viewBox="0 0 1000 400" aria-hidden>
            {block.strokes.map((stroke, i) => (
              <path key={i} d={strokePath(stroke)} fill="none" stroke="currentColor" strokeWidth="6" />
            ))}
          </svg>
          {block.under.map((l) => (
            <LineView key={l.text} line={l} />
          ))}
        </div>
      )
    case 'qr':
      return (
        <svg
          role="img"
          aria-label={block.title}
          className="paper-qr"
          viewBox={`-4 -4 ${block.size + 8} ${block.size + 8}`}
          shapeRendering="crispEdges"
        >
          <rect x="-4" y="-4" width={block.size + 8} height={block.size + 8} fill="#fff" />
          <path d={modulePath(block)} fill="#000" />
        </svg>
      )
    case 'table':
      return <TableView block={block} />
  }
}

/** The dark modules of a code as one path: each run of a row a bar. */
export function modulePath({ size, dark }: { size: number; dark: readonly boolean[] }): string {
  let d = ''
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      if (!dark[y * size + x]) continue
      const from = x
      while (x + 1 < size && dark[y * size + x + 1]) x++
      d += `M${from} ${y}h${x - from + 1}v1h-${x - from + 1}z`
    }
  return d
}

/** A stroke as a path. */
export const strokePath = (stroke: readonly number[]): string =>
  stroke.reduce((d, n, i) => d + (i === 0 ? 'M' : i % 2 ? ' ' : 'L') + String(n), '')

function TableView({ block }: { block: Extract<Block, { kind: 'table' }> }) {
  const all = block.widths.reduce((a, b) => a + b, 0)
  const own = block.heads === undefined
  return (
    <table>
      <caption>{block.caption}</caption>
      <colgroup>
        {block.widths.map((w, i) => (
          <col key={i} width={`${Math.round((100 * w) / all)}%`} />
        ))}
      </colgroup>
      {block.heads && (
        <thead>
          <tr>
            {block.heads.map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {block.rows.map((row, i) => (
          <tr key={row.id ?? i} data-row={row.id}>
            {row.cells.map((cell, j) =>
              own && j === 0 ? (
                <th key={j} scope="row">
                  <CellView cell={cell} />
                </th>
              ) : (
                <td key={j}>
                  <CellView cell={cell} />
                </td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function CellView({ cell }: { cell: Cell }) {
  if (typeof cell === 'string') return <>{cell}</>
  const list: readonly Line[] = 'text' in cell ? [cell] : cell
  return (
    <>
      {list.map((l, i) => (
        <LineView key={i} line={l} />
      ))}
    </>
  )
}

function LineView({ line: { text, tone = 'plain', gone } }: { line: Line }) {
  return <p className={`paper-${tone}`}>{gone ? <s>{text}</s> : text}</p>
}
