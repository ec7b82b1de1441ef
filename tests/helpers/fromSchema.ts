import fc from './property'

type Json = Record<string, unknown>

/**
 * Values that a published JSON Schema allows, and, with `odd`, values beside it. Names are drawn from those that a document has,
 * so that what is drawn refers to something.
 */
export function fromSchema(root: Json, names: readonly string[]): fc.Arbitrary<unknown> {
  const defs = (root.$defs ?? {}) as Record<string, Json>
  const name = fc.oneof(
    { weight: 4, arbitrary: fc.constantFrom(...names) },
    fc.stringMatching(/^[a-z][a-z0-9-]{0,11}$/),
  )
  let tie: (name: string) => fc.Arbitrary<unknown> = () => fc.constant(null)
  const of = (schema: Json, depth: number): fc.Arbitrary<unknown> => {
    if (typeof schema.$ref === 'string') return tie(schema.$ref.replace('#/$defs/', ''))
    if (schema.const !== undefined) return fc.constant(schema.const)
    if (Array.isArray(schema.enum)) return fc.constantFrom(...(schema.enum as unknown[]))
    const choice = (schema.oneOf ?? schema.anyOf) as Json[] | undefined
    // Deep inside, what names nothing of its kind again is drawn: it stands first.
    if (choice)
      return fc.oneof(
        { depthIdentifier: 'schema', maxDepth: 5 },
        ...[...choice].sort((a, b) => refs(a) - refs(b)).map((c) => of(c, depth + 1)),
      )
    const types = Array.isArray(schema.type) ? (schema.type as string[]) : [schema.type as string]
    return fc.oneof(...types.map((type) => typed(type, schema, depth)))
  }
  const typed = (type: string, schema: Json, depth: number): fc.Arbitrary<unknown> => {
    switch (type) {
      case 'null':
        return fc.constant(null)
      case 'boolean':
        return fc.boolean()
      case 'integer':
      case 'number': {
        const [min, max] = [Number(schema.minimum ?? -500), Number(schema.maximum ?? 500)]
        return fc.oneof(fc.constantFrom(min, max), fc.integer({ min: Math.ceil(min), max: Math.floor(max) }))
      }
      case 'array': {
        const most = Math.min(
          Number(schema.maxItems ?? 3),
          Math.max(Number(schema.minItems ?? 0), depth > 6 ? 0 : 3),
        )
        const items = (schema.items ?? {}) as Json
        return fc.array(fc.constant(null), { minLength: Number(schema.minItems ?? 0), maxLength: most }).chain((a) => fc.tuple(...a.map(() => of(items, depth + 1)))) // prettier-ignore
      }
      case 'object': {
        const fields = (schema.properties ?? {}) as Record<string, Json>
        const needed = (schema.required ?? []) as string[]
        const inside = Object.fromEntries(Object.entries(fields).map(([k, s]) => [k, of(s, depth + 1)]))
        if (typeof schema.additionalProperties === 'object')
          return fc.dictionary(name, of(schema.additionalProperties as Json, depth + 1), { maxKeys: 2 })
        return fc.record(inside, { requiredKeys: needed })
      }
      default: {
        const pattern = typeof schema.pattern === 'string' ? schema.pattern : null
        const most = Number(schema.maxLength ?? 40)
        if (pattern?.includes('T')) return fc.date({ min: new Date('2000-01-01'), max: new Date('2040-01-01'), noInvalidDate: true }).map((d) => d.toISOString()) // prettier-ignore
        return pattern ? name : fc.oneof(name, fc.string({ unit: 'grapheme', maxLength: Math.min(most, 20) }), fc.string({ minLength: Math.min(most, 400), maxLength: Math.min(most, 400) })) // prettier-ignore
      }
    }
  }
  const tied = fc.letrec((t) => {
    tie = t
    return Object.fromEntries(Object.entries(defs).map(([k, d]) => [k, of(d, 1)]))
  })
  tie = (n) => tied[n] ?? fc.constant(null)
  return of(root, 0)
}

const refs = (schema: Json): number => Number(JSON.stringify(schema).includes('$ref'))

/** Every short text of a document, and every field's name: what its parts are called. */
export function namesIn(document: unknown): string[] {
  const found = new Set<string>()
  const walk = (v: unknown) => {
    if (typeof v === 'string' && /^[A-Za-z][\w.-]{0,40}$/.test(v)) found.add(v)
    if (typeof v !== 'object' || v === null) return
    for (const [k, x] of Object.entries(v)) {
      if (/^[A-Za-z][\w.-]{0,40}$/.test(k)) found.add(k)
      walk(x)
    }
  }
  walk(document)
  return [...found]
}
