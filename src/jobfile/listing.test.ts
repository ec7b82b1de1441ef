import { needsYou, statesOf, type Summary } from '.'

const summary = (over: Partial<Summary> = {}): Summary => ({
  version: 1, engine: '', verdict: '', broken: 0, undecided: 0, states: 9, readings: 3, wrongReadings: 0, toPutBack: 0, run: null, ...over,
}) // prettier-ignore
const run = { cards: 9, done: 8, failed: 0, open: 0, waiting: 0, belowF: null, aboveF: null }

describe('the states of a job in the list', () => {
  it.each<[string, Partial<Summary>, string[]]>([
    ['proven and read', {}, ['done']],
    ['a rule is broken', { broken: 1 }, ['broken']],
    ['nothing is read', { readings: 0 }, ['needsReading']],
    ['a reading is wrong', { wrongReadings: 1 }, ['needsReading']],
    ['something stands otherwise', { toPutBack: 1 }, ['toPutBack']],
    ['a rule is undecided', { undecided: 1 }, []],
    ['its test run is at its end', { run }, ['done']],
    ['its test run has begun', { run: { ...run, open: 1 } }, ['open']],
    ['it waits for a cold day', { run: { ...run, waiting: 1, belowF: 40 } }, ['waiting']],
    ['a card has failed', { run: { ...run, failed: 1 } }, ['broken']],
  ])('%s', (_, over, expected) => expect(statesOf(summary(over))).toEqual(['all', ...expected]))

  it('needs the technician where something is wrong or stands otherwise', () => {
    const cases = [{}, { broken: 1 }, { wrongReadings: 1 }, { toPutBack: 1 }, { run: { ...run, failed: 1 } }]
    expect(cases.map((c) => needsYou(summary(c)))).toEqual([false, true, true, true, true])
    expect(needsYou(null)).toBe(false)
  })
})
