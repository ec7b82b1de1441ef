import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Circuit } from '@/core/circuit'
import { crossingOf, schoolYears, sharingOf } from '@/core/crossing'
import { furnaceBtuh, weatherOf } from '@/core/house'
import { withSettings } from '@/core/installation'
import { jobSeen, parseJob } from '@/jobfile'

/** A one-stage heat pump over a gas furnace with a changeover: every step of a drag asks for all of it. */
const JOB = 'ferrous-hill'
const RUNS = 200

/** The same sums, hour by hour, as plainly as they can be written: what the year is compared with, and its yardstick. */
const C = `
#include <stdio.h>
#include <stdlib.h>
#include <time.h>
static double q47,q17,p47,p17,slope,nh,out,eff,fire; static double T[8760]; static double ch[16];
static double weight(double t){ if(t<=17||t>=47) return 0; return t<=35?(t-17)/18:(47-t)/12; }
int main(int c,char**v){ int n=atoi(v[1]); double floorF=atof(v[2]);
 scanf("%lf %lf %lf %lf %lf %lf %lf %lf %lf",&q47,&q17,&p47,&p17,&slope,&nh,&out,&eff,&fire);
 for(int i=0;i<n;i++) scanf("%lf",ch+i); for(int i=0;i<8760;i++) scanf("%lf",T+i);
 double kwh[16],fuel[16]; int reps=50; struct timespec a,b; clock_gettime(CLOCK_MONOTONIC,&a);
 for(int r=0;r<reps;r++) for(int s=0;s<n;s++){ kwh[s]=fuel[s]=0; for(int i=0;i<8760;i++){ double t=T[i],L=slope*(nh-t); if(L<=0) continue;
  double w=weight(t), q=(q17+(q47-q17)*(t-17)/30), p=(p17+(p47-p17)*(t-17)/30); q=q*(1-0.1*w); p=p*(1-0.015*w); if(q<0)q=0;
  double cop=q/(3412*p); if((t<17||t>47)&&cop<1) cop=1;
  if(t<ch[s]||t<floorF||q<=0){ double h=L<out?L:out; fuel[s]+=h/out*fire/eff/100000; continue; }
  if(q<L){ double x=out>L?(out-L)/(out-q):(q>=out?1:0); kwh[s]+=x*q/(3412*cop); fuel[s]+=(1-x)*fire/eff/100000; continue; }
  double lf=L/q; kwh[s]+=L/(3412*cop*(1-0.25*(1-lf))); } }
 clock_gettime(CLOCK_MONOTONIC,&b); printf("%.6f\\n",((b.tv_sec-a.tv_sec)*1e3+(b.tv_nsec-a.tv_nsec)/1e6)/reps);
 for(int s=0;s<n;s++) printf("%.6f %.6f\\n",kwh[s],fuel[s]); }
`

const slow = (list: number[]): string => {
  const sorted = [...list].sort((a, b) => a - b)
  const at = (share: number) => (sorted[Math.ceil(share * sorted.length) - 1] ?? NaN).toFixed(1)
  return `p50 ${at(0.5)} p95 ${at(0.95)}`
}

/** The year of every school while a gate is dragged: ms, and as a ratio of a plain C loop over the same hours. */
export function crossing(): void {
  const parsed = parseJob(readFileSync(join(__dirname, `../demo/jobs/${JOB}.json`), 'utf8'))
  if (!parsed.ok) throw new Error('the demo job cannot be read')
  const seen = jobSeen(parsed.value)
  const circuit = new Circuit(seen.inst)
  const base = crossingOf(seen, circuit, sharingOf(circuit))
  const years = schoolYears(base, seen.prices.fuel)
  const sums: number[] = []
  const drags: number[] = []
  // Until V8 has optimized it, for some hundred runs, it is slower: a drag is past that before the finger has gone far.
  for (let i = -3 * RUNS; i < RUNS; i++) {
    const began = performance.now()
    schoolYears(base, seen.prices.fuel)
    if (i >= 0) sums.push(performance.now() - began)
  }
  for (let i = 0; i < RUNS; i++) {
    const inst = withSettings(seen.inst, [{ at: 'ffk.changeover', value: 10 + (i % 40) }])
    const start = performance.now()
    const moved = new Circuit(inst, circuit)
    schoolYears(crossingOf({ ...seen, inst }, moved, sharingOf(moved)), seen.prices.fuel)
    drags.push(performance.now() - start)
  }
  console.log(
    `crossing: ${years.length} schools over 8,760 hours ${slow(sums)} ms; a whole step of a drag, circuit and all schools, ${slow(drags)} ms`,
  )
  const { unit, burner } = base.plant
  const { line } = base
  const weather = seen.climate && weatherOf(seen.climate)
  if (!unit || !burner || !line || weather?.kind !== 'hours') return
  const compiler = ['cc', 'gcc', 'clang'].find((c) => spawnSync(c, ['--version']).status === 0)
  if (!compiler) return console.log('crossing: no C compiler is here, so there is no ratio')
  const folder = mkdtempSync(join(tmpdir(), 'gate-cross-bench-'))
  try {
    writeFileSync(join(folder, 'year.c'), C)
    const made = spawnSync(compiler, ['-O2', '-o', join(folder, 'year'), join(folder, 'year.c')])
    if (made.status !== 0) return console.log(`crossing: the C loop does not compile: ${String(made.stderr)}`)
    const kw = (t: number) => (unit.capacity(t) ?? 0) / (3412 * (unit.cop(t) ?? 1))
    const numbers = [
      unit.capacity(47), unit.capacity(17), kw(47), kw(17), line.slope, line.noHeatF, furnaceBtuh(burner), burner.efficiency, burner.outputBtuh,
      ...years.map((y) => y.gates.changeoverF ?? -1000), ...weather.hours,
    ] // prettier-ignore
    const run = spawnSync(join(folder, 'year'), [String(years.length), String(unit.floorF ?? -1000)], {
      input: numbers.join(' '),
      encoding: 'utf8',
    })
    const [ms, ...lines] = run.stdout.trim().split('\n')
    const worst = Math.max(
      ...years.flatMap((y, i) => {
        const [kwh = NaN, fuel = NaN] = (lines[i] ?? '').split(' ').map(Number)
        const apart = (a: number, b: number) => Math.abs(a - b) / Math.max(1, Math.abs(b))
        return [apart(y.year.heatPumpKwh, kwh), apart(y.year.fuel, fuel)]
      }),
    )
    const p95 = [...sums].sort((a, b) => a - b)[Math.ceil(0.95 * RUNS) - 1] ?? NaN
    console.log(
      `crossing: the same sums in C ${Number(ms).toFixed(2)} ms: ratio ${(p95 / Number(ms)).toFixed(2)} (p95); kWh and fuel differ by ${(100 * worst).toExponential(1)} % at most`,
    )
  } finally {
    rmSync(folder, { recursive: true })
  }
}
