'use client'

import { READINGS } from '@/core/readings'
import { useState } from 'react'
import { splitRef } from '@/core/installation'
import { readingHistory, type ReadingLine } from '@/core/startup'
import { cx, SelectField } from '@/ui'
import { CALL_WORDS, KIND_WORDS, dateWords, figure, refWords, valueAtText } from '@/words'
import { useJobScreen } from '../session'

/** Days that stand side by side; earlier ones are in the report and the file of readings. */
const MOST_DAYS = 5
const ALL = ''

/** Readings day by day, side by side, with what drifts; and settings as each visit left them. */
export function YearByYear() {
  const { inst, job } = useJobScreen()
  const [unit, setUnit] = useState<string>(ALL)
  const lines = readingHistory(job.readings).filter((l) => unit === ALL || splitRef(l.at).placed === unit)
  const days = [...new Set(lines.flatMap((l) => l.points.map((p) => p.day)))].sort().slice(-MOST_DAYS)
  const drifting = lines.filter((l) => l.drift === 'drifts')
  return (
    <section data-testid="years" aria-label="Year by year">
      <p className={cx('text-lg font-bold', drifting.length > 0 && 'text-harm')}>
        {lines.length === 0
          ? 'No readings yet: next year they stand here beside this year’s.'
          : days.length < 2
            ? 'Read on one day so far: next year’s readings stand beside these.'
            : drifting.length === 0
              ? 'Nothing that was read again has drifted.'
              : `${drifting.length} ${drifting.length === 1 ? 'reading has' : 'readings have'} drifted.`}
      </p>
      <SelectField
        label="Of"
        className="my-3 max-w-64"
        value={unit}
        options={[
          [ALL, 'Everything'] as const,
          ...inst.placed
            .filter((p) => job.readings.some((r) => splitRef(r.at).placed === p.ref))
            .map((p) => [p.ref, p.label] as const),
        ]}
        onValue={setUnit}
      />
      {lines.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full text-left text-[15px]">
            <caption className="sr-only">Readings day by day</caption>
            <thead>
              <tr className="border-b border-ink">
                <th scope="col" className="py-1 pr-3">
                  Reading
                </th>
                {days.map((d) => (
                  <th key={d} scope="col" className="pr-3">
                    {dateWords(`${d}T12:00:00`, 'd MMM yyyy')}
                  </th>
                ))}
                <th scope="col">Since the first</th>
              </tr>
            </thead>
            <tbody>
              {lines.map((l) => (
                <Row
                  key={JSON.stringify([l.kind, l.at, l.call, l.place, l.points[0]?.id])}
                  line={l}
                  days={days}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Visits unit={unit} />
    </section>
  )
}

function Row({ line: l, days }: { line: ReadingLine; days: readonly string[] }) {
  const { inst } = useJobScreen()
  const { unit } = READINGS[l.kind]
  return (
    <tr className="border-b border-line align-top" data-drift={l.drift ?? 'none'}>
      <th scope="row" className="py-1 pr-3 font-normal">
        <span className="font-bold">{KIND_WORDS[l.kind]}</span>, {refWords(inst, l.at)}
        <span className="block text-sm text-soft">{CALL_WORDS[l.call]}</span>
      </th>
      {days.map((d) => {
        const value = l.points.find((p) => p.day === d)?.value
        return (
          <td key={d} className="pr-3">
            {value === undefined ? '' : value === 'OL' ? 'OL' : `${figure(value, 2)} ${unit}`}
          </td>
        )
      })}
      <td className={cx(l.drift === 'drifts' && 'font-bold text-harm')}>
        {l.change === null ? '' : `${l.change >= 0 ? '+' : '−'}${figure(Math.abs(l.change) * 100, 0)} %`}
        {l.drift === 'drifts' ? ', drifts' : l.drift === 'steady' ? ', steady' : ''}
      </td>
    </tr>
  )
}

/** Settings as each visit left them, those that ever differed. */
function Visits({ unit }: { unit: string }) {
  const { inst, job } = useJobScreen()
  const visits = job.setup.visits.slice(-MOST_DAYS)
  const places = [...new Set(visits.flatMap((v) => Object.keys(v.left)))].filter(
    (at) => unit === ALL || splitRef(at).placed === unit,
  )
  const moved = places.filter((at) => new Set(visits.map((v) => v.left[at] ?? null)).size > 1)
  if (visits.length < 2) return null
  return (
    <div className="mt-6">
      <h2 className="text-lg font-bold">Settings, visit by visit</h2>
      {moved.length === 0 ? (
        <p>No setting was left otherwise than before in the last {visits.length} visits.</p>
      ) : (
        <table className="w-full text-left text-[15px]">
          <caption className="sr-only">Settings as each visit left them</caption>
          <thead>
            <tr className="border-b border-ink">
              <th scope="col" className="py-1 pr-3">
                Setting
              </th>
              {visits.map((v) => (
                <th key={v.id} scope="col" className="pr-3">
                  {dateWords(v.when, 'd MMM yyyy')}
                  <span className="block text-sm font-normal text-soft">{v.who}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {moved.map((at) => (
              <tr key={at} className="border-b border-line">
                <th scope="row" className="py-1 pr-3 font-normal">
                  {refWords(inst, at)}
                </th>
                {visits.map((v) => (
                  <td key={v.id} className="pr-3">
                    {at in v.left ? valueAtText(inst, at, v.left[at] ?? null) : ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  )
}
