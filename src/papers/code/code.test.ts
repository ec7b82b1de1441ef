import { hash } from 'ohash'
import QRCode from 'qrcode'
import fc from '../../../tests/helpers/property'
import { installationOf, parseJob, type Job } from '@/jobfile'
import type { Installation } from '@/core/installation'
import { ProvenAnalysis } from '@/core/analysis'
import { readFileSync } from 'node:fs'
import { jobIds, libraryDevice, libraryIds } from '../../../tests/helpers/demo'
import { nameBits } from './layout'
import { COLOURS, DICTIONARY } from './words'
import { codeOf, readCode } from '.'

const library = libraryIds().map(libraryDevice)
const day = new Date('2026-11-27T10:00:00Z')
const jobOf = (id: string): Job => {
  const read = parseJob(readFileSync(`demo/jobs/${id}.json`, 'utf8'))
  if (!read.ok) throw new Error(id)
  return read.value
}
/** Read on a device that has the descriptions of the job itself. */
const whole = (text: string | null, job: Job) => {
  if (text === null) throw new Error('no code')
  const read = readCode(text, [...library, ...Object.values(job.devices)])
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}
/** Without the names of wires and cables, which a code does not carry. */
function bare(inst: Installation, places: boolean) {
  const cable = (id: string | null) => inst.cables.findIndex((c) => c.id === id)
  return {
    placed: inst.placed.map(({ device, where, ...p }) => ({
      ...p,
      device: device.id,
      ...(places && where ? { where } : {}),
    })),
    cables: inst.cables.map(({ id: _, ...c }) => c),
    wires: inst.wires.map(({ id: _, ...w }) => ({ ...w, cable: cable(w.cable) })),
  }
}

describe.each(jobIds())('the code of %s', (id) => {
  const job = jobOf(id)
  const { text, left } = codeOf(job, day)

  it('fits a QR code of version 15 at level M, and says what it could not hold', () => {
    const qr = QRCode.create(text!, { errorCorrectionLevel: 'M' })
    expect(qr.version).toBeLessThanOrEqual(15)
    expect(qr.segments.map((s) => s.mode.id)).toEqual(['Alphanumeric'])
    expect(left.all).toBe(false)
  })

  it('gives back gear, landing and settings as they are', () => {
    const read = whole(text, job)
    expect(bare(installationOf(read.job), !left.texts)).toEqual(bare(installationOf(job), !left.texts))
    expect(read.job.title).toBe(job.title)
    expect(read.otherwise).toEqual([])
    expect(read.day.toISOString()).toBe('2026-11-27T00:00:00.000Z')
  })
})

it('what is read back is proven as the job itself', () => {
  const job = jobOf('saltmarsh-row')
  const of = (j: Job) => {
    const proof = new ProvenAnalysis(installationOf(j)).prove()
    return { states: proof.factors, findings: proof.findings.map((f) => [f.rule, f.code]) }
  }
  expect(of(whole(codeOf(job, day).text, job).job)).toEqual(of(job))
})

it('the newest readings are in it, with their day', () => {
  const job = jobOf('quillfeather-lane')
  const { text, left } = codeOf(job, day)
  const { readings } = whole(text, job).job
  // Eight were taken, one of which another supersedes.
  expect(left.readings + readings.length).toBe(7)
  expect(readings.find((r) => r.kind === 'stripAmps')).toMatchObject({
    value: 39.4,
    at: 'feedA',
    withBlower: false,
    situation: { call: 'emergency', outdoorF: 52 },
    when: '2026-11-18T00:00:00.000Z',
  })
})

it('values that no range foresees, unknown ones and rare wires come back', () => {
  const job = jobOf('quillfeather-lane')
  const odd: Job = {
    ...job,
    placed: job.placed.map((p) =>
      p.ref === 'odt'
        ? { ...p, settings: { setpoint: 33.37 } }
        : p.ref === 'tstat'
          ? { ...p, settings: { minimumOff: null } }
          : p,
    ),
    wires: job.wires.map((w) =>
      w.id === 'w04' ? { ...w, colour: 'mauve', colourB: 'green', doubt: true, gauge: 20, feet: 3 } : w,
    ),
  }
  const inst = installationOf(whole(codeOf(odd, day).text, job).job)
  expect(inst.placed.find((p) => p.ref === 'odt')!.settings.setpoint).toBe(33.37)
  expect(inst.placed.find((p) => p.ref === 'tstat')!.settings.minimumOff).toBeNull()
  expect(inst.wires[3]).toMatchObject({ colour: 'mauve', colourB: 'green', doubt: true, gauge: 20, feet: 3 })
})

it('a device that the reader does not have is named, and one that it has otherwise as well', () => {
  const job = jobOf('quillfeather-lane')
  const { text } = codeOf(job, day)
  const without = readCode(
    text!,
    library.filter((d) => d.id !== 'teasel-k2'),
  )
  expect(without).toMatchObject({
    ok: false,
    problems: [{ got: expect.stringContaining('Strip kit') as string }],
  })
  const other = readCode(
    text!,
    library.map((d) => (d.id === 'sedge-t50' ? { ...d, about: 'Anew.' } : d)),
  )
  expect(other).toMatchObject({
    ok: true,
    value: { otherwise: expect.arrayContaining(['Outdoor thermostat']) as string[] },
  })
})

it('whatever is scanned, it is a card or a refusal that says what to do', () => {
  const { text } = codeOf(jobOf('osier-walk'), day)
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.nat(text!.length).map((n) => text!.slice(0, n)),
        fc
          .tuple(fc.nat(text!.length - 1), fc.constantFrom(...'ABC123 %'))
          .map(([n, c]) => text!.slice(0, n) + c + text!.slice(n + 1)),
      ),
      (scanned) => {
        const read = readCode(scanned, library)
        if (!read.ok) expect(read.problems.length).toBeGreaterThan(0)
      },
    ),
    { numRuns: 300, seed: 7 },
  )
})

it('codes that were printed stay readable: the words that they go by do not move', () => {
  expect(hash([...DICTIONARY, ...COLOURS])).toBe('j_DVlVsqLqfPRR1q4QQ_m3Apfry48qGw-frTZRgUaD8')
  expect(nameBits('splice')).toBe(6501586)
  expect(new Set(library.map((d) => nameBits(d.id))).size).toBe(library.length)
})
