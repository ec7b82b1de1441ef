'use client'

import { isLanded } from '@/core/query'
import { Checkbox } from 'radix-ui'
import { useEffect, useRef } from 'react'
import { makeRef, type Installation, type Placed } from '@/core/installation'
import { allowedOf, ledPattern, type SheetLine } from '@/core/setup'
import { settingsOfItem, type Unknowable, type Value } from '@/core/equipment'
import type { Job, Operation } from '@/jobfile'
import { Button, cx, Disclosure } from '@/ui'
import { dateWords, lineWords } from '@/words'
import { useJobScreen, useSetValue, useStamp } from '../session'
import { ValueField } from './ValueField'

import { nameOf, settingOf, tickId, valueText } from './keyInNames'

/** A line of the sheet: the intent first, the keys under it, ticked with one thumb. */
export function KeyInLine({
  line,
  placed,
  ticked,
  current,
  lines,
}: {
  line: SheetLine
  placed: Placed
  ticked: boolean
  current: boolean
  lines: SheetLine[]
}) {
  const { job, inst, edit } = useJobScreen()
  const stamp = useStamp()
  const setValue = useSetValue()
  const row = useRef<HTMLLIElement>(null)
  const first = useRef(current && lines.indexOf(line) > 0)
  useEffect(() => {
    // Interrupted work resumes at its line.
    if (first.current) row.current?.scrollIntoView({ block: 'center' })
  }, [])
  const set = line.kind === 'set' ? line : null
  const item = set?.item
  const names = line.item ? settingsOfItem(line.item).map((id) => nameOf(placed, id)) : []
  const name = names.join(' and ')
  const words = lineWords(line, name)
  const style = placed.device.profile?.style
  const keyed = item ? job.setup.keyed[makeRef(placed.ref, item.setting)] : undefined
  const blocked = line.noteFirst && !keyed?.found
  const setting = item && settingOf(placed, item.setting)
  type Noted = 'found' | 'left' | 'readBack'
  const noting = (what: Noted, value: Unknowable<Value>, setting: string): Operation => ({
    kind: 'noteKeyed',
    ref: placed.ref,
    setting,
    what,
    note: { value, ...stamp() },
  })
  const note = (what: Noted, value: Unknowable<Value>) => item && edit(noting(what, value, item.setting))
  const tick = () => edit(({ job: { setup } }) => ticking(setup))
  const ticking = ({ ticks, keyed }: Job['setup']): Operation[] => {
    const id = tickId(placed, line)
    const on = !ticks[id]
    const ticked: Operation = { kind: 'tickLine', line: id, by: on ? stamp() : null }
    if (!set) return [ticked]
    const { item } = set
    // An intent may span several lines: it is set when the last of them is ticked.
    const writes = [{ setting: item.setting, to: set.to }, ...(set.also ? [set.also] : [])]
    const left = writes.flatMap(({ setting, to }): Operation[] => {
      const others = lines.filter(
        (l) => l.kind === 'set' && settingsOfItem(l.item).includes(setting) && l !== line,
      )
      const whole = on && others.every((l) => ticks[tickId(placed, l)])
      const noted = keyed[makeRef(placed.ref, setting)]?.left
      if (whole && to !== null) return [noting('left', to, setting)]
      return !on && noted ? [{ kind: 'noteKeyed', ref: placed.ref, setting, what: 'left', note: null }] : []
    })
    return [ticked, ...left]
  }
  return (
    <li
      ref={row}
      data-line={line.id}
      data-ticked={ticked}
      className={cx('border-t border-line py-1.5', current && 'bg-raised')}
    >
      <div className="flex items-center gap-3">
        {line.kind === 'leaveAlone' ? (
          <span aria-hidden className="w-12 shrink-0" />
        ) : (
          <Checkbox.Root
            checked={ticked}
            aria-label={item ? `${name} keyed in` : words.title}
            disabled={blocked}
            onCheckedChange={tick}
            className={cx(
              'flex size-12 shrink-0 items-center justify-center rounded border-2 text-2xl font-bold disabled:border-dashed disabled:opacity-50',
              ticked ? 'border-well bg-well-soft text-well' : 'border-ink bg-raised',
            )}
          >
            <Checkbox.Indicator>✓</Checkbox.Indicator>
          </Checkbox.Root>
        )}
        <div className="min-w-0 flex-1">
          <p className={cx('leading-tight', ticked && 'text-soft')}>
            <span className="font-bold">{words.title}</span>
            {set && (
              <>
                :{' '}
                <span className="text-soft">
                  {set.from === null ? 'not looked at' : valueText(placed, set.item.setting, set.from)}
                </span>{' '}
                → <span className="font-bold">{valueText(placed, set.item.setting, set.to)}</span>
                {set.also && (
                  <>
                    {' '}
                    with <span className="font-bold">{valueText(placed, set.also.setting, set.also.to)}</span>
                  </>
                )}
              </>
            )}
          </p>
          {set && (
            <p className="text-[15px]">
              <span className="font-mono font-bold">
                {set.item.address ? `${set.item.address} ` : ''}
                {set.item.code}
              </span>{' '}
              {set.item.label} <span className="font-mono font-bold">→ {set.toCode}</span>
              {style === 'leds' && <Lights text={ledPattern(set.item, set.toCode)} />}
              {style === 'switches' && <SwitchDrawing code={set.item.code} to={set.toCode} />}
            </p>
          )}
          <p className="text-sm break-words text-soft">{words.keys}</p>
          {line.kind === 'enter' && style === 'guided' && (
            <p className="text-sm">
              By this landing it must name{' '}
              <span className="font-mono font-bold">{landedLabels(inst, placed)}</span>
            </p>
          )}
          {set?.item.readBack && ticked && (
            <Button
              className="mt-1"
              aria-pressed={Boolean(keyed?.readBack)}
              onClick={() => note('readBack', set.to)}
            >
              {keyed?.readBack ? '✓ Read back' : 'It reads back'}{' '}
              {valueText(placed, set.item.setting, set.to)}
            </Button>
          )}
          {keyed?.left && ticked && (
            <p className="text-sm text-soft">
              Left so by {keyed.left.who || 'nobody named'},{' '}
              {dateWords(keyed.left.when, 'MMM d, yyyy, h:mm a')}
            </p>
          )}
        </div>
      </div>
      {set && item && setting && (blocked || !ticked) && (
        <Disclosure
          className="ml-15 text-[15px]"
          defaultOpen={blocked}
          summary={
            keyed?.found
              ? `Found: ${valueText(placed, item.setting, keyed.found.value)}`
              : blocked
                ? 'Write down what it shows first'
                : 'Record what it showed'
          }
          summaryClass="min-h-8 py-1 text-soft"
        >
          <div className="max-w-60">
            <ValueField
              label={`${name}: as found`}
              allowed={allowedOf(placed.device, setting)}
              value={keyed?.found?.value}
              none="choose what it shows"
              onValue={(v) => v !== null && note('found', v)}
            />
            {keyed?.found && keyed.found.value !== set.to && (
              <Button
                className="mt-1"
                onClick={() =>
                  setValue(
                    [{ at: makeRef(placed.ref, item.setting), value: keyed.found?.value ?? null }],
                    'found',
                  )
                }
              >
                Leave it as found
              </Button>
            )}
          </div>
        </Disclosure>
      )}
    </li>
  )
}

