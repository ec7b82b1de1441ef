import { BaseError } from 'sequelize'
import { problem, sentence, type Problem } from '@/jobfile'
import { bodyProblem, strangerProblem } from './strangers'

/** An error answer: what was wrong and where, in the same shape everywhere. */
export const refuse = (status: number, problems: Problem[]): Response =>
  Response.json({ error: problems.map(sentence).join('; '), problems }, { status })

const notHere = (what: string, id: string): Response =>
  refuse(404, [problem('id', `a ${what} that is here`, id)])

/** Reads a request's JSON body as text, giving up as soon as it is larger than allowed (bytes). */
export async function readBody(request: Request, most: number): Promise<string | Response> {
  const wrongType = bodyProblem(request)
  if (wrongType) return refuse(415, [wrongType])
  const tooLarge = () =>
    refuse(413, [problem('body', `at most ${Math.round(most / 1024)} kB`, 'a larger one')])
  if (Number(request.headers.get('content-length') ?? 0) > most) return tooLarge()
  const reader = request.body?.getReader()
  if (!reader) return ''
  const chunks: Uint8Array[] = []
  let size = 0
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    size += value.byteLength
    if (size > most) {
      await reader.cancel()
      return tooLarge()
    }
    chunks.push(value)
  }
  return Buffer.concat(chunks).toString('utf8')
}

/**
 * Runs a handler for a request of this app's own; a stranger's is a 403. A database that does not answer is a 503 that says
 * so, so that the browser keeps and retries.
 */
export async function guarded(request: Request, handler: () => Promise<Response>): Promise<Response> {
  const stranger = strangerProblem(request)
  if (stranger) return refuse(403, [stranger])
  try {
    return await handler()
  } catch (e) {
    if (e instanceof BaseError || (e as { code?: string }).code === 'ECONNREFUSED') {
      console.error(`database: ${(e as Error).message}`)
      return refuse(503, [problem('database', 'an answer; it is not reachable just now')])
    }
    throw e
  }
}

/** A handler about the one thing that the address names; null from `act` says that there is none. */
export const aboutOne =
  (what: string, act: (id: string, request: Request) => Promise<Response | null>) =>
  (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
    guarded(request, async () => {
      const { id } = await params
      return (await act(id, request)) ?? notHere(what, id)
    })
