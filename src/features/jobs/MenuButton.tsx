import { Ellipsis } from 'lucide-react'
import type { ComponentProps } from 'react'

/** Button that opens a line's menu. */
export function MenuButton({ title, ...rest }: ComponentProps<'button'> & { title: string }) {
  return (
    <button
      type="button"
      aria-label={`What to do with ${title}`}
      className="inline-flex size-12 shrink-0 items-center justify-center rounded hover:bg-raised lg:size-9"
      {...rest}
    >
      <Ellipsis aria-hidden className="size-5" />
    </button>
  )
}
