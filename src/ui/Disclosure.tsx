'use client'

import type { ReactNode } from 'react'
import { ChevronRight } from 'lucide-react'
import { Collapsible } from 'radix-ui'
import { cx } from './cx'

/**
 * Something more that is folded away until it is asked for. What is in it stays: what was typed there is not lost when it
 * is folded again.
 */
export function Disclosure({
  summary,
  summaryClass,
  defaultOpen = false,
  onOpenChange,
  className,
  children,
}: {
  summary: ReactNode
  summaryClass?: string
  defaultOpen?: boolean
  onOpenChange?: (open: boolean) => void
  className?: string
  children: ReactNode
}) {
  return (
    <Collapsible.Root defaultOpen={defaultOpen} {...(onOpenChange && { onOpenChange })} className={className}>
      <Collapsible.Trigger className={cx('disclosure group', summaryClass)}>
        <ChevronRight aria-hidden className="size-4 shrink-0 group-data-[state=open]:rotate-90" />
        <span className="min-w-0">{summary}</span>
      </Collapsible.Trigger>
      <Collapsible.Content forceMount className="data-[state=closed]:hidden">
        {children}
      </Collapsible.Content>
    </Collapsible.Root>
  )
}
