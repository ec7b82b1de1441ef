'use client'

import { Component, type ReactNode } from 'react'
import { Button } from '@/ui'

/** When this tab was last loaded anew because a part was missing, ms. */
const KEY = 'gate-cross-reloaded'
/** ms within which it is not done again: a server that lacks its own files would have the page reload for ever. */
const ONCE_MS = 60_000

const isMissing = (error: unknown): boolean => error instanceof Error && error.name === 'ChunkLoadError'

/**
 * Loads the page anew, once, where a newer release on the server has taken this page's parts away. What was typed is kept on
 * the device. `false`: the server does not answer, or it was done a moment ago.
 */
async function loadAnew(): Promise<boolean> {
  const answers = await fetch('/api/ping', { method: 'POST' }).then(
    (r) => r.ok,
    () => false,
  )
  if (!answers) return false
  try {
    if (Date.now() - Number(sessionStorage.getItem(KEY) ?? 0) < ONCE_MS) return false
    sessionStorage.setItem(KEY, String(Date.now()))
  } catch {
    // A browser that stores nothing cannot say whether it was done, so the person decides.
    return false
  }
  window.location.reload()
  return true
}

/** Where a part of the page cannot be fetched: a newer release is on the server, or there is no signal. */
export class MissingPart extends Component<{ children: ReactNode }, { error: unknown; tried: boolean }> {
  override state: { error: unknown; tried: boolean } = { error: null, tried: false }

  static getDerivedStateFromError(error: unknown) {
    return { error }
  }

  override componentDidMount() {
    // What a tap asks for is fetched outside of rendering.
    window.addEventListener('unhandledrejection', this.onRejected)
  }

  override componentWillUnmount() {
    window.removeEventListener('unhandledrejection', this.onRejected)
  }

  override componentDidCatch(error: unknown) {
    if (isMissing(error)) void loadAnew().then((isDone) => this.setState({ tried: !isDone }))
  }

  private onRejected = ({ reason }: PromiseRejectionEvent) => {
    if (isMissing(reason)) void loadAnew()
  }

  override render() {
    const { error, tried } = this.state
    if (error === null) return this.props.children
    if (!isMissing(error)) throw error as Error
    return (
      <div role="alert" className="my-4 bg-watch-soft p-3">
        <p className="font-bold">This part of the app could not be loaded.</p>
        <p>
          {tried
            ? 'Check the signal, or the server has a newer release. What you typed is kept on this device.'
            : 'Loading the page again …'}
        </p>
        {tried && (
          <Button className="mt-2" onClick={() => window.location.reload()}>
            Reload page
          </Button>
        )}
      </div>
    )
  }
}
