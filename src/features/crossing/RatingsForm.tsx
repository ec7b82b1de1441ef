'use client'

import { plateOf } from '@/core/crossing'
import type { Rating } from '@/core/equipment'
import { having } from '@/core/query'
import type { JobSeen } from '@/core/installation'
import { NumberField } from '@/ui'
import type { Job } from '@/jobfile'
import { useJobScreen } from '../session'

const POINTS = [47, 35, 17, 5] as const
const STAGE_WORDS: Record<Rating['stage'], string> = {
  low: 'Low stage',
  high: 'High stage',
  min: 'Least',
  rated: 'Rated',
  max: 'Most',
}
const FIGURES = [
  ['capacityBtuh', 'BTU/h', 1000, 200_000],
  ['powerKw', 'kW', 0.1, 50],
  ['cop', 'COP', 0.5, 10],
] as const
type Figure = (typeof FIGURES)[number][0]

/** The stages that a sheet of this unit has. */
const stagesOf = (ratings: readonly Rating[], stages: number, inverter: boolean): Rating['stage'][] => {
  if (inverter) return ['min', 'rated', 'max']
  if (stages > 1 || ratings.some((r) => r.stage === 'low')) return ['low', 'high']
  return [ratings.find((r) => r.stage === 'high') ? 'high' : 'rated']
}

/** Capacity with power or COP at the rating points, as read from the unit's sheet: they stand over its device file's. */
export function RatingsForm({ seen }: { seen: JobSeen }) {
  const { job, edit } = useJobScreen()
  const unit = having(seen.inst, 'compresses')[0]
  if (!unit) return <p className="text-soft">No outdoor unit is bolted down.</p>
  const plate = plateOf(seen, unit)
  const all = plate.ratings ?? []
  const read = (of: Job) => of.commissioning.plates[unit.ref]?.ratings ?? []
  const isAt = (stage: Rating['stage'], outdoorF: number) => (r: Rating) =>
    r.stage === stage && r.outdoorF === outdoorF
  const set = (stage: Rating['stage'], outdoorF: number, figure: Figure, value: number | null) =>
    edit((now) => {
      const list = read(now.job)
      const { [figure]: _, ...before } = list.find(isAt(stage, outdoorF)) ?? { stage, outdoorF }
      const next: Rating = { ...before, stage, outdoorF, ...(value === null ? {} : { [figure]: value }) }
      const rest = list.filter((r) => !isAt(stage, outdoorF)(r))
      const hasAny = FIGURES.some(([f]) => next[f] !== undefined)
      const ratings = hasAny ? [...rest, next] : rest
      return { kind: 'setPlate', ref: unit.ref, field: 'ratings', value: ratings.length ? ratings : null }
    })
  return (
    <div className="overflow-x-auto" data-testid="ratings-form">
      <p className="text-sm text-soft">
        What is typed here was read from the sheet; a pale figure is the device file’s. COP or power is
        enough.
      </p>
      {stagesOf(all, plate.stages ?? 1, plate.inverter ?? false).map((stage) => (
        <fieldset key={stage} className="mt-2">
          <legend className="font-bold">{STAGE_WORDS[stage]}</legend>
          <div className="grid min-w-[560px] grid-cols-4 gap-3">
            {POINTS.map((outdoorF) => (
              <div key={outdoorF}>
                <p className="text-sm font-bold">{outdoorF} °F</p>
                {FIGURES.map(([figure, label, least, most]) => {
                  const typed = read(job).find(isAt(stage, outdoorF))?.[figure]
                  const device = all.find(isAt(stage, outdoorF))?.[figure]
                  return (
                    <NumberField
                      key={figure}
                      label={label}
                      name={`${STAGE_WORDS[stage]}, ${outdoorF} °F, ${label}`}
                      value={typed}
                      {...{ least, most }}
                      placeholder={device?.toString() ?? ''}
                      onValue={(value) => set(stage, outdoorF, figure, value)}
                    />
                  )
                })}
              </div>
            ))}
          </div>
        </fieldset>
      ))}
    </div>
  )
}
