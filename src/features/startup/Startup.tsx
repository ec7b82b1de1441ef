'use client'

import type { Call } from '@/core/equipment'
import { callsOf } from '@/core/situation'
import { judge, standing } from '@/core/startup'
import { Caution, cx } from '@/ui'
import { CALL_WORDS } from '@/words'
import { useJobScreen } from '../job/JobContext'
import { MeterSheet } from './MeterSheet'
import { ReadingForm } from './ReadingForm'
import { ReadingList } from './ReadingList'

/** The test run: a card for each call, with what must be live, and the readings taken on it. */
export function Startup() {
  const { inst } = useJobScreen()
  const calls = callsOf(inst).filter((c) => c !== 'off')
  return (
    <div className="max-w-4xl pb-8">
      <Caution>
        Elements stay hot, and capacitors hold charge. Never run strips without air. Read with the panels on,
        and leave no unit in emergency heat or with a jumper in.
      </Caution>
      <div className="mt-3 space-y-2">
        {calls.map((c) => (
          <CallCard key={c} call={c} />
        ))}
      </div>
    </div>
  )
}

function CallCard({ call }: { call: Call }) {
  const { inst, job, situation, setSituation } = useJobScreen()
  const open = situation.call === call
  const own = job.readings.filter((r) => r.situation.call === call)
  const stands = standing(own)
  const wrong = stands.filter((r) => judge(inst, r, job.readings).verdict === 'wrong').length
  return (
    <section
      aria-label={CALL_WORDS[call]}
      className={cx('rounded border', open ? 'border-edge bg-panel' : 'border-line')}
      data-card={call}
    >
      <h2>
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setSituation({ ...situation, call: open ? 'off' : call })}
          className="flex min-h-12 w-full items-baseline justify-between gap-3 px-4 py-2 text-left"
        >
          <span className="text-lg font-bold">{CALL_WORDS[call]}</span>
          <span className={cx('text-sm', wrong ? 'text-harm' : 'text-soft')}>
            {stands.length === 0
              ? 'not read yet'
              : wrong
                ? `${wrong} wrong of ${stands.length}`
                : `${stands.length} read`}
          </span>
        </button>
      </h2>
      {open && (
        <div className="px-4 pb-4">
          <MeterSheet call={call} />
          <h3 className="mt-4 font-bold">Readings</h3>
          <ReadingForm key={call} call={call} />
          <ReadingList readings={own} />
        </div>
      )}
    </section>
  )
}
