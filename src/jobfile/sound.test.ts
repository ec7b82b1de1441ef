import fc from '../../tests/helpers/property'
import { readFileSync } from 'node:fs'
import { check, cut, parseDevice, parseJob, pushSchema, readJson, sentence, type Checked } from '.'
import { JOB_VERSION } from './sections/registry'

const job = readFileSync('demo/jobs/quillfeather-lane.json', 'utf8')
const device = readFileSync('library/teasel-k2.json', 'utf8')
const said = (c: Checked<unknown>) => (c.ok ? [] : c.problems.map(sentence))

describe('text that is JSON, and yet no file of ours', () => {
  it('a field that stands twice is refused at its second place, with its line', () => {
    const twice = job.replace('"title":', '"title": "Another",\n  "title":')
    const line =
      twice.split('\n').findIndex((l, i, all) => l.includes('"title"') && all[i - 1]!.includes('"title"')) + 1
    expect(said(parseJob(twice))).toEqual([
      `line ${line}, title: expected each field once, found it a second time`,
    ])
    const inside = device.replace('"role": "line"', '"role": "ground",\n      "role": "line"')
    expect(said(parseDevice(inside))[0]).toMatch(/^line \d+, terminals\[\d\]\.role: expected each field once/)
    // The same word as a value, or in another object, is no second field.
    expect(readJson('{"a": "a", "b": {"a": 1}, "c": [{"a": 1}, {"a": 2}]}')).toMatchObject({ ok: true })
    expect(readJson('{"a:": "x\\": y", "b": "\\"a\\":"}')).toMatchObject({ ok: true })
  })

  it('finds doubled fields exactly where a second reading finds them', () => {
    // Independent: pairs are written out by hand, so that what is doubled is known without reading it.
    const name = fc.constantFrom('a', 'b', 'c:"', 'd\\')
    fc.assert(
      fc.property(fc.array(fc.tuple(name, fc.jsonValue({ maxDepth: 1 })), { maxLength: 5 }), (pairs) => {
        const text = `{${pairs.map(([k, v]) => `${JSON.stringify(k)} : ${JSON.stringify(v)}`).join(', ')}}`
        const doubled = new Set(pairs.map(([k]) => k)).size < pairs.length
        expect(readJson(text).ok).toBe(!doubled)
      }),
    )
  })

  it.each([
    ['a number that is none', job.replace(/"feet": \d+/, '"feet": 1e999'), /feet: expected a finite number/],
    ['NUL', job.replace('"title": "', '"title": "\\u0000'), /^title: expected text without NUL or half characters/],
    ['half a character', job.replace('"title": "', '"title": "\\ud83d'), /^title: expected text without NUL/],
    ['a field that every object has', job.replace('"devices": {', '"devices": {"constructor": {},'), /^devices: expected no field of such a name, found constructor/],
    ['a prototype', job.replace('"settings": {', '"settings": {"__proto__": 1,'), /expected no field of such a name, found __proto__/],
    ['a device called as every object’s function', job.replace(/"device": "[^"]+"/, '"device": "toString"'), /device: expected letters, digits/],
  ])('%s is refused at its place', (_, text, words) => {
    expect(said(parseJob(text))[0]).toMatch(words)
  }) // prettier-ignore

  it('whole characters beyond the first plane are text like any other', () => {
    const read = parseJob(job.replace('"title": "', '"title": "🏠 '))
    expect(read.ok && read.value.title).toMatch(/^🏠 /)
  })
})

describe('a kind that every object has', () => {
  it.each(['constructor', 'toString', '__proto__', 'valueOf'])('%s is one of none of ours', (kind) => {
    const text = device
      .replace(/"condition": \{[^}]*\}/, '')
      .replace('"kind": "stripKit"', `"kind": "${kind}"`)
    expect(said(parseDevice(text)).length).toBeGreaterThan(0)
    const at = '2026-11-27T08:00:00Z'
    const op = { opId: 'a', client: 'b', who: '', at, docVersion: JOB_VERSION, seen: 0, op: { kind } }
    expect(check(pushSchema(), { base: 0, ops: [op] })).toMatchObject({ ok: false })
  })
})

describe('an operation on its way', () => {
  const push = (at: string, note = 'x') => ({
    base: 0,
    ops: [
      {
        opId: 'a', client: 'b', who: '', at, docVersion: JOB_VERSION, seen: 0,
        op: { kind: 'setField', field: 'note', value: note },
      },
    ],
  }) // prettier-ignore
  it('says when it was made, in a date that there can be', () => {
    expect(said(check(pushSchema(), push('2026-11-26T09:00:00.000Z')))).toEqual([])
    expect(said(check(pushSchema(), push('2026-11-26T09:00:00+01:00')))).toEqual([])
    for (const at of ['yesterday', '2026-13-01T00:00:00Z', '2026-11-26', '2026-11-26T25:00:00Z'])
      expect(said(check(pushSchema(), push(at)))).toEqual([
        `ops[0].at: expected a date and time from 1970 to 2199, such as 2026-11-26T09:00:00Z, found ${at}`,
      ])
  })
  it('holds no NUL either, which the database would not take', () => {
    expect(said(check(pushSchema(), push('2026-11-26T09:00:00Z', 'a\0b')))[0]).toMatch(
      /^ops\[0\]\.op\.value: expected text/,
    )
  })
})

it('cutting a text never cuts a character', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), fc.nat(20), (text, most) => {
      const short = cut(text, most)
      expect(short.length).toBeLessThanOrEqual(most)
      expect(text.startsWith(short)).toBe(true)
      expect(/\p{Cs}/u.test(short)).toBe(false)
      expect(cut(text, text.length)).toBe(text)
    }),
  )
  expect(cut('ab🏠', 3)).toBe('ab')
  expect(cut('ab🏠', 4)).toBe('ab🏠')
})
