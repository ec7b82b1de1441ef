import { gear, STRIPS } from '../../../../tests/helpers/gear'
import { libraryDevice, readJson } from '../../../../tests/helpers/demo'
import type { Wire } from '@/core/installation'
import { applyFix, type Fix } from '@/core/rules'
import { compare, planLanding, planned, USUAL } from '@/core/plan'
import {
  apply,
  checkJob,
  installationOf,
  inverse,
  fixOperations,
  planOperations,
  type Job,
  type Operation,
} from '@/jobfile'

const demo = () => readJson<Job>('demo/jobs/quillfeather-lane.json')
const ok = (job: Job, op: Operation): Job => {
  const r = apply(job, op)
  if (!r.ok) throw new Error(JSON.stringify(r.problems))
  return r.value
}
const problems = (op: Operation) => {
  const r = apply(demo(), op)
  return r.ok ? [] : r.problems.map((p) => `${p.path}: ${p.expected}`)
}
const relay = (): Operation => ({
  kind: 'placeDevice',
  placed: { ref: 'r1', device: 'sedge-r1', label: 'Relay', where: 'garage', settings: {} },
  device: libraryDevice('sedge-r1'),
})

describe('gear put in and taken out', () => {
  it('places a device with its description, and takes it out again', () => {
    const job = ok(demo(), relay())
    expect(job.devices['sedge-r1']?.name).toContain('relay')
    expect(job.placed.at(-1)).toMatchObject({ ref: 'r1', label: 'Relay' })
    expect(checkJob(job).ok).toBe(true)
    const back = ok(job, inverse(demo(), relay())!)
    expect(back).toEqual(demo())
  })

  it('takes out a device with its cables and jumpers, leaves other conductors bare, and can put all of it back', () => {
    const before = demo()
    const out: Operation = { kind: 'removeDevice', ref: 'od' }
    const after = ok(before, out)
    expect(after.placed.some((p) => p.ref === 'od')).toBe(false)
    // The outdoor cable and the line to it go; the jumper from the outdoor thermostat to W goes; nothing depends on od.
    expect(after.cables.map((c) => c.id)).toEqual(['c1', 'harness', 'lineA'])
    expect(after.wires.some((w) => w.a?.startsWith('od.') || w.b?.startsWith('od.'))).toBe(false)
    expect(checkJob(after).ok).toBe(true)
    const back = ok(after, inverse(before, out)!)
    expect(back).toEqual(before)
  })

  it('adds a cable with its conductors, and takes it out', () => {
    const cable = {
      id: 'c9',
      label: 'Second cable',
      kind: 'low' as const,
      from: 'ah',
      to: 'od',
      gauge: 18,
      feet: 60,
    }
    const op: Operation = {
      kind: 'addCable',
      cable,
      wires: [{ id: 'x1', cable: 'c9', colour: 'red', a: null, b: null }],
    }
    const job = ok(demo(), op)
    expect(job.wires.at(-1)).toMatchObject({ id: 'x1', cable: 'c9' })
    expect(ok(job, inverse(demo(), op)!)).toEqual(demo())
    const gone: Operation = { kind: 'removeCable', cable: 'c9' }
    expect(ok(ok(job, gone), inverse(job, gone)!)).toEqual(job)
  })

  it.each<[string, Operation, string]>([
    [
      'a name in use',
      {
        ...relay(),
        placed: { ...(relay() as never as { placed: Job['placed'][0] }).placed, ref: 'ah' },
      } as Operation,
      'placed.ref: a name that is not used yet',
    ],
    [
      'a device that is nowhere',
      { kind: 'placeDevice', placed: { ref: 'q', device: 'nobody', label: 'Q', settings: {} } },
      'placed.device: a device of the job, or one that comes with it',
    ],
    [
      'a setting it cannot take',
      {
        kind: 'placeDevice',
        placed: { ref: 'q', device: 'sedge-t50', label: 'Q', settings: { setpoint: 900 } },
      },
      'placed.settings.setpoint: 0 to 50 °F',
    ],
    ['a device that is not there', { kind: 'removeDevice', ref: 'nobody' }, 'ref: a placed device'],
    [
      'a cable to nowhere',
      {
        kind: 'addCable',
        cable: { id: 'c9', label: 'C', kind: 'low', from: 'ah', to: 'nobody', gauge: 18, feet: 1 },
        wires: [],
      },
      'cable.to: a placed device',
    ],
    ['a cable that is not there', { kind: 'removeCable', cable: 'c99' }, 'cable: a cable of this job'],
    [
      'a conductor to no terminal',
      {
        kind: 'addCable',
        cable: { id: 'c9', label: 'C', kind: 'low', from: 'ah', to: 'od', gauge: 18, feet: 1 },
        wires: [{ id: 'x', cable: 'c9', colour: 'red', a: 'ah.Q9', b: null }],
      },
      'wire.a: a terminal of a placed device',
    ],
  ])('refuses %s and names the place', (_, op, problem) => {
    expect(problems(op)).toContain(problem)
  })
})

