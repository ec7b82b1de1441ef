import * as yup from 'yup'
import { freshDraft } from '@/core/deviceBuilder'
import { CALLS, DRAFT_KINDS, FORMS } from '@/core/equipment'
import { id, optional, shape, once } from './schemaKit'

/** The largest number that any field of a device form takes: BTU/h of a burner. */
const MOST = 400_000

/** Schema of a choice, for any kind of device. */
const options = new Map<string, string[]>()
for (const f of Object.values(FORMS).flat())
  if (f.takes === 'choice') options.set(f.key, [...(options.get(f.key) ?? []), ...f.options])

/** Fields that hold one plain value, as a fresh draft of any kind has them. */
const plain = once(() =>
  Object.fromEntries(
    Object.entries(freshDraft('switch')).flatMap(([key, value]): [string, yup.AnySchema][] => {
      if (typeof value === 'boolean') return [[key, yup.boolean()]]
      if (typeof value === 'number') return [[key, yup.number().min(0).max(MOST)]]
      const taken = options.get(key)
      return taken ? [[key, yup.string().oneOf([...new Set(taken)])]] : []
    }),
  ),
)

/** The form that a device was made from; what is usual for its kind is left out. */
export const draftSchema = once(() =>
  shape({
    ...plain(),
    kind: yup.string().oneOf(DRAFT_KINDS).required(),
    name: yup.string().max(80),
    model: yup.string().max(40),
    from: yup.string().max(64),
    terminals: yup.array(id()).max(20),
    outputs: optional(shape(Object.fromEntries(CALLS.map((c) => [c, yup.array(id()).max(8)])))),
    rows: yup
      .array(
        shape({
          watts: yup.number().min(100).max(10_000).defined(),
          by: yup.string().oneOf(['W1', 'W2', 'W3']).required(),
          circuit: yup.number().oneOf([1, 2, 3]).defined(),
        }),
      )
      .max(9),
  }),
)
