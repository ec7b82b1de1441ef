'use client'

import { memo, useCallback, useEffect, useMemo, useRef } from 'react'
import type { Target } from '@/core/explain'
import type { Ref } from '@/core/installation'
import { cx, hue } from '@/ui'
import { figure, makingShort, refWords, targetWords } from '@/words'
import { useLive } from '../job/JobContext'
import { sensibleFor } from './landing'
import { drawWires, layOut, SIZE, type DrawnWire } from './layout'
import { wireState, type TerminalVolts } from '../job/liveness'
import type { LandingTools } from './useLanding'

/** The devices with their terminals, and the conductors between them in their own colours, lit for the situation. */
export function Diagram({ route, landing }: { route: ReadonlySet<Ref>; landing: LandingTools }) {
  const { inst, solved, volts } = useLive()
  const { placed } = inst
  const layout = useMemo(() => layOut(placed), [placed])
  const { wires, cables } = useMemo(() => drawWires(inst, layout), [inst, layout])
  const running = useMemo(() => new Set(solved.ok ? solved.running.map((l) => l.ref) : []), [solved])
  const counts = useMemo(() => {
    const n = new Map<Ref, number>()
    for (const w of inst.wires) for (const r of [w.a, w.b]) if (r) n.set(r, (n.get(r) ?? 0) + 1)
    return n
  }, [inst])
  const onChoose = useSteady(landing.chooseTerminal)
  const { state } = landing
  const picked = state.step === 'chosen' ? state.terminal : state.step === 'landing' ? state.from : null
  const chosen = state.step === 'moving' ? state.wire : null
  return (
    <div
      className="relative mx-auto"
      style={{ width: layout.width, height: layout.height }}
      data-testid="bench"
    >
      <svg width={layout.width} height={layout.height} className="absolute inset-0" aria-hidden>
        {cables.map((c) => (
          <g key={c.cable.id}>
            <rect
              x={c.x}
              y={c.y}
              width={c.width}
              height={c.height}
              rx={5}
              fill="var(--panel)"
              stroke="var(--edge)"
            />
            {c.cable.kind === 'low' && (
              <text
                x={c.x + c.width / 2}
                y={c.nth ? c.y - 20 : 14}
                textAnchor="middle"
                fontSize="12"
                fill="var(--soft)"
              >
                <tspan x={c.x + c.width / 2}>{c.cable.label}</tspan>
                <tspan x={c.x + c.width / 2} dy={15}>
                  {c.cable.feet} ft
                </tspan>
              </text>
            )}
          </g>
        ))}
        {[...wires]
          .sort((a, b) => rank(a, volts, route) - rank(b, volts, route))
          .map((w) => (
            <Conductor
              key={w.wire.id}
              drawn={w}
              state={wireState(volts, w.wire.a, w.wire.b)}
              onRoute={route.has(`wires.${w.wire.id}`)}
              chosen={chosen === w.wire.id}
            />
          ))}
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
          {p.terminals.map(({ ref, terminal, y }) => {
            const v = volts.get(ref)
            return (
              <TerminalButton
                key={ref}
                at={ref}
                label={terminal.label}
                about={terminal.about}
                name={refWords(inst, ref)}
                landed={counts.get(ref) ?? 0}
                state={v?.state}
                text={voltsText(v)}
                onRoute={route.has(ref)}
                raised={sensibleFor(inst, state, ref)}
                chosen={picked === ref}
                top={y - p.y + 2}
                onChoose={onChoose}
              />
            )
          })}
          {p.loads.map(({ target, y }) => (
            <LoadLine key={target.ref} target={target} on={running.has(target.ref)} top={y - p.y} />
          ))}
        </section>
      ))}
    </div>
  )
}

const rank = (w: DrawnWire, volts: ReadonlyMap<Ref, TerminalVolts>, route: ReadonlySet<Ref>): number =>
  (route.has(`wires.${w.wire.id}`) ? 2 : 0) + (wireState(volts, w.wire.a, w.wire.b) === 'live' ? 1 : 0)

