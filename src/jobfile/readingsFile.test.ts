import { readJson as readFile } from '../../tests/helpers/demo'
import { formatReadings, parseReadings, sentence, type Job } from '.'

const { readings } = readFile<Job>('demo/jobs/quillfeather-lane.json')
const said = (text: string) => {
  const read = parseReadings(text)
  return read.ok ? [] : read.problems.map(sentence)
}

describe('readings as a table', () => {
  it('come back as they went, corrections and all', () => {
    const odd = {
      ...readings[0]!,
      id: 'odd',
      who: '=HYPERLINK("x")',
      note: 'two, with "marks"',
      moved: [{ at: 'tstat.minimumOff' as const, value: 2 }],
      situation: {
        ...readings[0]!.situation,
        modes: { 'od.board': 'defrost', 'kit.limit1': 'open' } as never,
      },
    }
    const list = [...readings, { ...odd, kind: readings[0]!.kind, value: 12.5 }]
    const text = formatReadings(list)
    expect(parseReadings(text)).toEqual({ ok: true, value: list })
    // What a spreadsheet would run is a text there.
    expect(text).toContain(`'=HYPERLINK`)
    expect(text.split('\r\n')).toHaveLength(list.length + 2)
  })

  it.each([' =1+1', '\t=1+1', 'a\n=1+1', 'a\r\n @x', "'=1+1", "'twas", '-5 outside', '+x'])(
    'a cell that a spreadsheet would run is a text there, and comes back: %j',
    (note) => {
      const text = formatReadings([{ ...readings[0]!, note }])
      expect(text).toContain(`'${note}`)
      expect(parseReadings(text)).toMatchObject({ ok: true, value: [{ note: note.trim() }] })
    },
  )

  it('columns may stand in any order, with a mark before the first and a comma in a number', () => {
    const csv = [
      '\uFEFFkind;id;when;who;value;place;at;instrument;call;outdoorF;supersedes',
      'controlVolts;a;2026-11-27T08:00:00Z;Wren;24,5;terminals;ah.R;meter;fan;52;',
    ].join('\n')
    const read = parseReadings(csv)
    expect(read).toMatchObject({
      ok: true,
      value: [
        { id: 'a', value: 24.5, withBlower: null, supersedes: null, situation: { call: 'fan', modes: {} } },
      ],
    })
  })

  it.each([
    ['nothing', '', /line 1, the file: expected columns id, when, who/],
    ['a column less', 'id,when\n', /line 1, the file: expected columns who, kind/],
    ['a value that is none', formatReadings(readings).replace(/controlVolts,[\d.]+/, 'controlVolts,many'), /^line 2, value: expected a number, or OL, found many/],
    ['a value that no meter shows', formatReadings(readings).replace(/controlVolts,[\d.]+/, 'controlVolts,9000'), /^line 2, value: expected 0 to 150 V, found 9000/],
    ['a kind that is none', formatReadings(readings).replace('controlVolts', 'wishes'), /^line 2, kind: expected one of/],
  ])('%s is refused at its place', (_, text, words) => expect(said(text)[0]).toMatch(words)) // prettier-ignore
})
