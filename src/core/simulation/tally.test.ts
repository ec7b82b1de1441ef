import type { Running } from './machine'
import { Tally } from './tally'

const OFF: Running = {
  stage: 0,
  way: 'heats',
  outdoorFan: false,
  stripW: 0,
  backupFrom: 'nothing',
  burnerBtuh: 0,
  burnerInBtuh: 0,
  cfm: 0,
  blowerKw: 0,
  motorKw: 0,
}
const BLOWS = { ...OFF, cfm: 1000 }
const GIVEN = { heat: 0, kw: 0, outdoorF: 30, target: 70, roomHours: 0 }
const H = 3600

/** Stretches in which the blower runs, each counted as one step. */
function heard(wakes: { at: number; every?: number }, stretches: [number, number][]) {
  const tally = new Tally(500, 0, wakes)
  for (const [from, to] of stretches) {
    tally.runs(from, BLOWS)
    tally.count(from, to - from, BLOWS, GIVEN, 70, 0)
    tally.runs(to, OFF)
  }
  return [tally.sums.wakingHours, tally.sums.wakingStarts]
}

describe('what is heard before waking', () => {
  it('is the blower in the last two hours, and what starts in them', () => {
    // Waking at 8 h: from 6 h on. Of 5:30 to 6:30 half an hour; 7:00 to 7:15 whole; of 7:45 to 9:00 a quarter.
    expect(
      heard({ at: 8 * H }, [
        [3 * H, 4 * H],
        [5.5 * H, 6.5 * H],
        [7 * H, 7.25 * H],
        [7.75 * H, 9 * H],
        [10 * H, 11 * H],
      ]),
    ).toEqual([1, 2])
  })

  it('comes again each day', () => {
    const day = 24 * H
    const night = (d: number): [number, number] => [d * day + 5 * H, d * day + 5.5 * H]
    expect(heard({ at: 6 * H, every: day }, [night(0), night(1), [1.5 * day, 1.6 * day], night(5)])).toEqual([
      1.5, 3,
    ])
  })
})
