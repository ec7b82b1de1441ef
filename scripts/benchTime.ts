import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Circuit } from '@/core/circuit'
import { CLIMATES, climateYear, type Climate } from '@/core/house'
import { frostOver, Network, winterOf } from '@/core/simulation'
import { jobSeen, parseJob } from '@/jobfile'

const JOBS = join(__dirname, '../demo/jobs')
/** Steps of two minutes through 180 days. */
const STEPS = 129_600

/** House and frost alone, as plainly as they can be written: the same three parts of the room, the same coil. */
const C = `
#include <stdio.h>
#include <math.h>
#include <time.h>
static double sat(double f){ double c=(f-32)/1.8; double h=c>=0?6.1094*exp(17.625*c/(c+243.04)):6.1121*exp(22.587*c/(c+273.86)); return h*0.0145038; }
static double moist(double p){ return 0.622*p/(14.696-p); }
int main(){ struct timespec a,b; double best=1e9, room=0, lb=0;
 for(int r=0;r<5;r++){ clock_gettime(CLOCK_MONOTONIC,&a);
  double C_[3]={36,4000,16000}, G[3][3]={{1200,-1200,0},{-1200,4800,-3200},{0,-3200,3200}};
  /* the same eigenvectors by rotations, once */
  double s[3][3],v[3][3]; for(int i=0;i<3;i++)for(int j=0;j<3;j++){ s[i][j]=G[i][j]/sqrt(C_[i]*C_[j]); v[i][j]=i==j; }
  for(int sw=0;sw<60;sw++) for(int p=0;p<3;p++) for(int q=p+1;q<3;q++){ if(s[p][q]==0) continue; double th=(s[q][q]-s[p][p])/(2*s[p][q]);
   double t=(th<0?-1:1)/(fabs(th)+sqrt(th*th+1)),c=1/sqrt(t*t+1),sn=t*c; for(int k=0;k<3;k++){double x=s[k][p],y=s[k][q];s[k][p]=c*x-sn*y;s[k][q]=sn*x+c*y;}
   for(int k=0;k<3;k++){double x=s[p][k],y=s[q][k];s[p][k]=c*x-sn*y;s[q][k]=sn*x+c*y;} for(int k=0;k<3;k++){double x=v[k][p],y=v[k][q];v[k][p]=c*x-sn*y;v[k][q]=sn*x+c*y;} }
  double T[3]={70,70,70}, coil=30, sum[3]={0,0,0}; lb=0; double h=120.0/3600;
  /* every step is as long as the last: what it makes of temperatures and heat is worked out once, as the product does */
  double P[3][3]={{0}},Q[3][3]={{0}},U[3][3]={{0}},V[3][3]={{0}};
  for(int k=0;k<3;k++){ double l=s[k][k],x=l*h,e=exp(-x),g=-expm1(-x)/l; for(int i=0;i<3;i++) for(int j=0;j<3;j++){ double w=v[i][k]/sqrt(C_[i]),z=w*v[j][k]*sqrt(C_[j]),be=w*v[j][k]/sqrt(C_[j]);
   P[i][j]+=z*e; Q[i][j]+=be*g; U[i][j]+=z*g; V[i][j]+=be*(h-g)/l; } }
  for(int n=0;n<${STEPS};n++){ double out=30+15*sin(n*6.2831853/720), bb[3]={25000,400*out,0}, z[3],m[3];
   for(int i=0;i<3;i++){ double w=0,u=0; for(int j=0;j<3;j++){ w+=P[i][j]*T[j]+Q[i][j]*bb[j]; u+=U[i][j]*T[j]+V[i][j]*bb[j]; } z[i]=w; m[i]=u; }
   for(int i=0;i<3;i++){ T[i]=z[i]; sum[i]+=m[i]; }
   double to=out-12*(1+0.8*fmin(1.5,lb/9)); coil=to+(coil-to)*exp(-120.0/45);
   if(coil<32){ double o=moist(sat(out)*0.8)-moist(sat(coil)); if(o>0) lb+=o*3600*3*0.6*h*fmax(0,1-lb/13.5); } if(lb>9) lb=0; }
  clock_gettime(CLOCK_MONOTONIC,&b); double ms=(b.tv_sec-a.tv_sec)*1e3+(b.tv_nsec-a.tv_nsec)/1e6; if(ms<best) best=ms; room=T[1]; }
 printf("%.4f %.9f %.9f\\n",best,room,lb); }
`

