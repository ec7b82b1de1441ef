import type { Reading } from '@/core/startup'
import { degF } from '@/core/units'

let n = 0
/** Strip amps at the air handler's feed in emergency heat, with what a test changes. */
export const reading = (over: Partial<Reading> = {}): Reading => ({
  id: `r${++n}`,
  kind: 'stripAmps',
  value: 40,
  place: 'feed',
  at: 'feedA',
  withBlower: false,
  instrument: 'clamp meter',
  situation: { call: 'emergency', outdoorF: degF(45), modes: {} },
  who: 'Wren Hollis',
  when: '2026-11-20T15:00:00Z',
  supersedes: null,
  ...over,
})
