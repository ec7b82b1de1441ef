import type { ComponentProps } from 'react'
import { cx } from './cx'

type Look = 'plain' | 'strong' | 'quiet' | 'harm'
const LOOKS: Record<Look, string> = {
  plain: 'border border-edge bg-raised text-ink hover:bg-panel',
  strong: 'border border-ink bg-ink text-bench hover:opacity-90',
  quiet: 'border border-transparent text-ink hover:bg-panel',
  harm: 'border border-harm bg-raised text-harm hover:bg-harm-soft',
}

/** A button at least 48 px high on touch screens. */
export function Button({ look = 'plain', className, ...rest }: ComponentProps<'button'> & { look?: Look }) {
  return <button type="button" className={cx('button', LOOKS[look], className)} {...rest} />
}
