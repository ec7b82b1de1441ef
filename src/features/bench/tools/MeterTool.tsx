'use client'

import type { Ohms } from '@/core/units'
import { useMemo } from 'react'
import { meterWithStrays, ohmsBetween } from '@/core/circuit'
import type { Point } from '@/core/installation'
import { unknownsBehindVolts, variantsOf } from '@/core/startup'
import { tolerances } from '@/core/tolerances'
import { Caution, SelectField } from '@/ui'
import { figure, refWords } from '@/words'
import { useJobScreen } from '../../session'
import { pointsOf, type Leads } from '../leads'

const ohmsWords = (r: number): string =>
  Number.isNaN(r)
    ? '?'
    : r === Infinity
      ? 'OL'
      : r >= 1e6
        ? `${figure(r / 1e6)} MΩ`
        : r >= 1000
          ? `${figure(r / 1000)} kΩ`
          : `${r < 10 ? r.toFixed(2) : figure(r)} Ω`

/** Two leads on any two points: what a meter would show, in volts, ohms and at the clamp. */
export function MeterTool({ leads, setLeads }: { leads: Leads; setLeads: (leads: Leads) => void }) {
  const { inst, circuit, situation, solved } = useJobScreen()
  const points = useMemo(() => pointsOf(inst), [inst])
  const { red, black } = leads
  const ohms = useMemo(
    () => (red && black ? ohmsBetween(circuit, red, black) : Number.NaN),
    [circuit, red, black],
  )
  const show = (impedance: Ohms) => (solved.ok ? meterWithStrays(solved, red, black, impedance) : Number.NaN)
  const high = show(tolerances.meterOhms)
  const low = show(tolerances.lowMeterOhms)
  const hangsOn = useMemo(
    () => unknownsBehindVolts(variantsOf(circuit), situation, red, black, tolerances.meterOhms),
    [circuit, situation, red, black],
  )
  const floating = high > 1 && low < high * 0.5
  const clamps = inst.wires.filter((w) => w.a === red || w.b === red)
  const lead = (label: string, value: Point, set: (r: Point) => void) => (
    <SelectField
      label={label}
      value={value}
      options={points.map((p): [Point, string] => [p, refWords(inst, p)])}
      onValue={set}
    />
  )
  return (
    <section aria-label="Meter" data-testid="meter">
      <p className="mb-2 hidden text-[15px] lg:block">
        Tap two points on the drawing: the {leads.next} lead goes to the next one.
      </p>
      <dl className="grid max-w-xl grid-cols-3 gap-x-4 gap-y-2">
        <Shown label="Volts, 10 MΩ meter" text={Number.isNaN(high) ? '?' : `${figure(high)} V`} />
        <Shown label="Volts, low impedance" text={Number.isNaN(low) ? '?' : `${figure(low)} V`} />
        <Shown label="Ohms, all supplies off" text={ohmsWords(ohms)} />
      </dl>
      <div className="mt-3 grid max-w-xl grid-cols-2 gap-3">
        {lead('Red lead', red, (r) => setLeads({ ...leads, red: r }))}
        {lead('Black lead', black, (r) => setLeads({ ...leads, black: r }))}
      </div>
      {hangsOn.length > 0 && (
        <p className="mt-2 max-w-xl text-watch">
          These volts hang on what is not known yet: {hangsOn.map((at) => refWords(inst, at)).join('; ')}.
        </p>
      )}
      {floating && (
        <p className="mt-2 max-w-xl border-l-4 border-watch bg-watch-soft px-3 py-1">
          A ghost: nothing drives this point, it floats beside live conductors in its cable. The low-impedance
          range shows it for what it is.
        </p>
      )}
      {clamps.length > 0 && (
        <ul className="mt-3 max-w-xl text-[15px]" aria-label="Clamp amps">
          {clamps.map((w) => (
            <li key={w.id} className="flex justify-between border-t border-line py-1">
              <span>Clamp on the {refWords(inst, `wires.${w.id}`)}</span>
              <span className="font-bold whitespace-nowrap">
                {solved.ok && w.a && w.b ? `${solved.amps(`wires.${w.id}`).toFixed(2)} A` : '0.00 A'}
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 max-w-xl">
        <Caution>
          Ohms only with every supply off, locked and metered dead. An element that is “off” still has one
          live leg.
        </Caution>
      </div>
    </section>
  )
}

function Shown({ label, text }: { label: string; text: string }) {
  return (
    <div>
      <dt className="text-sm text-soft">{label}</dt>
      <dd className="font-mono text-xl font-bold">{text}</dd>
    </div>
  )
}
