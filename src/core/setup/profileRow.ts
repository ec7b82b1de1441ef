/** A line of a paper manual's menu, as typed or pasted: seven cells of text. */
export interface ProfileRow {
  code: string
  label: string
  /** An intent, by its id; empty: the device's own business. Two with a plus, where one code decides both. */
  intent: string
  /** "1=Cooling, 2=Heating", "0..5", "0.5..3/0.5 °F", "-3..3 °F as 0..6", "OFF=30 min, ON=60 min"; of two: "1=Heat pump / One, 2=…". */
  values: string
  address: string
  /** "A1=3": there only while item A1 stands at 3. */
  when: string
  /** "leave alone", "reads back 12", "default 2", "default 3 for REV B", parted by semicolons. */
  note: string
}
export const COLUMNS = ['code', 'label', 'intent', 'values', 'address', 'when', 'note'] as const
export type Column = (typeof COLUMNS)[number]
export const EMPTY_ROW: ProfileRow = {
  code: '',
  label: '',
  intent: '',
  values: '',
  address: '',
  when: '',
  note: '',
}
