'use client'

import { nth } from '@/core/assert'
import { changedSituation, memoriesAt, modesOf } from '@/core/situation'
import type { Ref } from '@/core/installation'
import { Button, SelectField } from '@/ui'
import { lower, modeWords, situationWords } from '@/words'
import { useJobScreen, useSituationNow, setSituation } from '../../session'

/** States of timers, boards, limits and breakers in this situation, failures included. */
export function ModesControl() {
  const { inst } = useJobScreen()
  const situation = useSituationNow()
  const set = (ref: Ref, state: string, normal: string) => {
    const { [ref]: _, ...rest } = situation.modes
    setSituation(changedSituation(situation, { modes: state === normal ? rest : { ...rest, [ref]: state } }))
  }
  const memories = memoriesAt(inst, situation.outdoorF)
  return (
    <div>
      {situation.after && (
        <p className="mb-3 text-[15px]">
          The relays stand as they came to rest after {lower(situationWords(inst, situation.after))}. A change
          here starts from all coils at rest.
        </p>
      )}
      <div className="grid grid-cols-2 items-end gap-3">
        {memories.map((ref) => (
          <SelectField
            key={ref}
            label={`${modeWords(inst, ref, 'made').split(':')[0]}, inside its differential`}
            value={situation.modes[ref] ?? ''}
            none="not said"
            options={[
              ['made', 'was closed before'],
              ['broken', 'was open before'],
            ]}
            onValue={(state) => set(ref, state, '')}
          />
        ))}
        {modesOf(inst).map(({ ref, placed, mode }) => (
          <SelectField
            key={ref}
            label={mode.label === 'Breaker' ? `Breaker, ${placed.label.toLowerCase()}` : mode.label}
            value={situation.modes[ref] ?? nth(mode.states, 0).id}
            options={mode.states.map((s) => [s.id, s.reach === 'failure' ? `${s.label} (failed)` : s.label])}
            onValue={(state) => set(ref, state, nth(mode.states, 0).id)}
          />
        ))}
      </div>
      <Button
        className="mt-3"
        disabled={!Object.keys(situation.modes).length && !situation.after}
        onClick={() => setSituation(changedSituation(situation, { modes: {} }))}
      >
        Everything back to normal
      </Button>
    </div>
  )
}
