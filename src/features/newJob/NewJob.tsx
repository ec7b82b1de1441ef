'use client'

import { ArrowLeft } from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import * as yup from 'yup'
import { hasTrait, type Device } from '@/core/equipment'
import { addJob, ask, linesOf } from '@/client'
import { cut, freshParts, type Job } from '@/jobfile'
import {
  Button,
  Caution,
  SelectField,
  cx,
  Field,
  Input,
  NumberField,
  Select,
  useDraftForm,
  Disclosure,
  Tip,
} from '@/ui'
import { unmetWords, planSentence } from '@/words'
import { CHOICES, gearOf, isPackaged, jobOf, planOf, type Choices } from './gear'
import { offersFor } from './offers'
import { DeviceForm } from '../deviceForm'
import { PracticePicker } from '../plan'

const START: Choices = {
  title: '',
  owner: '',
  thermostat: '',
  indoor: '',
  kit: '',
  outdoor: '',
  extras: [],
  newFromBox: false,
  wallConductors: 8,
  wallFeet: 45,
  outConductors: 8,
  outFeet: 50,
  landing: 'plan',
  practice: {},
}

const choicesSchema = yup.object({
  title: yup.string().max(120).defined(),
  owner: yup.string().max(120).defined(),
  wallFeet: yup.number().positive().max(500).required(),
  outFeet: yup.number().positive().max(500).required(),
})

const NO_TEMPERATURE =
  'This thermostat can go by the outdoor temperature (lockouts, changeover), and nothing tells it any yet.'

