'use client'

import { memo, type PointerEvent } from 'react'
import type { Ref } from '@/core/installation'
import type { Target } from '@/core/query'
import { stretchesOf, type Sample, type Tape } from '@/core/simulation'
import type { CountCurve } from '@/core/time'
import { cx, useWidth } from '@/ui'
import { countWords, degrees, elapsed, figure, targetWords } from '@/words'
import { useJobScreen } from '../session'

/** px of each group of curves. */
const BAND = 38
const LANE = 20
const AXIS = 18
/** °F between the edges of the picture and what it shows. */
const PAD_F = 3

/** Times of an axis, s: about one each hundred px, at whole minutes and hours. */
function ticks(until: number, width: number): number[] {
  const every =
    [60, 300, 600, 1800, 3600, 7200, 14_400].find((s) => (until / s) * 90 <= Math.max(180, width)) ?? 28_800
  return Array.from({ length: Math.floor(until / every) + 1 }, (_, i) => i * every)
}

interface Curve {
  of: (s: Sample) => number
  name: string
  className: string
  dash?: string
}
const OF_ROOM: Curve[] = [
  { of: (s) => s.roomF, name: 'room', className: 'stroke-ink' },
  { of: (s) => s.targetF, name: 'setpoint', className: 'stroke-soft', dash: '2 3' },
]
const OF_COLD: Curve[] = [
  { of: (s) => s.outdoorF, name: 'outdoors', className: 'stroke-slate', dash: '6 3' },
  { of: (s) => s.coilF, name: 'coil', className: 'stroke-slate' },
]
const OF_AIR: Curve[] = [{ of: (s) => s.supplyF, name: 'supply air', className: 'stroke-ember' }]

const OF_FROST: Curve[] = [{ of: (s) => s.frostLb, name: 'frost', className: 'stroke-slate' }]

/** lb below which a coil is clear: no frost is drawn. */
const CLEAR_LB = 0.05

const groupsOf = (tape: Tape): Curve[][] => [
  OF_ROOM,
  OF_AIR,
  OF_COLD,
  ...(tape.sums.mostFrostLb > CLEAR_LB ? [OF_FROST] : []),
]

/** The least and the most of some curves, °F or lb. */
function spanOf(curves: readonly Curve[], samples: readonly Sample[]): [number, number] {
  let [low, high] = [Infinity, -Infinity]
  for (const s of samples)
    for (const c of curves) {
      low = Math.min(low, c.of(s))
      high = Math.max(high, c.of(s))
    }
  return [low, high]
}

/** The tape: what is felt above, a lane for each thing that runs below, and a line where the clock stands. */
export function Lanes({
  tape,
  other,
  at,
  lanes,
  selected,
  onSeek,
  onScrub,
  onSelect,
}: {
  tape: Tape
  other: Tape | null
  at: number
  lanes: readonly Target[]
  selected: Ref | null
  onSeek: (at: number) => void
  onScrub: (at: number) => void
  onSelect: (ref: Ref) => void
}) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const groups = groupsOf(tape)
  const x = (s: number) => (s / tape.until) * width
  const height = heightOf(groups, tape, lanes)
  const under = ({ clientX, currentTarget }: PointerEvent<SVGSVGElement>) => {
    const box = currentTarget.getBoundingClientRect()
    return Math.min(1, Math.max(0, (clientX - box.left) / box.width)) * tape.until
  }
  return (
    <div className="flex gap-2">
      <Labels tape={tape} lanes={lanes} selected={selected} onSelect={onSelect} />
      <div ref={ref} className="relative min-w-0 flex-1">
        {width > 0 && (
          <svg
            width={width}
            height={height}
            className="block touch-pan-y"
            role="img"
            aria-label={`Tape of ${elapsed(tape.until)}, the clock at ${elapsed(at)}`}
            data-testid="tape"
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId)
              onScrub(under(e))
            }}
            onPointerMove={(e) => e.buttons > 0 && onScrub(under(e))}
            onPointerUp={(e) => onSeek(under(e))}
          >
            <Still tape={tape} other={other} lanes={lanes} width={width} />
          </svg>
        )}
        {/* A layer of its own: the tape under it is not painted anew when it moves. */}
        <div
          className="pointer-events-none absolute top-0 left-0 w-0.5 bg-harm will-change-transform"
          style={{ height: height - AXIS, transform: `translateX(${x(at) - 1}px)` }}
        />
      </div>
    </div>
  )
}

