'use client'

import type { GateChain, GateState } from '@/core/explain'
import type { Installation } from '@/core/installation'
import { gateWords } from '@/words'

const STEP = 30
const MID = 14

/**
 * A chain drawn as a line from source through load to common: closed contacts, a raised blade at the open one, and a
 * dashed line from there. Shape shows the state; color repeats it.
 */
export function GateLine({ inst, chain }: { inst: Installation; chain: GateChain }) {
  const { gates, first, running } = chain
  const width = 12 + gates.length * STEP + 58
  const reached = running === 'yes' || first === null ? gates.length : first
  const spoken = gates.map((g) => `${gateWords(inst, g).name} ${SPOKEN[g.state]}`).join(', ')
  const loadX = 12 + gates.length * STEP + 6
  const on = running === 'yes'
  return (
    <svg
      viewBox={`0 0 ${width} 28`}
      className="block h-7 max-w-full"
      role="img"
      aria-label={spoken}
      preserveAspectRatio="xMinYMid meet"
    >
      <path d={`M4 ${MID - 7}V${MID + 7}`} stroke="var(--ink)" strokeWidth="3" />
      <path d={`M4 ${MID}H12`} stroke="var(--live)" strokeWidth="3" />
      {gates.map((g, i) => (
        <Gate key={g.at} x={12 + i * STEP} state={g.state} live={i < reached} isFirst={i === first} />
      ))}
      <path
        d={`M${12 + gates.length * STEP} ${MID}H${loadX + 2}`}
        stroke={on ? 'var(--live)' : 'var(--edge)'}
        strokeWidth={on ? 3 : 2}
        strokeDasharray={on ? undefined : '3 3'}
      />
      <circle
        cx={loadX + 12}
        cy={MID}
        r="9"
        fill={on ? 'var(--live)' : 'none'}
        stroke={on ? 'var(--live)' : 'var(--edge)'}
        strokeWidth="2"
        strokeDasharray={on ? undefined : '3 3'}
      />
      {on && (
        <path d={`M${loadX + 8} ${MID}l3 3.5 5 -7`} stroke="var(--raised)" strokeWidth="2" fill="none" />
      )}
      <path
        d={`M${loadX + 21} ${MID}H${loadX + 40}M${loadX + 40} ${MID - 7}V${MID + 7}`}
        stroke="var(--edge)"
        strokeWidth="2"
      />
    </svg>
  )
}

const SPOKEN: Record<GateState, string> = {
  passing: 'passes',
  blocking: 'blocks',
  unknown: 'is not known',
  notReached: 'is not reached',
}

function Gate({ x, state, live, isFirst }: { x: number; state: GateState; live: boolean; isFirst: boolean }) {
  const wire = live ? 'var(--live)' : 'var(--edge)'
  const tone =
    state === 'blocking'
      ? 'var(--ember)'
      : state === 'unknown'
        ? 'var(--watch)'
        : live
          ? 'var(--live)'
          : 'var(--edge)'
  const dash = live ? undefined : '3 3'
  return (
    <g>
      <path
        d={`M${x} ${MID}H${x + 7}M${x + 21} ${MID}H${x + STEP}`}
        stroke={wire}
        strokeWidth={live ? 3 : 2}
        strokeDasharray={dash}
      />
      {isFirst && <rect x={x + 1} y="1" width="27" height="26" rx="4" fill={tone} opacity="0.16" />}
      {state === 'passing' && (
        <path d={`M${x + 7} ${MID}H${x + 21}`} stroke={tone} strokeWidth={live ? 3 : 2} />
      )}
      {state === 'blocking' && (
        <path d={`M${x + 7} ${MID}L${x + 19} ${MID - 9}`} stroke={tone} strokeWidth="3" />
      )}
      {state === 'notReached' && (
        <path
          d={`M${x + 7} ${MID}L${x + 20} ${MID - 6}`}
          stroke={tone}
          strokeWidth="2"
          strokeDasharray="2 2"
        />
      )}
      {state === 'unknown' && (
        <text x={x + 14} y={MID + 5} textAnchor="middle" fontSize="15" fontWeight="700" fill={tone}>
          ?
        </text>
      )}
      <circle cx={x + 7} cy={MID} r="2.6" fill={tone} />
      <circle cx={x + 21} cy={MID} r="2.6" fill={tone} />
    </g>
  )
}
