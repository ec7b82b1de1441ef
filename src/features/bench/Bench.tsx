'use client'

import { nth } from '@/core/assert'
import { useCallback, useMemo, useState, type ComponentProps } from 'react'
import type { Solution } from '@/core/circuit'
import { EARTH } from '@/core/equipment'
import { chainOf } from '@/core/explain'
import { sameSituation } from '@/core/situation'
import type { Name, Ref } from '@/core/installation'
import { Button, Caution, cx, useWide } from '@/ui'
import { findingWords, refWords } from '@/words'
import { ChainCard } from '../chain'
import { later, useJobScreen, useProof } from '../session'
import { BANNER, BANNER_LOOK } from './banner'
import { Diagram } from './Diagram'
import { pointsOf, tapped, type Leads } from './leads'
import { ToolButtons, ToolPanel, type Tool } from './tools/BenchTools'
import { useLanding } from './useLanding'

const NO_ROUTE: ReadonlySet<Name> = new Set()
const Schedule = later(async () => (await import('./Schedule')).Schedule)
// Fetched before anything can be chosen: a tap does not wait for it.
const ChosenTerminal = later(async () => (await import('./TerminalPanel')).ChosenTerminal)
const ToolSheet = later(async () => (await import('./tools/ToolSheet')).ToolSheet)
const DoneToast = later(async () => (await import('./DoneToast')).DoneToast)

/** The low-voltage wiring, solved for the situation, with a gate chain for each thing that can run. */
export function Bench() {
  const { inst, solved, targets, situation, volts } = useJobScreen()
  const proof = useProof()
  const [selected, setSelected] = useState<Ref | null>(null)
  const [asSchedule, setAsSchedule] = useState(false)
  const [phone, setPhone] = useState<'gates' | 'landing'>('gates')
  const [sheet, setSheet] = useState(false)
  const landing = useLanding()
  const [tool, setTool] = useState<Tool | null>(null)
  const [leads, setLeads] = useState<Leads>(() => {
    const points = pointsOf(inst)
    const ending = (tail: string, or: number) => points.find((p) => p.endsWith(tail)) ?? points[or] ?? EARTH
    return { red: ending('.W1', 0), black: ending('.C', 1), next: 'red' }
  })
  // With the meter out, a tap on the drawing puts a lead there and lands nothing.
  const probing = useMemo(
    () => (tool === 'meter' ? { leads, tap: (ref: Ref) => setLeads(tapped(leads, ref)) } : null),
    [tool, leads],
  )
  const tools = { open: tool, setOpen: setTool, leads, setLeads }
  const wide = useWide()
  const toggle = useCallback((ref: Ref) => setSelected((s) => (s === ref ? null : ref)), [])
  const route = useMemo((): ReadonlySet<Name> => {
    if (selected !== null && solved.ok) return new Set(chainOf(solved, selected).route)
    // In a finding's own situation its offending path is shown without asking.
    const shown = proof?.findings.find((f) => f.witness && sameSituation(f.witness, situation))
    return shown ? new Set(shown.path) : NO_ROUTE
  }, [solved, selected, proof, situation])
  const { state } = landing
  const chosen = state.step === 'chosen' ? state.terminal : null
  // A chosen terminal has its own panel there, and goes first.
  const beside = wide && tool !== null && chosen === null
  return (
    <div className="lg:grid lg:grid-cols-[minmax(0,1fr)_312px] lg:gap-6">
      <div className="mb-2 grid grid-cols-3 gap-2 lg:hidden" role="group" aria-label="Show">
        <Button
          look={phone === 'gates' ? 'strong' : 'plain'}
          aria-pressed={phone === 'gates'}
          onClick={() => setPhone('gates')}
        >
          Gates
        </Button>
        <Button
          look={phone === 'landing' ? 'strong' : 'plain'}
          aria-pressed={phone === 'landing'}
          onClick={() => setPhone('landing')}
        >
          Landing
        </Button>
        <Button
          look={sheet ? 'strong' : 'plain'}
          aria-pressed={sheet}
          onClick={() => {
            setSheet(!sheet)
            setPhone('landing')
          }}
        >
          Tools
        </Button>
      </div>
      <div className="min-w-0">
        <SetupLine />
        <Banner landing={landing} />
        {wide && (
          <div>
            <div className="no-print mb-2 flex items-center gap-1.5">
              <ToolButtons open={tool} setOpen={setTool} className="flex-1" />
              <Button
                look="quiet"
                className="!min-h-9 !px-1 text-[15px] whitespace-nowrap"
                onClick={() => setAsSchedule(!asSchedule)}
                aria-pressed={asSchedule}
              >
                {asSchedule ? 'Show the bench' : 'Landing schedule'}
              </Button>
            </div>
            {asSchedule ? (
              <div className="max-w-xl">
                <Schedule route={route} landing={landing} />
              </div>
            ) : (
              <Diagram route={route} landing={landing} probing={probing} />
            )}
          </div>
        )}
        {!wide && phone === 'landing' && <Schedule route={route} landing={landing} />}
        {!wide && <ToolSheet {...tools} shown={sheet} setShown={setSheet} />}
      </div>
      {/* A stacking context: what is not touched by an edit is then not walked through by its painting either. */}
      {beside && <ToolPanel {...tools} />}
      <div className={cx('isolate', beside ? 'lg:hidden' : 'lg:block', phone !== 'gates' && 'hidden')}>
        <ChosenTerminal terminal={chosen} volts={chosen ? volts.get(chosen) : undefined} landing={landing} />
        <section aria-label="Gate chains">
          {!solved.ok && (
            <p className="border-l-4 border-harm bg-harm-soft p-3">
              This does not come to rest: {solved.cycle.map((r) => refWords(inst, r)).join(', ')} keeps
              pulling in and dropping out.
            </p>
          )}
          <ul>
            {solved.ok &&
              targets.map((t) => (
                <TargetChain
                  key={t.ref}
                  target={t}
                  solved={solved}
                  selected={selected === t.ref}
                  inst={inst}
                  onSelect={toggle}
                />
              ))}
          </ul>
        </section>
        <div className="mt-4">
          <Caution>
            Land wires with every supply off. A strip kit that is off still has a live leg: 120 V to ground.
            The makers’ instructions, local code and licensed practice decide.
          </Caution>
        </div>
      </div>
    </div>
  )
}

