'use client'

import { ArrowLeft } from 'lucide-react'
import Link from 'next/link'
import { useCallback, useEffect, useState } from 'react'
import { ask } from '@/client'
import { changesOf, draftOf } from '@/core/deviceBuilder'
import type { Device } from '@/core/equipment'
import { cut, formatDevice } from '@/jobfile'
import { Button, cx, downloadFile, Field, FileButton, Input, Disclosure } from '@/ui'
import { DEVICE_WORDS, draftChangeWords } from '@/words'
import { DeviceForm, ProfileEditor, saveDevice } from '../deviceForm'

/** Every device that a job can be built from: what ships with the app and the shop's own. */
export function Library() {
  const [list, setList] = useState<{ devices: Device[]; own: string[] } | null>(null)
  const [query, setQuery] = useState('')
  const [open, setOpen] = useState<string | null>(null)
  const [editing, setEditing] = useState<string | null>(null)
  const [said, setSaid] = useState<{ ok: boolean; lines: string[] } | null>(null)
  const load = useCallback(async () => {
    const answer = await ask<{ devices: Device[]; own: string[] }>(fetch, '/api/library')
    if (answer.ok) setList(answer.value)
    else setSaid({ ok: false, lines: ['The device library cannot be read just now.'] })
  }, [])
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what it sets arrives later, from the server
    void load()
  }, [load])
  const take = async (text: string, name: string) => {
    const saved = await saveDevice(text)
    setSaid(
      saved.ok
        ? { ok: true, lines: [`${saved.device.name} is in, as ${saved.device.id}.`] }
        : { ok: false, lines: saved.lines.map((l) => `${name}, ${l}`) },
    )
    if (saved.ok) {
      await load()
      setOpen(saved.device.id)
    }
  }
  const remove = async (id: string) => {
    await ask(fetch, `/api/library/${id}`, { method: 'DELETE' })
    setOpen(null)
    await load()
  }
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  const text = (d: Device) => `${d.name} ${d.id} ${DEVICE_WORDS[d.kind]} ${d.fits.join(' ')}`.toLowerCase()
  const shown = (list?.devices ?? []).filter((d) => words.every((w) => text(d).includes(w)))
  return (
    <main className="mx-auto max-w-4xl px-4 pt-4 pb-12">
      <Link href="/" className="inline-flex min-h-12 items-center gap-1.5 text-sm text-soft">
        <ArrowLeft aria-hidden className="size-4" /> All jobs
      </Link>
      <h1 className="border-b-2 border-ink pb-3 text-3xl font-bold">Device library</h1>
      <p role="status" className="min-h-14 py-3 text-lg font-bold">
        {list
          ? `${list.devices.length} devices, ${list.own.length} of them the shop’s own.`
          : 'Opening the device library …'}
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Search by name, kind or model" className="flex-1 basis-60">
          {(ids) => <Input {...ids} type="search" value={query} onChange={(e) => setQuery(e.target.value)} />}
        </Field>
        <FileButton
          label="Import a device file"
          name="Device file"
          onFile={(file) => void file.text().then((text) => take(text, file.name))}
        />
      </div>
      {said && (
        <ul
          role={said.ok ? 'status' : 'alert'}
          className={cx(
            'mt-3 border-l-4 p-3',
            said.ok ? 'border-well bg-well-soft' : 'border-harm bg-harm-soft',
          )}
        >
          {!said.ok && <li className="font-bold">Nothing was imported.</li>}
          {said.lines.slice(0, 10).map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      )}
      <Disclosure className="mt-3" summary="Describe a device that is not here" summaryClass="min-h-12 py-2 font-bold lg:min-h-8">
        
        <div className="mt-2">
          <DeviceForm starts={list?.devices ?? []} onMade={() => void load()} />
        </div>
      </Disclosure>
      <ul className="mt-3 min-h-64">
        {shown.map((d) => {
          const own = list?.own.includes(d.id)
          return (
            <li key={d.id} className="border-t border-line">
              <button
                type="button"
                aria-expanded={open === d.id}
                onClick={() => setOpen(open === d.id ? null : d.id)}
                className="flex min-h-12 w-full flex-wrap items-baseline justify-between gap-x-4 py-2 text-left hover:bg-panel"
              >
                <span className="font-bold">{d.name}</span>
                <span className="text-sm text-soft">
                  {DEVICE_WORDS[d.kind]}
                  {own ? ', the shop’s own' : ''}
                </span>
              </button>
              {open === d.id && (
                <div className="pb-4 text-[15px]">
                  <p>{d.about}</p>
                  <p className="mt-1 text-soft">
                    Fits {d.fits.join(', ') || 'any model'}. Terminals{' '}
                    <span className="font-mono">
                      {d.terminals
                        .filter((t) => t.side === 'low')
                        .map((t) => t.label)
                        .join(' ')}
                    </span>
                  </p>
                  <Started device={d} library={list?.devices ?? []} />
                  {d.settings.length > 0 && editing !== d.id && (
                    <p className="mt-1 text-soft">Settings: {d.settings.map((s) => s.label).join(', ')}</p>
                  )}
                  <div className="mt-2 flex flex-wrap gap-2">
                    <Button onClick={() => downloadFile(`${d.id}.json`, 'application/json', formatDevice(d))}>
                      Export the file
                    </Button>
                    <Button
                      onClick={() =>
                        void take(formatDevice({ ...d, name: cut(`${d.name}, copy`, 120) }), d.name)
                      }
                    >
                      Duplicate
                    </Button>
                    {own && (
                      <Button
                        aria-expanded={editing === d.id}
                        onClick={() => setEditing(editing === d.id ? null : d.id)}
                      >
                        Edit its key-in profile
                      </Button>
                    )}
                    {own && (
                      <Button look="harm" onClick={() => void remove(d.id)}>
                        Remove from the library
                      </Button>
                    )}
                  </div>
                  {!own && (
                    <p className="mt-2 text-sm text-soft">
                      {d.profile
                        ? `${d.profile.items.length} items are keyed in. Duplicate it to change its profile.`
                        : 'It has no key-in profile. Duplicate it to give it one.'}
                    </p>
                  )}
                  {own && editing === d.id && (
                    <ProfileEditor key={d.id} device={d} onSaved={() => void load()} />
                  )}
                </div>
              )}
            </li>
          )
        })}
      </ul>
    </main>
  )
}

/** The device that a form was started from, and the changes since. */
function Started({ device, library }: { device: Device; library: readonly Device[] }) {
  const draft = draftOf(device)
  const from = draft && library.find((d) => d.id === draft.from)
  const start = from && draftOf(from)
  if (!draft || !start) return null
  const changes = changesOf(start, draft).map((c) => draftChangeWords(draft.kind, c))
  return (
    <p className="mt-1">
      Started from the {from.name}. {changes.length ? `Changed: ${changes.join('; ')}.` : 'Nothing was changed of it.'}
    </p>
  )
}
