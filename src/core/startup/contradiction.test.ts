import { Circuit } from '../circuit'
import { demoInstallation } from '../../../tests/helpers/demo'
import { degF } from '../units'
import { judge, type Reading } from '.'

const circuit = new Circuit(demoInstallation('quillfeather-lane'))
const volts = (id: string, value: number, more: Partial<Reading> = {}): Reading => ({
  id,
  kind: 'terminalVolts',
  value,
  place: 'terminals',
  at: 'tstat.Y',
  withBlower: null,
  instrument: 'multimeter',
  situation: { call: 'heat1', outdoorF: degF(45), modes: {} },
  who: 'Ash Tolland',
  when: '2026-11-26T09:02:00Z',
  supersedes: null,
  ...more,
})
const WREN = { who: 'Wren Hollis' }
const right = volts('b', 25.4)
const verdictOf = (reading: Reading, ...others: Reading[]) => {
  const { verdict, causes } = judge(circuit, reading, [reading, ...others])
  return [verdict, causes[0]?.kind === 'contradicted' ? causes[0].by.id : null]
}

describe('two readings of one point', () => {
  const dead = volts('a', 0.4, { who: 'Wren Hollis', when: '2026-11-26T09:00:00Z' })

  it('that contradict each other do not pass, and name each other', () => {
    expect(verdictOf(right)).toEqual(['right', null])
    expect(verdictOf(right, dead)).toEqual(['watch', 'a'])
    expect(verdictOf(dead, right)).toEqual(['wrong', 'b'])
  })

  it.each<[string, Reading]>([
    ['are one person’s', volts('a', 0.4, { who: 'Ash Tolland' })],
    ['show about the same', volts('a', 24.1, WREN)],
    [
      'are of two calls',
      volts('a', 0.4, { ...WREN, situation: { call: 'cool1', outdoorF: degF(45), modes: {} } }),
    ],
    ['are of two terminals', volts('a', 0.4, { ...WREN, at: 'ah.W2' })],
    ['are a year apart', volts('a', 0.4, { ...WREN, when: '2025-11-26T09:00:00Z' })],
    ['are two kinds', volts('a', 0.4, { ...WREN, kind: 'controlVolts' })],
  ])('that %s are no contradiction', (_, other) => expect(verdictOf(right, other)).toEqual(['right', null]))

  it('of which one corrects the other are none', () => {
    const correction = { ...right, supersedes: 'a' }
    expect(verdictOf(correction, dead)).toEqual(['right', null])
    expect(verdictOf(dead, correction)).toEqual(['wrong', null])
  })
})
