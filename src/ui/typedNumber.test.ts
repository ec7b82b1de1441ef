import { typedAmount, typedNumber } from './typedNumber'

describe('a number that is typed', () => {
  it.each([
    ['12', 12],
    [' 0,5 ', 0.5],
    ['-3.25', -3.25],
    ['', undefined],
    ['  ', undefined],
    ['12 kW', undefined],
    ['1e999', undefined],
    [undefined, undefined],
  ])('%j is %s', (text, n) => expect(typedNumber(text)).toBe(n))
  it('an amount is above nothing', () =>
    expect(['0', '-1', '2'].map(typedAmount)).toEqual([undefined, undefined, 2]))
})
