'use client'

import { useState } from 'react'
import { placedByRef, type Placed } from '@/core/installation'
import { required } from '@/core/assert'
import { keyInSheet, type SheetLine } from '@/core/setup'
import { profilesOf } from '@/core/equipment'
import { onDevice } from '@/jobfile'
import { Button, Caution, cx, Field, SelectField, TypedInput, useLocalStorage } from '@/ui'
import { useJobScreen } from '../session'
import { Rehearse } from './Rehearse'
import { AddTemporary } from './AddTemporary'

import { KeyInLine } from './KeyInLine'
import { nameOf, tickId, valueText } from './keyInNames'

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
  const ways = profilesOf(placed.device)
  const [way, setWay] = useLocalStorage(`gate-cross-way-${placed.device.id}`, '0')
  const profile = ways[Number(way)] ?? ways[0]
  const sheet = required(keyInSheet(placed, found, all, profile), 'the key-in profile')
  const ticked = (l: SheetLine) => Boolean(job.setup.ticks[tickId(placed, l)])
  const toTick = sheet.lines.filter((l) => l.kind !== 'leaveAlone')
  const done = toTick.filter(ticked).length
  const next = toTick.find((l) => !ticked(l))
  const site = job.commissioning.plates[placed.ref]
  const model = site?.model ?? ''
  const fresh = site?.newFromBox ?? false
  const misfit =
    model.trim() !== '' &&
    !sheet.fits.some((f) => f === 'any' || f.toLowerCase() === model.trim().toLowerCase())
  return (
    <section aria-label={`Key-in sheet, ${placed.label}`} className="mt-3">
      <h2 className="text-lg font-bold" data-testid="sheet-answer">
        {toTick.length === 0
          ? 'Nothing to key in: it stands as wanted.'
          : done === toTick.length
            ? `All ${sheet.changes} keyed in.`
            : `${sheet.changes} to key in, ${done} of ${toTick.length} lines ticked.`}
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
        {ways.length > 1 && (
          <SelectField
            label="Keyed by"
            value={way}
            options={ways.map((w, i) => [String(i), w.name ?? `way ${i + 1}`])}
            onValue={setWay}
          />
        )}
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
          <KeyInLine
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
      <Rehearse key={way} placed={placed} found={found} profile={profile} />
    </section>
  )
}
