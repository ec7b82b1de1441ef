'use client'

import { useState } from 'react'
import type { Profile, Unknowable, Value } from '@/core/equipment'
import { settingValue, type Placed } from '@/core/installation'
import { itemsFor } from '@/core/setup'
import { keypadFor, type Keypad } from '@/core/keypad'
import { Button, Disclosure } from '@/ui'

/** A stand-in of the device, operated by its own keys: to try a sheet before the unit is in front of one. */
export function Rehearse({
  placed,
  found,
  profile,
}: {
  placed: Placed
  found: Readonly<Record<string, Unknowable<Value>>>
  profile: Profile | undefined
}) {
  const [box, setBox] = useState<Keypad | null>(null)
  const [shows, setShows] = useState('')
  const [pressed, setPressed] = useState(0)
  const start = () => {
    const made = keypadFor(placed.device, found, profile)
    setBox(made)
    setShows(made?.display() ?? '')
    setPressed(0)
  }
  const keyed = placed.device.settings.filter((s) => itemsFor(placed.device, s.id, profile).length > 0)
  const now = box?.settings() ?? {}
  const right = keyed.filter((s) => now[s.id] === settingValue(placed, s.id)).length
  return (
    <Disclosure
      className="mt-4"
      onOpenChange={(open) => open && !box && start()}
      summary="Rehearse on a stand-in"
      summaryClass="min-h-12 py-2 font-bold lg:min-h-8 lg:py-1"
    >
      {box && (
        <div data-testid="rehearse" className="mt-2 max-w-xl rounded-lg border-2 border-edge bg-panel p-4">
          <output
            aria-label="Display"
            className="block min-h-12 overflow-x-auto rounded bg-ink px-3 py-2 font-mono text-lg whitespace-nowrap text-bench"
          >
            {shows}
          </output>
          <div className="mt-3 flex flex-wrap gap-2">
            {[...new Set(box.keys())].map((k) => (
              <Button
                key={k}
                className="min-w-12 !px-2 font-mono"
                onClick={() => {
                  box.press(k)
                  setShows(box.display())
                  setPressed(pressed + 1)
                }}
              >
                {k}
              </Button>
            ))}
          </div>
          <p className="mt-3 text-[15px]" role="status">
            {right} of {keyed.length} settings stand as wanted, {pressed} keys pressed.
          </p>
          <Button look="quiet" onClick={start}>
            Begin anew
          </Button>
        </div>
      )}
    </Disclosure>
  )
}
