import { sentence, type Job, type Problem, type PushRequest, type PushResponse } from '@/jobfile'

/** An answer from the server, or why there is none. `offline`: try again; `refused`: trying again will not help. */
export type Answered<T> =
  | { ok: true; value: T }
  | { ok: false; why: 'offline'; message: string }
  | { ok: false; why: 'refused'; status: number; problems: Problem[] }

/** What stood in the way, a line for each wrong place; `undone` begins the line of a server that was not reached. */
export const linesOf = (answer: Extract<Answered<unknown>, { ok: false }>, undone: string): string[] =>
  answer.why === 'refused' ? answer.problems.map(sentence) : [`${undone}: ${answer.message}`]

export interface Transport {
  load(jobId: string): Promise<Answered<{ version: number; job: Job }>>
  push(jobId: string, request: PushRequest): Promise<Answered<PushResponse>>
}

/** Talks to the server over HTTP. A 5xx or no answer at all is "offline": what is queued stays queued. */
export function httpTransport(base = '', fetcher: typeof fetch = fetch): Transport {
  return {
    load: (jobId) => ask(fetcher, `${base}/api/jobs/${encodeURIComponent(jobId)}`),
    push: (jobId, request) =>
      ask(fetcher, `${base}/api/jobs/${encodeURIComponent(jobId)}/ops`, {
        method: 'POST',
        body: JSON.stringify(request),
      }),
  }
}

/** One request, with its answer sorted into done, refused and not reached. */
export async function ask<T>(
  fetcher: typeof fetch,
  url: string,
  init: RequestInit = {},
): Promise<Answered<T>> {
  try {
    const response = await fetcher(url, {
      ...init,
      ...(init.body === undefined ? {} : { headers: { 'content-type': 'application/json' } }),
      cache: 'no-store',
      signal: AbortSignal.timeout(15_000),
    })
    if (response.status >= 500)
      return { ok: false, why: 'offline', message: `the server answered ${response.status}` }
    const body: unknown = await response.json()
    if (response.ok) return { ok: true, value: body as T }
    const problems = (body as { problems?: Problem[] }).problems ?? []
    return { ok: false, why: 'refused', status: response.status, problems }
  } catch (e) {
    return { ok: false, why: 'offline', message: (e as Error).message }
  }
}
