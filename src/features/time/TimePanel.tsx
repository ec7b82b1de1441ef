'use client'

import { Slider } from 'radix-ui'
import { ChevronLeft, ChevronRight, Pause, Play, X } from 'lucide-react'
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { chainOf } from '@/core/explain'
import type { Ref } from '@/core/installation'
import {
  variationKey,
  variationsOf,
  customSceneText,
  sampleAt,
  sceneNotes,
  SCENES,
  scenesOf,
  waitingAt,
  type Scene,
  type Tape,
  type TapeStep,
} from '@/core/simulation'
import { Button, Caution, NumberField, SelectField } from '@/ui'
import {
  chainSentence,
  degrees,
  differenceSentence,
  elapsed,
  eventSentence,
  figure,
  variationWords,
  SCENE_WORDS,
  sceneNoteSentence,
  sceneSummary,
  waitingSentence,
} from '@/words'
import { sceneInAddress, setSituation, situations, useDraft, useJobScreen } from '../session'
import { EventList } from './EventList'
import { Lanes } from './Lanes'
import { setClockOpen } from './open'
import { CustomScene } from './CustomScene'
import { BEGINS, eventsOf, rowsOf, type SceneRow } from './sceneRows'
import { SPEEDS, usePlayer, type Player } from './usePlayer'
import { useTape, type Tapes } from './useTape'
import { WinterPart } from './WinterPart'

/** The job run through time: a scene, its tape, the clock, why now and why not. */
export function TimePanel() {
  const { inst } = useJobScreen()
  const [begins] = useState(sceneInAddress)
  const offered = useMemo(() => scenesOf(inst), [inst])
  const [scene, setScene] = useState<Scene>(
    () => SCENES.find((s) => s === begins?.scene && offered.includes(s)) ?? offered[0] ?? 'raise1',
  )
  const [outdoorF, setOutdoorF] = useState<number | null>(null)
  const changes = useMemo(() => variationsOf(inst), [inst])
  const [changed, setChanged] = useState('')
  const otherwise = changes.find((c) => variationKey(c) === changed) ?? null
  const draft = useDraft<SceneRow[]>('scene')
  // Events from the address come before those that were typed here.
  const [sent, setSent] = useState(() => rowsOf(begins?.own ?? ''))
  const rows = sent.length ? sent : (draft.value ?? BEGINS)
  const isOwn = scene === 'own'
  const own = useMemo(() => (isOwn ? eventsOf(rows) : null), [isOwn, rows])
  const { tapes, failed, seen } = useTape(scene, isOwn ? undefined : (outdoorF ?? undefined), otherwise, own)
  const tape = tapes?.as ?? null
  return (
    <section
      aria-label="Clock"
      className="mb-4 border-b border-edge pb-16 lg:pb-3"
      data-testid="clock"
      data-ready={tapes !== null && tapes.seen === seen && tapes.scene === scene}
    >
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <SelectField
          label="Scene"
          className="min-w-44 flex-1 lg:max-w-72 lg:flex-none"
          value={scene}
          options={offered.map((s) => [s, SCENE_WORDS[s]])}
          onValue={setScene}
        />
        {!isOwn && (
          <div className="w-28 lg:w-36">
            <NumberField
              label="Outdoors, °F"
              value={outdoorF ?? undefined}
              placeholder="the scene’s own"
              least={-20}
              most={115}
              onValue={setOutdoorF}
            />
          </div>
        )}
        <SelectField
          label="Beside it"
          className="min-w-56 flex-1 lg:max-w-96 lg:flex-none"
          value={changed}
          options={[
            ['', 'nothing: as set'],
            ...changes.map((c): [string, string] => [variationKey(c), variationWords(inst, c)]),
          ]}
          onValue={setChanged}
        />
        <Button
          look="quiet"
          className="ml-auto"
          aria-label="Put the clock away"
          onClick={() => {
            // The last modes stay, as if set by hand; the scene is over.
            setSituation({ ...situations.get() })
            setClockOpen(false)
          }}
        >
          <X aria-hidden className="size-5" />
        </Button>
      </div>
      {isOwn && (
        <CustomScene
          rows={rows}
          onRows={(next) => {
            setSent([])
            draft.put(next)
          }}
        />
      )}
      {scene === 'forcedDefrost' && (
        <div className="mt-2 max-w-3xl">
          <Caution>
            The pins are in a live cabinet beside line voltage. Only for trained people, by the manufacturer’s
            instructions. Place or remove a jumper only with the power off and proven dead. List each jumper
            until it is out. Let the pins go when the defrost begins.
          </Caution>
        </div>
      )}
      {failed && <p className="mt-2 text-harm">The scene could not be run. Another may.</p>}
      {tape?.ended === 'chatter' && (
        <p className="mt-2 font-bold text-harm">
          At {elapsed(tape.steps[tape.steps.length - 1]?.at ?? 0)} the circuit comes to no rest: relays go on
          and off without end.
        </p>
      )}
      {tapes && (
        <Played
          key={tapes.scene}
          tapes={tapes}
          own={own ? customSceneText(own) : undefined}
          begins={begins?.scene === tapes.scene ? begins.at : 0}
        />
      )}
      <WinterPart of={seen} />
      <p className="mt-2 text-sm text-soft">
        House, frost and air go by estimates where nobody measured: this orders choices, and promises no
        minutes.
      </p>
    </section>
  )
}

