'use client'

import { plateOf } from '@/core/crossing'
import type { HEAT_CONTENT } from '@/core/house'
import { airflowOf, houseValue, meteredShare } from '@/core/house'
import {
  clockedInput,
  inputAtSite,
  inputSide,
  MANIFOLD,
  nozzleFlow,
  nozzleFor,
  oilInput,
  USUAL_HEATING,
  USUAL_PSI,
} from '@/core/kit'
import { burnersOf } from '@/core/query'
import { heatersOf } from '@/core/crossing'
import type { JobSeen } from '@/core/installation'
import { Field, Input, SelectField, useLocalStorage, typedAmount } from '@/ui'
import { btuh, count, figure } from '@/words'
import { useJobScreen } from '../session'

/** Whether the gas meter compensates for pressure. */
type Meter = 'unknown' | 'yes' | 'no'
const METERS = [
  ['unknown', 'Not known'],
  ['yes', 'Yes'],
  ['no', 'No'],
] as const
interface Typed {
  feet?: string
  seconds?: string
  heating?: string
  meter?: Meter
  gph?: string
  psi?: string
}
const FIELDS = {
  gas: [
    ['feet', 'ft³ at the meter'],
    ['seconds', 'in seconds'],
    ['heating', 'BTU in a ft³'],
  ],
  oil: [
    ['gph', 'Nozzle, gal/h at 100 psi'],
    ['psi', 'Pump, psi'],
  ],
} as const
/** Each step of a conversion to LP, with what proves it. */
const LP_STEPS = [
  'Gas off, leak-free, and the kit made for this furnace: its list names the model.',
  'Orifices changed, every one: the number stamped on each.',
  'Spring or regulator changed: 10 to 11 in.w.c. at the manifold with all burners lit.',
  'Low-gas-pressure switch in series with the pressure switch: tank valve closed, no try for ignition.',
  'Label of the conversion filled in and left on the furnace.',
  'Settings say LP wherever the device tells them apart.',
  'Leak test, CO at flue and registers, rise inside the plate’s band.',
]

