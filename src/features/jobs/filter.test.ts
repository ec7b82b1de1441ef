import type { JobListEntry, Summary } from '@/jobfile'
import { filterJobs, needsYou, type JobOrder, type JobState } from './filter'

const summary = (over: Partial<Summary> = {}): Summary => ({
  version: 1, engine: '', verdict: '', broken: 0, undecided: 0, states: 9, readings: 3, wrongReadings: 0, toPutBack: 0, run: null, ...over,
}) // prettier-ignore
const entry = (id: string, address: string, updatedAt: string, s: Summary | null): JobListEntry => ({
  id, title: id, address, owner: `Owner of ${id}`, note: '', updatedAt, version: 1, summary: s,
}) // prettier-ignore
const JOBS = [
  entry('done', '12 Osier Walk', '2026-11-20', summary()),
  entry('broken', '7 Saltmarsh Row', '2026-11-21', summary({ broken: 1 })),
  entry('bare', '2 Osier Walk', '2026-11-22', summary({ readings: 0 })),
  entry('back', '3 Pennywort Close', '2026-11-19', summary({ toPutBack: 1 })),
  entry('unproven', '9 Ferrous Hill', '2026-11-23', null),
]
const ids = (text: string, state: JobState, order: JobOrder = 'urgent') =>
  filterJobs(
    JOBS,
    { text, state, order },
    (j) => (needsYou(j.summary) ? 0 : 1),
    (j) => j.summary,
  ).map((j) => j.id)

describe('the list of jobs', () => {
  it.each<[JobState, string[]]>([
    ['broken', ['broken']],
    ['needsReading', ['bare']],
    ['toPutBack', ['back']],
    ['done', ['done']],
  ])('narrowed to %s', (state, expected) => expect(ids('', state)).toEqual(expected))
  it('by how the test run stands: open, failing, waiting for weather, at its end', () => {
    const run = { cards: 9, done: 8, failed: 0, open: 0, waiting: 0, belowF: null, aboveF: null }
    const list = [
      entry('ended', '1 A', '2026', summary({ run })),
      entry('begun', '2 A', '2026', summary({ run: { ...run, open: 1 } })),
      entry('cold', '3 A', '2026', summary({ run: { ...run, waiting: 1, belowF: 40 } })),
      entry('failed', '4 A', '2026', summary({ run: { ...run, failed: 1 } })),
    ]
    const those = (state: JobState) =>
      filterJobs(
        list,
        { text: '', state, order: 'urgent' },
        () => 0,
        (j) => j.summary,
      ).map((j) => j.id)
    expect([those('done'), those('open'), those('waiting'), those('broken')]).toEqual([
      ['ended'], ['begun'], ['cold'], ['failed'],
    ]) // prettier-ignore
  })
  it('those that need the technician first', () =>
    expect(ids('', 'all').slice(0, 2)).toEqual(['broken', 'back']))
  it('newest first', () =>
    expect(ids('', 'all', 'newest')).toEqual(['unproven', 'bare', 'broken', 'done', 'back']))
  it('by street, the lower number first', () =>
    expect(ids('', 'all', 'street')).toEqual(['unproven', 'bare', 'done', 'back', 'broken']))
  it('by any word that is typed', () => {
    expect(ids('osier', 'all')).toEqual(['done', 'bare'])
    expect(ids('walk OWNER bare', 'all')).toEqual(['bare'])
    expect(ids('nobody', 'all')).toEqual([])
  })
})
