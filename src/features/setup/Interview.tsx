'use client'

import { useState } from 'react'
import { settingDef, settingValue, placedByRef, splitRef } from '@/core/installation'
import {
  breakEvenAt,
  FIGURES,
  HOURS,
  QUESTIONS,
  recommend,
  STRATEGIES,
  type Question,
  type Recommended,
  type Strategy,
} from '@/core/setup'
import { Button, cx, Field, Input, TypedInput } from '@/ui'
import {
  FIGURE_WORDS,
  HOUR_WORDS,
  INTENT_WORDS,
  QUESTION_WORDS,
  refWords,
  STRATEGY_WORDS,
  settingText,
  whyRecommended,
} from '@/words'
import { useJobScreen } from '../job/JobContext'
import { useSetValue } from './hooks'

/** Two minutes with the owner; every question may be skipped. What it speaks for stands beside it, with the reason. */
export function Interview() {
  const { inst, job, edit } = useJobScreen()
  const [school, setSchool] = useState<Strategy | null>(null)
  const answers = job.setup.interview
  const answered = Object.keys(QUESTIONS).filter((q) => answers[q]).length
  const changes = recommend(inst, answers, school).filter((r) => {
    const { placed: ref, id } = splitRef(r.at)
    const placed = placedByRef(inst, ref)
    return placed && settingValue(placed, id) !== r.value
  })
  return (
    <div className="grid gap-8 lg:grid-cols-2" data-testid="interview">
      <section aria-label="Questions">
        <h2 className="text-lg font-bold">
          Ask the owner: {answered} of {Object.keys(QUESTIONS).length} answered
        </h2>
        {(Object.keys(QUESTIONS) as Question[]).map((q) => (
          <fieldset key={q} className="mt-3">
            <legend className="mb-1 text-[15px]">{QUESTION_WORDS[q].asks}</legend>
            <div className="flex flex-wrap gap-2">
              {[...QUESTIONS[q], 'unknown'].map((a) => {
                const on = answers[q] === a
                return (
                  <Button
                    key={a}
                    aria-pressed={on}
                    className={cx(on && '!border-2 !border-ink font-bold')}
                    onClick={() => edit({ kind: 'answer', question: q, answer: on ? '' : a })}
                  >
                    {on ? '✓ ' : ''}
                    {QUESTION_WORDS[q].answers[a] ?? 'Don’t know'}
                  </Button>
                )
              })}
            </div>
          </fieldset>
        ))}
        <fieldset className="mt-3">
          <legend className="mb-1 text-[15px]">Their hours</legend>
          <div className="grid max-w-md grid-cols-4 gap-2">
            {HOURS.map((h) => (
              <Field key={h} label={HOUR_WORDS[h]}>
                {(ids) => (
                  <Input
                    {...ids}
                    type="time"
                    className="!px-1"
                    value={answers[h] ?? ''}
                    onChange={(e) => edit({ kind: 'answer', question: h, answer: e.target.value })}
                  />
                )}
              </Field>
            ))}
          </div>
        </fieldset>
        <fieldset className="mt-3">
          <legend className="mb-1 text-[15px]">For the break-even, where they are known</legend>
          <div className="grid max-w-md grid-cols-2 gap-2 sm:grid-cols-4">
            {FIGURES.map((f) => (
              <Field key={f} label={FIGURE_WORDS[f]}>
                {(ids) => (
                  <TypedInput
                    {...ids}
                    inputMode="decimal"
                    value={answers[f] ?? ''}
                    onValue={(t) => {
                      if (t === '' || (Number(t) > 0 && Number(t) < 100))
                        edit({ kind: 'answer', question: f, answer: t })
                    }}
                  />
                )}
              </Field>
            ))}
          </div>
        </fieldset>
        <Field label="Static pressure measured, in.w.c." className="mt-3 max-w-60">
          {(ids) => (
            <TypedInput
              {...ids}
              inputMode="decimal"
              placeholder="not measured yet"
              value={answers.measuredStatic ?? ''}
              onValue={(t) => {
                const n = Number(t)
                if (t === '' || (n > 0 && n < 5))
                  edit({ kind: 'answer', question: 'measuredStatic', answer: t })
              }}
            />
          )}
        </Field>
        {inst.placed
          .filter((p) => settingDef(p, 'outdoorSource') && settingValue(p, 'outdoorSource') === 'feed')
          .map((p) => (
            <Button
              key={p.ref}
              className="mt-3"
              aria-pressed={answers[`online-${p.ref}`] === 'yes'}
              onClick={() =>
                edit({
                  kind: 'answer',
                  question: `online-${p.ref}`,
                  answer: answers[`online-${p.ref}`] === 'yes' ? '' : 'yes',
                })
              }
            >
              {answers[`online-${p.ref}`] === 'yes' ? '✓ Seen online: ' : 'I have seen it online: '}
              {p.label.toLowerCase()}
            </Button>
          ))}
      </section>
      <section aria-label="Recommended">
        <h2 className="text-lg font-bold">School of practice</h2>
        <div className="mt-1 flex flex-wrap gap-2">
          {STRATEGIES.map((s) => (
            <Button
              key={s}
              aria-pressed={school === s}
              className={cx(school === s && '!border-2 !border-ink font-bold')}
              onClick={() => setSchool(school === s ? null : s)}
            >
              {STRATEGY_WORDS[s].name}
            </Button>
          ))}
        </div>
        {school && (
          <p className="mt-1 text-[15px] text-soft">
            {STRATEGY_WORDS[school].reason} Fits {STRATEGY_WORDS[school].fits}. What it would change stands
            below.
            {school === 'breakEven' &&
              breakEvenAt(inst, answers) === null &&
              ' Its temperature needs the fuel, both prices and both COPs from the left, and a furnace.'}
          </p>
        )}
        <h2 className="mt-4 text-lg font-bold" data-testid="recommended-answer">
          {changes.length === 0
            ? 'Everything stands as recommended.'
            : `${changes.length} ${changes.length === 1 ? 'setting' : 'settings'} would change`}
        </h2>
        {changes.length > 1 && <TakeAll list={changes} />}
        <ul className="mt-1">
          {changes.map((r) => (
            <RecommendedRow key={r.at} recommended={r} />
          ))}
        </ul>
      </section>
    </div>
  )
}

function TakeAll({ list }: { list: Recommended[] }) {
  const setValue = useSetValue()
  return (
    <Button
      look="strong"
      className="mt-1"
      onClick={() => list.forEach((r) => setValue(r.at, r.value, 'recommended'))}
    >
      Take all {list.length}
    </Button>
  )
}

function RecommendedRow({ recommended: r }: { recommended: Recommended }) {
  const { inst } = useJobScreen()
  const setValue = useSetValue()
  const { placed: ref, id } = splitRef(r.at)
  const placed = placedByRef(inst, ref)!
  const setting = settingDef(placed, id)!
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-t border-line py-2 text-[15px]">
      <span className="flex-1 basis-56">
        <span className="font-bold">{INTENT_WORDS[r.intent].name}</span>:{' '}
        {settingText(setting, settingValue(placed, id))} →{' '}
        <span className="font-bold">{settingText(setting, r.value)}</span>, {whyRecommended(r.why)}
        {r.differs ? ' (practitioners differ)' : ''}.{' '}
        <span className="text-soft">{refWords(inst, r.at)}</span>
      </span>
      <Button onClick={() => setValue(r.at, r.value, 'recommended')}>Take it</Button>
    </li>
  )
}
