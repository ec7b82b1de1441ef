'use client'

import { memo, useCallback, useEffect, useMemo, useRef } from 'react'
import { wireRef, type Name, type Ref } from '@/core/installation'
import type { Target } from '@/core/query'
import { tolerances } from '@/core/tolerances'
import { drawWires, hue, landedCounts, layOut, SIZE, type DrawnCable, type Panel } from '@/drawing'
import { cx } from '@/ui'
import { figure, loadFunctionShort, refWords, targetWords } from '@/words'
import { wireState, type TerminalVolts } from '@/core/startup'
import { useLook, type LiveValue } from '../session'
import { sensibleFor } from './landing'
import { useDragLanding } from './useDragLanding'
import type { Leads } from './leads'
import type { LandingTools } from './useLanding'

export interface Probing {
  leads: Leads
  tap: (ref: Ref) => void
}

const whole = (now: LiveValue) => now

/** A sheet of its own to the browser: what changes on one is not drawn again on the other. */
const SHEET = 'pointer-events-none absolute inset-0 [contain:size_layout_style] will-change-transform'

/** The devices with their terminals, and the conductors between them in their own colors, lit for the situation. */
export const Diagram = memo(function Diagram({
  route,
  landing,
  probing,
}: {
  route: ReadonlySet<Name>
  landing: LandingTools
  /** The meter is out: a tap puts a lead there. */
  probing: Probing | null
}) {
  const { inst, volts, running, unsure, solved } = useLook(whole)
  const layout = useMemo(() => layOut(inst.placed), [inst.placed])
  const { wires, cables } = useMemo(() => drawWires(inst, layout), [inst, layout])
  const landed = useMemo(() => landedCounts(inst), [inst])
  // Moving a conductor gives no terminal another name.
  const { placed } = inst
  const names = useMemo(
    () =>
      new Map([...layout.at.keys()].map((ref) => [ref, refWords({ placed, cables: [], wires: [] }, ref)])),
    [layout, placed],
  )
  const onChoose = useSteady((ref: Ref) => (probing ? probing.tap(ref) : landing.chooseTerminal(ref)))
  const { state } = landing
  const picked = state.step === 'chosen' ? state.terminal : state.step === 'landing' ? state.from : null
  const moving = state.step === 'moving' ? state.wire : null
  const root = useRef<HTMLDivElement>(null)
  const line = useRef<SVGPathElement>(null)
  const drag = useDragLanding(root, line, landing, probing !== null)
  const conductors = wires.map(({ wire, d, loose }) => {
    const ref = wireRef(wire.id)
    const state = wireState(volts, wire.a, wire.b)
    const onRoute = route.has(ref)
    const live = state === 'live'
    return {
      id: wire.id,
      d,
      loose: loose.map((p) => `${p.x},${p.y}`).join(' '),
      colour: wire.colour,
      doubt: wire.doubt ?? false,
      look: live ? ('live' as const) : state === 'common' ? ('common' as const) : ('rest' as const),
      flows: onRoute && live && solved.ok && solved.amps(ref) > tolerances.flowA,
      onRoute,
      chosen: moving === wire.id,
    }
  })
  // Live conductors are drawn over the rest, and those on the selected path over all.
  const level = (c: { onRoute: boolean; look: string }) => (c.onRoute ? 2 : c.look === 'live' ? 1 : 0)
  conductors.sort((a, b) => level(a) - level(b))
  return (
    <div
      ref={root}
      className="relative mx-auto [contain:layout_style]"
      style={{ width: layout.width, height: layout.height }}
      data-testid="bench"
      {...drag}
    >
      <svg width={layout.width} height={layout.height} className={SHEET} aria-hidden>
        <Boxes panels={layout.panels} />
        <Jackets cables={cables} />
      </svg>
      <svg width={layout.width} height={layout.height} className={SHEET} aria-hidden>
        {conductors.map((c) => (
          <Conductor key={c.id} {...c} />
        ))}
        <CableNames cables={cables} />
        <path
          ref={line}
          className="fill-none stroke-copper"
          strokeWidth={4}
          strokeDasharray="8 5"
          strokeLinecap="round"
        />
      </svg>
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
              name={names.get(ref) ?? ref}
              state={volts.get(ref)?.state ?? 'dead'}
              text={voltsText(volts.get(ref))}
              landed={landed.get(ref) ?? 0}
              onRoute={route.has(ref)}
              raised={sensibleFor(inst, state, ref)}
              chosen={picked === ref && !probing}
              lead={probing?.leads.red === ref ? 'red' : probing?.leads.black === ref ? 'black' : null}
              top={y - p.y + 2}
              onChoose={onChoose}
            />
          ))}
          {p.loads.map(({ target, y }) => (
            <LoadLine
              key={target.ref}
              target={target}
              state={unsure.has(target.ref) ? '?' : running.has(target.ref) ? 'on' : 'off'}
              top={y - p.y}
            />
          ))}
        </section>
      ))}
    </div>
  )
})

const voltsText = (v: TerminalVolts | undefined): string =>
  !v || v.state === 'unknown'
    ? '?'
    : v.state === 'common'
      ? 'common'
      : v.state === 'dead'
        ? '0'
        : `${figure(v.volts)} V`

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

/** A conductor: thin and dashed at rest, solid when common, thick with a halo when live. */
const Conductor = memo(function Conductor({
  id,
  d,
  loose,
  colour,
  doubt,
  look,
  flows,
  onRoute,
  chosen,
}: {
  id: string
  d: string
  /** Positions of its bare ends, as "x,y" separated by spaces. */
  loose: string
  colour: string
  doubt: boolean
  look: 'live' | 'common' | 'rest'
  flows: boolean
  onRoute: boolean
  chosen: boolean
}) {
  return (
    <g className="conductor" data-conductor={id} data-look={look} data-doubt={doubt} data-chosen={chosen}>
      {onRoute && <path className="mark" d={d} />}
      {look === 'live' && <path className="halo" d={d} />}
      <path className="edge" d={d} />
      <path className="core" d={d} style={{ stroke: hue(colour) }} />
      {flows && <path className="flow" d={d} />}
      {loose &&
        loose.split(' ').map((at) => {
          const [x, y] = at.split(',')
          return <circle key={at} cx={x} cy={y} r={3} />
        })}
    </g>
  )
})

const TerminalButton = memo(function TerminalButton(t: {
  at: Ref
  label: string
  about: string | undefined
  name: string
  state: TerminalVolts['state']
  text: string
  landed: number
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
      data-state={t.state}
      aria-label={`${t.name}, ${t.text === '0' ? 'dead' : t.text}, ${t.landed} landed`}
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
      <span data-volts>{t.text}</span>
    </button>
  )
})

const LoadLine = memo(function LoadLine({
  target,
  state,
  top,
}: {
  target: Target
  /** "?": it depends on what is not known. */
  state: 'on' | 'off' | '?'
  top: number
}) {
  const warm = target.does.what === 'strip' || target.does.what === 'burner'
  return (
    <p
      data-load={target.ref}
      data-on={state === 'on'}
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
        {loadFunctionShort(target.does)}
      </span>
      <span className="h-5 w-5 shrink-0 leading-5 [contain:size_layout_style]">{state}</span>
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
