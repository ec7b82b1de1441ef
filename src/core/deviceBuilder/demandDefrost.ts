import type { Mode, When } from '../equipment'
import { mode, on } from './pieces'

/**
 * Defaults of a demand defrost board, where its manual gives no others (usual values): °F by which the coil must be
 * colder, against outdoors, than a clean coil; shortest and, on a cold day, longest s of run between two defrosts; °F
 * outdoors below which the longest counts; s by time where the outdoor sensor has failed; °F below which a coil can
 * frost.
 */
const USUAL = {
  dropF: 5,
  leastRun: 1800,
  longestRun: 21_600,
  coldF: 40,
  byTime: 5400,
  frostsF: 32,
  coldCoilF: 30,
}

const is = (id: string, state: string): When => ({ mode: id, is: [state] })
const when = (...list: When[]): When => ({ all: list })

/**
 * A demand board's ways into a defrost and the modes beside its own: the clock of its least run and its two sensors. With
 * the outdoor sensor lost it counts by time; with the coil sensor lost it does not defrost.
 * @param opensF °F of the coil at which a defrost ends
 */
export function demandDefrost(opensF: number): { starts: NonNullable<Mode['transitions']>; modes: Mode[] } {
  const runs = on('contactor')
  const reset: When = { any: [{ feels: 'coil', above: opensF }, { not: on('logic') }] }
  const coil = is('coilSensor', 'good')
  const starts: NonNullable<Mode['transitions']> = [
    {
      from: 'normal',
      to: 'defrost',
      when: when(
        runs,
        is('defrostClock', 'ready'),
        coil,
        is('airSensor', 'good'),
        { feels: 'coil', below: USUAL.frostsF },
        { feels: 'frostDrop', above: USUAL.dropF },
      ),
    },
    {
      from: 'normal',
      to: 'defrost',
      when: when(runs, coil, is('airSensor', 'good'), { sense: 'outdoor', below: USUAL.coldF }),
      after: USUAL.longestRun,
      accumulates: true,
      reset,
    },
    {
      from: 'normal',
      to: 'defrost',
      when: when(runs, coil, is('airSensor', 'lost'), { feels: 'coil', below: USUAL.coldCoilF }),
      after: USUAL.byTime,
      accumulates: true,
      reset,
    },
  ]
  const clock: Mode = {
    id: 'defrostClock',
    label: 'Least run between defrosts',
    // No contact sees it: it counts on unseen.
    states: [
      { id: 'counting', label: 'Counting' },
      { id: 'ready', label: 'Run long enough', reach: { any: [] } },
    ],
    transitions: [
      { from: 'counting', to: 'ready', when: runs, after: USUAL.leastRun, accumulates: true },
      { from: 'ready', to: 'counting', when: is('board', 'defrost') },
    ],
  }
  return {
    starts,
    modes: [
      clock,
      mode('coilSensor', 'Coil sensor', ['good', 'Good'], ['lost', 'Coil sensor lost'], null, 'failure'),
      mode('airSensor', 'Outdoor sensor of the board', ['good', 'Good'], ['lost', 'Board’s outdoor sensor lost'], null, 'failure'),
    ],
  } // prettier-ignore
}
