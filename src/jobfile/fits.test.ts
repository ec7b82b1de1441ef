import fc from '../../tests/helpers/property'
import { readFileSync, readdirSync } from 'node:fs'
import * as yup from 'yup'
import { mutated } from '../../tests/helpers/mutate'
import { check } from './check'
import { deviceSchema } from './deviceSchema'
import { jobSchema } from './document'
import { pushSchema } from './envelope'
import { fits } from './fits'
import { anyOf, byField, id, num, optional, record, shape, text, union, when } from './schemaKit'

/** Yup's own word, which `fits` is to give faster. */
const byYup = (schema: object, value: unknown): boolean =>
  (schema as yup.AnySchema).isValidSync(value, { strict: true })

const SCHEMAS: Record<string, object> = {
  id: id(),
  when: when(),
  text: text(3),
  'text or null': text(3).nullable(),
  'a text that is required': yup.string().required(),
  'one of three, or left out': yup.string().oneOf(['a', 'b', 'ab']),
  'one of two, or null': yup.string().nullable().oneOf(['a', null]),
  'one of two, required': yup.number().oneOf([1, 2]).required(),
  number: num(),
  'a whole number between': yup.number().integer().min(0).max(2),
  flag: yup.boolean().defined(),
  anything: yup.mixed(),
  'anything that is': yup.mixed().required(),
  list: yup.array(num()).min(1).max(2),
  'list of anything': yup.array().defined(),
  shape: shape({ a: num(), b: optional(text(1)) }),
  'an object with more in it': yup.object({ a: num() }),
  'made later': shape({ a: optional(() => num()) }),
  record: record(num()),
  union: union('kind', { a: shape({ kind: yup.string().required(), a: num() }), b: shape({ kind: text() }) }),
  'any of': anyOf(num(), text(2).nullable(), shape({ a: num() })),
  'by field': byField({ a: shape({ a: num() }), b: shape({ b: text() }) }),
}
const VALUES: unknown[] = [
  undefined, null, '', 'a', 'ab', 'abc', 'abcd', 'a.b', 'constructor', '2026-11-28T09:00:00Z', '2026-13-28T09:00:00Z',
  0, 1, 2, 3, -1, 1.5, NaN, Infinity, true, false, [], [1], [1, 2], [1, 2, 3], ['a'], [undefined], [null], [[]],
  {}, { a: 1 }, { a: 'a' }, { a: null }, { a: 1, b: 'b' }, { a: 1, b: 'bb' }, { a: 1, b: null }, { b: 'b' }, { a: 1, c: 1 },
  { kind: 'a', a: 1 }, { kind: 'a' }, { kind: 'b' }, { kind: 'b', a: 1 }, { kind: 'constructor' }, { kind: 1 }, { constructor: 1 },
] // prettier-ignore

describe('whether a value fits', () => {
  it.each(Object.entries(SCHEMAS))('%s: as Yup has it, of every value', (_, schema) => {
    const answers = VALUES.map((value) => fits(schema, value))
    expect(answers).toEqual(VALUES.map((value) => byYup(schema, value)))
    expect(new Set(answers).size).toBe(2)
  })

  it('files of this house fit at once, and Yup is not asked', () => {
    const read = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'))
    for (const f of readdirSync('demo/jobs'))
      expect([f, fits(jobSchema(), read(`demo/jobs/${f}`))]).toEqual([f, true])
    for (const f of readdirSync('library')) expect([f, fits(deviceSchema(), read(`library/${f}`))]).toEqual([f, true]) // prettier-ignore
  })

  it('a changed file fits exactly where Yup says so', () => {
    const device: unknown = JSON.parse(readFileSync('library/teasel-k2.json', 'utf8'))
    const job: unknown = JSON.parse(readFileSync('demo/jobs/lapwing-court.json', 'utf8'))
    for (const [schema, file] of [
      [deviceSchema(), device],
      [jobSchema(), job],
    ] as const)
      fc.assert(
        fc.property(mutated(file), (value) => {
          expect(fits(schema, value)).toBe(byYup(schema, value))
        }),
        { numRuns: 60 },
      )
  })

  it('of five thousand wrong elements Yup is asked about as many as are named', () => {
    const asked = jest.spyOn(yup.Schema.prototype, 'validateSync')
    const value = { base: 0, ops: Array.from({ length: 5000 }, () => ({})) }
    const checked = check(pushSchema(), value)
    const places = checked.ok ? [] : checked.problems.map((p) => p.path)
    expect(places.slice(0, 3)).toEqual(['ops', 'ops[0].opId', 'ops[0].client'])
    expect(places).toHaveLength(20)
    expect(asked.mock.calls.length).toBeLessThan(30)
    asked.mockRestore()
  })

  it('is never said of a schema that looks elsewhere, or is none of ours: there Yup is asked', () => {
    const byOther = yup.string().when('other', { is: 1, then: (s) => s.required() })
    expect(fits(shape({ a: byOther }), { a: 'a' })).toBe(false)
    expect(fits(yup.date(), new Date(0))).toBe(false)
    expect(fits({ validateSync: () => 1 }, 1)).toBe(false)
  })
})
