import { dateWords } from './dates'

describe('a date in words', () => {
  it('is the day and month of the place', () => {
    expect(dateWords('2026-11-26T12:00:00', 'd MMM yyyy')).toBe('26 Nov 2026')
  })
  it.each(['', 'soon', '2026-11-26T09:00:00+99:99', '2026-13-26T09:00:00Z'])('stands as it is where it is none: %j', (at) => {
    expect(dateWords(at, 'd MMM yyyy')).toBe(at)
  })
}) // prettier-ignore
