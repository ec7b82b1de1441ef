'use client'

import equal from 'fast-deep-equal'
import * as yup from 'yup'
import { nth } from '@/core/assert'
import { useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import { ask, linesOf } from '@/client'
import { INTENTS, profilesOf, type Device, type ProfileStyle } from '@/core/equipment'
import {
  COLUMNS,
  EMPTY_ROW,
  frameOf,
  keyInSheet,
  readRows,
  rowsFromText,
  profileRowsOf,
  withRows,
  type Column,
  type ProfileRow,
} from '@/core/setup'
import { formatDevice } from '@/jobfile'
import { Button, Disclosure, SelectField, cx, Field, Input, useDraftForm } from '@/ui'
import { INTENT_WORDS, lineWords } from '@/words'
import { Quirks, shiftsText, withShifts } from './Quirks'

const STYLES: Record<ProfileStyle, string> = {
  menu: 'Numbered menu',
  guided: 'Guided screens',
  functions: 'Function numbers at addresses',
  request: 'Request codes',
  triplets: 'Mode, setting, option',
  leds: 'Lights in binary',
  switches: 'Switches and pins',
}
const HEADS: Record<Column, string> = {
  code: 'Code',
  label: 'As the manual calls it',
  intent: 'Intent',
  values: 'Values',
  address: 'Address',
  when: 'Only when',
  note: 'Note',
}
const WIDTH: Record<Column, string> = {
  code: 'w-20',
  label: 'w-48',
  intent: 'w-40',
  values: 'w-64',
  address: 'w-24',
  when: 'w-28',
  note: 'w-56',
}

interface Draft {
  name: string
  fits: string
  frame: ReturnType<typeof frameOf>
  /** Settings that it changes by itself, as typed; as read they are in `frame`. */
  shifts: string
  rows: ProfileRow[]
}
/** Rows and keys are judged line by line as they are read; the name is all that the form itself asks for. */
const draftSchema = yup.object({ name: yup.string().trim().max(120).required('A name is expected here') })
const draftOf = (device: Device, way: number): Draft => ({
  name: device.name,
  fits: device.fits.join(', '),
  frame: frameOf(device, way),
  shifts: shiftsText(frameOf(device, way)),
  rows: [...profileRowsOf(device, way), ...blanks(3)],
})
const withCommas = (text: string): string[] =>
  text
    .split(',')
    .map((f) => f.trim())
    .filter(Boolean)

const blanks = (n: number): ProfileRow[] => Array.from({ length: n }, () => EMPTY_ROW)

/** Every way in which a device can be keyed, one at a time; another can be added. */
export function ProfileEditor({ device, onSaved }: { device: Device; onSaved: () => void }) {
  const ways = profilesOf(device)
  const [way, setWay] = useState(0)
  const isNew = way === ways.length
  const name = (i: number) => nth(ways, i).name ?? STYLES[nth(ways, i).style]
  return (
    <section aria-label={`Key-in profile, ${device.name}`} data-testid="profile-editor" className="mt-3">
      {ways.length > 0 && (
        <div role="group" aria-label="Way of keying" className="mb-2 flex flex-wrap gap-2">
          {ways.map((_, i) => (
            <Button
              key={i}
              aria-pressed={way === i}
              className={cx(way === i && '!border-2 !border-ink font-bold')}
              onClick={() => setWay(i)}
            >
              {name(i)}
            </Button>
          ))}
          {ways.length < 5 && (
            <Button
              look="quiet"
              aria-pressed={isNew}
              className={cx(isNew && '!border-2 !border-ink font-bold')}
              onClick={() => setWay(ways.length)}
            >
              Another way of keying it
            </Button>
          )}
        </div>
      )}
      <WayEditor key={way} device={device} way={way} onSaved={onSaved} />
    </section>
  )
}

/** A paper manual's menu as a table: typed with the keyboard, pasted from a spreadsheet, each error at its line. */
function WayEditor({ device, way, onSaved }: { device: Device; way: number; onSaved: () => void }) {
  const fresh = useMemo((): Draft => draftOf(device, way), [device, way])
  const draft = `profile-${device.id}${way ? `-${way}` : ''}`
  const { form, values, put, clear, arrived } = useDraftForm<Draft>(draft, draftSchema, fresh)
  const { rows, frame } = values
  const setRows = (next: ProfileRow[]) => put({ rows: next })
  const setFrame = (next: Draft['frame']) => put({ frame: next })
  const [said, setSaid] = useState<string[] | null>(null)
  const table = useRef<HTMLTableElement>(null)
  const read = useMemo(() => readRows(device, rows), [device, rows])
  const made = useMemo(
    () => ({
      ...withRows(device, read, frame, way),
      name: values.name.trim(),
      fits: withCommas(values.fits),
    }),
    [device, read, frame, way, values.name, values.fits],
  )
  const preview = useMemo(() => {
    const settings = Object.fromEntries(made.settings.map((s) => [s.id, s.default]))
    return (
      keyInSheet({ ref: 'd', label: device.name, device: made, settings }, {}, true, profilesOf(made)[way])
        ?.lines ?? []
    )
  }, [made, device.name, way])
  const errorAt = (row: number, column: Column) =>
    read.errors.find((e) => e.row === row + 1 && e.column === column)?.expected
  const focus = (row: number, column: Column) => {
    const cell = table.current?.querySelector<HTMLInputElement>(`[data-cell="${row}-${column}"]`)
    cell?.focus()
    cell?.select()
  }
  const type = (row: number, column: Column, text: string) =>
    setRows(rows.map((r, i) => (i === row ? { ...r, [column]: text } : r)))
  const paste = (e: ClipboardEvent, row: number, column: Column) => {
    const text = e.clipboardData.getData('text/plain')
    if (!/[\t\n]/.test(text.trim())) return
    e.preventDefault()
    const from = COLUMNS.indexOf(column)
    const parts = rowsFromText(text)
    const next = [...rows, ...blanks(Math.max(0, row + parts.length + 3 - rows.length))]
    parts.forEach((part, i) => {
      const cells = COLUMNS.map((c) => part[c])
      const target = { ...nth(next, row + i) }
      cells.forEach((cell, n) => {
        const to = COLUMNS[from + n]
        if (cell !== undefined && to) target[to] = cell
      })
      next[row + i] = target
    })
    setRows(next)
  }
  const onKey = (e: KeyboardEvent, row: number, column: Column) => {
    const move = e.key === 'Enter' || e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0
    if (!move) return
    e.preventDefault()
    if (row + move >= rows.length) setRows([...rows, EMPTY_ROW])
    setTimeout(() => focus(Math.max(0, row + move), column))
  }
  const save = async () => {
    const answer = await ask(fetch, `/api/library/${device.id}`, { method: 'PUT', body: formatDevice(made) })
    setSaid(
      answer.ok
        ? [`${read.items.length} items are kept. Jobs that use the device keep what they carry.`]
        : linesOf(answer, 'Not kept'),
    )
    if (!answer.ok) return
    arrived(values)
    onSaved()
  }
  return (
    <>
      <p className="text-lg font-bold" data-testid="profile-answer" role="status">
        {read.errors.length
          ? `${read.items.length} items, ${read.errors.length} ${read.errors.length === 1 ? 'error' : 'errors'}.`
          : `${read.items.length} items, no errors.`}
      </p>
      {read.errors.length > 0 && (
        <ul className="my-1 space-y-1">
          {read.errors.slice(0, 12).map((e) => (
            <li key={`${e.row}${e.column}`}>
              <Button className="text-left" onClick={() => focus(e.row - 1, e.column)}>
                Line {e.row}, {HEADS[e.column].toLowerCase()}: expected {e.expected}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <div className="my-2 grid gap-3 sm:grid-cols-2">
        <Field label="Name" error={form.formState.errors.name?.message ?? null}>
          {(ids) => <Input {...ids} {...form.register('name')} maxLength={120} />}
        </Field>
        <Field label="Models and revisions that it fits, with commas">
          {(ids) => <Input {...ids} {...form.register('fits')} maxLength={200} />}
        </Field>
      </div>
      <div className="my-2 grid gap-3 sm:grid-cols-3">
        <SelectField
          label="How it is keyed"
          value={frame.style}
          options={Object.entries(STYLES) as [ProfileStyle, string][]}
          onValue={(style) => setFrame({ ...frame, style })}
        />
        <Field label="Keys that open it, with commas">
          {(ids) => (
            <Input
              {...ids}
              value={frame.enter.join(', ')}
              onChange={(e) => setFrame({ ...frame, enter: withCommas(e.target.value).slice(0, 8) })}
            />
          )}
        </Field>
        <Field label="Passcode">
          {(ids) => (
            <Input
              {...ids}
              inputMode="numeric"
              value={frame.passcode ?? ''}
              onChange={(e) => {
                const { passcode: _, ...rest } = frame
                const digits = e.target.value.replace(/\D/g, '').slice(0, 8)
                setFrame(digits ? { ...rest, passcode: digits } : rest)
              }}
            />
          )}
        </Field>
      </div>
      <Quirks
        frame={frame}
        setFrame={setFrame}
        shifts={values.shifts}
        setShifts={(shifts) => put({ shifts, frame: withShifts(frame, shifts) })}
      />
      <div
        className="max-h-[420px] overflow-auto border border-line"
        tabIndex={0}
        role="region"
        aria-label="Menu items"
      >
        <table ref={table} className="text-[15px]">
          <thead className="sticky top-0 z-10 bg-panel text-left">
            <tr>
              <th className="px-2 text-sm font-normal text-soft">Line</th>
              {COLUMNS.map((c) => (
                <th key={c} className="px-2 py-1 font-bold">
                  {HEADS[c]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                <td className="px-2 text-right font-mono text-sm text-soft">{i + 1}</td>
                {COLUMNS.map((c) => {
                  const wrong = errorAt(i, c)
                  return (
                    <td key={c} className="border border-line p-0">
                      <input
                        data-cell={`${i}-${c}`}
                        aria-label={`${HEADS[c]}, line ${i + 1}`}
                        aria-invalid={wrong ? true : undefined}
                        title={wrong ? `Expected ${wrong}` : undefined}
                        list={c === 'intent' ? 'intents' : undefined}
                        className={cx(
                          'h-9 bg-raised px-2',
                          WIDTH[c],
                          wrong && 'outline-2 -outline-offset-2 outline-harm',
                        )}
                        value={row[c]}
                        onChange={(e) => type(i, c, e.target.value)}
                        onPaste={(e) => paste(e, i, c)}
                        onKeyDown={(e) => onKey(e, i, c)}
                      />
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <datalist id="intents">
        {INTENTS.map((i) => (
          <option key={i} value={i}>
            {INTENT_WORDS[i].name}
          </option>
        ))}
      </datalist>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button
          look="strong"
          disabled={read.errors.length > 0}
          onClick={() => void form.handleSubmit(save)()}
        >
          Keep the profile
        </Button>
        {!equal(values, fresh) && (
          <Button look="quiet" onClick={() => clear(fresh)}>
            Drop what was typed
          </Button>
        )}
        {said && (
          <ul role="status">
            {said.slice(0, 6).map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        )}
      </div>
      <Disclosure
        className="mt-3"
        defaultOpen
        summary={<>The key-in sheet as it will be, {preview.length} lines</>}
        summaryClass="min-h-8 py-1 font-bold"
      >
        <ol className="max-h-60 overflow-auto text-[15px]" tabIndex={0} aria-label="Preview">
          {preview.map((l) => {
            const w = lineWords(l, l.item?.label ?? '')
            return (
              <li key={l.id} className="border-t border-line py-1">
                <span className="font-bold">{w.title}</span>{' '}
                {l.item && (
                  <span className="font-mono">
                    {l.kind === 'set' ? `${l.item.code} → ${l.toCode}` : l.item.code}
                  </span>
                )}{' '}
                <span className="text-soft">{w.keys}</span>
              </li>
            )
          })}
        </ol>
      </Disclosure>
    </>
  )
}
