'use client'

import { memo, useDeferredValue } from 'react'
import type { CrossingGate, CrossingView, GateIntent, Year } from '@/core/crossing'
import { placedByRef, splitRef } from '@/core/installation'
import { findingKey } from '@/core/rules'
import { Button, Field, Input } from '@/ui'
import { whole, degrees, figure, findingWords, INTENT_WORDS, lower, money, needsWords } from '@/words'
import { useJobScreen } from '../session'
import { useDragged, type Dragged, type GateMoves } from './useCrossing'

/** The gates by name, each with a number and ±; what a moved one would come to stands with it until it is set. */
export const Gates = memo(function Gates({
  view,
  moves,
  currency,
}: {
  view: CrossingView
  moves: GateMoves
  currency: string
}) {
  return (
    <section aria-label="Gates" className="mt-2 [contain:layout_style]">
      <ul className="grid gap-x-8 lg:grid-cols-2">
        {view.gates.gates.map((gate) => (
          <GateRow key={gate.at} {...{ gate, view, moves, currency }} />
        ))}
        {view.gates.missing.map((intent) => (
          <MissingRow key={intent} intent={intent} />
        ))}
      </ul>
    </section>
  )
})

function GateRow({
  gate,
  view,
  moves,
  currency,
}: {
  gate: CrossingGate
  view: CrossingView
  moves: GateMoves
  currency: string
}) {
  const { inst } = useJobScreen()
  const moved = useDragged(moves.drags, gate.at)
  const preview = useDeferredValue(moved?.preview ?? null)
  const proven = useDeferredValue(moved?.proven ?? null)
  const value = moved?.valueF ?? gate.valueF
  const { low, high, step } = gate.range
  const placed = placedByRef(inst, splitRef(gate.at).placed)
  const move = (next: number) => moves.drag(gate, Math.min(high, Math.max(low, next)))
  return (
    <li className="border-t border-line py-2" data-gate-row={gate.intent}>
      <div className="flex flex-wrap items-end gap-2">
        <Field
          label={`${INTENT_WORDS[gate.intent].name}, ${placed?.label.toLowerCase() ?? ''}`}
          className="flex-1 basis-48"
        >
          {(ids) => (
            <div className="flex gap-2">
              <Button
                aria-label="One degree less"
                disabled={!gate.wouldAct}
                onClick={() => move((value ?? low) - step)}
              >
                −
              </Button>
              <Input
                {...ids}
                className="max-w-24 text-center"
                inputMode="decimal"
                disabled={!gate.wouldAct}
                value={value ?? ''}
                onChange={(e) => {
                  const n = Number(e.target.value)
                  if (e.target.value !== '' && Number.isFinite(n)) move(n)
                }}
              />
              <Button
                aria-label="One degree more"
                disabled={!gate.wouldAct}
                onClick={() => move((value ?? low) + step)}
              >
                +
              </Button>
            </div>
          )}
        </Field>
        {moved && (
          <>
            <Button look="strong" onClick={() => moves.set(gate, moved.valueF)}>
              Set {degrees(moved.valueF)}
            </Button>
            <Button onClick={moves.drop}>Leave it</Button>
          </>
        )}
      </div>
      {moved ? (
        <>
          <PreviewWords {...{ preview, view, gate, currency }} />
          <ProvenWords proven={proven?.valueF === moved.valueF ? proven : null} preview={preview} />
        </>
      ) : (
        <StandsWords gate={gate} />
      )}
    </li>
  )
}

function StandsWords({ gate }: { gate: CrossingGate }) {
  const { inst } = useJobScreen()
  if (gate.acts) return <p className="mt-1 text-sm text-soft">It decides who heats, as wired and set.</p>
  if (gate.wouldAct)
    return <p className="mt-1 text-sm text-soft">Off at present: moving it switches it on.</p>
  return (
    <p className="mt-1 text-sm text-watch">
      It holds nothing as things stand.{gate.needs ? ` First: ${needsWords(inst, gate.needs)}.` : ''}
    </p>
  )
}

function MissingRow({ intent }: { intent: GateIntent }) {
  const words = INTENT_WORDS[intent]
  return (
    <li className="border-t border-line py-2 text-[15px] text-soft" data-gate-missing={intent}>
      <span className="font-bold">◇ {words.name}.</span> Nothing in this job can.
      {words.instead ? ` It would take: ${lower(words.instead)}` : ''}
    </li>
  )
}

