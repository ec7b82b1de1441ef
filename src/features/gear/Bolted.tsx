'use client'

import { useEffect, useState } from 'react'
import * as yup from 'yup'
import type { Device } from '@/core/equipment'
import { CABLE_COLOURS } from '@/core/plan'
import { ask } from '@/client'
import { cut, formatDevice, sentence } from '@/jobfile'
import { Button, Disclosure, SelectField, Field, Input, useDraftForm } from '@/ui'
import { useJobScreen } from '../session'
import { DeviceForm } from '../deviceForm'

const freshRef = (taken: readonly string[], stem: string): string => {
  let ref = stem
  for (let n = 2; taken.includes(ref); n++) ref = `${stem}${n}`
  return ref
}

function Said({ text }: { text: string | null }) {
  return text ? (
    <p role="status" className="mt-2">
      {text}
    </p>
  ) : null
}

const NO_DEVICE = { id: '', where: '', fresh: false }
const deviceSchema = yup.object({
  id: yup.string().required(),
  where: yup.string().max(80).defined(),
  fresh: yup.boolean().defined(),
})
const NO_CABLE = { from: '', to: '', count: 8 }
const cableSchema = yup.object({
  from: yup.string().required(),
  to: yup.string().required(),
  count: yup.number().integer().min(2).max(10).required(),
})

/** Puts a device from the library into the job, where it is installed. */
export function AddDevice() {
  const { job, edit } = useJobScreen()
  const [library, setLibrary] = useState<Device[] | null>(null)
  const { form, values, put, clear } = useDraftForm(`add-device-${job.id}`, deviceSchema, NO_DEVICE)
  const { id, where, fresh } = values
  const [said, setSaid] = useState<string | null>(null)
  const [open, setOpen] = useState(false)
  useEffect(() => {
    if (!open || library) return
    void ask<{ devices: Device[] }>(fetch, '/api/library').then((a) =>
      a.ok ? setLibrary(a.value.devices) : setSaid('The device library cannot be read just now.'),
    )
  }, [open, library])
  const places = [...new Set(job.placed.map((p) => p.where).filter((w): w is string => Boolean(w)))]
  const add = () => {
    const device = library?.find((d) => d.id === id)
    if (!device) return
    const ref = freshRef(
      job.placed.map((p) => p.ref),
      device.kind.toLowerCase().slice(0, 6),
    )
    const placed = { ref, device: device.id, label: device.name, ...(where ? { where } : {}), settings: {} }
    const place = { kind: 'placeDevice' as const, placed, device }
    const result = edit(
      fresh && device.settings.length
        ? [place, { kind: 'setPlate', ref, field: 'newFromBox', value: true }]
        : place,
    )
    setSaid(
      result.ok ? `${device.name} is added; land it on the Bench.` : result.problems.map(sentence).join('; '),
    )
    if (result.ok) clear({ ...values, id: '' })
  }
  return (
    <Disclosure
      onOpenChange={setOpen}
      className="mt-3"
      summary="Add a device"
      summaryClass="min-h-8 py-1 font-bold"
    >
      <div className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-[2fr_1fr_auto]">
        <SelectField
          label="From the library"
          note={library?.find((d) => d.id === id)?.about}
          value={id}
          none="choose"
          options={(library ?? []).map((d) => [d.id, d.name])}
          onValue={(device) => put({ id: device })}
        />
        <Field label="Where">
          {(ids) => (
            <>
              <Input {...ids} {...form.register('where')} list="places" maxLength={80} />
              <datalist id="places">
                {places.map((p) => (
                  <option key={p} value={p} />
                ))}
              </datalist>
            </>
          )}
        </Field>
        <Button look="strong" disabled={!id} onClick={add}>
          Add
        </Button>
      </div>
      <Button className="mt-2" aria-pressed={fresh} onClick={() => put({ fresh: !fresh })}>
        {fresh ? '✓ New from its box' : 'It is new from its box'}
      </Button>
      <Disclosure
        className="mt-2"
        summary="Not in the library: describe it"
        summaryClass="min-h-12 py-2 lg:min-h-8"
      >
        <div className="mt-2">
          <DeviceForm
            starts={library ?? []}
            onMade={(made) => {
              setLibrary((known) => [...(known ?? []), made])
              put({ id: made.id })
            }}
          />
        </div>
      </Disclosure>
      <Said text={said} />
    </Disclosure>
  )
}

