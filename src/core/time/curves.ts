import type { Ref } from '../installation'
import { tolerances } from '../tolerances'
import type { Counter } from './counter'

/** How full a count was over time: one that adds up over many runs, such as a defrost board's interval. */
export interface CountCurve {
  mode: Ref
  from: string
  to: string
  /** s that make it full. */
  after: number
  /** [s, s counted], in straight lines between. */
  points: [number, number][]
}

/** Keeps how the counts that accumulate fill. A corner is noted where one begins or stops to count, or is forgotten. */
export class CountCurves {
  private readonly counted: {
    counter: Counter
    curve: CountCurve
    rate: number
    at: number
    value: number
  }[] = []

  look(now: number, counters: readonly Counter[], isCounting: (c: Counter) => boolean): void {
    for (const counter of counters) {
      if (!counter.transition.accumulates || counter.after === null || counter.after === undefined) continue
      const rate = isCounting(counter) ? counter.rate : 0
      let k = this.counted.find((x) => x.counter === counter)
      if (!k) {
        const { mode, transition, after } = counter
        const curve: CountCurve = {
          mode: mode.ref,
          from: transition.from,
          to: transition.to,
          after,
          points: [],
        }
        k = { counter, curve, rate: NaN, at: now, value: counter.counted }
        if (now > 0) curve.points.push([0, 0])
        this.counted.push(k)
      }
      const ran = k.value + (k.rate > 0 ? k.rate * (now - k.at) : 0)
      const fell = counter.counted < ran - tolerances.sameInstant
      if (fell) k.curve.points.push([now, ran])
      if (fell || rate !== k.rate) {
        k.curve.points.push([now, counter.counted])
        k.rate = rate
      }
      k.at = now
      k.value = counter.counted
    }
  }

  /** All curves that ever counted, each up to its end. */
  ended(until: number): CountCurve[] {
    return this.counted.flatMap(({ curve, rate, at, value }) => {
      curve.points.push([until, value + (rate > 0 ? rate * (until - at) : 0)])
      return curve.points.some(([, counted]) => counted > 0) ? [curve] : []
    })
  }
}
