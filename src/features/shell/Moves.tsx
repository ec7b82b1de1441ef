'use client'

import type { Installation } from '@/core/installation'
import type { Fix } from '@/core/rules'
import { fixOperations, type Operation } from '@/jobfile'
import { Button } from '@/ui'
import { changeWords } from '@/words'
import { newWireId } from '../session'

/** Fixes of a finding, each with its changes in order, to be recorded as done. */
export function Moves({
  list,
  inst,
  take,
}: {
  list: readonly Fix[]
  inst: Installation
  take: (operations: Operation[]) => void
}) {
  return (
    <ul className="basis-full space-y-1 pb-1">
      {list.length === 0 && (
        <li>
          No single setting, move or jumper clears this without breaking something else, nor does landing it
          as planned.
        </li>
      )}
      {list.map((m) => (
        <li key={JSON.stringify(m)} className="flex flex-wrap items-center gap-3">
          <div className="flex-1 basis-60">
            {m.map((change, i) => (
              <p key={JSON.stringify(change)}>
                {m.length > 1 && `${i + 1}. `}
                {changeWords(inst, change)}
              </p>
            ))}
          </div>
          <Button onClick={() => take(fixOperations(inst, m, newWireId))}>Record it as done</Button>
        </li>
      ))}
    </ul>
  )
}
