import type { Drawing } from '@/drawing'

/** How a line is meant; paper shows it by weight and words as well, so that it can be read in grey. */
export type Tone = 'plain' | 'soft' | 'strong' | 'harm' | 'watch' | 'well'

/** A line of text. */
export interface Line {
  text: string
  tone?: Tone
  /** It does not stand any more: struck through. */
  gone?: boolean
}
/** Content of a table cell: a line, or several. */
export type Cell = string | Line | readonly Line[]

export type Block =
  | { kind: 'lines'; lines: readonly Line[] }
  | { kind: 'heading'; text: string }
  | {
      kind: 'table'
      /** The table's caption for screen readers. */
      caption: string
      /** Left out: it has no heads, and each row begins with what it is of. */
      heads?: readonly string[]
      /** Shares of the width. */
      widths: readonly number[]
      rows: readonly { id?: string; cells: readonly Cell[] }[]
    }
  | { kind: 'drawing'; title: string; drawing: Drawing }
  /** A code of `size` by `size` modules, row by row. */
  | { kind: 'qr'; title: string; size: number; dark: readonly boolean[] }
  /** Strokes as x, y, x, y …, in thousandths of the width of their field. */
  | { kind: 'signature'; strokes: readonly (readonly number[])[]; under: readonly Line[] }

/** A part of a paper, under its title. */
export interface Section {
  id: string
  title: string
  blocks: Block[]
  /** It begins on a page of its own. */
  newPage?: boolean
}

/** Something that is handed over: shown, printed, or given as a file, the same each time. */
export interface Paper {
  /** The language that it is in, as browsers name it. */
  lang: string
  /** `card`: half a page in three columns. `owner`: large, a sentence a line. Left out: pages. */
  layout?: 'card' | 'owner'
  title: string
  under: readonly Line[]
  sections: Section[]
  /** At the foot of each page. */
  foot: string
}

export const line = (text: string, tone?: Tone): Line => (tone ? { text, tone } : { text })
export const lines = (...all: (Line | string | null)[]): Block => ({
  kind: 'lines',
  lines: all.flatMap((l) => (l === null ? [] : [typeof l === 'string' ? { text: l } : l])),
})
