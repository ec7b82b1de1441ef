'use client'

import type { Year } from '@/core/crossing'
import { SelectField, useLocalStorage } from '@/ui'
import { comparedSentence } from '@/words'
import { useJobScreen } from '../session'

/** Two ways side by side in a sentence: what differs, and by how much. */
export function Compare({
  ways,
  currency,
}: {
  ways: readonly { id: string; name: string; year: Year }[]
  currency: string
}) {
  const { job } = useJobScreen()
  const [stored, setChosen] = useLocalStorage<[string, string] | null>(`gate-cross-compared-${job.id}`, null)
  const chosen: [string, string] = stored ?? [ways[1]?.id ?? '', ways[0]?.id ?? '']
  const [one, other] = chosen.map((id) => ways.find((w) => w.id === id))
  const options = ways.map((w) => [w.id, w.name] as const)
  return (
    <div className="mt-2" data-testid="compare">
      <div className="flex flex-wrap gap-3">
        <SelectField
          label="Compare"
          value={chosen[0]}
          options={options}
          onValue={(id) => setChosen([id, chosen[1]])}
        />
        <SelectField
          label="with"
          value={chosen[1]}
          options={options}
          onValue={(id) => setChosen([chosen[0], id])}
        />
      </div>
      {one && other && (
        <p role="status" className="mt-1 text-[15px]">
          {comparedSentence(one, other, currency)}
        </p>
      )}
    </div>
  )
}
