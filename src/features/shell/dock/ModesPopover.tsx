'use client'

import { Popover } from 'radix-ui'
import type { RefObject } from 'react'
import { ModesControl } from './ModesControl'

/** States of timers, boards, limits and breakers, under the button that opens them. */
export function ModesPopover({
  anchor,
  open,
  onOpenChange,
}: {
  anchor: RefObject<HTMLButtonElement | null>
  open: boolean
  onOpenChange: (open: boolean) => void
}) {
  const onAnchor = (e: Event) => e.target instanceof Node && anchor.current?.contains(e.target)
  return (
    <Popover.Root open={open} onOpenChange={onOpenChange}>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-30 w-[460px] rounded border border-edge bg-panel p-4 shadow-lg"
          aria-label="Timers, boards, limits and breakers"
          // The button itself closes it: closed by the press, it would be opened again by the click.
          onPointerDownOutside={(e) => onAnchor(e.detail.originalEvent) && e.preventDefault()}
          onCloseAutoFocus={(e) => {
            e.preventDefault()
            anchor.current?.focus()
          }}
        >
          <ModesControl />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
