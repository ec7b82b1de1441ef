import {
  readCustomScene,
  sceneInput,
  sceneNotes,
  scenesOf,
  simulate,
  WINTER_DAYS,
  winterOf,
  worksAgainst,
  type Scene,
  type Sums,
} from '@/core/simulation'
import { tolerances } from '@/core/tolerances'
import type { JobAnalysis } from '@/jobfile'
import {
  elapsed,
  eventSentence,
  eventWords,
  OWN_PROBLEM_WORDS,
  SCENE_WORDS,
  sceneNoteSentence,
  sceneSummary,
  winterSentences,
} from '@/words'
import type { Args } from './args'
import { answer, refuse, type Result } from './answer'

/** The longest scene, h. */
const MOST_HOURS = 240

/** "24h", "90m", "600s" or plain seconds, as s; null: none of them. */
function seconds(text: string): number | null {
  const found = /^(\d+(?:\.\d+)?)(h|m|min|s)?$/.exec(text.trim())
  if (!found) return null
  const times = found[2] === 'h' ? 3600 : found[2]?.startsWith('m') ? 60 : 1
  return Number(found[1]) * times
}

const sumsJson = (s: Sums) => ({
  hours: s.hours,
  heatPumpKwh: s.heatPumpKwh,
  stripKwh: s.stripKwh,
  blowerKwh: s.blowerKwh,
  fuelBtu: s.fuelBtu,
  compressorHours: s.compressorHours,
  stripHours: s.stripHours,
  burnerHours: s.burnerHours,
  backupHours: s.backupHours,
  starts: s.starts,
  shortestOffSeconds: Number.isFinite(s.shortestOff) ? s.shortestOff : null,
  defrosts: s.defrosts,
  defrostsByTime: s.defrostsByTime,
  mostFrostLb: s.mostFrostLb,
  coldestF: s.coldestF,
  coldestAt: s.coldestAt,
  belowHours: s.belowHours,
})

/** `gatecross run FILE --scene S`: a scene played through, each event with its cause. */
export function runCommand({ circuit, seen }: JobAnalysis, args: Args): Result {
  const { scene, outdoor, to, events: written } = args.values
  const offered = scenesOf(seen.inst)
  if (!scene || !offered.includes(scene as Scene))
    return refuse('--scene', `one of ${offered.join(', ')}`, scene ?? '')
  const outdoorF = outdoor === undefined ? undefined : Number(outdoor)
  const { coldestF, warmestF } = tolerances
  if (outdoorF !== undefined && !(outdoorF >= coldestF && outdoorF <= warmestF))
    return refuse('--outdoor', `a temperature from ${coldestF} to ${warmestF} °F`, outdoor ?? '')
  const until = to === undefined ? undefined : seconds(to)
  if (until === null || (until !== undefined && !(until > 0 && until <= MOST_HOURS * 3600)))
    return refuse('--to', `a time such as 24h or 90m, up to ${MOST_HOURS}h`, to ?? '')
  const own = readCustomScene(written ?? '')
  if (!own.ok) {
    const [first] = own.problems
    return refuse(
      `--events, entry ${first?.entry ?? 1}`,
      OWN_PROBLEM_WORDS[first?.expected ?? 'what'],
      first?.text ?? '',
    )
  }
  if ((scene === 'own') !== own.value.length > 0)
    return refuse('--events', 'what happens, with --scene own and with no other', written ?? '')
  const input = sceneInput(seen, scene as Scene, { outdoorF, until, own: own.value, sampleEvery: 60 })
  const run = simulate(circuit, seen, input)
  const events = run.steps.filter((s) => s.moves.length)
  const chatters = run.ended === 'chatter'
  const notes = sceneNotes(seen.inst, scene as Scene, run.steps, run.samples).map((n) =>
    sceneNoteSentence(circuit, n),
  )
  return answer(
    {
      scene,
      ended: run.ended,
      until: input.until,
      events: events.map((s) => ({
        ...eventWords(seen.inst, s),
        running: s.running,
        call: s.situation.call,
        words: eventSentence(seen.inst, s),
      })),
      room: run.samples,
      sums: sumsJson(run.sums),
      notes,
      untimed: run.untimed,
    },
    [
      `${SCENE_WORDS[scene as Scene]}.`,
      ...events.map((s) => `${elapsed(s.at)}  ${eventSentence(seen.inst, s)}`),
      ...sceneSummary(run.sums, run.samples),
      ...notes,
      ...(chatters ? ['Here the circuit comes to no rest: relays go on and off without end.'] : []),
    ],
    chatters,
  )
}

/** `gatecross winter FILE`: 180 days of this house and climate. */
export function winterCommand({ circuit, seen }: JobAnalysis, args: Args): Result {
  const winter = winterOf(seen, circuit, { habit: args.values.setback ? 'setback' : 'steady' })
  if (!winter) return refuse('crossing.climate', 'a climate by the hour: choose one in Crossing', '')
  const words = winterSentences(winter, worksAgainst(seen, circuit), seen.prices.currency ?? '')
  return answer(
    {
      known: true,
      days: WINTER_DAYS,
      ended: winter.ended,
      cost: winter.cost,
      sums: sumsJson(winter.sums),
      words,
    },
    words,
    winter.ended === 'chatter',
  )
}
