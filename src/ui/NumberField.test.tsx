/** @jest-environment jsdom */
import '@testing-library/jest-dom'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { NumberField } from '.'

function Kept({ first }: { first?: number }) {
  const [value, setValue] = useState(first)
  return (
    <>
      <NumberField
        label="Feet"
        value={value}
        {...{ least: 2, most: 50, unit: 'ft' }}
        onValue={(n) => setValue(n ?? undefined)}
      />
      <output>{value ?? 'open'}</output>
    </>
  )
}
const stored = () => screen.getByRole('status').textContent
const box = () => screen.getByLabelText('Feet')

it.each([
  ['12', 12, null],
  ['12,5', 12.5, null],
  // The 3 of it fits, and is not what was meant.
  ['350', 20, '“350” is not kept: 2 to 50 ft'],
  ['35x', 20, '“35x” is not kept: 2 to 50 ft'],
  ['1', 20, '“1” is not kept: 2 to 50 ft'],
])('“%s” typed over 20 leaves %d, and says why', async (typed, left, said) => {
  const user = userEvent.setup()
  render(<Kept first={20} />)
  await user.clear(box())
  await user.type(box(), typed)
  expect(stored()).toBe(String(left))
  if (said) expect(screen.getByText(said)).toBeVisible()
  else expect(box()).toHaveAttribute('aria-invalid', 'false')
  await user.tab()
  expect(box()).toHaveValue(String(left))
})

it('what is refused at first and goes on to fit is kept; what is emptied is open', async () => {
  const user = userEvent.setup()
  render(<Kept />)
  await user.type(box(), '14')
  expect(stored()).toBe('14')
  await user.clear(box())
  expect(stored()).toBe('open')
  await user.type(box(), '500')
  await user.tab()
  expect(stored()).toBe('open')
  expect(box()).toHaveValue('')
})
