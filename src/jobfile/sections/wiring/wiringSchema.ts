import * as yup from 'yup'
import { id, shape, text, once } from '../../schemaKit'

export const terminalRef = () => yup.string().max(130).nullable().defined()

export const wireSchema = once(() =>
  shape({
    id: id(),
    cable: yup.string().max(64).nullable().defined(),
    colour: text(30),
    colourB: yup.string().max(30),
    a: terminalRef(),
    b: terminalRef(),
    gauge: yup.number().min(0).max(40),
    feet: yup.number().min(0).max(5000),
    doubt: yup.boolean(),
  }),
)
export const cableSchema = once(() =>
  shape({
    id: id(),
    label: text(80),
    kind: yup.string().oneOf(['low', 'line', 'harness']).required(),
    from: id(),
    to: id(),
    gauge: yup.number().min(0).max(40).defined(),
    feet: yup.number().min(0).max(5000).defined(),
  }),
)
