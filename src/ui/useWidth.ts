'use client'

import { useEffect, useRef, useState, type RefObject } from 'react'

/** The width of an element, px, as it is and as it becomes; 0 until it is there. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number] {
  const ref = useRef<E>(null)
  const [width, setWidth] = useState(0)
  useEffect(() => {
    const element = ref.current
    if (!element) return
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.floor(entry.contentRect.width)))
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  return [ref, width]
}
