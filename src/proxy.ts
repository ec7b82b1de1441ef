import { randomBytes } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { strangerProblem } from '@/server/strangers'
import { sentence } from '@/jobfile'

/** Hot reload evaluates scripts and writes styles into the page. */
const IS_DEV = process.env.NODE_ENV === 'development'

/**
 * Files and scripts that a page may load: its own, and inline scripts with this answer's nonce. A script that was typed
 * into a text field has none. Style attributes are allowed: conductor colors and terminal positions use them.
 */
const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${IS_DEV ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' ${IS_DEV ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    // The PDF engine brings its own machine code as data.
    "connect-src 'self' data:",
    "worker-src 'self' blob:",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "object-src 'none'",
  ].join('; ')

/** Every page goes out with a policy of its own; a request by a name that is not this server's gets none. */
export function proxy(request: NextRequest): NextResponse {
  const stranger = strangerProblem(request)
  if (stranger) return new NextResponse(sentence(stranger), { status: 403 })
  const nonce = randomBytes(16).toString('base64')
  const csp = policy(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  // The framework reads it here, and gives its own scripts the nonce.
  headers.set('Content-Security-Policy', csp)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('Content-Security-Policy', csp)
  return response
}

/** Files and data need no page's policy; data routes ask for themselves who it is. */
export const config = { matcher: ['/((?!api/|_next/|icon.svg).*)'] }
