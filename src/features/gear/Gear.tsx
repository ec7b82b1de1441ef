'use client'

import { ChevronRight } from 'lucide-react'
import { Collapsible } from 'radix-ui'
import { useState } from 'react'
import { settingValue, type Placed } from '@/core/installation'
import { drives } from '@/core/situation'
import { hasTrait, type Setting } from '@/core/equipment'
import { sentence, type Field as JobField } from '@/jobfile'
import { Button, Caution, Field, Input, Select, TypedInput, typedNumber } from '@/ui'
import { inertWords, plateLine } from '@/words'
import { useChangedBy } from '../news'
import { useDraft, useJobScreen } from '../session'
import { PlateRead } from './PlateRead'
import { AddCable, AddDevice, NewerDescriptions, RemoveDevice } from './Bolted'

/** Installed equipment: each device with its plate and its settings, the cables, the site. */
export function Gear() {
  const { inst, job } = useJobScreen()
  const devices = inst.placed.filter((p) => p.device.settings.length > 0 || !hasTrait(p.device, 'joinsWires'))
  return (
    <div className="max-w-5xl pb-8">
      <div className="grid gap-x-8 lg:grid-cols-2">
        {devices.map((p) => (
          <DeviceSection key={p.ref} placed={p} />
        ))}
      </div>
      <AddDevice />
      <NewerDescriptions />
      <section className="mt-4 border-t border-line pt-3">
        <h2 className="text-lg font-bold">Cables</h2>
        <ul className="mt-2 grid gap-x-8 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
          {job.cables.map((c) => {
            const own = job.wires.filter((w) => w.cable === c.id)
            const spare = own.filter((w) => !w.a && !w.b).length
            return (
              <li key={c.id}>
                <FeetField
                  id={c.id}
                  label={`${c.label}, ${own.length} × ${c.gauge} AWG${c.kind === 'low' ? `, ${spare} spare` : ''}`}
                  feet={c.feet}
                />
              </li>
            )
          })}
        </ul>
        <AddCable />
      </section>
      <section className="mt-6 border-t border-line pt-3">
        <h2 className="text-lg font-bold">Site</h2>
        <div className="mt-2 grid gap-4 sm:grid-cols-2">
          <TextField label="Job" field="title" value={job.title} />
          <TextField label="Owner" field="site.owner" value={job.site.owner} />
          <TextField label="Address" field="site.address" value={job.site.address} />
          <TextField label="Technician" field="technician" value={job.technician} />
          <TextField label="Note" field="note" value={job.note} className="sm:col-span-2" />
        </div>
      </section>
      <div className="mt-6">
        <Caution>
          More than one supply may feed this equipment. Find, open, lock and meter dead every one before
          opening a cabinet. The plates and the makers’ instructions win over anything shown here.
        </Caution>
      </div>
    </div>
  )
}

function DeviceSection({ placed }: { placed: Placed }) {
  const { go } = useJobScreen()
  const { device } = placed
  const plate = plateLine(device.plate)
  // Settings of the plate and settings that the circuit depends on; the others are keyed in on the Settings page.
  const own = device.settings.filter((s) => s.group === 'plate' || drives(device, s.id))
  const more = device.settings.length - own.length
  const unknown = own.filter((s) => settingValue(placed, s.id) === null).length
  return (
    // On a phone one line a device, opened by a tap; beside each other on a desk they all stand open.
    <Collapsible.Root asChild>
      <section className="border-t border-line py-1 lg:py-3" aria-label={placed.label}>
        <h2 className="hidden text-lg leading-tight font-bold lg:block">{placed.label}</h2>
        <Collapsible.Trigger className="group flex min-h-12 w-full items-center gap-2 text-left lg:hidden">
          <ChevronRight aria-hidden className="size-5 shrink-0 group-data-[state=open]:rotate-90" />
          <span className="min-w-0 flex-1">
            <span className="block truncate text-lg leading-tight font-bold">{placed.label}</span>
            <span className="block truncate text-sm text-soft">{device.name}</span>
          </span>
          {unknown > 0 && <span className="text-sm text-watch">{unknown} not known</span>}
        </Collapsible.Trigger>
        <Collapsible.Content
          forceMount
          className="pb-2 data-[state=closed]:hidden lg:data-[state=closed]:block"
        >
          <p className="text-[15px]">
            {device.name}
            {placed.where ? `, ${placed.where}` : ''}
          </p>
          <p className="text-sm text-soft">{device.about}</p>
          {plate && <p className="mt-1 text-sm text-soft">On the plate: {plate}</p>}
          <PlateRead placed={placed} />
          <div className="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2">
            {own.map((s) => (
              <SettingField key={s.id} placed={placed} setting={s} />
            ))}
          </div>
          {device.settings.length > 0 && !hasTrait(device, 'feedsLine') && <Unread placed={placed} />}
          {more > 0 && (
            <Button look="quiet" className="mt-2 text-sm" onClick={() => go('setup')}>
              {more === 1 ? 'One more setting is' : `${more} more settings are`} in the Setup
            </Button>
          )}
          <RemoveDevice placed={placed.ref} label={placed.label} />
        </Collapsible.Content>
      </section>
    </Collapsible.Root>
  )
}

