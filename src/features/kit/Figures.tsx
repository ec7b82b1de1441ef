'use client'

import { bankTable, blowerAmps, rowFigures, type RowFigures } from '@/core/kit'
import { BTU_PER_KWH, houseValue, riseOf } from '@/core/house'
import type { Placed } from '@/core/installation'
import { DataTable, type TableColumn } from '@/ui'
import { btuh, count, figure } from '@/words'
import { useJobScreen } from '../session'

const number = (
  id: string,
  title: string,
  value: (r: RowFigures) => number,
  digits = 1,
): TableColumn<RowFigures> => ({
  id,
  title,
  value,
  words: (r) => figure(value(r), digits),
})
const COLUMNS: TableColumn<RowFigures>[] = [
  { id: 'row', title: 'Row', value: (r) => r.row, words: (r) => r.row },
  number('ohms', 'Ω, cold', (r) => r.ohms, 2),
  number('amps', 'A', (r) => r.amps),
  number('kw', 'kW', (r) => r.kw, 2),
  {
    id: 'btuh',
    title: 'BTU/h',
    value: (r) => r.kw * BTU_PER_KWH,
    words: (r) => count(Math.round(r.kw * BTU_PER_KWH)),
  },
]
/** °F: the most that strips may usually warm the air by; the kit's instruction wins. */
const MOST_RISE_F = 75

/** Expected readings of the kit at these volts, row by row and bank by bank, and the temperature rise of the air. */
export function Figures({ placed, volts, cfm }: { placed: Placed; volts: number; cfm: number | null }) {
  const { inst, job } = useJobScreen()
  const rows = rowFigures(inst, placed.ref, volts)
  const banks = bankTable(placed)
  const kwOf = (ids: readonly string[]) =>
    rows.filter((r) => ids.includes(r.ref)).reduce((sum, r) => sum + r.kw, 0)
  const all = kwOf(rows.map((r) => r.ref))
  const altitude = houseValue(job.house, 'altitudeFt')
  const blower = blowerAmps(inst, job.commissioning.plates)
  const { leastCfm, leastSpeed } = placed.device.plate
  return (
    <div className="mt-2 grid gap-6 lg:grid-cols-2">
      <div>
        <h3 className="font-bold">What it should read at {figure(volts)} V</h3>
        <DataTable
          caption={`Rows at ${figure(volts)} V`}
          columns={COLUMNS}
          rows={rows}
          rowId={(r) => r.ref}
        />
        <p className="mt-1 text-[15px]">
          All rows: {figure(rows.reduce((s, r) => s + r.amps, 0))} A, {figure(all)} kW,{' '}
          {btuh(all * BTU_PER_KWH)}. At a feed that the blower shares, up to {figure(blower)} A more. Half of
          it at a kit lead is one bank, and no fault.
        </p>
      </div>
      <div>
        <h3 className="font-bold">Bank table, for the cabinet</h3>
        <table className="mt-1 w-full text-[15px]" data-testid="bank-table">
          <caption className="sr-only">Which rows are on with which inputs</caption>
          <thead>
            <tr className="text-left">
              <th scope="col" className="py-1">
                Live
              </th>
              <th scope="col">Rows on</th>
              <th scope="col" className="text-right">
                kW
              </th>
              <th scope="col" className="text-right">
                A
              </th>
            </tr>
          </thead>
          <tbody>
            {banks.map((b) => {
              const kw = kwOf(b.rows.map((r) => r.id))
              return (
                <tr key={b.inputs.join()} className="border-t border-line">
                  <th scope="row" className="py-1.5 text-left font-mono">
                    {b.inputs.join(' + ')}
                  </th>
                  <td>{b.rows.map((r) => r.row).join(', ') || 'none'}</td>
                  <td className="text-right">{figure(kw)}</td>
                  <td className="text-right">{figure((1000 * kw) / volts)}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
        <p className="mt-2 text-[15px]">
          {cfm === null
            ? 'The rise of its air is known once the airflow is.'
            : `In ${count(Math.round(cfm))} CFM it warms the air by ${figure(riseOf(all * BTU_PER_KWH, cfm, altitude))} °F.`}{' '}
          Below {count(Math.ceil((all * BTU_PER_KWH) / (1.08 * MOST_RISE_F) / 10) * 10)} CFM the rise passes{' '}
          {MOST_RISE_F} °F (habit: the kit’s instruction wins).
          {leastCfm === undefined ? '' : ` Its plate asks for ${count(leastCfm)} CFM.`}
          {leastSpeed === undefined ? '' : ` Its plate asks for the ${leastSpeed} speed at least.`}
        </p>
      </div>
    </div>
  )
}
