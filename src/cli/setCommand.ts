import { basename } from 'node:path'
import { PLATES, type Unknowable, type Value } from '@/core/equipment'
import { CLIMATES, HOUSE_VALUES, type Climate, type HouseValue } from '@/core/house'
import { makeRef, placedByRef, settingDef, splitRef, type Installation } from '@/core/installation'
import { installationOf, parseWeather, type Checked, type Job, type Operation } from '@/jobfile'
import { refuse } from './answer'
import type { Args } from './args'
import { textOf } from './jobOnDisk'
import { pairs } from './pairs'

const one = (op: Operation): Checked<Operation> => ({ ok: true, value: op })
const NUMBER = /^-?\d+(\.\d+)?$/
const valueOf = (text: string): Unknowable<Value> =>
  text === '?' ? null : NUMBER.test(text) ? Number(text) : text

/** A number, or null for "?"; anything else is refused by its key. */
function numberOf(key: string, text: string, expected: string): Checked<number | null> {
  if (text === '?') return { ok: true, value: null }
  return NUMBER.test(text) ? { ok: true, value: Number(text) } : refuse(key, expected, text)
}

/** Makes the screen's own operation for a key with a prefix. */
type Setter = (rest: string, text: string, inst: Installation) => Checked<Operation>

const CHOICES = ['way', 'service', 'cable', 'billFuel']

const setHouse: Setter = (of, text) => {
  if (CHOICES.includes(of))
    return one({ kind: 'setHouseChoice', of, value: text === '?' ? null : text } as Operation)
  if (!Object.hasOwn(HOUSE_VALUES, of))
    return refuse(`house.${of}`, `one of ${[...Object.keys(HOUSE_VALUES), ...CHOICES].join(', ')}`, of)
  const value = numberOf(`house.${of}`, text, `a number in ${HOUSE_VALUES[of as HouseValue].unit}`)
  return value.ok
    ? one({ kind: 'setHouse', of: of as HouseValue, value: value.value, source: 'typed' })
    : value
}

const setPrice: Setter = (of, text) => {
  if (of === 'currency') return one({ kind: 'setCurrency', sign: text === '?' ? '' : text })
  if (of !== 'kwh' && of !== 'fuel')
    return refuse(`price.${of}`, 'price.kwh, price.fuel or price.currency', of)
  const value = numberOf(`price.${of}`, text, 'a price, such as 0.14')
  return value.ok ? one({ kind: 'setPrice', of, value: value.value }) : value
}

/** `climate=NAME` of those that ship, or of a weather file. */
const setClimate: Setter = (_, text) => {
  if (text === '?') return one({ kind: 'clearClimate' })
  if (Object.hasOwn(CLIMATES, text))
    return one({ kind: 'setClimate', climate: { kind: 'shipped', climate: text as Climate } })
  const file = textOf(text)
  if (file === null)
    return refuse('climate', `one of ${Object.keys(CLIMATES).join(', ')}, or a weather file`, text)
  const weather = parseWeather(file, basename(text))
  return weather.ok ? one({ kind: 'setClimate', climate: weather.value }) : weather
}

/** `plate.REF.FIELD=VALUE`; a table as its rows with commas, each column after the other with colons. */
const setPlate: Setter = (rest, text, inst) => {
  const { placed: ref, id: field } = splitRef(rest)
  const placed = placedByRef(inst, ref)
  if (!placed)
    return refuse(`plate.${rest}`, `one of ${inst.placed.map((p) => `plate.${p.ref}.FIELD`).join(', ')}`, ref)
  const spec = PLATES[placed.device.kind][field]
  if (text === '?') return one({ kind: 'setPlate', ref, field, value: null } as Operation)
  if (spec?.type !== 'table') {
    const value = text === 'yes' ? true : text === 'no' ? false : valueOf(text)
    return one({ kind: 'setPlate', ref, field, value } as Operation)
  }
  const columns = Object.keys(spec.columns)
  const rows = text.split(',').map((row) =>
    Object.fromEntries(
      row.split(':').flatMap((cell, i) => {
        const column = columns[i]
        return cell === '' || column === undefined ? [] : [[column, valueOf(cell)] as const]
      }),
    ),
  )
  if (text.split(',').some((row) => row.split(':').length > columns.length))
    return refuse(`plate.${rest}`, `rows of ${columns.join(':')}, with commas between`, text)
  return one({ kind: 'setPlate', ref, field, value: rows } as Operation)
}

const setAir: Setter = (field, text) => {
  const value = numberOf(`air.${field}`, text, 'in.w.c., such as 0.5')
  return value.ok ? one({ kind: 'setAir', field, value: value.value } as Operation) : value
}

const SETTERS: Readonly<Record<string, Setter>> = {
  house: setHouse,
  price: setPrice,
  climate: setClimate,
  plate: setPlate,
  air: setAir,
  ask: (question, text) => one({ kind: 'answer', question, answer: text === '?' ? '' : text }),
}

const setSetting: Setter = (key, text, inst) => {
  const { placed: ref, id } = splitRef(key)
  const placed = placedByRef(inst, ref)
  if (!placed) {
    const refs = inst.placed.map((p) => makeRef(p.ref, 'SETTING'))
    return refuse(key, `one of ${[...refs, ...Object.keys(SETTERS).map((s) => `${s}.`)].join(', ')}`, key)
  }
  const setting = settingDef(placed, id)
  if (!setting) return refuse(key, `one of ${placed.device.settings.map((s) => s.id).join(', ')}`, id)
  const value = setting.kind === 'choice' && text !== '?' ? text : valueOf(text)
  return one({ kind: 'setSetting', ref, setting: id, value })
}

const FIELDS = ['title', 'note', 'technician', 'site.address', 'site.owner']

/**
 * `set FILE KEY=VALUE …`: settings as left (REF.SETTING), the job's own fields, and what is known of the house: `house.`,
 * `price.`, `climate`, `plate.REF.`, `air.`, `ask.`. "?" is not known. A device that is placed under such a name comes first.
 */
export function set(job: Job, { words }: Args): Checked<Operation[]> {
  const list = pairs(words, 'REF.SETTING=VALUE, such as tstat.minimumOff=5, or house.designLoad=32000')
  if (!list.ok) return list
  const inst = installationOf(job)
  const ops: Operation[] = []
  for (const [key, text] of list.value) {
    if (FIELDS.includes(key)) {
      ops.push({ kind: 'setField', field: key, value: text } as Operation)
      continue
    }
    const [prefix = '', ...rest] = key.split('.')
    const setter = placedByRef(inst, prefix) ? undefined : SETTERS[prefix]
    const op = setter ? setter(rest.join('.'), text, inst) : setSetting(key, text, inst)
    if (!op.ok) return op
    ops.push(op.value)
  }
  return { ok: true, value: ops }
}
