import { readdirSync, readFileSync } from 'node:fs'
import { Circuit } from '@/core/circuit'
import { winterOf } from '@/core/simulation'
import { CLIMATES, type Climate } from '@/core/house'
import { jobSeen, parseJob } from '@/jobfile'
const JOBS = '/work/main/demo/jobs/'
const only = process.argv[2]
const found: number[] = []
for (const f of readdirSync(JOBS)) {
  if (only && !f.startsWith(only)) continue
  const p = parseJob(readFileSync(JOBS + f, 'utf8'))
  if (!p.ok) throw 1
  const seen = jobSeen(p.value)
  const c = new Circuit(seen.inst)
  for (const climate of (only ? Object.keys(CLIMATES).slice(0,2) : Object.keys(CLIMATES)) as Climate[]) {
    const t = performance.now()
    const w = winterOf({ ...seen, climate: { kind: 'shipped', climate } }, c)
    const ms = performance.now() - t
    found.push(ms)
    console.log(f, climate, ms.toFixed(0), w?.sums.starts, w?.sums.defrosts, w?.sums.heatPumpKwh.toFixed(2), w?.sums.stripKwh.toFixed(2), w?.sums.compressorHours.toFixed(3), w?.ended)
  }
}
found.sort((a, b) => a - b)
console.log('median', found[found.length >> 1]!.toFixed(0), 'max', found.at(-1)!.toFixed(0))
