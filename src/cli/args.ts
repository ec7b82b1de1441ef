import { parseArgs } from 'node:util'
import { CALLS, type Call } from '@/core/equipment'
import type { Installation } from '@/core/installation'
import { WIRING_PRACTICES, type WiringPractice } from '@/core/plan'
import { modesOf, type Situation } from '@/core/situation'
import { degF } from '@/core/units'
import type { Checked } from '@/jobfile'
import { refuse } from './answer'

export interface Args {
  command: string
  file: string | undefined
  /** Arguments after the file. */
  words: string[]
  json: boolean
  /** The folder of the devices that ship with the product. */
  library: string
  /** ISO 8601 time at which the command was given. */
  now: string
  values: {
    call?: string
    outdoor?: string
    mode?: string[]
    target?: string
    from?: string
    to?: string
    low?: boolean
    emergency?: string
    defrost?: string
    fuel?: string
    device?: string
    all?: boolean
    way?: string
    title?: string
    label?: string
    where?: string
    box?: boolean
    conductors?: string
    feet?: string
    gauge?: string
    colour?: string
    line?: boolean
    plan?: boolean
    at?: string
    place?: string
    blower?: string
    instrument?: string
    who?: string
    when?: string
    corrects?: string
    weather?: string
    schools?: boolean
    volts?: string
    clock?: string
    nozzle?: string
    airflow?: string
    which?: string
    past?: string[]
    scene?: string
    events?: string
    setback?: boolean
  }
}

/**
 * Splits the command line. An option that nobody knows, or one without its value, throws with its name in quotes.
 * @param library the folder of the devices that ship with the product
 * @param now ISO 8601 time
 */
export function readArgs(argv: string[], library: string, now: string): Args {
  const { values, positionals } = parseArgs({
    args: argv,
    allowPositionals: true,
    options: {
      json: { type: 'boolean' },
      help: { type: 'boolean', short: 'h' },
      call: { type: 'string' },
      outdoor: { type: 'string' },
      mode: { type: 'string', multiple: true },
      target: { type: 'string' },
      from: { type: 'string' },
      to: { type: 'string' },
      low: { type: 'boolean' },
      emergency: { type: 'string' },
      defrost: { type: 'string' },
      fuel: { type: 'string' },
      device: { type: 'string' },
      all: { type: 'boolean' },
      way: { type: 'string' },
      title: { type: 'string' },
      label: { type: 'string' },
      where: { type: 'string' },
      conductors: { type: 'string' },
      feet: { type: 'string' },
      gauge: { type: 'string' },
      colour: { type: 'string' },
      at: { type: 'string' },
      place: { type: 'string' },
      blower: { type: 'string' },
      instrument: { type: 'string' },
      who: { type: 'string' },
      when: { type: 'string' },
      corrects: { type: 'string' },
      weather: { type: 'string' },
      schools: { type: 'boolean' },
      volts: { type: 'string' },
      clock: { type: 'string' },
      nozzle: { type: 'string' },
      airflow: { type: 'string' },
      which: { type: 'string' },
      past: { type: 'string', multiple: true },
      scene: { type: 'string' },
      events: { type: 'string' },
      setback: { type: 'boolean' },
      box: { type: 'boolean' },
      line: { type: 'boolean' },
      plan: { type: 'boolean' },
    },
  })
  return {
    command: values.help ? 'help' : (positionals[0] ?? 'help'),
    file: positionals[1],
    words: positionals.slice(2),
    json: values.json ?? false,
    library,
    now,
    values,
  }
}

/** The situation that the options name: --call heat1 --outdoor 20 --mode od.board=defrost. */
export function readSituation(inst: Installation, values: Args['values']): Checked<Situation> {
  const call = values.call ?? 'off'
  if (!CALLS.includes(call as Call)) return refuse('--call', `one of ${CALLS.join(', ')}`, call)
  const outdoor = Number(values.outdoor ?? 47)
  if (!Number.isFinite(outdoor) || outdoor < -80 || outdoor > 160)
    return refuse('--outdoor', '-80 to 160 °F', values.outdoor)
  const modes: Record<string, string> = {}
  for (const m of values.mode ?? []) {
    const [ref, state] = m.split('=')
    if (!ref || !state) return refuse('--mode', 'REF=STATE, such as od.board=defrost', m)
    const mode = modesOf(inst).find((x) => x.ref === ref)
    const states = mode?.mode.states.map((s) => s.id) ?? (/\.band:/.test(ref) ? ['made', 'broken'] : [])
    if (!states.length)
      return refuse(
        '--mode',
        `one of ${modesOf(inst)
          .map((x) => x.ref)
          .join(', ')}`,
        ref,
      )
    if (!states.includes(state)) return refuse(`--mode ${ref}`, `one of ${states.join(', ')}`, state)
    modes[ref] = state
  }
  return { ok: true, value: { call: call as Call, outdoorF: degF(outdoor), modes } }
}

/** The schools of a plan that the options choose. */
export function readPractice(values: Args['values']): Checked<Partial<WiringPractice>> {
  const chosen: Partial<WiringPractice> = {}
  for (const key of Object.keys(WIRING_PRACTICES) as (keyof WiringPractice)[]) {
    const said = values[key]
    if (said === undefined) continue
    if (!(WIRING_PRACTICES[key] as readonly string[]).includes(said))
      return refuse(`--${key}`, `one of ${WIRING_PRACTICES[key].join(', ')}`, said)
    Object.assign(chosen, { [key]: said })
  }
  return { ok: true, value: chosen }
}
