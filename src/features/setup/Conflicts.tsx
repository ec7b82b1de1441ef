'use client'

import { useState } from 'react'
import type { Finding } from '@/core/rules'
import { clearingOf, type Clearing } from '@/core/setup'
import { Button } from '@/ui'
import { findingPlaces, findingWords, refWords, valueAtText } from '@/words'
import { useJobScreen, useSetValue } from '../session'

/** Each contradiction, where it stands, and the smallest change that clears it. */
export function Conflicts({ conflicts }: { conflicts: readonly Finding[] }) {
  const { inst } = useJobScreen()
  if (!conflicts.length) return null
  return (
    <ul data-testid="conflicts" className="mt-1 space-y-1">
      {conflicts.map((c) => (
        <li
          key={`${c.code}${c.at}`}
          className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-harm bg-harm-soft px-3 py-1 text-[15px]"
        >
          <span className="flex-1 basis-72">
            {findingWords(inst, c)}. <span className="text-soft">{findingPlaces(inst, c)}</span>
          </span>
          <Clear conflict={c} />
        </li>
      ))}
    </ul>
  )
}

function Clear({ conflict }: { conflict: Finding }) {
  const { analysis, inst } = useJobScreen()
  const setValue = useSetValue()
  const [found, setFound] = useState<Clearing | null | undefined>(undefined)
  if (found === undefined)
    return <Button onClick={() => setFound(clearingOf(analysis.seen, conflict))}>What do I change?</Button>
  if (found === null) return <span>No single setting clears it: the wiring, the gear or an answer does.</span>
  return (
    <Button look="strong" onClick={() => setValue([found], 'typed')}>
      Set {refWords(inst, found.at)} to {valueAtText(inst, found.at, found.value)}
    </Button>
  )
}