/** "1,240 (−92)": a figure and by how much it differs. */
function change(now: number, was: number, words: (n: number) => string): string {
  const by = now - was
  return Math.abs(by) < 0.5 ? words(now) : `${words(now)} (${by > 0 ? '+' : '−'}${words(Math.abs(by))})`
}

/** Drawn when there is time for it: it never keeps the knob from the finger. */
const PreviewWords = memo(function PreviewWords({
  preview,
  view,
  gate,
  currency,
}: {
  preview: Dragged['preview']
  view: CrossingView
  gate: CrossingGate
  currency: string
}) {
  const { inst } = useJobScreen()
  if (!preview) return <p className="mt-1 min-h-24 text-sm text-soft">Reckoning …</p>
  const { year, lacksKw, raised, valueF } = preview
  return (
    <div className="mt-1 min-h-24 text-[15px]" role="status" data-preview>
      <p className="text-soft">At {degrees(valueF)}:</p>
      {year && view.year && (
        <YearWords now={year} was={view.year} currency={currency} fuel={view.fuel !== null} />
      )}
      {year && view.year && gate.valueF !== null && valueF !== gate.valueF && (
        <OneDegree now={year} was={view.year} by={valueF - gate.valueF} currency={currency} />
      )}
      {lacksKw !== null && view.designF !== null && (
        <p>
          At {degrees(view.designF)} backup must give {figure(lacksKw)} kW.
        </p>
      )}
      {raised.map((f) => (
        <p key={`${f.rule}${f.code}`} className="text-harm">
          {findingWords(inst, f)}.
        </p>
      ))}
    </div>
  )
})

/** Result of all operating states at the lockout's new value. The result of the settings alone is shown before it. */
const ProvenWords = memo(function ProvenWords({
  proven,
  preview,
}: {
  /** null while it moves, and until it is known. */
  proven: Dragged['proven']
  preview: Dragged['preview']
}) {
  const { inst } = useJobScreen()
  const told = new Set(preview?.raised.map(findingKey))
  if (!proven) return <p className="mt-1 min-h-6 text-sm text-soft">Every state is proven once it rests.</p>
  const raised = proven.raised.filter((f) => !told.has(findingKey(f)))
  return (
    <div className="mt-1 min-h-6 text-[15px]" role="status" data-proven>
      {proven.failed ? (
        <p className="text-watch">Not every state could be proven for {degrees(proven.valueF)}.</p>
      ) : raised.length ? (
        raised.map((f) => (
          <p key={`${f.rule}${f.code}`} className="text-harm">
            {findingWords(inst, f)}.
          </p>
        ))
      ) : (
        <p className="text-soft">
          Over every state at {degrees(proven.valueF)}: no rule broken that holds today.
        </p>
      )}
    </div>
  )
})

function YearWords({ now, was, currency, fuel }: { now: Year; was: Year; currency: string; fuel: boolean }) {
  const cost =
    now.cost !== null && was.cost !== null ? change(now.cost, was.cost, (n) => money(n, currency)) : null
  const sources = [
    `heat pump ${change(now.heatPumpKwh, was.heatPumpKwh, whole)} kWh in ${change(now.heatPumpHours, was.heatPumpHours, whole)} h`,
    fuel
      ? `${change(now.fuel, was.fuel, whole)} of fuel in ${change(now.backupHours, was.backupHours, whole)} h`
      : `strips ${change(now.stripKwh, was.stripKwh, whole)} kWh in ${change(now.backupHours, was.backupHours, whole)} h`,
  ]
  return (
    <p>
      A year: {cost && <span className="font-bold">{cost}; </span>}
      {sources.join('; ')}; unmet {change(now.unmetDegreeHours, was.unmetDegreeHours, whole)} °F·h.
    </p>
  )
}

function OneDegree({ now, was, by, currency }: { now: Year; was: Year; by: number; currency: string }) {
  if (now.cost === null || was.cost === null) return null
  const each = (now.cost - was.cost) / Math.abs(by)
  const text =
    Math.abs(each) < 0.05 ? 'nothing' : `${currency}${figure(Math.abs(each), Math.abs(each) < 10 ? 1 : 0)}`
  return (
    <p className="text-soft">
      Each degree {each > 0.05 ? 'costs' : each < -0.05 ? 'saves' : 'changes'} {text} a year on this way.
    </p>
  )
}
