import { Document, Font, G, Page, Path, pdf, Rect, StyleSheet, Svg, Text, View } from '@react-pdf/renderer'
import type { Drawing, Shape } from '@/drawing'
import { inColumns } from './columns'
import type { Block, Cell, Line, Paper, Section } from './paper'
import { modulePath, strokePath } from './PaperView'
import { unprintable, UnprintableError, wordParts } from './printable'

/** Location of the font's two weights: an address in the browser, a path on a machine. */
export interface PaperFonts {
  regular: string
  bold: string
}

const styles = StyleSheet.create({
  page: {
    paddingTop: 38,
    paddingBottom: 46,
    paddingHorizontal: 40,
    fontFamily: 'Paper',
    fontSize: 8.6,
    color: '#111',
  },
  card: { padding: 16, fontFamily: 'Paper', fontSize: 6.6, color: '#111' },
  cardPart: {
    fontSize: 6.6,
    fontWeight: 'bold',
    borderBottom: '0.75pt solid #111',
    marginTop: 3,
    marginBottom: 1,
  },
  cardFoot: { position: 'absolute', bottom: 8, left: 16, right: 16, fontSize: 4.6, color: '#444' },
  // Not of the page: a line height of its own takes the foot's numbers away, and is by the size beside it.
  body: { fontSize: 8.6, lineHeight: 1.35 },
  owner: { fontSize: 12, lineHeight: 1.7 },
  title: { fontSize: 17, fontWeight: 'bold', lineHeight: 1.2, marginBottom: 4 },
  part: {
    fontSize: 11.5,
    fontWeight: 'bold',
    borderBottom: '1.5pt solid #111',
    marginTop: 11,
    marginBottom: 3,
  },
  heading: { fontSize: 9.4, fontWeight: 'bold', marginTop: 6, marginBottom: 1 },
  row: { flexDirection: 'row', borderTop: '0.5pt solid #999', paddingVertical: 2 },
  head: { flexDirection: 'row', color: '#444', paddingVertical: 1 },
  cell: { paddingRight: 6 },
  soft: { color: '#444', fontSize: 7.8 },
  strong: { fontWeight: 'bold' },
  harm: { fontWeight: 'bold', textDecoration: 'underline' },
  foot: { position: 'absolute', bottom: 20, left: 40, right: 40, fontSize: 7.4, color: '#444' },
  signature: { marginTop: 8, width: 190 },
  line: { borderBottom: '0.75pt solid #111', height: 70 },
})

/**
 * A paper as a PDF: US letter, its pages numbered, in greys and weights that a copier keeps.
 * @throws UnprintableError
 */
export async function pdfOf(paper: Paper, fonts: PaperFonts): Promise<Blob> {
  Font.register({
    family: 'Paper',
    fonts: [
      { src: fonts.regular, fontWeight: 'normal' },
      { src: fonts.bold, fontWeight: 'bold' },
    ],
  })
  Font.registerHyphenationCallback(wordParts)
  const wanted = { fontFamily: 'Paper', fontWeight: 400 }
  await Font.load(wanted)
  // Its package's own type is not at hand here.
  const font = Font.getFont(wanted)?.data as unknown as
    { hasGlyphForCodePoint(point: number): boolean } | undefined
  const words = unprintable(paper, (codePoint) => !font || font.hasGlyphForCodePoint(codePoint))
  if (words.length) throw new UnprintableError(words)
  return pdf(paper.layout === 'card' ? <CardPdf paper={paper} /> : <PaperPdf paper={paper} />).toBlob()
}

/** Sections that share pages: each list begins with one that starts a new page. */
function pagesOf(sections: readonly Section[]): Section[][] {
  const pages: Section[][] = []
  for (const s of sections) {
    const last = pages[pages.length - 1]
    if (s.newPage || !last) pages.push([s])
    else last.push(s)
  }
  return pages
}