/** Assumed values of the settings that nobody has entered or read, and one button that confirms them. */
function Unread({ placed }: { placed: Placed }) {
  const { job, edit } = useJobScreen()
  const entry = job.placed.find((p) => p.ref === placed.ref)
  const unread = placed.device.settings.filter(
    (s) => entry?.settings[s.id] === undefined && (placed.settings[s.id] ?? null) === null,
  ).length
  const fresh = job.commissioning.plates[placed.ref]?.newFromBox ?? false
  if (!unread && !fresh) return null
  const how = fresh
    ? 'stand as the maker left them'
    : placed.defaultAssumed
      ? 'are taken to stand at their defaults, and nobody has looked'
      : 'are not known'
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-soft">
      <Button
        look="quiet"
        className="text-sm"
        aria-pressed={fresh}
        aria-label={`${placed.label} is new from its box`}
        onClick={() =>
          edit({ kind: 'setPlate', ref: placed.ref, field: 'newFromBox', value: fresh ? null : true })
        }
      >
        {fresh ? '✓ New from its box' : 'It is new from its box'}
      </Button>
      {unread > 0 && (
        <span>
          {unread === 1 ? '1 setting that nobody has read' : `${unread} settings that nobody has read`} {how}.
        </span>
      )}
    </p>
  )
}

function SettingField({ placed, setting }: { placed: Placed; setting: Setting }) {
  const { edit } = useJobScreen()
  const [error, setError] = useState<string | null>(null)
  const value = settingValue(placed, setting.id)
  const store = (value: string | number | null) =>
    edit({ kind: 'setSetting', ref: placed.ref, setting: setting.id, value })
  const put = (v: string | number | null): boolean => {
    const result = store(v)
    setError(result.ok ? null : `Not stored: ${result.problems.map(sentence).join('; ')}`)
    return result.ok
  }
  const label = `${setting.label}${setting.unit ? `, ${setting.unit}` : ''}`
  const loses = setting.options?.find((o) => o.id === value)?.loses
  const about = [setting.about, loses, inertWords(setting, value)].filter(Boolean).join(' ')
  const changed = useChangedBy(`placed.${placed.ref}.settings.${setting.id}`)
  const note =
    about || changed ? (
      <>
        {about}
        {changed}
      </>
    ) : undefined
  return (
    <Field label={label} note={note} error={error}>
      {(ids) =>
        setting.kind === 'choice' ? (
          <Select
            {...ids}
            value={value === null ? '' : String(value)}
            onChange={(e) => put(e.target.value || null)}
          >
            {(setting.options ?? []).map((o) => (
              <option key={o.id} value={o.id}>
                {o.label}
              </option>
            ))}
            <option value="">Not known yet</option>
          </Select>
        ) : (
          <div className="flex gap-2">
            <TypedInput
              {...ids}
              inputMode="decimal"
              value={value === null ? '' : String(value)}
              placeholder="not known yet"
              onValue={(t) => put(t.trim() === '' ? null : (typedNumber(t) ?? Number.NaN))}
              onRestore={(before) => store(typedNumber(before) ?? null)}
            />
            {value !== null && (
              <Button
                look="quiet"
                className="shrink-0 !px-2 text-sm whitespace-nowrap"
                onClick={() => put(null)}
                aria-label={`${setting.label} is not known yet`}
              >
                Not known
              </Button>
            )}
          </div>
        )
      }
    </Field>
  )
}

function FeetField({ id, label, feet }: { id: string; label: string; feet: number }) {
  const { edit } = useJobScreen()
  const [error, setError] = useState<string | null>(null)
  return (
    <Field label={label} error={error} note={useChangedBy(`cables.${id}.feet`)}>
      {(ids) => (
        <div className="flex items-center gap-2">
          <TypedInput
            {...ids}
            inputMode="decimal"
            value={String(feet)}
            onValue={(t) => {
              const n = typedNumber(t)
              const ok = n !== undefined && n >= 0 && n <= 5000
              setError(ok ? null : 'Not stored: 0 to 5000 ft')
              if (ok) edit({ kind: 'setCableFeet', cable: id, feet: n })
              return ok
            }}
            onRestore={(before) => edit({ kind: 'setCableFeet', cable: id, feet: Number(before) })}
          />
          <span className="text-soft">ft</span>
        </div>
      )}
    </Field>
  )
}

function TextField({
  label,
  field,
  value,
  className,
}: {
  label: string
  field: JobField
  value: string
  className?: string
}) {
  const { edit } = useJobScreen()
  const { value: draft, seen, put, clear } = useDraft<string>(field)
  const changed = useChangedBy(field)
  const [error, setError] = useState<string | null>(null)
  // Stored when the person leaves the box or presses Enter: one edit for one change of a text.
  const store = () => {
    if (draft === null || draft === value) return clear()
    const result = edit({ kind: 'setField', field, value: draft }, seen === undefined ? {} : { seen })
    setError(result.ok ? null : result.problems.map(sentence).join('; '))
    // A value that cannot be saved stays in the box to be corrected.
    if (result.ok) clear()
  }
  return (
    <Field
      label={label}
      error={error}
      className={className}
      note={draft !== null && draft !== value ? 'Typed, not stored yet: Enter stores it.' : changed}
    >
      {(ids) => (
        <Input
          {...ids}
          value={draft ?? value}
          onChange={(e) => put(e.target.value)}
          onBlur={store}
          onKeyDown={(e) => e.key === 'Enter' && store()}
        />
      )}
    </Field>
  )
}
