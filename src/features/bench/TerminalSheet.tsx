'use client'

import { makeRef, splitRef, type Wire } from '@/core/installation'
import { Button, cx } from '@/ui'
import { refWords } from '@/words'
import { useJobScreen } from '../session'
import type { LandingTools } from './useLanding'

/** Terminals to land an end on: first those of its own place, then all others. */
export function TerminalSheet({
  wire,
  end,
  landing,
  onChosen,
}: {
  wire: Wire
  end: 'a' | 'b'
  landing: LandingTools
  /** Told once a choice has been made. */
  onChosen?: () => void
}) {
  const { inst } = useJobScreen()
  const cable = inst.cables.find((c) => c.id === wire.cable)
  const home = wire[end] ? splitRef(wire[end]).placed : end === 'a' ? cable?.from : cable?.to
  const side = cable?.kind === 'line' ? 'line' : 'low'
  const where = inst.placed.find((p) => p.ref === home)?.where
  const near = inst.placed.filter((p) => p.ref === home || (where !== undefined && p.where === where))
  const groups = near.map((p) => ({
    placed: p,
    refs: p.device.terminals
      .filter((t) => t.side === side)
      .map((t) => ({ ref: makeRef(p.ref, t.id), label: t.label })),
  }))
  return (
    <div
      className="mt-2 rounded border border-ink bg-raised p-2"
      role="group"
      aria-label={`Where this end is landed`}
    >
      {groups.map(({ placed, refs }) =>
        refs.length ? (
          <div key={placed.ref} className="mb-2">
            <p className="mb-1 text-sm text-soft">{placed.label}</p>
            <div className="grid grid-cols-4 gap-2">
              {refs.map(({ ref, label }) => (
                <Button
                  key={ref}
                  className={cx('!px-1 font-mono font-bold', wire[end] === ref && '!border-2 !border-ink')}
                  aria-label={refWords(inst, ref)}
                  onClick={() => {
                    landing.chooseTerminal(ref)
                    onChosen?.()
                  }}
                >
                  {label}
                </Button>
              ))}
            </div>
          </div>
        ) : null,
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={() => {
            landing.perform(
              { kind: 'landWire', wire: wire.id, end, terminal: null },
              `Lifted the ${wire.colour} conductor`,
            )
            landing.setState({ step: 'none' })
            onChosen?.()
          }}
        >
          Not landed
        </Button>
        {wire.cable === null && (
          <Button
            look="harm"
            onClick={() => {
              landing.perform({ kind: 'removeWire', wire: wire.id }, 'Jumper removed')
              landing.setState({ step: 'none' })
            }}
          >
            Take the jumper out
          </Button>
        )}
      </div>
    </div>
  )
}