describe('a newer description of a device', () => {
  const t50 = libraryDevice('sedge-t50')
  const replaced = (device: typeof t50) => apply(demo(), { kind: 'replaceDevice', device })

  it('takes the place of the old one, and keeps landing and settings', () => {
    const job = ok(demo(), { kind: 'replaceDevice', device: { ...t50, name: 'Sedge T50, revision B' } })
    expect(job.devices['sedge-t50']!.name).toBe('Sedge T50, revision B')
    expect([job.wires, job.placed]).toEqual([demo().wires, demo().placed])
    expect(checkJob(job).ok).toBe(true)
  })

  it('a value that it does not take is not known any more, a setting that it has not goes', () => {
    const narrow = t50.settings.map((s) =>
      s.id === 'setpoint' ? { ...s, range: [0, 30] as [number, number], default: 20 } : s,
    )
    const narrower = ok(demo(), { kind: 'replaceDevice', device: { ...t50, settings: narrow } })
    expect(narrower.placed.find((p) => p.ref === 'odt')!.settings).toEqual({ setpoint: null })
  })

  it('without a terminal that a conductor is on it is refused, by the terminal and the conductor', () => {
    const gone = t50.terminals[0]!.id
    const bare = {
      ...t50,
      terminals: t50.terminals.slice(1),
      parts: t50.parts.filter((p) => p.a !== gone && p.b !== gone),
    }
    const refused = replaced(bare)
    expect(refused.ok).toBe(false)
    if (!refused.ok)
      expect(refused.problems.map((p) => p.expected).join()).toContain(`terminal ${gone}, which conductor`)
  })

  it('of a device that the job has not is refused', () => {
    expect(replaced({ ...t50, id: 'nobody' })).toMatchObject({ ok: false, problems: [{ path: 'device.id' }] })
  })
})

describe('landing by the plan', () => {
  const bare = (): Job => {
    const inst = gear(STRIPS, 8, 6)
    return {
      ...demo(),
      devices: Object.fromEntries(inst.placed.map((p) => [p.device.id, p.device])),
      placed: inst.placed.map(({ device, ...p }) => ({ ...p, device: device.id })),
      cables: inst.cables,
      wires: inst.wires,
      readings: [],
    }
  }
  const land = (job: Job): Job => {
    const inst = installationOf(job)
    let n = 0
    return planOperations(inst, planLanding(inst, USUAL), () => `n${++n}`).reduce(ok, job)
  }

  it('is a list of edits that end at the plan, and there are none to make on it', () => {
    const job = land(bare())
    const inst = installationOf(job)
    const plan = planLanding(inst, USUAL)
    expect(compare(inst, planned(inst, plan))).toEqual([])
    expect(planOperations(inst, plan, () => 'never')).toEqual([])
    expect(checkJob(job).ok).toBe(true)
  })

  it('moves only what is wrong on a landing that is nearly right', () => {
    const job = land(bare())
    const g = job.wires.find((w) => w.a === 'tstat.G')!
    const wrong = ok(job, { kind: 'landWire', wire: g.id, end: 'b', terminal: 'ah.O' })
    const inst = installationOf(wrong)
    expect(planOperations(inst, planLanding(inst, USUAL), () => 'n')).toEqual([
      { kind: 'landWire', wire: g.id, end: 'b', terminal: 'ah.G' },
    ])
  })
})

describe('a fix recorded as done', () => {
  it('is the edits that make the job what was proven, a jumper and a conductor each taken out in its own way', () => {
    const job = demo()
    const inst = installationOf(job)
    const jumper = inst.wires.find((w) => w.cable === null)!
    const fix: Fix = [
      { kind: 'removeWire', wire: jumper.id },
      { kind: 'removeWire', wire: 'w05' },
      { kind: 'moveWire', wire: 'w04', end: 'b', to: 'ah.O' },
      { kind: 'addJumper', a: 'ah.G', b: 'ah.Y' },
      { kind: 'setSetting', placed: 'odt', setting: 'setpoint', value: 40 },
    ]
    const ops = fixOperations(inst, fix, () => 'jumper-new')
    const after = installationOf(ops.reduce(ok, job))
    const goal = applyFix(inst, fix)
    const named = (w: Wire) => (w.a === 'ah.G' && w.b === 'ah.Y' ? { ...w, id: 'jumper-new' } : w)
    expect(after.wires).toEqual(goal.wires.map(named))
    expect(after.placed).toEqual(goal.placed)
    expect(after.wires.some((w) => w.id === jumper.id)).toBe(false)
    expect(after.wires.find((w) => w.id === 'w05')).toMatchObject({ a: null, b: null })
  })
})
