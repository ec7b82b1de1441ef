'use client'

import { memoriesAt, modesOf, type Situation } from '@/core/situation'
import type { Installation } from '@/core/installation'
import { Button, Field, Select } from '@/ui'
import { modeWords } from '@/words'
import { useJobScreen, useSituationNow } from '../job/JobContext'

/** How many modes are away from normal, in words for a button. */
export function modesSummary(inst: Installation, s: Situation): string {
  const away = Object.entries(s.modes)
  if (!away.length) return 'All normal'
  if (away.length === 1) return modeWords(inst, away[0]![0], away[0]![1])
  return `${away.length} not normal`
}

/** What timers, boards, limits and breakers are doing in this situation, failures included. */
export function ModesControl() {
  const { inst } = useJobScreen()
  const { situation, setSituation } = useSituationNow()
  const set = (ref: string, state: string, normal: string) => {
    const { [ref]: _, ...rest } = situation.modes
    setSituation({ ...situation, modes: state === normal ? rest : { ...rest, [ref]: state } })
  }
  const memories = memoriesAt(inst, situation.outdoorF)
  return (
    <div>
      <div className="grid grid-cols-2 gap-3">
        {memories.map((ref) => (
          <Field key={ref} label={`${modeWords(inst, ref, 'made').split(':')[0]}, inside its differential`}>
            {(ids) => (
              <Select
                {...ids}
                value={situation.modes[ref] ?? ''}
                onChange={(e) => set(ref, e.target.value, '')}
              >
                <option value="">not said</option>
                <option value="made">was closed before</option>
                <option value="broken">was open before</option>
              </Select>
            )}
          </Field>
        ))}
        {modesOf(inst).map(({ ref, placed, mode }) => (
          <Field
            key={ref}
            label={mode.label === 'Breaker' ? `Breaker, ${placed.label.toLowerCase()}` : mode.label}
          >
            {(ids) => (
              <Select
                {...ids}
                value={situation.modes[ref] ?? mode.states[0]!.id}
                onChange={(e) => set(ref, e.target.value, mode.states[0]!.id)}
              >
                {mode.states.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.reach === 'failure' ? `${s.label} (failed)` : s.label}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        ))}
      </div>
      <Button
        className="mt-3"
        disabled={!Object.keys(situation.modes).length}
        onClick={() => setSituation({ ...situation, modes: {} })}
      >
        Everything back to normal
      </Button>
    </div>
  )
}
