'use client'

import { blowerAmps, identifyKit, USUAL_KITS, type KitClues } from '@/core/kit'
import { Field, Input, SelectField, useLocalStorage, typedAmount } from '@/ui'
import { identitySentences } from '@/words'
import { useJobScreen } from '../session'

const FIELDS = [
  ['labelKw', 'kW on its label'],
  ['labelBreaker', 'Largest breaker on its label, A'],
  ['breakers', 'Its breakers, A, with spaces'],
  ['rows', 'Rows, counted'],
  ['ohms', 'Ω of each row, or OL, with spaces'],
  ['amps', 'A at its feed, all on'],
  ['volts', 'V meanwhile'],
] as const
type Typed = Partial<Record<(typeof FIELDS)[number][0] | 'across', string>>

function cluesOf(typed: Typed): KitClues {
  const list = (text = '') => text.split(/[\s;]+/).flatMap((t) => typedAmount(t) ?? [])
  const breakers = list(typed.breakers)
  const ohms = (typed.ohms ?? '')
    .split(/[\s;]+/)
    .flatMap((t): (number | 'OL')[] => (/^ol$/i.test(t) ? ['OL'] : list(t)))
  const known = (['labelKw', 'labelBreaker', 'rows', 'amps', 'volts'] as const).flatMap((k) => {
    const n = typedAmount(typed[k])
    return n === undefined ? [] : [[k, n] as const]
  })
  return {
    ...Object.fromEntries(known),
    ...(ohms.length ? { ohms } : {}),
    ...(typed.across === 'element' || typed.across === 'row' ? { across: typed.across } : {}),
    ...(breakers.length ? { breakers } : {}),
  }
}

/** A kit that nobody knows, from whatever can be seen or read of it. */
export function WhichKit({ volts }: { volts: number }) {
  const { inst, job } = useJobScreen()
  const [typed, setTyped] = useLocalStorage<Typed>(`gate-cross-which-kit-${job.id}`, {})
  const found = identifyKit(cluesOf(typed), USUAL_KITS, {
    blowerA: blowerAmps(inst, job.commissioning.plates),
    volts,
  })
  return (
    <section
      aria-label="Which kit is this"
      className="mt-5 border-t border-line pt-2"
      data-testid="which-kit"
    >
      <h2 className="text-lg font-bold">Which kit is this?</h2>
      <div className="mt-1 grid grid-cols-2 items-end gap-3 md:grid-cols-3 lg:grid-cols-6">
        {FIELDS.map(([of, label]) => (
          <Field key={of} label={label}>
            {(ids) => (
              <Input
                {...ids}
                inputMode={of === 'ohms' || of === 'breakers' ? 'text' : 'decimal'}
                value={typed[of] ?? ''}
                onChange={(e) => setTyped({ ...typed, [of]: e.target.value })}
              />
            )}
          </Field>
        ))}
        {/\bol\b/i.test(typed.ohms ?? '') && (
          <SelectField
            label="OL was read across"
            value={typed.across ?? ''}
            options={[
              ['', 'not said'],
              ['element', 'the element alone'],
              ['row', 'the whole row, relay open'],
            ]}
            onValue={(across) => setTyped({ ...typed, across })}
          />
        )}
      </div>
      <div role="status" className="mt-2 text-[15px]" data-testid="which-kit-answer">
        {identitySentences(found).map((s, i) => (
          <p key={s} className={i === 0 ? 'font-bold' : undefined}>
            {s}
          </p>
        ))}
      </div>
    </section>
  )
}
