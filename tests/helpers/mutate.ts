import fc from './property'

/** What somebody may write where something else belongs. */
const odd: fc.Arbitrary<unknown> = fc.oneof(
  fc.integer({ min: 0, max: 50 }),
  fc.stringMatching(/^[a-z]{1,8}$/),
  fc.constantFrom(null, true, '', 0, -1, 1e308, -1e-320, 2 ** 53, '__proto__', 'constructor', 'a.b', '\u0000', '\ud83d', 'x'.repeat(5000), '=cmd()', '2026-02-30T00:00:00Z'), // prettier-ignore
  fc.jsonValue({ maxDepth: 3 }),
  fc.array(fc.constant(0), { minLength: 0, maxLength: 600 }),
  fc.constant(deep(90)),
)
function deep(n: number): unknown {
  let here: unknown = 1
  for (let i = 0; i < n; i++) here = i % 2 ? [here] : { a: here }
  return here
}

type Holder = Record<string, unknown>
/** Every field and element of a document, as the thing that holds it and its name. */
function placesOf(root: unknown): [Holder, string][] {
  const found: [Holder, string][] = []
  const walk = (v: unknown) => {
    if (typeof v !== 'object' || v === null) return
    for (const key of Object.keys(v)) {
      found.push([v as Holder, key])
      walk((v as Holder)[key])
    }
  }
  walk(root)
  return found
}

/** A document with some of its places changed as a person, a broken disk or somebody who means harm might: never by its grammar alone. */
export const mutated = (document: unknown): fc.Arbitrary<unknown> =>
  fc
    .array(fc.tuple(fc.nat(), fc.constantFrom('put', 'drop', 'twice', 'swap', 'rename'), odd, fc.nat()), {
      minLength: 1,
      maxLength: 4,
    })
    .map((changes) => {
      const copy = structuredClone(document)
      for (const [at, how, value, other] of changes) {
        const places = placesOf(copy)
        if (!places.length) continue
        const [holder, key] = places[at % places.length]!
        const [from, name] = places[other % places.length]!
        // A value that was drawn is shared by every place that has it: each gets its own.
        if (how === 'put') holder[key] = structuredClone(value)
        else if (how === 'drop') delete holder[key]
        else if (how === 'twice' && Array.isArray(holder)) holder.push(structuredClone(holder[Number(key)]))
        else if (how === 'swap') holder[key] = structuredClone(from[name])
        else if (how === 'rename' && !Array.isArray(holder)) {
          holder[typeof value === 'string' ? value : 'other'] = holder[key]
          delete holder[key]
        }
      }
      return copy
    })
