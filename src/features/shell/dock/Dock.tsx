'use client'

import { ToggleGroup } from 'radix-ui'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import type { Call } from '@/core/equipment'
import { callsOf, breakpointsOf, changedSituation, type Situation } from '@/core/situation'
import { degF } from '@/core/units'
import { Button, cx, useWide } from '@/ui'
import { CALL_SHORT, CALL_WORDS, degrees, figure } from '@/words'
import { later, useJobScreen, useSituationNow, setSituation } from '../../session'
import { ClockButton } from '../../time'
import { answerLines } from './answer'
import { modesSummary } from './modesSummary'

/** The situation for the whole app: call, outdoor temperature and what the boards are doing. */
export function Dock() {
  useDockKeys()
  return useWide() ? <WideDock /> : <SlimDock />
}

function WideDock() {
  return (
    <section
      aria-label="Situation"
      className="no-print sticky top-0 z-20 flex h-[72px] items-center gap-4 border-b border-line bg-panel px-5"
    >
      <CallPicker />
      <Thermometer />
      <div className="min-w-0 flex-1">
        <ProofStrip />
      </div>
      <ModesButton />
      <ClockButton className="!px-2.5" />
    </section>
  )
}

/** Not in the way of the verdict, which it stands above; a phone has it in a sheet. */
const ProofStrip = later(async () => (await import('./ProofStrip')).ProofStrip)
const ModesPopover = later(async () => (await import('./ModesPopover')).ModesPopover)
const ModesControl = later(async () => (await import('./ModesControl')).ModesControl)

function ModesButton() {
  const { inst } = useJobScreen()
  const situation = useSituationNow()
  const [open, setOpen] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  return (
    <>
      <Button
        ref={button}
        aria-haspopup="dialog"
        aria-expanded={open}
        className={cx(
          'max-w-44 text-left',
          (Object.keys(situation.modes).length > 0 || situation.after) && '!border-2 !border-copper',
        )}
        onClick={() => setOpen(!open)}
      >
        {modesSummary(inst, situation)}
      </Button>
      <ModesPopover anchor={button} open={open} onOpenChange={setOpen} />
    </>
  )
}

type Sheet = 'call' | 'outdoor' | 'modes'

/** At the bottom of a phone: the answer in two lines, and three controls that open a sheet over it. */
function SlimDock() {
  const j = useJobScreen()
  const [open, setOpen] = useState<Sheet | null>(null)
  const [first, second] = answerLines(j)
  const control = (sheet: Sheet, label: string, text: string) => (
    <button
      type="button"
      aria-expanded={open === sheet}
      aria-label={`${label}: ${text}`}
      onClick={() => setOpen(open === sheet ? null : sheet)}
      className={cx(
        'min-h-12 min-w-0 flex-1 truncate rounded border px-2 text-[15px]',
        open === sheet ? 'border-ink bg-ink text-bench' : 'border-edge bg-raised',
      )}
    >
      {text}
    </button>
  )
  return (
    <section
      aria-label="Situation"
      className="no-print fixed inset-x-0 bottom-0 z-20 border-t border-edge bg-panel pb-[env(safe-area-inset-bottom)]"
      onKeyDown={(e) => e.key === 'Escape' && setOpen(null)}
    >
      {open && (
        <div className="max-h-[45dvh] overflow-y-auto border-b border-line p-3">
          {open === 'call' && <CallPicker onPick={() => setOpen(null)} />}
          {open === 'outdoor' && (
            <>
              <ProofStrip />
              <Thermometer />
              <GateButtons />
            </>
          )}
          {open === 'modes' && <ModesControl />}
        </div>
      )}
      <div className="flex items-center gap-2 pr-3">
        <p
          className="h-[52px] min-w-0 flex-1 overflow-hidden px-3 pt-1.5 text-[15px] leading-5"
          aria-live="polite"
        >
          <span className="block truncate font-bold">{first}</span>
          <span className="block truncate text-soft">{second}</span>
        </p>
        <ClockButton className="my-0.5 shrink-0 !px-2.5" />
      </div>
      <div className="grid grid-cols-[1.4fr_0.9fr_1.1fr] gap-2 px-3 pb-2">
        {control('call', 'Call', CALL_WORDS[j.situation.call])}
        {control('outdoor', 'Outdoors', degrees(j.situation.outdoorF))}
        {control('modes', 'Boards', modesSummary(j.inst, j.situation))}
      </div>
    </section>
  )
}

