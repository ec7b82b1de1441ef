'use client'

import { memo, useMemo } from 'react'
import type { Ref } from '@/core/installation'
import { cx, hue } from '@/ui'
import { figure, refWords, targetWords } from '@/words'
import { useJobScreen } from '../job/JobContext'
import { sensibleFor, type Landing } from './landing'
import { drawWires, layOut, SIZE, type DrawnWire, type Panel } from './layout'
import { wireState, type TerminalVolts } from './liveness'
import type { LandingTools } from './useLanding'

/** The devices with their terminals, and the conductors between them in their own colours, lit for the situation. */
export function Diagram({
  volts,
  route,
  landing,
}: {
  volts: ReadonlyMap<Ref, TerminalVolts>
  route: ReadonlySet<Ref>
  landing: LandingTools
}) {
  const { inst, solved } = useJobScreen()
  const layout = useMemo(() => layOut(inst), [inst])
  const { wires, cables } = useMemo(() => drawWires(inst, layout), [inst, layout])
  const running = useMemo(() => new Set(solved.ok ? solved.running.map((l) => l.ref) : []), [solved])
  const counts = useMemo(() => {
    const n = new Map<Ref, number>()
    for (const w of inst.wires) for (const r of [w.a, w.b]) if (r) n.set(r, (n.get(r) ?? 0) + 1)
    return n
  }, [inst])
  const chosen = chosenWire(landing.state)
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
              <text x={c.x + c.width / 2} y={14} textAnchor="middle" fontSize="12" fill="var(--soft)">
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
        <DevicePanel
          key={p.placed.ref}
          panel={p}
          volts={volts}
          route={route}
          running={running}
          counts={counts}
          state={landing.state}
          raised={(ref) => sensibleFor(inst, landing.state, ref)}
          name={(ref) => refWords(inst, ref)}
          onChoose={landing.chooseTerminal}
        />
      ))}
    </div>
  )
}

const chosenWire = (s: Landing): string | null => (s.step === 'moving' ? s.wire : null)
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

const DevicePanel = memo(function DevicePanel({
  panel,
  volts,
  route,
  running,
  counts,
  state,
  raised,
  name,
  onChoose,
}: {
  panel: Panel
  volts: ReadonlyMap<Ref, TerminalVolts>
  route: ReadonlySet<Ref>
  running: ReadonlySet<Ref>
  counts: ReadonlyMap<Ref, number>
  state: Landing
  raised: (ref: Ref) => boolean
  name: (ref: Ref) => string
  onChoose: (ref: Ref) => void
}) {
  const { placed, x, y, height } = panel
  return (
    <section
      aria-label={placed.label}
      className="absolute"
      style={{ left: x, top: y, width: SIZE.column, height }}
    >
      <h3 className="truncate text-sm font-bold" style={{ height: SIZE.head, lineHeight: `${SIZE.head}px` }}>
        {placed.label}
      </h3>
      {panel.terminals.map(({ ref, terminal, y: at }) => {
        const v = volts.get(ref)
        const chosen =
          (state.step === 'chosen' && state.terminal === ref) ||
          (state.step === 'landing' && state.from === ref)
        const text = !v
          ? '?'
          : v.state === 'common'
            ? 'common'
            : v.state === 'dead'
              ? '0'
              : `${figure(v.volts)} V`
        return (
          <button
            key={ref}
            type="button"
            data-terminal={ref}
            data-state={v?.state}
            aria-pressed={chosen}
            aria-label={`${name(ref)}, ${text === '0' ? 'dead' : text}, ${counts.get(ref) ?? 0} landed`}
            title={terminal.about}
            onClick={() => onChoose(ref)}
            className={cx(
              'absolute inset-x-0 flex items-center justify-between rounded-[3px] border px-2.5 text-left',
              EDGE[v?.state ?? 'dead'],
              route.has(ref) && 'outline-2 -outline-offset-1 outline-slate',
              raised(ref) && '!border-2 !border-dashed !border-copper shadow-[0_2px_0_var(--copper)]',
              chosen && '!border-2 !border-solid !border-ink',
            )}
            style={{ top: at - y + 2, height: SIZE.row - 4 }}
          >
            <span className="font-mono text-[15px] font-bold">{terminal.label}</span>
            <span className={cx('text-[13px]', v?.state === 'live' ? 'font-bold text-copper' : 'text-soft')}>
              {text}
            </span>
          </button>
        )
      })}
      {panel.loads.map(({ target, y: at }) => {
        const on = running.has(target.ref)
        return (
          <p
            key={target.ref}
            data-load={target.ref}
            data-on={on}
            className={cx(
              'absolute inset-x-0 flex items-center gap-1.5 text-[13px]',
              on ? 'font-bold' : 'text-soft',
            )}
            style={{ top: at - y, height: SIZE.load }}
          >
            <svg width="14" height="14" aria-hidden>
              <circle
                cx="7"
                cy="7"
                r="5.5"
                fill={on ? (target.making.what === 'strip' ? 'var(--ember)' : 'var(--live)') : 'none'}
                stroke="var(--ink)"
                strokeDasharray={on ? undefined : '2 2'}
              />
            </svg>
            {targetWords(target)} {on ? 'on' : 'off'}
          </p>
        )
      })}
    </section>
  )
})
