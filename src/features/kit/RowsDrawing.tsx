'use client'

import { useState } from 'react'
import { EARTH, type Gate } from '@/core/equipment'
import { makeRef, splitRef, type Placed, type Point } from '@/core/installation'
import { chainOf } from '@/core/explain'
import { heaterRows, rowPaths, type RowPath, type RowStep } from '@/core/kit'
import { meterWithStrays, ohmsBetween } from '@/core/circuit'
import { tolerances } from '@/core/tolerances'
import { Button, cx } from '@/ui'
import { figure, gateWords, lower, refWords, upper } from '@/words'
import { useJobScreen } from '../session'

const SHORT: Partial<Record<Gate, string>> = {
  fuseLink: 'link',
  limit: 'limit',
  sequencer: 'sequencer',
  relay: 'relay',
  contactor: 'contactor',
  breaker: 'breaker',
}

/**
 * Each row from leg to leg in the order in which current meets it, lit for the dock's situation. The dots between are
 * where a meter's leads can stand: tap two of them.
 */
export function RowsDrawing({ placed }: { placed: Placed }) {
  const { solved, circuit, inst, volts } = useJobScreen()
  const [leads, setLeads] = useState<Point[]>([])
  const paths = rowPaths(placed)
  const tap = (point: Point) =>
    setLeads((now) => (now.includes(point) ? now.filter((p) => p !== point) : [...now.slice(-1), point]))
  const [red, black] = leads
  // `volts` comes with the same solution: it is asked for so that this is drawn anew with it.
  const shown =
    red && black && solved.ok && volts
      ? {
          volts: meterWithStrays(solved, red, black, tolerances.lowMeterOhms),
          ohms: ohmsBetween(circuit, red, black),
        }
      : null
  return (
    <div className="mt-1" data-testid="rows-drawing">
      <div className="pb-1">
        {paths.map((path) => (
          <Row key={path.ref} path={path} leads={leads} onTap={tap} />
        ))}
      </div>
      <div className="mt-1 flex min-h-12 flex-wrap items-center gap-3 text-[15px]">
        <Button aria-pressed={leads.includes(EARTH)} onClick={() => tap(EARTH)}>
          Ground
        </Button>
        {shown && red && black ? (
          <p role="status" data-leads>
            {pointWords(red)} to {pointWords(black)}:{' '}
            <span className="font-bold">{figure(shown.volts)} V</span> now;{' '}
            {Number.isFinite(shown.ohms) ? `${figure(shown.ohms)} Ω` : 'OL'} with every supply off.
          </p>
        ) : (
          <p className="text-soft">
            {red
              ? `From ${pointWords(red)}: tap where the other lead stands.`
              : 'Tap two points to meter between them.'}
          </p>
        )}
        {leads.length > 0 && <Button onClick={() => setLeads([])}>Lift the leads</Button>}
      </div>
      <ul className="text-sm text-soft">{paths.flatMap((path) => liveLine(path) ?? [])}</ul>
    </div>
  )

  function liveLine(path: RowPath) {
    if (!solved.ok || solved.energised(path.ref)) return null
    const element = path.steps.find((s) => s.part.kind === 'load')
    if (!element) return null
    const live = [element.from, element.to].find((p) => solved.volts(p, EARTH) > tolerances.liveLineVolts)
    return live ? (
      <li key={path.ref}>
        {refWords(inst, path.ref)} is off, and its element is live: {figure(solved.volts(live, EARTH))} V to
        ground.
      </li>
    ) : null
  }
}

/** The end of a reference is what stands on the drawing. */
const pointWords = (p: Point): string => (p === EARTH ? 'ground' : splitRef(p).id)

