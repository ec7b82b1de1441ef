import { basename } from 'node:path'
import { crossingView, type DownTo, type Year } from '@/core/crossing'
import type { JobSeen } from '@/core/installation'
import { type Checked, type JobAnalysis, parseWeather } from '@/jobfile'
import {
  crossingAnswer,
  defrostSentence,
  figure,
  FUEL_UNIT,
  money,
  recommendedSentence,
  STRATEGY_WORDS,
  missingInputsSentence,
} from '@/words'
import type { Args } from './args'
import { answer, refuse, type Result } from './answer'
import { textOf } from './jobOnDisk'

/** A temperature down to which something holds, for a script: `always` where it holds as cold as it gets. */
const downTo = (t: DownTo | undefined): { known: boolean; downToF: number | null; always: boolean } => ({
  known: t !== undefined,
  downToF: typeof t === 'number' ? t : null,
  always: t === null,
})

const yearJson = (y: Year) => ({
  cost: y.cost,
  kwh: finite(y.kwh),
  heatPumpKwh: finite(y.heatPumpKwh),
  stripKwh: y.stripKwh,
  fuel: y.fuel,
  backupHours: y.backupHours,
  unmetDegreeHours: y.unmetDegreeHours,
  peakKw: finite(y.peakKw),
  heatPumpStarts: y.heatPumpStarts,
  backupStarts: y.backupStarts,
  coldDefrostMinutes: y.coldDefrostMinutes,
  coldAirHours: y.coldAirHours,
})
const finite = (n: number): number | null => (Number.isFinite(n) ? n : null)

/** A job, with the weather of a file in place of its own where one is named. */
function withWeather({ seen }: JobAnalysis, file: string | undefined): Checked<JobSeen> {
  if (file === undefined) return { ok: true, value: seen }
  const text = textOf(file)
  if (text === null) return refuse('--weather', 'a file that can be read', file)
  const read = parseWeather(text, basename(file))
  if (read.ok) return { ok: true, value: { ...seen, climate: read.value } }
  return { ok: false, problems: read.problems.map((p) => ({ ...p, path: `--weather ${file}` })) }
}

/** `gatecross crossing FILE`: who heats when, what it costs, and the schools side by side. */
export function crossingCommand(analysis: JobAnalysis, args: Args): Result {
  const seen = withWeather(analysis, args.values.weather)
  if (!seen.ok) return seen
  const view = crossingView(seen.value, analysis.circuit)
  const currency = seen.value.prices.currency ?? ''
  const said = crossingAnswer(view, currency)
  const wanted = missingInputsSentence(view.wanted)
  const schools = args.values.schools ? view.schools : []
  const { breakEven, design } = view
  const lines = [
    ...said.map((l) => l.text),
    ...(wanted ? [wanted] : []),
    ...schools.map(
      ({ school, year: y }) =>
        `  ${STRATEGY_WORDS[school].name.padEnd(24)} ${money(y.cost, currency).padStart(10)}  ${figure(y.kwh, 0)} kWh${view.fuel ? `  ${figure(y.fuel, 0)} ${FUEL_UNIT[view.fuel]}` : ''}  aux ${figure(y.backupHours, 0)} h  unmet ${figure(y.unmetDegreeHours, 0)} °F·h`,
    ),
    ...(schools.length && view.recommended ? [recommendedSentence(view.recommended)] : []),
    ...(schools.length ? [defrostSentence(schools, currency) ?? []].flat() : []),
  ]
  return answer(
    {
      sentences: said.map((l) => l.text),
      wanted: view.wanted,
      loadLine: view.line && { way: view.line.way, slope: view.line.slope, noHeatF: view.line.noHeatF },
      balance: downTo(view.balanceF),
      emergency: downTo(view.emergencyF),
      breakEven: breakEven && { cop: breakEven.cop, ...downTo(breakEven.aboveF) },
      design,
      sharing: view.sharing.map(({ from, to, heatPump, kitKw, furnace, together }) => {
        return { from, to, heatPump, kitKw, furnace, together }
      }),
      year: view.year && yearJson(view.year),
      schools: schools.map(({ school, year: y }) => ({ school, ...yearJson(y) })),
      recommended: view.recommended?.best.school ?? null,
    },
    lines,
  )
}
