'use client'

import { TEMPORARY_KINDS, type TemporaryKind } from '@/jobfile'
import { Button, Disclosure, Field, Input, SelectField } from '@/ui'
import { TEMPORARY_WORDS } from '@/words'
import { useDraft, useJobScreen, useStamp } from '../session'

/** Lists a jumper, a lifted lead, an open panel: whatever stands otherwise and is no setting. */
export function AddOther() {
  const { edit } = useJobScreen()
  const stamp = useStamp()
  const { value, put, clear } = useDraft<{ kind: TemporaryKind; what: string }>('put-back')
  const { kind, what } = value ?? { kind: 'jumper', what: '' }
  const list = () => {
    const made = edit({
      kind: 'addTemporary',
      temporary: {
        id: `t-${crypto.randomUUID().slice(0, 8)}`,
        kind,
        what: what.trim(),
        at: 'job',
        was: null,
        now: 'in',
        why: '',
        ...stamp(),
      },
    })
    if (made.ok) clear()
  }
  return (
    <Disclosure
      className="text-[15px]"
      summary="List a jumper, a lifted lead, an open panel …"
      summaryClass="min-h-12 py-2 text-soft lg:min-h-8 lg:py-1"
    >
      <form
        className="mt-1 grid max-w-3xl items-end gap-3 sm:grid-cols-[1fr_2fr_auto]"
        onSubmit={(e) => {
          e.preventDefault()
          list()
        }}
      >
        <SelectField
          label="What kind"
          value={kind}
          options={TEMPORARY_KINDS.map((k) => [k, TEMPORARY_WORDS[k]])}
          onValue={(next) => put({ kind: next, what })}
        />
        <Field
          label="What stands otherwise, and where"
          note={kind === 'jumper' ? 'R to W never without R to G: strips never run without air' : undefined}
        >
          {(ids) => (
            <Input
              {...ids}
              maxLength={200}
              value={what}
              onChange={(e) => put({ kind, what: e.target.value })}
            />
          )}
        </Field>
        <Button type="submit" disabled={!what.trim()}>
          List it
        </Button>
      </form>
    </Disclosure>
  )
}
