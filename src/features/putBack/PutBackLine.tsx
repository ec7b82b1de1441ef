'use client'

import type { Temporary } from '@/jobfile'
import { Button } from '@/ui'
import { temporaryWords } from '@/words'
import { useJobScreen, useStamp } from '../session'

/** How something stands for a test, and what puts it back. */
export function PutBackLine({ temporary }: { temporary: Temporary }) {
  const { inst, edit } = useJobScreen()
  const stamp = useStamp()
  const { stands, back } = temporaryWords(inst, temporary)
  return (
    <>
      <span className="flex-1 basis-60">{stands}</span>
      <Button onClick={() => edit({ kind: 'putBack', temporary: temporary.id, by: stamp() })}>{back}</Button>
    </>
  )
}
