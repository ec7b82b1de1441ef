'use client'

import { useMemo } from 'react'
import type { Call } from '@/core/equipment'
import { cardSituation, expectations, type Expectation } from '@/core/startup'
import { cx } from '@/ui'
import { degrees, figure } from '@/words'
import { useJobScreen } from '../session'

/** For one call: the terminals that must read 24 V and those that must not, computed from this job's wiring. */
export function MeterSheet({ call }: { call: Call }) {
  const { circuit, situation } = useJobScreen()
  const sheet = useMemo(
    () => expectations(circuit, cardSituation(call, situation)),
    [circuit, call, situation],
  )
  if (!sheet) return <p className="text-harm">The circuit does not come to rest on this call.</p>
  return (
    <div>
      <p className="text-sm text-soft">
        Black lead on that device’s C, at {degrees(situation.outdoorF)} outdoors, everything normal.
      </p>
      <table className="mt-1 w-full border-collapse text-[15px]">
        <thead>
          <tr className="text-left text-sm text-soft">
            <th className="w-24 py-1 font-normal lg:w-32">At</th>
            <th className="py-1 font-normal">Must read 24 V</th>
            <th className="py-1 font-normal">Must read 0</th>
          </tr>
        </thead>
        <tbody>
          {sheet.map((d) => (
            <tr key={d.placed} className="border-t border-line align-top">
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                {d.label}
              </th>
              <td className="py-1.5 pr-2">
                <Chips list={d.terminals.filter((t) => t.state !== 'dead')} live />
              </td>
              <td className="py-1.5">
                <Chips list={d.terminals.filter((t) => t.state === 'dead')} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Chips({ list, live = false }: { list: Expectation[]; live?: boolean }) {
  if (!list.length) return <span className="text-soft">none</span>
  return (
    <ul className="flex flex-wrap gap-1.5">
      {list.map((t) => (
        <li
          key={t.terminal}
          data-terminal={t.terminal}
          data-expect={t.state}
          className={cx(
            'rounded-[3px] border px-1.5 font-mono text-sm',
            live ? 'border-2 border-live bg-raised font-bold' : 'border-dashed border-line text-soft',
          )}
        >
          {t.label}
          {live && <span className="ml-1 font-sans font-normal text-soft">{figure(t.volts)}</span>}
        </li>
      ))}
    </ul>
  )
}
