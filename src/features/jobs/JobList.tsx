'use client'

import { formatDistanceToNow } from 'date-fns'
import { Plus } from 'lucide-react'
import Link from 'next/link'
import { useCallback, useEffect, useState } from 'react'
import { ask, linesOf } from '@/client'
import type { JobListEntry, Summary } from '@/jobfile'
import { Button, cx, Field, FileButton, Input, SelectField } from '@/ui'
import { count, runSentence } from '@/words'
import { filterJobs, needsYou, ORDERS, STATES, type JobOrder, type JobState } from './filter'

/** A job in the list. */
interface Line extends JobListEntry {
  /** It was not proven when the list came. */
  awaited?: boolean
  /** The server would not prove it. */
  givenUp?: boolean
}

const fresh = (line: Line): Summary | null => (line.summary?.version === line.version ? line.summary : null)
/** By what was last known: a line keeps its place while it is looked at. */
const rank = (line: Line): number => (!line.summary || needsYou(line.summary) ? 0 : 1)

/** The jobs, those that need the technician first. What changed since its proof is proven while the list stands. */
export function JobList() {
  const [jobs, setJobs] = useState<Line[] | null>(null)
  const [away, setAway] = useState(false)
  const load = useCallback(async () => {
    const answer = await ask<{ jobs: JobListEntry[] }>(fetch, '/api/jobs')
    if (answer.ok)
      setJobs(answer.value.jobs.map((j) => ({ ...j, awaited: !fresh(j) })).sort((a, b) => rank(a) - rank(b)))
    setAway(!answer.ok)
  }, [])
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what it sets arrives later, from the server
    void load()
  }, [load])
  useEffect(() => {
    if (!away) return
    const again = setInterval(() => void load(), 4000)
    return () => clearInterval(again)
  }, [away, load])
  const waiting = jobs?.filter((j) => !fresh(j) && !j.givenUp) ?? []
  const next = waiting[0]?.id
  useEffect(() => {
    if (next === undefined) return
    let left = false
    void ask<{ summary: Summary }>(fetch, `/api/jobs/${encodeURIComponent(next)}/summary`).then((answer) => {
      const learn = (line: Line): Line => {
        if (line.id !== next) return line
        if (!answer.ok) return { ...line, givenUp: true }
        return { ...line, summary: answer.value.summary, version: answer.value.summary.version }
      }
      if (!left) setJobs((now) => now && now.map(learn))
    })
    return () => {
      left = true
    }
  }, [next])
  const [asked, setAsked] = useState<{ text: string; state: JobState; order: JobOrder }>({
    text: '',
    state: 'all',
    order: 'urgent',
  })
  // A line that is proven while the list stands keeps its place: the order is that of when the list came.
  const shown = jobs && filterJobs(jobs, asked, asked.order === 'urgent' ? () => 0 : rank, fresh)
  const open = jobs?.filter((j) => needsYou(fresh(j))).length ?? 0
  return (
    <main className="mx-auto max-w-4xl px-4 pt-6 pb-12">
      <header className="flex items-baseline justify-between gap-4 border-b-2 border-ink pb-3">
        <div>
          <p className="text-sm text-soft">Hollin Ford Heating</p>
          <h1 className="text-3xl font-bold">Gate Cross</h1>
        </div>
        <p className="text-right text-[15px]">
          {jobs === null
            ? away
              ? 'The server does not answer'
              : 'Looking up the jobs …'
            : waiting.length
              ? `${jobs.length} jobs, checking ${waiting.length} …`
              : `${jobs.length} jobs, ${open} ${open === 1 ? 'needs' : 'need'} you`}
        </p>
      </header>
      <div className="mt-4 flex flex-wrap items-start gap-3">
        <Link
          href="/new"
          className="inline-flex min-h-12 items-center gap-2 rounded border border-ink bg-ink px-4 text-[15px] text-bench lg:min-h-9"
        >
          <Plus aria-hidden className="size-4" /> New job
        </Link>
        <Link
          href="/library"
          prefetch={false}
          className="inline-flex min-h-12 items-center gap-2 rounded border border-edge bg-raised px-4 text-[15px] lg:min-h-9 lg:px-3"
        >
          Device library
        </Link>
        <TakeIn onDone={() => void load()} />
      </div>
      <div className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-[2fr_1fr_1fr]">
        <Field label="Search" className="col-span-2 sm:col-span-1">
          {(ids) => (
            <Input
              {...ids}
              type="search"
              placeholder="Name, street, owner or note"
              value={asked.text}
              onChange={(e) => setAsked({ ...asked, text: e.target.value })}
            />
          )}
        </Field>
        <SelectField
          label="Show"
          value={asked.state}
          options={STATES.map((s) => [s, STATE_WORDS[s]])}
          onValue={(state) => setAsked({ ...asked, state })}
        />
        <SelectField
          label="Order"
          value={asked.order}
          options={ORDERS.map((o) => [o, ORDER_WORDS[o]])}
          onValue={(order) => setAsked({ ...asked, order })}
        />
      </div>
      {shown?.length === 0 && jobs && jobs.length > 0 && (
        <p className="mt-4 text-[15px]">No job fits. Clear the search, or show all jobs.</p>
      )}
      {away && (
        <p className="mt-4 flex flex-wrap items-center gap-3 bg-watch-soft p-3">
          The list cannot be read just now; it is asked for again every few seconds.
          <Button onClick={() => void load()}>Try now</Button>
        </p>
      )}
      <ul className="min-h-64">
        {shown?.map((j) => (
          <li key={j.id} className="border-b border-line">
            <Link
              href={`/job/${j.id}/bench`}
              prefetch={false}
              className="block py-4 hover:bg-panel lg:-mx-4 lg:px-4"
            >
              <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                <h2 className="text-xl font-bold">{j.title}</h2>
                <p className="text-sm text-soft">
                  {formatDistanceToNow(new Date(j.updatedAt), { addSuffix: true })}
                </p>
              </div>
              <p className="text-[15px] text-soft">
                {j.owner}. {j.note}
              </p>
              <JobLine line={j} />
            </Link>
          </li>
        ))}
      </ul>
    </main>
  )
}

