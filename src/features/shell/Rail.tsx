'use client'

import { ArrowLeft, CloudOff, Moon, Redo2, Sun, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { useMemo, type ComponentType } from 'react'
import { Button, cx, TypedInput, useTheme } from '@/ui'
import { useJobScreen, useJobView, useNow, useProof, useFetchedIdle, type PlaceMark } from '../session'
import { placeNamed, PLACES } from './places'

const RAIL = 'no-print border-line bg-panel lg:sticky lg:top-0 lg:flex lg:h-dvh lg:flex-col lg:border-r'
const RAIL_HEAD = 'flex items-center gap-2 px-3 py-2 lg:block lg:px-4 lg:pt-4'

/** The job's walk: its places in the order of the trade, each with how it stands, and whether all is saved. */
export function Rail() {
  const { job, place, go, who, setWho } = useJobScreen()
  return (
    <header className={RAIL}>
      <div className={RAIL_HEAD}>
        <Heading title={job.title} owner={job.site.owner} />
        <div className="flex lg:mt-3 lg:-ml-2">
          <UndoButtons />
          <ThemeButton />
        </div>
      </div>
      <Places jobId={job.id} place={place} go={go} Mark={Mark} />
      <div className="hidden flex-1 lg:block" />
      <div className="hidden px-4 pb-2 lg:block">
        <label className="block text-sm text-soft">
          Who is working
          <TypedInput className="mt-1 !px-2" value={who} maxLength={80} onValue={setWho} />
        </label>
      </div>
      <SaveState />
    </header>
  )
}

/** The rail before the job is there: which job, and its places as plain links. */
export function FirstRail({
  jobId,
  place,
  title,
  owner,
}: {
  jobId: string
  place: string
  title: string
  owner: string
}) {
  return (
    <header className={RAIL}>
      <div className={RAIL_HEAD}>
        <Heading title={title} owner={owner} />
      </div>
      <Places jobId={jobId} place={place} />
    </header>
  )
}

function Heading({ title, owner }: { title: string; owner: string }) {
  return (
    <>
      <Link
        href="/"
        prefetch={false}
        className="inline-flex size-12 shrink-0 items-center justify-center rounded lg:mb-3 lg:size-auto lg:justify-start lg:gap-1.5 lg:text-sm lg:text-soft"
        aria-label="All jobs"
      >
        <ArrowLeft aria-hidden className="size-5 lg:size-4" />
        <span className="hidden lg:inline">All jobs</span>
      </Link>
      <div className="min-w-0 flex-1">
        <h1 className="truncate text-base leading-tight font-bold lg:text-[17px] lg:whitespace-normal">
          {title}
        </h1>
        <p className="truncate text-sm text-soft lg:mt-0.5 lg:whitespace-normal">{owner}</p>
      </div>
    </>
  )
}

function Places({
  jobId,
  place,
  go,
  Mark,
}: {
  jobId: string
  place: string
  go?: (place: string) => void
  Mark?: ComponentType<{ id: string }>
}) {
  return (
    <nav aria-label="Places of the job" className="lg:mt-2">
      <ul className="grid grid-cols-5 lg:block">
        {PLACES.map(({ id, title }) => (
          <li key={id}>
            <a
              href={`/job/${jobId}/${id}`}
              onClick={(e) => {
                if (!go) return
                e.preventDefault()
                go(id)
              }}
              aria-current={id === place ? 'page' : undefined}
              className={cx(
                'flex min-h-12 flex-col items-center justify-center border-b-4 px-1 text-[15px] leading-tight lg:items-start lg:border-b-0 lg:border-l-4 lg:px-4 lg:py-2',
                id === place ? 'border-live bg-raised font-bold' : 'border-transparent hover:bg-raised',
              )}
            >
              {title}
              {Mark ? <Mark id={id} /> : <MarkLine mark={undefined} />}
            </a>
          </li>
        ))}
      </ul>
    </nav>
  )
}

function UndoButtons() {
  const { undo, redo } = useJobScreen()
  const view = useJobView()
  return (
    <>
      <Button look="quiet" className="!px-3" onClick={undo} disabled={!view.canUndo} aria-label="Undo">
        <Undo2 aria-hidden className="size-5" />
      </Button>
      <Button look="quiet" className="!px-3" onClick={redo} disabled={!view.canRedo} aria-label="Redo">
        <Redo2 aria-hidden className="size-5" />
      </Button>
    </>
  )
}

/** How a place stands; nothing until what works it out is here. Each by itself: a finger waits for one of them at most. */
function Mark({ id }: { id: string }) {
  const { analysis } = useJobScreen()
  const proof = useProof()
  const work = useFetchedIdle(placeNamed(id).mark)
  const mark = useMemo(() => work?.({ analysis, proof }), [work, analysis, proof])
  return <MarkLine mark={mark} />
}

function MarkLine({ mark }: { mark: PlaceMark | undefined }) {
  return (
    <span
      className={cx(
        '-mx-1 max-w-[calc(100%+0.5rem)] truncate text-xs font-normal lg:mx-0',
        mark?.needs ? 'text-harm' : 'text-soft',
      )}
    >
      {/* Its line is kept: nothing moves when it comes. */}
      {mark?.text ?? '\u00a0'}
    </span>
  )
}

/**
 * Whether everything has reached the server; said in words, never only by a colour, and at once: it must never say
 * "Saved" of what is not.
 */
function SaveState() {
  const saving = useNow((s) => s.view.saving)
  // How many wait while the server is away: an edit that is on its way changes the words alone.
  const waiting = useNow((s) => (s.view.saving === 'offline' ? s.view.waiting : null))
  const isKeeping = useNow((s) => s.view.isKeeping)
  return (
    <p
      data-saving={saving}
      role="status"
      className={cx(
        'group px-4 py-1 text-sm lg:block lg:min-h-10 lg:pb-3',
        waiting === null ? 'hidden text-soft' : 'block bg-watch-soft text-ink',
      )}
    >
      {waiting === null ? (
        // Both are laid out once and one is seen: an edit and its save move nothing.
        <span className="grid *:invisible *:[grid-area:1/1]">
          <span className="group-data-[saving=saved]:visible">Saved</span>
          <span className="group-data-[saving=saving]:visible">Saving …</span>
        </span>
      ) : (
        <span className="flex items-center gap-1.5">
          <CloudOff aria-hidden className="size-4 shrink-0" />
          {waiting} not on the server yet
          {waiting > 0 && (isKeeping ? '; on this device, and tried again' : '; on this page alone')}
        </span>
      )}
    </p>
  )
}

function ThemeButton() {
  const [theme, setTheme] = useTheme()
  const next = theme === 'dark' ? 'light' : 'dark'
  return (
    <Button
      look="quiet"
      className="!px-3"
      onClick={() => setTheme(next)}
      aria-label={`Switch to the ${next} theme`}
    >
      {theme === 'dark' ? <Sun aria-hidden className="size-5" /> : <Moon aria-hidden className="size-5" />}
    </Button>
  )
}
