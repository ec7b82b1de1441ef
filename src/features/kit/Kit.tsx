'use client'

import { useMemo } from 'react'
import { cfmAt, kitAdvice } from '@/core/crossing'
import { chainOf } from '@/core/explain'
import { heaterRows, unknownWatts } from '@/core/kit'
import { hasBurner, serviceVolts } from '@/core/query'
import { currentReadings } from '@/core/startup'
import { Caution, Field, Input, typedNumber, useLocalStorage } from '@/ui'
import { CALL_WORDS, figure, kitAdviceSentences, refWords, unknownWattsSentence } from '@/words'
import { ChainCard } from '../chain'
import { LockOut } from '../lockOut'
import { useJobScreen } from '../session'
import { Airflow } from './Airflow'
import { Burner } from './Burner'
import { Circuits } from './Circuits'
import { Figures } from './Figures'
import { RowsDrawing } from './RowsDrawing'
import { Sequence } from './Sequence'
import { WhichKit } from './WhichKit'

/** The backup inside: drawn as it is wired, with what it should read, which kit it is, its circuits and its air. */
export function Kit() {
  const { inst, job, analysis, circuit, situation, solved, targets } = useJobScreen()
  const { seen } = analysis
  const rows = heaterRows(inst)
  const [first] = rows
  const nominal = first ? serviceVolts(inst, first.ref) : 240
  const measured = currentReadings(job.readings).find(
    (r) => r.kind === 'lineVolts' && typeof r.value === 'number',
  )
  const [typed, setTyped] = useLocalStorage<string>(`gate-cross-kit-volts-${job.id}`, '')
  const typedVolts = typedNumber(typed)
  const volts =
    typedVolts !== undefined && typedVolts >= 100 && typedVolts <= 300
      ? typedVolts
      : typeof measured?.value === 'number'
        ? measured.value
        : nominal
  const kits = inst.placed.filter((p) => rows.some((r) => r.ref.startsWith(`${p.ref}.`)))
  const advice = useMemo(() => kitAdvice(seen, circuit), [seen, circuit])
  const on = solved.ok ? rows.filter((r) => solved.energised(r.ref)) : []
  const amps = rows.reduce((sum, r) => sum + volts / r.ohms, 0)
  const notKnown = unknownWattsSentence(inst, unknownWatts(inst))
  const burner = hasBurner(inst)
  const burning = targets.filter((t) => t.does.what === 'burner' || t.does.what === 'blower')
  return (
    <div className="max-w-6xl pb-8" data-testid="kit">
      <section aria-label="The answer" className="text-lg">
        {rows.length > 0 && (
          <p data-testid="kit-answer">
            {figure((volts * amps) / 1000)} kW in {rows.length} {rows.length === 1 ? 'row' : 'rows'} at{' '}
            {figure(volts)} V: {figure(amps)} A with all of them on. {CALL_WORDS[situation.call]} at{' '}
            {Math.round(situation.outdoorF)} °F brings{' '}
            {on.length === 0
              ? 'none of them'
              : on.length === rows.length
                ? 'all of them'
                : `${on.length} of them`}{' '}
            on.
          </p>
        )}
        {rows.length === 0 && <p data-testid="kit-answer">No heater rows stand in this job.</p>}
        {notKnown && <p className="text-[15px] text-watch">{notKnown}</p>}
        {advice &&
          !burner &&
          kitAdviceSentences(advice).map((s) => (
            <p key={s} className="text-[15px]">
              {s}
            </p>
          ))}
      </section>
      <LockOut />
      {kits.map((placed) => (
        <section key={placed.ref} aria-label={placed.label} className="mt-4 border-t border-line pt-2">
          <h2 className="text-lg font-bold">{refWords(inst, placed.ref)}, inside</h2>
          <RowsDrawing placed={placed} />
          <Field label="Line volts to reckon with" className="mt-2 max-w-60">
            {(ids) => (
              <Input
                {...ids}
                inputMode="decimal"
                placeholder={`${figure(volts)}${measured ? ', as measured' : ', nominal'}`}
                value={typed}
                onChange={(e) => setTyped(e.target.value)}
              />
            )}
          </Field>
          <Figures placed={placed} volts={volts} cfm={cfmAt(seen)} />
          <Sequence placed={placed} />
        </section>
      ))}
      {burner && (
        <section aria-label="Burner and blower" className="mt-4 border-t border-line pt-2">
          <h2 className="text-lg font-bold">The burner and its blower, gate by gate</h2>
          <ul className="max-w-xl">
            {burning.map((t) => {
              const chain = solved.ok ? chainOf(solved, t.ref) : undefined
              return (
                chain && (
                  <ChainCard
                    key={t.ref}
                    inst={inst}
                    target={t}
                    chain={chain}
                    selected={false}
                    onSelect={() => undefined}
                  />
                )
              )
            })}
          </ul>
          <Burner seen={seen} />
        </section>
      )}
      <Circuits seen={seen} />
      {!(burner && rows.length === 0) && <WhichKit volts={nominal} />}
      <Airflow seen={seen} volts={volts} />
      <div className="mt-4">
        <Caution>
          Two or more supplies may feed one cabinet: open, lock and meter dead every one. One leg of a row
          stays live while its relay is open. Elements stay hot; never run strips without air. Sizes are by
          the code named beside them: the plate wins, and local code and a licensed electrician decide.
        </Caution>
      </div>
    </div>
  )
}
