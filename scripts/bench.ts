import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Circuit, type Netlist } from '@/core/circuit'
import type { Installation } from '@/core/installation'
import { singleFailures } from '@/core/failures'
import { ProvenAnalysis } from '@/core/analysis'
import { callsOf, reachableModes, regionsOf, type Situation } from '@/core/situation'
import { tolerances } from '@/core/tolerances'
import { installationOf, parseJob } from '@/jobfile'
import { tryCorpora } from '../tests/helpers/corpora'
import { landedCase, matrix, unexpected } from '../tests/helpers/matrix'
import { agree } from './benchAgree'
import { crossing } from './benchCrossing'
import { time } from './benchTime'
import { everySlip } from './benchSlips'

const OMEGA = 2 * Math.PI * 60
/** Ω of an open contact in the other program, which cannot leave a branch out. */
const OPEN = 1e16

function demo(id = 'quillfeather-lane'): Installation {
  const parsed = parseJob(readFileSync(join(__dirname, `../demo/jobs/${id}.json`), 'utf8'))
  if (!parsed.ok) throw new Error('the demo job cannot be read')
  return installationOf(parsed.value)
}

function statesOf(inst: Installation): Situation[] {
  return callsOf(inst).flatMap((call) =>
    regionsOf(inst).flatMap((outdoorF) =>
      reachableModes(inst, call, outdoorF).map((modes) => ({ call, outdoorF, modes })),
    ),
  )
}

/** Every state of the demo job against one ngspice process: the largest difference, and the time for each state. */
function circuit(): void {
  if (!existsSync('/usr/bin/ngspice')) {
    console.log('circuit: ngspice is not here; install it with: apt-get install -y ngspice')
    return
  }
  const inst = demo()
  const states = statesOf(inst)
  const began = performance.now()
  const ours = new Circuit(inst)
  const outcomes = states.map((s) => ours.settle(s))
  const ourMs = (performance.now() - began) / states.length

  const folder = mkdtempSync(join(tmpdir(), 'gate-cross-bench-'))
  const file = join(folder, 'job.cir')
  writeFileSync(
    file,
    spice(
      ours.net,
      outcomes.map((o) => (o.ok ? o.closed : new Uint8Array())),
    ),
  )
  const start = performance.now()
  const run = spawnSync('ngspice', ['-b', file], { encoding: 'utf8', maxBuffer: 1 << 30 })
  const theirMs = (performance.now() - start) / states.length
  rmSync(folder, { recursive: true })

  const values = [...run.stdout.matchAll(/^v\(n(\d+)\) = ([-+.\de]+),([-+.\de]+)/gm)]
  const nodes = ours.net.nodes.length
  let largest = 0
  values.forEach((m, i) => {
    const outcome = outcomes[Math.floor(i / nodes)]!
    if (!outcome.ok) return
    const n = Number(m[1])
    largest = Math.max(
      largest,
      Math.hypot(outcome.volts.re[n]! - Number(m[2]), outcome.volts.im[n]! - Number(m[3])),
    )
  })
  console.log(
    `circuit: ${states.length} states, ${values.length} of ${states.length * nodes} node voltages compared`,
  )
  console.log(`  largest difference ${(largest * 1000).toFixed(4)} mV`)
  console.log(
    `  ${ourMs.toFixed(3)} ms a state here, ${theirMs.toFixed(3)} ms in one ngspice process: ${(theirMs / ourMs).toFixed(0)} times faster`,
  )
}

/** The netlist as ngspice reads it, contacts as resistors that are altered from state to state. */
function spice(net: Netlist, closed: Uint8Array[]): string {
  const node = (n: number) => (n < 0 ? '0' : `n${n}`)
  const lines = ['* written by npm run bench']
  let k = 0
  const admittance = (a: number, b: number, re: number, im: number) => {
    lines.push(`R${k} ${node(a)} ${node(b)} ${1 / re}`)
    if (im < 0) lines.push(`L${k} ${node(a)} ${node(b)} ${-1 / (im * OMEGA)}`)
    k++
  }
  net.nodes.forEach((_, i) => lines.push(`Rleak${i} n${i} 0 ${1 / tolerances.leakSiemens}`))
  for (const b of [...net.conductors, ...net.loads]) admittance(b.a, b.b, b.re, b.im)
  net.sources.forEach((s, i) => {
    const phase = (Math.atan2(s.emf.im, s.emf.re) * 180) / Math.PI
    lines.push(
      `V${i} e${i} ${node(s.b)} dc 0 ac ${Math.hypot(s.emf.re, s.emf.im)} ${phase}`,
      `Rs${i} e${i} ${node(s.a)} ${1 / s.re}`,
    )
  })
  net.transformers.forEach((t, i) => {
    lines.push(`E${i} te${i} ${node(t.d)} ${node(t.a)} ${node(t.b)} ${t.ratio}`, `Vm${i} te${i} ti${i} dc 0`)
    lines.push(
      `F${i} ${node(t.a)} ${node(t.b)} Vm${i} ${t.ratio}`,
      `Rt${i} ti${i} ${node(t.c)} ${1 / t.siemens}`,
    )
  })
  net.contacts.forEach((c, i) => lines.push(`Rk${i} ${node(c.a)} ${node(c.b)} ${OPEN}`))
  lines.push('.control', 'set numdgt=10')
  const now = net.contacts.map(() => 0)
  const all = net.nodes.map((_, i) => `v(n${i})`)
  for (const state of closed) {
    state.forEach((c, i) => {
      if (now[i] === c) return
      now[i] = c
      lines.push(`alter Rk${i} = ${c ? tolerances.contactOhms : OPEN}`)
    })
    lines.push('ac lin 1 60 60', `print ${all.join(' ')}`, 'destroy all')
  }
  return [...lines, '.endc', '.end', ''].join('\n')
}

