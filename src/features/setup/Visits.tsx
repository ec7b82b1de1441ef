'use client'

import { settingValue, makeRef, type Installation } from '@/core/installation'
import { itemsFor } from '@/core/setup'
import type { Unknowable, Value } from '@/core/equipment'
import { Button } from '@/ui'
import { dateWords, refWords, valueAtText } from '@/words'
import { useJobScreen, useStamp } from '../session'

/** Every setting that a profile keys in, as it is left. */
const leftNow = ({ placed }: Installation) =>
  Object.fromEntries(
    placed.flatMap((p) =>
      p.device.settings
        .filter((s) => itemsFor(p.device, s.id).length > 0)
        .map((s) => [makeRef(p.ref, s.id), settingValue(p, s.id)] as const),
    ),
  )

/** How things were left last time against how they were found today; and the end of today's visit. */
export function Visits() {
  const { inst, job, edit } = useJobScreen()
  const stamp = useStamp()
  const pending = job.setup.temporary.filter((t) => !t.back)
  const last = job.setup.visits[job.setup.visits.length - 1]
  const text = (at: string, v: Unknowable<Value>) => valueAtText(inst, at, v)
  const found = Object.entries(job.setup.keyed).flatMap(([at, k]) => (k.found ? [{ at, note: k.found }] : []))
  const changed = last ? found.filter((f) => f.at in last.left && last.left[f.at] !== f.note.value) : []
  const same = last ? found.filter((f) => f.at in last.left && last.left[f.at] === f.note.value).length : 0
  return (
    <section data-testid="visits" aria-label="Between visits" className="max-w-3xl">
      <h2 className="text-lg font-bold">
        {!last
          ? 'No earlier visit is recorded here.'
          : changed.length === 0
            ? `Nothing that was looked at has changed since ${day(last.when)}.`
            : `${changed.length} ${changed.length === 1 ? 'setting has' : 'settings have'} changed since ${day(last.when)}.`}
      </h2>
      {last && (
        <p className="text-soft">
          {last.who || 'Somebody'} left {Object.keys(last.left).length} settings recorded; {found.length}{' '}
          looked at today
          {same ? `, ${same} as they were left` : ''}.
        </p>
      )}
      {last && changed.length > 0 && (
        <table className="mt-2 w-full text-left text-[15px]">
          <thead>
            <tr className="border-b border-ink">
              <th className="py-1 pr-3">Setting</th>
              <th className="pr-3">Left last time</th>
              <th>Found today</th>
            </tr>
          </thead>
          <tbody>
            {changed.map((c) => (
              <tr key={c.at} className="border-b border-line">
                <td className="py-1 pr-3">{refWords(inst, c.at)}</td>
                <td className="pr-3">{text(c.at, last.left[c.at] ?? null)}</td>
                <td className="font-bold">{text(c.at, c.note.value)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pending.length > 0 && (
        <p className="mt-4 font-bold text-watch">
          {pending.length === 1 ? 'One thing stands' : `${pending.length} things stand`} otherwise for a test:
          put it back first, then the visit can end.
        </p>
      )}
      <Button
        className="mt-2"
        look="strong"
        disabled={pending.length > 0}
        onClick={() =>
          edit((now) => ({
            kind: 'closeVisit',
            visit: { id: `v-${crypto.randomUUID().slice(0, 8)}`, ...stamp(), left: leftNow(now.inst) },
          }))
        }
      >
        End this visit: record how all {Object.keys(leftNow(inst)).length} settings are left
      </Button>
      {job.setup.visits.length > 0 && (
        <ul className="mt-4 text-[15px] text-soft">
          {[...job.setup.visits].reverse().map((v) => (
            <li key={v.id}>
              {day(v.when)}, {v.who || 'nobody named'}: {Object.keys(v.left).length} settings as left
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

const day = (when: string): string => dateWords(when, 'MMMM d, yyyy')
