import { READING_KINDS, READINGS } from '@/core/readings'
import { BitInputStream } from '@thi.ng/bitstream'
import { decode } from 'base45-ts'
import { inflateSync } from 'fflate'
import { CALLS, type Device } from '@/core/equipment'
import { isRef, makeRef, type Cable, type Name, type Placed, type Wire } from '@/core/installation'
import { type Reading } from '@/core/startup'
import { nth, required } from '@/core/assert'
import { degF } from '@/core/units'
import { checkJob, freshParts, JOB_VERSION, problem, type Checked, type Job } from '@/jobfile'
import { bitsFor, CODE_VERSION, contentBits, DAY_MS, DAY_ZERO, MARK, nameBits, settingsOf } from './layout'
import { COLOURS, DICTIONARY } from './words'

/** Content of a card. */
export interface CardRead {
  job: Job
  /** The day on which the card was made. */
  day: Date
  /** Devices that this library describes otherwise than the card's did, by their labels. */
  otherwise: string[]
}

/** Characters of the largest code that a scanner reads: what is longer was typed, and could unpack to anything. */
const MOST_CODE = 4296

/** Whether a scanned text is one of our cards at all. */
export const isCardCode = (text: string): boolean => text.startsWith(MARK)

const refused = (expected: string, got: string): Checked<never> => ({
  ok: false,
  problems: [problem('card', expected, got)],
})

/**
 * The job that a card's code holds. Devices are found by their names in the reader's library.
 * @param library the descriptions that the reader has
 */
export function readCode(text: string, library: readonly Device[]): Checked<CardRead> {
  if (!isCardCode(text)) return refused('the code of a cabinet card', text.slice(0, 20))
  if (text.length > MOST_CODE) return refused(`at most ${MOST_CODE} characters`, `${text.length}`)
  try {
    const read = new Reader(text.slice(MARK.length), library).read()
    if ('missing' in read)
      return refused('devices of this library', `${read.missing} that it does not have: import the job file`)
    const checked = checkJob(read.job)
    return checked.ok ? { ok: true, value: { ...read, job: checked.value } } : checked
  } catch {
    // Every way of being damaged ends here: the text is short, the words do not unpack, a number points at nothing.
    return refused('a whole code: scan it again, flat and well lit', `${text.length} characters`)
  }
}

class Reader {
  private readonly bits: BitInputStream
  private readonly said: string[]
  private readonly byName: ReadonlyMap<number, Device>

  constructor(text: string, library: readonly Device[]) {
    const bytes = decode(text)
    const length = (nth(bytes, 0) << 8) | nth(bytes, 1)
    if (2 + length > bytes.length) throw new RangeError('shorter than it says')
    const words = inflateSync(bytes.slice(2, 2 + length), { dictionary: DICTIONARY })
    this.said = new TextDecoder().decode(words).split('\n')
    this.bits = new BitInputStream(bytes.slice(2 + length))
    this.byName = new Map(library.map((d) => [nameBits(d.id), d]))
  }

  private next = (width: number): number => this.bits.read(width)
  private word = (): string => required(this.said.shift(), 'a word of the card')

