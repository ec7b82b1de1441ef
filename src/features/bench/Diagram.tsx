'use client'

import type { Target } from '@/core/query'
import { memo, useCallback, useEffect, useLayoutEffect, useRef, type ReactNode } from 'react'
import type { Ref, Name } from '@/core/installation'
import { cx } from '@/ui'
import { makingShort, refWords, targetWords } from '@/words'
import { useBoard, useLook } from '../session'
import { sensibleFor } from './landing'
import { drawingOf, SIZE, type BenchLayout, type DrawnCable, type Panel } from './layout'
import { Painter } from './Painter'
import { useDragLanding } from './useDragLanding'
import type { Leads } from './leads'
import type { LandingTools } from './useLanding'

export interface Probing {
  leads: Leads
  tap: (ref: Ref) => void
}

/**
 * The devices with their terminals, and the conductors between them in their own colours, lit for the situation. React
 * lays down what there is; the painter lights it, so that an edit touches what it changed and nothing else.
 */
export function Diagram({
  route,
  landing,
  probing,
}: {
  route: ReadonlySet<Name>
  landing: LandingTools
  /** The meter is out: a tap puts a lead there. */
  probing: Probing | null
}) {
  const board = useBoard()
  const layout = useLook((now) => drawingOf(now.inst).layout)
  const cables = useLook((now) => drawingOf(now.inst).cables)
  const ids = useLook((now) => drawingOf(now.inst).ids)
  const onChoose = useSteady((ref: Ref) => (probing ? probing.tap(ref) : landing.chooseTerminal(ref)))
  const { state } = landing
  const picked = state.step === 'chosen' ? state.terminal : state.step === 'landing' ? state.from : null
  const moving = state.step === 'moving' ? state.wire : null
  const { inst } = board.get()!
  const list = ids ? ids.split(' ') : []
  const root = useRef<HTMLDivElement>(null)
  const line = useRef<SVGPathElement>(null)
  const drag = useDragLanding(root, line, landing, probing !== null)
  const painter = useRef<Painter | null>(null)
  useLayoutEffect(() => {
    const made = new Painter(root.current!, board)
    painter.current = made
    return board.subscribe(() => made.paint())
  }, [board])
  // Whatever React has laid down anew is painted before it is seen.
  useLayoutEffect(() => painter.current?.collect())
  const onRoute = (id: string) => route.has(`wires.${id}`)
  // What is on the path lies over what is not.
  const ordered = [...list.filter((id) => !onRoute(id)), ...list.filter(onRoute)]
  const lay = (layer: 'rest' | 'lit') =>
    ordered.map((id) => (
      <Conductor key={id} id={id} layer={layer} onRoute={onRoute(id)} chosen={moving === id} />
    ))
  return (
    <div
      ref={root}
      className="relative mx-auto [contain:layout_style]"
      style={{ width: layout.width, height: layout.height }}
      data-testid="bench"
      {...drag}
    >
      <Layer layout={layout}>
        <Boxes panels={layout.panels} />
        <Jackets cables={cables} />
      </Layer>
      <Layer layout={layout}>{lay('rest')}</Layer>
      {/* What is live lies over the rest. */}
      <Layer layout={layout}>
        {lay('lit')}
        <CableNames cables={cables} />
        <path
          ref={line}
          className="fill-none stroke-copper"
          strokeWidth={4}
          strokeDasharray="8 5"
          strokeLinecap="round"
        />
      </Layer>
      {layout.panels.map((p) => (
        <section
          key={p.placed.ref}
          aria-label={p.placed.label}
          className="absolute"
          style={{ left: p.x, top: p.y, width: SIZE.column, height: p.height }}
        >
          <h3
            className="truncate text-sm font-bold"
            style={{ height: SIZE.head, lineHeight: `${SIZE.head}px` }}
          >
            {p.placed.label}
          </h3>
          {p.terminals.map(({ ref, terminal, y }) => (
            <TerminalButton
              key={ref}
              at={ref}
              label={terminal.label}
              about={terminal.about}
              name={refWords(inst, ref)}
              onRoute={route.has(ref)}
              raised={sensibleFor(inst, state, ref)}
              chosen={picked === ref && !probing}
              lead={probing?.leads.red === ref ? 'red' : probing?.leads.black === ref ? 'black' : null}
              top={y - p.y + 2}
              onChoose={onChoose}
            />
          ))}
          {p.loads.map(({ target, y }) => (
            <LoadLine key={target.ref} target={target} top={y - p.y} />
          ))}
        </section>
      ))}
    </div>
  )
}

/** One sheet of the drawing, as a picture of its own to the browser: what changes on one is not drawn again on the other. */
function Layer({ layout, children }: { layout: BenchLayout; children: ReactNode }) {
  return (
    <svg
      width={layout.width}
      height={layout.height}
      className="pointer-events-none absolute inset-0 [contain:size_layout_style] will-change-transform"
      aria-hidden
    >
      {children}
    </svg>
  )
}

