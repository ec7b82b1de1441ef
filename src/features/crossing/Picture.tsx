'use client'

import { memo, useDeferredValue, type PointerEvent } from 'react'
import { DRAWN, type CrossingView, type SharingStretch } from '@/core/crossing'
import { loadAt } from '@/core/house'
import { changedSituation } from '@/core/situation'
import { degF } from '@/core/units'
import { cx, useWidth } from '@/ui'
import { crossingAnswer, degrees } from '@/words'
import { setSituation, useSituationNow } from '../session'
import { GATE, GateHandle } from './GateHandle'
import { pathOf, scale, topOf, within, type Scale } from './scale'
import { useDraggedSharing, type Drags, type GateMoves } from './useCrossing'

/** px. */
const LEFT = 46
const RIGHT = 14
const TOP = 10
const LANE = 22

interface LaneDrawn {
  id: string
  name: string
  colour: string
  runs: (s: SharingStretch) => boolean
}
const lanesOf = (view: CrossingView): LaneDrawn[] => [
  { id: 'heatPump', name: 'heat pump', colour: 'fill-live', runs: (s) => s.heatPump },
  view.fuel
    ? { id: 'furnace', name: 'furnace', colour: 'fill-ember', runs: (s) => s.furnace }
    : { id: 'strips', name: 'strips', colour: 'fill-ember', runs: (s) => s.kitKw > 0 },
]

/**
 * Outdoor temperature across; above, what the house needs against what each source gives, with the hours of the year as a
 * shade; below, who may heat, with the gates on lines of their own, to drag. It is the proof strip enlarged: its mark is
 * the dock's temperature.
 */
export function Picture({ view, moves }: { view: CrossingView; moves: GateMoves }) {
  const [ref, width] = useWidth<HTMLDivElement>()
  const situation = useSituationNow()
  const gates = view.gates.gates.filter((g) => g.valueF !== null)
  const lanes = lanesOf(view)
  const plot = width < 600 ? 230 : 280
  const lanesTop = TOP + plot + 26
  const gatesTop = lanesTop + lanes.length * LANE + 8
  const height = gatesTop + Math.max(1, gates.length) * GATE + 6
  const x = scale([DRAWN.from, DRAWN.to], [LEFT, Math.max(LEFT + 1, width - RIGHT)])
  const top = topOf(view)
  const y = scale([0, top], [TOP + plot, TOP])
  const ask = (e: PointerEvent<SVGRectElement>) => {
    const box = e.currentTarget.ownerSVGElement?.getBoundingClientRect()
    if (!box || (e.type === 'pointermove' && e.buttons === 0)) return
    const t = Math.round(within(x.from(e.clientX - box.left)))
    setSituation(changedSituation(situation, { outdoorF: degF(t) }))
  }
  const inside = Math.max(1, width - LEFT - RIGHT)
  return (
    <figure
      ref={ref}
      className="relative mt-3 select-none [contain:layout_paint]"
      style={{ height: width > 0 ? height : undefined }}
      data-testid="crossing-picture"
    >
      {width > 0 && (
        <>
          <Still view={view} x={x} y={y} top={top} plot={plot} width={width} height={height} />
          {/* What moves lies on a sheet of its own: a finger has the curves painted once. */}
          <svg
            width={width}
            height={height}
            className="absolute inset-0 block will-change-transform"
            role="group"
            aria-label="Load and heat over outdoor temperature"
          >
            <desc>
              {crossingAnswer(view)
                .map((l) => l.text)
                .join(' ')}
            </desc>
            <defs>
              <pattern
                id="held-off"
                width="6"
                height="6"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(45)"
              >
                <rect width="1.5" height="6" className="fill-edge" />
              </pattern>
            </defs>
            <rect
              x={LEFT}
              y={TOP}
              width={inside}
              height={plot}
              fill="transparent"
              className="cursor-crosshair touch-pan-y"
              onPointerDown={(e) => {
                e.currentTarget.setPointerCapture(e.pointerId)
                ask(e)
              }}
              onPointerMove={ask}
              data-ask
            />
            <Lanes lanes={lanes} stands={view.sharing} drags={moves.drags} x={x} top={lanesTop} />
            <line
              x1={x.to(within(situation.outdoorF))}
              x2={x.to(within(situation.outdoorF))}
              y1={TOP}
              y2={gatesTop}
              className="pointer-events-none stroke-slate"
              strokeWidth={2.5}
            />
            {gates.map((gate, i) => (
              <GateHandle
                key={gate.at}
                gate={gate}
                moves={moves}
                x={x}
                y={gatesTop + i * GATE + GATE / 2}
                lineTop={TOP}
                width={width}
              />
            ))}
            {gates.length === 0 && (
              <text x={LEFT} y={gatesTop + 24} className="fill-soft text-[14px]">
                No gate in this job holds a source off by temperature.
              </text>
            )}
          </svg>
        </>
      )}
    </figure>
  )
}

