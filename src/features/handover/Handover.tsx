'use client'

import { format } from 'date-fns'
import { useMemo } from 'react'
import { Download, Printer } from 'lucide-react'
import { settingValue } from '@/core/installation'
import type { Unknowable, Value } from '@/core/equipment'
import { drives } from '@/core/situation'
import { dayF, standing, testPlan } from '@/core/startup'
import { formatJob } from '@/jobfile'
import { Button, downloadFile, Swatch } from '@/ui'
import {
  CARD_STATE_WORDS,
  cardTitle,
  findingWords,
  factorsSentence,
  findingSentence,
  ruleWords,
  proofSentence,
  refWords,
  temporaryWords,
  undecidedSentence,
  valueAtText,
} from '@/words'
import { useConflicts, useJobScreen, useProof } from '../session'
import { ReadingList } from '../readings'
import { History } from './History'
import { ReadingsFile } from './ReadingsFile'

/** The report: what is there, how it is landed, what was proven over how many states, and what was read. */
export function Handover() {
  const { job, inst } = useJobScreen()
  const proof = useProof()
  const last = standing(job.readings).reduce<string | null>((a, r) => (a && a > r.when ? a : r.when), null)
  return (
    <article className="max-w-4xl pb-10 print:max-w-none">
      <div className="no-print mb-4 flex flex-wrap gap-3">
        <Button look="strong" onClick={() => window.print()}>
          <Printer aria-hidden className="size-4" /> Print the report
        </Button>
        <Button onClick={() => downloadFile(`${job.id}.json`, 'application/json', formatJob(job))}>
          <Download aria-hidden className="size-4" /> Export the job file
        </Button>
      </div>
      <header>
        <h2 className="text-2xl font-bold">{job.title}</h2>
        <p>
          {job.site.owner}, {job.site.address}
        </p>
        <p className="text-soft">
          Technician {job.technician}
          {last ? `, last reading ${format(new Date(last), 'd MMMM yyyy, HH:mm')}` : ', no readings yet'}
        </p>
        <p className="mt-1">{job.note}</p>
      </header>

      <Part title="What was proven">
        {proof ? (
          <>
            <p className="font-bold">{proofSentence(inst, proof)}</p>
            <p className="text-sm text-soft">{factorsSentence(proof)}.</p>
            <ul className="mt-2">
              {proof.rules.map((rule) => {
                const f = proof.findings.find((x) => x.rule === rule)
                const u = proof.undecided.find((x) => x.rule === rule)
                return (
                  <li key={rule} className="border-t border-line py-1">
                    <span className="inline-block w-24 font-bold">
                      {f ? (f.severity === 'warn' ? 'Worth a look' : 'Broken') : u ? 'Undecided' : 'Holds'}
                    </span>
                    {ruleWords(rule)}
                    {f && <span className="block pl-24 text-harm">{findingSentence(inst, f)}</span>}
                    {u && <span className="block pl-24">{undecidedSentence(inst, u)}</span>}
                  </li>
                )
              })}
            </ul>
          </>
        ) : (
          <p>Working through every state …</p>
        )}
      </Part>

      <Part title="Gear">
        <table className="w-full border-collapse text-[15px]">
          <tbody>
            {inst.placed.map((p) => (
              <tr key={p.ref} className="border-t border-line align-top">
                <th scope="row" className="w-44 py-1.5 pr-3 text-left">
                  {p.label}
                </th>
                <td className="py-1.5">
                  {p.device.name}
                  {p.where ? `, ${p.where}` : ''}
                  {p.device.settings.length > 0 && (
                    <span className="block text-sm text-soft">
                      {p.device.settings
                        .filter((s) => s.group === 'plate' || drives(p.device, s.id))
                        .map((s) => {
                          const v = settingValue(p, s.id)
                          const option = s.options?.find((o) => o.id === v)
                          const said =
                            v === null ? 'not known' : (option?.label ?? `${v}${s.unit ? ` ${s.unit}` : ''}`)
                          return `${s.label}: ${said}`
                        })
                        .join(' · ')}
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Part>

      <Part title="Landing schedule">
        <table className="w-full border-collapse text-[15px]">
          <thead>
            <tr className="text-left text-sm text-soft">
              <th className="py-1 font-normal">Conductor</th>
              <th className="py-1 font-normal">From</th>
              <th className="py-1 font-normal">To</th>
            </tr>
          </thead>
          <tbody>
            {[...job.cables.map((c) => c.id), null].flatMap((cable) =>
              job.wires
                .filter((w) => w.cable === cable)
                .map((w) => (
                  <tr key={w.id} className="border-t border-line">
                    <td className="py-1 pr-2">
                      <Swatch colour={w.colour} other={w.colourB} className="mr-2 align-middle" />
                      {w.colour}
                      <span className="text-soft">
                        , {job.cables.find((c) => c.id === cable)?.label.toLowerCase() ?? 'jumper'}
                      </span>
                    </td>
                    <td className="py-1 pr-2">{w.a ? refWords(inst, w.a) : 'not landed'}</td>
                    <td className="py-1">
                      {w.b ? refWords(inst, w.b) : 'not landed'}
                      {w.doubt ? ' (not checked)' : ''}
                    </td>
                  </tr>
                )),
            )}
          </tbody>
        </table>
      </Part>

      <Part title="Settings as left">
        <SettingsLeft />
      </Part>

      <Part title="Test run">
        <TestRun />
      </Part>

      <Part title="Readings">
        {job.readings.length ? (
          <ReadingList readings={job.readings} editable={false} />
        ) : (
          <p>No readings were taken.</p>
        )}
        <ReadingsFile />
      </Part>
      <History />
      <p className="mt-6 text-sm text-soft">
        The makers’ instructions, local code and the authority having jurisdiction win over anything in this
        report. The proof covers the wiring and settings recorded here, not what was not recorded.
      </p>
    </article>
  )
}

/** How each card of the test run ended; what was not tried is said as well. */
function TestRun() {
  const { job, inst, circuit } = useJobScreen()
  const { cards } = job.startup
  const today = dayF(job.startup)
  const plan = useMemo(() => testPlan(circuit, today), [circuit, today])
  if (!Object.keys(cards).length) return <p>No card of the test run was ended.</p>
  return (
    <ul className="text-[15px]">
      {plan.map((card) => {
        const mark = cards[card.id]
        return (
          <li key={card.id} className="border-t border-line py-1" data-run={card.id}>
            <span className="inline-block w-40 font-bold">
              {mark ? CARD_STATE_WORDS[mark.state] : 'Not tried'}
            </span>
            {cardTitle(inst, card)}
            {mark && (
              <span className="text-soft">
                {mark.note ? `: ${mark.note}` : ''}. {mark.who || 'nobody named'},{' '}
                {format(new Date(mark.when), 'd MMM yyyy HH:mm')}
              </span>
            )}
          </li>
        )
      })}
    </ul>
  )
}

/** What was keyed in by whom, what contradicts, and what must still be put back. */
function SettingsLeft() {
  const { job, inst } = useJobScreen()
  const conflicts = useConflicts()
  const keyed = Object.entries(job.setup.keyed).flatMap(([at, k]) =>
    k.left ? [{ at, k, left: k.left }] : [],
  )
  const open = job.setup.temporary.filter((t) => !t.back)
  const text = (at: string, value: Unknowable<Value>) => valueAtText(inst, at, value)
  return (
    <>
      {open.map((t) => (
        <p key={t.id} className="font-bold text-harm">
          {temporaryWords(inst, t).open}
        </p>
      ))}
      {conflicts.map((c) => (
        <p key={`${c.code}${c.at}`} className="text-harm">
          {findingWords(inst, c)}.
        </p>
      ))}
      {keyed.length === 0 ? (
        <p>Nothing was keyed in on this visit.</p>
      ) : (
        <ul className="text-[15px]">
          {keyed.map(({ at, k, left }) => (
            <li key={at} className="border-t border-line py-1">
              {refWords(inst, at)}: {k.found ? `${text(at, k.found.value)} found, ` : ''}
              <span className="font-bold">{text(at, left.value)}</span> left by {left.who || 'nobody named'}
              {k.readBack ? `, read back as ${text(at, k.readBack.value)}` : ''}
            </li>
          ))}
        </ul>
      )}
    </>
  )
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="mt-6">
      <h2 className="mb-1 border-b-2 border-ink text-lg font-bold">{title}</h2>
      {children}
    </section>
  )
}
