'use client'

import { ChevronRight } from 'lucide-react'
import { Collapsible } from 'radix-ui'
import { useMemo } from 'react'
import { lockOutList } from '@/core/startup'
import { cabinetWords } from '@/words'
import { useJobScreen } from '../session'

/** Every circuit that comes to a place, by name, with what stays live when only one is off: folded to one line each. */
export function LockOut() {
  const { inst } = useJobScreen()
  // Many states are solved for it, and only the wiring changes it: not the call or the weather of the dock.
  const cabinets = useMemo(() => lockOutList(inst), [inst])
  if (!cabinets.length) return null
  return (
    <section aria-label="Before a cabinet is opened" className="mt-3">
      <h2 className="font-bold">Before a cabinet is opened</h2>
      <ul className="mt-1 grid gap-2 lg:grid-cols-2">
        {cabinets.map((c) => {
          const [title, ...lines] = cabinetWords(inst, c)
          return (
            <li key={c.where} className="rounded border border-edge bg-panel">
              <Collapsible.Root>
                <Collapsible.Trigger className="group flex min-h-12 w-full items-center gap-2 px-3 py-1 text-left">
                  <ChevronRight
                    aria-hidden
                    size={18}
                    className="shrink-0 group-data-[state=open]:rotate-90"
                  />
                  {title}
                </Collapsible.Trigger>
                <Collapsible.Content>
                  <ul className="list-disc px-3 pb-2 pl-9 text-sm">
                    {lines.map((line) => (
                      <li key={line} className="mt-1">
                        {line.trim()}
                      </li>
                    ))}
                  </ul>
                </Collapsible.Content>
              </Collapsible.Root>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
