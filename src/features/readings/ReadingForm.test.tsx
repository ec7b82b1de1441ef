/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { solve } from '@/core/circuit'
import { degF } from '@/core/units'
import { JobAnalysis, parseJob, type Job, type Operation } from '@/jobfile'
import { readJson } from '../../../tests/helpers/demo'
import { JobContext, type JobScreenValue } from '../session'
import { ReadingForm } from './ReadingForm'

const demo = (): Job => {
  const parsed = parseJob(JSON.stringify(readJson('demo/jobs/quillfeather-lane.json')))
  if (!parsed.ok) throw new Error('refused')
  return { ...parsed.value, readings: [] }
}
/** The form in a job whose edits are gathered. */
function open() {
  const job = demo()
  const analysis = new JobAnalysis(job)
  const { inst } = analysis
  const situation = { call: 'emergency' as const, outdoorF: degF(40), modes: {} }
  const edits: Operation[] = []
  const value = {
    job, inst, situation, analysis, circuit: analysis.circuit, solved: solve(analysis.circuit, situation),
    edit: (op: Operation) => (edits.push(op), { ok: true, value: job }), who: 'Wren Hollis',
  } as unknown as JobScreenValue // prettier-ignore
  const view = render(
    <JobContext.Provider value={value}>
      <ReadingForm state={{ situation }} name="emergency" />
    </JobContext.Provider>,
  )
  return { ...view, edits, value: screen.getByLabelText(/^Value/) }
}
beforeEach(() => localStorage.clear())
const user = userEvent.setup()
const save = () => user.click(screen.getByRole('button', { name: 'Save the reading' }))

describe('the reading form', () => {
  it('judges while it is typed, and stores a reading with its place and who took it', async () => {
    const { edits, value } = open()
    // Two rows of 4,800 W and the blower at the feed: 40 A and a little.
    await user.type(value, '42')
    expect(await screen.findByText(/right|fits|as expected/i)).toBeInTheDocument()
    await save()
    await waitFor(() => expect(edits).toHaveLength(1))
    expect(edits[0]).toMatchObject({
      kind: 'takeReading',
      reading: {
        kind: 'stripAmps',
        value: 42,
        who: 'Wren Hollis',
        situation: { call: 'emergency' },
        supersedes: null,
      },
    })
    await waitFor(() => expect(value).toHaveValue(''))
  })

  it.each([
    ['abc', 'A number is expected here'],
    ['99999', /is expected here/],
  ])('says of %j what it expects, and stores nothing', async (text, words) => {
    const { edits, value } = open()
    await user.type(value, text)
    expect(await screen.findByRole('alert')).toHaveTextContent(words)
    await save()
    expect(edits).toEqual([])
  })

  it('asks for a value where none was typed, only once it is to be saved', async () => {
    const { edits } = open()
    expect(screen.queryByRole('alert')).toBeNull()
    await save()
    expect(await screen.findByRole('alert')).toHaveTextContent('Type the reading first')
    expect(edits).toEqual([])
  })

  it('takes a decimal comma, and OL for ohms alone', async () => {
    const { edits, value } = open()
    await user.selectOptions(screen.getByLabelText('Reading'), 'rowOhms')
    await user.click(screen.getByRole('button', { name: 'OL' }))
    await save()
    await waitFor(() => expect(edits).toHaveLength(1))
    expect(edits[0]).toMatchObject({ reading: { kind: 'rowOhms', value: 'OL' } })
    await user.type(value, '12,1')
    await save()
    await waitFor(() => expect(edits).toHaveLength(2))
    expect(edits[1]).toMatchObject({ reading: { value: 12.1 } })
  })

  it('keeps what was half typed when the page goes, and forgets it once it is saved', async () => {
    const first = open()
    await user.type(first.value, '41.5')
    first.unmount()
    const again = open()
    await waitFor(() => expect(again.value).toHaveValue('41.5'))
    await save()
    await waitFor(() => expect(again.edits).toHaveLength(1))
    again.unmount()
    expect(open().value).toHaveValue('')
  })
})
