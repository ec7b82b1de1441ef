import { nth, required, mustGet } from '.'

it('gives what is there, also where it counts as false', () => {
  expect(nth([0, ''], 1)).toBe('')
  expect(nth(Float64Array.of(0, 2), 0)).toBe(0)
  expect(mustGet(new Map([['a', 0]]), 'a')).toBe(0)
  expect(required(false, 'the flag')).toBe(false)
})

it('says what is missing', () => {
  expect(() => nth([1, 2], 2)).toThrow('no element 2 in a list of 2')
  expect(() => mustGet(new Map([['a', 0]]), 'b')).toThrow('nothing under b')
  expect(() => required(null, 'the board')).toThrow('the board is missing')
})