interface Drawn {
  view: CrossingView
  x: Scale
  y: Scale
  top: number
  plot: number
  width: number
  height: number
}

/** Parts of the picture that no drag moves: axes, hours, curves and where they cross. */
const Still = memo(
  function Still({ view, x, y, top, plot, width, height }: Drawn) {
    return (
      <svg width={width} height={height} className="absolute inset-0 block" aria-hidden>
        <defs>
          <clipPath id="crossing-plot">
            <rect x={LEFT} y={TOP} width={Math.max(1, width - LEFT - RIGHT)} height={plot} />
          </clipPath>
        </defs>
        <Axes x={x} y={y} top={top} plot={plot} width={width} />
        <g clipPath="url(#crossing-plot)">
          <Hours view={view} x={x} plot={plot} />
          <Curves view={view} x={x} y={y} />
        </g>
        <CurveNames view={view} x={x} y={y} />
        <Balance view={view} x={x} y={y} />
      </svg>
    )
  },
  // Its scales follow from these.
  (a, b) => a.view === b.view && a.width === b.width && a.height === b.height,
)

function Axes({ x, y, top, plot, width }: { x: Scale; y: Scale; top: number; plot: number; width: number }) {
  const step = top > 60_000 ? 20_000 : 10_000
  const rows = Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step)
  const columns = [-20, -10, 0, 10, 20, 30, 40, 50, 60, 70].filter((t) => width > 600 || t % 20 === 0)
  return (
    <g aria-hidden className="text-[12px]">
      {rows.map((q) => (
        <g key={q}>
          <line
            x1={LEFT}
            x2={width - RIGHT}
            y1={y.to(q)}
            y2={y.to(q)}
            className="stroke-line"
            strokeWidth={q ? 0.75 : 1.5}
          />
          <text x={LEFT - 6} y={y.to(q) + 4} textAnchor="end" className="fill-soft">
            {q === 0 ? '0' : q / 1000}
          </text>
        </g>
      ))}
      <text x={LEFT + 6} y={TOP + 2} className="fill-soft" dominantBaseline="hanging">
        thousand BTU/h
      </text>
      {columns.map((t) => (
        <g key={t}>
          <line x1={x.to(t)} x2={x.to(t)} y1={TOP + plot} y2={TOP + plot + 5} className="stroke-edge" />
          <text x={x.to(t)} y={TOP + plot + 18} textAnchor="middle" className="fill-soft">
            {t}°
          </text>
        </g>
      ))}
    </g>
  )
}

function Hours({ view, x, plot }: { view: CrossingView; x: Scale; plot: number }) {
  const { outdoorF, hours } = view.curve
  const most = Math.max(1, ...hours)
  const high = (h: number) => (h / most) * plot * 0.42
  const each = x.to(1) - x.to(0)
  return (
    <g className="fill-slate-soft">
      {outdoorF.map((t, i) => {
        const h = high(hours[i] ?? 0)
        return h > 0 ? (
          <rect key={t} x={x.to(t) - each / 2} y={TOP + plot - h} width={each + 0.3} height={h} />
        ) : null
      })}
    </g>
  )
}

function Curves({ view, x, y }: { view: CrossingView; x: Scale; y: Scale }) {
  const { curve } = view
  const path = (values: (number | null)[]) => pathOf(curve.outdoorF, values, x, y)
  return (
    <g fill="none" strokeLinejoin="round">
      <path d={path(curve.backup)} className="stroke-ember" strokeWidth={2} strokeDasharray="2 5" />
      <path d={path(curve.withStrips)} className="stroke-ember" strokeWidth={2.5} strokeDasharray="9 5" />
      <path d={path(curve.least)} className="stroke-live" strokeWidth={1.5} strokeDasharray="4 4" />
      <path d={path(curve.capacity)} className="stroke-live" strokeWidth={3.5} data-curve="capacity" />
      <path d={path(curve.load)} className="stroke-ink" strokeWidth={3} data-curve="load" />
    </g>
  )
}

