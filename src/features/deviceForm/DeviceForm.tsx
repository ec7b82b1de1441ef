'use client'

import { useState } from 'react'
import * as yup from 'yup'
import {
  buildDevice,
  freshDraft,
  OFFERED,
  OUTPUTS,
  DRAFT_KINDS,
  type DeviceDraft,
} from '@/core/deviceBuilder'
import type { Call, Device } from '@/core/equipment'
import { formatDevice } from '@/jobfile'
import { Button, downloadFile, SelectField, cx, Field, Input, TypedInput, useDraftForm } from '@/ui'
import { CALL_WORDS, SKETCH_WORDS } from '@/words'
import { saveDevice } from './saveDevice'

const CALLS: Call[] = ['fan', 'cool1', 'cool2', 'heat1', 'heat2', 'heatAux1', 'heatAux2', 'emergency']

const idOf = (s: DeviceDraft): string =>
  `own-${
    `${s.name} ${s.model}`
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || s.kind
  }`.slice(0, 56)

const START = freshDraft('thermostat')
const draftSchema = yup.object({
  name: yup.string().max(80).required(),
  model: yup.string().max(40).defined(),
})

/** A device that no library has: its terminals ticked, its behaviour told, a device file written. */
export function DeviceForm({ onMade }: { onMade?: (device: Device) => void }) {
  const { values: draft, put, clear } = useDraftForm<DeviceDraft>('device', draftSchema, START)
  const [said, setSaid] = useState<string[] | null>(null)
  const save = async () => {
    const answer = await saveDevice(formatDevice(buildDevice(draft, idOf(draft))))
    setSaid(answer.ok ? [`${answer.device.name} is in the library.`] : answer.lines)
    if (answer.ok) {
      clear(draft)
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
  const flip = (list: readonly string[], id: string) =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id]
  return (
    <section aria-label="Describe a device" data-testid="device-form" className="max-w-3xl">
      <div className="grid gap-3 sm:grid-cols-3">
        <SelectField
          label="What it is"
          value={draft.kind}
          options={DRAFT_KINDS.map((k) => [k, SKETCH_WORDS[k]])}
          onValue={(kind) => put({ ...freshDraft(kind), name: draft.name, model: draft.model })}
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
      {draft.kind === 'thermostat' && (
        <fieldset className="mt-3">
          <legend className="mb-1 text-sm text-soft">What each demand connects to R</legend>
          <ul className="space-y-1">
            {CALLS.map((call) => (
              <li key={call} className="flex flex-wrap items-center gap-2">
                <span className="w-full text-[15px] sm:w-32">{CALL_WORDS[call]}</span>
                {OUTPUTS.filter((t) => draft.terminals.includes(t)).map((t) =>
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
      <Behaviour draft={draft} put={put} />
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

/** Fields of a draft that hold one plain value. */
type PlainKey = Exclude<keyof DeviceDraft, 'terminals' | 'outputs'>

function Behaviour({ draft, put }: { draft: DeviceDraft; put: (change: Partial<DeviceDraft>) => void }) {
  const choice = (label: string, key: PlainKey, options: [string, string][]) => (
    <SelectField
      label={label}
      value={String(draft[key])}
      options={options}
      onValue={(value) => put({ [key]: typeof draft[key] === 'boolean' ? value === 'true' : value })}
    />
  )
  const number = (label: string, key: PlainKey, low: number, high: number) => (
    <Field label={label}>
      {(ids) => (
        <TypedInput
          {...ids}
          inputMode="decimal"
          value={String(draft[key])}
          onValue={(t) => {
            const n = Number(t)
            if (t.trim() !== '' && n >= low && n <= high) put({ [key]: n })
          }}
        />
      )}
    </Field>
  )
  const yes = (a: string, b: string): [string, string][] => [
    ['true', a],
    ['false', b],
  ]
  const sense: [string, string][] = [
    ['cooling', 'in cooling (O)'],
    ['heating', 'in heating (B)'],
  ]
  return (
    <div className="mt-3 grid gap-3 sm:grid-cols-3">
      {(draft.kind === 'outdoorUnit' || draft.kind === 'thermostat') &&
        draft.terminals.includes('OB') &&
        choice('Reversing valve energised', 'rvSense', sense)}
      {draft.kind === 'outdoorUnit' && (
        <>
          {choice('24 V on W in defrost', 'defrostW', yes('yes', 'no'))}
          {choice('24 V on W when locked out', 'faultHeat', yes('yes', 'no'))}
          {number('Compressor, VA', 'compressorVa', 100, 20000)}
          {number('Contactor coil, VA', 'contactorVa', 1, 60)}
        </>
      )}
      {draft.kind === 'airHandler' && (
        <>
          {choice('W starts the blower by itself', 'blowerOnW', yes('yes', 'no'))}
          {choice('Y at the board starts the blower', 'blowerOnY', yes('yes', 'no'))}
          {number('Transformer, VA', 'transformerVa', 10, 150)}
          {number('Strip rows on W1', 'rowsW1', 0, 4)}
          {number('Strip rows on W2', 'rowsW2', 0, 4)}
          {number('Watts of one row at 240 V', 'rowWatts', 500, 6000)}
        </>
      )}
      {draft.kind === 'switch' && (
        <>
          {choice('It opens', 'opens', [
            ['water', 'on water in the pan'],
            ['trip', 'on a fault or a limit'],
            ['warm', 'on outdoor warmth'],
          ])}
          {draft.opens === 'warm' && number('Closes below, °F', 'closesBelowF', 0, 60)}
        </>
      )}
    </div>
  )
}
