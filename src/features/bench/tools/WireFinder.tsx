'use client'

import { asOhms } from '@/core/units'
import { nth } from '@/core/assert'
import {
  cableFeet,
  farGroups,
  identify,
  METAL,
  MOST_CONDUCTORS,
  nearGroups,
  type Misread,
} from '@/core/wireIdentification'
import { makeRef, type Cable, type Installation, type Ref, type Wire, type Name } from '@/core/installation'
import type { Operation } from '@/jobfile'
import { Button, Caution, SelectField, cx, Field, Select, TypedInput, useLocalStorage } from '@/ui'
import { figure, refWords } from '@/words'
import { useJobScreen, type JobScreenValue } from '../../session'

/** Everything typed so far; kept on this device, so that a call or a dead screen loses nothing. */
interface Work {
  cable: string
  at: 'a' | 'b'
  left: string[]
  far: Record<string, number>
  landed: Record<string, string>
  near: Record<string, number>
  step: 'twist' | 'far' | 'back' | 'known'
}
const FRESH: Work = { cable: '', at: 'a', left: [], far: {}, landed: {}, near: {}, step: 'twist' }
const LETTERS = [...'ABCDEFGHJKLM']

/** Which conductor is which in an unmarked cable: two trips, an ohmmeter and some twists. */
export function WireFinder() {
  const { inst, job, edit } = useJobScreen()
  const [work, setWork] = useLocalStorage<Work>(`gate-cross-finder-${job.id}`, FRESH)
  const cables = inst.cables.filter((c) => c.kind === 'low')
  const cable = cables.find((c) => c.id === work.cable)
  const set = (change: Partial<Work>) => setWork({ ...work, ...change })
  return (
    <section aria-label="Wire finder" data-testid="wire-finder" className="max-w-2xl">
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField
          label="Cable"
          value={work.cable}
          none="choose"
          options={cables.map((c) => [c.id, c.label])}
          onValue={(id) => setWork({ ...FRESH, cable: id })}
        />
        {cable && (
          <SelectField
            label="I am at the"
            value={work.at}
            options={[
              ['a', refWords(inst, makeRef(cable.from, ''))],
              ['b', refWords(inst, makeRef(cable.to, ''))],
            ]}
            onValue={(at) => setWork({ ...FRESH, cable: work.cable, at })}
          />
        )}
      </div>
      {cable && <Steps key={cable.id} inst={inst} cable={cable} work={work} set={set} edit={edit} />}
      {cable && <Length cable={cable} edit={edit} />}
      <div className="mt-3">
        <Caution>
          Every supply off, locked and metered dead at both ends, and the conductors off their terminals,
          before anything is twisted or ohmed.
        </Caution>
      </div>
    </section>
  )
}

