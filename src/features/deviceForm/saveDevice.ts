import { ask, linesOf } from '@/client'
import type { Device } from '@/core/equipment'

export type Saved = { ok: true; device: Device } | { ok: false; lines: string[] }

/** Puts a device file's text into the shop's library; every wrong place comes back as a line. */
export async function saveDevice(text: string): Promise<Saved> {
  const answer = await ask<{ device: Device }>(fetch, '/api/library', { method: 'POST', body: text })
  return answer.ok
    ? { ok: true, device: answer.value.device }
    : { ok: false, lines: linesOf(answer, 'Not sent') }
}