/** A whole sweep against the same states solved without sharing equal ones. */
const median = (n: number, act: () => void): number => {
  const times = Array.from({ length: n }, () => {
    const t = performance.now()
    act()
    return performance.now() - t
  }).sort((a, b) => a - b)
  return times[n >> 1]!
}

/** Every demo job's whole sweep, and the largest against laying out and solving each of its states by itself. */
function sweep(): void {
  const ids = readdirSync(join(__dirname, '../demo/jobs')).map((f) => f.replace('.json', ''))
  const all = ids.map((id) => {
    const inst = demo(id)
    // As after an edit of one wire: the devices stand as they stood.
    const before = new ProvenAnalysis(inst)
    const ms = median(9, () => before.next({ ...inst }).prove())
    const anew = median(9, () => new ProvenAnalysis({ ...inst }).prove())
    return { id, inst, states: statesOf(inst), ms, anew }
  })
  all.sort((a, b) => b.ms - a.ms)
  for (const j of all)
    console.log(
      `sweep: ${j.ms.toFixed(0)} ms after an edit, ${j.anew.toFixed(0)} ms anew, ${j.states.length} states: ${j.id}`,
    )
  const { inst, states, ms } = all[0]!
  const t = performance.now()
  for (const s of states.slice(0, 300)) new Circuit({ ...inst }).settle(s)
  const alone = ((performance.now() - t) / 300) * states.length
  console.log(
    `  the slowest is ${(alone / ms).toFixed(0)} times faster than laying out and solving each state by itself`,
  )
}

/** The single-failure sweep of the job with the most parts. */
function failures(): void {
  for (const id of ['quillfeather-lane', 'tallow-mill', 'osier-walk']) {
    const inst = demo(id)
    let count = 0
    const ms = median(3, () => (count = singleFailures(inst).length))
    console.log(`failures: ${count} single failures in ${ms.toFixed(0)} ms: ${id}`)
  }
}

/** Every family × practice × valve sense landed by its plan and proven: what the sampled test in the suite does with a few. */
function wholeMatrix(): void {
  const began = performance.now()
  let landed = 0
  let said = 0
  let wrong = 0
  for (const c of matrix()) {
    const inst = landedCase(c)
    if (!inst) {
      said++
      continue
    }
    landed++
    for (const f of unexpected(inst)) {
      wrong++
      console.log(`matrix: ${c.name}: ${f.code} at ${f.at}`)
    }
  }
  const minutes = (performance.now() - began) / 60_000
  console.log(
    `matrix: ${landed} landed and proven, ${wrong} findings that the table does not allow; ${said} that the plan says the gear or a cable cannot give; ${minutes.toFixed(1)} min`,
  )
  if (wrong) process.exitCode = 1
}

const asked = process.argv[2]
if (!asked || asked === 'circuit') circuit()
if (!asked || asked === 'sweep') sweep()
if (!asked || asked === 'failures') failures()
if (!asked || asked === 'crossing') crossing()
if (!asked || asked === 'time') time()
/** Ten thousand damaged files, devices, operations and tables: what crashes, hangs or is taken wrongly, and what a refusal takes. */
function attack(): void {
  const start = performance.now()
  const high = (list: number[], q: number) =>
    [...list].sort((a, b) => a - b)[Math.floor(q * (list.length - 1))] ?? 0
  for (const [name, t] of Object.entries(tryCorpora(10_000, Number(process.argv[3] ?? 1), 20))) {
    for (const line of [...t.crashes, ...t.hangs, ...t.wrongly].slice(0, 10))
      console.log(`attack: ${name}: ${line}`)
    console.log(
      `attack: ${name}: ${t.tried} tried, ${t.taken} taken, ${t.refused} refused; ${t.crashes.length} crashes, ${t.hangs.length} hangs, ${t.wrongly.length} taken wrongly; a refusal p99 ${high(t.ms, 0.99).toFixed(1)} ms, at most ${(high(t.sizes, 1) / 1024).toFixed(1)} kB`,
    )
    if (t.crashes.length + t.hangs.length + t.wrongly.length) process.exitCode = 1
  }
  console.log(`attack: ${((performance.now() - start) / 60_000).toFixed(1)} min`)
}

if (asked === 'slips') everySlip(Number(process.argv[3] ?? 1))
else if (asked === 'agree') agree()
else if (asked === 'attack') attack()
else if (asked === 'matrix') wholeMatrix()
