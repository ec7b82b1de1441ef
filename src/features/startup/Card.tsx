'use client'

import { settingValue, placedByRef, splitRef } from '@/core/installation'
import type { Situation } from '@/core/situation'
import {
  CARD_STATES,
  type CardMark,
  type CardState,
  type Reading,
  type TestCard,
  type TestStep,
} from '@/core/startup'
import type { TemporaryKind } from '@/jobfile'
import { Button, cx, Field, Input } from '@/ui'
import {
  CARD_STATE_WORDS,
  cardTitle,
  findingSentence,
  HAZARD_WORDS,
  lower,
  refWords,
  STEP_HAZARD,
  stepWords,
  todayWords,
} from '@/words'
import { ReadingForm, ReadingList } from '../readings'
import { useDraft, useJobScreen, useProof, useStamp } from '../session'
import { belongsTo } from './belongsTo'
import { TerminalSheet } from './TerminalSheet'
import { Waits } from './Waits'

/** A test: how to bring it up today, how long to wait, what must run, what to read, and its result. */
export function Card({ card, onNext }: { card: TestCard; onNext: () => void }) {
  const { inst, job, situation } = useJobScreen()
  const state = stateOf(card, situation)
  const said = todayWords(inst, card.today)
  const own = job.readings.filter((r) => belongsTo(r, card) && r.kind !== 'terminalVolts')
  return (
    <section
      aria-label={cardTitle(inst, card)}
      className="mt-3 rounded border border-edge bg-panel px-4 py-3 lg:mt-0"
      data-card={card.id}
    >
      <h2 className="text-lg font-bold">{cardTitle(inst, card)}</h2>
      {said && (
        <p className={cx('mt-1 font-bold', card.today.can ? 'text-watch' : 'text-harm')} data-testid="today">
          {said}
        </p>
      )}
      <ol className="mt-2 list-decimal space-y-1 pl-5 text-[15px]" aria-label="How to bring it up">
        {card.steps.map((step) => (
          <li key={stepWords(inst, step)}>
            <Hazard of={STEP_HAZARD[step.kind]} />
            {stepWords(inst, step)} <StepTool step={step} card={card} />
          </li>
        ))}
      </ol>
      {/* What was typed or opened on one card is not another's. What is only looked at has no readings. */}
      {card.kind !== 'outdoors' && (
        <>
          <Waits key={`waits-${card.id}`} card={card} />
          <Expected card={card} />
          <TerminalSheet key={`terminals-${card.id}`} card={card} />
          <h3 className="mt-3 font-bold">Readings</h3>
          <ReadingForm
            key={`form-${card.id}`}
            state={state}
            name={card.id}
            since={job.startup.calls[card.id] ?? null}
          />
          <ReadingList readings={own} />
        </>
      )}
      <Ends key={`ends-${card.id}`} card={card} onNext={onNext} />
    </section>
  )
}

/** The state that a reading on a card is taken in: the card's, with whatever else was set at the dock: a breaker off, say. */
function stateOf({ situation, moved }: TestCard, dock: Situation): Pick<Reading, 'situation' | 'moved'> {
  const isHere = dock.call === situation.call && dock.outdoorF === situation.outdoorF
  return { situation: { ...situation, modes: { ...(isHere ? dock.modes : {}), ...situation.modes } }, moved }
}

/**
 * Loads that run as wired. While a rule is broken these may be the wrong ones, and the card says so and shows the
 * finding for this call.
 */
function Expected({ card }: { card: TestCard }) {
  const { inst } = useJobScreen()
  const { findings } = useProof()
  const { expected } = card
  if (!expected) return null
  const broken = findings.filter((f) => f.severity !== 'warn')
  const here = broken.filter((f) => f.witness?.call === card.situation.call)
  const list = (refs: readonly string[]) => refs.map((r) => lower(refWords(inst, r))).join('; ')
  return (
    <div className="mt-2 text-[15px]" data-testid="expected">
      {here.map((f) => (
        <p key={`${f.rule}${f.code}`} className="font-bold text-harm">
          {findingSentence(inst, f)}
        </p>
      ))}
      {broken.length > 0 && (
        <p className="text-harm">
          {broken.length === 1 ? 'A rule is' : `${broken.length} rules are`} broken: what runs here as wired
          is not yet what ought to. Put that right first.
        </p>
      )}
      <p>
        <span className="font-bold">{broken.length ? 'As wired it runs: ' : 'Must run: '}</span>
        {expected.runs.length ? list(expected.runs) : 'nothing'}.{' '}
        {expected.stays.length > 0 && (
          <>
            <span className="font-bold">{broken.length ? 'And not: ' : 'Must not: '}</span>
            {list(expected.stays)}.
          </>
        )}
        {expected.open.length > 0 && (
          <>
            {' '}
            <span className="font-bold">By what is not known yet: </span>
            {list(expected.open)}.
          </>
        )}
      </p>
    </div>
  )
}

