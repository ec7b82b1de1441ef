'use client'

import type { Intent } from '@/core/equipment'
import { defaultOf } from '@/core/installation'
import { expressedIn, INTENT_GROUPS, INTENTS_BY_GROUP, type Allowed, type Expressed } from '@/core/setup'
import { cx, Disclosure } from '@/ui'
import { findingWords, GROUP_WORDS, inertWords, INTENT_WORDS, settingText } from '@/words'
import { ChangedBy } from '../news'
import type { Finding } from '@/core/rules'
import { useJobScreen, useSetValue } from '../session'
import { ValueField } from './ValueField'

const SOURCE_WORDS = { recommended: 'recommended', typed: 'typed', found: 'as found on the device' } as const

const rangeWords = (a: Allowed): string =>
  a.kind === 'options'
    ? a.values.map((v) => v.label).join(', ')
    : `${a.low} to ${a.high} ${a.unit === 'Δ°F' ? '°F' : a.unit}, in steps of ${a.step}`.replace('  ', ' ')

/** Every intent, by what it decides: its value on each device that can express it, its range, and where it comes from. */
export function Intents({ conflicts }: { conflicts: readonly Finding[] }) {
  const { inst } = useJobScreen()
  return (
    <div data-testid="intents">
      {INTENT_GROUPS.map((group) => {
        const rows = INTENTS_BY_GROUP[group].map((intent) => ({ intent, list: expressedIn(inst, intent) }))
        const can = rows.filter((r) => r.list.length > 0)
        const cannot = rows.filter((r) => r.list.length === 0)
        return (
          <section key={group} className="mb-6 border-t border-line pt-2">
            <h2 className="text-lg font-bold">{GROUP_WORDS[group]}</h2>
            <ul className="grid gap-x-8 lg:grid-cols-2">
              {can.flatMap(({ intent, list }) =>
                list.map((e) => (
                  <IntentRow
                    key={e.at}
                    intent={intent}
                    expressed={e}
                    several={list.length > 1}
                    conflicts={conflicts}
                  />
                )),
              )}
            </ul>
            {cannot.length > 0 && (
              <Disclosure
                className="mt-2 text-[15px]"
                summary={<>{cannot.length} that no device here can express</>}
                summaryClass="min-h-8 py-1 text-soft"
              >
                <ul>
                  {cannot.map(({ intent }) => (
                    <li key={intent} className="border-t border-line py-1">
                      <span className="font-bold">{INTENT_WORDS[intent].name}.</span>{' '}
                      {INTENT_WORDS[intent].instead
                        ? `Instead: ${INTENT_WORDS[intent].instead}`
                        : 'Nothing takes its place; it stays as the device has it.'}
                    </li>
                  ))}
                </ul>
              </Disclosure>
            )}
          </section>
        )
      })}
    </div>
  )
}

function IntentRow({
  intent,
  expressed: e,
  several,
  conflicts,
}: {
  intent: Intent
  expressed: Expressed
  several: boolean
  conflicts: readonly Finding[]
}) {
  const { inst, job } = useJobScreen()
  const setValue = useSetValue()
  const wrong = conflicts.filter((c) => [c.at, ...c.also].includes(e.at))
  const words = INTENT_WORDS[intent]
  const source = job.setup.sources[e.at]
  const plate = e.setting.group === 'plate'
  const usual = defaultOf(e.placed, e.setting.id) ?? e.setting.default
  const inert = inertWords(e.setting, e.value)
  return (
    <li className={cx('border-t border-line py-2', wrong.length > 0 && 'border-l-4 border-l-harm pl-2')}>
      <ValueField
        label={`${words.name}${several ? `, ${e.placed.label.toLowerCase()}` : ''}`}
        allowed={e.allowed}
        value={e.value}
        onValue={(v) => setValue([{ at: e.at, value: v }], 'typed')}
      />
      <ChangedBy path={`placed.${e.placed.ref}.settings.${e.setting.id}`} />
      <p className="mt-1 text-sm text-soft">{words.does}</p>
      <p className="text-sm text-soft">
        {e.placed.label}
        {e.setting.label !== words.name ? `, “${e.setting.label}”` : ''}: {rangeWords(e.allowed)}. Now{' '}
        {plate
          ? 'from the plate'
          : source
            ? SOURCE_WORDS[source]
            : e.value === usual
              ? 'the device’s default'
              : 'as recorded'}
        {e.value !== usual && !plate ? ` (default ${settingText(e.setting, usual)})` : ''}.
      </p>
      {inert && <p className="text-sm text-soft">{inert}</p>}
      {wrong.map((c) => (
        <p key={c.code} className="text-sm text-harm">
          {findingWords(inst, c)}.
        </p>
      ))}
    </li>
  )
}
