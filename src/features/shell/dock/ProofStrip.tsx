'use client'

import { Slider } from 'radix-ui'
import { useId, useMemo, type ReactElement, type ReactNode } from 'react'
import type { LoadFunction } from '@/core/equipment'
import { stripOf } from '@/core/explain'
import { breakpointsOf, changedSituation } from '@/core/situation'
import { tolerances } from '@/core/tolerances'
import { degF } from '@/core/units'
import { cx, fetchTip } from '@/ui'
import { degrees, findingSentence, loadFunctionWords } from '@/words'
import { later, useJobScreen, useProof, useSituationNow, setSituation } from '../../session'

const { coldestF, warmestF } = tolerances
/** Place of a temperature along the strip, percent. */
const along = (t: number): number =>
  ((Math.min(warmestF, Math.max(coldestF, t)) - coldestF) / (warmestF - coldestF)) * 100
const SOURCES: LoadFunction['what'][] = ['compressor', 'burner', 'strip']
const laneWords = (m: LoadFunction, rows: number): string => {
  if (m.what === 'strip') return rows > 1 ? `row ${m.row}` : 'strips'
  if (m.what === 'burner') return m.stage > 1 ? 'high fire' : 'furnace'
  return m.what === 'compressor' && m.stage === 2 ? 'high' : 'heat pump'
}
const AXIS = [0, 25, 50, 75, 100]
const Tip = later<{ text: ReactNode; children: ReactElement }>(fetchTip, ({ children }) => children)

/**
 * All outdoor temperatures at once: a lane for each source, solid where it runs on the present call, hatched where it is
 * locked out, dotted where it may be either; a tick at every gate and a notch where a rule is broken. Dragging it asks
 * "what then?".
 */
export function ProofStrip() {
  // The lanes may come a moment after the thumb; the thumb goes with the finger.
  const { circuit, inst, targets, situation: calm } = useJobScreen()
  const situation = useSituationNow()
  const proof = useProof()
  const { call, modes } = calm
  const stretches = useMemo(
    () => stripOf(circuit, { call, modes, outdoorF: degF(0) }),
    [circuit, call, modes],
  )
  const gates = useMemo(() => breakpointsOf(inst), [inst])
  const lanes = targets.filter((t) => SOURCES.includes(t.does.what))
  // px. Four lanes have room for their names; more are drawn finer.
  const step = Math.min(11, 44 / Math.max(1, lanes.length))
  const drawn = Math.max(36, lanes.length * step)
  const height = drawn + 22
  // A finding that stands in every situation has no notch.
  const notches = (proof?.findings ?? []).flatMap((finding) =>
    finding.witness ? [{ finding, at: finding.witness.outdoorF }] : [],
  )
  const id = useId()
  const rows = lanes.filter((l) => l.does.what === 'strip').length
  return (
    <div className="relative select-none">
      <div className="flex gap-1.5">
        <div
          aria-hidden
          className="w-[52px] shrink-0 pt-[10px] text-right text-[11px] leading-[11px] text-soft"
        >
          {lanes.map((l) => (
            <div key={l.ref} style={{ height: step, lineHeight: `${step}px` }}>
              {laneWords(l.does, rows)}
            </div>
          ))}
        </div>
        <Slider.Root
          className="relative block flex-1 touch-none"
          style={{ height }}
          min={coldestF}
          max={warmestF}
          step={1}
          value={[Math.round(situation.outdoorF)]}
          onValueChange={([t = situation.outdoorF]) =>
            setSituation(changedSituation(situation, { outdoorF: degF(t) }))
          }
        >
          <Slider.Track className="absolute inset-0 cursor-pointer">
            {notches.map(({ finding, at }) => (
              <Tip key={`${finding.rule}${finding.code}`} text={findingSentence(inst, finding)}>
                <span
                  className={cx(
                    'absolute top-0 -ml-1.5 border-x-[6px] border-t-[9px] border-x-transparent',
                    finding.severity === 'warn' ? 'border-t-watch' : 'border-t-harm',
                  )}
                  style={{ left: `${along(at)}%` }}
                />
              </Tip>
            ))}
            {lanes.map((lane, i) => (
              <span
                key={lane.ref}
                className="absolute inset-x-0"
                style={{ top: 10 + i * step, height: step - 2 }}
              >
                {stretches.map((s) => {
                  const on = s.running[lane.ref]
                  return (
                    <span
                      key={s.from}
                      data-lane={on}
                      className={cx(
                        'absolute inset-y-0',
                        on === 'yes' && (lane.does.what === 'compressor' ? 'bg-live' : 'bg-ember'),
                        on === 'no' && 'hatched border border-line',
                        on === 'unknown' && 'border-2 border-dotted border-ember',
                      )}
                      style={{
                        left: `${along(s.from)}%`,
                        width: `calc(${along(s.to) - along(s.from)}% - 1px)`,
                      }}
                    />
                  )
                })}
              </span>
            ))}
            {gates.map((g) => (
              <Tip key={g} text={`A gate at ${degrees(g)}`}>
                <span
                  className="absolute w-px bg-ink before:absolute before:inset-y-0 before:-inset-x-1"
                  style={{ left: `${along(g)}%`, top: 8, height: lanes.length * step + 4 }}
                />
              </Tip>
            ))}
            {AXIS.map((t) => (
              <span
                key={t}
                aria-hidden
                className="absolute bottom-0 -translate-x-1/2 text-[11px] leading-none text-soft"
                style={{ left: `${along(t)}%` }}
              >
                {t}°
              </span>
            ))}
          </Slider.Track>
          <Slider.Thumb
            aria-label="Outdoor temperature"
            aria-describedby={id}
            aria-valuetext={degrees(situation.outdoorF)}
            className="block w-4 cursor-ew-resize focus-visible:outline-offset-0"
            style={{ height }}
          >
            <span className="mx-auto mt-[9px] block w-[3px] bg-slate" style={{ height: drawn }} />
            <span className="mx-auto -mt-1 block size-[11px] rotate-45 bg-slate" />
          </Slider.Thumb>
        </Slider.Root>
      </div>
      <span id={id} className="sr-only">
        {lanes
          .map((l) => {
            const on = stretches.filter((s) => s.running[l.ref] === 'yes')
            const name = loadFunctionWords(l.does)
            if (!on.length) return `${name} is held off at every temperature.`
            return `${name} runs ${on.map((s) => `from ${s.from} to ${s.to}`).join(', ')} °F.`
          })
          .join(' ')}
      </span>
    </div>
  )
}
