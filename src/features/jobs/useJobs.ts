'use client'

import { QueryClient, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { ask, openLive } from '@/client'
import {
  LIST_PART,
  LIST_START,
  type JobListEntry,
  type JobListing,
  type ListAsked,
  type Summary,
} from '@/jobfile'

/** A job in the list. */
export interface Line extends JobListEntry {
  /** It was not proven when the list came. */
  awaited: boolean
  /** The server would not prove it. */
  givenUp: boolean
}

/** ms between tries while the server does not answer; and that a flood of changes is gathered for. */
const [AGAIN_MS, GATHER_MS] = [4000, 300]

const made = () => new QueryClient({ defaultOptions: { queries: { retry: false, networkMode: 'always' } } })
let ours: QueryClient | null = null
/**
 * Cache of the server's answers in this page. A page that is rendered on the server gets a new one, shared with no
 * other.
 */
export const queryClient = (): QueryClient => (typeof window === 'undefined' ? made() : (ours ??= made()))
const KEY = 'jobs'
const askAgain = () => queryClient().invalidateQueries({ queryKey: [KEY] })

async function page(asked: ListAsked, from: number): Promise<JobListing> {
  const query = new URLSearchParams({ ...asked, from: String(from), most: String(LIST_PART) })
  const answer = await ask<JobListing>(fetch, `/api/jobs?${query}`)
  if (!answer.ok) throw new Error(answer.why === 'refused' ? 'refused' : answer.message)
  return answer.value
}

/** Verdict of a job at one of its revisions; `null`: the server failed to prove it. */
type Proven = ReadonlyMap<string, { version: number; summary: Summary | null }>

/**
 * The list as it is asked for, following what changes. Each line that is not proven is, one after the other, while it stands.
 * @param first what the page came with, of what is asked for at the start: it is shown at once, and asked for again
 */
export function useJobs(asked: ListAsked, first: JobListing | null) {
  const [proven, setProven] = useState<Proven>(new Map())
  // A new filter or search starts again at the first part.
  const [shown, setShown] = useState({ asked, pages: 1 })
  const [order, setOrder] = useState<Order | null>(null)
  const pages = shown.asked === asked ? shown.pages : 1
  const query = useQuery({
    queryKey: [KEY, asked, pages],
    queryFn: () => Promise.all(Array.from({ length: pages }, (_, i) => page(asked, i * LIST_PART))),
    placeholderData: (before) => before,
    ...(first && asked === LIST_START && pages === 1
      ? { initialData: [first], initialDataUpdatedAt: 0 }
      : {}),
    refetchInterval: ({ state }) => (state.error ? AGAIN_MS : false),
  })
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null
    const stop = openLive().listen((heard) => {
      if (heard.kind !== 'changed') return
      timer ??= setTimeout(() => {
        timer = null
        void askAgain()
      }, GATHER_MS)
    })
    return () => {
      stop()
      if (timer) clearTimeout(timer)
    }
  }, [])
  const listed = once(query.data?.flatMap((p) => p.jobs))
  // Changes by others move no line under a finger: the new order waits until it is asked for. A cached list is shown
  // while a fresh one loads, which then sets the order.
  const ours = order?.asked === asked && order.pages === pages ? order : null
  if (listed && !query.isPlaceholderData && !ours?.isFetched && (!ours || !query.isFetching))
    setOrder({ asked, pages, ids: listed.map((job) => job.id), isFetched: !query.isFetching })
  const { standing, isOther } = inOrder(listed, ours?.ids ?? null)
  const lines = standing?.map((job) => lineOf(job, proven))
  const waiting = lines?.filter((l) => !l.summary && !l.givenUp && !l.deleted) ?? []
  const next = waiting[0]
  const [id, version] = [next?.id, next?.version]
  useEffect(() => {
    if (id === undefined || version === undefined) return
    let left = false
    void ask<{ summary: Summary }>(fetch, `/api/jobs/${encodeURIComponent(id)}/summary`).then((answer) => {
      const summary = answer.ok ? answer.value.summary : null
      if (!left) setProven((now) => new Map(now).set(id, { version: summary?.version ?? version, summary }))
    })
    return () => {
      left = true
    }
  }, [id, version])
  const part = query.data?.[0]
  const found = part?.found ?? 0
  return {
    lines: lines ?? null,
    found,
    all: part?.all ?? 0,
    needYou: part?.needYou ?? 0,
    waiting: waiting.length,
    away: query.isError,
    more: lines && lines.length < found ? () => setShown({ asked, pages: pages + 1 }) : null,
    isMoreComing: query.isPlaceholderData,
    /** Arranges the lines as they are now asked for; `null`: they are. */
    arrange: isOther && ours?.isFetched ? () => setOrder(null) : null,
    /** Asks again, and takes what comes as it comes: after what the person did here. */
    askAnew: async () => {
      await askAgain()
      setOrder(null)
    },
  }
}

/** The lines in the order in which they were first shown. */
interface Order {
  asked: ListAsked
  pages: number
  ids: readonly string[]
  /** `false`: these are from an earlier look. */
  isFetched: boolean
}

/** The jobs in the order that stands, and whether another one, or another order, has come since. */
function inOrder<T extends { id: string }>(jobs: readonly T[] | undefined, order: readonly string[] | null) {
  if (!jobs || !order) return { standing: jobs, isOther: false }
  const ordered = order.flatMap((id) => jobs.find((job) => job.id === id) ?? [])
  return { standing: ordered, isOther: jobs.some((job, i) => ordered[i]?.id !== job.id) }
}

function lineOf(job: JobListEntry, proven: Proven): Line {
  const known = proven.get(job.id)
  // A proof of an earlier revision says nothing; one of a later one is newer than the line.
  const isNewer = known !== undefined && known.version >= job.version
  return {
    ...job,
    summary: job.summary ?? (isNewer ? known.summary : null),
    awaited: !job.summary,
    givenUp: isNewer && known.summary === null,
  }
}

/** A job that moved while its neighbours were asked for may come twice. */
const once = (jobs: JobListEntry[] | undefined) =>
  jobs?.filter((job, i) => jobs.findIndex((other) => other.id === job.id) === i)