/** Labels beside each lane, with the range of each curve. They do not move with the clock. */
const Labels = memo(function Labels({
  tape,
  lanes,
  selected,
  onSelect,
}: {
  tape: Tape
  lanes: readonly Target[]
  selected: Ref | null
  onSelect: (ref: Ref) => void
}) {
  const { inst } = useJobScreen()
  const groups = groupsOf(tape)
  return (
    <div className="w-24 shrink-0 text-right text-xs leading-tight text-soft lg:w-36">
      <div style={{ height: groups.length * BAND }} className="flex flex-col justify-around">
        {groups.map((g) => {
          const [low, high] = spanOf(g, tape.samples)
          return (
            <span key={g[0]?.name}>
              {g.map((c) => c.name).join(', ')}
              <br />
              {g === OF_FROST
                ? `up to ${figure(high, 1)} lb`
                : `${Math.round(low)} to ${degrees(Math.round(high))}`}
            </span>
          )
        })}
      </div>
      {tape.counts.map((c) => (
        <span key={`${c.mode} ${c.from} ${c.to}`} className="block truncate" style={{ height: LANE }}>
          {countWords(inst, c)}
        </span>
      ))}
      {lanes.map((l) => (
        <button
          key={l.ref}
          type="button"
          aria-pressed={selected === l.ref}
          className={cx('block w-full truncate text-right', selected === l.ref && 'font-bold text-ink')}
          style={{ height: LANE }}
          onClick={() => onSelect(l.ref)}
        >
          {targetWords(l)}
        </button>
      ))}
    </div>
  )
})

/** All that does not move with the clock: drawn once for a tape, and not with every tick. */
const Still = memo(function Still({
  tape,
  other,
  lanes,
  width,
}: {
  tape: Tape
  other: Tape | null
  lanes: readonly Target[]
  width: number
}) {
  const x = (s: number) => (s / tape.until) * width
  const groups = groupsOf(tape)
  const height = heightOf(groups, tape, lanes)
  const counts = groups.length * BAND
  const top = counts + tape.counts.length * LANE
  return (
    <>
      {groups.map((g, i) => (
        <Curves
          key={g[0]?.name}
          curves={g}
          samples={tape.samples}
          x={x}
          top={i * BAND + 2}
          height={BAND - 4}
        />
      ))}
      {tape.counts.map((c, i) => (
        <Count key={`${c.mode} ${c.from} ${c.to}`} count={c} x={x} top={counts + i * LANE + 3} />
      ))}
      {lanes.map((l, i) => (
        <g key={l.ref} data-lane={l.ref}>
          <line
            x1={0}
            x2={width}
            y1={top + (i + 1) * LANE - 2}
            y2={top + (i + 1) * LANE - 2}
            className="stroke-line"
          />
          {stretchesOf(tape, l.ref).map(([from, to]) => (
            <rect
              key={from}
              x={x(from)}
              y={top + i * LANE + 3}
              width={Math.max(1, x(to) - x(from))}
              height={other ? 7 : 13}
              className={
                l.does.what === 'blower' || l.does.what === 'outdoorFan' ? 'fill-slate' : 'fill-copper'
              }
            />
          ))}
          {other &&
            stretchesOf(other, l.ref).map(([from, to]) => (
              <rect
                key={from}
                x={x(from)}
                y={top + i * LANE + 11.5}
                width={Math.max(1, x(to) - x(from))}
                height={5}
                className="fill-none stroke-ink"
              />
            ))}
        </g>
      ))}
      {ticks(tape.until, width).map((t) => (
        <text
          key={t}
          x={Math.min(width - 20, Math.max(14, x(t)))}
          y={height - 4}
          textAnchor="middle"
          className="fill-soft text-[11px]"
        >
          {t >= 3600 ? `${Math.round(t / 360) / 10} h` : `${t / 60} min`}
        </text>
      ))}
    </>
  )
})

const heightOf = (groups: Curve[][], tape: Tape, lanes: readonly Target[]): number =>
  groups.length * BAND + (tape.counts.length + lanes.length) * LANE + AXIS

/** How a count fills: at the top of its lane it is full. */
function Count({ count, x, top }: { count: CountCurve; x: (s: number) => number; top: number }) {
  const height = LANE - 6
  const y = (counted: number) => top + height - (counted / count.after) * height
  const [first] = count.points
  const points = count.points.map(([s, counted]) => `${x(s).toFixed(1)},${y(counted).toFixed(1)}`).join(' ')
  const end = count.points[count.points.length - 1]
  return (
    <g data-count={`${count.mode} ${count.to}`}>
      <polygon
        points={`${x(first?.[0] ?? 0).toFixed(1)},${top + height} ${points} ${x(end?.[0] ?? 0).toFixed(1)},${top + height}`}
        className="fill-watch-soft stroke-watch"
      />
    </g>
  )
}

function Curves({
  curves,
  samples,
  x,
  top,
  height,
}: {
  curves: Curve[]
  samples: readonly Sample[]
  x: (s: number) => number
  top: number
  height: number
}) {
  const [least, most] = spanOf(curves, samples)
  const [low, high] = curves === OF_FROST ? [0, most] : [least - PAD_F, most + PAD_F]
  const y = (f: number) => top + height - ((f - low) / (high - low)) * height
  return (
    <g>
      {curves.map((c) => (
        <polyline
          key={c.name}
          fill="none"
          className={c.className}
          strokeWidth={1.5}
          {...(c.dash ? { strokeDasharray: c.dash } : {})}
          points={samples.map((s) => `${x(s.at).toFixed(1)},${y(c.of(s)).toFixed(1)}`).join(' ')}
        />
      ))}
    </g>
  )
}
