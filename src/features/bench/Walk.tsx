'use client'

import { useState } from 'react'
import type { Installation, Wire } from '@/core/installation'
import { Button, Swatch } from '@/ui'
import { refWords } from '@/words'
import { useJobScreen } from '../session'
import { TerminalSheet } from './TerminalSheet'
import type { LandingTools } from './useLanding'

/** Conductors that are walked: those of low-voltage cables that are landed somewhere, then the jumpers. */
const walked = (inst: Installation): string[] => {
  const low = new Set(inst.cables.filter((c) => c.kind === 'low').map((c) => c.id))
  return [
    ...inst.wires.filter((w) => w.cable && low.has(w.cable) && (w.a || w.b)),
    ...inst.wires.filter((w) => w.cable === null),
  ].map((w) => w.id)
}

/**
 * An existing landing recorded one conductor at a time, in the order of the cables: as shown, different, or not there.
 * The list is taken at the start, so that what is changed on the way does not change the walk.
 */
export function Walk({ landing, onDone }: { landing: LandingTools; onDone: () => void }) {
  const { inst, edit } = useJobScreen()
  const [list] = useState(() => walked(inst))
  const [at, setAt] = useState(0)
  const [end, setEnd] = useState<'a' | 'b' | null>(null)
  const wire = inst.wires.find((w) => w.id === list[at])
  const next = () => {
    setEnd(null)
    landing.setState({ step: 'none' })
    setAt(at + 1)
  }
  if (at >= list.length)
    return (
      <section aria-label="Walk" className="py-4">
        <p className="text-lg font-bold">All {list.length} walked.</p>
        <Button look="strong" className="mt-3 w-full" onClick={onDone}>
          To the schedule
        </Button>
      </section>
    )
  const different = (side: 'a' | 'b', w: Wire) => {
    setEnd(side)
    landing.setState({ step: 'moving', wire: w.id, end: side })
  }
  return (
    <section aria-label="Walk" data-testid="walk">
      <p className="flex items-center justify-between text-sm text-soft">
        <span>
          {at + 1} of {list.length}
          {wire?.cable ? `, ${inst.cables.find((c) => c.id === wire.cable)?.label}` : ', jumper'}
        </span>
        <span>
          <Button look="quiet" disabled={at === 0} onClick={() => setAt(at - 1)}>
            Back
          </Button>
          <Button look="quiet" onClick={onDone}>
            Stop
          </Button>
        </span>
      </p>
      {!wire ? (
        <Button className="w-full" onClick={next}>
          Removed: on to the next
        </Button>
      ) : (
        <>
          <div className="rounded border border-ink bg-raised p-4">
            <p className="flex items-center gap-3 text-xl font-bold">
              <Swatch colour={wire.colour} other={wire.colourB} /> {wire.colour}
            </p>
            <p className="mt-2 text-lg">
              {wire.a ? refWords(inst, wire.a) : 'not landed'}
              <span className="text-soft"> to </span>
              {wire.b ? refWords(inst, wire.b) : 'not landed'}
            </p>
          </div>
          {end === null ? (
            <div className="mt-3 grid gap-2">
              <Button
                look="strong"
                className="!min-h-16 text-lg"
                onClick={() => {
                  if (wire.doubt) edit({ kind: 'markWire', wire: wire.id, doubt: false })
                  next()
                }}
              >
                As shown
              </Button>
              <div className="grid grid-cols-2 gap-2">
                {(['a', 'b'] as const).map((side) => (
                  <Button key={side} onClick={() => different(side, wire)}>
                    Different at {wire[side] ? refWords(inst, wire[side]) : `end ${side.toUpperCase()}`}
                  </Button>
                ))}
              </div>
              <Button
                onClick={() => {
                  if (wire.cable === null) edit({ kind: 'removeWire', wire: wire.id })
                  else
                    edit(
                      (['a', 'b'] as const)
                        .filter((side) => wire[side])
                        .map((end) => ({ kind: 'landWire', wire: wire.id, end, terminal: null })),
                    )
                  next()
                }}
              >
                Not there
              </Button>
            </div>
          ) : (
            <TerminalSheet wire={wire} end={end} landing={landing} onChosen={next} />
          )}
        </>
      )}
    </section>
  )
}
