'use client'

import { memo } from 'react'
import type { CrossingView } from '@/core/crossing'
import { sharingAt } from '@/core/crossing'
import { btuh, degrees, figure } from '@/words'
import { useSituationNow } from '../session'

/** Numbers at the dock's temperature, which the picture marks. */
export const Here = memo(function Here({ view }: { view: CrossingView }) {
  const { outdoorF } = useSituationNow()
  const { curve } = view
  const i = curve.outdoorF.indexOf(Math.round(outdoorF))
  if (i < 0) return null
  const at = (values: (number | null)[]) => values[i] ?? null
  const [load, capacity, cop, supply, withStrips] = [
    at(curve.load),
    at(curve.capacity),
    at(curve.cop),
    at(curve.supplyF),
    at(curve.supplyWithStripsF),
  ]
  const may = sharingAt(view.sharing, outdoorF)
  const who = [
    may?.heatPump ? 'the heat pump' : null,
    may?.furnace ? 'the furnace' : null,
    may && may.kitKw > 0 ? `${figure(may.kitKw)} kW of strips` : null,
  ].filter((w) => w !== null)
  return (
    <p className="mt-1 text-[15px]" data-testid="here">
      <span className="font-bold">At {degrees(Math.round(outdoorF))}</span>{' '}
      {load === null ? '' : `the house wants ${btuh(load)}; `}
      {capacity === null
        ? ''
        : `the heat pump has ${btuh(capacity)}${cop === null ? '' : ` at a COP of ${figure(cop)}`}; `}
      {supply === null
        ? ''
        : `its air is ${figure(supply, 0)} °F${view.cfmEstimated ? ' in the usual 400 CFM a ton' : ''}${withStrips === null ? '' : `, ${figure(withStrips, 0)} with strips`}; `}
      {who.length ? `${who.join(' and ')} may heat.` : 'nothing may heat on an ordinary call.'}
    </p>
  )
})
