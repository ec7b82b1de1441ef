import type { Paper } from './paper'

/** A paper that a PDF would garble: `words` are some that its font cannot print. */
export class UnprintableError extends Error {
  constructor(readonly words: readonly string[]) {
    super(`the PDF's font cannot print ${words.join(', ')}`)
  }
}

/** Scripts that the PDF's font contains and that need no shaping, and signs that belong to no script. */
const OTHER_SCRIPT =
  /[^\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Common}\p{Script=Inherited}]/u

/** Words that are named of all that cannot be printed. */
const MOST_NAMED = 3

/** Every text in a paper, its drawings' included. */
function* textsIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value
  else if (typeof value === 'object' && value !== null)
    for (const inner of Object.values(value)) yield* textsIn(inner)
}

/**
 * Words of a paper that a PDF would garble: in a script that must be shaped, or with a character that the font lacks.
 * @param hasGlyph says whether the font has a code point
 * @returns at most three of them, each once
 */
export function unprintable(paper: Paper, hasGlyph: (codePoint: number) => boolean): string[] {
  const found = new Set<string>()
  for (const text of textsIn(paper))
    for (const word of text.split(/\s+/)) {
      const isGarbled =
        OTHER_SCRIPT.test(word) || [...word].some((sign) => !hasGlyph(sign.codePointAt(0) ?? 0))
      // A comma behind a name is none of it.
      if (isGarbled) found.add(word.replace(/^\p{P}+|\p{P}+$/gu, '') || word)
      if (found.size === MOST_NAMED) return [...found]
    }
  return [...found]
}

/** Characters that fit on a line of the narrowest column; and those of a part of a longer word. */
const [MOST_WHOLE, PART] = [20, 8]

/** The parts at which a word may be broken. The trade's own words stay whole; one that would run over its column does not. */
export function wordParts(word: string): string[] {
  const signs = Array.from(new Intl.Segmenter().segment(word), (s) => s.segment)
  if (signs.length <= MOST_WHOLE) return [word]
  return Array.from({ length: Math.ceil(signs.length / PART) }, (_, i) =>
    signs.slice(i * PART, (i + 1) * PART).join(''),
  )
}
