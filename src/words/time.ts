import { placedByRef, splitRef, type Installation } from '@/core/installation'
import type { CallWaits, DelayCause, Wait } from '@/core/time'
import { gateName, lower, refWords } from './names'

/** 95 as "1 min 35 s", 240 as "4 min", 12 as "12 s". */
export function duration(seconds: number): string {
  const s = Math.round(seconds)
  const [h, m, rest] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60), s % 60]
  const parts = [h && `${h} h`, m && `${m} min`, rest && `${rest} s`].filter(Boolean)
  return parts.length ? parts.join(' ') : 'at once'
}
/** 95 as "1:35", for a clock that runs down. */
export function clock(seconds: number): string {
  const s = Math.max(0, Math.ceil(seconds))
  const two = (n: number) => String(n).padStart(2, '0')
  const [h, m] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60)]
  return h ? `${h}:${two(m)}:${two(s % 60)}` : `${m}:${two(s % 60)}`
}

/** "Compressor minimum-off timer, 5 min": what a wait is for, with all the time that it takes. */
function heldWords(inst: Installation, h: DelayCause): string {
  if (h.kind === 'mode') return `${waiterName(inst, h.ref)}, ${duration(h.seconds)}`
  return `${gateName(inst, h.ref)} ${h.closes ? 'closes' : 'opens'} after ${duration(h.seconds)}`
}

/** "Compressor after 4 min: Compressor minimum-off timer, 5 min." */
function waitWords(inst: Installation, w: Wait): string {
  const what = `${refWords(inst, w.load)}${w.on ? '' : ' off'}`
  return w.seconds === 0 ? `${what} at once.` : `${what} after ${duration(w.seconds)}${waitReason(inst, w)}.`
}
/** ": Compressor minimum-off timer, 5 min"; nothing where nothing is known of it. */
export const waitReason = (inst: Installation, w: Wait): string =>
  w.delays
    .map((h, i) => `${i === 0 ? ': ' : h.beside ? ' together with ' : '; then '}${heldWords(inst, h)}`)
    .join('')

/** Events after a call, the first one first, and parts with unknown delays. */
export const waitsSentences = (inst: Installation, { waits, untimed, ended }: CallWaits): string[] => [
  ...(ended === 'until' ? ['It does not settle: after an hour it still changes by itself.'] : []),
  ...[...waits].sort((a, b) => a.seconds - b.seconds).map((w) => waitWords(inst, w)),
  ...untimed.map((ref) => `How long ${lower(waiterName(inst, ref))} takes is not known: its setting is not.`),
]

function waiterName(inst: Installation, ref: DelayCause['ref']): string {
  const { placed, id } = splitRef(ref)
  const mode = placedByRef(inst, placed)?.device.modes.find((m) => m.id === id)
  return mode?.label ?? gateName(inst, ref)
}