/** Puts a low-voltage cable in, with bare conductors at both ends. */
export function AddCable() {
  const { job, edit } = useJobScreen()
  const { values, put, clear } = useDraftForm(`add-cable-${job.id}`, cableSchema, NO_CABLE)
  const { from, to, count } = values
  const [said, setSaid] = useState<string | null>(null)
  const label = (ref: string) => job.placed.find((p) => p.ref === ref)?.label ?? ref
  const add = () => {
    const id = freshRef(
      job.cables.map((c) => c.id),
      'cable',
    )
    const name = cut(`${label(from)} to ${label(to).toLowerCase()}`, 80)
    const result = edit({
      kind: 'addCable',
      cable: { id, label: name, kind: 'low', from, to, gauge: 18, feet: 50 },
      wires: CABLE_COLOURS.slice(0, count).map((colour, i) => ({
        id: `${id}-${i + 1}`,
        cable: id,
        colour,
        a: null,
        b: null,
      })),
    })
    setSaid(result.ok ? `${name} is added; give its length above.` : result.problems.map(sentence).join('; '))
    if (result.ok) clear(values)
  }
  const end = (text: string, value: string, set: (v: string) => void) => (
    <SelectField
      label={text}
      value={value}
      none="choose"
      options={job.placed.map((p) => [p.ref, p.label])}
      onValue={set}
    />
  )
  return (
    <Disclosure className="mt-3" summary="Add a cable" summaryClass="min-h-8 py-1 font-bold">
      <div className="mt-2 grid max-w-3xl items-end gap-3 sm:grid-cols-4">
        {end('From', from, (ref) => put({ from: ref }))}
        {end('To', to, (ref) => put({ to: ref }))}
        <SelectField
          label="Conductors"
          value={String(count)}
          options={[2, 4, 5, 6, 7, 8, 9, 10].map((n) => [String(n), String(n)])}
          onValue={(n) => put({ count: Number(n) })}
        />
        <Button look="strong" disabled={!from || !to || from === to} onClick={add}>
          Add
        </Button>
      </div>
      <Said text={said} />
    </Disclosure>
  )
}

/** Takes a device out, with its cables; undo puts all of it back. */
export function RemoveDevice({ placed, label }: { placed: string; label: string }) {
  const { edit } = useJobScreen()
  const [sure, setSure] = useState(false)
  return sure ? (
    <p className="mt-2 flex flex-wrap items-center gap-2">
      <Button look="harm" onClick={() => edit({ kind: 'removeDevice', ref: placed })}>
        Remove the {label.toLowerCase()} with its cables
      </Button>
      <Button look="quiet" onClick={() => setSure(false)}>
        Leave it
      </Button>
    </p>
  ) : (
    <Button look="quiet" className="mt-2 text-sm text-soft" onClick={() => setSure(true)}>
      Remove
    </Button>
  )
}

/** Descriptions in the library that are newer than, or other than, those that this job carries. */
export function NewerDescriptions() {
  const { job, edit } = useJobScreen()
  const [newer, setNewer] = useState<Device[] | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  const look = () =>
    void ask<{ devices: Device[] }>(fetch, '/api/library').then((a) => {
      if (!a.ok) return setSaid('The device library cannot be read just now.')
      const differs = (d: Device) => {
        const own = job.devices[d.id]
        return own !== undefined && formatDevice(own) !== formatDevice(d)
      }
      const found = a.value.devices.filter(differs)
      setNewer(found)
      setSaid(found.length ? null : 'Every device is described as the library has it.')
    })
  const take = (device: Device) => {
    const result = edit({ kind: 'replaceDevice', device })
    setSaid(
      result.ok
        ? `${device.name}: the library’s description is taken; landing and settings stay.`
        : `Not taken: ${result.problems.map(sentence).join('; ')}`,
    )
    if (result.ok) setNewer((list) => list && list.filter((d) => d.id !== device.id))
  }
  return (
    <div className="mt-3 max-w-3xl">
      <Button onClick={look}>Look for newer descriptions in the library</Button>
      <ul>
        {newer?.map((d) => (
          <li key={d.id} className="flex flex-wrap items-center gap-3 border-t border-line py-2 text-[15px]">
            <span className="flex-1 basis-56">{d.name} is described otherwise in the library.</span>
            <Button onClick={() => take(d)}>Take the library’s</Button>
          </li>
        ))}
      </ul>
      <Said text={said} />
    </div>
  )
}
