/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { settingsOfItem } from '@/core/equipment'
import { keyInSheet } from '@/core/setup'
import { apply, batched, installationOf, JobAnalysis, type Job, type Operation } from '@/jobfile'
import { readJson } from '../../../tests/helpers/demo'
import { JobContext, type JobScreenValue } from '../session'
import { Interview } from './Interview'
import { KeyInLine } from './KeyInLine'

type Edit = Operation | readonly Operation[]

/** A screen that never catches up with the edits: what it shows is the job as it was opened. */
function lateScreen(shown: Job) {
  const late = { now: shown, edits: 0 }
  const edit = (given: Edit | ((now: unknown) => Edit)) => {
    const made =
      typeof given === 'function' ? given({ job: late.now, inst: installationOf(late.now) }) : given
    const op = 'kind' in made ? made : batched(made)
    if (!op) throw new Error('nothing to do')
    const done = apply(late.now, op)
    if (done.ok) late.now = done.value
    late.edits++
    return done
  }
  const value = {
    job: shown,
    analysis: new JobAnalysis(shown),
    inst: installationOf(shown),
    edit,
    who: 'Ada',
  } as unknown as JobScreenValue
  return { late, value }
}
const user = userEvent.setup()

it('two figures of one list, typed faster than the screen follows, both stand', async () => {
  const { late, value } = lateScreen(readJson<Job>('demo/jobs/tallow-mill.json'))
  render(
    <JobContext.Provider value={value}>
      <Interview />
    </JobContext.Provider>,
  )
  await user.type(screen.getByLabelText('COP at 47 °F'), '3.6')
  await user.type(screen.getByLabelText('COP at 17 °F'), '2.2')
  const all = Object.values(late.now.commissioning.plates).flatMap((p) => p.ratings ?? [])
  const at = (f: number) => all.filter((r) => r.outdoorF === f && r.cop !== undefined).map((r) => r.cop)
  expect(at(47)).toEqual([3.6])
  expect(at(17)).toEqual([2.2])
})

it.each([
  ['Static pressure measured, in.w.c.', '7', /“7” is not kept: 0.01 to 5 in.w.c./],
  ['COP at 17 °F', '0.2', /“0.2” is not kept: 0.5 to 10/],
  ['Their thermometer differs by, °F', 'two', /“two” is not kept: 0.5 to 5 °F/],
])('%s: “%s” is refused aloud, and nothing of it is stored', async (label, typed, said) => {
  const shown = readJson<Job>('demo/jobs/tallow-mill.json')
  const { late, value } = lateScreen(shown)
  render(
    <JobContext.Provider value={value}>
      <Interview />
    </JobContext.Provider>,
  )
  const box = screen.getByLabelText(label)
  await user.clear(box)
  const cleared = late.now
  await user.type(box, typed)
  expect(screen.getByText(said)).toBeVisible()
  expect(late.now).toBe(cleared)
})

it('lines ticked faster than the screen follows leave their setting as wanted, each tick as one edit', async () => {
  const shown = readJson<Job>('demo/jobs/harrier-bank.json')
  const { late, value } = lateScreen({ ...shown, setup: { ...shown.setup, ticks: {}, keyed: {} } })
  // A setting that is spread over several lines is left when the last of them is ticked.
  const spread = value.inst.placed.flatMap((placed) => {
    const lines = keyInSheet(placed, {}, true)?.lines ?? []
    const ids = lines.flatMap((l) => (l.kind === 'set' ? settingsOfItem(l.item) : []))
    const id = ids.find((s, i) => ids.indexOf(s) !== i)
    return id === undefined ? [] : [{ placed, lines, id }]
  })
  expect(spread.map((s) => s.id)).toEqual(['airflowTap'])
  for (const { placed, lines, id } of spread) {
    const own = lines.filter((l) => l.kind === 'set' && settingsOfItem(l.item).includes(id))
    const view = render(
      <JobContext.Provider value={value}>
        <ul>
          {own.map((line) => (
            <KeyInLine key={line.id} {...{ line, placed, lines }} ticked={false} current={false} />
          ))}
        </ul>
      </JobContext.Provider>,
    )
    const before = late.edits
    const boxes = screen.getAllByRole('checkbox')
    for (const box of boxes) await user.click(box)
    expect(late.edits - before).toBe(boxes.length)
    expect(late.now.setup.keyed[`${placed.ref}.${id}`]?.left?.who).toBe('Ada')
    view.unmount()
  }
})
