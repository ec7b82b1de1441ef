'use client'

import { createElement, startTransition, useEffect, useState, type ComponentType } from 'react'

/**
 * Runs something when nothing else is to be done; what it gives calls it off.
 * @param afterMs how long it waits at least; `mostMs`: how long after that it is put off at most
 */
export function whenIdle(act: () => void, afterMs: number, mostMs: number): () => void {
  let idle: number | null = null
  const soon = setTimeout(() => {
    idle = requestIdleCallback(act, { timeout: mostMs })
  }, afterMs)
  return () => {
    clearTimeout(soon)
    if (idle !== null) cancelIdleCallback(idle)
  }
}

/**
 * A value that is fetched soon after the first render and does not delay it; null until it has come, and where it
 * cannot be fetched without a signal.
 * @param load always gives the same
 * @param isTime nothing is fetched before
 */
export function useFetchedIdle<T>(load: () => Promise<T>, isTime = true): T | null {
  const [fetched, setFetched] = useState<{ value: T } | null>(null)
  useEffect(() => {
    if (!isTime) return
    let left = false
    // It is drawn in pieces: nobody waits for it with a finger on the glass.
    const learn = (value: T) => left || startTransition(() => setFetched({ value }))
    const stop = whenIdle(() => void load().then(learn, () => undefined), 0, 800)
    return () => {
      left = true
      stop()
    }
  }, [load, isTime])
  return fetched?.value ?? null
}

const Nothing = () => null

/**
 * A component that is fetched soon after the first look, which does without it.
 * @param until what stands there until it is here
 */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  until: ComponentType<P> = Nothing,
): ComponentType<P> {
  return function Later(props: P) {
    return createElement(useFetchedIdle(load) ?? until, props)
  }
}
