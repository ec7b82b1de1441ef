'use client'

import { useMemo, useState } from 'react'
import { currentReadings, testPlan, type CardState, type TestCard } from '@/core/startup'
import { degF } from '@/core/units'
import { verdictOf } from '@/jobfile'
import { Button, Caution, cx, NumberField, useLocalStorage } from '@/ui'
import { CARD_STATE_WORDS, cardTitle, lower } from '@/words'
import { LockOut } from '../lockOut'
import { Rehearsal } from '../instruments'
import { AddOther } from '../putBack'
import { useJobScreen } from '../session'
import { Card } from './Card'

/** The test run: what is open and what is next, the cards in the order that spares waits and starts, and the open one. */
export function Startup() {
  const { inst, circuit, job, situation, setSituation, edit } = useJobScreen()
  // Without a reading the day's temperature is the dock's when the page opened; opening a card moves the dock, not the
  // day.
  const [dockF] = useState(situation.outdoorF)
  const outdoorF = degF(job.startup.outdoorF ?? dockF)
  const { plates } = job.commissioning
  const plan = useMemo(() => testPlan(circuit, outdoorF, plates), [circuit, outdoorF, plates])
  const [chosen, setChosen] = useLocalStorage<string | null>(`gate-cross-card-${job.id}`, null)
  const [listed, setListed] = useState(false)
  const isOpen = (c: TestCard) => job.startup.cards[c.id] === undefined
  const last = plan.find((c) => c.id === chosen)
  // The dock leads: another call there opens that call's card; with nothing called it is where one left off.
  const card =
    (last?.situation.call === situation.call ? last : undefined) ??
    plan.find((c) => c.kind === 'call' && c.situation.call === situation.call) ??
    last ??
    plan.find(isOpen) ??
    plan[0]
  const show = (c: TestCard | undefined) => {
    if (!c) return
    setChosen(c.id)
    setListed(false)
    // The dock, the drawings and the chains show what is being tried.
    setSituation(c.situation)
  }
  const next = () => {
    const at = plan.findIndex((c) => c.id === card?.id)
    show([...plan.slice(at + 1), ...plan.slice(0, at)].find((c) => isOpen(c) && c.today.can))
  }
  const list = (
    <ul className="grid gap-1" aria-label="Cards of the test run">
      {plan.map((c) => (
        <li key={c.id}>
          <CardLine card={c} open={c.id === card?.id} onOpen={() => show(c)} />
        </li>
      ))}
    </ul>
  )
  return (
    <div className="flex max-w-6xl flex-col pb-8" data-testid="startup">
      <p className="text-lg font-bold" data-testid="startup-answer">
        {answerOf(plan, job.startup.cards, (c) => cardTitle(inst, c))}
      </p>
      <div className="mt-2 max-w-48">
        <NumberField
          label="Outdoors today, °F"
          value={outdoorF}
          least={-80}
          most={160}
          unit="°F"
          onValue={(v) => edit({ kind: 'setToday', outdoorF: v })}
        />
      </div>
      {/* On a phone the card comes first. */}
      <div className="order-last lg:order-none">
        <LockOut />
      </div>
      <div className="mt-3 lg:grid lg:grid-cols-[300px_minmax(0,1fr)] lg:gap-4">
        <div>
          {/* On a phone the open card comes first; the list is one tap away. */}
          <Button className="w-full lg:hidden" aria-expanded={listed} onClick={() => setListed(!listed)}>
            {listed ? 'Fold the cards' : `All ${plan.length} cards`}
          </Button>
          <div className={cx('pt-1 lg:block lg:pt-0', !listed && 'hidden')}>{list}</div>
        </div>
        {card && <Card card={card} onNext={next} />}
      </div>
      <AddOther />
      <Rehearsal />
      <div className="mt-4">
        <Caution>
          Elements stay hot, and capacitors hold charge. Never run strips without air. Read with the panels
          on, and leave no unit in emergency heat or with a jumper in.
        </Caution>
      </div>
    </div>
  )
}

/** "4 of 12 cards are done. Next: first-stage heating." */
function answerOf(
  plan: readonly TestCard[],
  marks: Record<string, { state: CardState }>,
  title: (c: TestCard) => string,
): string {
  const of = (state: CardState) => plan.filter((c) => marks[c.id]?.state === state).length
  const failed = of('failed')
  const next = plan.find((c) => marks[c.id] === undefined && c.today.can)
  const waits = plan.filter((c) => marks[c.id] === undefined && !c.today.can).length + of('waiting')
  return [
    `${of('done')} of ${plan.length} cards ${of('done') === 1 ? 'is' : 'are'} done.`,
    failed ? `${failed} failed.` : '',
    next ? `Next: ${lower(title(next))}.` : '',
    waits ? `${waits} ${waits === 1 ? 'waits' : 'wait'} for another day.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

const LOOK: Record<CardState, string> = {
  done: 'text-well',
  failed: 'text-harm',
  notTestable: 'text-soft',
  waiting: 'text-watch',
}

function CardLine({ card, open, onOpen }: { card: TestCard; open: boolean; onOpen: () => void }) {
  const { inst, analysis, job } = useJobScreen()
  const mark = job.startup.cards[card.id]
  const stands = currentReadings(job.readings.filter((r) => r.situation.call === card.situation.call))
  const wrong = stands.filter((r) => verdictOf(analysis, r).verdict === 'wrong').length
  const read = wrong ? `${wrong} wrong of ${stands.length}` : stands.length ? `${stands.length} read` : 'open'
  return (
    <button
      type="button"
      aria-pressed={open}
      data-line={card.id}
      onClick={onOpen}
      className={cx(
        'min-h-12 w-full rounded px-3 py-1 text-left leading-tight',
        open ? 'border-2 border-ink bg-raised' : 'border border-line bg-panel',
      )}
    >
      <span className="block font-bold">{cardTitle(inst, card)}</span>
      <span className={cx('text-sm', mark ? LOOK[mark.state] : wrong ? 'text-harm' : 'text-soft')}>
        {mark ? CARD_STATE_WORDS[mark.state] : card.today.can ? read : 'another day'}
      </span>
    </button>
  )
}