function PaperPdf({ paper }: { paper: Paper }) {
  const [first = [], ...rest] = pagesOf(paper.sections)
  const foot = (
    <Text
      fixed
      style={styles.foot}
      render={({ pageNumber, totalPages }) => `${paper.foot}   ${pageNumber} / ${totalPages}`}
    />
  )
  return (
    <Document title={paper.foot} language={paper.lang} producer="Gate Cross" creator="Gate Cross">
      <Page size="LETTER" style={styles.page}>
        <View style={paper.layout === 'owner' ? styles.owner : styles.body}>
          <Text style={styles.title}>{paper.title}</Text>
          {paper.under.map((l, i) => (
            <LinePdf key={i} line={l} />
          ))}
          {first.map((s) => (
            <SectionPdf key={s.id} section={s} />
          ))}
        </View>
        {foot}
      </Page>
      {rest.map((sections) => (
        <Page key={sections[0]?.id} size="LETTER" style={styles.page}>
          <View style={styles.body}>
            {sections.map((s) => (
              <SectionPdf key={s.id} section={s} />
            ))}
          </View>
          {foot}
        </Page>
      ))}
    </Document>
  )
}

/** Half a letter page in three columns, the sections in their order, each column about as full as the others. */
function CardPdf({ paper }: { paper: Paper }) {
  const columns = inColumns(paper.sections, 3)
  return (
    <Document title={`${paper.title}`} language={paper.lang} producer="Gate Cross" creator="Gate Cross">
      <Page size={[612, 396]} style={styles.card}>
        <View
          style={{ flexDirection: 'row', justifyContent: 'space-between', borderBottom: '1pt solid #111' }}
        >
          <Text style={{ fontSize: 10, fontWeight: 'bold' }}>{paper.title}</Text>
          <Text>{paper.under.map((l) => l.text).join(' ')}</Text>
        </View>
        <View style={{ flexDirection: 'row', fontSize: 6.6, lineHeight: 1.2 }}>
          {columns.map((sections, i) => (
            <View key={i} style={{ width: '33.3%', paddingRight: 8 }}>
              {sections.map((s) => (
                <View key={s.id}>
                  <Text style={styles.cardPart}>{s.title}</Text>
                  {s.blocks.map((b, j) => (
                    <BlockPdf key={j} block={b} isCard />
                  ))}
                </View>
              ))}
            </View>
          ))}
        </View>
        <Text style={styles.cardFoot}>{paper.foot}</Text>
      </Page>
    </Document>
  )
}

function SectionPdf({ section }: { section: Section }) {
  return (
    <View>
      {section.title !== '' && (
        <Text style={styles.part} minPresenceAhead={40}>
          {section.title}
        </Text>
      )}
      {section.blocks.map((b, i) => (
        <BlockPdf key={i} block={b} />
      ))}
    </View>
  )
}

function BlockPdf({ block, isCard = false }: { block: Block; isCard?: boolean }) {
  switch (block.kind) {
    case 'heading':
      return (
        <Text style={isCard ? styles.strong : styles.heading} minPresenceAhead={isCard ? 0 : 24}>
          {block.text}
        </Text>
      )
    case 'lines':
      return (
        <View>
          {block.lines.map((l, i) => (
            <LinePdf key={i} line={isCard && l.tone === 'soft' ? { text: l.text } : l} />
          ))}
        </View>
      )
    case 'drawing':
      return (
        <DrawingPdf
          drawing={block.drawing}
          {...(isCard ? { width: 170, height: 40 } : { width: 510, height: 640 })}
        />
      )
    case 'signature':
      return (
        <View style={styles.signature} wrap={false}>
          <View style={styles.line}>
            <Svg viewBox="0 0 1000 400" style={{ width: 175, height: 70 }}>
              {block.strokes.map((s, i) => (
                <Path key={i} d={strokePath(s)} stroke="#111" strokeWidth={6} fill="none" />
              ))}
            </Svg>
          </View>
          {block.under.map((l, i) => (
            <LinePdf key={i} line={l} />
          ))}
        </View>
      )
    case 'qr':
      return (
        <Svg
          viewBox={`-4 -4 ${block.size + 8} ${block.size + 8}`}
          style={{ width: 150, height: 150, marginTop: 2 }}
        >
          <Path d={modulePath(block)} fill="#000" />
        </Svg>
      )
    case 'table':
      return <TablePdf block={block} />
  }
}

