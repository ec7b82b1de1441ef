import { parse, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser'
import { LIMITS } from './check'
import { cut } from './cut'
import { problem, type Checked, type Problem } from './problem'

/** The line of a text, from 1, on which a character stands. */
export const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length

/** A text in quotes, and with the colon behind it if it is the name of a field. */
const QUOTED = /"(?:[^"\\]|\\.)*"(?:\s*:)?/g

/**
 * Reads JSON. A field that stands twice in one object is refused: JSON's own reading keeps the second without a word, and a
 * person who looks at the file sees the first.
 */
export function readJson(text: string): Checked<unknown> {
  const deep = tooDeep(text)
  if (deep) return { ok: false, problems: [deep] }
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return { ok: false, problems: [brokenAt(text)] }
  }
  // Counting is a hundred times cheaper than parsing with places, which only a doubled field needs.
  const names = (text.match(QUOTED) ?? []).filter((quoted) => quoted.endsWith(':')).length
  if (names === fieldsIn(value)) return { ok: true, value }
  const tree = parseTree(text)
  const twice = tree ? doubled(tree, text, '') : []
  return twice.length ? { ok: false, problems: twice.slice(0, 20) } : { ok: true, value }
}

const [QUOTE, BACKSLASH] = [34, 92]
const OPENS = new Set([91, 123])
const CLOSES = new Set([93, 125])

/** The place at which brackets are inside one another too often: what reads them by calling itself would run out of stack. */
function tooDeep(text: string): Problem | null {
  let depth = 0
  let inString = false
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    if (inString) {
      if (c === BACKSLASH) i++
      else if (c === QUOTE) inString = false
    } else if (c === QUOTE) inString = true
    else if (CLOSES.has(c)) depth--
    else if (OPENS.has(c) && ++depth > LIMITS.depth + 1)
      return { ...problem('', `at most ${LIMITS.depth} levels`, 'more'), line: lineAt(text, i) }
  }
  return null
}

function brokenAt(text: string): Problem {
  const errors: ParseError[] = []
  parse(text, errors, { disallowComments: true })
  const [first] = errors
  const what = first ? `JSON (${printParseErrorCode(first.error)})` : 'JSON'
  return { ...problem('', what, cut(text, 20)), line: lineAt(text, first?.offset ?? 0) }
}

/** How many fields a value has, in all of its objects. */
function fieldsIn(value: unknown): number {
  let count = 0
  const open: unknown[] = [value]
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    if (typeof here !== 'object' || here === null) continue
    const inside = Object.values(here)
    if (!Array.isArray(here)) count += inside.length
    for (const v of inside) if (typeof v === 'object' && v !== null) open.push(v)
  }
  return count
}

/** The fields that stand twice, each at its second place. */
function doubled(node: Node, text: string, path: string): Problem[] {
  if (node.type === 'array')
    return (node.children ?? []).flatMap((child, i) => doubled(child, text, `${path}[${i}]`))
  if (node.type !== 'object') return []
  const seen = new Set<string>()
  return (node.children ?? []).flatMap((property) => {
    const [name, value] = property.children ?? []
    const key = String(name?.value)
    const at = path ? `${path}.${key}` : key
    const again = seen.has(key)
    seen.add(key)
    return [
      ...(again
        ? [{ ...problem(at, 'each field once', 'it a second time'), line: lineAt(text, property.offset) }]
        : []),
      ...(value ? doubled(value, text, at) : []),
    ]
  })
}
