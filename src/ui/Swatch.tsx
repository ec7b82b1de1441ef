import { hue } from '@/drawing'
import { cx } from './cx'

/** A conductor's colour, always with its name to hand. */
export function Swatch({
  colour,
  other,
  className,
}: {
  colour: string
  other?: string | undefined
  className?: string
}) {
  const name = other && other !== colour ? `${colour}, ${other} at the other end` : colour
  return (
    <span
      role="img"
      aria-label={name}
      title={name}
      className={cx('inline-block h-3 w-7 shrink-0 rounded-full border border-edge', className)}
      style={{
        background:
          other && other !== colour
            ? `linear-gradient(90deg, ${hue(colour)} 50%, ${hue(other)} 50%)`
            : hue(colour),
      }}
    />
  )
}
