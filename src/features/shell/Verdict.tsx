'use client'

import { memo, useState } from 'react'
import type { Finding, Fix, Proof } from '@/core/rules'
import type { Installation } from '@/core/installation'
import { sameSituation } from '@/core/situation'
import { sentence, type Operation } from '@/jobfile'
import { Button, cx, Disclosure } from '@/ui'
import {
  factorsSentence,
  findingStatement,
  proofSentence,
  undecidedSentences,
  witnessSentence,
} from '@/words'
import { later, useJobScreen, useLook, useNow, useProof } from '../session'

/** The search for fixes starts only when it is asked for. */
const Moves = later(async () => (await import('./Moves')).Moves)
/** It is folded at first. */
const RuleList = later(async () => (await import('./RuleList')).RuleList)

/** The answer first: one sentence over every reachable state, then what is broken, with its way out. */
export function Verdict() {
  const { inst } = useJobScreen()
  const proof = useProof()
  return (
    <section aria-label="Verdict" className="no-print mb-3" aria-live="polite">
      <div className="flex min-h-[30px] flex-wrap items-baseline gap-x-3">
        <Sentence />
        {proof.solved > 0 && <Proven proof={proof} />}
      </div>
      <Findings
        list={proof.findings.filter((f) => f.severity !== 'warn')}
        alone={proof.findings.length === 1}
      />
      <Warnings list={proof.findings.filter((f) => f.severity === 'warn')} />
      {/* Where there are too many states the sentence says it once for every rule. */}
      {!proof.tooMany && <Open list={undecidedSentences(inst, proof.undecided)} />}
    </section>
  )
}

/** Unknowns that rules depend on: folded when longer than a line or two, since the sentence counts them. */
function Open({ list }: { list: string[] }) {
  const lines = list.map((words) => (
    <p key={words} className="text-sm text-watch">
      {words}
    </p>
  ))
  if (list.length < 3) return <>{lines}</>
  return (
    <Disclosure
      className="mt-1 text-[15px]"
      summary="What is not known yet"
      summaryClass="min-h-8 py-1 text-watch"
    >
      {lines}
    </Disclosure>
  )
}

/** The sentence itself, greyed while the change is still being checked: all that an edit touches at once. */
function Sentence() {
  const inst = useLook((now) => now.inst)
  const proof = useNow((s) => s.proven?.proof)
  const stale = useNow((s) => s.stale)
  const failure = useNow((s) => s.failure)
  if (!proof) return null
  return (
    <>
      <p
        data-testid="verdict"
        data-stale={stale}
        className={cx(
          'peer text-lg leading-snug font-bold data-[stale=true]:text-soft',
          proof.findings.some((f) => f.severity !== 'warn') ? 'text-harm' : 'text-ink',
        )}
      >
        {failure === null
          ? proofSentence(inst, proof)
          : 'The check could not be finished, so nothing is claimed. The next edit tries again.'}
      </p>
      {/* Its room is kept, so that nothing is laid out again when it comes and goes. */}
      <span className="order-last invisible text-sm text-soft peer-data-[stale=true]:visible">
        checking …
      </span>
    </>
  )
}

const Proven = memo(function Proven({ proof }: { proof: Proof }) {
  return (
    <Disclosure
      className="text-sm text-soft"
      summary="what was proven"
      summaryClass="py-1 underline decoration-dotted underline-offset-4"
    >
      <p className="mt-1 max-w-3xl">{factorsSentence(proof)}.</p>
      <RuleList proof={proof} />
    </Disclosure>
  )
})

function Findings({ list, alone }: { list: Finding[]; alone: boolean }) {
  if (!list.length) return null
  return (
    <ul className="mt-1 space-y-1">
      {list.map((f) => (
        <FindingLine key={`${f.rule}${f.code}${f.at}`} finding={f} alone={alone} />
      ))}
    </ul>
  )
}

/** Warnings, folded so that they take no room. */
function Warnings({ list }: { list: Finding[] }) {
  if (!list.length) return null
  return (
    <Disclosure
      className="mt-1 text-[15px]"
      summary={list.length === 1 ? 'One thing worth a look' : `${list.length} things worth a look`}
      summaryClass="min-h-8 py-1 text-watch"
    >
      <Findings list={list} alone={false} />
    </Disclosure>
  )
}

function FindingLine({ finding, alone }: { finding: Finding; alone: boolean }) {
  const { inst, setSituation, situation, go, place, fixes, edit } = useJobScreen()
  const [search, setSearch] = useState<{ of: Installation; found: Fix[] | null } | null>(null)
  // A search for another wiring's fix does not apply to this one.
  const mine = search?.of === inst ? search : null
  const searching = mine !== null && mine.found === null
  const [refused, setRefused] = useState<string | null>(null)
  const take = (operations: Operation[]) => {
    const result = edit(operations)
    setRefused(result.ok ? null : result.problems.map(sentence).join('; '))
  }
  const { witness } = finding
  const shown = witness !== null && sameSituation(situation, witness)
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-harm bg-harm-soft px-3 py-1 text-[15px]">
      <span className="flex-1 basis-72">
        {alone ? '' : `${findingStatement(inst, finding)} `}
        {witnessSentence(inst, finding)}
      </span>
      {witness && (
        <Button
          disabled={shown && place === 'bench'}
          onClick={() => {
            setSituation(witness)
            if (place !== 'bench') go('bench')
          }}
        >
          {shown && place === 'bench' ? 'Shown below' : 'Show me'}
        </Button>
      )}
      <Button
        onClick={() => {
          setSearch({ of: inst, found: null })
          void fixes(inst, finding).then((found) => setSearch({ of: inst, found }))
        }}
        disabled={searching}
      >
        {searching ? 'Trying every move …' : 'What do I change?'}
      </Button>
      {refused && (
        <p role="alert" className="basis-full text-harm">
          Nothing was recorded: {refused}
        </p>
      )}
      {mine?.found && <Moves list={mine.found} inst={inst} take={take} />}
    </li>
  )
}
