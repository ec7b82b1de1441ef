import { hasTrait } from '../equipment'
import { failuresOf, type Failure } from '../failures'
import type { Installation } from '../installation'
import { draw } from './instrument'

/** Physical faults of a site, outside its wiring: numbers by which a quantity is off. */
export interface Physics {
  /** Share of the nominal volts of the service. */
  lineShare: number
  /** °F of the return air. */
  returnF: number
  /** Share of the air that the blower ought to move. */
  airShare: number
  /** Share of the right charge. */
  charge: number
  /** Share of what the compressor ought to pump. */
  pumping: number
  /** 0 to 1: how much of the hot gas goes back through the reversing valve. */
  valveLeak: number
  /** Share of its µF, of the compressor's capacitor. */
  capacitor: number
  /** Share of the pressure that the manifold ought to have, and of the inlet. */
  manifold: number
  inlet: number
  /** Density of the air as a share of that at sea level. */
  density: number
  /** Share of the nameplate input that the gas orifices are drilled for at this altitude. */
  orifice: number
  /** Share of the nozzle's flow. */
  nozzle: number
  /** Share of the air that a fire ought to have. */
  fireAir: number
  /** °F that an outdoor sensor shows too much. */
  sensorF: number
  /** °F by which switches trip elsewhere than they are set. */
  switchF: number
  /** The outdoor fan goes on in defrost. */
  fanRunsOn: boolean
}
export const SOUND: Physics = Object.freeze({
  lineShare: 1,
  returnF: 68,
  airShare: 1,
  charge: 1,
  pumping: 1,
  valveLeak: 0,
  capacitor: 1,
  manifold: 1,
  inlet: 1,
  density: 1,
  orifice: 1,
  nozzle: 1,
  fireAir: 1,
  sensorF: 0,
  switchF: 0,
  fanRunsOn: false,
})

/** Names of physical faults, outside the wiring. */
export type PhysicsFault =
  | 'lowVolts' | 'dirtyFilter' | 'lowCharge' | 'overcharge' | 'weakCompressor' | 'leakyValve' | 'weakCapacitor' | 'lowManifold'
  | 'highManifold' | 'lowInlet' | 'lowPump' | 'fireShortOfAir' | 'sensorInTheSun' | 'switchOff' | 'fanRunsOn' // prettier-ignore

/** A hidden fault: a failed part of the wiring, or a fault of air, refrigerant, fire or weather. */
export type SiteFault =
  { kind: 'part'; failure: Failure } | { kind: 'physics'; name: PhysicsFault; change: Partial<Physics> }

/** Physical faults that are possible with the equipment of this house. */
export function physicsFaults(inst: Installation): SiteFault[] {
  const has = (what: string, fuel?: string) =>
    inst.placed.some((p) =>
      p.device.parts.some(
        (x) =>
          x.kind === 'load' &&
          x.does?.what === what &&
          (!fuel || (x.does.what === 'burner' && x.does.fuel === fuel)),
      ),
    )
  const list: [boolean, PhysicsFault, Partial<Physics>][] = [
    [true, 'lowVolts', { lineShare: 0.86 }],
    [has('blower'), 'dirtyFilter', { airShare: 0.6 }],
    [has('compressor'), 'lowCharge', { charge: 0.7 }],
    [has('compressor'), 'overcharge', { charge: 1.25 }],
    [has('compressor'), 'weakCompressor', { pumping: 0.45 }],
    [has('compressor'), 'leakyValve', { valveLeak: 0.7 }],
    [has('compressor'), 'weakCapacitor', { capacitor: 0.8 }],
    [has('burner', 'gas'), 'lowManifold', { manifold: 0.7 }],
    [has('burner', 'gas'), 'highManifold', { manifold: 1.35 }],
    [has('burner', 'gas'), 'lowInlet', { inlet: 0.55 }],
    [has('burner', 'oil'), 'lowPump', { nozzle: 0.8 }],
    [has('burner'), 'fireShortOfAir', { fireAir: 0.6 }],
    [inst.placed.some((p) => hasTrait(p.device, 'sensesOutdoors')), 'sensorInTheSun', { sensorF: 9 }],
    [inst.placed.some((p) => hasTrait(p.device, 'outdoorSwitch')), 'switchOff', { switchF: 12 }],
    [has('outdoorFan'), 'fanRunsOn', { fanRunsOn: true }],
  ]
  return list.flatMap(([is, name, change]) => (is ? [{ kind: 'physics' as const, name, change }] : []))
}

/** Draws a single fault from a seed: a failed part, or a physical fault. */
export function drawFault(inst: Installation, seed: number): SiteFault | null {
  const parts = failuresOf(inst)
  const physics = physicsFaults(inst)
  // As many of the one kind as of the other, though there are more wires than compressors.
  const isPart = draw(seed) < 0.5
  const list: SiteFault[] = isPart ? parts.map((failure) => ({ kind: 'part', failure })) : physics
  return list[Math.floor(draw(seed + 1) * list.length)] ?? null
}
