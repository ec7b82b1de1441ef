'use client'

import { required } from '@/core/assert'
import { useRef, type PointerEvent, type RefObject } from 'react'
import { isRef, type Ref } from '@/core/installation'
import type { LandingTools } from './useLanding'

/** px that a pointer moves before a press becomes a drag. */
const SLACK = 6

const terminalAt = (e: PointerEvent): HTMLElement | null =>
  document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>('button[data-terminal]') ?? null

/**
 * Landing by dragging from one terminal to another: the same machine as tap–tap, entered by another door. On touch a
 * drag scrolls the page, so there it stays with tapping.
 */
export function useDragLanding(
  root: RefObject<HTMLElement | null>,
  line: RefObject<SVGPathElement | null>,
  landing: LandingTools,
  off: boolean,
) {
  const grip = useRef<{ from: Ref; x: number; y: number; dragging: boolean } | null>(null)
  const stop = () => {
    grip.current = null
    line.current?.setAttribute('d', '')
  }
  return {
    onPointerDown(e: PointerEvent) {
      const from = terminalAt(e)?.dataset.terminal
      if (off || !from || !isRef(from) || e.button !== 0 || e.pointerType === 'touch') return
      grip.current = { from, x: e.clientX, y: e.clientY, dragging: false }
    },
    onPointerMove(e: PointerEvent) {
      const h = grip.current
      if (!h) return
      if (!h.dragging) {
        if (Math.hypot(e.clientX - h.x, e.clientY - h.y) < SLACK) return
        h.dragging = true
        landing.setState({ step: 'landing', from: h.from })
        ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
      }
      const box = required(root.current, 'the bench').getBoundingClientRect()
      const [x0, y0, x1, y1] = [h.x - box.x, h.y - box.y, e.clientX - box.x, e.clientY - box.y]
      line.current?.setAttribute(
        'd',
        `M${x0} ${y0}C${x0 + (x1 - x0) / 2} ${y0} ${x0 + (x1 - x0) / 2} ${y1} ${x1} ${y1}`,
      )
    },
    onPointerUp(e: PointerEvent) {
      const h = grip.current
      stop()
      if (!h?.dragging) return
      const to = terminalAt(e)?.dataset.terminal
      if (to && isRef(to) && to !== h.from) landing.chooseTerminal(to)
      else landing.setState({ step: 'none' })
    },
    onPointerCancel() {
      if (grip.current?.dragging) landing.setState({ step: 'none' })
      stop()
    },
  }
}
