'use client'

import { nth } from '@/core/assert'
import { useEffect, useRef, useState } from 'react'
import type { Diagnosis, MeterAnswer } from '@/core/failures'
import { FaultRunner } from '@/workers'
import { Button, Caution, SelectField, Disclosure } from '@/ui'
import type { Ref } from '@/core/installation'
import { failureWords, lower, refWords, situationWords, assumedSentence, targetWords } from '@/words'
import { useDraft, useJobScreen } from '../../session'

interface Search {
  target: Ref | ''
  answers: MeterAnswer[]
}
const NOTHING: Search = { target: '', answers: [] }

/** From "this should run and does not" to the next best place for the leads, until one cause is left. */
export function FaultFinder() {
  const { inst, situation, targets, solved } = useJobScreen()
  const draft = useDraft<Search>('fault')
  const { target, answers } = draft.value ?? NOTHING
  const [found, setFound] = useState<Diagnosis | null>(null)
  const runner = useRef<FaultRunner | null>(null)
  useEffect(() => {
    runner.current = new FaultRunner()
    return () => runner.current?.close()
  }, [])
  const runs = (ref: Ref) => solved.ok && solved.energised(ref)
  const should = target !== '' && runs(target)
  useEffect(() => {
    if (!target) return
    let stale = false
    void runner.current?.diagnose(inst, { target, situation, runs: !should }, answers).then((d) => {
      if (!stale) setFound(d)
    })
    return () => {
      stale = true
    }
  }, [inst, situation, target, should, answers])
  const taken = assumedSentence(inst)
  const next = found?.points[0]
  const begin = (ref: Ref | '') => {
    draft.put({ target: ref, answers: [] })
    setFound(null)
  }
  return (
    <section aria-label="Find the fault" data-testid="finder">
      <SelectField
        label={`In this situation (${situationWords(inst, situation)}), what is wrong?`}
        className="max-w-xl"
        value={target}
        none="choose"
        options={targets.map((t) => [
          t.ref,
          `${targetWords(t)} ${runs(t.ref) ? 'does not run' : 'runs and should not'}`,
        ])}
        onValue={begin}
      />
      {taken && <p className="mt-1 text-[15px] text-watch">{taken}</p>}
      {target && found && (
        <>
          <p className="mt-3 text-lg font-bold" data-testid="finder-answer">
            {found.causes.length === 0
              ? 'No single failure of wiring or parts explains all of this.'
              : found.causes.length === 1
                ? `It is this: ${lower(failureWords(inst, nth(found.causes, 0)))}.`
                : next
                  ? `Meter ${refWords(inst, next.a)} to ${refWords(inst, next.b)}.`
                  : 'No terminal can tell the rest apart: check these by eye, or by ohms with the power off.'}
          </p>
          {next && found.causes.length > 1 && (
            <>
              <p className="text-sm text-soft">
                {found.causes.length} causes fit. Volts there leave {next.ifLive}; none leave {next.ifDead}.
              </p>
              {next.side === 'line' && (
                <div className="mt-2 max-w-xl">
                  <Caution>
                    Line voltage, live: for those trained and equipped for it, one hand, rated leads.
                  </Caution>
                </div>
              )}
              <div className="mt-2 flex gap-2">
                {[true, false].map((live) => (
                  <Button
                    key={String(live)}
                    look="strong"
                    onClick={() =>
                      draft.put({ target, answers: [...answers, { a: next.a, b: next.b, live }] })
                    }
                  >
                    {live ? (next.side === 'line' ? 'Line volts there' : '24 V there') : 'Nothing there'}
                  </Button>
                ))}
              </div>
            </>
          )}
          {answers.length > 0 && (
            <ul className="mt-3 text-[15px]">
              {answers.map((a, i) => (
                <li key={`${a.a}${a.b}`} className="flex items-center gap-3">
                  {refWords(inst, a.a)} to {refWords(inst, a.b)}: {a.live ? 'volts there' : 'nothing'}
                  <Button
                    look="quiet"
                    onClick={() => draft.put({ target, answers: answers.filter((_, n) => n !== i) })}
                  >
                    Take back
                  </Button>
                </li>
              ))}
            </ul>
          )}
          <Disclosure
            key={String(found.causes.length <= 4)}
            className="mt-2"
            defaultOpen={found.causes.length <= 4}
            summary={<>What it can be ({found.causes.length})</>}
            summaryClass="min-h-8 py-1"
          >
            <ul className="text-[15px]">
              {found.causes.map((f) => (
                <li key={`${f.kind}${f.at}${f.state ?? ''}`} className="border-t border-line py-1">
                  {failureWords(inst, f)}
                </li>
              ))}
            </ul>
          </Disclosure>
        </>
      )}
    </section>
  )
}
