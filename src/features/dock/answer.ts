import { wantsBackup } from '@/core/equipment'
import type { JobScreenValue } from '../job/JobContext'
import { CALL_WORDS, chainSentence, degrees, lower, refWords, targetWords } from '@/words'

/** The situation's answer in two lines: what runs, and what holds the most wanted thing that does not. */
export function answerLines(
  j: Pick<JobScreenValue, 'inst' | 'solved' | 'targets' | 'chains' | 'situation'>,
): [string, string] {
  const head = `${CALL_WORDS[j.situation.call]}, ${degrees(j.situation.outdoorF)}`
  if (!j.solved.ok)
    return [
      `${head}: it does not come to rest`,
      `Keeps switching: ${j.solved.cycle.map((r) => refWords(j.inst, r)).join(', ')}`,
    ]
  const on = j.targets.filter((_, i) => j.chains[i]?.running === 'yes').map(targetWords)
  const first = on.length ? on.map((w, i) => (i ? lower(w) : w)).join(', ') : 'Nothing'
  const wanted = j.targets.findIndex((t, i) => {
    if (j.chains[i]?.running === 'yes') return false
    if (t.making.what === 'strip') return wantsBackup(j.situation.call)
    return t.making.what === 'compressor' && !['off', 'fan', 'emergency'].includes(j.situation.call)
  })
  const held =
    wanted < 0 ? '' : `${targetWords(j.targets[wanted]!)}: ${lower(chainSentence(j.inst, j.chains[wanted]!))}`
  return [`${head}: ${lower(first)}${on.length ? ' on' : ' runs'}`, held]
}
