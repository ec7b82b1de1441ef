import * as yup from 'yup'
import {
  BLOWER_SPEEDS,
  CALLS,
  DEVICE_KINDS,
  FELT,
  GATES,
  INTENTS,
  MODE_CONDITIONS,
  PROFILE_STYLES,
  TERMINAL_ROLES,
} from '@/core/equipment'
import { anyPlate } from './plateSchema'
import { DEVICE_VERSION } from './upgradeDevice'
import { draftSchema } from './draftSchema'
import { anyOf, byField, id, named, num, optional, record, shape, text, union, once } from './schemaKit'

const calls = once(() =>
  yup
    .array(
      yup
        .string()
        .oneOf([...CALLS])
        .required(),
    )
    .defined(),
)
const valueSchema = once(() => anyOf(num(), yup.string().max(80).defined()))
const quantity = once(() => anyOf(num(), shape({ set: id(), times: yup.number() })))

/** A driver expression; it contains itself. */
const exprSchema: yup.ISchema<unknown> = named('Expr', () => exprUnion())
/** Leaves that a driver and a transition may both look at. */
const leafSchemas = once(() => ({
  call: shape({ call: calls() }),
  set: shape({ set: id(), is: yup.array(valueSchema()).defined() }),
  sense: shape({
    sense: yup.string().oneOf(['outdoor']).required(),
    below: quantity(),
    band: yup.number().min(0),
  }),
  energised: shape({ energised: id() }),
  mode: shape({ mode: id(), is: yup.array(id()).defined() }),
  condition: shape({ condition: yup.string().oneOf(MODE_CONDITIONS).required() }),
}))
const joined = (of: yup.ISchema<unknown>) => ({
  all: shape({ all: yup.array(of as yup.AnySchema).defined() }),
  any: shape({ any: yup.array(of as yup.AnySchema).defined() }),
  not: shape({ not: of as yup.AnySchema }),
})
const exprUnion = once(() => byField({ ...joined(exprSchema), ...leafSchemas() }))

/** Schema of the condition that a transition waits for; it can contain itself. */
const whenSchema: yup.ISchema<unknown> = named('When', () => whenUnion())
const whenUnion = once(() =>
  byField({
    ...joined(whenSchema),
    ...leafSchemas(),
    closed: shape({ closed: id() }),
    feels: shape({
      feels: yup.string().oneOf(FELT).required(),
      above: optional(quantity()),
      below: optional(quantity()),
    }),
  }),
)

const end = () =>
  yup
    .string()
    .matches(/^(@earth|[A-Za-z0-9_-]{1,64})$/)
    .required()
const part = (fields: yup.ObjectShape) => ({
  id: id(),
  a: end(),
  b: end(),
  label: yup.string().max(120),
  ...fields,
})
const kind = (k: string) => yup.string().oneOf([k]).required()
/** s of a contact's own delay: an hour at most; or a setting. */
const SECONDS = once(() =>
  anyOf(yup.number().min(0).max(3600).defined(), shape({ set: id(), times: yup.number() })),
)
/** s that a mode may wait: a day at most; or a setting. */
const DELAY = once(() =>
  anyOf(yup.number().min(0).max(86_400).defined(), shape({ set: id(), times: yup.number() })),
)
const positive = () => yup.number().min(1e-6).max(1e6).defined()

const ahead = once(() =>
  optional(anyOf(yup.boolean().defined(), shape({ set: id(), is: yup.array(valueSchema()).defined() }))),
)
const loadFunction = once(() =>
  union('what', {
    compressor: shape({ what: kind('compressor'), stage: yup.number().oneOf([1, 2]).defined() }),
    outdoorFan: shape({ what: kind('outdoorFan') }),
    blower: shape({ what: kind('blower'), speed: yup.string().oneOf(BLOWER_SPEEDS) }),
    strip: shape({
      what: kind('strip'),
      row: yup.number().integer().min(1).max(9).defined(),
      ahead: ahead(),
    }),
    burner: shape({
      what: kind('burner'),
      stage: yup.number().integer().min(1).max(4).defined(),
      fuel: yup.string().oneOf(['gas', 'oil']).required(),
      ahead: ahead(),
    }),
    ignition: shape({ what: kind('ignition') }),
    humidifier: shape({ what: kind('humidifier') }),
    control: shape({ what: kind('control') }),
    reversingValve: shape({
      what: kind('reversingValve'),
      energisedIn: anyOf(shape({ set: id() }), yup.string().oneOf(['cooling', 'heating']).required()),
    }),
  }),
)

const partSchema = once(() =>
  union('kind', {
    source: shape(
      part({ kind: kind('source'), volts: quantity(), phaseDeg: yup.number(), ohms: positive() }),
    ),
    transformer: shape(
      part({
        kind: kind('transformer'),
        c: end(),
        d: end(),
        primaryVolts: quantity(),
        secondaryVolts: positive(),
        noLoadVolts: positive(),
        va: positive(),
      }),
    ),
    path: shape(part({ kind: kind('path'), ohms: yup.number().min(0).defined() })),
    load: shape(
      part({
        kind: kind('load'),
        volts: positive(),
        va: quantity(),
        powerFactor: yup.number().min(0.05).max(1),
        pullIn: yup.number().min(0),
        dropOut: yup.number().min(0),
        does: optional(loadFunction()),
      }),
    ),
    contact: shape(
      part({
        kind: kind('contact'),
        gate: yup.string().oneOf(GATES).required(),
        driver: exprSchema,
        ratedA: optional(quantity()),
        after: optional(shape({ closes: SECONDS(), opens: SECONDS() })),
        openOhms: yup.number().min(1),
      }),
    ),
  }),
)

