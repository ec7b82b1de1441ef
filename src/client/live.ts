import type { TabMessage } from './view'

/** A job has moved on, on the server; `id` null: some may have, unheard. */
export interface Change {
  kind: 'changed'
  id: string | null
  version: number
  /** It was archived, deleted or restored: its revision is the same. */
  moved?: boolean
}
export type Heard = Change | TabMessage

/** Messages from the server and between the tabs of this browser. */
export interface Live {
  tell: (message: TabMessage) => void
  listen: (listener: (heard: Heard) => void) => () => void
}

const NAME = 'gate-cross'
/** ms after which the stream is begun: what the page is opened for goes first, and it asks for what it missed until then. */
const BEGIN_MS = 1500
/** ms between two tries to reach a stream that the browser itself has given up. */
const AGAIN_MS = 5000

let open: Live | null = null

/**
 * The one line of this page to its sister tabs and to the server. One tab of the browser holds the stream and hands on what
 * it hears; when it is closed another takes over. Where a browser lacks the means for that each page holds its own.
 */
export function openLive(): Live {
  if (open) return open
  const listeners = new Set<(heard: Heard) => void>()
  const hear = (heard: Heard) => listeners.forEach((l) => l(heard))
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME)
  channel?.addEventListener('message', (e: MessageEvent<Heard>) => hear(e.data))
  const onChange = (heard: Change) => {
    hear(heard)
    channel?.postMessage(heard)
  }
  const begin = () => {
    if (channel && 'locks' in navigator)
      // Held for as long as the page lives.
      void navigator.locks.request(`${NAME}-stream`, () => new Promise<never>(() => stream(onChange)))
    else stream(onChange)
  }
  setTimeout(begin, BEGIN_MS)
  open = {
    tell: (message) => channel?.postMessage(message),
    listen: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
  return open
}

/** Listens to the server. What may have been missed while it was away is told as soon as it is back. */
function stream(onChange: (change: Change) => void): void {
  if (typeof EventSource === 'undefined') return
  const source = new EventSource('/api/changes')
  source.addEventListener('open', () => onChange({ kind: 'changed', id: null, version: 0 }))
  source.addEventListener('message', (e: MessageEvent<string>) => {
    const told = JSON.parse(e.data) as Omit<Change, 'kind'>
    onChange({ kind: 'changed', ...told })
  })
  source.addEventListener('error', () => {
    // The browser tries again by itself unless it was answered with an error.
    if (source.readyState !== EventSource.CLOSED) return
    source.close()
    setTimeout(() => stream(onChange), AGAIN_MS)
  })
}