const STATE_WORDS: Record<JobState, string> = {
  all: 'All jobs',
  open: 'Test run open',
  broken: 'Failing',
  needsReading: 'Needs a reading',
  toPutBack: 'To be put back',
  waiting: 'Waiting for weather',
  done: 'Done',
}
const ORDER_WORDS: Record<JobOrder, string> = {
  urgent: 'What needs you first',
  newest: 'Newest first',
  street: 'By street',
}

/** What is known of a job. While it is awaited its room is kept, on a phone for two lines: nothing moves when it comes. */
function JobLine({ line }: { line: Line }) {
  const summary = fresh(line)
  return (
    <div className={cx(line.awaited && 'min-h-20 sm:min-h-13')}>
      <p
        className={cx(
          'mt-1 border-l-4 pl-3',
          !summary
            ? 'border-line text-soft'
            : summary.broken
              ? 'border-harm font-bold text-harm'
              : 'border-well',
        )}
      >
        {summary
          ? summary.verdict
          : line.givenUp
            ? 'Not proven since its last change; its bench proves it.'
            : 'Checking what changed …'}
      </p>
      {summary && (
        <p className="mt-1 pl-4 text-sm text-soft">
          {summary.broken ? `${count(summary.states)} states looked at. ` : ''}
          {summary.readings
            ? `${summary.readings} ${summary.readings === 1 ? 'reading' : 'readings'}`
            : 'No readings yet'}
          {summary.wrongReadings ? `, ${summary.wrongReadings} wrong` : ''}
          {summary.toPutBack ? `. ${summary.toPutBack} to be put back` : ''}
          {summary.run ? `. ${runSentence(summary.run)}` : ''}
        </p>
      )}
    </div>
  )
}

/** Takes a job file in. What is wrong with it is said place by place, and nothing is kept of it. */
function TakeIn({ onDone }: { onDone: () => void }) {
  const [said, setSaid] = useState<{ ok: boolean; lines: string[]; again?: File } | null>(null)
  const send = async (file: File, copy: boolean) => {
    const answer = await ask<{ id: string }>(fetch, `/api/jobs${copy ? '?copy=1' : ''}`, {
      method: 'POST',
      body: await file.text(),
    })
    if (answer.ok) {
      setSaid({ ok: true, lines: [`${file.name} is imported.`] })
      onDone()
    } else
      setSaid({
        ok: false,
        lines: linesOf(answer, 'not sent').map((line) => `${file.name}, ${line}`),
        ...(answer.why === 'refused' && answer.status === 409 ? { again: file } : {}),
      })
  }
  return (
    <section aria-label="Take a job in">
      <FileButton label="Import a job file" name="Job file" onFile={(file) => void send(file, false)} />
      {said && (
        <div
          role="status"
          className={cx(
            'mt-3 border-l-4 p-3',
            said.ok ? 'border-well bg-well-soft' : 'border-harm bg-harm-soft',
          )}
        >
          {!said.ok && <p className="font-bold">Nothing was imported.</p>}
          <ul>
            {said.lines.slice(0, 8).map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
          {said.lines.length > 8 && <p>and {said.lines.length - 8} more places.</p>}
          {said.again && (
            <Button className="mt-2" onClick={() => said.again && void send(said.again, true)}>
              Import it as a copy
            </Button>
          )}
        </div>
      )}
    </section>
  )
}
