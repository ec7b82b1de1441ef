'use client'

import { memo, useRef, type KeyboardEvent, type PointerEvent } from 'react'
import type { CrossingGate } from '@/core/crossing'
import { cx } from '@/ui'
import { degrees, GATE_SHORT } from '@/words'
import { within, type Scale } from './scale'
import { useDragged, type GateMoves } from './useCrossing'

/** px: the height of a gate's own line, and half of its knob. */
export const GATE = 44
const KNOB = 13

/** A gate: a line through the picture and a knob on a line of its own. Dragged, or moved with the arrow keys. */
export const GateHandle = memo(function GateHandle({
  gate,
  moves,
  x,
  y,
  lineTop,
  width,
}: {
  gate: CrossingGate
  moves: GateMoves
  x: Scale
  y: number
  lineTop: number
  width: number
}) {
  const dragged = useDragged(moves.drags, gate.at)
  const dragging = dragged !== null
  const valueF = dragged?.valueF ?? gate.valueF ?? 0
  const onMove = (next: number) => moves.drag(gate, next)
  const isHeld = useRef(false)
  const { low, high, step } = gate.range
  const can = gate.wouldAct
  const to = (t: number) => Math.min(high, Math.max(low, step * Math.round(t / step)))
  const at = x.to(within(valueF))
  const move = (e: PointerEvent<SVGGElement>) => {
    const box = e.currentTarget.ownerSVGElement?.getBoundingClientRect()
    if (!isHeld.current || !box) return
    const next = to(x.from(e.clientX - box.left))
    if (next !== valueF) onMove(next)
  }
  const keys = (e: KeyboardEvent<SVGGElement>) => {
    const by: Record<string, number> = {
      ArrowLeft: -step,
      ArrowDown: -step,
      ArrowRight: step,
      ArrowUp: step,
      PageDown: -5,
      PageUp: 5,
    }
    const move = by[e.key]
    if (move === undefined || !can) return
    e.preventDefault()
    e.stopPropagation()
    onMove(to(valueF + move))
  }
  const isLeft = at > width / 2
  return (
    <g
      role="slider"
      tabIndex={can ? 0 : -1}
      aria-label={GATE_SHORT[gate.intent]}
      aria-valuemin={low}
      aria-valuemax={high}
      aria-valuenow={valueF}
      aria-valuetext={degrees(valueF)}
      aria-disabled={!can}
      data-gate={gate.intent}
      className={cx('touch-none outline-offset-4', can ? 'cursor-ew-resize' : 'cursor-default')}
      onKeyDown={keys}
      onPointerDown={(e) => {
        if (!can) return
        isHeld.current = true
        e.currentTarget.setPointerCapture(e.pointerId)
      }}
      onPointerMove={move}
      onPointerUp={() => {
        // Let go, the device that realises it is set; the keys leave that to the button, since each press is a step.
        if (isHeld.current && dragging) moves.set(gate, valueF)
        isHeld.current = false
      }}
      onPointerCancel={() => (isHeld.current = false)}
    >
      <line
        x1={x.to(within(low))}
        x2={x.to(within(high))}
        y1={y}
        y2={y}
        className="stroke-edge"
        strokeWidth={2}
      />
      <line
        x1={at}
        x2={at}
        y1={lineTop}
        y2={y}
        className={gate.acts ? 'stroke-ink' : 'stroke-edge'}
        strokeWidth={dragging ? 3 : 1.75}
        strokeDasharray={gate.acts ? undefined : '3 4'}
      />
      {/* A finger needs more than the knob shows. */}
      <rect x={at - 24} y={y - GATE / 2} width={48} height={GATE} fill="transparent" />
      <rect
        x={at - KNOB}
        y={y - KNOB}
        width={2 * KNOB}
        height={2 * KNOB}
        rx={3}
        transform={`rotate(45 ${at} ${y})`}
        className={cx('stroke-ink', gate.acts || dragging ? 'fill-ink' : 'fill-bench')}
        strokeWidth={2}
      />
      <text
        x={isLeft ? at - 24 : at + 24}
        y={y - 7}
        textAnchor={isLeft ? 'end' : 'start'}
        className="fill-ink text-[14px]"
      >
        {GATE_SHORT[gate.intent]} {degrees(valueF)}
      </text>
      {dragging && (
        <text
          x={Math.min(width - 70, Math.max(70, at))}
          y={lineTop + 44}
          textAnchor="middle"
          className="pointer-events-none fill-ink stroke-bench text-[40px] font-bold"
          strokeWidth={6}
          paintOrder="stroke"
        >
          {degrees(valueF)}
        </text>
      )}
    </g>
  )
})
