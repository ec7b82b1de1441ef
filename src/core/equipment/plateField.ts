/** Type of one plate field. */
export type PlateField =
  | { type: 'number'; unit: string; least: number; most: number; whole?: true }
  | { type: 'flag' }
  | { type: 'choice'; values: readonly string[] }
  /** Rows of numbers and words; a column that is optional may be left out of a row. */
  | {
      type: 'table'
      columns: Readonly<Record<string, Exclude<PlateField, { type: 'table' }> & { optional?: true }>>
    }

/** A field for each key of a plate: a key without one does not compile. */
export type PlateFields<P> = { readonly [K in keyof Required<P>]: PlateField }

export const volts = (least = 20, most = 300): PlateField => ({ type: 'number', unit: 'V', least, most })
export const amps = (most = 200): PlateField => ({ type: 'number', unit: 'A', least: 0, most })
export const count = (most: number): PlateField => ({
  type: 'number',
  unit: '',
  least: 0,
  most,
  whole: true,
})
export const number = (unit: string, least: number, most: number): PlateField => ({
  type: 'number',
  unit,
  least,
  most,
})
