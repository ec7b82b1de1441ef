'use client'

import type { Call } from '@/core/equipment'
import { callsOf, changedSituation } from '@/core/situation'
import { judge, standing } from '@/core/startup'
import { Caution, cx } from '@/ui'
import { CALL_WORDS } from '@/words'
import { useJobScreen } from '../session'
import { LockOut } from '../lockOut'
import { MeterSheet } from './MeterSheet'
import { ReadingForm, ReadingList } from '../readings'

/** The test run: a tile for each call, and the open one's card: what must be live, and the readings taken on it. */
export function Startup() {
  const { inst, job, situation, setSituation } = useJobScreen()
  const calls = callsOf(inst).filter((c) => c !== 'off')
  const open = calls.find((c) => c === situation.call)
  const own = job.readings.filter((r) => r.situation.call === open)
  return (
    <div className="max-w-5xl pb-8">
      <ul className="grid grid-cols-2 gap-2 lg:grid-cols-5">
        {calls.map((c) => (
          <li key={c}>
            <CallTile
              call={c}
              open={c === open}
              onOpen={() => setSituation(changedSituation(situation, { call: c }))}
            />
          </li>
        ))}
      </ul>
      <LockOut />
      {open ? (
        <section
          aria-label={CALL_WORDS[open]}
          className="mt-3 rounded border border-edge bg-panel px-4 py-3"
          data-card={open}
        >
          <h2 className="text-lg font-bold">{CALL_WORDS[open]}</h2>
          <MeterSheet call={open} />
          <h3 className="mt-3 font-bold">Readings</h3>
          <ReadingForm key={open} call={open} />
          <ReadingList readings={own} />
        </section>
      ) : (
        <p className="py-6">
          Nothing is called. Choose a call to see what must read 24 V and to take readings.
        </p>
      )}
      <div className="mt-4">
        <Caution>
          Elements stay hot, and capacitors hold charge. Never run strips without air. Read with the panels
          on, and leave no unit in emergency heat or with a jumper in.
        </Caution>
      </div>
    </div>
  )
}

function CallTile({ call, open, onOpen }: { call: Call; open: boolean; onOpen: () => void }) {
  const { circuit, job } = useJobScreen()
  const stands = standing(job.readings.filter((r) => r.situation.call === call))
  const wrong = stands.filter((r) => judge(circuit, r, job.readings).verdict === 'wrong').length
  return (
    <button
      type="button"
      aria-pressed={open}
      onClick={onOpen}
      className={cx(
        'min-h-14 w-full rounded border px-3 py-1 text-left leading-tight',
        open ? 'border-2 border-ink bg-raised' : 'border-line bg-panel',
      )}
    >
      <span className="block font-bold">{CALL_WORDS[call]}</span>
      <span className={cx('text-sm', wrong ? 'text-harm' : 'text-soft')}>
        {stands.length === 0
          ? 'not read yet'
          : wrong
            ? `${wrong} wrong of ${stands.length}`
            : `${stands.length} read`}
      </span>
    </button>
  )
}