function Steps({
  inst,
  cable,
  work,
  set,
  edit,
}: {
  inst: Installation
  cable: Cable
  work: Work
  set: (change: Partial<Work>) => void
  edit: JobScreenValue['edit']
}) {
  const wires = inst.wires.filter((w) => w.cable === cable.id)
  const own = wires.filter((w) => !work.left.includes(w.id)).slice(0, MOST_CONDUCTORS)
  const letters = LETTERS.slice(0, own.length)
  const here = refWords(inst, makeRef(work.at === 'a' ? cable.from : cable.to, ''))
  const there = refWords(inst, makeRef(work.at === 'a' ? cable.to : cable.from, ''))
  const twists = nearGroups(own.map((w) => w.id))
  const landingWords = (at: Name | undefined) => (at ? refWords(inst, at) : 'landing not noted')
  const colour = (id: string) => wires.find((w) => w.id === id)?.colour ?? id
  const sizes = letters.map((far) => ({ far, size: work.far[far] ?? 0 }))
  const farDone = sizes.every((s) => s.size > 0)
  const back = farDone ? farGroups(sizes) : null
  const nearSizes = own.map((w) => ({ near: w.id, size: work.near[w.id] ?? 0 }))
  const nearDone = nearSizes.every((s) => s.size > 0)
  const found = back?.ok && nearDone ? identify(nearSizes, sizes) : null
  return (
    <ol className="mt-4 space-y-5">
      <li>
        <h3 className="font-bold">1. At the {here.toLowerCase()}: twist</h3>
        <p className="text-sm text-soft">
          First ohm each conductor to cabinet metal. One that reads through is grounded somewhere: leave it
          out.
        </p>
        <ul className="my-2 flex flex-wrap gap-2">
          {wires.map((w) => (
            <li key={w.id}>
              <Button
                aria-pressed={!work.left.includes(w.id)}
                look={work.left.includes(w.id) ? 'quiet' : 'plain'}
                className={cx(work.left.includes(w.id) && 'line-through opacity-70')}
                onClick={() =>
                  set({
                    left: work.left.includes(w.id)
                      ? work.left.filter((x) => x !== w.id)
                      : [...work.left, w.id],
                    far: {},
                    near: {},
                  })
                }
              >
                {w.colour}
              </Button>
            </li>
          ))}
        </ul>
        <Twists groups={twists} name={(x) => (x === METAL ? METAL : colour(x))} />
      </li>
      <li>
        <h3 className="font-bold">2. Walk to the {there.toLowerCase()}: ohm each end</h3>
        <p className="text-sm text-soft">
          Call its bare ends A, B, C … For each, how many read through together, itself
          {twists?.flat().includes(METAL) ? ' and cabinet metal' : ''} counted?
        </p>
        <ul className="mt-2 space-y-1">
          {letters.map((letter) => (
            <li key={letter} className="flex flex-wrap items-center gap-2">
              <Sizes
                name={letter}
                value={work.far[letter]}
                onValue={(size) => set({ far: { ...work.far, [letter]: size }, near: {} })}
              />
              <Select
                aria-label={`Where ${letter} was landed`}
                className="!w-auto min-w-40 flex-1"
                value={work.landed[letter] ?? ''}
                onChange={(e) => set({ landed: { ...work.landed, [letter]: e.target.value } })}
              >
                <option value="">was bare, or not noted</option>
                {terminalsAt(inst, work.at === 'a' ? cable.to : cable.from).map((r) => (
                  <option key={r} value={r}>
                    it was on {refWords(inst, r)}
                  </option>
                ))}
              </Select>
            </li>
          ))}
        </ul>
        {back && !back.ok && <Wrong what={back} end="ends" />}
      </li>
      {back?.ok && (
        <li>
          <h3 className="font-bold">3. Still at the {there.toLowerCase()}: twist anew</h3>
          <Twists groups={back.groups} name={(x) => x} />
        </li>
      )}
      {back?.ok && (
        <li>
          <h3 className="font-bold">
            4. Walk back to the {here.toLowerCase()}: undo the twists there, ohm each
          </h3>
          <ul className="mt-2 space-y-1">
            {own.map((w) => (
              <li key={w.id}>
                <Sizes
                  name={w.colour}
                  value={work.near[w.id]}
                  onValue={(size) => set({ near: { ...work.near, [w.id]: size } })}
                />
              </li>
            ))}
          </ul>
          {found && !found.ok && <Wrong what={found} end="conductors" />}
        </li>
      )}
      {found?.ok && (
        <li data-testid="wire-found">
          <h3 className="text-lg font-bold">All {found.pairs.length} are known</h3>
          <ul className="mt-1">
            {found.pairs.map((p) => (
              <li key={p.near} className="flex justify-between gap-3 border-t border-line py-1">
                <span>
                  {colour(p.near)} is {p.far}
                </span>
                <span className="text-soft">{landingWords(work.landed[p.far])}</span>
              </li>
            ))}
          </ul>
          <Button
            look="strong"
            className="mt-2"
            onClick={() => {
              edit(found.pairs.flatMap((p) => landingOf(wires, p, work)))
              set({ step: 'known' })
            }}
          >
            {work.step === 'known' ? 'Recorded' : 'Record where each is landed'}
          </Button>
          <Button
            look="quiet"
            className="mt-2"
            onClick={() => set({ ...FRESH, cable: cable.id, at: work.at })}
          >
            Begin anew
          </Button>
        </li>
      )}
    </ol>
  )
}

