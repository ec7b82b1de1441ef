import * as yup from 'yup'
import { PLATES, type PlateField } from '@/core/equipment'
import { optional, shape, once } from './schemaKit'

type Plain = Exclude<PlateField, { type: 'table' }>

function plain(field: Plain) {
  switch (field.type) {
    case 'flag':
      return yup.boolean().defined()
    case 'choice': {
      return yup.string().oneOf(field.values).required()
    }
    case 'number': {
      const number = yup.number().min(field.least).max(field.most).defined()
      return field.whole ? number.integer() : number
    }
  }
}

/** Schema of a field of a plate. */
export function plateFieldSchema(field: PlateField): yup.AnySchema {
  if (field.type !== 'table') return plain(field)
  const columns = Object.entries(field.columns).map(([name, column]) => {
    const schema = plain(column)
    return [name, column.optional ? optional(schema) : schema] as const
  })
  return yup
    .array(shape(Object.fromEntries(columns)))
    .max(200)
    .defined()
}

const optionalFields = (fields: Readonly<Record<string, PlateField>>): yup.ObjectShape =>
  Object.fromEntries(Object.entries(fields).map(([name, f]) => [name, optional(() => plateFieldSchema(f))]))

/** Every field that any kind's plate may have; which of them a kind may have is checked with its references. */
export const anyPlate = once((): yup.ObjectShape =>
  optionalFields(Object.assign({}, ...Object.values(PLATES)) as Record<string, PlateField>),
)
