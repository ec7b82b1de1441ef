import { singleFailures } from '@/core/failures'
import { compare, landedBy, planLanding, planned, practiceFor } from '@/core/plan'
import type { JobAnalysis } from '@/jobfile'
import {
  unmetWords,
  differenceWords,
  effectWords,
  EFFECT_WORDS,
  failureWords,
  planSentence,
  planSettingWords,
  refWords,
  assumedSentence,
  whyWords,
} from '@/words'
import { readPractice, type Args } from './args'
import { answer, type Result } from './answer'

/** `gatecross plan FILE`: the landing for the gear, and how what is landed differs from it. */
export function planCommand({ inst }: JobAnalysis, args: Args): Result {
  const chosen = readPractice(args.values)
  if (!chosen.ok) return chosen
  const plan = planLanding(inst, practiceFor(inst, chosen.value))
  const goal = planned(inst, plan)
  const wires = landedBy(inst, plan).map(({ cable, colour, a, b, why }) => {
    return { cable, colour, a, b, why: why ? whyWords(why) : '' }
  })
  const differences = compare(inst, goal).map((d) => ({
    kind: d.kind,
    words: differenceWords(inst, goal, d),
  }))
  const settings = plan.settings.map((s) => ({
    ...s,
    value: String(s.value),
    words: planSettingWords(inst, s),
  }))
  const unmet = plan.unmet.map((c) => ({ what: c, words: unmetWords(c) }))
  const found =
    plan.short.length +
      plan.apart.length +
      plan.gaveUp.length +
      plan.unmet.length +
      differences.length +
      settings.length >
    0
  return answer(
    {
      sentence: planSentence(inst, plan),
      wires,
      spares: plan.spares,
      short: plan.short,
      apart: plan.apart,
      gaveUp: plan.gaveUp,
      notLanded: plan.notLanded,
      settings,
      unmet,
      differences,
    },
    [
      planSentence(inst, plan),
      ...wires.map(
        (w) =>
          `  ${(w.cable === null ? 'jumper' : w.colour).padEnd(8)} ${refWords(goal, w.a)} to ${refWords(goal, w.b)}${w.why ? ` (${w.why})` : ''}`,
      ),
      ...[...unmet, ...settings, ...differences].map((x) => `  ${x.words}`),
    ],
    found,
  )
}

/** `gatecross failures FILE`: what each single failure of wiring and parts would do, the gravest first. */
export function failuresCommand({ inst }: JobAnalysis): Result {
  const effects = singleFailures(inst).map((e) => ({
    failure: e.failure.kind,
    at: e.failure.at,
    state: e.failure.state ?? '',
    effect: e.kind,
    rule: e.rule,
    words: failureWords(inst, e.failure),
    shows: effectWords(inst, e),
  }))
  const taken = assumedSentence(inst)
  return answer(
    { effects },
    [...(taken ? [taken] : []), ...effects.map((e) => `${EFFECT_WORDS[e.effect]}: ${e.words}. ${e.shows}`)],
    effects.some((e) => e.effect === 'harm'),
  )
}
