import { Circuit } from '../circuit'
import { withSettings, type JobSeen, type Ref } from '../installation'
import { settingsWith } from '../query'
import { takes } from './variations'
import { sceneInput } from './scenes'
import { simulate } from './simulate'
import { kwhOf } from './winter'

/** min between defrosts that boards are set to. */
const PINS = [30, 50, 60, 90] as const
/** s of the day that each is tried on. */
const DAY = 86_400

/** A day in the weather that frosts most, at one interval. */
export interface PinDay {
  minutes: number
  /** As it is set now. */
  isSet: boolean
  defrosts: number
  /** Defrosts that the board's time ended. */
  byTime: number
  /** lb: the most that stood on the coil, and what was left at the end. */
  mostLb: number
  leftLb: number
  kwh: number
  stripKwh: number
}

/** Which interval fits: a day of fog at 34 °F for each that the board takes; none where it has no such setting. */
export function pinDays(seen: JobSeen, circuit: Circuit): { at: Ref; days: PinDay[] } | null {
  const [setting] = settingsWith(seen.inst, 'defrostInterval')
  if (!setting) return null
  const { placed, at, value } = setting
  const own = placed.device.settings.find((s) => s.intent === 'defrostInterval')
  if (!own) return null
  const days = PINS.filter((m) => takes(own, m)).map((minutes): PinDay => {
    const inst = withSettings(seen.inst, [{ at, value: own.kind === 'choice' ? String(minutes) : minutes }])
    const here = { ...seen, inst }
    const input = sceneInput(here, 'fog34', { until: DAY, sampleEvery: DAY })
    const run = simulate(new Circuit(inst, circuit), here, input)
    const { sums } = run
    return {
      minutes,
      isSet: Number(value) === minutes,
      defrosts: sums.defrosts,
      byTime: sums.defrostsByTime,
      mostLb: sums.mostFrostLb,
      leftLb: run.samples[run.samples.length - 1]?.frostLb ?? 0,
      kwh: kwhOf(sums),
      stripKwh: sums.stripKwh,
    }
  })
  return { at, days }
}
