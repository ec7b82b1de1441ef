import type { Circuit } from '../circuit'
import { dayF, type Progress } from './progress'
import { testPlan } from './testPlan'

/** How a test run stands: what a list of jobs says of it. */
export interface RunSummary {
  cards: number
  done: number
  failed: number
  /** Cards that are neither ended nor waiting for weather. */
  open: number
  waiting: number
  /** °F outdoors below which, and above which, a waiting card can be tried; null: none waits for that. */
  belowF: number | null
  aboveF: number | null
}

/** Progress of a test run; null: it has not begun. */
export function runSummary(circuit: Circuit, progress: Progress): RunSummary | null {
  if (!Object.keys(progress.cards).length) return null
  const plan = testPlan(circuit, dayF(progress))
  const marked = plan.map((card) => ({ card, state: progress.cards[card.id]?.state }))
  const count = (state: string) => marked.filter((m) => m.state === state).length
  const weather = marked.filter(
    ({ card, state }) =>
      state === 'waiting' ||
      (state === undefined &&
        !card.today.can &&
        (card.today.why === 'tooCold' || card.today.why === 'tooWarm')),
  )
  const until = (why: 'tooWarm' | 'tooCold') =>
    weather.flatMap(({ card }) => (!card.today.can && card.today.why === why ? [card.today.untilF] : []))
  const [below, above] = [until('tooWarm'), until('tooCold')]
  return {
    cards: plan.length,
    done: count('done') + count('notTestable'),
    failed: count('failed'),
    open: marked.filter((m) => m.state === undefined && !weather.includes(m)).length,
    waiting: weather.length,
    // A single visit can do all of them at the coldest of the cold limits and the warmest of the warm ones.
    belowF: below.length ? Math.min(...below) : null,
    aboveF: above.length ? Math.max(...above) : null,
  }
}
