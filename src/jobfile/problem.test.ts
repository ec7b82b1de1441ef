import * as yup from 'yup'
import { check, readJson, sentence } from '.'
import { problem, show } from './problem'

const schema = yup.object({
  feet: yup.number().required().min(1).max(500).integer(),
  gauge: yup.number().oneOf([18, 20]).required(),
  label: yup.string().matches(/^[\w-]+$/),
  wires: yup.array(yup.object({ id: yup.string().required() }).noUnknown()).required(),
})
const good = { feet: 45, gauge: 18, label: 'wall', wires: [{ id: 'w1' }] }
const said = (over: Record<string, unknown>) => {
  const result = check(schema, { ...good, ...over })
  return result.ok ? [] : result.problems.map(sentence)
}

describe('what is wrong with a file', () => {
  it('nothing is said of what is right', () => expect(said({})).toEqual([]))

  it.each([
    [{ feet: 0 }, 'feet: expected at least 1, found 0'],
    [{ feet: 501 }, 'feet: expected at most 500, found 501'],
    [{ feet: 4.5 }, 'feet: expected a whole number, found 4.5'],
    [{ feet: 'long' }, 'feet: expected a number, found long'],
    [{ feet: undefined }, 'feet: expected a value, found nothing'],
    [{ gauge: 19 }, 'gauge: expected one of 18, 20, found 19'],
    [{ label: 'a b' }, 'label: expected letters, digits, dashes or underscores, found a b'],
    [{ wires: [{ id: 'w1' }, {}] }, 'wires[1].id: expected a value, found nothing'],
    [{ wires: [{ id: 'w1', hue: 'red' }] }, 'wires[0]: expected no field named hue, found {"id":"w1","hue":"red"}'],
  ])('%j: %s', (over, words) => expect(said(over)).toContain(words)) // prettier-ignore

  it('names every place, not the first alone', () => {
    expect(said({ feet: 0, gauge: 19, label: 'a b' })).toHaveLength(3)
  })

  it('says the line where the text is at hand, and the whole file where there is no place in it', () => {
    expect(sentence({ path: 'feet', expected: 'a number', got: 'x', line: 12 })).toBe(
      'line 12, feet: expected a number, found x',
    )
    expect(sentence({ path: '', expected: 'JSON' })).toBe('the file: expected JSON')
  })

  it('shows what stands there in at most 60 letters', () => {
    expect(show('x'.repeat(60))).toHaveLength(60)
    expect(show('x'.repeat(61))).toBe(`${'x'.repeat(57)}…`)
    expect(show(null)).toBe('null')
    expect(problem('a', 'b', [1, 2]).got).toBe('[1,2]')
  })

  it('a fault of the program itself is not taken for one of the file', () => {
    const broken = {
      validateSync: () => {
        throw new RangeError('ours')
      },
    }
    expect(() => check(broken as never, {})).toThrow(RangeError)
  })
})

describe('a value that no file of ours would hold', () => {
  const schema = yup.mixed().defined()
  const nested = (n: number): unknown => Array.from({ length: n }).reduce<unknown>((v) => [v], 0)
  it.each([
    ['wires', { wires: new Array(5001).fill(0) }, 'at most 5000 entries'],
    ['', new Array(4_000_000).fill(0), 'at most 5000 entries'],
    [
      'a',
      { a: Object.fromEntries(Array.from({ length: 5001 }, (_, i) => [`k${i}`, 0])) },
      'at most 5000 entries',
    ],
  ])('is refused at its place before the schema sees it: %s', (path, value, expected) => {
    expect(check(schema, value)).toMatchObject({ ok: false, problems: [{ path, expected }] })
  })
  it('may be 64 levels deep, and no deeper', () => {
    expect(check(schema, nested(64)).ok).toBe(true)
    expect(check(schema, nested(66))).toMatchObject({ problems: [{ expected: 'at most 64 levels' }] })
    // Deep enough to overflow the stack of whatever walks it by calling itself.
    expect(check(schema, nested(100_000))).toMatchObject({ problems: [{ expected: 'at most 64 levels' }] })
  })
  it('is refused while it is read, whole or cut off', () => {
    const text = (n: number) => `${'['.repeat(n)}${']'.repeat(n)}`
    expect(readJson(text(65)).ok).toBe(true)
    for (const deep of [text(66), '['.repeat(1_000_000), `{"a":${'{"b":'.repeat(200_000)}`])
      expect(readJson(deep)).toMatchObject({
        ok: false,
        problems: [{ expected: 'at most 64 levels', line: 1 }],
      })
    // Brackets inside a text are text.
    expect(readJson(JSON.stringify('['.repeat(100))).ok).toBe(true)
    expect(readJson(JSON.stringify(`\\"${'['.repeat(100)}`)).ok).toBe(true)
  })
  it('has at most so much in it', () => {
    const rows = Array.from({ length: 100 }, () => new Array<number>(4001).fill(0))
    expect(check(schema, rows)).toMatchObject({ problems: [{ expected: 'at most 400000 values in all' }] })
  })
  it('is told of its first twenty problems', () => {
    const list = yup.array(yup.string().defined()).defined()
    const checked = check(list, new Array(300).fill(5))
    expect(checked.ok ? 0 : checked.problems.length).toBe(20)
  })
})
