import { readFileSync } from 'node:fs'
import { ProvenAnalysis } from '@/core/analysis'
import { crossingView } from '@/core/crossing'
import { installationOf, JobAnalysis, parseJob, type Job } from '@/jobfile'
import { timesOf } from './ownersCard'
import type { Block, Section } from './paper'
import { inColumns } from './columns'
import { LANGUAGES, speak } from './speech'
import { cabinetCardOf, ownersCardOf, paperInput, reportOf, type Paper } from '.'

const jobOf = (id: string): Job => {
  const read = parseJob(readFileSync(`demo/jobs/${id}.json`, 'utf8'))
  if (!read.ok) throw new Error(id)
  return read.value
}
function inputOf(job: Job) {
  const proven = new ProvenAnalysis(installationOf(job))
  const analysis = new JobAnalysis(job, proven)
  return paperInput(analysis, proven.prove(), crossingView(analysis.seen, analysis.circuit))
}
const textOf = (blocks: readonly Block[]): string[] =>
  blocks.flatMap((b) =>
    b.kind === 'lines' ? b.lines.map((l) => l.text) : b.kind === 'heading' ? [b.text] : [],
  )
const part = (paper: Paper, id: string) => textOf(paper.sections.find((s) => s.id === id)?.blocks ?? [])

describe('the first page of a report', () => {
  it('of a sound job says what was proven and read, and that the run is open', () => {
    const said = part(reportOf(inputOf(jobOf('quillfeather-lane'))), 'glance').join('\n')
    expect(said).toMatch(/All \d+ rules hold in 1,960 states/)
    // Seven stand: the eighth was superseded. Five are compared with something.
    expect(said).toContain('7 readings: 5 right, 2 recorded, held against nothing.')
    expect(said).not.toContain('Broken')
    expect(said).toContain('The test run has not begun.')
  })
  it('of a broken one begins what is open with what is broken', () => {
    const said = part(reportOf(inputOf(jobOf('saltmarsh-row'))), 'glance')
    const open = said.indexOf('What is open')
    expect(said[open + 1]).toMatch(/^Broken: Emergency heat brings on no backup/)
  })
  it('names what is still to be put back, and a wrong reading', () => {
    const job = jobOf('quillfeather-lane')
    const stamp = { who: 'Wren Hollis', when: '2026-11-27T09:00:00Z' }
    const jumper = {
      id: 't',
      kind: 'jumper' as const,
      what: 'R to W',
      at: 'ah',
      was: null,
      now: '',
      why: '',
      ...stamp,
    }
    const worse: Job = {
      ...job,
      setup: { ...job.setup, temporary: [jumper] },
      readings: job.readings.map((r) => (r.id === 'q5' ? { ...r, value: 30 } : r)),
    }
    const said = part(reportOf(inputOf(worse)), 'glance').join('\n')
    expect(said).toContain('Still to be put back: jumper, R to W.')
    expect(said).toContain('Wrong: Row ohms')
  })
})

describe('what backup costs', () => {
  it('of strips is the heat pump’s COP; of a furnace the prices over both efficiencies', () => {
    const strips = inputOf(jobOf('quillfeather-lane'))
    const at35 = (input: typeof strips) =>
      input.crossing!.curve.cop[input.crossing!.curve.outdoorF.indexOf(35)]!
    expect(timesOf(strips)).toBeCloseTo(at35(strips), 9)
    const fuel = inputOf(jobOf('tallow-mill'))
    const { kwh, fuel: therm } = fuel.seen.prices
    // At full fire 0.8 therm and 0.507 kWh of blower and inducer an hour give 76,000 BTU and 0.432 kWh of the blower's heat; a
    // kWh in the heat pump gives 3,412 times the COP.
    const perBtu = {
      furnace: (0.8 * therm! + 0.507 * kwh!) / (76_000 + 0.432 * 3412),
      heatPump: kwh! / (3412 * at35(fuel)),
    }
    expect(timesOf(fuel)).toBeCloseTo(perBtu.furnace / perBtu.heatPump, 9)
    expect(timesOf({ ...fuel, seen: { ...fuel.seen, prices: {} } })).toBeNull()
  })
  it('is said to the owner, and nothing of it where it is not known', () => {
    const input = inputOf(jobOf('quillfeather-lane'))
    expect(part(ownersCardOf(input), 'costs')[0]).toMatch(
      /At 35 °F outside the same warmth then costs about \d\.\d times the heat pump’s\./,
    )
    const [only, ...more] = part(ownersCardOf({ ...input, crossing: null }), 'costs')
    expect(only).toContain('and it costs more')
    expect(more).toEqual([])
  })
})

