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

/** Hands a text to the person as a file. */
export function downloadFile(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}
