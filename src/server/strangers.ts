import { problem, type Problem } from '@/jobfile'

/** Names by which this machine calls itself: nobody else's page can be at one of them. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']

/** The names that the server answers by; `GATE_CROSS_HOSTS` adds a shop's own, with commas. */
const hosts = (): string[] => [
  ...LOOPBACK,
  ...(process.env.GATE_CROSS_HOSTS ?? '')
    .split(',')
    .flatMap((h) => (h.trim() ? [h.trim().toLowerCase()] : [])),
]

const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/, '')
const READS = ['GET', 'HEAD', 'OPTIONS']

/**
 * Why a request is not this app's own; null where it is. A browser lets any page send requests here: a page of another
 * origin must change nothing and have nothing worked out, and one that calls itself by another name and was led here must
 * read nothing either. What
 * is sent without a browser (the command line, a script) carries none of these headers and is let in.
 */
export function strangerProblem(request: Pick<Request, 'method' | 'headers'>): Problem | null {
  const { method, headers } = request
  const host = headers.get('host') ?? ''
  if (host && !hosts().includes(nameOf(host)))
    return problem('Host', `one of ${hosts().join(', ')} (GATE_CROSS_HOSTS adds to them)`, host)
  const site = headers.get('sec-fetch-site')
  const isOwn = site === null || site === 'same-origin' || site === 'none'
  // A link that a person follows is a navigation; what another page asks for by itself is work for nobody.
  if (READS.includes(method))
    return isOwn || headers.get('sec-fetch-mode') === 'navigate'
      ? null
      : problem('Sec-Fetch-Site', 'same-origin', site)
  if (!isOwn) return problem('Sec-Fetch-Site', 'same-origin', site)
  const origin = headers.get('origin')
  if (origin !== null && originHost(origin) !== host.toLowerCase())
    return problem('Origin', 'this app’s own', origin)
  return null
}

function originHost(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase()
  } catch {
    return null
  }
}

/** Why a body is refused unread: a form of another page cannot send JSON without asking first. */
export function bodyProblem({ headers }: Pick<Request, 'headers'>): Problem | null {
  const type = headers.get('content-type') ?? ''
  return /^application\/json\b/i.test(type)
    ? null
    : problem('Content-Type', 'application/json', type || 'nothing')
}