describe('languages', () => {
  it('English has every word; another says what it has, and the rest in English', () => {
    const [en, es] = [speak('en'), speak('es')]
    for (const [key, word] of Object.entries<string>({ ...en.labels }))
      expect([key, word.length > 0]).toEqual([key, true])
    expect(es.labels.gear).toBe('Equipos')
    expect(es.labels.caution).toBe(en.labels.caution)
    expect(speak('none').lang).toBe('en')
    expect(LANGUAGES.map((l) => l.lang)).toEqual(['en', 'es'])
  })
  it('one size fits all sorts of times: less, like, more', () => {
    const { auxCosts } = speak('en')
    expect(auxCosts(0.8, '35 °F', 'furnace')).toContain('about 80 % of the heat pump’s')
    expect(auxCosts(1.02, '35 °F', 'strips')).toContain('costs about the heat pump’s')
    expect(auxCosts(2.77, '35 °F', 'strips')).toContain('about 2.8 times the heat pump’s')
    expect(speak('es').auxCosts(2.77, '35 °F', 'strips')).toContain('unas 2,8 veces')
  })
})

describe('the cabinet card', () => {
  const card = cabinetCardOf(inputOf(jobOf('quillfeather-lane')), new Date('2026-11-27T12:00:00Z'))
  it('lists each terminal with its colours and where they go, from both ends', () => {
    const said = part(card, 'landing')
    expect(said).toContain('E: brown → air handler W2')
    expect(said).toContain('W2: brown → thermostat E; white jumper → air handler W1; brown → strip kit W2')
  })
  it('has the banks, the gate that decides, switches as pictures and codes as the device has them', () => {
    expect(part(card, 'banks')).toEqual(['Strip kit', 'W1: rows on 1', 'W1 + W2: rows on 1, 2'])
    expect(part(card, 'gates')).toContain('Outdoor thermostat: Closes below: 35 °F')
    expect(card.sections.find((s) => s.id === 'pins')!.blocks.some((b) => b.kind === 'drawing')).toBe(true)
    expect(part(card, 'codes')[1]).toMatch(/^11=0 · 12=0 /)
    expect(part(card, 'new')).toContain('Row ohms, strip row 1: 12.1 Ω')
  })
})

describe('columns of a card', () => {
  const section = (id: string, count: number): Section => ({
    id,
    title: id,
    blocks: Array.from({ length: count }, (_, i) => ({ kind: 'lines', lines: [{ text: `${id}${i}` }] })),
  })
  it('are about as full as each other, in order, and a section that is cut has its title once', () => {
    const columns = inColumns([section('a', 9), section('b', 2), section('c', 1)], 3)
    expect(columns).toHaveLength(3)
    const order = columns.flatMap((c) => c.flatMap((s) => textOf(s.blocks)))
    expect(order).toEqual(['a0', 'a1', 'a2', 'a3', 'a4', 'a5', 'a6', 'a7', 'a8', 'b0', 'b1', 'c0'])
    expect(columns.flatMap((c) => c.map((s) => s.title)).filter(Boolean)).toEqual(['a', 'b', 'c'])
    // 12 lines and three titles of 1.8: 17.4 in all, 5.8 a column.
    for (const c of columns) expect(c.flatMap((s) => s.blocks).length).toBeLessThanOrEqual(6)
  })
})
