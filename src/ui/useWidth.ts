'use client'

import { useLayoutEffect, useRef, useState, type RefObject } from 'react'

/** The width of an element, px, as it is and as it becomes; 0 until it is there. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number] {
  const ref = useRef<E>(null)
  const [width, setWidth] = useState(0)
  // Before the first paint: nothing below shifts when it comes.
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return

    setWidth(Math.floor(element.clientWidth))
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.floor(entry.contentRect.width)))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  return [ref, width]
}