/** The broken outline of every terminal at rest: a live one has its own over it, and its dashes are not drawn again. */
const Boxes = memo(function Boxes({ panels }: { panels: Panel[] }) {
  return panels.flatMap((p) =>
    p.terminals.map(({ ref, y }) => (
      <rect
        key={ref}
        x={p.x + 0.5}
        y={y + 2.5}
        width={SIZE.column - 1}
        height={SIZE.row - 5}
        rx={3}
        fill="none"
        stroke="var(--line)"
        strokeDasharray="3 3"
      />
    )),
  )
})

const Jackets = memo(function Jackets({ cables }: { cables: DrawnCable[] }) {
  return cables.map((c) => (
    <rect
      key={c.cable.id}
      x={c.x}
      y={c.y}
      width={c.width}
      height={c.height}
      rx={5}
      fill="var(--panel)"
      stroke="var(--edge)"
    />
  ))
})

/** Names over the conductors that pass, each with a rim of the bench's colour, so that it stays readable. */
const CableNames = memo(function CableNames({ cables }: { cables: DrawnCable[] }) {
  return cables
    .filter((c) => c.cable.kind === 'low')
    .map((c) => (
      <text
        key={c.cable.id}
        x={c.x + c.width / 2}
        y={c.nth ? c.y - 20 : 14}
        textAnchor="middle"
        fontSize="12"
        fill="var(--soft)"
        stroke="var(--bench)"
        strokeWidth={5}
        strokeLinejoin="round"
        paintOrder="stroke"
      >
        <tspan x={c.x + c.width / 2}>{c.cable.label}</tspan>
        <tspan x={c.x + c.width / 2} dy={15}>
          {c.cable.feet} ft
        </tspan>
      </text>
    ))
})

/**
 * One conductor in one of the two layers: at rest, always there, and lit, shown over it while the conductor is live. React
 * lays its lines down; the painter bends and lights them, and an edit that makes a conductor live shows one piece more
 * and lays out nothing again.
 */
const Conductor = memo(function Conductor({
  id,
  layer,
  onRoute,
  chosen,
}: {
  id: string
  layer: 'rest' | 'lit'
  onRoute: boolean
  chosen: boolean
}) {
  return (
    <g className="conductor" data-conductor={id} data-layer={layer} data-chosen={chosen}>
      {layer === 'rest' && onRoute && <path className="mark" />}
      {layer === 'lit' && <path className="halo" />}
      <path className="edge" />
      <path className="core" />
      {layer === 'lit' && onRoute && <path className="flow" />}
      {layer === 'rest' && (
        <>
          <circle r={3} />
          <circle r={3} />
        </>
      )}
    </g>
  )
})

const TerminalButton = memo(function TerminalButton(t: {
  at: Ref
  label: string
  about: string | undefined
  name: string
  onRoute: boolean
  raised: boolean
  chosen: boolean
  lead: 'red' | 'black' | null
  top: number
  onChoose: (ref: Ref) => void
}) {
  return (
    <button
      type="button"
      data-terminal={t.at}
      data-name={t.name}
      aria-pressed={t.chosen}
      title={t.about}
      onClick={() => t.onChoose(t.at)}
      className={cx(
        'terminal absolute inset-x-0 flex touch-manipulation items-center px-2.5 text-left',
        t.onRoute && 'outline-2 -outline-offset-1 outline-slate',
        t.raised && '!border-2 !border-dashed !border-copper shadow-[0_2px_0_var(--copper)]',
        t.chosen && '!border-2 !border-solid !border-ink',
      )}
      style={{ top: t.top, height: SIZE.row - 4 }}
    >
      <span className="font-mono text-[15px] font-bold">
        {t.label}
        {t.lead && (
          <span
            className={cx(
              'ml-1.5 rounded-full px-1.5 font-sans text-xs',
              t.lead === 'red' ? 'bg-harm text-bench' : 'bg-ink text-bench',
            )}
          >
            {t.lead}
          </span>
        )}
      </span>
      <span data-volts />
    </button>
  )
})

const LoadLine = memo(function LoadLine({ target, top }: { target: Target; top: number }) {
  const warm = target.making.what === 'strip' || target.making.what === 'burner'
  return (
    <p
      data-load={target.ref}
      className="group absolute inset-x-0 flex items-center gap-1 text-[13px] font-medium text-soft [contain:size_layout_style] data-[on=true]:text-ink"
      style={{ top, height: SIZE.load }}
    >
      <span
        aria-hidden
        className={cx(
          'size-3 shrink-0 rounded-full border border-dashed border-ink group-data-[on=true]:border-solid',
          warm ? 'group-data-[on=true]:bg-ember' : 'group-data-[on=true]:bg-live',
        )}
      />
      <span className="truncate" title={targetWords(target)}>
        {makingShort(target.making)}
      </span>
      <span data-on-off className="h-5 w-5 shrink-0 leading-5 [contain:size_layout_style]" />
    </p>
  )
})

/** The same function object for as long as the component lives; it calls the newest one. */
function useSteady<A extends unknown[]>(f: (...args: A) => void): (...args: A) => void {
  const latest = useRef(f)
  useEffect(() => {
    latest.current = f
  })
  return useCallback((...args: A) => latest.current(...args), [])
}
