import { expose } from 'comlink'
import { drawFault, HiddenSite, meterFor, type SiteFault } from '@/core/instruments'
import { CHANNEL, type FromPage, type FromInstrument } from './instrumentChannel'
import { Unpacker, type WorkerPayload } from './payload'

/** ms between two values of an instrument that is held somewhere. */
const EVERY_MS = 400

const unpacker = new Unpacker()
const channel = new BroadcastChannel(CHANNEL)
let site: HiddenSite | null = null
const held = new Map<string, Extract<FromPage, { type: 'hold' }>>()

function show(hold: Extract<FromPage, { type: 'hold' }>): void {
  if (!site) return
  const seconds =
    hold.since === null ? site.usual(hold.point) : Math.max(0, (Date.now() - Date.parse(hold.since)) / 1000)
  const sample = site.read(hold.point, seconds)
  const { instrument, unit } = meterFor(hold.point.quantity)
  const value: FromInstrument = {
    type: 'value',
    id: hold.id,
    instrument: { name: `stand-in ${instrument}`, kind: instrument },
    value: sample?.value ?? null,
    unit,
    settled: sample?.settled ?? false,
    at: new Date().toISOString(),
  }
  channel.postMessage(value)
}

channel.onmessage = ({ data }: MessageEvent<FromPage | FromInstrument>) => {
  if (data.type === 'hold') {
    held.set(data.id, data)
    show(data)
  } else if (data.type === 'release') held.delete(data.id)
}
setInterval(() => held.forEach(show), EVERY_MS)

/** The page's requests about the site itself: to set it up, and in the end to reveal its fault. */
const work = {
  stand: (payload: WorkerPayload, altitudeFt: number, seed: number, hasFault: boolean): void => {
    const inst = unpacker.unpack(payload)
    site = new HiddenSite(inst, hasFault ? drawFault(inst, seed) : null, seed, altitudeFt)
    held.forEach(show)
  },
  reveal: (): SiteFault | null => site?.fault ?? null,
}
export type SiteWork = typeof work

expose(work)
