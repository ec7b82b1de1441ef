/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { apply, type Job, type Operation } from '@/jobfile'
import { readJson } from '../../../tests/helpers/demo'
import { JobContext, type JobScreenValue } from '../session'
import { AddCable } from './Bolted'

const job = readJson<Job>('demo/jobs/quillfeather-lane.json')
/** The form over a job whose edits are gathered. */
function open() {
  const edits: Operation[] = []
  const edit = (op: Operation) => {
    edits.push(op)
    return apply(job, op)
  }
  const view = render(
    <JobContext.Provider value={{ job, edit } as unknown as JobScreenValue}>
      <AddCable />
    </JobContext.Provider>,
  )
  return { ...view, edits }
}
beforeEach(() => localStorage.clear())
const user = userEvent.setup()
const choose = (label: string, text: string) => user.selectOptions(screen.getByLabelText(label), text)

describe('a cable that is added', () => {
  it('runs between two devices, with as many bare conductors as were chosen', async () => {
    const { edits } = open()
    await user.click(screen.getByRole('button', { name: 'Add a cable' }))
    const add = screen.getByRole('button', { name: 'Add' })
    expect(add).toBeDisabled()
    await choose('From', 'Thermostat')
    await choose('To', 'Thermostat')
    expect(add).toBeDisabled()
    await choose('To', 'Outdoor unit')
    await choose('Conductors', '5')
    await user.click(add)
    expect(edits).toHaveLength(1)
    const [made] = edits
    if (made?.kind !== 'addCable') throw new Error('no cable')
    expect(made.cable).toMatchObject({ from: 'tstat', to: 'od', kind: 'low' })
    expect(made.wires).toHaveLength(5)
    expect(made.wires.every((w) => w.a === null && w.b === null)).toBe(true)
    expect(await screen.findByText(/is added; give its length above/)).toBeInTheDocument()
  })

  it('is still half chosen after an interruption', async () => {
    const first = open()
    await choose('From', 'Air handler')
    first.unmount()
    open()
    expect(await screen.findByLabelText('From')).toHaveValue('ah')
  })
})