/** The names stand on the curves themselves, where each is alone. */
function CurveNames({ view, x, y }: { view: CrossingView; x: Scale; y: Scale }) {
  const { curve } = view
  const at = (t: number, values: (number | null)[]): number | null =>
    values[curve.outdoorF.indexOf(t)] ?? null
  const coldest = Math.round((view.designF ?? 10) + 1)
  const names = [
    {
      text: 'load',
      t: Math.max(DRAWN.from + 4, coldest - 2),
      values: curve.load,
      className: 'fill-ink',
      below: false,
    },
    { text: 'heat pump', t: 54, values: curve.capacity, className: 'fill-copper', below: true },
    { text: 'its least', t: 54, values: curve.least, className: 'fill-copper', below: true },
    { text: 'with strips', t: 30, values: curve.withStrips, className: 'fill-ember', below: false },
    { text: backupName(view, y), t: 24, values: curve.backup, className: 'fill-ember', below: false },
  ]
  return (
    <g aria-hidden className="pointer-events-none text-[13px] font-bold">
      {names.map(({ text, t, values, className, below }) => {
        const value = at(t, values)
        if (value === null || value <= 0) return null
        const place = Math.max(TOP + 14, y.to(value) + (below ? 18 : -8))
        return (
          <text key={text} x={x.to(t)} y={place} className={className} textAnchor="middle">
            {text}
          </text>
        )
      })}
    </g>
  )
}

/** A furnace mostly gives more than the picture is high. */
function backupName({ fuel, burner }: CrossingView, y: Scale): string {
  if (!fuel) return 'strips alone'
  if (!burner || y.to(burner.outputBtuh) >= TOP) return 'furnace'
  return `furnace, ${Math.round(burner.outputBtuh / 1000)} above here`
}

function Balance({ view, x, y }: { view: CrossingView; x: Scale; y: Scale }) {
  if (typeof view.balanceF !== 'number' || !view.line) return null
  const load = loadAt(view.line, view.balanceF)
  return (
    <g className="pointer-events-none">
      <circle
        cx={x.to(view.balanceF)}
        cy={y.to(load)}
        r={6}
        className="fill-raised stroke-ink"
        strokeWidth={2.5}
      />
      <text
        x={x.to(view.balanceF) + 2}
        y={y.to(load) - 14}
        className="fill-ink stroke-bench text-[13px] font-bold"
        strokeWidth={4}
        paintOrder="stroke"
      >
        balance {degrees(Math.round(view.balanceF))}
      </text>
    </g>
  )
}

function Lanes({
  lanes,
  stands,
  drags,
  x,
  top,
}: {
  lanes: LaneDrawn[]
  stands: readonly SharingStretch[]
  drags: Drags
  x: Scale
  top: number
}) {
  const sharing = useDeferredValue(useDraggedSharing(drags)) ?? stands
  return <LanesDrawn {...{ lanes, sharing, x, top }} />
}

const LanesDrawn = memo(function LanesDrawn({
  lanes,
  sharing,
  x,
  top,
}: {
  lanes: LaneDrawn[]
  sharing: readonly SharingStretch[]
  x: Scale
  top: number
}) {
  return (
    <g>
      {lanes.map((lane, i) => (
        <g key={lane.id} data-lane={lane.id}>
          {sharing.map((s) => {
            const [a, b] = [within(s.from), within(s.to)]
            if (a >= b) return null
            const on = lane.runs(s)
            return (
              <rect
                key={s.from}
                x={x.to(a)}
                y={top + i * LANE}
                width={Math.max(0, x.to(b) - x.to(a) - 1)}
                height={LANE - 6}
                data-on={on}
                className={cx(on ? lane.colour : 'stroke-line')}
                fill={on ? undefined : 'url(#held-off)'}
              />
            )
          })}
          <text
            x={x.to(DRAWN.from) + 6}
            y={top + i * LANE + 12}
            className="pointer-events-none fill-ink stroke-bench text-[12px] font-bold"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {lane.name}
          </text>
        </g>
      ))}
    </g>
  )
})
