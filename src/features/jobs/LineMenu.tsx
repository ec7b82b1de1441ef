'use client'

import { DropdownMenu } from 'radix-ui'
import type { Shelf } from '@/jobfile'
import { MenuButton } from './MenuButton'
import type { Line } from './useJobs'

/** Shelves that a job can move to from its present one. */
const WAYS: Record<Shelf, readonly (readonly [Shelf, string])[]> = {
  here: [
    ['archived', 'Put it away'],
    ['deleted', 'Delete it'],
  ],
  archived: [
    ['here', 'Bring it back'],
    ['deleted', 'Delete it'],
  ],
  deleted: [['here', 'Bring it back']],
}

/** Menu of actions on a whole job. */
export function LineMenu({ line, shelf, onMove }: { line: Line; shelf: Shelf; onMove: (to: Shelf) => void }) {
  return (
    <DropdownMenu.Root modal={false} defaultOpen>
      <DropdownMenu.Trigger asChild>
        <MenuButton title={line.title} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-20 rounded border border-edge bg-raised py-1 text-[15px]"
        >
          {WAYS[shelf].map(([to, words]) => (
            <DropdownMenu.Item
              key={to}
              onSelect={() => onMove(to)}
              className="flex min-h-12 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-panel lg:min-h-9"
            >
              {words}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
