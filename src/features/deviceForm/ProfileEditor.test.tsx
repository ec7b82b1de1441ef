/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { libraryDevice } from '../../../tests/helpers/demo'
import { ProfileEditor } from './ProfileEditor'

const device = libraryDevice('sorrel-h1')
const open = () => render(<ProfileEditor device={device} onSaved={() => undefined} />)
const cell = (column: string, line: number) => screen.getByLabelText(`${column}, line ${line}`)
beforeEach(() => localStorage.clear())
const user = userEvent.setup()

describe('the profile editor', () => {
  it('judges each line as it is typed, and names the line and what was expected', async () => {
    open()
    const answer = screen.getByTestId('profile-answer')
    expect(answer).toHaveTextContent(/items, no errors/)
    await user.clear(cell('Values', 1))
    await user.type(cell('Values', 1), 'nonsense')
    await waitFor(() => expect(answer).toHaveTextContent(/1 error\./))
    expect(screen.getByRole('button', { name: /^Line 1, values: expected/ })).toBeInTheDocument()
    expect(screen.getByRole('button', { name: 'Keep the profile' })).toBeDisabled()
  })

  it('keeps what was half typed for the next time, until it is dropped', async () => {
    const first = open()
    await user.clear(screen.getByLabelText('Name'))
    await user.type(screen.getByLabelText('Name'), 'Landlord’s spare')
    first.unmount()
    open()
    await waitFor(() => expect(screen.getByLabelText('Name')).toHaveValue('Landlord’s spare'))
    await user.click(screen.getByRole('button', { name: 'Drop what was typed' }))
    expect(screen.getByLabelText('Name')).toHaveValue(device.name)
  })

  it('keeps half a line of what it changes by itself, and takes it once it is whole', async () => {
    const label = /^What it changes by itself/
    const first = open()
    await user.type(screen.getByLabelText(label), 'droop')
    first.unmount()
    open()
    await waitFor(() => expect(screen.getByLabelText(label)).toHaveValue('droop'))
    await user.type(screen.getByLabelText(label), ': grows by itself')
    expect(screen.getByLabelText(label)).toHaveValue('droop: grows by itself')
  })

  it('asks for a name', async () => {
    open()
    await user.clear(screen.getByLabelText('Name'))
    await user.click(screen.getByRole('button', { name: 'Keep the profile' }))
    expect(await screen.findByText('A name is expected here')).toBeInTheDocument()
  })
})
