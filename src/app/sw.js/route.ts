import { readFile } from 'node:fs/promises'
import { join } from 'node:path'

export const dynamic = 'force-dynamic'

/** The service worker, which the build writes beside the pages that it keeps. */
export async function GET(): Promise<Response> {
  const text = await readFile(join(process.cwd(), '.next', 'sw.js'), 'utf8').catch(() => null)
  if (text === null) return new Response('', { status: 404 })
  return new Response(text, {
    headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
  })
}
