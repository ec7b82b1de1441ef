/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import { NewJob } from './NewJob'

const push = jest.fn()
jest.mock('next/navigation', () => ({ useRouter: () => ({ push }) }))

const devices = libraryIds().map(libraryDevice)
const sent: { url: string; body: unknown }[] = []
const answer = (url: string, init?: RequestInit) => {
  if (init?.method === 'POST') sent.push({ url, body: JSON.parse(init.body as string) })
  const body =
    url === '/api/library' ? { devices, own: [] } : init?.method === 'POST' ? { id: 'made' } : { jobs: [] }
  return Promise.resolve({ ok: true, status: 200, headers: new Headers(), json: () => Promise.resolve(body) })
}
beforeEach(() => {
  localStorage.clear()
  sent.length = 0
  Object.assign(globalThis, { fetch: answer })
})
const user = userEvent.setup()
const choose = (label: string, id: string) => user.selectOptions(screen.getByLabelText(label), id)
async function chooseAll() {
  await choose('Thermostat', 'sorrel-h1')
  await choose('Outdoor unit', 'marram-s1')
  await choose('Indoor unit', 'teasel-a3')
  await choose('Strip kit', 'teasel-k2')
}

describe('the form of a new job', () => {
  it('makes the job once all is chosen, landed by the plan, and goes to its Bench', async () => {
    render(<NewJob />)
    const make = await screen.findByRole('button', { name: 'Make the job' })
    expect(make).toBeDisabled()
    await chooseAll()
    expect(screen.getByTestId('plan-answer')).toHaveTextContent(/^Everything fits/)
    await user.click(make)
    await waitFor(() => expect(push).toHaveBeenCalledWith('/job/made/bench'))
    expect(sent).toHaveLength(1)
    expect(sent[0]!.body).toMatchObject({ format: 'gatecross.job', title: 'New job' })
  })

  it('has what was chosen after an interruption', async () => {
    const first = render(<NewJob />)
    await screen.findByLabelText('Thermostat')
    await chooseAll()
    first.unmount()
    render(<NewJob />)
    expect(await screen.findByLabelText('Strip kit')).toHaveValue('teasel-k2')
    expect(screen.getByRole('button', { name: 'Make the job' })).toBeEnabled()
  })
})