/** A card apart from the others, so that working out its content does not delay them. */
function TargetChain({
  solved,
  ...card
}: Omit<ComponentProps<typeof ChainCard>, 'chain'> & { solved: Solution }) {
  return <ChainCard {...card} chain={chainOf(solved, card.target.ref)} />
}

/** Warns beside the wires that settings contradict them. */
function SetupLine() {
  const { go, inst, conflicts } = useJobScreen()
  if (!conflicts.length) return null
  return (
    <p className="mb-2 text-[15px]">
      <Button look="quiet" className="!px-0 text-left text-harm underline" onClick={() => go('setup')}>
        {conflicts.length === 1
          ? `${findingWords(inst, nth(conflicts, 0))}.`
          : `${conflicts.length} contradictions with the settings: see the Setup`}
      </Button>
    </p>
  )
}

/** The technician's present or last action, with a way to undo it. */
function Banner({ landing }: { landing: ReturnType<typeof useLanding> }) {
  const { inst } = useJobScreen()
  const { state } = landing
  const text =
    state.step === 'landing'
      ? `Landing from ${refWords(inst, state.from)}: choose the other end.`
      : state.step === 'moving'
        ? `Moving the ${refWords(inst, `wires.${state.wire}`)}: choose where its end goes.`
        : null
  return (
    <>
      {text && (
        <div role="status" className={cx(BANNER, BANNER_LOOK)}>
          <span>{text}</span>
          <Button className="!min-h-9" onClick={() => landing.setState({ step: 'none' })}>
            Stop
          </Button>
        </div>
      )}
      <DoneToast landing={landing} hidden={text !== null} />
    </>
  )
}
