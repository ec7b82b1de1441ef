'use client'

import { nth } from '@/core/assert'
import type { Target } from '@/core/query'
import { memo } from 'react'
import type { Installation, Ref } from '@/core/installation'
import type { ChainGate, GateChain } from '@/core/explain'
import { cx, Disclosure } from '@/ui'
import { gateWords, lower, onByWords, severalWords, targetWords } from '@/words'
import { GateLine } from './GateLine'

const STATE = { yes: 'On', no: 'Off', unknown: 'Depends' } as const

/** Why one thing runs or does not. The first gate that blocks is said large, with its number. */
export const ChainCard = memo(function ChainCard({
  inst,
  target,
  chain,
  selected,
  onSelect,
}: {
  target: Target
  chain: GateChain
  selected: boolean
  onSelect: (ref: Ref) => void
  inst: Installation
}) {
  const gate = chain.first === null ? null : nth(chain.gates, chain.first)
  const words = gate && gateWords(inst, gate)
  const several = severalWords(chain)
  const passing = chain.gates.filter((g) => g.state === 'passing').length
  return (
    <li
      className={cx('relative border-b border-line py-1.5', selected && 'bg-raised')}
      data-chain={target.ref}
      data-running={chain.running}
    >
      <button
        type="button"
        onClick={() => onSelect(target.ref)}
        aria-pressed={selected}
        title="Show its path on the bench"
        className="flex min-h-12 w-full items-baseline justify-between gap-3 text-left lg:min-h-6"
      >
        <span className="font-bold">{targetWords(target)}</span>
        <span
          className={cx(
            'text-[15px]',
            chain.running === 'yes'
              ? 'font-bold text-copper'
              : chain.running === 'no'
                ? 'text-soft'
                : 'text-watch',
          )}
        >
          {STATE[chain.running]}
        </span>
      </button>
      <GateLine inst={inst} chain={chain} />
      {onByWords(inst, chain).map((said) => (
        <p key={said} className="mt-0.5 text-[15px] leading-snug">
          <span className="font-bold">It should be off.</span> {said}
        </p>
      ))}
      {words && gate && <Reason gate={gate} name={words.name} reason={words.reason} />}
      {several && <p className="text-[15px] leading-snug text-soft">{several}.</p>}
      <Disclosure
        className="text-sm text-soft"
        isMadeOnOpening
        summary={
          <>
            {passing} of {chain.gates.length} gates pass
          </>
        }
        summaryClass="min-h-8 w-fit py-1 lg:min-h-0 lg:py-0"
      >
        <EveryGate inst={inst} gates={chain.gates} />
      </Disclosure>
    </li>
  )
})

function EveryGate({ inst, gates }: { inst: Installation; gates: readonly ChainGate[] }) {
  return (
    <ol className="mt-1">
      {gates.map((g) => {
        const w = gateWords(inst, g)
        return (
          <li key={g.at} className="flex gap-2 py-0.5">
            <span className="w-20 shrink-0">{GATE_STATE[g.state]}</span>
            <span className="text-ink">
              {w.name}
              {g.state !== 'passing' && w.reason ? `. ${w.reason}` : ''}
            </span>
          </li>
        )
      })}
    </ol>
  )
}

/** The reason that stops a load. A missing call is shown small; a contact that stops a call is shown large. */
function Reason({ gate, name, reason }: { gate: ChainGate; name: string; reason: string }) {
  const notCalled =
    gate.because.some((b) => b.kind === 'call') && !gate.because.some((b) => b.kind === 'sense')
  if (notCalled)
    return (
      <p className="truncate text-sm text-soft" title={`${name}. ${reason}`}>
        {reason}
      </p>
    )
  return (
    <p className="mt-0.5 text-[15px] leading-snug">
      <span className="font-bold">
        {gate.state === 'unknown' ? 'Depends on' : 'Held at'} {lower(name)}.
      </span>{' '}
      {reason}
    </p>
  )
}

const GATE_STATE = {
  passing: 'passes',
  blocking: 'blocks',
  unknown: 'not known',
  notReached: 'not reached',
} as const
