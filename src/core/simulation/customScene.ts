import { DEFAULT_INDOOR_F, houseValue } from '../house'
import type { JobSeen } from '../installation'
import type { OutsideEvent } from '../time'
import { tolerances } from '../tolerances'
import { feedEvents } from './power'
import { siteFaultOf, type SiteFault } from './siteFault'
import type { SimulationInput } from './simulate'
import type { System, WallEvent } from './wall'

/** An event of a custom scene, s from its start. */
export type SceneEvent = { at: number } & (
  | { what: 'set'; value: number }
  | { what: 'out'; value: number }
  | { what: 'system'; value: System }
  | { what: 'power'; value: 'on' | 'off' }
  | { what: 'fault'; value: SiteFault | 'none' }
  /** Ends the scene. */
  | { what: 'end' }
)
export type SceneEventKind = SceneEvent['what']

const SYSTEMS: readonly System[] = ['heat', 'cool', 'emergency', 'off']
/** h: the longest scene of one's own, and how long one goes on after its last event. */
const HOURS = { most: 240, after: 2 } as const
/** °F that a thermostat is set to at the least and the most, and outdoors where nobody says. */
const SET = { least: 40, most: 90 } as const
const USUAL_OUTDOOR_F = 35
/** Events of a scene at the most. */
const MOST_EVENTS = 60

/** An error in a custom scene: the entry, and what was expected there. */
export interface SceneProblem {
  /** From 1. */
  entry: number
  text: string
  expected: 'time' | 'order' | 'what' | 'set' | 'out' | 'system' | 'power' | 'fault' | 'events'
}

/** 75 min as "1:15". */
const clockOf = (s: number): string =>
  `${Math.floor(s / 3600)}:${String(Math.floor((s % 3600) / 60)).padStart(2, '0')}`

/** A scene as text: "0:00 out 28; 1:00 set 72; 2:00 power off; 2:20 power on; 6:00 end". */
export const customSceneText = (events: readonly SceneEvent[]): string =>
  events.map((e) => `${clockOf(e.at)} ${e.what}${'value' in e ? ` ${e.value}` : ''}`).join('; ')

/** Reads a written scene; entries stand between semicolons or on lines of their own, in the order of their times. */
export function readCustomScene(
  text: string,
): { ok: true; value: SceneEvent[] } | { ok: false; problems: SceneProblem[] } {
  const entries = text
    .split(/[;\n]/)
    .map((t) => t.trim())
    .filter(Boolean)
  if (entries.length > MOST_EVENTS)
    return { ok: false, problems: [{ entry: MOST_EVENTS + 1, text: '', expected: 'events' }] }
  const problems: SceneProblem[] = []
  const value: SceneEvent[] = []
  entries.forEach((t, i) => {
    const found = readEntry(t)
    if (typeof found === 'string') return problems.push({ entry: i + 1, text: t, expected: found })
    if (found.at < (value[value.length - 1]?.at ?? 0))
      return problems.push({ entry: i + 1, text: t, expected: 'order' })
    return value.push(found)
  })
  return problems.length ? { ok: false, problems } : { ok: true, value }
}

function readEntry(text: string): SceneEvent | SceneProblem['expected'] {
  const [, h, m, what, given] = /^(\d{1,3}):(\d{2})\s+([a-z]+)(?:\s+(\S+))?$/i.exec(text) ?? []
  if (h === undefined || Number(m) > 59 || Number(h) > HOURS.most)
    return /^\d{1,3}:\d{2}/.test(text) && h === undefined ? 'what' : 'time'
  const at = Number(h) * 3600 + Number(m) * 60
  const number = given === undefined || given === '' ? NaN : Number(given)
  switch (what?.toLowerCase()) {
    case 'set':
      return number >= SET.least && number <= SET.most ? { at, what: 'set', value: number } : 'set'
    case 'out':
      return number >= tolerances.coldestF && number <= tolerances.warmestF
        ? { at, what: 'out', value: number }
        : 'out'
    case 'system': {
      const value = SYSTEMS.find((s) => s === given)
      return value ? { at, what: 'system', value } : 'system'
    }
    case 'power':
      return given === 'on' || given === 'off' ? { at, what: 'power', value: given } : 'power'
    case 'fault': {
      const value = given === 'none' ? 'none' : siteFaultOf(given ?? '')
      return value ? { at, what: 'fault', value } : 'fault'
    }
    case 'end':
      return { at, what: 'end' }
    default:
      return 'what'
  }
}

/** The input of a scene of one's own: what stands at its beginning is what is said for 0:00, else as usual. */
export function customSceneInput(
  seen: JobSeen,
  events: readonly SceneEvent[],
  sampleEvery: number,
): SimulationInput {
  const indoor = houseValue(seen.house, 'indoorF') ?? DEFAULT_INDOOR_F
  const first = (what: 'set' | 'out'): number | undefined => {
    const e = events.find((x) => x.what === what)
    return e && 'value' in e && typeof e.value === 'number' && (what === 'out' || e.at === 0)
      ? e.value
      : undefined
  }
  const setpointF = first('set') ?? indoor
  const last = events[events.length - 1]
  const end = events.find((e) => e.what === 'end')
  const outdoors = events.filter((e) => e.what === 'out')
  return {
    air: { at: lines(outdoors.map((e) => [e.at, e.value])) },
    until: Math.min(HOURS.most * 3600, Math.max(60, end?.at ?? (last?.at ?? 0) + HOURS.after * 3600)),
    setpointF,
    roomF: setpointF,
    system: 'heat',
    wall: events.flatMap((e): WallEvent[] =>
      e.what === 'set'
        ? [{ at: e.at, setpointF: e.value, by: 'hand' }]
        : e.what === 'system'
          ? [{ at: e.at, system: e.value }]
          : [],
    ),
    events: events.flatMap((e): OutsideEvent[] =>
      e.what === 'power'
        ? feedEvents(seen, e.at, e.value)
        : e.what === 'fault'
          ? [{ at: e.at, site: e.value }]
          : [],
    ),
    sampleEvery,
  }
}

/** Straight lines from point to point, level before the first and after the last. */
function lines(points: readonly (readonly [number, number])[]): (second: number) => number {
  const [head] = points
  if (!head) return () => USUAL_OUTDOOR_F
  return (second) => {
    let from = head
    for (const to of points) {
      if (to[0] > second)
        return from === to || to[0] === from[0]
          ? to[1]
          : from[1] + ((to[1] - from[1]) * (second - from[0])) / (to[0] - from[0])
      from = to
    }
    return from[1]
  }
}