/** A scene as it is played. All that moves with the clock is here: what a scene is chosen by is not drawn anew with each tick. */
function Played({ tapes, own, begins }: { tapes: Tapes; own: string | undefined; begins: number }) {
  const { targets } = useJobScreen()
  const { as: tape, other, scene } = tapes
  const player = usePlayer(tape, scene, own, begins)
  const [lane, setLane] = useState<Ref | null>(null)
  const select = useCallback((ref: Ref) => setLane((now) => (now === ref ? null : ref)), [])
  const events = useMemo(() => tape.steps.filter((s) => s.moves.length > 0), [tape])
  // The line under the finger moves at once; words follow when the frame is through.
  const at = useDeferredValue(player.at)
  const passed = events.filter((s) => s.at <= at + 1e-6).length
  useKeys(player)
  return (
    <>
      <Transport tape={tape} player={player} />
      <Lanes
        tape={tape}
        other={other}
        at={player.at}
        lanes={targets}
        selected={lane}
        onSeek={player.seek}
        onScrub={player.scrub}
        onSelect={select}
      />
      {other && (
        <p className="mt-2 font-bold" data-testid="difference">
          {differenceSentence(tape.sums, other.sums)}
        </p>
      )}
      <Summary tape={tape} scene={scene} />
      <Now tape={tape} events={events} at={at} lane={lane} passed={passed} />
      <EventList events={events} passed={passed} opens={scene === 'forcedDefrost'} onSeek={player.seek} />
    </>
  )
}

/** Summary of the scene, and expected events that did not happen. */
function Summary({ tape, scene }: { tape: Tape; scene: Scene }) {
  const { inst, circuit } = useJobScreen()
  const notes = useMemo(
    () => sceneNotes(inst, scene, tape.steps, tape.samples).map((n) => sceneNoteSentence(circuit, n)),
    [inst, circuit, scene, tape],
  )
  return (
    <div className="mt-2" data-testid="summary">
      <p>{sceneSummary(tape.sums, tape.samples).join(' ')}</p>
      {notes.map((n) => (
        <p key={n} className="font-bold text-harm">
          {n}
        </p>
      ))}
    </div>
  )
}

