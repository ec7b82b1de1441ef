import type { DeviceDraft } from './deviceDraft'

/** Fields of a draft that hold one plain value. */
export type PlainKey = Exclude<
  keyof DeviceDraft,
  'kind' | 'name' | 'model' | 'from' | 'terminals' | 'outputs' | 'rows'
>

/** A field of the form: what it takes, and for which drafts it is asked. */
export type DraftField = { key: PlainKey; when?: (d: DeviceDraft) => boolean } & (
  | { takes: 'yesNo' }
  /** A number in `unit`; where `unsaid` is true, 0 means that the manual does not say. */
  | { takes: 'number'; least: number; most: number; unit: string; unsaid?: true }
  | { takes: 'choice'; options: readonly string[] }
)

export const yesNo = (key: PlainKey, when?: DraftField['when']): DraftField => ({
  takes: 'yesNo',
  key,
  ...(when ? { when } : {}),
})
export const figure = (
  key: PlainKey,
  least: number,
  most: number,
  unit: string,
  when?: DraftField['when'],
): DraftField => ({ takes: 'number', key, least, most, unit, ...(when ? { when } : {}) })
/** A number of the plate that may not be on it. */
export const onPlate = (key: PlainKey, most: number, unit: string, when?: DraftField['when']): DraftField =>
  ({ ...figure(key, 0, most, unit, when), unsaid: true }) as DraftField
export const choice = (key: PlainKey, options: readonly string[], when?: DraftField['when']): DraftField => ({
  takes: 'choice',
  key,
  options,
  ...(when ? { when } : {}),
})

/** Whether a draft has one of these terminals. */
export const hasTerminal =
  (...ids: string[]) =>
  (d: DeviceDraft): boolean =>
    ids.some((id) => d.terminals.includes(id))