function alone(): { ms: number; room: number; lb: number } {
  let best = Infinity
  let [room, lb] = [0, 0]
  for (let r = 0; r < 5; r++) {
    const began = performance.now()
    const net = new Network(
      [36, 4000, 16_000],
      [
        [0, 1200, 0],
        [1200, 400, 3200],
        [0, 3200, 0],
      ],
    )
    const [t, b, sums] = [Float64Array.of(70, 70, 70), new Float64Array(3), new Float64Array(3)]
    const coil = { coilF: 30, frostLb: 0 }
    for (let n = 0; n < STEPS; n++) {
      const out = 30 + 15 * Math.sin((n * 6.2831853) / 720)
      b[0] = 25_000
      b[1] = 400 * out
      net.pass(120 / 3600, t, b, sums)
      frostOver(coil, 3, 1, out, null, 120)
      if (coil.frostLb > 9) coil.frostLb = 0
    }
    best = Math.min(best, performance.now() - began)
    room = t[1] ?? 0
    lb = coil.frostLb
  }
  return { ms: best, room, lb }
}

/** A winter of every demo job in every climate, ms; house and frost alone as a ratio of the same in C. */
export function time(): void {
  const found: { id: string; ms: number }[] = []
  for (const file of readdirSync(JOBS)) {
    const parsed = parseJob(readFileSync(join(JOBS, file), 'utf8'))
    if (!parsed.ok) throw new Error('the demo job cannot be read')
    const seen = jobSeen(parsed.value)
    const circuit = new Circuit(seen.inst)
    for (const climate of Object.keys(CLIMATES) as Climate[]) {
      climateYear(climate)
      const began = performance.now()
      const winter = winterOf({ ...seen, climate: { kind: 'shipped', climate } }, circuit)
      found.push({ id: `${file.replace('.json', '')} ${climate}`, ms: performance.now() - began })
      if (winter?.ended !== 'until')
        console.log(`time: ${file} ${climate} ended with ${winter?.ended ?? 'nothing'}`)
    }
  }
  const sorted = [...found].sort((a, b) => a.ms - b.ms)
  const [middle, last] = [sorted[Math.floor(sorted.length / 2)], sorted[sorted.length - 1]]
  console.log(
    `time: ${found.length} winters of 180 days, median ${(middle?.ms ?? NaN).toFixed(0)} ms, the longest ${(last?.ms ?? NaN).toFixed(0)} ms (${last?.id ?? ''})`,
  )
  const own = alone()
  const compiler = ['cc', 'gcc', 'clang'].find((c) => spawnSync(c, ['--version']).status === 0)
  if (!compiler)
    return console.log(
      `time: house and frost alone ${own.ms.toFixed(1)} ms; no C compiler is here, so there is no ratio`,
    )
  const folder = mkdtempSync(join(tmpdir(), 'gate-cross-bench-'))
  try {
    writeFileSync(join(folder, 'time.c'), C)
    const made = spawnSync(compiler, ['-O2', '-o', join(folder, 'time'), join(folder, 'time.c'), '-lm'])
    if (made.status !== 0) return console.log(`time: the C loop does not compile: ${String(made.stderr)}`)
    const [ms = NaN, room = NaN, lb = NaN] = spawnSync(join(folder, 'time'), { encoding: 'utf8' })
      .stdout.split(' ')
      .map(Number)
    console.log(
      `time: house and frost alone ${own.ms.toFixed(1)} ms, in C ${ms.toFixed(1)} ms: ratio ${(own.ms / ms).toFixed(2)}; room and frost differ by ${Math.abs(own.room - room).toExponential(1)} °F and ${Math.abs(own.lb - lb).toExponential(1)} lb`,
    )
  } finally {
    rmSync(folder, { recursive: true })
  }
}
