'use client'

import { QueryClientProvider } from '@tanstack/react-query'
import { intlFormat, intlFormatDistance } from 'date-fns'
import Link from 'next/link'
import { Plus } from 'lucide-react'
import { type ComponentProps, lazy, Suspense, useDeferredValue, useEffect, useState } from 'react'
import { moveJob } from '@/client'
import {
  LIST_START,
  ORDERS,
  SHELVES,
  STATES,
  type JobListing,
  type JobOrder,
  type JobState,
  type Shelf,
} from '@/jobfile'
import { Button, cx, Field, Input, readStored, SelectField, WHO } from '@/ui'
import { count, runSentence } from '@/words'
import { MenuButton } from './MenuButton'
import { TakeIn } from './TakeIn'
import { queryClient, useJobs, type Line } from './useJobs'

/**
 * The jobs, those that need the technician first.
 * @param first the first of them as the page came
 */
export function JobList({ first }: { first: JobListing | null }) {
  const [client] = useState(queryClient)
  return (
    <QueryClientProvider client={client}>
      <Jobs first={first} />
    </QueryClientProvider>
  )
}

/** Fetched when they are asked for: who looks for a job does not wait for them. */
const LineMenu = lazy(async () => ({ default: (await import('./LineMenu')).LineMenu }))
const OnDevice = lazy(async () => ({ default: (await import('../offline')).OnDevice }))

const LINK =
  'inline-flex min-h-12 items-center gap-2 rounded border border-edge bg-raised px-4 text-[15px] lg:min-h-9 lg:px-3'

function Jobs({ first }: { first: JobListing | null }) {
  const [asked, setAsked] = useState(LIST_START)
  // A letter is shown as it is typed; the list follows.
  const { lines, found, all, needYou, waiting, away, more, isMoreComing, arrange, askAnew } = useJobs(
    useDeferredValue(asked),
    first,
  )
  const { move, moved, undo } = useMoving(askAnew)
  const [listed, setListed] = useState(false)
  return (
    <main className="mx-auto max-w-4xl px-4 pt-6 pb-12">
      <header className="flex items-baseline justify-between gap-4 border-b-2 border-ink pb-3">
        <div>
          <p className="text-sm text-soft">Hollin Ford Heating</p>
          <h1 className="text-3xl font-bold">Gate Cross</h1>
        </div>
        <p className="text-right text-[15px]">
          {lines === null
            ? away
              ? 'The server does not answer'
              : 'Looking up the jobs …'
            : waiting
              ? `${count(all)} jobs, checking ${waiting} …`
              : `${count(all)} jobs, ${count(needYou)} ${needYou === 1 ? 'needs' : 'need'} you`}
        </p>
      </header>
      <div className="mt-4 flex flex-wrap items-start gap-3">
        <Link
          prefetch={false}
          href="/new"
          className="inline-flex min-h-12 items-center gap-2 rounded border border-ink bg-ink px-4 text-[15px] text-bench lg:min-h-9"
        >
          <Plus aria-hidden className="size-4" /> New job
        </Link>
        <Link href="/library" prefetch={false} className={LINK}>
          Device library
        </Link>
        <Link href="/card" prefetch={false} className={LINK}>
          Scan a card
        </Link>
        <TakeIn onDone={() => void askAnew()} />
      </div>
      <div className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-[2fr_1fr_1fr_1.35fr]">
        <Field label="Search">
          {(ids) => (
            <Input
              {...ids}
              type="search"
              placeholder="Name, street, owner or note"
              value={asked.text}
              maxLength={200}
              onChange={(e) => setAsked({ ...asked, text: e.target.value })}
            />
          )}
        </Field>
        <SelectField
          label="Where"
          value={asked.shelf}
          options={SHELVES.map((s) => [s, SHELF_WORDS[s]])}
          onValue={(shelf) => setAsked({ ...asked, shelf })}
        />
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
      {moved && (
        <p role="status" className="mt-4 flex flex-wrap items-center gap-3 bg-panel p-3">
          {moved.failed
            ? `${moved.title} could not be moved: ${moved.failed}`
            : MOVED_WORDS[moved.to](moved.title)}
          {!moved.failed && <Button onClick={undo}>Undo</Button>}
        </p>
      )}
      {lines?.length === 0 && all > 0 && (
        <p className="mt-4 text-[15px]">No job fits. Clear the search, or show all jobs.</p>
      )}
      {lines && all === 0 && asked.shelf !== 'here' && <p className="mt-4 text-[15px]">Nothing is here.</p>}
      {away && (
        <p className="mt-4 flex flex-wrap items-center gap-3 bg-watch-soft p-3">
          The list cannot be read just now; it is asked for again every few seconds.
          <Button onClick={() => void askAnew()}>Try now</Button>
        </p>
      )}
      {away && !lines && (
        <section className="mt-4">
          <h2 className="text-lg font-bold">On this device</h2>
          <Suspense>
            <OnDevice />
          </Suspense>
        </section>
      )}
      <ul className="min-h-64">
        {lines?.map((line) => (
          <li key={line.id} className="flex items-start border-b border-line hover:bg-panel lg:-mx-4 lg:px-4">
            <JobLink line={line} />
            <div className="py-3">
              <MenuOf line={line} shelf={asked.shelf} onMove={(to) => void move(line, asked.shelf, to)} />
            </div>
          </li>
        ))}
      </ul>
      {lines && (
        <section className="mt-4 text-[15px]">
          <Button look="quiet" aria-expanded={listed} onClick={() => setListed(!listed)}>
            On this device, for days without a signal
          </Button>
          {listed && (
            <Suspense>
              <OnDevice />
            </Suspense>
          )}
        </section>
      )}
      {arrange && (
        <p
          role="status"
          className="fixed inset-x-4 bottom-4 z-10 mx-auto flex max-w-md flex-wrap items-center justify-between gap-3 border-2 border-ink bg-raised p-3 text-[15px]"
        >
          The list has changed since it was shown.
          <Button onClick={arrange}>Show it as it is now</Button>
        </p>
      )}
      {more && lines && (
        <p className="mt-4 flex items-center gap-3 text-[15px] text-soft">
          <Button onClick={more} disabled={isMoreComing}>
            Show more
          </Button>
          {count(lines.length)} of {count(found)}
        </p>
      )}
    </main>
  )
}