function CallPicker({ onPick }: { onPick?: () => void }) {
  const { inst } = useJobScreen()
  const situation = useSituationNow()
  const calls = callsOf(inst)
  const many = calls.length > 6
  return (
    <ToggleGroup.Root
      type="single"
      aria-label="Call"
      value={situation.call}
      onValueChange={(call) => {
        if (call) setSituation(changedSituation(situation, { call: call as Call }))
        onPick?.()
      }}
      className={cx('grid grid-cols-2 gap-2 lg:gap-1', many ? 'lg:grid-cols-5' : 'lg:grid-cols-3')}
    >
      {calls.map((c, i) => (
        <ToggleGroup.Item
          key={c}
          value={c}
          aria-label={CALL_WORDS[c]}
          className="min-h-12 rounded border border-edge bg-raised px-2 text-left text-[15px] leading-tight whitespace-nowrap data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-bench lg:min-h-[27px] lg:text-sm"
        >
          <span aria-hidden className="mr-1.5 hidden font-mono text-xs opacity-70 lg:inline">
            {i + 1}
          </span>
          {many ? (
            <>
              <span className="lg:hidden">{CALL_WORDS[c]}</span>
              <span className="hidden lg:inline">{CALL_SHORT[c]}</span>
            </>
          ) : (
            CALL_WORDS[c]
          )}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

const at = (s: Situation, t: number): Situation =>
  changedSituation(s, { outdoorF: degF(Math.min(115, Math.max(-20, t))) })

function Thermometer() {
  const situation = useSituationNow()
  const step = (by: number, sign: string) => (
    <Button
      className="!min-h-12 !px-3 text-lg lg:!min-h-8 lg:!px-2"
      aria-label={by < 0 ? 'One degree colder' : 'One degree warmer'}
      onClick={() => setSituation(at(situation, situation.outdoorF + by))}
    >
      {sign}
    </Button>
  )
  return (
    <div className="flex items-center justify-center gap-2 py-2 lg:gap-1 lg:py-0">
      {step(-1, '−')}
      <output
        className="w-20 text-center text-2xl font-bold text-slate tabular-nums lg:w-[68px] lg:text-xl"
        data-testid="outdoor"
      >
        {figure(situation.outdoorF)}
        <span className="text-base">°F</span>
      </output>
      {step(1, '+')}
    </div>
  )
}

/** On a phone: straight to either side of each gate. */
function GateButtons(): ReactNode {
  const { inst } = useJobScreen()
  const situation = useSituationNow()
  return (
    <ul className="grid grid-cols-2 gap-2">
      {breakpointsOf(inst).flatMap((c) => [
        <li key={`${c}-`}>
          <Button className="w-full" onClick={() => setSituation(at(situation, c - 1))}>
            Just below {c}°
          </Button>
        </li>,
        <li key={c}>
          <Button className="w-full" onClick={() => setSituation(at(situation, c))}>
            At {c}°
          </Button>
        </li>,
      ])}
    </ul>
  )
}

/** Digits choose the call, arrows one degree, brackets the next gate. */
function useDockKeys() {
  const { inst } = useJobScreen()
  const situation = useSituationNow()
  useEffect(() => {
    const calls = callsOf(inst)
    const onKey = (e: KeyboardEvent) => {
      const on = e.target instanceof HTMLElement ? e.target : null
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return
      if (on?.closest('input, textarea, select, [role=slider], [role=radiogroup], [role=group]')) return
      const digit = calls[Number(e.key) - 1]
      const gates = breakpointsOf(inst)
      const t = situation.outdoorF
      let next: Situation | null = null
      if (digit) next = changedSituation(situation, { call: digit })
      else if (e.key === 'ArrowLeft') next = at(situation, t - 1)
      else if (e.key === 'ArrowRight') next = at(situation, t + 1)
      else if (e.key === '[') next = at(situation, [...gates].reverse().find((g) => g < t) ?? -20)
      else if (e.key === ']') next = at(situation, gates.find((g) => g > t) ?? 115)
      if (!next) return
      e.preventDefault()
      setSituation(next)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [inst, situation])
}
