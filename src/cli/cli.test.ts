import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020'
import { demoInstallation, readJson } from '../../tests/helpers/demo'
import { prove } from '@/core/rules'
import { ANSWERS, answerSchema, type AnswerName } from './answers'

const root = join(__dirname, '../..')
const GOOD = 'demo/jobs/quillfeather-lane.json'
const BAD = 'demo/jobs/saltmarsh-row.json'

function gatecross(...args: string[]) {
  const run = spawnSync(join(root, 'bin/gatecross'), args, { cwd: root, encoding: 'utf8' })
  return { code: run.status, out: run.stdout, err: run.stderr }
}
const ajv = new Ajv({ strictTypes: false })

describe('bin/gatecross', () => {
  it.each([[], ['--help'], ['-h'], ['plan', '--help'], ['help']])(
    '%j says how it is used',
    (...args: string[]) => {
      const { code, out } = gatecross(...args)
      expect([code, out]).toEqual([0, expect.stringMatching(/gatecross check FILE[^]*--help/)])
    },
  )
  it('names an option that it does not know, and one that lacks its value', () => {
    const unknown = gatecross('check', GOOD, '--colour', '--json')
    expect(unknown.code).toBe(2)
    expect(JSON.parse(unknown.out)).toMatchObject({ ok: false, problems: [{ path: '--colour' }] })
    const bare = gatecross('state', GOOD, '--call')
    expect([bare.code, bare.err.trim()]).toEqual([
      2,
      '--call: expected an option as gatecross --help writes it',
    ])
  })
  it.each([
    ['check', [GOOD], 0],
    ['check', [BAD], 1],
    ['sweep', [BAD], 1],
    ['state', [GOOD, '--call', 'heat1', '--outdoor', '20', '--mode', 'od.board=defrost'], 0],
    ['chain', [GOOD, '--target', 'kit.row2', '--call', 'heatAux1', '--outdoor', '52'], 0],
    ['meter', [GOOD, '--from', 'ah.W1', '--to', 'ah.C', '--call', 'emergency', '--outdoor', '52'], 0],
    ['judge', [GOOD], 0],
    ['plan', ['demo/jobs/pennywort-close.json'], 0],
    ['plan', ['demo/jobs/harrier-bank.json', '--defrost', 'cold'], 1],
    ['supplies', [GOOD], 0],
    ['failures', [GOOD], 1],
    ['conflicts', [GOOD], 0],
    ['conflicts', ['demo/jobs/millrace-cottage.json'], 1],
    ['sheet', ['demo/jobs/pennywort-close.json', '--device', 'tstat'], 0],
    ['crossing', ['demo/jobs/tallow-mill.json', '--schools'], 0],
    ['crossing', ['demo/jobs/quillfeather-lane.json'], 0],
    ['kit', [GOOD, '--volts', '208'], 0],
    ['startup', [GOOD, '--outdoor', '55'], 0],
    ['startup', [BAD, '--outdoor', '55'], 1],
    ['wait', [GOOD, '--call', 'heatAux1', '--outdoor', '20'], 0],
    ['run', [GOOD, '--scene', 'raise4', '--outdoor', '25', '--to', '10m'], 0],
    ['winter', [GOOD], 0],
  ] as [AnswerName, string[], number][])(
    '%s %j ends with %i and answers as its schema says',
    (name, args, code) => {
      const run = gatecross(name, ...args, '--json')
      expect(run.code).toBe(code)
      const validate = ajv.compile(answerSchema(name))
      expect([validate(JSON.parse(run.out)), validate.errors]).toEqual([true, null])
    },
  )

  it('plays a scene: each event at its second with its cause, and refuses what is none', () => {
    // The wall is turned after a minute; the sequencers take 12 and 24 s.
    expect(
      gatecross('run', GOOD, '--scene', 'raise4', '--outdoor', '25', '--to', '2m').out.trim().split('\n'),
    ).toEqual([
      'Raise the setpoint 4 °F.',
      '0:01:00  Blower on, compressor on, outdoor fan on: Heat + aux is called: the room is 4.1 °F below its setpoint: the droop of 2 °F is passed.',
      '0:01:06  Blower interlock closes after 6 s.',
      '0:01:12  Strip row 1 on: row 1 sequencer contact closes after 12 s.',
      '0:01:24  Strip row 2 on: row 2 sequencer contact closes after 24 s.',
      'Room 70 °F at the start, 69.9 °F at the end, 69.9 °F at the coldest.',
      'Supply air up to 82 °F.',
      expect.stringMatching(/^0\.2 kWh/),
    ])
    // All breakers are off from the second minute on: nothing comes on any more.
    const own = gatecross(
      'run',
      GOOD,
      '--scene',
      'own',
      '--events',
      '0:00 out 25; 0:01 set 74; 0:02 power off; 0:04 end',
    ).out
    expect(own).toMatch(/0:02:00 .*compressor off/i)
    expect(own).toMatch(/0:02:00 .*strip row 1 off/i)
    expect(own).not.toMatch(/0:02:\d\d .* on:/)
    for (const [args, at] of [
      [['--scene', 'snow'], '--scene'],
      [['--scene', 'raise1', '--to', 'soon'], '--to'],
      [['--scene', 'raise1', '--to', '11d'], '--to'],
      [['--scene', 'raise1', '--outdoor', 'cold'], '--outdoor'],
      [['--scene', 'own', '--events', '0:00 out 28; 1:00 set hot'], '--events, entry 2'],
      [['--scene', 'own'], '--events'],
      [['--scene', 'raise1', '--events', '1:00 set 72'], '--events'],
    ] as [string[], string][]) {
      const { code, err } = gatecross('run', GOOD, ...args)
      expect([code, err]).toEqual([2, expect.stringContaining(`${at}: expected`)])
    }
  })

  it('says who heats when, with a year of its own or one from a file', () => {
    const out = gatecross('crossing', GOOD, '--schools').out
    expect(out).toContain('The heat pump alone carries the house down to 26 °F.')
    expect(out).toContain('At 8 °F it lacks 5.2 kW; the strips that may run there have 9.6.')
    expect(out).toMatch(/Run it always +\$\d/)
    const file = join(mkdtempSync(join(tmpdir(), 'gatecross-')), 'year.csv')
    // 8,000 h at 70 °F, 760 at 32 °F: 596.49 · 33 = 19,684 BTU/h of 24,645 for 760 h.
    writeFileSync(file, 'temp F,hours\n70,8000\n32,760\n')
    const year = JSON.parse(gatecross('crossing', GOOD, '--weather', file, '--json').out) as {
      year: { unmetDegreeHours: number; backupHours: number; heatPumpKwh: number }
    }
    expect(year.year).toMatchObject({ unmetDegreeHours: 0, backupHours: 0 })
    expect(year.year.heatPumpKwh).toBeGreaterThan(760)
    writeFileSync(file, 'temp F\n70\n')
    const bad = gatecross('crossing', GOOD, '--weather', file)
    expect([bad.code, bad.err]).toEqual([2, expect.stringMatching(/--weather .*8760 rows/)])
    expect(gatecross('crossing', GOOD, '--weather', '/nowhere.csv').code).toBe(2)
  })

  it('says what a kit should read at the volts asked for', () => {
    // 4.8 kW rows at 208 V: 12 Ω, 17.33 A, 3.605 kW.
    const kit = JSON.parse(gatecross('kit', GOOD, '--volts', '208', '--json').out) as {
      kits: { rows: { ohms: number; amps: number; kw: number }[]; banks: unknown }[]
    }
    expect(kit.kits[0]?.rows[0]).toMatchObject({
      ohms: 12,
      amps: expect.closeTo(17.333, 2),
      kw: expect.closeTo(3.605, 2),
    })
    expect(kit.kits[0]?.banks).toEqual([
      { inputs: ['W1'], rows: [1] },
      { inputs: ['W1', 'W2'], rows: [1, 2] },
    ])
    expect(gatecross('kit', GOOD, '--volts', 'many').code).toBe(2)
  })

  it('plans in words, and refuses a school that nobody keeps', () => {
    const run = gatecross('plan', 'demo/jobs/harrier-bank.json')
    expect(run.out).toContain('is on Splice at the air handler, the plan has Air handler Y2')
    expect(run.out).toContain('one transformer: Rc and Rh are one')
    const bad = gatecross('plan', GOOD, '--fuel', 'guess')
    expect([bad.code, bad.err]).toEqual([2, expect.stringContaining('one of thermostat, kit, stage')])
  })

  it('writes a key-in sheet in the device’s own order, and says what clears a contradiction', () => {
    const sheet = gatecross('sheet', 'demo/jobs/gorse-end.json', '--device', 'od', '--all').out
    expect(
      sheet
        .split('\n')
        .filter((l) => /^ {2}\d/.test(l))
        .map((l) => Number(l.trim().split(' ')[0])),
    ).toEqual([1, 2, 3, 4, 5, 9, 10])
    // Item 1 in four lights is 0001.
    expect(sheet).toContain('○○○●')
    const conflicts = gatecross('conflicts', 'demo/jobs/gorse-end.json').out
    expect(conflicts).toContain('Set to 24 V, wired for the bus: dead, or damaged.')
    expect(conflicts).toContain('Outdoor unit: Control selector to bus clears it')
  })

  it('says what the screen says: the same proof, finding and chain', () => {
    const proof = prove(demoInstallation('saltmarsh-row'))
    const check = JSON.parse(gatecross('check', BAD, '--json').out) as {
      states: number
      findings: { witness: unknown }[]
    }
    expect(check.states).toBe(proof.solved)
    expect(check.findings[0]!.witness).toEqual(proof.findings[0]!.witness)
    expect(gatecross('check', GOOD).out.trim()).toMatch(
      /^All \d+ rules hold in 1,960 states\. 11 settings stand at their default, not looked at\.$/,
    )
    expect(
      gatecross('chain', GOOD, '--target', 'kit.row1', '--call', 'heatAux1', '--outdoor', '52').out,
    ).toContain('Held at outdoor thermostat contact. 52 °F outside; closes below 35 °F, opens at 40 °F')
  })

  it('reads 24 V at W1 in emergency heat on the right job, and nothing on the one behind the outdoor thermostat', () => {
    const volts = (file: string) =>
      (
        JSON.parse(
          gatecross(
            'meter',
            file,
            '--from',
            'ah.W1',
            '--to',
            'ah.C',
            '--call',
            'emergency',
            '--outdoor',
            '52',
            '--json',
          ).out,
        ) as { volts: number }
      ).volts
    expect(volts(GOOD)).toBeGreaterThan(22)
    expect(volts(BAD)).toBeLessThan(0.5)
  })

  it.each([
    [['check', 'no-such-file.json'], 'a job file that can be read'],
    [['frobnicate', GOOD], 'one of check, sweep'],
    [['state', GOOD, '--call', 'lunch'], '--call'],
    [['state', GOOD, '--outdoor', 'warm'], '-80 to 160'],
    [['state', GOOD, '--mode', 'od.board=asleep'], 'one of normal, defrost, lockout'],
    [['chain', GOOD, '--target', 'kit.row9'], '--target'],
    [['meter', GOOD, '--from', 'ah.Q', '--to', 'ah.C'], '--from'],
    [['schema', 'poem'], 'one of job, device'],
    [['sheet', GOOD, '--device', 'kit'], 'one of tstat, od'],
    [['check', GOOD, '--loud'], 'loud'],
  ])('%j is bad input: exit code 2, and it names what was expected', (args, said) => {
    const run = gatecross(...args)
    expect(run.code).toBe(2)
    expect(run.err).toContain(said)
  })

  it('names the place in a file that is wrong', () => {
    const job = readJson<{ wires: { b: string }[] }>(GOOD)
    job.wires[3]!.b = 'ah.Q'
    const file = join(mkdtempSync(join(tmpdir(), 'gate-cross-cli-')), 'job.json')
    writeFileSync(file, JSON.stringify(job))
    const run = gatecross('check', file)
    expect(run.code).toBe(2)
    expect(run.err).toContain('wires[3].b: expected a terminal of a placed device, found ah.Q')
  })

  it('publishes a schema for each answer', () => {
    const names = JSON.parse(gatecross('schema', '--json').out) as string[]
    expect(names).toEqual(['job', 'device', ...Object.keys(ANSWERS)])
  })

  it('composes the smallest job in fewer than forty lines, and proves it', () => {
    const folder = mkdtempSync(join(tmpdir(), 'gate-cross-new-'))
    const file = join(folder, 'small.json')
    // What docs/file-format.md shows; every line of it is run.
    const script = `
      new FILE --title Smallest
      place FILE tstat=sorrel-h1 --where wall --box
      place FILE ah=teasel-a3 kit=teasel-k2 --where garage --box
      place FILE od=marram-s1 --where north --box
      cable FILE tstat=ah --conductors 8
      cable FILE ah=od --conductors 6 --feet 50
      land FILE --line
      land FILE tstat.R=ah.R tstat.C=ah.C tstat.G=ah.G tstat.Y=ah.Y tstat.OB=ah.O tstat.AUX=ah.W1
      land FILE ah.R=od.R ah.C=od.C ah.Y=od.Y ah.O=od.OB ah.W1=od.W ah.W1=ah.W2
      set FILE tstat.auxWithE=together
      read FILE lineVolts 238 --at od.L1 --place disconnect --call off --outdoor 50 --who Wren
    `
      .trim()
      .split('\n')
    expect(script.length).toBeLessThan(40)
    for (const line of script) {
      const run = gatecross(
        ...line
          .trim()
          .split(' ')
          .map((w) => (w === 'FILE' ? file : w)),
      )
      expect([line, run.code, run.err]).toEqual([line, 0, ''])
    }
    const check = gatecross('check', file)
    expect([check.code, check.out]).toEqual([
      0,
      expect.stringMatching(
        /^Nothing is wrong in [\d,]+ states\. Worth a look: Nothing holds strip row 1 off/,
      ),
    ])
    // The file names its devices; packed, it carries them, and says the same.
    const devices = () => (JSON.parse(readFileSync(file, 'utf8')) as { devices: object }).devices
    expect(devices()).toEqual({})
    expect(gatecross('pack', file).code).toBe(0)
    expect(Object.keys(devices())).toHaveLength(5)
    expect(gatecross('check', file).out).toBe(check.out)
    expect(gatecross('judge', file).out).toMatch(/^Right: 238 V/)

    const before = readFileSync(file, 'utf8')
    for (const [args, said] of [
      [['new', file], 'a name that no file has yet'],
      [['new', join(folder, 'no', 'where.json')], 'a file that can be written'],
      [['place', file, 'x=no-such-device'], 'a device of the library'],
      [['place', file, 'tstat=sorrel-h1'], 'a name that is not used yet'],
      [['land', file, 'tstat.Q=ah.R'], 'a terminal of a placed device'],
      [['lift', file, 'tstat.R=ah.C'], 'two terminals that a conductor joins'],
      [['set', file, 'tstat.droop=9'], '0 to 5'],
      [['set', file, 'tstat.rvSense=sideways'], 'one of cooling, heating'],
      [['read', file, 'lineVolts', 'OL', '--at', 'od.L1'], 'a number in V'],
      [['read', file, 'lineVolts', '9000', '--at', 'od.L1'], '0 to 600 V'],
      [['cable', file, 'tstat=ah', '--conductors', '99'], '1 to 10'],
      [['read', file, 'lineVolts', '240', 'feedA.breaker=off'], 'feedA.breaker=off: expected nothing more'],
      [['check', file, 'od'], 'od: expected nothing more'],
    ] as [string[], string][]) {
      const run = gatecross(...args)
      expect([args, run.code, run.err]).toEqual([args, 2, expect.stringContaining(said)])
    }
    expect(readFileSync(file, 'utf8')).toBe(before)
    expect(readdirSync(folder)).toEqual(['small.json'])
  })

  it('lifts what it landed, and asks the plan for the rest', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'gate-cross-plan-')), 'plan.json')
    for (const line of [
      'new FILE',
      'place FILE tstat=sorrel-h1 --where wall --box',
      'place FILE ah=teasel-a3 kit=teasel-k2 --where garage --box',
      'place FILE od=marram-s1 --where north --box',
      'cable FILE tstat=ah ah=od',
      'land FILE --line',
      'land FILE tstat.R=ah.C',
      'lift FILE tstat.R=ah.C',
      'land FILE --plan',
    ])
      expect([line, gatecross(...line.split(' ').map((w) => (w === 'FILE' ? file : w))).code]).toEqual([
        line,
        0,
      ])
    expect(gatecross('check', file).code).toBe(0)
    expect(gatecross('plan', file).code).toBe(0)
    expect(gatecross('land', file, '--plan').out).toBe('Nothing to change.\n')
  })
})
