'use client'

import { useMemo, useState } from 'react'
import { circuitWith } from '@/core/crossing'
import {
  expectations,
  sameState,
  currentReadings,
  type Expectation,
  type Reading,
  type TestCard,
} from '@/core/startup'
import { sentence, verdictOf } from '@/jobfile'
import { Button, cx, Field, Input, typedNumber } from '@/ui'
import { degrees, figure, refWords } from '@/words'
import { useDraft, useJobScreen, useProof } from '../session'
import { LiveValue } from '../instruments'
import { now } from '@/client'
import { takeReading as takenReading, VerdictLine } from '../readings'

/**
 * Each low-voltage terminal with what it must read, and the place where what it does read is written: tap it, type what the
 * meter shows, and Enter goes on to the next.
 */
export function TerminalSheet({ card }: { card: TestCard }) {
  const { circuit, inst, job } = useJobScreen()
  const own = useMemo(() => circuitWith(circuit, card.moved), [circuit, card])
  const sheet = useMemo(() => expectations(own, card.situation), [own, card.situation])
  const broken = useProof().findings.some((f) => f.severity !== 'warn')
  const [open, setOpen] = useState<string | null>(null)
  const taken = useMemo(() => {
    const list = currentReadings(job.readings).filter((r) => r.kind === 'terminalVolts' && sameState(r, card))
    return new Map<string, Reading>(list.map((r) => [r.at, r]))
  }, [job.readings, card])
  if (!sheet) return <p className="text-harm">The circuit does not come to rest on this call.</p>
  const order = sheet.flatMap((d) => d.terminals)
  const after = (terminal: string) =>
    order[order.findIndex((t) => t.terminal === terminal) + 1]?.terminal ?? null
  const chips = (list: Expectation[]) => (
    <Chips list={list} taken={taken} open={open} onOpen={(t) => setOpen(t === open ? null : t)} />
  )
  return (
    <section aria-label="Terminals" className="mt-3">
      <h3 className="font-bold">At the terminals</h3>
      <p className="text-sm text-soft">
        Black lead on that device’s C, at {degrees(card.situation.outdoorF)} outdoors. Tap a terminal to write
        what the meter shows.
      </p>
      <table className="mt-1 w-full border-collapse text-[15px]">
        <thead>
          <tr className="text-left text-sm text-soft">
            <th className="w-24 py-1 font-normal lg:w-32">At</th>
            <th className="py-1 font-normal">{broken ? 'As wired, 24 V' : 'Must read 24 V'}</th>
            <th className="py-1 font-normal">{broken ? 'As wired, 0' : 'Must read 0'}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.map((d) => {
            const here = d.terminals.find((t) => t.terminal === open)
            const unknown = d.terminals.filter((t) => t.state === 'unknown')
            return (
              <Row key={d.placed} label={d.label}>
                {chips(d.terminals.filter((t) => t.state === 'live' || t.state === 'between'))}
                {chips(d.terminals.filter((t) => t.state === 'dead'))}
                {unknown.length > 0 && (
                  <>
                    <p className="text-sm text-watch">
                      By what is not known yet:{' '}
                      {[...new Set(unknown.flatMap((t) => t.hangsOn))]
                        .map((r) => refWords(inst, r))
                        .join('; ')}
                    </p>
                    {chips(unknown)}
                  </>
                )}
                {here && (
                  <Entry
                    key={here.terminal}
                    card={card}
                    at={here}
                    before={taken.get(here.terminal) ?? null}
                    onDone={() => setOpen(after(here.terminal))}
                  />
                )}
              </Row>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}

function Row({
  label,
  children,
}: {
  label: string
  children: [React.ReactNode, React.ReactNode, React.ReactNode, React.ReactNode]
}) {
  const [live, dead, unknown, entry] = children
  return (
    <>
      <tr className="border-t border-line align-top">
        <th scope="row" className="py-1.5 pr-2 text-left font-normal">
          {label}
        </th>
        <td className="py-1.5 pr-2">{live}</td>
        <td className="py-1.5">{dead}</td>
      </tr>
      {unknown && (
        <tr>
          <td />
          <td colSpan={2} className="pb-2">
            {unknown}
          </td>
        </tr>
      )}
      {entry && (
        <tr>
          <td colSpan={3} className="pb-3">
            {entry}
          </td>
        </tr>
      )}
    </>
  )
}

const MARKS = { right: '✓', watch: '?', wrong: '✗', unjudged: '·' } as const

function Chips({
  list,
  taken,
  open,
  onOpen,
}: {
  list: Expectation[]
  taken: ReadonlyMap<string, Reading>
  open: string | null
  onOpen: (terminal: string) => void
}) {
  const { analysis } = useJobScreen()
  if (!list.length) return <span className="text-soft">none</span>
  return (
    <ul className="flex flex-wrap gap-1.5">
      {list.map((t) => {
        const live = t.state === 'live' || t.state === 'between'
        const reading = taken.get(t.terminal)
        const verdict = reading ? verdictOf(analysis, reading).verdict : null
        return (
          <li key={t.terminal}>
            <button
              type="button"
              data-terminal={t.terminal}
              data-expect={t.state}
              data-verdict={verdict}
              aria-expanded={open === t.terminal}
              onClick={() => onOpen(t.terminal)}
              className={cx(
                'min-h-12 rounded-[3px] px-2 font-mono text-sm lg:min-h-8',
                live ? 'border-2 font-bold' : 'border border-dashed text-soft',
                verdict === 'wrong'
                  ? 'border-harm bg-harm-soft'
                  : live
                    ? 'border-live bg-raised'
                    : 'border-edge',
                open === t.terminal && 'outline-2 outline-ink',
              )}
            >
              {t.label}
              <span className="ml-1 font-sans font-normal text-soft">
                {reading && typeof reading.value === 'number'
                  ? `${figure(reading.value)} ${MARKS[verdict ?? 'unjudged']}`
                  : live
                    ? figure(t.volts)
                    : ''}
              </span>
            </button>
          </li>
        )
      })}
    </ul>
  )
}

/** Entry for the meter's reading at one terminal, judged while it is typed. */
function Entry({
  card,
  at,
  before,
  onDone,
}: {
  card: TestCard
  at: Expectation
  before: Reading | null
  onDone: () => void
}) {
  const { inst, analysis, job, edit, who } = useJobScreen()
  const { value: draft, put: setTyped, clear } = useDraft<string>(`terminal-${card.id}-${at.terminal}`)
  const typed = draft ?? ''
  const [refused, setRefused] = useState<string | null>(null)
  const value = typedNumber(typed)
  const readingOf = (volts: number | undefined, instrument: string): Reading | null =>
    volts === undefined
      ? null
      : {
          id: 'draft',
          kind: 'terminalVolts',
          value: volts,
          place: 'terminals',
          at: at.terminal,
          withBlower: null,
          instrument,
          situation: card.situation,
          ...(card.moved.length ? { moved: card.moved } : {}),
          who,
          when: now().toISOString(),
          supersedes: before?.id ?? null,
        }
  const reading = readingOf(value, 'multimeter, low impedance')
  const save = (taken: Reading | null) => {
    if (!taken) return setRefused('Type the volts that the meter shows')
    const done = edit(takenReading(taken))
    if (!done.ok) return setRefused(done.problems.map(sentence).join('; '))
    clear()
    onDone()
  }
  const shown = reading ?? before
  return (
    <form
      className="rounded border border-edge bg-raised px-3 py-2"
      aria-label={`Reading at ${refWords(inst, at.terminal)}`}
      onSubmit={(e) => {
        e.preventDefault()
        save(reading)
      }}
    >
      <div className="flex flex-wrap items-end gap-2">
        <Field label={`Volts, ${refWords(inst, at.terminal)} to C`} error={refused} className="basis-48">
          {(ids) => (
            <Input
              {...ids}
              autoFocus
              inputMode="decimal"
              autoComplete="off"
              className="text-lg font-bold"
              value={typed}
              onChange={(e) => {
                setTyped(e.target.value)
                setRefused(null)
              }}
            />
          )}
        </Field>
        <LiveValue
          point={{
            quantity: 'terminalVolts',
            place: 'terminals',
            at: at.terminal,
            withBlower: null,
            situation: card.situation,
            moved: card.moved,
          }}
          since={job.startup.calls[card.id] ?? null}
          // A tap saves the instrument's display and opens the next terminal.
          onTake={(v, from) => typeof v === 'number' && save(readingOf(v, from))}
        />
        <Button look="strong" type="submit" onClick={undefined}>
          Save, next
        </Button>
        <Button look="quiet" onClick={onDone}>
          Skip
        </Button>
      </div>
      <div className="mt-1 min-h-6" aria-live="polite">
        {shown && <VerdictLine verdict={verdictOf(analysis, shown)} />}
      </div>
    </form>
  )
}