function TablePdf({ block }: { block: Extract<Block, { kind: 'table' }> }) {
  const all = block.widths.reduce((a, b) => a + b, 0)
  const width = (i: number) => ({ ...styles.cell, width: `${(100 * (block.widths[i] ?? 1)) / all}%` })
  return (
    <View style={{ marginTop: 2 }}>
      {block.heads && (
        <View style={styles.head} minPresenceAhead={24}>
          {block.heads.map((h, i) => (
            <Text key={h} style={width(i)}>
              {h}
            </Text>
          ))}
        </View>
      )}
      {block.rows.map((row, i) => (
        <View key={row.id ?? i} style={styles.row} wrap={false}>
          {row.cells.map((cell, j) => (
            <View key={j} style={width(j)}>
              <CellPdf cell={cell} />
            </View>
          ))}
        </View>
      ))}
    </View>
  )
}

function CellPdf({ cell }: { cell: Cell }) {
  if (typeof cell === 'string') return <Text>{cell}</Text>
  const list: readonly Line[] = 'text' in cell ? [cell] : cell
  return (
    <>
      {list.map((l, i) => (
        <LinePdf key={i} line={l} />
      ))}
    </>
  )
}

function LinePdf({ line: { text, tone = 'plain', gone } }: { line: Line }) {
  const look =
    tone === 'soft' ? styles.soft : tone === 'plain' ? {} : tone === 'harm' ? styles.harm : styles.strong
  return <Text style={gone ? [look, { textDecoration: 'line-through' }] : look}>{text}</Text>
}

/** A drawing as large as fits. */
function DrawingPdf({ drawing, width, height }: { drawing: Drawing; width: number; height: number }) {
  const scale = Math.min(width / drawing.width, height / drawing.height)
  return (
    <Svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      style={{ width: drawing.width * scale, height: drawing.height * scale }}
    >
      {drawing.shapes.map((s, i) => (
        <ShapePdf key={i} shape={s} />
      ))}
    </Svg>
  )
}

function ShapePdf({ shape: s }: { shape: Shape }) {
  switch (s.kind) {
    case 'rect':
      return (
        <Rect
          x={s.x}
          y={s.y}
          width={s.width}
          height={s.height}
          rx={s.rx ?? 0}
          fill={s.fill}
          {...(s.stroke ? { stroke: s.stroke, strokeWidth: s.strokeWidth ?? 1 } : {})}
          {...(s.dash ? { strokeDasharray: s.dash } : {})}
        />
      )
    case 'path':
      return (
        <Path
          d={s.d}
          fill="none"
          stroke={s.stroke}
          strokeWidth={s.strokeWidth}
          {...(s.dash ? { strokeDasharray: s.dash } : {})}
        />
      )
    case 'text':
      return (
        <Text
          x={s.x}
          y={s.y}
          style={{ fontFamily: 'Paper', fontSize: s.size, fontWeight: s.bold ? 'bold' : 'normal' }}
          {...(s.anchor ? { textAnchor: s.anchor } : {})}
        >
          {s.text}
        </Text>
      )
    case 'group':
    case 'lower':
      return (
        <G {...(s.kind === 'lower' ? { transform: `translate(0, ${s.by})` } : {})}>
          {s.shapes.map((inner, i) => (
            <ShapePdf key={i} shape={inner} />
          ))}
        </G>
      )
  }
}