/** A burner's input and output by its meter or its nozzle, compared with its plate. */
export function Burner({ seen }: { seen: JobSeen }) {
  const { job } = useJobScreen()
  const [typed, setTyped] = useLocalStorage<Typed>(`gate-cross-burner-${job.id}`, {})
  const at = burnersOf(seen.inst)[0]
  const { fuel } = heatersOf(seen)
  if (!at || !fuel) return null
  const plate = plateOf(seen, at.placed)
  const { inputBtuh, efficiency, riseLow, riseHigh, flueLowF, flueHighF } = plate
  const isOil = fuel === 'oil'
  const altitude = houseValue(seen.house, 'altitudeFt')
  const wanted = inputAtSite(plate, fuel, altitude)
  const meter = typed.meter ?? 'unknown'
  // A meter that nobody asked about is taken not to compensate: most in houses do not.
  const meterFt = meter === 'yes' ? 0 : (altitude ?? 0)
  const input = inputOf(typed, fuel, meterFt)
  // Not known, the meter may compensate all the same: a verdict that depends on it is none.
  const compensated = meter === 'unknown' ? inputOf(typed, fuel, 0) : input
  const isPumpRead = typedAmount(typed.psi) !== undefined
  const besidePlate =
    !wanted || input === undefined || compensated === undefined || (isOil && !isPumpRead)
      ? ''
      : inputSide(input, wanted.btuh) === inputSide(compensated, wanted.btuh)
        ? verdict(input, wanted, fuel)
        : `, or ${btuh(compensated)} if the meter compensates: ask the utility before you change anything`
  const output = input !== undefined && efficiency !== undefined ? input * efficiency : undefined
  return (
    <div className="mt-2" data-testid="burner">
      <p className="text-[15px]">
        Plate: {inputBtuh === undefined ? 'input not known' : `${btuh(inputBtuh)} in`}
        {efficiency === undefined ? '' : ` at ${figure(efficiency * 100)} %`}
        {wanted?.isDerated
          ? `, ${btuh(wanted.btuh)} at ${count(altitude ?? 0)} ft (4 % less for each 1,000 ft; the manufacturer’s altitude table wins)`
          : ''}
        {riseLow === undefined ? '' : `, rise ${riseLow} to ${riseHigh ?? '?'} °F`}
        {flueLowF === undefined ? '' : `, flue ${flueLowF} to ${flueHighF ?? '?'} °F`}.
        {isOil
          ? inputBtuh === undefined
            ? ''
            : ` At ${USUAL_PSI} psi that is a nozzle of ${figure(nozzleFor(inputBtuh, USUAL_PSI), 2)} gal/h; its angle and pattern are in the burner’s chart.`
          : ` Manifold ${MANIFOLD[fuel].map((p) => figure(p)).join(' to ')} in.w.c.; the plate wins.`}
      </p>
      <div className="mt-1 grid max-w-2xl grid-cols-2 items-end gap-3 sm:grid-cols-3">
        {FIELDS[isOil ? 'oil' : 'gas'].map(([of, label]) => (
          <Field key={of} label={label}>
            {(ids) => (
              <Input
                {...ids}
                inputMode="decimal"
                placeholder={
                  of === 'psi'
                    ? String(USUAL_PSI)
                    : of === 'heating' && !isOil
                      ? String(USUAL_HEATING[fuel])
                      : ''
                }
                value={typed[of] ?? ''}
                onChange={(e) => setTyped({ ...typed, [of]: e.target.value })}
              />
            )}
          </Field>
        ))}
        {!isOil && (
          <SelectField
            label="Meter compensates for pressure"
            value={meter}
            options={METERS}
            onValue={(m) => setTyped({ ...typed, meter: m })}
          />
        )}
      </div>
      <p role="status" className="mt-1 text-[15px]" data-testid="burner-answer">
        {input === undefined
          ? isOil
            ? 'Input is gal/h times 138,500; flow goes with the root of the pressure.'
            : 'Clock the meter with every other appliance off.'
          : `${btuh(input)} in${besidePlate}${output === undefined ? '' : `; ${btuh(output)} out`}${
              output !== undefined && riseLow !== undefined && riseHigh !== undefined
                ? `; its rise is right from ${count(Math.round(airflowOf(output, riseHigh, altitude)))} to ${count(Math.round(airflowOf(output, riseLow, altitude)))} CFM`
                : ''
            }.`}
      </p>
      {!isOil && meter === 'unknown' && meteredShare(meterFt) < 1 && (
        <p className="text-[15px]">
          {`Corrected for ${count(meterFt)} ft: a cubic foot of a meter without pressure compensation holds ${figure(100 * meteredShare(meterFt), 0)} % of the gas. Ask the utility whether this meter compensates.`}
        </p>
      )}
      {isOil && input !== undefined && !isPumpRead && (
        <p className="text-[15px]">{`Pump pressure not entered. Calculated for ${USUAL_PSI} psi. Read it before you compare with the plate.`}</p>
      )}
      {!isOil && meter !== 'yes' && altitude === undefined && (
        <p className="text-[15px]">Altitude not entered. Calculated for sea level.</p>
      )}
      {fuel === 'lp' && (
        <>
          <h3 className="mt-2 font-bold">Converted to LP: what proves each step</h3>
          <ol className="list-decimal pl-6 text-[15px]">
            {LP_STEPS.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ol>
        </>
      )}
    </div>
  )
}

function inputOf(typed: Typed, fuel: keyof typeof HEAT_CONTENT, meterFt: number): number | undefined {
  if (fuel === 'oil') {
    const [gph, psi] = [typedAmount(typed.gph), typedAmount(typed.psi) ?? USUAL_PSI]
    return gph === undefined ? undefined : oilInput(nozzleFlow(gph, psi))
  }
  const [feet, seconds] = [typedAmount(typed.feet), typedAmount(typed.seconds)]
  if (feet === undefined || seconds === undefined) return undefined
  return clockedInput(feet, seconds, typedAmount(typed.heating) ?? USUAL_HEATING[fuel], meterFt)
}

const verdict = (
  input: number,
  wanted: { btuh: number; isDerated: boolean },
  fuel: keyof typeof HEAT_CONTENT,
): string => {
  const off = input / wanted.btuh - 1
  const than = wanted.isDerated ? `${btuh(wanted.btuh)}, the input at this altitude` : 'the plate'
  if (inputSide(input, wanted.btuh) === 0) return `, within 5 % of ${than}`
  const check = wanted.isDerated
    ? 'check the orifices first; the manifold stays at the plate’s pressure'
    : fuel === 'oil'
      ? 'check the pump pressure, then the nozzle'
      : 'check the orifice, the inlet pressure and the regulator'
  return `, ${figure(Math.abs(100 * off), 0)} % ${off > 0 ? 'above' : 'below'} ${than}: ${check}`
}
