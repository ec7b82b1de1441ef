/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { checkDevice } from '@/jobfile'
import { DeviceForm } from './DeviceForm'

const user = userEvent.setup()
const sent: string[] = []
beforeEach(() => {
  localStorage.clear()
  sent.length = 0
  global.fetch = jest.fn((_: unknown, init?: { body?: string }) => {
    sent.push(init?.body ?? '')
    const body = { device: JSON.parse(init?.body ?? '{}') as unknown }
    return Promise.resolve({ ok: true, status: 200, headers: new Headers(), json: () => Promise.resolve(body), text: () => Promise.resolve(JSON.stringify(body)) })
  }) as unknown as typeof fetch
}) // prettier-ignore

describe('the device form', () => {
  it('writes a device file that is right, from ticks and a name', async () => {
    const made: string[] = []
    render(<DeviceForm onMade={(d) => made.push(d.id)} />)
    const add = screen.getByRole('button', { name: 'Add it to the library' })
    expect(add).toBeDisabled()
    await user.selectOptions(screen.getByLabelText('What it is'), 'airHandler')
    await user.type(screen.getByLabelText('Name'), 'Odd air handler')
    await user.type(screen.getByLabelText(/^Model/), 'Q-7')
    await user.click(screen.getByRole('button', { name: 'W2' }))
    await user.click(add)
    await waitFor(() => expect(made).toHaveLength(1))
    const checked = checkDevice(JSON.parse(sent[0]!))
    expect(checked.ok ? [] : checked.problems).toEqual([])
    if (!checked.ok) return
    expect(checked.value).toMatchObject({ kind: 'airHandler', name: 'Odd air handler', fits: ['Q-7'] })
    // It was ticked to begin with: the tap took it off.
    expect(checked.value.terminals.map((t) => t.id)).not.toContain('W2')
  })

  it('keeps name and model when the kind changes, and all of it when the page goes', async () => {
    const first = render(<DeviceForm />)
    await user.type(screen.getByLabelText('Name'), 'Half done')
    await user.selectOptions(screen.getByLabelText('What it is'), 'outdoorUnit')
    expect(screen.getByLabelText('Name')).toHaveValue('Half done')
    first.unmount()
    render(<DeviceForm />)
    await waitFor(() => expect(screen.getByLabelText('Name')).toHaveValue('Half done'))
    expect(screen.getByLabelText('What it is')).toHaveValue('outdoorUnit')
  })

  it('what is typed while the last device is on its way is not lost when that arrives', async () => {
    let answer = () => {}
    global.fetch = jest.fn(
      (_: unknown, init?: { body?: string }) =>
        new Promise((resolve) => {
          const body = { device: JSON.parse(init?.body ?? '{}') as unknown }
          const text = () => Promise.resolve(JSON.stringify(body))
          answer = () =>
            resolve({
              ok: true,
              status: 201,
              headers: new Headers(),
              json: () => Promise.resolve(body),
              text,
            })
        }),
    ) as unknown as typeof fetch
    render(<DeviceForm />)
    await user.type(screen.getByLabelText('Name'), 'First')
    await user.click(screen.getByRole('button', { name: 'Add it to the library' }))
    await user.selectOptions(screen.getByLabelText('What it is'), 'stripKit')
    await user.clear(screen.getByLabelText('Name'))
    await user.type(screen.getByLabelText('Name'), 'Second')
    answer()
    expect(await screen.findByText('First is in the library.')).toBeInTheDocument()
    expect(screen.getByLabelText('What it is')).toHaveValue('stripKit')
    expect(screen.getByLabelText('Name')).toHaveValue('Second')
  })
})
