/** The value of a setting: a number in the setting's unit, or the id of a choice. */
export type Value = string | number

/** A thing that may be "not known yet". In files and in memory alike that is null. */
export type Unknowable<T> = T | null

/** An electrical quantity: a number in the field's unit, or the value of one of the device's own settings, scaled. */
export type Quantity = number | { set: string; times?: number }
