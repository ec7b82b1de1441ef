'use client'

import { useState } from 'react'
import { nth } from '@/core/assert'
import * as yup from 'yup'
import {
  buildDevice,
  changesOf,
  draftOf,
  freshDraft,
  OFFERED,
  outputsOf,
  tellsRows,
} from '@/core/deviceBuilder'
import { DRAFT_KINDS, hasTrait, type Call, type Device, type DeviceDraft } from '@/core/equipment'
import { formatDevice } from '@/jobfile'
import { Button, downloadFile, SelectField, cx, Field, Input, useDraftForm } from '@/ui'
import { CALL_WORDS, DRAFT_KIND_WORDS, draftChangeWords } from '@/words'
import { DraftFields } from './DraftFields'
import { DraftRows } from './DraftRows'
import { saveDevice } from './saveDevice'

const CALLS: Call[] = ['fan', 'cool1', 'cool2', 'heat1', 'heat2', 'heatAux1', 'heatAux2', 'emergency']

const idOf = (s: DeviceDraft): string =>
  `own-${
    `${s.name} ${s.model}`
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || s.kind
  }`.slice(0, 56)

const START = freshDraft(nth(DRAFT_KINDS, 0))
const draftSchema = yup.object({
  name: yup.string().max(80).required(),
  model: yup.string().max(40).defined(),
})

/**
 * A device that no library has: its terminals ticked, its behaviour told, a device file written; from nothing, or from the
 * nearest that there is, with what was changed of it shown.
 * @param starts devices that were themselves made by the form, to start from
 */
export function DeviceForm({
  starts = [],
  onMade,
}: {
  starts?: readonly Device[]
  onMade?: (device: Device) => void
}) {
  const { values: draft, put, arrived } = useDraftForm<DeviceDraft>('device', draftSchema, START)
  const [said, setSaid] = useState<string[] | null>(null)
  const save = async () => {
    setSaid(null)
    const answer = await saveDevice(formatDevice(buildDevice(draft, idOf(draft))))
    setSaid(answer.ok ? [`${answer.device.name} is in the library.`] : answer.lines)
    if (answer.ok) {
      arrived(draft)
      onMade?.(answer.device)
    }
  }
  const tick = (on: boolean, name: string, flip: () => void, label = name) => (
    <Button
      key={name}
      aria-pressed={on}
      aria-label={label}
      className={cx('min-w-12 font-mono', on && '!border-2 !border-ink font-bold')}
      onClick={flip}
    >
      {name}
    </Button>
  )
  const offered = OFFERED[draft.kind]
  const nearest = starts.filter((d) => d.draft)
  const start = nearest.find((d) => d.id === draft.from)
  const startDraft = start && draftOf(start)
  const changes = startDraft?.kind === draft.kind ? changesOf(startDraft, draft) : []
  const flip = (list: readonly string[], id: string) =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id]
  return (
    <section aria-label="Describe a device" data-testid="device-form" className="max-w-3xl">
      {nearest.length > 0 && (
        <SelectField
          label="Start from the nearest"
          className="mb-3 max-w-md"
          value={start?.id ?? ''}
          none="nothing: as is usual"
          options={nearest.map((d) => [d.id, d.name])}
          onValue={(id) => {
            const found = nearest.find((d) => d.id === id)
            const from = found && draftOf(found)
            put(
              from
                ? { ...from, name: found.name, model: draft.model, from: found.id }
                : freshDraft(draft.kind),
            )
          }}
        />
      )}
      <div className="grid gap-3 sm:grid-cols-3">
        <SelectField
          label="What it is"
          value={draft.kind}
          options={DRAFT_KINDS.map((k) => [k, DRAFT_KIND_WORDS[k]])}
          onValue={(kind) =>
            // A name that came with the start goes with it.
            put({
              ...freshDraft(kind),
              name: draft.name === start?.name ? '' : draft.name,
              model: draft.model,
            })
          }
        />
        <Field label="Name">
          {(ids) => (
            <Input
              {...ids}
              maxLength={80}
              value={draft.name}
              onChange={(e) => put({ name: e.target.value })}
            />
          )}
        </Field>
        <Field label="Model and suffix on the plate">
          {(ids) => (
            <Input
              {...ids}
              maxLength={40}
              value={draft.model}
              onChange={(e) => put({ model: e.target.value })}
            />
          )}
        </Field>
      </div>
      <fieldset className="mt-3">
        <legend className="mb-1 text-sm text-soft">Terminals that it has</legend>
        <div className="flex flex-wrap gap-2">
          {offered.map((t) =>
            tick(draft.terminals.includes(t.id), t.label, () =>
              put({ terminals: flip(draft.terminals, t.id) }),
            ),
          )}
        </div>
      </fieldset>
      {hasTrait(draft, 'onWall') && (
        <fieldset className="mt-3">
          <legend className="mb-1 text-sm text-soft">What each demand connects to R</legend>
          <ul className="space-y-1">
            {CALLS.map((call) => (
              <li key={call} className="flex flex-wrap items-center gap-2">
                <span className="w-full text-[15px] sm:w-32">{CALL_WORDS[call]}</span>
                {outputsOf(draft).map((t) =>
                  tick(
                    draft.outputs[call]?.includes(t) ?? false,
                    t,
                    () => put({ outputs: { ...draft.outputs, [call]: flip(draft.outputs[call] ?? [], t) } }),
                    `${t} in ${CALL_WORDS[call].toLowerCase()}`,
                  ),
                )}
              </li>
            ))}
          </ul>
        </fieldset>
      )}
      <DraftFields draft={draft} put={put} />
      {tellsRows(draft) && <DraftRows draft={draft} put={put} />}
      {start && (
        <div className="mt-4 border-l-4 border-slate py-1 pl-3 text-[15px]" data-testid="changed">
          <p className="font-bold">
            {changes.length === 0
              ? `As the ${start.name}, so far.`
              : `${changes.length === 1 ? 'One thing' : `${changes.length} things`} changed of the ${start.name}:`}
          </p>
          <ul>
            {changes.map((c) => {
              const words = draftChangeWords(draft.kind, c)
              return <li key={words}>{words}</li>
            })}
          </ul>
        </div>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button look="strong" disabled={!draft.name.trim()} onClick={() => void save()}>
          Add it to the library
        </Button>
        <Button
          onClick={() => {
            const device = buildDevice(draft, idOf(draft))
            downloadFile(`${device.id}.json`, 'application/json', formatDevice(device))
          }}
        >
          Export the file
        </Button>
      </div>
      {said && (
        <ul role="status" className="mt-2">
          {said.slice(0, 6).map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      )}
    </section>
  )
}
