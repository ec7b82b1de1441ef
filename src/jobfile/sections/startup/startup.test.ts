import { readJson } from '../../../../tests/helpers/demo'
import { apply, formatJob, parseJob, type Job, type Operation } from '../..'
import { operationSchema } from '../../operation'
import { check } from '../../check'

const demo = () => readJson<Job>('demo/jobs/quillfeather-lane.json')
const by = { who: 'Wren Hollis', when: '2026-11-26T09:00:00Z' }
const made = (job: Job, op: Operation): Job => {
  const done = apply(job, op)
  if (!done.ok) throw new Error(JSON.stringify(done.problems))
  const read = parseJob(formatJob(done.value))
  expect(read).toEqual({ ok: true, value: done.value })
  return done.value
}

describe('how far a test run has come', () => {
  it('a card is marked and opened again, a call noted and forgotten, the day’s temperature kept', () => {
    let job = made(demo(), {
      kind: 'markCard',
      card: 'heat1',
      mark: { state: 'failed', note: 'no fan', ...by },
    })
    expect(job.startup.cards.heat1).toEqual({ state: 'failed', note: 'no fan', ...by })
    job = made(job, { kind: 'noteCall', card: 'heat1', when: by.when })
    job = made(job, { kind: 'setToday', outdoorF: 41.5 })
    expect(job.startup).toMatchObject({ calls: { heat1: by.when }, outdoorF: 41.5 })
    job = made(job, { kind: 'markCard', card: 'heat1', mark: null })
    job = made(job, { kind: 'noteCall', card: 'heat1', when: null })
    job = made(job, { kind: 'setToday', outdoorF: null })
    expect(job.startup).toEqual({ cards: {}, calls: {} })
  })

  it.each([
    [{ kind: 'markCard', card: 'heat1', mark: { state: 'splendid', ...by } }, 'mark'],
    [{ kind: 'markCard', card: '__proto__', mark: null }, 'card'],
    [{ kind: 'noteCall', card: 'heat1', when: 'soon' }, 'when'],
    [{ kind: 'setToday', outdoorF: 400 }, 'outdoorF'],
    [
      {
        kind: 'addTemporary',
        temporary: { id: 't9', kind: 'jumper', at: 'job', was: null, now: 'in', why: '', ...by },
      },
      'temporary.what',
    ],
  ])('refuses %j and names %s', (op, path) => {
    // As it comes in: its shape first, then what it would do.
    const shaped = check<Operation>(operationSchema(), op)
    const done = shaped.ok ? apply(demo(), shaped.value) : shaped
    if (done.ok) throw new Error('taken')
    expect(done.problems[0]!.path).toContain(path)
  })

  it('what is no setting stands on the list until it is as it was, and no visit ends before', () => {
    const temporary = {
      id: 't9',
      kind: 'jumper' as const,
      what: 'R to W with R to G',
      at: 'job',
      was: null,
      now: 'in',
      why: '',
      ...by,
    }
    const open = made(demo(), { kind: 'addTemporary', temporary })
    const visit: Operation = { kind: 'closeVisit', visit: { id: 'v9', ...by, left: {} } }
    expect(apply(open, visit)).toMatchObject({
      ok: false,
      problems: [{ path: 'visit', got: 'R to W with R to G' }],
    })
    const back = made(open, { kind: 'putBack', temporary: 't9', by })
    expect(apply(back, visit).ok).toBe(true)
  })
})