/** Live: thick, solid, haloed. Dead: thin and broken. Common: solid and thin. Doubtful: dotted. */
const Conductor = memo(function Conductor({
  drawn,
  state,
  onRoute,
  chosen,
}: {
  drawn: DrawnWire
  state: TerminalVolts['state']
  onRoute: boolean
  chosen: boolean
}) {
  const { wire, d, loose } = drawn
  const live = state === 'live'
  const width = live ? 4 : 2.5
  const dash = wire.doubt ? '1 5' : live || state === 'common' ? undefined : '6 4'
  return (
    <g data-wire={wire.id} data-state={state} fill="none" strokeLinecap="round">
      {onRoute && <path d={d} stroke="var(--slate)" strokeWidth={13} opacity={0.28} />}
      {live && <path d={d} stroke="var(--live)" strokeWidth={9} opacity={0.32} />}
      <path
        d={d}
        stroke={chosen ? 'var(--harm)' : 'var(--ink)'}
        strokeWidth={width + (chosen ? 5 : 1.8)}
        opacity={0.75}
        strokeDasharray={dash}
      />
      <path d={d} stroke={hue(wire.colour)} strokeWidth={width} strokeDasharray={dash} />
      {live && onRoute && (
        <path d={d} className="flow" stroke="var(--ink)" strokeWidth={1.2} strokeDasharray="2 16" />
      )}
      {loose.map((p) => (
        <circle
          key={`${p.x},${p.y}`}
          cx={p.x}
          cy={p.y}
          r={3}
          fill="var(--bench)"
          stroke="var(--ink)"
          strokeWidth={1.4}
        />
      ))}
    </g>
  )
})

const EDGE: Record<TerminalVolts['state'], string> = {
  live: 'border-live bg-raised border-2',
  between: 'border-watch border-2 border-dotted bg-raised',
  common: 'border-edge bg-panel',
  dead: 'border-line border-dashed bg-panel',
}

const voltsText = (v: TerminalVolts | undefined): string =>
  !v ? '?' : v.state === 'common' ? 'common' : v.state === 'dead' ? '0' : `${figure(v.volts)} V`

const TerminalButton = memo(function TerminalButton(t: {
  at: Ref
  label: string
  about: string | undefined
  name: string
  landed: number
  state: TerminalVolts['state'] | undefined
  text: string
  onRoute: boolean
  raised: boolean
  chosen: boolean
  top: number
  onChoose: (ref: Ref) => void
}) {
  return (
    <button
      type="button"
      data-terminal={t.at}
      data-state={t.state}
      aria-pressed={t.chosen}
      aria-label={`${t.name}, ${t.text === '0' ? 'dead' : t.text}, ${t.landed} landed`}
      title={t.about}
      onClick={() => t.onChoose(t.at)}
      className={cx(
        'absolute inset-x-0 flex items-center justify-between rounded-[3px] border px-2.5 text-left',
        EDGE[t.state ?? 'dead'],
        t.onRoute && 'outline-2 -outline-offset-1 outline-slate',
        t.raised && '!border-2 !border-dashed !border-copper shadow-[0_2px_0_var(--copper)]',
        t.chosen && '!border-2 !border-solid !border-ink',
      )}
      style={{ top: t.top, height: SIZE.row - 4 }}
    >
      <span className="font-mono text-[15px] font-bold">{t.label}</span>
      <span className={cx('text-[13px]', t.state === 'live' ? 'font-bold text-copper' : 'text-soft')}>
        {t.text}
      </span>
    </button>
  )
})

const LoadLine = memo(function LoadLine({ target, on, top }: { target: Target; on: boolean; top: number }) {
  return (
    <p
      data-load={target.ref}
      data-on={on}
      className={cx(
        'absolute inset-x-0 flex items-center gap-1.5 text-[13px]',
        on ? 'font-bold' : 'text-soft',
      )}
      style={{ top, height: SIZE.load }}
    >
      <svg width="14" height="14" className="shrink-0" aria-hidden>
        <circle
          cx="7"
          cy="7"
          r="5.5"
          fill={
            on
              ? target.making.what === 'strip' || target.making.what === 'burner'
                ? 'var(--ember)'
                : 'var(--live)'
              : 'none'
          }
          stroke="var(--ink)"
          strokeDasharray={on ? undefined : '2 2'}
        />
      </svg>
      <span className="truncate" title={targetWords(target)}>
        {makingShort(target.making)} {on ? 'on' : 'off'}
      </span>
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
