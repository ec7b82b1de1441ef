'use client'

import type { Point } from '@/core/instruments'
import { Button, cx } from '@/ui'
import { figure } from '@/words'
import { useInstrument } from './useInstrument'

/** An instrument's display at a point, with a tap to save it. Empty without an instrument. */
export function LiveValue({
  point,
  since,
  onTake,
}: {
  point: Point | null
  since: string | null
  onTake: (value: number | 'OL', instrument: string) => void
}) {
  const shown = useInstrument(point, since)
  if (!shown) return null
  const { value, unit, settled, instrument } = shown
  if (value === null)
    return <p className="text-sm text-soft">{instrument.name}: nothing to hold it to here</p>
  const text = value === 'OL' ? 'OL' : `${figure(value, 2)} ${unit}`
  return (
    <Button
      data-live={settled ? 'settled' : 'moving'}
      onClick={() => onTake(value, instrument.name)}
      className={cx('font-mono', settled ? '!border-2 !border-ink' : '!border-dashed')}
    >
      {text}
      <span className="ml-2 font-sans text-sm text-soft">
        {instrument.name}, {settled ? 'settled' : 'still moving'}
      </span>
    </Button>
  )
}
