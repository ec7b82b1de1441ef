'use client'

import { Tabs } from 'radix-ui'
import type { ReactNode } from 'react'

const LOOK =
  'inline-flex min-h-12 items-center rounded border border-edge bg-raised px-4 text-[15px] leading-tight hover:bg-panel data-[state=active]:border-ink data-[state=active]:bg-ink data-[state=active]:text-bench lg:min-h-9 lg:px-3'

/** Parts of a place, one of which is shown; the first to begin with. */
export function TabSet({
  label,
  tabs,
}: {
  /** Name of the whole that the tabs are parts of. */
  label: string
  tabs: readonly { id: string; label: string; content: ReactNode }[]
}) {
  return (
    <Tabs.Root {...(tabs[0] ? { defaultValue: tabs[0].id } : {})}>
      <Tabs.List aria-label={label} className="no-print mt-3 mb-4 flex flex-wrap gap-2">
        {tabs.map((t) => (
          <Tabs.Trigger key={t.id} value={t.id} className={LOOK}>
            {t.label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {tabs.map((t) => (
        <Tabs.Content key={t.id} value={t.id}>
          {t.content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  )
}