/** Only what was noted is recorded; and only where it differs. */
function landingOf(wires: Wire[], pair: { near: string; far: string }, work: Work): Operation[] {
  const terminal = work.landed[pair.far]
  const end = work.at === 'a' ? 'b' : 'a'
  const wire = wires.find((w) => w.id === pair.near)
  if (!terminal || !wire || wire[end] === terminal) return []
  return [{ kind: 'landWire', wire: wire.id, end, terminal }]
}

const terminalsAt = (inst: Installation, placed: string): Ref[] => {
  const where = inst.placed.find((p) => p.ref === placed)?.where
  return inst.placed
    .filter((p) => p.ref === placed || (where !== undefined && p.where === where))
    .flatMap((p) =>
      p.device.terminals
        .filter((t) => t.side === 'low' && t.role !== 'harness')
        .map((t) => makeRef(p.ref, t.id)),
    )
}

function Twists({ groups, name }: { groups: string[][] | null; name: (x: string) => string }) {
  if (!groups) return <p className="text-harm">One to {MOST_CONDUCTORS} conductors at a time.</p>
  return (
    <ul className="mt-1 flex flex-wrap gap-2">
      {groups.map((g) => (
        <li
          key={g.join()}
          className={cx(
            'rounded px-2 py-1',
            g.length > 1 ? 'border-2 border-copper font-bold' : 'border border-dashed border-line text-soft',
          )}
        >
          {g.length === 1 ? `${name(nth(g, 0))} alone` : g.map(name).join(' + ')}
        </li>
      ))}
    </ul>
  )
}

function Sizes({
  name,
  value,
  onValue,
}: {
  name: string
  value: number | undefined
  onValue: (size: number) => void
}) {
  return (
    <div role="group" aria-label={`${name} reads through`} className="flex items-center gap-1">
      <span className="w-20 truncate font-mono font-bold">{name}</span>
      {[1, 2, 3, 4].map((n) => (
        <Button
          key={n}
          look={value === n ? 'strong' : 'plain'}
          aria-pressed={value === n}
          aria-label={n === 1 ? 'alone' : `${n} together`}
          className="!px-0 w-12"
          onClick={() => onValue(n)}
        >
          {n === 1 ? '1' : n}
        </Button>
      ))}
    </div>
  )
}

function Wrong({ what, end }: { what: Misread; end: string }) {
  return (
    <p role="alert" className="mt-2 border-l-4 border-watch bg-watch-soft px-3 py-1">
      {what.size === 1
        ? `${what.expected} ${end} should read to nothing; ${what.read} do. `
        : `${what.expected} ${end} should read ${what.size} together; ${what.read} do. `}
      Ohm those again; if it stays so, a conductor is broken (too many alone) or shorted to another (too few):
      leave it out above.
    </p>
  )
}

/** The cable's length from the loop of two conductors that are shorted at the far end. */
function Length({ cable, edit }: { cable: Cable; edit: JobScreenValue['edit'] }) {
  const { job } = useJobScreen()
  const [ohms, setOhms] = useLocalStorage(`gate-cross-loop-${job.id}-${cable.id}`, '')
  const feet = Number(ohms) > 0 ? Math.round(cableFeet(asOhms(Number(ohms)), cable.gauge)) : null
  return (
    <div className="mt-4 flex flex-wrap items-end gap-3">
      <Field
        label={`Loop ohms of two ${cable.gauge} AWG conductors shorted at the far end`}
        note="Leads touched together first, and that taken off."
      >
        {(ids) => <TypedInput {...ids} inputMode="decimal" value={ohms} onValue={setOhms} />}
      </Field>
      {feet !== null && feet <= 5000 && (
        <Button onClick={() => edit({ kind: 'setCableFeet', cable: cable.id, feet })}>
          {figure(feet)} ft: record it (now {figure(cable.feet)} ft)
        </Button>
      )}
    </div>
  )
}
