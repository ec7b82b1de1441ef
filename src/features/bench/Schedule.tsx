'use client'

import { nth } from '@/core/assert'
import { useState } from 'react'
import { makeRef, type Ref, type Wire, type Name } from '@/core/installation'
import { wireState, type TerminalVolts } from '@/core/startup'
import { Button, Caution, SelectField, cx, Swatch } from '@/ui'
import { refWords } from '@/words'
import { ChangedBy } from '../news'
import { later, type LiveValue, newWireId, useDraft, useJobScreen, useLook } from '../session'
import type { LandingTools } from './useLanding'
import { TerminalSheet } from './TerminalSheet'

const Walk = later(async () => (await import('./Walk')).Walk)

const STATE_WORDS = {
  live: 'live',
  dead: 'dead',
  between: 'between',
  common: 'common',
  unknown: 'not known',
} as const

const whole = (now: LiveValue) => now

/** The landing schedule: one cable at a time, a row a conductor, each end a button that moves it. */
export function Schedule({ route, landing }: { route: ReadonlySet<Name>; landing: LandingTools }) {
  const { inst, volts } = useLook(whole)
  const [walking, setWalking] = useState(false)
  const groups = [
    ...inst.cables.map((c) => ({ id: c.id, label: c.label, kind: c.kind })),
    { id: 'jumpers', label: 'Jumpers', kind: 'low' as const },
  ]
  const [group, setGroup] = useState(nth(groups, 0).id)
  const wires = inst.wires.filter((w) => (group === 'jumpers' ? w.cable === null : w.cable === group))
  const kind = groups.find((g) => g.id === group)?.kind
  if (walking) return <Walk landing={landing} onDone={() => setWalking(false)} />
  return (
    <section aria-label="Landing schedule">
      <Button className="mb-2 w-full lg:w-auto" onClick={() => setWalking(true)}>
        Walk it: one conductor at a time
      </Button>
      <SelectField
        label="Cable"
        value={group}
        options={groups.map((g) => [
          g.id,
          `${g.label} (${inst.wires.filter((w) => (g.id === 'jumpers' ? w.cable === null : w.cable === g.id)).length})`,
        ])}
        onValue={setGroup}
      />
      {kind === 'line' && (
        <div className="mt-2">
          <Caution>
            Line voltage. Open and lock every supply, and meter each one dead, before touching these.
          </Caution>
        </div>
      )}
      <ul className="mt-2" data-testid="schedule">
        {wires.map((w) => (
          <ScheduleRow
            key={w.id}
            wire={w}
            state={wireState(volts, w.a, w.b)}
            onRoute={route.has(`wires.${w.id}`)}
            landing={landing}
          />
        ))}
      </ul>
      {group === 'jumpers' && <AddJumper landing={landing} />}
    </section>
  )
}

function ScheduleRow({
  wire,
  state,
  onRoute,
  landing,
}: {
  wire: Wire
  state: TerminalVolts['state']
  onRoute: boolean
  landing: LandingTools
}) {
  const { inst } = useJobScreen()
  const moving = landing.state.step === 'moving' && landing.state.wire === wire.id ? landing.state.end : null
  const end = (side: 'a' | 'b') => {
    const ref = wire[side]
    return (
      <button
        type="button"
        aria-expanded={moving === side}
        aria-label={`${wire.colour} conductor, ${ref ? `at ${refWords(inst, ref)}` : 'not landed'}: move this end`}
        onClick={() =>
          landing.setState(moving === side ? { step: 'none' } : { step: 'moving', wire: wire.id, end: side })
        }
        className={cx(
          'min-h-12 min-w-0 flex-1 rounded px-2 text-left text-[15px] leading-tight',
          moving === side ? 'border-2 border-ink bg-raised' : 'border border-line bg-panel',
          !ref && 'border-dashed text-soft',
        )}
      >
        {ref ? refWords(inst, ref) : 'not landed'}
      </button>
    )
  }
  return (
    <li
      className={cx('border-b border-line py-1.5', onRoute && 'bg-slate-soft')}
      data-wire={wire.id}
      data-state={state}
    >
      <div className="flex items-center gap-2">
        {end('a')}
        <span className="flex w-14 shrink-0 flex-col items-center gap-0.5 text-xs">
          <Swatch
            colour={wire.colour}
            other={wire.colourB}
            className={state === 'live' ? 'ring-3 ring-live/50' : ''}
          />
          <span className={state === 'live' ? 'font-bold text-copper' : 'text-soft'}>
            {wire.doubt ? 'not checked' : STATE_WORDS[state]}
          </span>
        </span>
        {end('b')}
      </div>
      <ChangedBy path={`wires.${wire.id}`} />
      {moving && <TerminalSheet wire={wire} end={moving} landing={landing} />}
    </li>
  )
}

function AddJumper({ landing }: { landing: LandingTools }) {
  const { inst } = useJobScreen()
  const draft = useDraft<{ from: Ref | ''; to: Ref | '' }>('jumper')
  const { from, to } = draft.value ?? { from: '', to: '' }
  const terminals = inst.placed.flatMap((p) =>
    p.device.terminals.filter((t) => t.side === 'low').map((t) => makeRef(p.ref, t.id)),
  )
  const pick = (label: string, value: Ref | '', set: (v: Ref | '') => void) => (
    <SelectField
      label={label}
      className="flex-1"
      value={value}
      none="choose"
      options={terminals.map((r) => [r, refWords(inst, r)])}
      onValue={set}
    />
  )
  return (
    <div className="mt-3">
      <div className="flex gap-2">
        {pick('Jumper from', from, (ref) => draft.put({ from: ref, to }))}
        {pick('to', to, (ref) => draft.put({ from, to: ref }))}
      </div>
      <Button
        className="mt-2"
        disabled={!from || !to || from === to}
        onClick={() => {
          if (!from || !to) return
          const wire: Wire = { id: newWireId(), cable: null, colour: 'white', a: from, b: to, feet: 1 }
          landing.perform(
            { kind: 'addWire', wire },
            `Jumper from ${refWords(inst, from)} to ${refWords(inst, to)}`,
          )
          draft.clear()
        }}
      >
        Add the jumper
      </Button>
    </div>
  )
}
