import { nth } from '@/core/sure'
import { wantsBackup } from '@/core/equipment'
import type { JobScreenValue } from '../../session'
import { chainSentence, gateWords, lower, refWords, targetWords } from '@/words'

/** The situation's answer in two lines: what runs, and what holds the most wanted thing that does not. */
export function answerLines(
  j: Pick<JobScreenValue, 'inst' | 'solved' | 'targets' | 'chains' | 'situation'>,
): [string, string] {
  if (!j.solved.ok)
    return [
      'It does not come to rest',
      `Keeps switching: ${j.solved.cycle.map((r) => refWords(j.inst, r)).join(', ')}`,
    ]
  const on = j.targets.filter((_, i) => j.chains[i]?.running === 'yes').map(targetWords)
  const first = on.length ? `On: ${on.map(lower).join(', ')}` : 'Nothing runs'
  const wanted = j.targets.findIndex((t, i) => {
    if (j.chains[i]?.running === 'yes') return false
    if (t.making.what === 'strip' || t.making.what === 'burner') return wantsBackup(j.situation.call)
    return t.making.what === 'compressor' && !['off', 'fan', 'emergency'].includes(j.situation.call)
  })
  if (wanted < 0) return [first, '']
  const chain = nth(j.chains, wanted)
  const gate = chain.first === null ? undefined : chain.gates[chain.first]
  const why = gate ? gateWords(j.inst, gate).reason : chainSentence(j.inst, chain)
  return [first, `${targetWords(nth(j.targets, wanted))} held: ${why}`]
}
