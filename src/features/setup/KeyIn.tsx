'use client'

import { isLanded } from '@/core/query'
import { Checkbox } from 'radix-ui'
import { useEffect, useRef, useState } from 'react'
import { placedByRef, makeRef, type Installation, type Placed } from '@/core/installation'
import { sure } from '@/core/sure'
import { allowedOf, keyInSheet, ledPattern, type SheetLine } from '@/core/setup'
import type { Unknowable, Value } from '@/core/equipment'
import { onDevice } from '@/jobfile'
import { Button, Caution, cx, Field, TypedInput, Disclosure } from '@/ui'
import { INTENT_WORDS, lineWords, settingText } from '@/words'
import { useJobScreen } from '../session'
import { useSetValue, useStamp } from './hooks'
import { Rehearse } from './Rehearse'
import { AddTemporary } from './Temporary'
import { ValueField } from './ValueField'

const tickId = (placed: Placed, line: SheetLine): string =>
  `${placed.ref}:${line.id}:${line.kind === 'set' ? line.toCode : ''}`

/** The key-in sheet of each device: in its own order, ticked with one thumb, resumed where it was left. */
export function KeyIn() {
  const { inst, job } = useJobScreen()
  const devices = inst.placed.filter((p) => p.device.profile)
  const [ref, setRef] = useState(devices[0]?.ref ?? '')
  const placed = placedByRef(inst, ref)
  if (!devices.length) return <p>Nothing in this job is set by keys, switches or pins.</p>
  return (
    <div data-testid="key-in">
      <div role="group" aria-label="Device" className="flex flex-wrap gap-2">
        {devices.map((p) => {
          const lines = keyInSheet(p, onDevice(job, p))?.lines ?? []
          const open = lines.filter((l) => !job.setup.ticks[tickId(p, l)]).length
          return (
            <Button
              key={p.ref}
              aria-pressed={p.ref === ref}
              className={cx(p.ref === ref && '!border-2 !border-ink font-bold')}
              onClick={() => setRef(p.ref)}
            >
              {p.label}
              <span className="text-sm font-normal text-soft">{open ? `${open} open` : 'done'}</span>
            </Button>
          )
        })}
      </div>
      {placed && <DeviceSheet key={ref} placed={placed} />}
      <AddTemporary />
    </div>
  )
}

function DeviceSheet({ placed }: { placed: Placed }) {
  const { job, edit } = useJobScreen()
  const [all, setAll] = useState(false)
  const found = onDevice(job, placed)
  const sheet = sure(keyInSheet(placed, found, all), 'the key-in profile')
  const ticked = (l: SheetLine) => Boolean(job.setup.ticks[tickId(placed, l)])
  const done = sheet.lines.filter(ticked).length
  const next = sheet.lines.find((l) => !ticked(l))
  const site = job.commissioning.plates[placed.ref]
  const model = site?.model ?? ''
  const fresh = site?.newFromBox ?? false
  const misfit =
    model.trim() !== '' &&
    !sheet.fits.some((f) => f === 'any' || f.toLowerCase() === model.trim().toLowerCase())
  return (
    <section aria-label={`Key-in sheet, ${placed.label}`} className="mt-3">
      <h2 className="text-lg font-bold" data-testid="sheet-answer">
        {sheet.lines.length === 0
          ? 'Nothing to key in: it stands as wanted.'
          : done === sheet.lines.length
            ? `All ${sheet.changes} keyed in.`
            : `${sheet.changes} to key in, ${done} of ${sheet.lines.length} lines ticked.`}
      </h2>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2 text-[15px]">
        <span className="text-soft">Fits {sheet.fits.join(', ')}.</span>
        <Field label="Model on the plate" className="w-36" error={misfit ? 'not one of these' : null}>
          {(ids) => (
            <TypedInput
              {...ids}
              value={model}
              maxLength={40}
              onValue={(t) =>
                edit({ kind: 'setPlate', ref: placed.ref, field: 'model', value: t.trim() || null })
              }
            />
          )}
        </Field>
        <Button
          aria-pressed={fresh}
          onClick={() =>
            edit({ kind: 'setPlate', ref: placed.ref, field: 'newFromBox', value: fresh ? null : true })
          }
        >
          {fresh ? '✓ New from its box' : 'It is new from its box'}
        </Button>
        <Button aria-pressed={all} onClick={() => setAll(!all)}>
          {all ? 'Only what must change' : 'Show everything'}
        </Button>
      </div>
      {misfit && (
        <p role="alert" className="mt-2 border-l-4 border-watch bg-watch-soft px-3 py-1">
          This sheet was written for {sheet.fits.join(', ')}: codes and defaults of “{model}” may differ.
          Follow its own instructions.
        </p>
      )}
      {sheet.profile.noUndo && (
        <p className="mt-2 border-l-4 border-watch bg-watch-soft px-3 py-1">
          What is stored here cannot be taken back: write down what it shows before each line.
        </p>
      )}
      {sheet.cannot.map((c) => (
        <p key={c.setting} className="mt-2 border-l-4 border-harm bg-harm-soft px-3 py-1">
          {nameOf(placed, c.setting)}: no code for {valueText(placed, c.setting, c.value)} on this device.
        </p>
      ))}
      <ol className="mt-3">
        {sheet.lines.map((l) => (
          <Line
            key={l.id}
            line={l}
            placed={placed}
            ticked={ticked(l)}
            current={l === next}
            lines={sheet.lines}
          />
        ))}
      </ol>
      {sheet.profile.shifts?.map((s) => (
        <p key={s.text} className="mt-2 border-l-4 border-slate bg-slate-soft px-3 py-1 text-[15px]">
          By itself: {s.text} ({nameOf(placed, s.setting)})
        </p>
      ))}
      {sheet.profile.tests?.map((t) => (
        <p key={t} className="mt-2 text-[15px] text-soft">
          Its own test menu: {t} Or run it as the owner would, which proves the whole chain.
        </p>
      ))}
      {(sheet.profile.powerOff || sheet.profile.unitOff) && (
        <div className="mt-3">
          <Caution>
            {sheet.profile.powerOff
              ? 'Switches and pins are moved with every supply off, locked and metered dead; the maker’s diagram on the door decides.'
              : 'Unit off at the controller first; the maker’s instructions decide.'}
          </Caution>
        </div>
      )}
      <Rehearse placed={placed} found={found} />
    </section>
  )
}

