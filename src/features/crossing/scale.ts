import { DRAWN, type CrossingView } from '@/core/crossing'

/** A linear scale from what is meant to pixels, and back. */
export interface Scale {
  to: (value: number) => number
  from: (pixel: number) => number
}
export function scale([a, b]: readonly [number, number], [x, y]: readonly [number, number]): Scale {
  return {
    to: (value) => x + ((value - a) / (b - a)) * (y - x),
    from: (pixel) => a + ((pixel - x) / (y - x)) * (b - a),
  }
}

/** BTU/h at the top of the picture: what the house needs in the cold, or what is there in mild weather, rounded up. */
export function topOf({ curve, designF }: CrossingView): number {
  const coldest = (designF ?? 0) - 10
  const values = curve.outdoorF.flatMap((t, i) =>
    t < coldest ? [] : [curve.load[i], curve.capacity[i], t < 50 ? curve.withStrips[i] : null],
  )
  const most = Math.max(20_000, ...values.flatMap((v) => v ?? []))
  return 10_000 * Math.ceil((1.05 * most) / 10_000)
}

/** The path of a curve, from its first known point to its last; what lies above the picture is cut by its frame. */
export function pathOf(
  outdoorF: readonly number[],
  values: readonly (number | null)[],
  x: Scale,
  y: Scale,
): string {
  let down = false
  return outdoorF
    .flatMap((t, i) => {
      const v = values[i]
      if (v === null || v === undefined) {
        down = false
        return []
      }
      const step = `${down ? 'L' : 'M'}${x.to(t).toFixed(1)} ${y.to(v).toFixed(1)}`
      down = true
      return [step]
    })
    .join('')
}

/** °F within what is drawn. */
export const within = (t: number): number => Math.min(DRAWN.to, Math.max(DRAWN.from, t))
