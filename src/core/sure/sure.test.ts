import { nth, sure, under } from '.'

it('gives what is there, also where it counts as false', () => {
  expect(nth([0, ''], 1)).toBe('')
  expect(nth(Float64Array.of(0, 2), 0)).toBe(0)
  expect(under(new Map([['a', 0]]), 'a')).toBe(0)
  expect(sure(false, 'the flag')).toBe(false)
})

it('says what is missing', () => {
  expect(() => nth([1, 2], 2)).toThrow('no element 2 in a list of 2')
  expect(() => under(new Map([['a', 0]]), 'b')).toThrow('nothing under b')
  expect(() => sure(null, 'the board')).toThrow('the board is missing')
})