/** Play, pause, speed, and to the next event: on a phone under the thumb, above the dock. */
function Transport({ tape, player }: { tape: Tape; player: Player }) {
  const { at, playing, speed } = player
  return (
    <div className="no-print fixed inset-x-0 bottom-[calc(109px+env(safe-area-inset-bottom))] z-10 flex items-center gap-2 border-t border-line bg-panel px-3 py-1.5 lg:static lg:mt-3 lg:mb-2 lg:border-0 lg:bg-transparent lg:px-0">
      <Button aria-label="The event before" className="!px-2" onClick={() => player.step(-1)}>
        <ChevronLeft aria-hidden className="size-5" />
      </Button>
      <Button
        look="strong"
        className="!px-3"
        aria-label={playing ? 'Pause' : 'Play'}
        onClick={() => player.play(!playing)}
      >
        {playing ? <Pause aria-hidden className="size-5" /> : <Play aria-hidden className="size-5" />}
      </Button>
      <Button aria-label="The next event" className="!px-2" onClick={() => player.step(1)}>
        <ChevronRight aria-hidden className="size-5" />
      </Button>
      <output className="w-[74px] shrink-0 text-lg font-bold tabular-nums" data-testid="clock-time">
        {elapsed(at)}
      </output>
      <Slider.Root
        className="relative flex h-12 min-w-0 flex-1 touch-none items-center lg:h-8"
        min={0}
        max={Math.round(tape.until)}
        step={1}
        value={[Math.round(at)]}
        onValueChange={([s]) => s !== undefined && player.scrub(s)}
        onValueCommit={([s]) => s !== undefined && player.seek(s)}
      >
        <Slider.Track className="relative h-1 grow rounded bg-line">
          <Slider.Range className="absolute h-1 rounded bg-copper" />
        </Slider.Track>
        <Slider.Thumb
          className="block size-6 rounded-full border-2 border-copper bg-raised lg:size-5"
          aria-label="Time of the scene"
          aria-valuetext={elapsed(at)}
        />
      </Slider.Root>
      <label className="shrink-0 text-sm">
        <span className="sr-only">Speed</span>
        <select
          className="min-h-12 rounded border border-edge bg-raised px-1 lg:min-h-9"
          value={speed}
          onChange={(e) => player.setSpeed(Number(e.target.value) as Player['speed'])}
        >
          {SPEEDS.map((s) => (
            <option key={s} value={s}>
              {s.toLocaleString('en')}×
            </option>
          ))}
        </select>
      </label>
    </div>
  )
}

/** Last change and its reason, next change, running timers; for a selected lane, its chain. */
const Now = memo(function Now({
  tape,
  events,
  at,
  lane,
  passed,
}: {
  tape: Tape
  /** The instants of the tape at which something moves, and how many of them have been. */
  events: readonly TapeStep[]
  at: number
  lane: Ref | null
  passed: number
}) {
  const { inst, solved } = useJobScreen()
  // Between two events nothing of this changes but how much is left.
  const { last, next, waiting, since } = useMemo(() => {
    const last = events[passed - 1]
    const since = last?.at ?? 0
    return { last, next: events[passed], since, waiting: waitingAt(tape, since).slice(0, 3) }
  }, [tape, events, passed])
  const said = useMemo(
    () => ({ last: last && eventSentence(inst, last), next: next && eventSentence(inst, next) }),
    [inst, last, next],
  )
  const felt = sampleAt(tape, at)
  const chain = lane === null || !solved.ok ? undefined : chainOf(solved, lane)
  return (
    <div className="mt-2 space-y-1 text-[15px]" data-testid="now">
      {felt && (
        <p className="text-soft">
          Room {degrees(felt.roomF)}, set to {degrees(felt.targetF)}; outdoors {degrees(felt.outdoorF)}; coil{' '}
          {degrees(felt.coilF)}, frost {figure(felt.frostLb)} lb; supply air {degrees(felt.supplyF)}.
        </p>
      )}
      {last && (
        <p>
          <span className="font-bold">{elapsed(last.at)} </span>
          {said.last}
        </p>
      )}
      {waiting.map((w) => (
        <p key={w.ref} className="text-watch">
          {waitingSentence(inst, { ...w, left: w.left - (at - since) })}
        </p>
      ))}
      {chain && (
        <p className="font-bold" data-testid="why">
          {chainSentence(inst, chain)}
        </p>
      )}
      {next && (
        <p className="text-soft">
          Next, {elapsed(next.at)}: {said.next}
        </p>
      )}
    </div>
  )
})

/** Space plays and pauses; comma and full stop go from event to event. */
function useKeys(player: Player) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const on = e.target instanceof HTMLElement ? e.target : null
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return
      if (on?.closest('input, textarea, select, button, a, summary')) return
      if (e.key === ' ') player.play(!player.playing)
      else if (e.key === ',') player.step(-1)
      else if (e.key === '.') player.step(1)
      else return
      e.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [player])
}