const terminal = once(() =>
  shape({
    id: id(),
    label: text(40),
    side: yup.string().oneOf(['low', 'line']).required(),
    role: yup.string().oneOf(TERMINAL_ROLES).required(),
    roleBy: optional(shape({ set: id(), roles: record(yup.string().oneOf(TERMINAL_ROLES).required()) })),
    about: yup.string().max(400),
  }),
)
const setting = once(() =>
  shape({
    id: id(),
    label: text(120),
    group: yup.string().oneOf(['plate', 'set']).required(),
    kind: yup.string().oneOf(['choice', 'number']).required(),
    options: yup.array(
      shape({ id: id(), label: text(120), loses: optional(text(200)), inert: optional(text(200)) }),
    ),
    range: yup.array(num()).min(2).max(2),
    step: yup.number(),
    unit: yup.string().max(12),
    default: valueSchema(),
    defaultFor: yup
      .array(
        anyOf(
          shape({ model: text(40), value: valueSchema() }),
          shape({ set: id(), is: yup.array(valueSchema()).min(1).required(), value: valueSchema() }),
        ),
      )
      .max(20),
    about: yup.string().max(400),
    inert: optional(text(200)),
    intent: yup.string().oneOf(INTENTS),
    follows: yup.string().oneOf(INTENTS),
  }),
)
const mode = once(() =>
  shape({
    id: id(),
    label: text(120),
    states: yup
      .array(
        shape({
          id: id(),
          label: text(120),
          condition: yup.string().oneOf(MODE_CONDITIONS),
          reach: optional(anyOf(yup.string().oneOf(['always', 'failure']).required(), exprSchema)),
        }),
      )
      .min(1)
      .defined(),
    transitions: yup
      .array(
        shape({
          from: id(),
          to: id(),
          when: optional(whenSchema),
          counts: yup.string().oneOf(['while', 'begins', 'ends']),
          after: optional(DELAY()),
          accumulates: yup.boolean(),
          reset: optional(whenSchema),
        }),
      )
      .max(40),
  }),
)

const code = () =>
  yup
    .string()
    .matches(/^[A-Za-z0-9.-]{1,12}$/)
    .required()
const profileItem = once(() =>
  shape({
    code: code(),
    label: text(120),
    setting: id(),
    address: yup.string().oneOf(['group', 'unit', 'outdoor']),
    as: byField({
      map: shape({ map: record(code()) }),
      number: shape({
        number: shape({ plus: num(), times: num(), decimals: yup.number().integer().min(0).max(3) }),
      }),
      pair: shape({
        pair: shape({
          with: id(),
          codes: yup
            .array(shape({ value: text(60), other: text(60), code: code() }))
            .min(1)
            .max(100)
            .defined(),
        }),
      }),
    }),
    when: optional(exprSchema),
    readBack: yup.string().max(12),
    leaveAlone: yup.boolean(),
  }),
)
const key = () => yup.string().min(1).max(30).required()
/** How a device is keyed. */
const profileSchema = once(() =>
  shape({
    style: yup.string().oneOf(PROFILE_STYLES).required(),
    name: yup.string().min(1).max(60),
    wait: yup.string().min(1).max(200),
    enter: yup.array(key()).max(8).defined(),
    leave: yup.array(key()).max(4).defined(),
    passcode: yup.string().matches(/^\d{0,8}$/),
    unitOff: yup.boolean(),
    powerOff: yup.boolean(),
    noUndo: yup.boolean(),
    activate: yup.boolean(),
    items: yup.array(profileItem()).max(200).defined(),
    shifts: yup.array(shape({ setting: id(), text: text(400) })),
    tests: yup.array(text(200)),
  }),
)

/** A device file. */
export const deviceSchema = once(() =>
  shape({
    format: yup.string().oneOf(['gatecross.device']).required(),
    version: yup.number().oneOf([DEVICE_VERSION]).defined(),
    id: id(),
    kind: yup.string().oneOf(DEVICE_KINDS).required(),
    name: text(120),
    fits: yup.array(text(60)).defined(),
    about: yup.string().max(600),
    terminals: yup.array(terminal()).defined(),
    parts: yup.array(partSchema()).defined(),
    settings: yup.array(setting()).defined(),
    modes: yup.array(mode()).defined(),
    calls: yup.array(
      shape({
        call: yup
          .string()
          .oneOf([...CALLS])
          .required(),
        label: yup.string().max(60),
        when: optional(exprSchema),
      }),
    ),
    demand: optional(() =>
      shape({
        firstF: optional(quantity()),
        overF: optional(quantity()),
        secondF: optional(quantity()),
        secondAfter: optional(quantity()),
        backupF: optional(quantity()),
        releaseShare: optional(yup.number().min(0).max(1).defined()),
        backupAfter: optional(quantity()),
        cyclesPerHour: optional(quantity()),
        recoveryFPerHour: optional(quantity()),
      }),
    ),
    plate: shape(anyPlate()),
    draft: optional(draftSchema),
    profile: optional(profileSchema),
    otherProfiles: yup.array(profileSchema()).max(4),
  }),
)
