import { Circuit } from '@/core/circuit'
import { crossingView, kitAdvice } from '@/core/crossing'
import { identifyKit, lineCircuitsOf, unknownWatts, USUAL_KITS, type CircuitNote } from '@/core/kit'
import { UNKNOWN_SITE } from '@/core/installation'
import { installationOf } from '@/jobfile'
import { NOT_LOOKED_AT } from '../../tests/cases/gear'
import { compose } from '../../tests/helpers/compose'
import { demoInstallation, jobIds } from '../../tests/helpers/demo'
import { demoSeen } from '../../tests/helpers/seen'
import {
  circuitNoteWords,
  circuitSentence,
  comparedSentence,
  crossingAnswer,
  defrostSentence,
  identitySentences,
  kitAdviceSentences,
  money,
  recommendedSentence,
  unknownWattsSentence,
  missingInputsSentence,
} from '.'

const view = (job: string, change = {}) => {
  const seen = { ...demoSeen(job), ...change }
  return crossingView(seen, new Circuit(seen.inst))
}
const NO_NUMBER = /NaN|undefined|Infinity|null|\[object/

describe('what Crossing and Kit say', () => {
  it.each(jobIds())('%s: whole sentences, with numbers in them', (job) => {
    const v = view(job)
    const seen = demoSeen(job)
    const advice = kitAdvice(seen, new Circuit(seen.inst))
    const said = [
      ...crossingAnswer(v, '$').flatMap((l) => [l.text, l.how]),
      v.recommended ? recommendedSentence(v.recommended) : '',
      defrostSentence(v.schools, '$') ?? '',
      ...(advice ? kitAdviceSentences(advice) : []),
      ...lineCircuitsOf(seen.inst, seen.plates, 'copper60').flatMap((c) => [
        circuitSentence(seen.inst, c),
        ...c.notes.map(circuitNoteWords),
      ]),
    ].filter(Boolean)
    expect(said.length).toBeGreaterThan(5)
    for (const s of said) expect(s).not.toMatch(NO_NUMBER)
    for (const l of crossingAnswer(v)) expect(l.text).toMatch(/^[A-Z].*\.$/)
  })

  it('says what is lacking, and by which setting a year costs more than it need', () => {
    const text = (job: string, id: string) => crossingAnswer(view(job), '$').find((l) => l.id === id)
    // Five or more of the demo jobs cost their owner visibly.
    const dear = jobIds().filter((j) => text(j, 'year')?.grave)
    expect(dear.length).toBeGreaterThanOrEqual(3)
    expect(text('gorse-end', 'year')?.text).toMatch(
      /^As wired and set a year costs \$\d.*more than “Run it always”\.$/,
    )
    expect(text('gorse-end', 'design')?.text).toMatch(/nothing lets the heat pump heat/)
  })

  it('says what it does not know, and nothing instead', () => {
    const v = view('tallow-mill', UNKNOWN_SITE)
    expect(missingInputsSentence(v.wanted)).toBe(
      'Not known yet: the house’s load, by any of four ways; a climate; the outdoor design temperature; the price of a kWh; the price of the fuel.',
    )
    expect(crossingAnswer(v)).toEqual([])
    expect(money(null, '$')).toBe('not known')
  })

  it('says where a setting that nobody knows decides who heats', () => {
    const seen = demoSeen('tallow-mill')
    const line = (inst: typeof seen.inst) =>
      crossingAnswer(view('tallow-mill', { inst })).find((l) => l.id === 'unsure')
    expect(line(seen.inst)).toBeUndefined()
    // Not known where the changeover lies: it may be anywhere in its range.
    const changeover = seen.inst.placed.map((p) =>
      p.ref === 'tstat' ? { ...p, settings: { ...p.settings, changeover: null } } : p,
    )
    expect(line({ ...seen.inst, placed: changeover })?.text).toMatch(/decides who heats from/)
  })

  it('calls ways to the load that differ by more than they may', () => {
    const seen = demoSeen('copper-alley')
    const house = {
      ...seen.house,
      values: { ...seen.house.values, designLoad: { value: 60_000, source: 'typed' as const } },
    }
    const line = crossingAnswer(view('copper-alley', { house })).find((l) => l.id === 'lines')
    // Measured 503 a degree, 31,690 at 2 °F, against 60,000.
    expect(line?.text).toMatch(/^The ways to the load differ by 4\d %: look again at one of them\.$/)
  })

  it('says what one way differs in from another', () => {
    const year = {
      cost: 100,
      kwh: 1000,
      fuel: 0,
      backupHours: 5,
      unmetDegreeHours: 0,
      peakKw: 3,
      coldDefrostMinutes: 0,
    }
    const dear = { ...year, cost: 150, kwh: 400, fuel: 60, peakKw: 1.2 }
    expect(comparedSentence({ name: 'B', year: dear }, { name: 'A', year }, '$')).toBe(
      'Against “A”, “B” is $50 more, 600 kWh less, 60 of fuel more in a year; its peak is 1.2 kW against 3.',
    )
    expect(comparedSentence({ name: 'B', year }, { name: 'A', year })).toBe(
      '“B” and “A” come to the same in a year.',
    )
  })

  it('says of rows whose watts nobody has read that they are reckoned at a default', () => {
    const unlooked = installationOf(compose(NOT_LOOKED_AT))
    expect(unknownWattsSentence(unlooked, unknownWatts(unlooked))).toBe(
      'Not known yet: Strip kit: Watts of one row at 240 V. Its rows are reckoned at the default.',
    )
    const read = installationOf(compose([...NOT_LOOKED_AT, 'set kit.rowWatts=4800']))
    expect(unknownWattsSentence(read, unknownWatts(read))).toBeNull()
  })

  it('names a kit, what contradicts, and what to look at next', () => {
    const said = (clues: object) => identitySentences(identifyKit(clues, USUAL_KITS)).join(' ')
    expect(said({ ohms: [11.5, 19.2] })).toBe('It is an 8 kW (5 + 3) kit: nothing else fits.')
    expect(said({ labelKw: 10, rows: 3 })).toMatch(
      /^No kit fits all of it\. KW on the label and number of rows contradict/,
    )
    expect(said({ rows: 2 })).toMatch(/^It may be .* or .*\. Next: look for kW on a label/)
    expect(said({})).toMatch(/one clue is enough/)
  })

  it.each([
    [{ code: 'breakerSmall', needs: 60 }, '60 A at least'],
    [{ code: 'breakerLarge', most: 30 }, '30 A at most'],
    [{ code: 'conductorThin', needs: 6 }, '6 AWG at least'],
    [{ code: 'conductorThin', needs: NaN }, 'none of the table'],
    [{ code: 'subdivide', amps: 62.5 }, '62.5 A of elements are more than 48'],
    [{ code: 'breakerUnknown' }, 'not known'],
    [{ code: 'conductorUnknown' }, 'not recorded'],
  ] as [CircuitNote, string][])('%j', (note, words) => expect(circuitNoteWords(note)).toContain(words))
})

describe('a job that is wired wrong', () => {
  it('says that its heat pump does not heat, and what the strips must make up', () => {
    const seen = demoSeen('pennywort-close')
    const inst = demoInstallation('pennywort-close', { 'tstat.rvSense': 'heating' })
    const wrong = { ...seen, inst }
    const view = crossingView(wrong, new Circuit(inst))
    const text = (id: string) => crossingAnswer(view).find((l) => l.id === id)?.text
    expect(text('balance')).toMatch(
      /^As wired, the heat pump doesn’t heat\. By its plate it carries the house/,
    )
    // Its high stage has 36,000 BTU/h at 47 °F: 10.6 kW more than the load of 10.8.
    expect(text('design')).toMatch(
      /the compressor cools on a heat call\. With what it takes away the house needs 2\d(\.\d)? kW; the strips have 9\.6\.$/,
    )
    expect(defrostSentence(view.schools)).toBeNull()
    const right = crossingAnswer(crossingView(seen, new Circuit(seen.inst)))
    expect(right.find((l) => l.id === 'balance')?.text).toBe(
      'The heat pump alone carries the house down to 31 °F.',
    )
  })
})