interface Moved {
  id: string
  title: string
  from: Shelf
  to: Shelf
  /** Why it was not. */
  failed: string | null
}
/** ms for which a move can be taken back here; it can be later, from where the job went. */
const UNDO_MS = 15_000

/** Puts jobs away, deletes them and brings them back, with a way to undo the last. */
function useMoving(askAnew: () => Promise<void>) {
  const [moved, setMoved] = useState<Moved | null>(null)
  useEffect(() => {
    if (!moved) return
    const timer = setTimeout(() => setMoved(null), UNDO_MS)
    return () => clearTimeout(timer)
  }, [moved])
  const move = async ({ id, title }: { id: string; title: string }, from: Shelf, to: Shelf) => {
    const answer = await moveJob(id, to, readStored(WHO) ?? '')
    const failed = answer.ok ? null : answer.why === 'refused' ? 'it is not there any more' : answer.message
    setMoved({ id, title, from, to, failed })
    await askAnew()
  }
  const undo = () => {
    if (moved) void move(moved, moved.to, moved.from).then(() => setMoved(null))
  }
  return { move, moved, undo }
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
const SHELF_WORDS: Record<Shelf, string> = { here: 'At work', archived: 'Put away', deleted: 'Deleted' }
const MOVED_WORDS: Record<Shelf, (title: string) => string> = {
  here: (title) => `${title} is back among the jobs at work.`,
  archived: (title) => `${title} is put away.`,
  deleted: (title) => `${title} is deleted. It can be brought back for 30 days.`,
}

/** A line's menu: its button at once, what opens when it is asked for. */
function MenuOf(props: ComponentProps<typeof LineMenu>) {
  const [wanted, setWanted] = useState(false)
  const button = <MenuButton title={props.line.title} onClick={() => setWanted(true)} />
  return wanted ? (
    <Suspense fallback={button}>
      <LineMenu {...props} />
    </Suspense>
  ) : (
    button
  )
}

/** By the browser's own words for time: the list carries none. */
const ago = (at: string): string => intlFormatDistance(at, new Date(), { locale: 'en', numeric: 'always' })
const DAY = { day: 'numeric', month: 'long', year: 'numeric' } as const

function JobLink({ line }: { line: Line }) {
  return (
    <Link href={`/job/${line.id}/bench`} prefetch={false} className="block min-w-0 flex-1 py-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-xl font-bold">{line.title}</h2>
        {/* A minute may pass between the server's look at the clock and this one's. */}
        <p className="text-sm text-soft" suppressHydrationWarning>
          {ago(line.updatedAt)}
        </p>
      </div>
      <p className="text-[15px] text-soft">
        {line.owner}. {line.note}
      </p>
      {line.deleted ? (
        <p className="mt-1 border-l-4 border-line pl-3 text-soft">
          Deleted{line.deleted.by && ` by ${line.deleted.by}`}; it goes for good on{' '}
          {intlFormat(line.deleted.goes, DAY, { locale: 'en-GB' })}.
        </p>
      ) : (
        <JobLine line={line} />
      )}
    </Link>
  )
}

/** A job's line. While its verdict loads, room for a long verdict is reserved, so that nothing moves. */
function JobLine({ line }: { line: Line }) {
  const { summary } = line
  return (
    <div className={cx(line.awaited && 'min-h-26 sm:min-h-19')}>
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
