'use client'

import { memo, useState } from 'react'
import type { CrossingView, SchoolYear, Strategy } from '@/core/crossing'
import { recommend, type Recommended } from '@/core/setup'
import { placedByRef, settingValue, splitRef } from '@/core/installation'
import { Button, DataTable, type TableColumn } from '@/ui'
import {
  whole,
  defrostSentence,
  figure,
  INTENT_WORDS,
  money,
  needsWords,
  recommendedSentence,
  STRATEGY_WORDS,
} from '@/words'
import { useJobScreen, useSetValue } from '../session'
import { Compare } from './Compare'

/** The schools of practice side by side on this house, unit, prices and climate; one can be applied. */
export const Schools = memo(function Schools({ view, currency }: { view: CrossingView; currency: string }) {
  const [chosen, setChosen] = useState<Strategy | null>(null)
  const { schools, recommended, year } = view
  if (!schools.length || !year)
    return (
      <section aria-label="Schools" className="below-fold mt-5 border-t border-line pt-2">
        <h2 className="text-lg font-bold">Schools of practice</h2>
        <p className="text-[15px] text-soft">
          They are compared once the load, the unit’s ratings and a climate are known.
        </p>
      </section>
    )
  const rows: Line[] = [
    { id: 'asSet', name: 'As wired and set', reason: 'what this job does today', year },
    ...schools.map((s) => ({
      id: s.school,
      name: STRATEGY_WORDS[s.school].name,
      reason: STRATEGY_WORDS[s.school].reason,
      year: s.year,
      school: s.school,
    })),
  ]
  const defrost = defrostSentence(schools, currency)
  return (
    <section aria-label="Schools" className="below-fold mt-5 border-t border-line pt-2">
      <h2 className="text-lg font-bold">Schools of practice on this house</h2>
      {recommended && (
        <p className="text-[15px]" data-testid="recommended-school">
          {recommendedSentence(recommended)}
        </p>
      )}
      {defrost && <p className="text-[15px]">{defrost}</p>}
      <div className="mt-2">
        <DataTable
          caption="A year by each school"
          columns={columnsOf(view, currency, chosen, setChosen)}
          rows={rows}
          rowId={(r) => r.id}
          isMarked={(r) => r.school !== undefined && r.school === recommended?.best.school}
        />
      </div>
      <Compare ways={rows} currency={currency} />
      {chosen && <Apply school={chosen} onDone={() => setChosen(null)} />}
    </section>
  )
})

interface Line {
  id: string
  name: string
  reason: string
  year: SchoolYear['year']
  school?: Strategy
}

function columnsOf(
  view: CrossingView,
  currency: string,
  chosen: Strategy | null,
  choose: (school: Strategy) => void,
): TableColumn<Line>[] {
  const number = (
    id: string,
    title: string,
    value: (r: Line) => number,
    words = whole,
  ): TableColumn<Line> => ({
    id,
    title,
    value,
    words: (r) => words(value(r)),
  })
  const columns: (TableColumn<Line> | null)[] = [
    {
      id: 'name',
      title: 'School',
      value: (r) => r.name,
      words: (r) => (
        <>
          <span className="block">{r.name}</span>
          <span className="block max-w-72 text-sm font-normal text-soft">{r.reason}</span>
        </>
      ),
    },
    number(
      'cost',
      'Cost',
      (r) => r.year.cost ?? Infinity,
      (n) => money(Number.isFinite(n) ? n : null, currency),
    ),
    number('kwh', 'kWh', (r) => r.year.kwh),
    view.fuel ? number('fuel', view.fuel === 'gas' ? 'Therms' : 'Gallons', (r) => r.year.fuel) : null,
    number('aux', 'Aux h', (r) => r.year.backupHours),
    number('unmet', 'Unmet °F·h', (r) => r.year.unmetDegreeHours),
    number(
      'peak',
      'Peak kW',
      (r) => r.year.peakKw,
      (n) => figure(n),
    ),
    number('starts', 'Starts', (r) => r.year.heatPumpStarts + r.year.backupStarts),
    number('defrost', 'Cold defrost min', (r) => r.year.coldDefrostMinutes),
    number('cold', 'Air under 90 °F, h', (r) => r.year.coldAirHours),
    {
      id: 'apply',
      title: 'Apply',
      value: (r) => r.school ?? '',
      words: (r) =>
        r.school ? (
          <Button aria-pressed={chosen === r.school} onClick={() => r.school && choose(r.school)}>
            Look
          </Button>
        ) : null,
    },
  ]
  return columns.flatMap((c) => c ?? [])
}

/** Settings that a strategy would change on this job's devices, and a button that changes them as one edit. */
function Apply({ school, onDone }: { school: Strategy; onDone: () => void }) {
  const { inst, analysis } = useJobScreen()
  const setValue = useSetValue()
  const wanted = recommend(analysis.seen, school).filter((r) => r.why === `school.${school}`)
  const differs = (r: Recommended) => {
    const { placed: ref, id } = splitRef(r.at)
    const placed = placedByRef(inst, ref)
    return placed !== undefined && settingValue(placed, id) !== r.value
  }
  const changes = wanted.filter(differs)
  const ready = changes.filter((r) => r.needs === null)
  const words = (r: Recommended) => `${INTENT_WORDS[r.intent].name}: ${String(r.value)}`
  const apply = () => {
    setValue(ready, 'recommended')
    onDone()
  }
  return (
    <div
      className="mt-2 rounded border border-edge bg-panel px-4 py-3 text-[15px]"
      data-testid="apply-school"
    >
      <p className="font-bold">{STRATEGY_WORDS[school].name}</p>
      {wanted.length === 0 && <p>No device of this job can express it. Its wiring would have to.</p>}
      {wanted.length > 0 && changes.length === 0 && <p>Everything that it would set stands so already.</p>}
      <ul>
        {changes.map((r) => (
          <li key={r.at}>
            {words(r)}
            {r.needs && <span className="text-watch">. First: {needsWords(inst, r.needs)}</span>}
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        {ready.length > 0 && (
          <Button look="strong" onClick={apply}>
            Set {ready.length} {ready.length === 1 ? 'value' : 'values'}
          </Button>
        )}
        <Button onClick={onDone}>Close</Button>
      </div>
    </div>
  )
}
