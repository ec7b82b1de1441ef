'use client'

import { Progress } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import type { Effect, EffectKind } from '@/core/failures'
import type { Installation } from '@/core/installation'
import type { Situation } from '@/core/situation'
import { FaultRunner } from '@/workers'
import { Button, cx, Disclosure } from '@/ui'
import { count, effectWords, EFFECT_WORDS, failureWords, assumedSentence } from '@/words'
import { useJobScreen } from '../../session'

/** The gravest first; up to those that show by themselves they are counted in the headline. */
const SHORT: Record<EffectKind, string> = {
  harm: 'would do harm',
  noHeat: 'would leave the house cold',
  lostProtection: 'are lost protections',
  unnoticed: 'would go unnoticed',
  noticed: 'would be noticed',
  nothing: 'change nothing',
}
const ORDER = Object.keys(SHORT) as EffectKind[]

/** The situation that shows what a failure does; null where the dock has no such mode. */
const shownBy = ({ failure, witness }: Effect): Situation | null =>
  failure.kind === 'mode' && witness && failure.state !== undefined
    ? { ...witness, modes: { ...witness.modes, [failure.at]: failure.state } }
    : null

/** The sweep again with each single failure: which would do harm, leave the house cold, or go unnoticed. */
export function Failures() {
  const { inst, situation, setSituation } = useJobScreen()
  const [run, setRun] = useState<{ done: number; of: number } | null>(null)
  const [result, setResult] = useState<{ effects: Effect[]; of: Installation } | null>(null)
  const runner = useRef<FaultRunner | null>(null)
  const cancel = () => {
    runner.current?.close()
    runner.current = null
    setRun(null)
  }
  useEffect(() => () => runner.current?.close(), [])
  const start = () => {
    cancel()
    const made = new FaultRunner()
    runner.current = made
    setRun({ done: 0, of: 0 })
    void made
      .failures(inst, (done, of) => setRun({ done, of }))
      .then((effects) => {
        setResult({ effects, of: inst })
        cancel()
      })
  }
  const effects = result?.effects ?? []
  const taken = assumedSentence(inst)
  return (
    <section aria-label="If one part fails" data-testid="failures">
      {effects.length > 0 && (
        <p className={cx('text-lg font-bold', result?.of !== inst && 'opacity-60')}>
          {ORDER.slice(0, ORDER.indexOf('noticed'))
            .map((k) => `${effects.filter((e) => e.kind === k).length} ${SHORT[k]}`)
            .join(', ')}
          , of {count(effects.length)} single failures.
          {result?.of !== inst && ' The wiring has changed since.'}
        </p>
      )}
      {taken && <p className="mb-2 text-[15px] text-watch">{taken}</p>}
      {run ? (
        <p className="flex items-center gap-3">
          <Progress.Root
            max={run.of || 1}
            value={run.done}
            aria-label="Failures tried"
            className="h-2 w-40 overflow-hidden rounded-full bg-line"
          >
            <Progress.Indicator
              className="h-full bg-copper"
              style={{ width: `${(100 * run.done) / (run.of || 1)}%` }}
            />
          </Progress.Root>
          {run.done} of {run.of || '…'}
          <Button onClick={cancel}>Stop</Button>
        </p>
      ) : (
        <Button look={effects.length ? 'plain' : 'strong'} onClick={start}>
          {effects.length ? 'Try them again' : 'Fail each part in turn'}
        </Button>
      )}
      {ORDER.map((kind) => {
        const own = effects.filter((e) => e.kind === kind)
        if (!own.length) return null
        return (
          <Disclosure
            key={kind}
            defaultOpen={kind === 'harm' || kind === 'noHeat'}
            className="mt-3"
            summary={
              <>
                {EFFECT_WORDS[kind]}: {own.length}
              </>
            }
            summaryClass={cx('min-h-8 py-1 font-bold', kind === 'harm' && 'text-harm')}
          >
            <ul>
              {own.map((e) => (
                <li
                  key={`${e.failure.kind}${e.failure.at}${e.failure.state ?? ''}`}
                  className="flex flex-wrap items-center gap-x-3 border-t border-line py-1 text-[15px]"
                >
                  <span className="flex-1 basis-72">
                    <span className="font-bold">{failureWords(inst, e.failure)}.</span>{' '}
                    <span className="text-soft">{effectWords(inst, e)}</span>
                  </span>
                  {shownBy(e) && (
                    <Button
                      disabled={situation.modes[e.failure.at] === e.failure.state}
                      onClick={() => setSituation(shownBy(e) ?? situation)}
                    >
                      Show me
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </Disclosure>
        )
      })}
      <p className="mt-3 max-w-2xl text-sm text-soft">
        Charge, a stuck reversing valve, airflow and a sensor in the sun are not in the wiring: the readings
        of the Startup find those.
      </p>
    </section>
  )
}
