import { FORMS, type DeviceDraft, type DraftField, type PlainKey } from '../equipment'

/** Whether a draft has heater rows to tell: watts, coil, circuit. */
export const tellsRows = (d: DeviceDraft): boolean => asks(d, 'switchedBy')

/** The fields that are asked of a draft as it stands. */
export const fieldsOf = (d: DeviceDraft): DraftField[] => FORMS[d.kind].filter((f) => f.when?.(d) ?? true)

/** Whether the form asks for a field of a draft as it stands. */
export const asks = (d: DeviceDraft, key: PlainKey): boolean => fieldsOf(d).some((f) => f.key === key)