/** A job from what is installed: four choices and two cables, and the landing is planned or left to be found. */
export function NewJob() {
  const router = useRouter()
  const [library, setLibrary] = useState<Device[]>([])
  const [others, setOthers] = useState<{ id: string; title: string }[]>([])
  const { values: c, put, clear } = useDraftForm<Choices>('new-job', choicesSchema, START)
  const [said, setSaid] = useState<string[] | null>(null)
  useEffect(() => {
    void ask<{ devices: Device[] }>(fetch, '/api/library').then((a) =>
      a.ok ? setLibrary(a.value.devices) : setSaid(['The device library cannot be read just now.']),
    )
    void ask<{ jobs: { id: string; title: string }[] }>(fetch, '/api/jobs?order=newest&most=100').then(
      (a) => a.ok && setOthers(a.value.jobs),
    )
  }, [])
  const packaged = isPackaged(library, c.outdoor)
  const gear = useMemo(() => gearOf(library, c), [library, c])
  const plan = useMemo(() => (gear ? planOf(gear, c) : null), [gear, c])
  // Each part is tried before it is offered, which the next choice does not wait for.
  const asked = useDeferredValue(useMemo(() => ({ library, c, gear, plan }), [library, c, gear, plan]))
  const offers = useMemo(
    () => (asked.gear && asked.plan ? offersFor(asked.library, asked.c, asked.gear, asked.plan) : []),
    [asked],
  )

  const send = async (job: Job) => {
    const answer = await addJob(job)
    if (answer.ok) {
      clear(START)
      return router.push(`/job/${answer.value.id}/bench`)
    }
    setSaid(linesOf(answer, 'Not sent'))
  }
  const likeAnother = async (id: string) => {
    const answer = await ask<{ job: Job }>(fetch, `/api/jobs/${id}`)
    if (!answer.ok) return setSaid(['That job cannot be read just now.'])
    const { job } = answer.value
    await send({
      ...job,
      title: c.title.trim() || cut(`Like ${job.title}`, 120),
      site: { ...job.site, owner: c.owner.trim(), address: '' },
      note: '',
      ...freshParts(),
    })
  }
  const pick = (label: string, key: 'thermostat' | 'indoor' | 'kit' | 'outdoor', none?: string) => (
    <SelectField
      label={label}
      note={library.find((d) => d.id === c[key])?.about}
      value={c[key]}
      none={none ?? 'choose'}
      options={library.filter((d) => hasTrait(d, CHOICES[key])).map((d) => [d.id, d.name])}
      onValue={(id) => put({ [key]: id })}
    />
  )
  const number = (label: string, key: 'wallFeet' | 'outFeet') => (
    <NumberField
      label={label}
      value={c[key]}
      {...{ least: 1, most: 500, unit: 'ft' }}
      onValue={(feet) => feet !== null && put({ [key]: feet })}
    />
  )
  const conductors = (label: string, key: 'wallConductors' | 'outConductors') => (
    <SelectField
      label={label}
      value={String(c[key])}
      options={[4, 5, 6, 7, 8, 9, 10].map((n) => [String(n), `${n} conductors`])}
      onValue={(n) => put({ [key]: Number(n) })}
    />
  )
  return (
    <main className="mx-auto max-w-4xl px-4 pt-4 pb-12">
      <Link href="/" className="inline-flex min-h-12 items-center gap-1.5 text-sm text-soft">
        <ArrowLeft aria-hidden className="size-4" /> All jobs
      </Link>
      <h1 className="border-b-2 border-ink pb-3 text-3xl font-bold">New job</h1>
      <p data-testid="plan-answer" role="status" className="min-h-14 py-3 text-lg font-bold">
        {!library.length
          ? (said?.[0] ?? 'Opening the device library …')
          : gear && plan
            ? planSentence(gear, plan)
            : 'Choose what is bolted down.'}
      </p>
      {/* All of it at once, so that nothing shifts when the library arrives. */}
      {library.length > 0 && (
        <>
          <div className="grid gap-4 sm:grid-cols-2">
            <Field label="Job">
              {(ids) => (
                <Input
                  {...ids}
                  maxLength={120}
                  value={c.title}
                  onChange={(e) => put({ title: e.target.value })}
                />
              )}
            </Field>
            <Field label="Owner">
              {(ids) => (
                <Input
                  {...ids}
                  maxLength={120}
                  value={c.owner}
                  onChange={(e) => put({ owner: e.target.value })}
                />
              )}
            </Field>
          </div>
          <h2 className="mt-6 text-lg font-bold">What is bolted down</h2>
          <div className="mt-2 grid gap-4 sm:grid-cols-2">
            {pick('Thermostat', 'thermostat')}
            {pick('Outdoor unit', 'outdoor')}
            {!packaged && pick('Indoor unit', 'indoor')}
            {hasTrait(
              library.find((d) => d.id === c.indoor),
              'takesKit',
            ) &&
              !packaged &&
              pick('Strip kit', 'kit', 'none')}
          </div>
          <Disclosure
            className="mt-3"
            summary="Something that is not in the library: describe it"
            summaryClass="min-h-12 py-2 lg:min-h-8"
          >
            <div className="mt-2 border-l-4 border-line pl-3">
              <DeviceForm
                starts={library}
                onMade={(made) => {
                  setLibrary((known) => [...known, made])
                  const slot = Object.entries(CHOICES).find(([, trait]) => hasTrait(made, trait))
                  if (slot) put({ [slot[0]]: made.id })
                  else put({ extras: [...c.extras, made.id] })
                }}
              />
            </div>
          </Disclosure>
          <Extras library={library} chosen={c.extras} onChange={(extras) => put({ extras })} />
          <p className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
            <Button aria-pressed={c.newFromBox} onClick={() => put({ newFromBox: !c.newFromBox })}>
              {c.newFromBox ? '✓ All of it new from its box' : 'All of it is new from its box'}
            </Button>
            <span className="text-soft">
              {c.newFromBox
                ? 'What nobody sets stands as its maker left it.'
                : 'Not new: settings that nobody has read are not known, and the proof says what hangs on them.'}
            </span>
          </p>
          <h2 className="mt-6 text-lg font-bold">Cables that are there</h2>
          <div className="mt-2 grid gap-4 sm:grid-cols-4">
            {conductors('Thermostat cable', 'wallConductors')}
            {number('its length, ft', 'wallFeet')}
            {!packaged && conductors('Outdoor cable', 'outConductors')}
            {!packaged && number('its length, ft', 'outFeet')}
          </div>
          <h2 className="mt-6 text-lg font-bold">The landing</h2>
          <div className="mt-2 grid gap-4 sm:grid-cols-2">
            <SelectField
              label="Start from"
              value={c.landing}
              options={[
                ['plan', 'The plan, landed conductor by conductor'],
                ['bare', 'Bare ends: I record what is there'],
              ]}
              onValue={(landing) => put({ landing })}
            />
            {gear && (
              <PracticePicker inst={gear} chosen={c.practice} onChange={(practice) => put({ practice })} />
            )}
          </div>
          {offers.length > 0 && (
            <ul
              data-testid="lacks"
              aria-label="What this gear lacks"
              className="mt-3 space-y-2 border-l-4 border-watch bg-watch-soft p-3"
            >
              {offers.map(({ lack, devices, short }) => (
                <li key={lack} className="flex flex-wrap items-center gap-x-3 gap-y-1">
                  <span className="flex-1 basis-72">
                    {lack === 'noOutdoorTemperature' ? NO_TEMPERATURE : unmetWords(lack)}
                    {short &&
                      ` ${short.device.name} would do, and the cables are ${short.by} ${short.by === 1 ? 'conductor' : 'conductors'} short for it.`}
                  </span>
                  {devices.map((d) => (
                    <Button key={d.id} onClick={() => put({ extras: [...c.extras, d.id] })}>
                      Add {d.name}
                    </Button>
                  ))}
                </li>
              ))}
            </ul>
          )}
          {said && (
            <ul role="alert" className="mt-3 border-l-4 border-harm bg-harm-soft p-3">
              {said.slice(0, 6).map((l) => (
                <li key={l}>{l}</li>
              ))}
            </ul>
          )}
          <div className="mt-5 flex flex-wrap items-end gap-3">
            <Button
              look="strong"
              disabled={!gear || !plan}
              onClick={() => gear && plan && void send(jobOf(gear, plan, c, ''))}
            >
              Make the job
            </Button>
            <label className="block min-w-56 text-sm text-soft">
              or like another job
              <Select
                className="mt-1"
                value=""
                onChange={(e) => e.target.value && void likeAnother(e.target.value)}
              >
                <option value="">choose a job</option>
                {others.map((j) => (
                  <option key={j.id} value={j.id}>
                    {j.title}
                  </option>
                ))}
              </Select>
            </label>
          </div>
          <div className="mt-6">
            <Caution>
              A plan is a proposal. The makers’ diagrams on the doors, local code and licensed practice
              decide; every supply off and metered dead before a conductor is landed.
            </Caution>
          </div>
        </>
      )}
    </main>
  )
}

/** Loose parts that a technician adds, as buttons that stay pressed. */
function Extras({
  library,
  chosen,
  onChange,
}: {
  library: readonly Device[]
  chosen: readonly string[]
  onChange: (ids: string[]) => void
}) {
  return (
    <fieldset className="mt-4 flex flex-wrap gap-2">
      <legend className="mb-1 text-sm text-soft">Also there</legend>
      {library
        .filter((d) => hasTrait(d, 'optional'))
        .map((d) => {
          const on = chosen.includes(d.id)
          return (
            <Tip key={d.id} text={d.about ?? d.name}>
              <Button
                aria-pressed={on}
                className={cx(on && '!border-2 !border-ink font-bold')}
                onClick={() => onChange(on ? chosen.filter((x) => x !== d.id) : [...chosen, d.id])}
              >
                {on ? '✓ ' : ''}
                {d.name}
              </Button>
            </Tip>
          )
        })}
    </fieldset>
  )
}
