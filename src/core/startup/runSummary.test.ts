import { Circuit } from '../circuit'
import { demoInstallation } from '../../../tests/helpers/demo'
import { runSummary, testPlan, type CardState, type Progress } from '.'
import { degF } from '../units'

const circuit = new Circuit(demoInstallation('quillfeather-lane'))
const progress = (outdoorF: number, marks: Record<string, CardState>): Progress => ({
  outdoorF,
  calls: {},
  cards: Object.fromEntries(
    Object.entries(marks).map(([id, state]) => [id, { state, who: '', when: '2026-11-26T09:00:00Z' }]),
  ),
})

describe('where a test run stands', () => {
  it('has not begun while no card is marked', () => {
    expect(runSummary(circuit, progress(25, {}))).toBeNull()
  })

  it('counts what ended, what failed, what is open and what waits for weather', () => {
    // Ten cards at 25 °F: cooling waits for 60 °F by itself.
    expect(runSummary(circuit, progress(25, { supply: 'done', fan: 'failed', heat1: 'notTestable' }))).toEqual({
      cards: 10, done: 2, failed: 1, open: 6, waiting: 1, belowF: null, aboveF: 60,
    }) // prettier-ignore
    // On a mild day the defrost waits for 40 °F and cooling for 60.
    expect(runSummary(circuit, progress(55, { supply: 'done' }))).toMatchObject({
      // The forced one is open.
      waiting: 2, belowF: 40, aboveF: 60, open: 8,
    }) // prettier-ignore
  })

  it('a card that somebody set aside for the weather waits, whatever today’s is', () => {
    // At 25 °F the heat pump could be run: it is put off all the same, beside the cooling.
    expect(runSummary(circuit, progress(25, { supply: 'done', heat1: 'waiting' }))).toMatchObject({
      waiting: 2, open: 7, done: 1, aboveF: 60, belowF: null,
    }) // prettier-ignore
  })

  it('waits only for weather once all else has ended', () => {
    const ids = testPlan(circuit, degF(25)).map((c) => c.id)
    const all = Object.fromEntries(ids.filter((id) => id !== 'cool1').map((id) => [id, 'done' as const]))
    expect(runSummary(circuit, progress(25, all))).toMatchObject({ open: 0, waiting: 1, done: 9 })
    expect(runSummary(circuit, progress(25, { ...all, cool1: 'done' }))).toMatchObject({
      open: 0,
      waiting: 0,
      done: 10,
    })
  })
})