const settingOf = (placed: Placed, id: string) => placed.device.settings.find((s) => s.id === id)
const nameOf = (placed: Placed, id: string): string => {
  const setting = settingOf(placed, id)
  return setting?.intent ? INTENT_WORDS[setting.intent].name : (setting?.label ?? id)
}
const valueText = (placed: Placed, id: string, value: Unknowable<Value>): string => {
  const setting = settingOf(placed, id)
  return setting ? settingText(setting, value) : String(value)
}

function Line({
  line,
  placed,
  ticked,
  current,
  lines,
}: {
  line: SheetLine
  placed: Placed
  ticked: boolean
  current: boolean
  lines: SheetLine[]
}) {
  const { job, inst, edit } = useJobScreen()
  const stamp = useStamp()
  const setValue = useSetValue()
  const row = useRef<HTMLLIElement>(null)
  const first = useRef(current && lines.indexOf(line) > 0)
  useEffect(() => {
    // Interrupted work resumes at its line.
    if (first.current) row.current?.scrollIntoView({ block: 'center' })
  }, [])
  const set = line.kind === 'set' ? line : null
  const item = set?.item
  const name = item ? nameOf(placed, item.setting) : ''
  const words = lineWords(line, name)
  const style = placed.device.profile?.style
  const keyed = item ? job.setup.keyed[makeRef(placed.ref, item.setting)] : undefined
  const blocked = line.noteFirst && !keyed?.found
  const setting = item && settingOf(placed, item.setting)
  const note = (what: 'found' | 'left' | 'readBack', value: Unknowable<Value>) =>
    set &&
    edit({ kind: 'noteKeyed', ref: placed.ref, setting: set.item.setting, what, note: { value, ...stamp() } })
  const tick = () => {
    const on = !ticked
    edit({ kind: 'tickLine', line: tickId(placed, line), by: on ? stamp() : null })
    if (!set) return
    const { item } = set
    // One intent may be spread over several lines: it is left as wanted when the last of them is ticked.
    const others = lines.filter((l) => l.item?.setting === item.setting && l !== line)
    const whole = on && others.every((l) => job.setup.ticks[tickId(placed, l)])
    if (whole) note('left', set.to)
    else if (!on && keyed?.left)
      edit({ kind: 'noteKeyed', ref: placed.ref, setting: item.setting, what: 'left', note: null })
  }
  return (
    <li
      ref={row}
      data-line={line.id}
      data-ticked={ticked}
      className={cx('border-t border-line py-1.5', current && 'bg-raised')}
    >
      <div className="flex items-center gap-3">
        <Checkbox.Root
          checked={ticked}
          aria-label={item ? `${name} keyed in` : words.title}
          disabled={blocked}
          onCheckedChange={tick}
          className={cx(
            'flex size-12 shrink-0 items-center justify-center rounded border-2 text-2xl font-bold disabled:border-dashed disabled:opacity-50',
            ticked ? 'border-well bg-well-soft text-well' : 'border-ink bg-raised',
          )}
        >
          <Checkbox.Indicator>✓</Checkbox.Indicator>
        </Checkbox.Root>
        <div className="min-w-0 flex-1">
          <p className={cx('leading-tight', ticked && 'text-soft')}>
            <span className="font-bold">{words.title}</span>
            {set && (
              <>
                :{' '}
                <span className="text-soft">
                  {set.from === null ? 'not looked at' : valueText(placed, set.item.setting, set.from)}
                </span>{' '}
                → <span className="font-bold">{valueText(placed, set.item.setting, set.to)}</span>
              </>
            )}
          </p>
          {set && (
            <p className="text-[15px]">
              <span className="font-mono font-bold">
                {set.item.address ? `${set.item.address} ` : ''}
                {set.item.code}
              </span>{' '}
              {set.item.label} <span className="font-mono font-bold">→ {set.toCode}</span>
              {style === 'leds' && <Lights text={ledPattern(set.item, set.toCode)} />}
              {style === 'switches' && <SwitchDrawing code={set.item.code} to={set.toCode} />}
            </p>
          )}
          <p className="text-sm break-words text-soft">{words.keys}</p>
          {line.kind === 'enter' && style === 'guided' && (
            <p className="text-sm">
              By this landing it must name{' '}
              <span className="font-mono font-bold">{landedLabels(inst, placed)}</span>
            </p>
          )}
          {set?.item.readBack && ticked && (
            <Button
              className="mt-1"
              aria-pressed={Boolean(keyed?.readBack)}
              onClick={() => note('readBack', set.to)}
            >
              {keyed?.readBack ? '✓ Read back' : 'It reads back'}{' '}
              {valueText(placed, set.item.setting, set.to)}
            </Button>
          )}
          {keyed?.left && ticked && (
            <p className="text-sm text-soft">
              Left so by {keyed.left.who || 'nobody named'},{' '}
              {new Date(keyed.left.when).toLocaleString('en-US')}
            </p>
          )}
        </div>
      </div>
      {set && item && setting && (blocked || !ticked) && (
        <Disclosure
          className="ml-15 text-[15px]"
          defaultOpen={blocked}
          summary={
            keyed?.found
              ? `Found: ${valueText(placed, item.setting, keyed.found.value)}`
              : blocked
                ? 'Write down what it shows first'
                : 'Record what it showed'
          }
          summaryClass="min-h-8 py-1 text-soft"
        >
          <div className="max-w-60">
            <ValueField
              label={`${name}: as found`}
              allowed={allowedOf(placed.device, setting)}
              value={keyed?.found?.value}
              none="choose what it shows"
              onValue={(v) => v !== null && note('found', v)}
            />
            {keyed?.found && keyed.found.value !== set.to && (
              <Button
                className="mt-1"
                onClick={() =>
                  setValue(
                    [{ at: makeRef(placed.ref, item.setting), value: keyed.found?.value ?? null }],
                    'found',
                  )
                }
              >
                Leave it as found
              </Button>
            )}
          </div>
        </Disclosure>
      )}
    </li>
  )
}

