'use client'

import type { Profile } from '@/core/equipment'
import { cut } from '@/jobfile'
import { Button, Disclosure, Field, Input } from '@/ui'

type Frame = Omit<Profile, 'items'>

const FLAGS = {
  unitOff: 'Unit off at its controller first',
  powerOff: 'Power off first',
  noUndo: 'Cannot be taken back',
  activate: 'Counts after a second press',
} as const

/** Settings that a way of keying in changes by itself, a line each. */
export const shiftsText = ({ shifts = [] }: Frame): string =>
  shifts.map((s) => `${s.setting}: ${s.text}`).join('\n')

/** The frame with what was typed of it; a line that is not yet whole says nothing. */
export function withShifts({ shifts: _, ...frame }: Frame, typed: string): Frame {
  const shifts = typed.split('\n').flatMap((line) => {
    const [, setting, what] = /^\s*([A-Za-z0-9-]+)\s*:\s*(.+?)\s*$/.exec(line) ?? []
    return setting && what ? [{ setting, text: cut(what, 400) }] : []
  })
  return shifts.length ? { ...frame, shifts } : frame
}

/** Notes about a way of keying in, beside its keys. */
export function Quirks({
  frame,
  setFrame,
  shifts,
  setShifts,
}: {
  frame: Frame
  setFrame: (next: Frame) => void
  /** Settings that it changes by itself, as typed. */
  shifts: string
  setShifts: (typed: string) => void
}) {
  const flip = (flag: keyof typeof FLAGS) => {
    const { [flag]: on, ...rest } = frame
    setFrame(on ? rest : { ...rest, [flag]: true })
  }
  const text = (field: 'name' | 'wait', value: string) => {
    const { [field]: _, ...rest } = frame
    setFrame(value ? { ...rest, [field]: value } : rest)
  }
  return (
    <Disclosure
      className="mb-2"
      summary="What must be known beside its keys"
      summaryClass="min-h-12 py-2 lg:min-h-8 lg:py-1"
    >
      <div className="my-1 flex flex-wrap gap-2">
        {Object.entries(FLAGS).map(([flag, words]) => {
          const on = frame[flag as keyof typeof FLAGS] ?? false
          return (
            <Button key={flag} aria-pressed={on} onClick={() => flip(flag as keyof typeof FLAGS)}>
              {on ? '✓ ' : ''}
              {words}
            </Button>
          )
        })}
      </div>
      <div className="my-2 grid gap-3 sm:grid-cols-2">
        <Field label="Name of this way, where there are several">
          {(ids) => (
            <Input
              {...ids}
              maxLength={60}
              value={frame.name ?? ''}
              onChange={(e) => text('name', e.target.value)}
            />
          )}
        </Field>
        <Field label="Wait first until">
          {(ids) => (
            <Input
              {...ids}
              maxLength={200}
              value={frame.wait ?? ''}
              onChange={(e) => text('wait', e.target.value)}
            />
          )}
        </Field>
        <Field
          label="What it changes by itself, a line each"
          note="The setting’s name in the file, a colon, and what happens"
          className="sm:col-span-2"
        >
          {(ids) => (
            <textarea
              {...ids}
              rows={2}
              className="w-full rounded border border-edge bg-raised px-3 py-2 text-[15px]"
              value={shifts}
              onChange={(e) => setShifts(e.target.value)}
            />
          )}
        </Field>
      </div>
    </Disclosure>
  )
}