/** Lists a step's temporary change with one tap; it stays on the list until it is put back. */
function StepTool({ step, card }: { step: TestStep; card: TestCard }) {
  const { inst, job, edit } = useJobScreen()
  const stampNow = useStamp()
  const title = cardTitle(inst, card)
  const other = otherwise(step)
  if (step.kind !== 'moveSetting' && !other) return null
  const at = step.kind === 'moveSetting' ? step.at : (card.at ?? 'job')
  const isListed = job.setup.temporary.some((t) => !t.back && t.at === at && t.kind === other?.kind)
  if (isListed) return null
  const list = () => {
    const stamp = { id: `t-${crypto.randomUUID().slice(0, 8)}`, at, ...stampNow() }
    if (step.kind !== 'moveSetting') {
      if (other)
        edit({
          kind: 'addTemporary',
          temporary: { ...stamp, kind: other.kind, what: title, was: null, now: 'in', why: '' },
        })
      return
    }
    const { placed, id } = splitRef(step.at)
    const own = placedByRef(inst, placed)
    const was = own ? settingValue(own, id) : null
    edit({ kind: 'addTemporary', temporary: { ...stamp, was, now: step.to, why: '' } })
  }
  return (
    <Button className="ml-1" onClick={list}>
      {other?.words ?? 'It is set: list it'}
    </Button>
  )
}

/** A step's temporary change that is no setting. */
function otherwise(step: TestStep): { kind: TemporaryKind; words: string } | null {
  if (step.kind === 'resistor') return { kind: 'lead', words: 'The lead is lifted: list it' }
  if (step.kind === 'jumperCoil') return { kind: 'jumper', words: 'The jumper is in: list it' }
  if (step.kind === 'forceDefrost') return { kind: 'forced', words: 'The pins are bridged: list it' }
  if (step.kind === 'mode' && step.mode === 'emergency')
    return { kind: 'forced', words: 'It is in emergency heat: list it' }
  return null
}

/** How a card ended, with a word where it did not go well. */
function Ends({ card, onNext }: { card: TestCard; onNext: () => void }) {
  const { job, edit } = useJobScreen()
  const stamp = useStamp()
  const { value, put: setNote, clear } = useDraft<string>(`card-${card.id}`)
  const note = value ?? ''
  const mark = job.startup.cards[card.id]
  const end = (state: CardState) => {
    const said: CardMark = {
      state,
      ...(note.trim() ? { note: note.trim() } : {}),
      ...stamp(),
    }
    const done = edit({ kind: 'markCard', card: card.id, mark: said })
    if (!done.ok) return
    clear()
    if (state !== 'failed') onNext()
  }
  if (mark)
    return (
      <p className="mt-4 flex flex-wrap items-center gap-3 border-t border-line pt-3" data-testid="mark">
        <span className={cx('font-bold', mark.state === 'failed' && 'text-harm')}>
          {CARD_STATE_WORDS[mark.state]}
        </span>
        <span className="text-soft">
          {mark.note ? `${mark.note}, ` : ''}
          {mark.who || 'nobody named'}
        </span>
        <Button look="quiet" onClick={() => edit({ kind: 'markCard', card: card.id, mark: null })}>
          Open it again
        </Button>
      </p>
    )
  return (
    <div className="mt-4 border-t border-line pt-3">
      <div className="flex flex-wrap gap-2">
        {CARD_STATES.map((state) => (
          <Button
            key={state}
            look={state === 'done' ? 'strong' : state === 'failed' ? 'harm' : 'plain'}
            onClick={() => end(state)}
          >
            {CARD_STATE_WORDS[state]}
          </Button>
        ))}
      </div>
      <Field label="In a word, where it did not go well" className="mt-2 max-w-md">
        {(ids) => <Input {...ids} maxLength={400} value={note} onChange={(e) => setNote(e.target.value)} />}
      </Field>
    </div>
  )
}

/** A step's hazard: its word comes first, so that it is read before the hand moves. */
function Hazard({ of }: { of: keyof typeof HAZARD_WORDS | null }) {
  if (!of) return null
  return (
    <span
      className={cx(
        'mr-1 rounded border px-1.5 text-sm font-bold',
        of === 'line' ? 'border-harm text-harm' : of === '24V' ? 'border-watch text-watch' : 'border-edge',
      )}
    >
      {HAZARD_WORDS[of]}
    </span>
  )
}
