'use client'

import { useMemo, useState } from 'react'
import { compare, landedBy, planLanding, planned, practiceFor, type WiringPractice } from '@/core/plan'
import { planOperations, sentence } from '@/jobfile'
import { Button, Swatch, Disclosure, useLocalStorage } from '@/ui'
import { unmetWords, differenceWords, planSentence, planSettingWords, refWords, whyWords } from '@/words'
import { newWireId, useJobScreen } from '../session'
import { PracticePicker } from './PracticePicker'

/** Nothing chosen: as is usual. */
const USUAL: Partial<WiringPractice> = {}

/** The planned landing for this gear, how what is landed differs from it, and one press to land it so. */
export function PlanPanel() {
  const { inst, job, edit, undo } = useJobScreen()
  const [chosen, setChosen] = useLocalStorage<Partial<WiringPractice>>(`gate-cross-practice-${job.id}`, USUAL)
  const [done, setDone] = useState(0)
  const [refused, setRefused] = useState<string | null>(null)
  const plan = useMemo(() => planLanding(inst, practiceFor(inst, chosen)), [inst, chosen])
  const goal = useMemo(() => planned(inst, plan), [inst, plan])
  const differences = useMemo(() => compare(inst, goal), [inst, goal])
  const settings = plan.settings
  const same = differences.length === 0 && settings.length === 0
  const land = () => {
    const ops = planOperations(inst, plan, newWireId)
    const result = edit(ops)
    setDone(result.ok ? ops.length : 0)
    setRefused(result.ok ? null : result.problems.map(sentence).join('; '))
  }
  return (
    <section aria-label="Plan" className="border-t border-line pt-3" data-testid="plan">
      <h2 className="text-lg font-bold">
        {same
          ? 'Landed as planned.'
          : `${differences.length + settings.length} ${differences.length + settings.length === 1 ? 'difference' : 'differences'} from the plan.`}
      </h2>
      <p>{planSentence(inst, plan)}</p>
      {plan.unmet.map((c) => (
        <p key={c} className="mt-1 border-l-4 border-watch bg-watch-soft px-3 py-1">
          {unmetWords(c)}
        </p>
      ))}
      <ul className="mt-2" data-testid="differences">
        {differences.map((d) => (
          <li key={JSON.stringify(d)} className="border-l-4 border-watch py-0.5 pl-3">
            {differenceWords(inst, goal, d)}
          </li>
        ))}
        {settings.map((s) => (
          <li key={`${s.placed}.${s.setting}`} className="border-l-4 border-slate py-0.5 pl-3">
            {planSettingWords(inst, s)}
          </li>
        ))}
      </ul>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <PracticePicker inst={inst} chosen={chosen} onChange={setChosen} />
      </div>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button look="strong" disabled={same} onClick={land}>
          Record it as landed like this
        </Button>
        {done > 0 && (
          <Button
            onClick={() => {
              undo()
              setDone(0)
            }}
          >
            Take all {done} edits back
          </Button>
        )}
      </div>
      {refused && (
        <p role="alert" className="mt-2 text-harm">
          Nothing was recorded: {refused}
        </p>
      )}
      <Disclosure className="mt-3" summary="The plan, conductor by conductor" summaryClass="min-h-8 py-1">
        <table className="mt-1 w-full max-w-3xl text-left text-[15px]">
          <thead className="text-sm text-soft">
            <tr>
              <th className="py-1 font-normal">Conductor</th>
              <th className="font-normal">From</th>
              <th className="font-normal">To</th>
              <th className="font-normal">Why</th>
            </tr>
          </thead>
          <tbody>
            {landedBy(inst, plan).map((w) => (
              <tr key={w.id} className="border-t border-line align-top">
                <td className="py-1 whitespace-nowrap">
                  <Swatch colour={w.colour} /> {w.cable === null ? 'jumper' : w.colour}
                </td>
                <td>{refWords(goal, w.a)}</td>
                <td>{refWords(goal, w.b)}</td>
                <td className="text-soft">{w.why ? whyWords(w.why) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Disclosure>
    </section>
  )
}