  read(): CardRead | { missing: string } {
    if (this.next(4) !== CODE_VERSION) throw new RangeError('another version')
    const day = this.next(16)
    const [title, address, technician] = [this.word(), this.word(), this.word()]
    const count = this.next(6)
    const placed: Placed[] = []
    const otherwise: string[] = []
    for (let i = 0; i < count; i++) {
      const device = this.byName.get(this.next(24))
      const content = this.next(12)
      const assumed = this.next(1) === 1
      const [ref, label, where, model] = [this.word(), this.word(), this.word(), this.word()]
      const settings = settingsOf(this.word())
      if (!device) return { missing: label }
      if (contentBits(device) !== content) otherwise.push(label)
      placed.push({
        ref,
        label,
        device,
        settings,
        ...(where ? { where } : {}),
        ...(assumed ? { defaultAssumed: true as const } : {}),
        ...(model ? { model } : {}),
      })
    }
    const cables = this.cables(placed)
    const names = this.word().split(' ')
    const position = () => this.position(placed, names)
    const wires = this.wires(cables, position)
    const readings = this.readings(position, technician)
    const job: Job = {
      format: 'gatecross.job',
      version: JOB_VERSION,
      id: 'from-a-card',
      title,
      site: { address, owner: '' },
      note: '',
      technician,
      devices: Object.fromEntries(placed.map((p) => [p.device.id, p.device])),
      placed: placed.map(({ device, ...p }) => ({ ...p, device: device.id })),
      cables,
      wires,
      ...freshParts(),
      readings,
    }
    return { job, day: new Date(DAY_ZERO + day * DAY_MS), otherwise }
  }

  private cables(placed: readonly Placed[]): Cable[] {
    const devices = bitsFor(placed.length - 1)
    return Array.from({ length: this.next(6) }, (_, i) => ({
      id: `c${i + 1}`,
      kind: nth(['low', 'line', 'harness'] as const, this.next(2)),
      from: nth(placed, this.next(devices)).ref,
      to: nth(placed, this.next(devices)).ref,
      gauge: this.next(5),
      feet: this.next(10),
      label: this.word(),
    }))
  }

  /** A device, or something of it; null: nothing. */
  private position(placed: readonly Placed[], names: readonly string[]): Name | null {
    const device = this.next(bitsFor(placed.length))
    if (device === 0) return null
    const { ref } = nth(placed, device - 1)
    const id = nth(names, this.next(bitsFor(names.length)))
    return id === '' ? ref : makeRef(ref, id)
  }

  private wires(cables: readonly Cable[], position: () => Name | null): Wire[] {
    const cableBits = bitsFor(cables.length)
    const end = () => {
      const at = position()
      return at !== null && isRef(at) ? at : null
    }
    return Array.from({ length: this.next(9) }, (_, i): Wire => {
      const cable = this.next(cableBits)
      const colour = this.colour()
      const wire: Wire = {
        id: `w${i + 1}`,
        cable: cable === 0 ? null : nth(cables, cable - 1).id,
        colour,
        a: end(),
        b: end(),
      }
      if (this.next(1) === 0) return wire
      const [colourB, doubt, gauge, feet] = [this.next(1), this.next(1), this.next(1), this.next(1)]
      return {
        ...wire,
        ...(colourB ? { colourB: this.colour() } : {}),
        ...(doubt ? { doubt: true } : {}),
        ...(gauge ? { gauge: this.next(5) } : {}),
        ...(feet ? { feet: this.next(10) } : {}),
      }
    })
  }

  private colour(): string {
    const at = this.next(4)
    return at === 0 ? this.word() : nth(COLOURS, at - 1)
  }

  private readings(position: () => Name | null, who: string): Reading[] {
    const kinds = READING_KINDS
    return Array.from({ length: this.next(6) }, (_, i): Reading => {
      const kind = nth(kinds, this.next(6))
      const place = nth(READINGS[kind].places, this.next(2))
      const at = position() ?? ''
      const value = this.next(1) === 0 ? ('OL' as const) : this.decimal()
      const blower = this.next(2)
      const call = nth(CALLS, this.next(4))
      const outdoorF = degF(this.next(8) - 80)
      const when = new Date(DAY_ZERO + this.next(16) * DAY_MS).toISOString()
      return {
        id: `card${i + 1}`,
        kind,
        value,
        place,
        at,
        withBlower: blower === 0 ? null : blower === 1,
        instrument: '',
        situation: { call, outdoorF, modes: {} },
        who,
        when,
        supersedes: null,
      }
    })
  }

  private decimal(): number {
    const sign = this.next(1) === 1 ? -1 : 1
    const digits = this.next(20)
    return (sign * digits) / 10 ** this.next(2)
  }
}
