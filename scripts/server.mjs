import { randomUUID } from 'node:crypto'
import { createServer } from 'node:http'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import next from 'next'
import pino from 'pino'

/**
 * node scripts/server.mjs PORT: serves the built app on loopback. What the framework breaks down on is refused before it gets
 * there, with the number under which the log has it.
 */

const METHODS = ['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'DELETE']
/** ms that requests which are under way have to end. */
const LAST_MS = 500

const port = Number(process.argv[2])
const log = pino({
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
  formatters: { level: (label) => ({ level: label }) },
})

/** Why the framework must not see a request; null where it may. */
function refusalOf({ method, url }) {
  if (!METHODS.includes(method))
    return { status: 405, path: 'method', expected: `one of ${METHODS.join(', ')}` }
  try {
    decodeURIComponent(url.split('?')[0])
    return null
  } catch {
    return { status: 400, path: 'address', expected: 'a % with two hexadecimal digits behind it' }
  }
}

function refuse(request, answer, { status, path, expected }) {
  const id = randomUUID().slice(0, 8)
  log.info({ id, method: request.method, status }, 'answered')
  const problems = [{ path, expected }]
  answer.writeHead(status, {
    'Content-Type': 'application/json',
    'Cache-Control': 'no-store',
    'X-Content-Type-Options': 'nosniff',
    'X-Request-Id': id,
    Connection: 'close',
    ...(status === 405 ? { Allow: METHODS.join(', ') } : {}),
  })
  answer.end(JSON.stringify({ error: `${path}: expected ${expected}`, problems }))
}

const app = next({ dir: join(fileURLToPath(import.meta.url), '../..'), hostname: '127.0.0.1', port })
await app.prepare()
const handle = app.getRequestHandler()
const server = createServer((request, answer) => {
  const refusal = refusalOf(request)
  if (refusal) refuse(request, answer, refusal)
  else void handle(request, answer)
})
server.listen(port, '127.0.0.1')

function end() {
  server.close(() => process.exit())
  server.closeIdleConnections()
  // A stream of changes ends with nobody but us.
  setTimeout(() => server.closeAllConnections(), LAST_MS)
  setTimeout(() => process.exit(), 2 * LAST_MS)
}
for (const signal of ['SIGTERM', 'SIGINT']) process.once(signal, end)
