import { randomUUID } from 'node:crypto'
import { problem, sentence, type Checked, type Problem } from '@/jobfile'
import { awayProblem, unfitProblem } from './databaseErrors'
import { log } from './log'
import { sessionOf, type Session } from './session'
import { bodyProblem, strangerProblem } from './strangers'
import { holding, readAside } from './threads/reading'
import { jsonOf, READERS, type ReadBy, type ReaderName } from './threads/readText'

/** An error answer: what was wrong and where, in the same shape everywhere. */
export const refuse = (status: number, problems: Problem[]): Response =>
  Response.json({ error: problems.map(sentence).join('; '), problems }, { status })

/** The refusal of a request that is not this app's own; null where it is. */
export function strangerRefused(request: Request): Response | null {
  const stranger = strangerProblem(request)
  return stranger && refuse(403, [stranger])
}

const notHere = (what: string, id: string): Response =>
  refuse(404, [problem('id', `a ${what} that is here`, id)])

/** A request's JSON body as it comes, or why it is refused unread. */
export function bodyOf(request: Request): ReadableStream<Uint8Array> | Response {
  const wrongType = bodyProblem(request)
  if (wrongType) return refuse(415, [wrongType])
  return request.body ?? new Blob([]).stream()
}

/** Reads a body, giving up as soon as it is larger than allowed (bytes). */
async function bytesOf(request: Request, most: number): Promise<Uint8Array<ArrayBuffer> | Response> {
  const tooLarge = () =>
    refuse(413, [problem('body', `at most ${Math.round(most / 1024)} kB`, 'a larger one')])
  if (Number(request.headers.get('content-length') ?? 0) > most) return tooLarge()
  const body = bodyOf(request)
  if (body instanceof Response) return body
  const chunks: Uint8Array[] = []
  let size = 0
  for await (const chunk of body) {
    size += chunk.byteLength
    if (size > most) return tooLarge()
    chunks.push(chunk)
  }
  // With a memory of its own, which can be handed to a thread.
  const all = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    all.set(chunk, at)
    at += chunk.byteLength
  }
  return all
}

/** A request's body, read and checked; the refusal where it is too large, no JSON, or wrong. */
async function parsed<T>(
  request: Request,
  most: number,
  parse: (bytes: Uint8Array<ArrayBuffer>) => Checked<T> | Promise<Checked<T>>,
): Promise<T | Response> {
  const bytes = await bytesOf(request, most)
  if (bytes instanceof Response) return bytes
  const read = await parse(bytes)
  return read.ok ? read.value : refuse(400, read.problems)
}

/** Bytes of a body that says little. */
const LITTLE = 4096

/** A small body of a schema; the refusal where it is too large, no JSON, or wrong. */
export const smallBody = <T>(request: Request, schema: Parameters<typeof jsonOf>[0]): Promise<T | Response> =>
  parsed(request, LITTLE, (bytes) => jsonOf<T>(schema)(new TextDecoder().decode(bytes)))

/**
 * A body that may be large, by the name of its reader; the refusal where it is too large, no JSON, or wrong.
 * @throws TooMuchAtOnce
 */
export function largeBody<N extends ReaderName>(request: Request, reader: N): Promise<ReadBy<N> | Response> {
  const { most } = READERS[reader]
  // A body that does not say how long it is counts as the longest.
  const bytes = Math.min(most, Number(request.headers.get('content-length')) || most)
  return holding(bytes, () => parsed(request, most, (read) => readAside(reader, read)))
}

/**
 * Runs a handler for a request of this app's own; a stranger's is a 403. A database that does not answer is a 503 that says
 * so, so that the browser keeps and retries; a value that it does not take is a 422 with the reason, so that the browser sets
 * it aside; what this code itself breaks down on is a 500 with the number under which the log
 * has it.
 */
export async function guarded(
  request: Request,
  handler: (session: Session) => Promise<Response>,
): Promise<Response> {
  const id = randomUUID().slice(0, 8)
  const began = performance.now()
  const answer = await answerTo(request, handler, id)
  answer.headers.set('X-Request-Id', id)
  const { method } = request
  const path = new URL(request.url).pathname
  const ms = Math.round(performance.now() - began)
  log[answer.status >= 500 ? 'error' : 'info']({ id, method, path, status: answer.status, ms }, 'answered')
  return answer
}

async function answerTo(
  request: Request,
  handler: (session: Session) => Promise<Response>,
  id: string,
): Promise<Response> {
  const refused = strangerRefused(request)
  if (refused) return refused
  try {
    return await handler(sessionOf(request))
  } catch (e) {
    const [away, unfit] = [awayProblem(e), unfitProblem(e)]
    log.error({ id, why: (e as Error).message, ...(away ? {} : { stack: (e as Error).stack }) }, 'failed')
    if (unfit) return refuse(422, [unfit])
    if (!away)
      return refuse(500, [
        problem('the server', `an answer; Gate Cross broke down on it (number ${id} in its log)`),
      ])
    const response = refuse(503, [away])
    response.headers.set('Retry-After', '2')
    return response
  }
}

/** A handler about the one thing that the address names; null from `act` says that there is none. */
export const aboutOne =
  (what: string, act: (id: string, request: Request, session: Session) => Promise<Response | null>) =>
  (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
    guarded(request, async (session) => {
      const { id } = await params
      return (await act(id, request, session)) ?? notHere(what, id)
    })
