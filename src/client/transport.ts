import {
  isRaw,
  problem,
  sentence,
  type Deletion,
  type Envelope,
  type Job,
  type JobProof,
  type Problem,
  type PushRequest,
  type PushResponse,
} from '@/jobfile'
import { learnClock } from './clock'

/**
 * An answer from the server, or why there is none. `offline`: the same request may be sent again later; `failed`: Gate Cross
 * itself broke down on it; `refused`: trying again will not help (413: it is too large as a whole).
 */
export type Answered<T> =
  | { ok: true; value: T }
  | { ok: false; why: 'offline' | 'failed'; message: string }
  | { ok: false; why: 'refused'; status: number; problems: Problem[] }
export type NotDone = Extract<Answered<unknown>, { ok: false }>

/**
 * Lines that say why a request was not done, one for each wrong place.
 * @param undone begins the line for a server that was not reached
 */
export const linesOf = (answer: NotDone, undone: string): string[] =>
  answer.why === 'refused' ? answer.problems.map(sentence) : [`${undone}: ${answer.message}`]

/** The same as problems of an edit that the server does not take. */
export const problemsOf = (answer: NotDone): Problem[] =>
  answer.why === 'refused'
    ? answer.problems
    : [problem('the server', `that Gate Cross takes it; ${answer.message}`)]

/** Edits of a job since a revision; `ops` is null where there are too many, or the revision is too old. */
export interface Since {
  version: number
  ops: Envelope[] | null
  deleted: Deletion | null
}

export interface Transport {
  load(jobId: string): Promise<Answered<{ version: number; job: Job; deleted: Deletion | null }>>
  push(jobId: string, request: PushRequest): Promise<Answered<PushResponse>>
  since(jobId: string, version: number): Promise<Answered<Since>>
}

/** Talks to the server over HTTP. */
export function httpTransport(base = '', fetcher: typeof fetch = fetch): Transport {
  const at = (jobId: string) => `${base}/api/jobs/${encodeURIComponent(jobId)}`
  return {
    load: (jobId) => ask(fetcher, at(jobId)),
    push: (jobId, request) =>
      ask(fetcher, `${at(jobId)}/ops`, { method: 'POST', body: JSON.stringify(request) }),
    since: (jobId, version) => ask(fetcher, `${at(jobId)}/ops?since=${version}`),
  }
}

/** The server's proof of a job's wiring; null where it gives none. */
export async function proofOf(jobId: string, fetcher: typeof fetch = fetch): Promise<JobProof | null> {
  const answered = await ask<JobProof>(fetcher, `/api/jobs/${encodeURIComponent(jobId)}/proof`)
  return answered.ok ? answered.value : null
}

/** Sends a request and sorts its answer into done, refused, failed and not reached. */
export async function ask<T>(
  fetcher: typeof fetch,
  url: string,
  init: RequestInit = {},
): Promise<Answered<T>> {
  try {
    const began = Date.now()
    const response = await fetcher(url, {
      ...init,
      ...(init.body === undefined ? {} : { headers: { 'content-type': 'application/json' } }),
      cache: 'no-store',
      signal: AbortSignal.timeout(15_000),
    })
    learnClock(response.headers.get('date'), began)
    if (response.status === 500) return { ok: false, why: 'failed', message: await referenceOf(response) }
    if (response.status > 500 || LATER.has(response.status))
      return { ok: false, why: 'offline', message: `the server answered ${response.status}` }
    const body: unknown = await response.json()
    if (response.ok) return { ok: true, value: body as T }
    // An answer in another form comes from something in between: a sign-in page, a proxy.
    if (!isRaw(body) || !Array.isArray(body.problems))
      return { ok: false, why: 'offline', message: `something on the way answered ${response.status}` }
    return { ok: false, why: 'refused', status: response.status, problems: body.problems as Problem[] }
  } catch (e) {
    return { ok: false, why: 'offline', message: (e as Error).message }
  }
}

/** Statuses by which a server, or what stands before it, asks for patience. */
const LATER: ReadonlySet<number> = new Set([408, 425, 429])

/** The server's text for its own failure, with the number to look up in the log. */
async function referenceOf(response: Response): Promise<string> {
  const body: unknown = await response.json().catch(() => null)
  return isRaw(body) && typeof body.error === 'string' ? body.error : 'Gate Cross itself failed on it'
}
