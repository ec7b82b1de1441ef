'use client'

import { settingValue, makeRef } from '@/core/installation'
import { allowedOf, itemsFor } from '@/core/setup'
import type { Unknowable, Value } from '@/core/equipment'
import { Button, SelectField, Field, Input, Disclosure } from '@/ui'
import { refWords } from '@/words'
import { useDraft, useJobScreen, useStamp } from '../session'
import { ValueField } from './ValueField'

interface Typed {
  at: string
  value: Unknowable<Value>
  why: string
}
const NOTHING: Typed = { at: '', value: null, why: '' }

/** Lists a setting that is changed for a test only. */
export function AddTemporary() {
  const { inst, edit } = useJobScreen()
  const stamp = useStamp()
  const draft = useDraft<Typed>('temporary')
  const { at, value, why } = draft.value ?? NOTHING
  const put = (change: Partial<Typed>) => draft.put({ at, value, why, ...change })
  const list = inst.placed.flatMap((p) =>
    p.device.settings
      .filter((s) => s.group === 'set' && itemsFor(p.device, s.id).length > 0)
      .map((s) => ({ at: makeRef(p.ref, s.id), placed: p, setting: s })),
  )
  const chosen = list.find((l) => l.at === at)
  return (
    <Disclosure
      className="text-[15px]"
      summary="Change something for a test only"
      summaryClass="min-h-12 py-2 text-soft lg:min-h-8 lg:py-1"
    >
      <div className="mt-1 grid max-w-3xl items-end gap-3 sm:grid-cols-[2fr_1fr_2fr_auto]">
        <SelectField
          label="Setting"
          value={at}
          none="choose"
          options={list.map((l) => [l.at, refWords(inst, l.at)])}
          onValue={(next) => put({ at: next, value: null })}
        />
        {chosen && (
          <ValueField
            key={at}
            label="For the test"
            none="choose"
            allowed={allowedOf(chosen.placed.device, chosen.setting)}
            value={value}
            onValue={(next) => put({ value: next })}
          />
        )}
        <Field label="What for">
          {(ids) => (
            <Input {...ids} maxLength={200} value={why} onChange={(e) => put({ why: e.target.value })} />
          )}
        </Field>
        <Button
          disabled={!chosen || value === null}
          onClick={() => {
            if (!chosen || value === null) return
            const made = edit({
              kind: 'addTemporary',
              temporary: {
                id: `t-${crypto.randomUUID().slice(0, 8)}`,
                at,
                was: settingValue(chosen.placed, chosen.setting.id),
                now: value,
                why,
                ...stamp(),
              },
            })
            if (made.ok) draft.clear()
          }}
        >
          List it
        </Button>
      </div>
    </Disclosure>
  )
}
