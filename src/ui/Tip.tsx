'use client'

import type { ReactElement, ReactNode } from 'react'
import { Tooltip } from 'radix-ui'

/** A word more about something, for the pointer that rests on it and for the keyboard that reaches it. */
export function Tip({ text, children }: { text: ReactNode; children: ReactElement }) {
  return (
    <Tooltip.Provider delayDuration={400}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={4}
            collisionPadding={8}
            className="z-50 max-w-80 rounded bg-ink px-3 py-1.5 text-sm text-bench shadow-lg"
          >
            {text}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  )
}
