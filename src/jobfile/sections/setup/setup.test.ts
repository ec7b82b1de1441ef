import { readJson } from '../../../../tests/helpers/demo'
import { apply, checkJob, clash, inverse, type Job, type Operation } from '@/jobfile'

const demo = () => readJson<Job>('demo/jobs/pennywort-close.json')
const by = { who: 'Wren Hollis', when: '2026-11-24T10:00:00.000Z' }
const done = (job: Job, op: Operation): Job => {
  const result = apply(job, op)
  if (!result.ok) throw new Error(JSON.stringify(result.problems))
  return result.value
}

const OPS: Operation[] = [
  { kind: 'answer', question: 'frail', answer: 'yes' },
  { kind: 'answer', question: 'priority', answer: '' },
  { kind: 'markSource', ref: 'tstat', setting: 'droop', source: 'recommended' },
  { kind: 'noteKeyed', ref: 'tstat', setting: 'droop', what: 'found', note: { value: 1, ...by } },
  { kind: 'noteKeyed', ref: 'tstat', setting: 'displayOffset', what: 'found', note: null },
  { kind: 'tickLine', line: 'tstat:/C1:2', by },
  { kind: 'putBack', temporary: 'tmp1', by },
]

describe('operations of the setup', () => {
  it.each(OPS.map((op) => [op.kind, op] as const))(
    '%s can be taken back, and the file stays right',
    (_, op) => {
      const before = demo()
      const after = done(before, op)
      expect(checkJob(after)).toMatchObject({ ok: true })
      expect(done(after, inverse(before, op)!)).toEqual(before)
      expect(before).toEqual(demo())
    },
  )

  it.each([
    [
      { kind: 'noteKeyed', ref: 'tstat', setting: 'droop', what: 'left', note: { value: 99, ...by } },
      'tstat.droop',
    ],
    [{ kind: 'noteKeyed', ref: 'tstat', setting: 'nobody', what: 'left', note: null }, 'tstat.nobody'],
    [{ kind: 'markSource', ref: 'nobody', setting: 'droop', source: null }, 'ref'],
    [{ kind: 'putBack', temporary: 'nobody', by }, 'temporary'],
    [
      { kind: 'addTemporary', temporary: { id: 'tmp1', at: 'tstat.droop', was: 2, now: 3, why: '', ...by } },
      'temporary.id',
    ],
    [
      { kind: 'addTemporary', temporary: { id: 't9', at: 'tstat.droop', was: 2, now: 30, why: '', ...by } },
      'tstat.droop',
    ],
  ] as [Operation, string][])('what cannot be is refused at its place: %j', (op, path) => {
    const result = apply(demo(), op)
    expect(result).toMatchObject({ ok: false, problems: [{ path }] })
  })

  it('a temporary setting noted by mistake is gone when it is taken back', () => {
    const temporary = { id: 't9', at: 'tstat.droop', was: 2, now: 3, why: 'a test', ...by }
    const op: Operation = { kind: 'addTemporary', temporary }
    expect(done(done(demo(), op), inverse(demo(), op)!)).toEqual(demo())
  })

  it('a visit that was closed is not taken back', () => {
    const visit = { id: 'v9', ...by, left: {} }
    expect(inverse(demo(), { kind: 'closeVisit', visit })).toBeNull()
  })

  it('the end of a visit keeps what was left and begins anew', () => {
    const visit = { id: 'v9', ...by, left: { 'tstat.droop': 2 } }
    const open = demo().setup.temporary.filter((t) => !t.back)
    // Nothing is signed off while something stands otherwise.
    expect(apply(demo(), { kind: 'closeVisit', visit })).toMatchObject({
      ok: false,
      problems: [{ path: 'visit', expected: 'everything put back first' }],
    })
    const back = open.reduce((job, t) => done(job, { kind: 'putBack', temporary: t.id, by }), demo())
    const after = done(back, { kind: 'closeVisit', visit })
    expect(after.setup.visits.at(-1)).toEqual(visit)
    expect([after.setup.keyed, after.setup.ticks]).toEqual([{}, {}])
    expect(after.setup.temporary).toEqual(back.setup.temporary)
  })

  it('two people on different settings do not clash, on one they do', () => {
    const note = (setting: string, what: 'found' | 'left'): Operation => ({
      kind: 'noteKeyed', ref: 'tstat', setting, what, note: { value: 2, ...by },
    }) // prettier-ignore
    expect(clash(note('droop', 'found'), note('deadBand', 'found'))).toBe(false)
    expect(clash(note('droop', 'found'), note('droop', 'left'))).toBe(false)
    expect(clash(note('droop', 'left'), note('droop', 'left'))).toBe(true)
  })
})
