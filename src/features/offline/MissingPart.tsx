'use client'

import { Component, type ReactNode } from 'react'

/** ms within which it is not done again: a server that lacks its own files would have the page reload for ever. */
const ONCE_MS = 60_000

const isMissing = (error: unknown): boolean => error instanceof Error && error.name === 'ChunkLoadError'

/**
 * Loads the page anew, once, where a newer release on the server has taken this page's parts away. What was typed is kept on
 * the device. Nothing is done where the server does not answer, or it was done a moment ago.
 */
async function loadAnew(): Promise<void> {
  const [loaded] = performance.getEntriesByType('navigation')
  const isAgain = (loaded as PerformanceNavigationTiming | undefined)?.type === 'reload'
  if (isAgain && performance.now() < ONCE_MS) return
  const answer = await fetch('/api/ping', { method: 'POST' }).catch(() => null)
  if (answer?.ok) window.location.reload()
}

/** Message for a part of the page that cannot be fetched: a newer release is on the server, or there is no signal. */
export class MissingPart extends Component<{ children: ReactNode }, { error: unknown }> {
  override state: { error: unknown } = { error: null }

  static getDerivedStateFromError(error: unknown) {
    return { error }
  }

  override componentDidMount() {
    // Parts that a tap asks for are fetched outside of rendering.
    window.addEventListener('unhandledrejection', onRejected)
  }

  override componentDidCatch(error: unknown) {
    if (isMissing(error)) void loadAnew()
  }

  override render() {
    const { error } = this.state
    if (error === null) return this.props.children
    if (!isMissing(error)) throw error as Error
    return (
      <p role="alert" className="my-4 bg-watch-soft p-3">
        This part of the app could not be loaded. Check the signal, then reload the page. What you typed is
        kept on this device.
      </p>
    )
  }
}

// Added again it is the same listener, so it is never there twice.
const onRejected = ({ reason }: PromiseRejectionEvent) => {
  if (isMissing(reason)) void loadAnew()
}