/** The terminals of a device that something is landed on: what a device that looks for its wires must find. */
const landedLabels = (inst: Installation, placed: Placed): string =>
  placed.device.terminals
    .filter((t) => t.side === 'low' && isLanded(inst, makeRef(placed.ref, t.id)))
    .map((t) => t.label)
    .join(' ')

/** Lights as they look on the board. */
function Lights({ text }: { text: string }) {
  return (
    <span
      role="img"
      aria-label={`Lights ${text.replace(/●/g, 'on ').replace(/○/g, 'off ')}`}
      className="ml-2 inline-flex gap-1 align-middle"
    >
      {[...text].map((c, i) =>
        c === ' ' ? (
          <span key={i} className="w-2" />
        ) : (
          <span
            key={i}
            className={cx(
              'inline-block size-3.5 rounded-full border border-ink',
              c === '●' ? 'bg-ember' : 'bg-panel',
            )}
          />
        ),
      )}
    </span>
  )
}

/** A DIP switch with its slider up for 1, or pins with the cap on the named pair. */
function SwitchDrawing({ code, to }: { code: string; to: string }) {
  const dip = to === '0' || to === '1'
  return (
    <svg
      width={dip ? 26 : 60}
      height="26"
      role="img"
      aria-label={dip ? `${code} ${to === '1' ? 'on' : 'off'}` : `${code} cap on ${to}`}
      className="ml-2 inline-block align-middle"
    >
      {dip ? (
        <>
          <rect x="6" y="1" width="14" height="24" rx="2" fill="var(--ink)" />
          <rect x="8" y={to === '1' ? 3 : 14} width="10" height="9" rx="1" fill="var(--bench)" />
        </>
      ) : (
        <>
          <rect x="2" y="7" width="56" height="13" rx="3" fill="none" stroke="var(--ink)" strokeWidth="2" />
          <text x="30" y="18" textAnchor="middle" fontSize="12" fontWeight="bold" fill="var(--ink)">
            {to}
          </text>
        </>
      )}
    </svg>
  )
}
