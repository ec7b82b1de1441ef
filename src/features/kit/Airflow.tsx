'use client'

import { heatersOf } from '@/core/crossing'
import { airflowOf, BTU_PER_KWH, houseValue, type HouseValue } from '@/core/house'
import { having } from '@/core/query'
import type { JobSeen } from '@/core/installation'
import { tolerances } from '@/core/tolerances'
import { Button, Field, Input, SelectField, useLocalStorage, typedAmount } from '@/ui'
import { count, figure } from '@/words'
import { useJobScreen } from '../session'

const SPEEDS = [
  ['cfmHeat', 'Heat'],
  ['cfmHigh', 'High'],
  ['cfmLow', 'Low'],
  ['cfmFan', 'Fan'],
] as const satisfies readonly (readonly [HouseValue, string])[]
type Speed = (typeof SPEEDS)[number][0]

interface Typed {
  volts?: string
  amps?: string
  rise?: string
  blowerW?: string
  speed?: Speed
}

/** The airflow from what is read with the heat pump off: by the strips, or by the furnace's rise; offered to the job. */
export function Airflow({ seen, volts }: { seen: JobSeen; volts: number }) {
  const { job, edit, inst } = useJobScreen()
  const [typed, setTyped] = useLocalStorage<Typed>(`gate-cross-airflow-${job.id}`, {})
  const { burner } = heatersOf(seen)
  const altitude = houseValue(seen.house, 'altitudeFt')
  const rise = typedAmount(typed.rise)
  const amps = typedAmount(typed.amps)
  const heat = burner
    ? burner.outputBtuh
    : amps === undefined
      ? undefined
      : (((typedAmount(typed.volts) ?? volts) * amps + (typedAmount(typed.blowerW) ?? 0)) / 1000) *
        BTU_PER_KWH
  const cfm = heat !== undefined && rise !== undefined ? airflowOf(heat, rise, altitude) : undefined
  const speed: Speed = typed.speed ?? 'cfmHeat'
  const tons = having(inst, 'compresses')[0]?.device.plate.tons
  const set = (part: Partial<Typed>) => setTyped({ ...typed, ...part })
  const field = (of: 'volts' | 'amps' | 'rise' | 'blowerW', label: string, placeholder = '') => (
    <Field label={label}>
      {(ids) => (
        <Input
          {...ids}
          inputMode="decimal"
          placeholder={placeholder}
          value={typed[of] ?? ''}
          onChange={(e) => set({ [of]: e.target.value })}
        />
      )}
    </Field>
  )
  return (
    <section aria-label="Airflow" className="mt-5 border-t border-line pt-2" data-testid="airflow">
      <h2 className="text-lg font-bold">Airflow by {burner ? 'the furnace’s rise' : 'the strips'}</h2>
      <p className="text-[15px] text-soft">
        Heat pump off, steady for ten minutes, panels on, both probes out of sight of the{' '}
        {burner ? 'exchanger' : 'elements'}. It holds only for the speed that runs meanwhile.
      </p>
      <div className="mt-1 grid grid-cols-2 items-end gap-3 md:grid-cols-3 lg:grid-cols-6">
        {!burner && field('amps', 'A of the elements')}
        {!burner && field('volts', 'V meanwhile', figure(volts))}
        {field('rise', 'Rise of the air, °F')}
        {!burner && field('blowerW', 'W of the blower, if known')}
        <SelectField label="At the speed" value={speed} options={SPEEDS} onValue={(s) => set({ speed: s })} />
      </div>
      <p role="status" className="mt-2 text-[15px]" data-testid="airflow-answer">
        {cfm === undefined || heat === undefined
          ? 'It is reckoned once these are typed.'
          : `${count(Math.round(cfm))} CFM: ${count(Math.round(heat))} BTU/h over 1.08 times the air’s density and the rise.${
              tons ? ` ${figure(cfm / tons, 0)} a ton${perTonWords(cfm / tons)}.` : ''
            }`}
      </p>
      {cfm !== undefined && (
        <Button
          className="mt-1"
          onClick={() => edit({ kind: 'setHouse', of: speed, value: Math.round(cfm), source: 'measured' })}
        >
          Keep {count(Math.round(cfm))} CFM as measured
        </Button>
      )}
    </section>
  )
}

function perTonWords(each: number): string {
  const [low, high] = tolerances.cfmPerTon
  if (each < low) return `, below the ${low} that a heat pump wants: tap, filter, duct`
  return each > high ? `, above ${high}: tap` : ', as it should be'
}