function Row({ path, leads, onTap }: { path: RowPath; leads: readonly Point[]; onTap: (p: Point) => void }) {
  const { solved, inst } = useJobScreen()
  const on = solved.ok && solved.energised(path.ref)
  const ohms = heaterRows(inst).find((r) => r.ref === path.ref)?.ohms ?? Number.NaN
  const chain = solved.ok ? chainOf(solved, path.ref) : undefined
  const gate = chain && chain.first !== null ? chain.gates[chain.first] : undefined
  return (
    <div className="border-t border-line py-2" data-row-path={path.ref} data-on={on}>
      <div className="flex flex-col lg:flex-row lg:items-center">
        <span className="w-16 shrink-0 text-sm font-bold">Row {path.row}</span>
        <PointDot point={path.ends[0]} leads={leads} onTap={onTap} isLeg />
        {path.steps.map((step, i) => (
          <span key={step.ref} className="flex flex-1 flex-col lg:flex-row lg:items-center">
            <Wire live={isLive(step.from)} on={on} />
            <Step step={step} on={on} ohms={ohms} />
            <Wire live={isLive(step.to)} on={on} />
            <PointDot
              point={i === path.steps.length - 1 ? path.ends[1] : step.to}
              leads={leads}
              onTap={onTap}
              isLeg={i === path.steps.length - 1}
            />
          </span>
        ))}
      </div>
      <p className={cx('text-sm lg:pl-16', on ? 'text-copper' : 'text-soft')}>
        {on && solved.ok
          ? `On: ${figure(solved.amps(path.ref))} A.`
          : gate
            ? `Off, held at ${lower(gateWords(inst, gate).name)}. ${upper(gateWords(inst, gate).reason)}.`
            : 'Off.'}
      </p>
    </div>
  )

  function isLive(point: Point): boolean {
    return solved.ok && solved.volts(point, EARTH) > tolerances.liveLineVolts
  }
}

function Wire({ live, on }: { live: boolean; on: boolean }) {
  return (
    <span
      aria-hidden
      className={cx(
        'ml-[18px] block h-3 w-0 border-l-[3px] lg:ml-0 lg:h-0 lg:w-auto lg:flex-1 lg:border-t-[3px] lg:border-l-0',
        on ? 'border-ember' : live ? 'border-live' : 'border-dashed border-edge',
      )}
    />
  )
}

function Step({ step, on, ohms }: { step: RowStep; on: boolean; ohms: number }) {
  const { solved } = useJobScreen()
  const { part } = step
  if (part.kind === 'load')
    return (
      <span
        className={cx(
          'w-24 rounded-sm border-2 px-2 py-1 text-center text-sm whitespace-nowrap lg:w-auto',
          on ? 'border-ember bg-ember font-bold text-raised' : 'border-ink bg-raised',
        )}
      >
        {figure(ohms)} Ω
      </span>
    )
  const closed = solved.ok ? solved.closed(makeRef(splitRef(step.ref).placed, part.id)) : 'unknown'
  return (
    <span
      className={cx(
        'flex items-center gap-2 px-1 text-[13px] leading-tight lg:block lg:text-center',
        closed === 'no' && 'text-watch',
      )}
      title={part.label}
      data-closed={closed}
    >
      <svg viewBox="0 0 44 20" className="block h-5 w-11 lg:mx-auto" aria-hidden>
        <path
          d={closed === 'no' ? 'M2 14H12L32 3M34 14H42' : 'M2 14H42'}
          fill="none"
          stroke="currentColor"
          strokeWidth="2.5"
          strokeDasharray={closed === 'unknown' ? '4 3' : undefined}
        />
        <circle cx="12" cy="14" r="3" fill="currentColor" />
        <circle cx="33" cy="14" r="3" fill="currentColor" />
      </svg>
      {SHORT[part.gate] ?? part.gate}
      <span className="block text-[11px]">
        {closed === 'no' ? 'open' : closed === 'yes' ? 'closed' : 'not known'}
      </span>
    </span>
  )
}

function PointDot({
  point,
  leads,
  onTap,
  isLeg = false,
}: {
  point: Point | null
  leads: readonly Point[]
  onTap: (p: Point) => void
  isLeg?: boolean
}) {
  if (point === null) return <span className="px-2 text-sm text-watch">open</span>
  const at = leads.indexOf(point)
  return (
    <button
      type="button"
      aria-label={`Lead on ${pointWords(point)}`}
      aria-pressed={at >= 0}
      onClick={() => onTap(point)}
      className="flex min-h-12 min-w-9 items-center gap-2 pl-3 text-[12px] lg:min-h-9 lg:flex-col lg:justify-center lg:gap-0 lg:pl-0"
    >
      <span
        className={cx(
          'block size-3.5 rounded-full border-2 border-ink',
          at < 0 ? 'bg-raised' : at === 0 && leads.length > 1 ? 'bg-harm' : 'bg-ink',
        )}
      />
      <span className={cx(isLeg && 'font-bold')}>{pointWords(point)}</span>
    </button>
  )
}
