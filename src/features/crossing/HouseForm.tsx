'use client'

import { memo } from 'react'
import type { CrossingView } from '@/core/crossing'
import {
  BILL_FUELS,
  HOUSE_VALUES,
  LOAD_WAYS,
  VALUE_SOURCES,
  missingFor,
  type BillFuel,
  type HouseValue,
  type LoadWay,
  type UnitFigures,
  type ValueSource,
} from '@/core/house'
import { heatersOf } from '@/core/crossing'
import type { JobSeen } from '@/core/installation'
import { cx, Disclosure, NumberField, Select, SelectField } from '@/ui'
import { BILL_FUEL_WORDS, btuh, HOUSE_WORDS, SOURCE_WORDS, WAY_WORDS } from '@/words'
import { useJobScreen } from '../session'
import { PricesForm } from './PricesForm'
import { RatingsForm } from './RatingsForm'
import { WeatherForm } from './WeatherForm'

/** The numbers that each way to the load depends on. */
const FIELDS: Record<LoadWay, readonly HouseValue[]> = {
  run: ['runShare', 'runKwh', 'runHours', 'runF'],
  bills: ['billsYear', 'billsSummerMonth', 'billsEfficiency', 'degreeDays'],
  design: ['designLoad', 'designF'],
  ua: ['ua', 'gains'],
}
/**
 * Inputs of a way to measure the load: a one-stage unit is watched by its share of the time, an inverter by its kWh.
 */
const shown = (way: LoadWay, inverter: boolean): readonly HouseValue[] =>
  way === 'run' ? (inverter ? ['runKwh', 'runHours', 'runF'] : ['runShare', 'runF']) : FIELDS[way]

/** Inputs of the Balance page: the house by any of four ways, the unit's ratings, the air, prices and a climate. */
export const HouseForm = memo(function HouseForm({ seen, view }: { seen: JobSeen; view: CrossingView }) {
  const { edit } = useJobScreen()
  const { unit } = heatersOf(seen)
  return (
    <section
      aria-label="The house"
      className="below-fold mt-5 border-t border-line pt-2"
      data-testid="house-form"
    >
      <h2 className="text-lg font-bold">What this hangs on</h2>
      <p className="text-[15px] text-soft">
        Each may be left open; more than one way to the load may be kept.
      </p>
      <div className="mt-2 grid gap-x-8 gap-y-4 lg:grid-cols-2">
        {LOAD_WAYS.map((way) => (
          <WayFields key={way} way={way} seen={seen} view={view} unit={unit} />
        ))}
        <fieldset>
          <legend className="font-bold">The house and its air</legend>
          <Values
            of={['indoorF', 'noHeatF', 'altitudeFt', 'cfmHigh', 'cfmLow', 'defrostMinutes']}
            seen={seen}
          />
        </fieldset>
        <WeatherForm seen={seen} />
        <PricesForm />
      </div>
      <SelectField
        label="The load line that is used"
        className="mt-3 max-w-xs"
        value={seen.house.way ?? ''}
        none="The best there is"
        options={view.lines.map((l) => [l.way, WAY_WORDS[l.way].name] as const)}
        onValue={(way) => edit({ kind: 'setHouseChoice', of: 'way', value: way || null })}
      />
      <Disclosure summary="The outdoor unit’s ratings" summaryClass="mt-3 min-h-12 font-bold lg:min-h-8">
        <RatingsForm seen={seen} />
      </Disclosure>
    </section>
  )
})

function WayFields({
  way,
  seen,
  view,
  unit,
}: {
  way: LoadWay
  seen: JobSeen
  view: CrossingView
  unit: UnitFigures | null
}) {
  const { edit } = useJobScreen()
  const line = view.lines.find((l) => l.way === way)
  const fields = shown(way, unit?.inverter ?? false)
  const begun = fields.some((f) => seen.house.values[f] !== undefined)
  const wanted = missingFor(seen.house, way, unit)
  const used = view.line?.way === way
  return (
    <fieldset className={cx(used && 'border-l-4 border-ink pl-3')} data-way={way}>
      <legend className="font-bold">
        {WAY_WORDS[way].name}
        {used ? ' (used)' : ''}
      </legend>
      {way === 'bills' && (
        <SelectField
          label="The bills are for"
          className="mt-1 max-w-60"
          value={seen.house.billFuel ?? ''}
          none="Not known"
          options={BILL_FUELS.map((f) => [f, BILL_FUEL_WORDS[f]] as const)}
          onValue={(f: BillFuel | '') => edit({ kind: 'setHouseChoice', of: 'billFuel', value: f || null })}
        />
      )}
      <Values of={fields} seen={seen} />
      <p className="mt-1 text-sm text-soft">
        {line
          ? `${btuh(line.slope)} a degree below ${Math.round(line.noHeatF)} °F.`
          : begun && wanted.length
            ? `Still wanted: ${wanted.map((w) => HOUSE_WORDS[w]).join('; ')}.`
            : begun
              ? 'These numbers give no line together, or the unit’s figures are missing.'
              : ''}
      </p>
    </fieldset>
  )
}

/** Numbers of the house, each with where it comes from. */
function Values({ of, seen }: { of: readonly HouseValue[]; seen: JobSeen }) {
  return (
    <div className="mt-1 grid gap-x-3 gap-y-1 sm:grid-cols-2">
      {of.map((each) => (
        <ValueField key={each} of={each} seen={seen} />
      ))}
    </div>
  )
}

function ValueField({ of, seen }: { of: HouseValue; seen: JobSeen }) {
  const { edit } = useJobScreen()
  const known = seen.house.values[of]
  const source = known?.source ?? 'typed'
  const set = (value: number | null, from: ValueSource = source) =>
    edit({ kind: 'setHouse', of, value, source: from })
  return (
    <NumberField
      label={HOUSE_WORDS[of]}
      value={known?.value}
      {...HOUSE_VALUES[of]}
      onValue={set}
      beside={
        known && (
          <Select
            aria-label={`${HOUSE_WORDS[of]}: where it comes from`}
            className="max-w-32 px-1 text-sm"
            value={source}
            onChange={(e) => set(known.value, e.target.value as ValueSource)}
          >
            {VALUE_SOURCES.map((s) => (
              <option key={s} value={s}>
                {SOURCE_WORDS[s]}
              </option>
            ))}
          </Select>
        )
      }
    />
  )
}
