'use client'

import { memo } from 'react'
import type { CrossingView, Share } from '@/core/crossing'
import { DataTable, Disclosure, StackedChart, type ChartLayer, type TableColumn } from '@/ui'
import { whole, FUEL_UNIT, money } from '@/words'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** The year as wired and set, by month and by outdoor temperature: a chart, and the same numbers as a table. */
export const YearCharts = memo(function YearCharts({
  view,
  currency,
}: {
  view: CrossingView
  currency: string
}) {
  if (!view.year) return null
  const band = (s: Share) => `${s.from} to ${s.from + 5}`
  return (
    <section aria-label="The year" className="below-fold mt-5 border-t border-line pt-2">
      <h2 className="text-lg font-bold">The year as wired and set</h2>
      <div className="grid gap-6 lg:grid-cols-2">
        {view.months.length > 0 && (
          <Shares
            title="By month"
            first="Month"
            name={(s) => MONTHS[s.from] ?? ''}
            shares={view.months}
            {...{ view, currency }}
          />
        )}
        <Shares
          title="By outdoor temperature, °F"
          first="°F"
          name={band}
          shares={view.bands}
          {...{ view, currency }}
        />
      </div>
    </section>
  )
})

function Shares({
  title,
  first,
  name,
  shares,
  view,
  currency,
}: {
  title: string
  first: string
  name: (s: Share) => string
  shares: Share[]
  view: CrossingView
  currency: string
}) {
  const priced = view.year?.cost !== null
  const ofKwh = (kwh: (s: Share) => number) => (s: Share) => {
    const { electricCost, kwh: all } = s.year
    // A source's cost is its part of the hours' electricity.
    return priced ? (all > 0 ? ((electricCost ?? 0) * kwh(s)) / all : 0) : kwh(s)
  }
  const layers: (ChartLayer | null)[] = [
    { name: 'Heat pump', colour: '--live', values: shares.map(ofKwh((s) => s.year.heatPumpKwh)) },
    view.fuel
      ? null
      : { name: 'Strips', colour: '--ember', values: shares.map(ofKwh((s) => s.year.stripKwh)) },
    { name: 'Blower beside backup', colour: '--slate', values: shares.map(ofKwh((s) => s.year.blowerKwh)) },
    view.fuel && priced
      ? { name: 'Fuel', colour: '--ember', values: shares.map((s) => s.year.fuelCost ?? 0) }
      : null,
  ]
  const columns: (TableColumn<Share> | null)[] = [
    { id: 'from', title: first, value: (s) => s.from, words: name },
    column('heatPump', 'Heat pump kWh', (s) => s.year.heatPumpKwh),
    view.fuel ? null : column('strips', 'Strips kWh', (s) => s.year.stripKwh),
    view.fuel ? column('fuel', FUEL_UNIT[view.fuel], (s) => s.year.fuel) : null,
    column('hours', 'Hours', (s) => s.year.heatingHours),
    column('unmet', 'Unmet °F·h', (s) => s.year.unmetDegreeHours),
    column(
      'cost',
      'Cost',
      (s) => s.year.cost ?? NaN,
      (n) => money(Number.isNaN(n) ? null : n, currency),
    ),
  ]
  return (
    <div>
      <h3 className="mt-2 font-bold">{title}</h3>
      <StackedChart
        title={title}
        categories={shares.map(name)}
        layers={layers.flatMap((l) => l ?? [])}
        format={(n) => (priced ? money(n, currency) : whole(n))}
      />
      <Disclosure summary="The same as a table" summaryClass="min-h-12 text-[15px] text-soft lg:min-h-8">
        <DataTable
          caption={title}
          columns={columns.flatMap((c) => c ?? [])}
          rows={shares}
          rowId={(s) => String(s.from)}
        />
      </Disclosure>
    </div>
  )
}

const column = (
  id: string,
  title: string,
  value: (s: Share) => number,
  words: (n: number) => string = whole,
): TableColumn<Share> => ({ id, title, value, words: (s) => words(value(s)) })
