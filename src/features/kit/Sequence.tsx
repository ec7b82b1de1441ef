'use client'

import { bankTable, kitSequence, USUAL_STEP, type SequenceEvent } from '@/core/kit'
import type { Placed } from '@/core/installation'
import { figure } from '@/words'

/** px: the height of a bar. */
const HEIGHT = 16

/** Which row is in at each second after a call for all of them, and after it ends. */
export function Sequence({ placed }: { placed: Placed }) {
  const all = bankTable(placed).at(-1)
  if (!all || all.rows.length === 0) return null
  const found = kitSequence(placed, all.inputs)
  const rows = all.rows
  const last = (events: SequenceEvent[]) => events.at(-1)?.seconds ?? 0
  const [inAll, outAll] = [last(found.in), last(found.out)]
  const span = Math.max(inAll, outAll, 10) * 1.15
  const changes = (id: string, events: SequenceEvent[], on: boolean) =>
    events.find((e) => e.rows.some((r) => r.id === id) === on)?.seconds ?? 0
  return (
    <div className="mt-3" data-testid="sequence">
      <h3 className="font-bold">Row by row after a call for {all.inputs.join(' + ')}</h3>
      <p className="text-[15px]">
        {inAll === 0
          ? 'They are relays: all at once.'
          : `All are in after ${figure(inAll)} s, and out ${figure(outAll)} s after the call ends: read amps no sooner, and let the blower run on.`}
        {found.untimed.length > 0 &&
          ` The file has no times for its sequencers: a step usually takes ${USUAL_STEP.in.join(' to ')} s in and ${USUAL_STEP.out.join(' to ')} s out.`}
      </p>
      <table className="mt-1 w-full max-w-3xl text-[15px]">
        <caption className="sr-only">
          Seconds after a call at which each row comes in, and after its end goes out
        </caption>
        <thead>
          <tr className="text-left">
            <th scope="col" className="w-16">
              Row
            </th>
            <th scope="col">In after, s</th>
            <th scope="col">Out after, s</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, row }) => {
            const [begin, end] = [changes(id, found.in, true), changes(id, found.out, false)]
            return (
              <tr key={id} className="border-t border-line">
                <th scope="row" className="py-1 text-left">
                  {row}
                </th>
                <td>
                  <Bar from={begin} to={span} span={span} text={begin} />
                </td>
                <td>
                  <Bar from={0} to={end} span={span} text={end} />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </div>
  )
}

/** A stretch of time in which a row is on, with its second in figures. */
function Bar({ from, to, span, text }: { from: number; to: number; span: number; text: number }) {
  const share = (s: number) => `${(100 * s) / span}%`
  return (
    <span className="flex items-center gap-2 py-0.5 pr-4">
      <span className="w-10 text-right">{figure(text)}</span>
      <span aria-hidden className="relative block flex-1 bg-panel" style={{ height: HEIGHT }}>
        <span
          className="absolute inset-y-0 bg-ember"
          style={{ left: share(from), width: share(to - from) }}
        />
      </span>
    </span>
  )
}
