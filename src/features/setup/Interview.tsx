'use client'

import type { Rating } from '@/core/equipment'
import { STRATEGIES, type Strategy } from '@/core/crossing'
import { PRICE_LIMITS } from '@/core/house'
import type { Job } from '@/jobfile'
import { settingDef, settingValue, placedByRef, splitRef } from '@/core/installation'
import {
  breakEvenAt,
  HOURS,
  NUMBERS,
  QUESTIONS,
  questionsFor,
  recommend,
  type NumberAsked,
  type Recommended,
} from '@/core/setup'
import { Button, cx, Field, Input, NumberField, typedNumber, useLocalStorage } from '@/ui'
import {
  HOUR_WORDS,
  INTENT_WORDS,
  needsWords,
  NUMBER_WORDS,
  PRICE_WORDS,
  QUESTION_WORDS,
  refWords,
  STRATEGY_WORDS,
  settingText,
  whyRecommended,
} from '@/words'
import { useJobScreen, useSetValue } from '../session'
import { having } from '@/core/query'

/** Two minutes with the owner; every question may be skipped. Each answer's recommendation is beside it, with the reason. */
export function Interview() {
  const { inst, job, analysis, edit } = useJobScreen()
  const [school, setSchool] = useLocalStorage<Strategy | null>(`gate-cross-school-${job.id}`, null)
  const answers = job.setup.interview
  const questions = questionsFor(inst)
  const answered = questions.filter((q) => answers[q]).length
  const { seen } = analysis
  const changes = recommend(seen, school).filter((r) => {
    const { placed: ref, id } = splitRef(r.at)
    const placed = placedByRef(inst, ref)
    return placed && settingValue(placed, id) !== r.value
  })
  const ready = changes.filter((r) => r.needs === null)
  return (
    <div className="grid gap-8 lg:grid-cols-2" data-testid="interview">
      <section aria-label="Questions">
        <h2 className="text-lg font-bold">
          Ask the owner: {answered} of {questions.length} answered
        </h2>
        {questions.map((q) => (
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
          <legend className="mb-1 text-[15px]">Numbers, where they are known</legend>
          <div className="grid max-w-md grid-cols-2 items-end gap-2">
            {(Object.keys(NUMBERS) as NumberAsked[]).map((of) => (
              <AskedField key={of} of={of} />
            ))}
          </div>
        </fieldset>
        <fieldset className="mt-3">
          <legend className="mb-1 text-[15px]">For the break-even, where they are known</legend>
          <div className="grid max-w-md grid-cols-2 gap-2 sm:grid-cols-4">
            <PriceField of="kwh" />
            <PriceField of="fuel" />
            <CopField outdoorF={47} />
            <CopField outdoorF={17} />
          </div>
        </fieldset>
        <NumberField
          label="Static pressure measured, in.w.c."
          className="mt-3 max-w-60"
          placeholder="not measured yet"
          value={job.commissioning.air.staticInWc}
          {...{ least: 0.01, most: 5, unit: 'in.w.c.' }}
          onValue={(value) => edit({ kind: 'setAir', field: 'staticInWc', value })}
        />
        {inst.placed
          .filter((p) => settingDef(p, 'outdoorSource') && settingValue(p, 'outdoorSource') === 'feed')
          .map((p) => (
            <Button
              key={p.ref}
              className="mt-3"
              aria-pressed={isOnline(job, p.ref)}
              onClick={() =>
                edit({
                  kind: 'setPlate',
                  ref: p.ref,
                  field: 'seenOnline',
                  value: isOnline(job, p.ref) ? null : true,
                })
              }
            >
              {isOnline(job, p.ref) ? '✓ Seen online: ' : 'I have seen it online: '}
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
              breakEvenAt(seen) === null &&
              ' Its temperature needs both prices, the unit’s COPs and a furnace with its efficiency: see Crossing.'}
          </p>
        )}
        <h2 className="mt-4 text-lg font-bold" data-testid="recommended-answer">
          {changes.length === 0
            ? 'Everything stands as recommended.'
            : `${changes.length} ${changes.length === 1 ? 'setting' : 'settings'} would change`}
        </h2>
        {ready.length > 1 && <TakeAll list={ready} />}
        <ul className="mt-1">
          {changes.map((r) => (
            <RecommendedRow key={r.at} recommended={r} />
          ))}
        </ul>
      </section>
    </div>
  )
}

const isOnline = (job: Job, ref: string): boolean => job.commissioning.plates[ref]?.seenOnline ?? false

function AskedField({ of }: { of: NumberAsked }) {
  const { job, edit } = useJobScreen()
  return (
    <NumberField
      label={NUMBER_WORDS[of]}
      placeholder="not asked yet"
      value={typedNumber(job.setup.interview[of])}
      {...NUMBERS[of]}
      onValue={(n) => edit({ kind: 'answer', question: of, answer: n === null ? '' : String(n) })}
    />
  )
}

function PriceField({ of }: { of: 'kwh' | 'fuel' }) {
  const { job, edit } = useJobScreen()
  return (
    <NumberField
      label={PRICE_WORDS[of]}
      value={job.prices[of]}
      {...PRICE_LIMITS}
      onValue={(value) => edit({ kind: 'setPrice', of, value })}
    />
  )
}

/** COP of the outdoor unit at a rating point, as read from its sheet. */
function CopField({ outdoorF }: { outdoorF: number }) {
  const { inst, job, edit } = useJobScreen()
  const unit = having(inst, 'compresses')[0]
  const ratingsIn = (of: Job) => (unit && of.commissioning.plates[unit.ref]?.ratings) ?? []
  const isThis = (r: Rating) => r.stage === 'rated' && r.outdoorF === outdoorF
  const set = (ref: string, cop: number | null) =>
    edit((now) => {
      const rest = ratingsIn(now.job).filter((r) => !isThis(r))
      const all: Rating[] = cop === null ? rest : [...rest, { stage: 'rated', outdoorF, cop }]
      return { kind: 'setPlate', ref, field: 'ratings', value: all.length ? all : null }
    })
  return (
    <NumberField
      label={`COP at ${outdoorF} °F`}
      disabled={!unit}
      value={ratingsIn(job).find(isThis)?.cop}
      {...{ least: 0.5, most: 10 }}
      onValue={(cop) => unit && set(unit.ref, cop)}
    />
  )
}

function TakeAll({ list }: { list: Recommended[] }) {
  const setValue = useSetValue()
  return (
    <Button look="strong" className="mt-1" onClick={() => setValue(list, 'recommended')}>
      Take all {list.length}
    </Button>
  )
}

function RecommendedRow({ recommended: r }: { recommended: Recommended }) {
  const { inst } = useJobScreen()
  const setValue = useSetValue()
  const { placed: ref, id } = splitRef(r.at)
  const placed = placedByRef(inst, ref)
  const setting = placed && settingDef(placed, id)
  if (!placed || !setting) return null
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-t border-line py-2 text-[15px]">
      <span className="flex-1 basis-56">
        <span className="font-bold">{INTENT_WORDS[r.intent].name}</span>:{' '}
        {settingText(setting, settingValue(placed, id))} →{' '}
        <span className="font-bold">{settingText(setting, r.value)}</span>, {whyRecommended(r.why)}
        {r.differs ? ' (practitioners differ)' : ''}.{' '}
        <span className="text-soft">{refWords(inst, r.at)}</span>
      </span>
      {r.needs ? (
        <span className="basis-full text-watch">First: {needsWords(inst, r.needs)}</span>
      ) : (
        <Button onClick={() => setValue([r], 'recommended')}>Take it</Button>
      )}
    </li>
  )
}
