import { wantsBackup } from '@/core/equipment'
import { chainOf } from '@/core/explain'
import type { JobScreenValue } from '../../session'
import { chainSentence, gateWords, lower, refWords, targetWords } from '@/words'

/** The situation's answer in two lines: what runs, and what holds the most wanted thing that does not. */
export function answerLines(
  j: Pick<JobScreenValue, 'inst' | 'solved' | 'targets' | 'situation'>,
): [string, string] {
  const { solved } = j
  if (!solved.ok)
    return [
      'It does not come to rest',
      `Keeps switching: ${solved.cycle.map((r) => refWords(j.inst, r)).join(', ')}`,
    ]
  const on = j.targets.filter((t) => solved.energised(t.ref)).map(targetWords)
  const first = on.length ? `On: ${on.map(lower).join(', ')}` : 'Nothing runs'
  const wanted = j.targets.find((t) => {
    if (solved.energised(t.ref)) return false
    if (t.does.what === 'strip' || t.does.what === 'burner') return wantsBackup(j.situation.call)
    return t.does.what === 'compressor' && !['off', 'fan', 'emergency'].includes(j.situation.call)
  })
  if (!wanted) return [first, '']
  const chain = chainOf(solved, wanted.ref)
  const gate = chain.first === null ? undefined : chain.gates[chain.first]
  const why = gate ? gateWords(j.inst, gate).reason : chainSentence(j.inst, chain)
  return [first, `${targetWords(wanted)} held: ${why}`]
}
