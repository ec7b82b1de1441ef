import { TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'

/** The usual caution, where the work can hurt someone. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <p className="flex gap-2 rounded border-l-4 border-watch bg-watch-soft px-3 py-2 text-sm text-ink">
      <TriangleAlert aria-hidden className="mt-0.5 size-4 shrink-0 text-watch" />
      <span>{children}</span>
    </p>
  )
}
