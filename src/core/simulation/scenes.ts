import { hasTrait } from '../equipment'
import { DEFAULT_INDOOR_F, designFOf, houseValue } from '../house'
import type { JobSeen } from '../installation'
import { modesOf } from '../situation'
import { demandNumbers, thermostatOf, type OutsideEvent } from '../time'
import { forcedBy, forcesDefrost, MILD_F } from './forcedDefrost'
import { customSceneInput, type SceneEvent } from './customScene'
import { feedEvents } from './power'
import type { SimulationInput } from './simulate'
import type { SiteFault } from './siteFault'
import type { WallEvent } from './wall'

/** Stretches of time that tell something of a job, by what happens in them. */
export const SCENES = [
  'raise1',
  'raise4',
  'recovery',
  'coldNight',
  'fog34',
  'heatPumpDies',
  'powerOff',
  'upAndDown',
  'backupCycle',
  'forcedDefrost',
  'cooling',
  'own',
] as const
export type Scene = (typeof SCENES)[number]

const MINUTE = 60
const HOUR = 3600
/** °F that a cold night is above its coldest, twelve hours earlier. */
const NIGHT_SWING_F = 14
/** °F of a design night of a house whose climate nobody chose. */
const USUAL_DESIGN_F = 15
/** s for which the power is off. */
const OFF_FOR = 20 * MINUTE

/** How long each runs, s, and the weather that it is usually seen in, °F; null: its own. */
const SPANS: Record<Scene, { until: number; outdoorF: number | null }> = {
  raise1: { until: 2 * HOUR, outdoorF: 35 },
  raise4: { until: 4 * HOUR, outdoorF: 35 },
  recovery: { until: 12 * HOUR, outdoorF: 30 },
  coldNight: { until: 14 * HOUR, outdoorF: null },
  fog34: { until: 8 * HOUR, outdoorF: 34 },
  heatPumpDies: { until: 8 * HOUR, outdoorF: 25 },
  powerOff: { until: 2 * HOUR, outdoorF: 30 },
  upAndDown: { until: 2 * HOUR, outdoorF: 40 },
  backupCycle: { until: 1.5 * HOUR, outdoorF: 45 },
  forcedDefrost: { until: 30 * MINUTE, outdoorF: 32 },
  cooling: { until: 3 * HOUR, outdoorF: 90 },
  own: { until: 0, outdoorF: null },
}

/** Whether a scene has anything to run in a job: cooling needs a call for it, a cold night none. */
export const scenesOf = (inst: JobSeen['inst']): Scene[] =>
  SCENES.filter(
    (s) =>
      (s !== 'cooling' || inst.placed.some((p) => p.device.calls?.some((c) => c.call === 'cool1'))) &&
      (s !== 'forcedDefrost' || forcedBy(inst) !== null) &&
      (s !== 'backupCycle' || inst.placed.some((p) => p.device.calls?.some((c) => c.call === 'emergency'))),
  )

export interface SceneOptions {
  /** °F outdoors, in place of the scene's own. */
  outdoorF?: number | undefined
  /** s, in place of its own. */
  until?: number | undefined
  sampleEvery?: number
  /** Events of a custom scene. */
  own?: readonly SceneEvent[] | undefined
}

/** The input of a scene in a job: what the weather does, what is turned on the wall, what fails. */
export function sceneInput(seen: JobSeen, scene: Scene, o: SceneOptions = {}): SimulationInput {
  const span = SPANS[scene]
  if (scene === 'own') return customSceneInput(seen, o.own ?? [], o.sampleEvery ?? 30)
  const indoor = houseValue(seen.house, 'indoorF') ?? DEFAULT_INDOOR_F
  const steady = o.outdoorF ?? span.outdoorF
  // From six in the evening the night falls to its coldest at six in the morning.
  const night = (): ((s: number) => number) => {
    const design = designFOf(seen.house, seen.climate) ?? USUAL_DESIGN_F
    return (s) => design + (NIGHT_SWING_F / 2) * (1 + Math.cos((Math.PI * s) / (12 * HOUR)))
  }
  const at = steady === null ? night() : () => steady
  const base: SimulationInput = {
    air: scene === 'fog34' ? { at, dewAt: at } : { at },
    until: o.until ?? span.until,
    setpointF: indoor,
    roomF: indoor,
    system: 'heat',
    wall: [],
    events: [],
    sampleEvery: o.sampleEvery ?? 30,
  }
  const set = (at: number, setpointF: number, by: 'hand' | 'schedule' = 'hand'): WallEvent => ({
    at,
    setpointF,
    by,
  })
  switch (scene) {
    case 'raise1':
      return { ...base, wall: [set(MINUTE, indoor + 1)] }
    case 'raise4':
      return { ...base, wall: [set(MINUTE, indoor + 4)] }
    case 'recovery':
      return {
        ...base,
        setpointF: indoor - 8,
        roomF: indoor - 8,
        wall: [set(8 * HOUR, indoor, 'schedule')],
        wakes: { at: 8 * HOUR },
      }
    case 'coldNight':
      // From six in the evening: six in the morning is twelve hours on.
      return { ...base, wakes: { at: 12 * HOUR } }
    case 'forcedDefrost': {
      // Below the droop, so that the heat pump comes alone.
      const { droopF } = demandNumbers(seen.inst, thermostatOf(seen.inst))
      const alone = droopF > 1 ? 1 : droopF / 2
      return {
        ...base,
        // The room of a mild day warms soon: the call is held up for the test.
        wall: [set(MINUTE, indoor + alone), set(8 * MINUTE, indoor + (at(0) > MILD_F ? 2 : 1) * alone)],
        events: forcesDefrost(seen, at(0)),
      }
    }
    case 'heatPumpDies':
      return { ...base, events: dies(seen, 2 * HOUR) }
    case 'powerOff':
      return {
        ...base,
        wall: [set(MINUTE, indoor + 2)],
        events: [...feedEvents(seen, 20 * MINUTE, 'off'), ...feedEvents(seen, 20 * MINUTE + OFF_FOR, 'on')],
      }
    case 'upAndDown':
      return {
        ...base,
        wall: [1, 12, 16, 30, 33, 50].map((m, i) => set(m * MINUTE, i % 2 ? indoor - 2 : indoor + 1)),
      }
    case 'backupCycle':
      return {
        ...base,
        wall: [
          { at: MINUTE, system: 'emergency' },
          set(MINUTE, indoor + 2),
          { at: 16 * MINUTE, system: 'heat' },
        ],
      }
    case 'cooling':
      return { ...base, system: 'cool', wall: [set(MINUTE, indoor - 2)] }
    default:
      return base
  }
}

/** The outdoor unit locks out on a fault, where its board can; else its compressor does not turn over any more. */
function dies(seen: JobSeen, at: number): OutsideEvent[] {
  const fault = modesOf(seen.inst).flatMap(({ ref, mode, placed }) => {
    const state = mode.states.find((s) => s.condition === 'lockout')
    return state && hasTrait(placed.device, 'compresses') ? [{ at, mode: ref, state: state.id }] : []
  })
  return fault.length ? fault.slice(0, 1) : [{ at, site: 'compressorDead' satisfies SiteFault }]
}