/** The terminals of a device that something is landed on: what a device that looks for its wires must find. */
const landedLabels = (inst: Installation, placed: Placed): string =>
  placed.device.terminals
    .filter((t) => t.side === 'low' && isLanded(inst, makeRef(placed.ref, t.id)))
    .map((t) => t.label)
    .join(' ')

/** Lights as they look on the board. */
function Lights({ text }: { text: string }) {
  return (
    <span
      role="img"
      aria-label={`Lights ${text.replace(/●/g, 'on ').replace(/○/g, 'off ')}`}
      className="ml-2 inline-flex gap-1 align-middle"
    >
      {[...text].map((c, i) =>
        c === ' ' ? (
          <span key={i} className="w-2" />
        ) : (
          <span
            key={i}
            className={cx(
              'inline-block size-3.5 rounded-full border border-ink',
              c === '●' ? 'bg-ember' : 'bg-panel',
            )}
          />
        ),
      )}
    </span>
  )
}

/** A DIP switch with its slider up for 1, or pins with the cap on the named pair. */
function SwitchDrawing({ code, to }: { code: string; to: string }) {
  const dip = to === '0' || to === '1'
  return (
    <svg
      width={dip ? 26 : 60}
      height="26"
      role="img"
      aria-label={dip ? `${code} ${to === '1' ? 'on' : 'off'}` : `${code} cap on ${to}`}
      className="ml-2 inline-block align-middle"
    >
      {dip ? (
        <>
          <rect x="6" y="1" width="14" height="24" rx="2" fill="var(--ink)" />
          <rect x="8" y={to === '1' ? 3 : 14} width="10" height="9" rx="1" fill="var(--bench)" />
        </>
      ) : (
        <>
          <rect x="2" y="7" width="56" height="13" rx="3" fill="none" stroke="var(--ink)" strokeWidth="2" />
          <text x="30" y="18" textAnchor="middle" fontSize="12" fontWeight="bold" fill="var(--ink)">
            {to}
          </text>
        </>
      )}
    </svg>
  )
}
