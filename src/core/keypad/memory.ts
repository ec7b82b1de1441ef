import { nth, mustGet } from '../assert'
import { evaluate, type Device, type Unknowable, type ProfileItem, type Value } from '../equipment'
import { settingsContext } from '../installation'

const keyOf = (item: ProfileItem): string => `${item.address ?? ''}/${item.code}`

/** A device's memory: a code for each item, and from the codes each setting's value. */
export class Memory {
  private readonly codes = new Map<string, string>()

  constructor(
    readonly device: Device,
    start: Readonly<Record<string, Unknowable<Value>>>,
    private readonly all: readonly ProfileItem[],
  ) {
    const startOf = (id: string) => start[id] ?? device.settings.find((s) => s.id === id)?.default
    for (const item of this.all) {
      const ids = 'pair' in item.as ? [item.setting, item.as.pair.with] : [item.setting]
      const wanted = this.choices(item).find((c) => ids.every((id) => this.fits(item, c, id, startOf(id))))
      this.codes.set(keyOf(item), wanted ?? nth(this.choices(item), 0))
    }
  }

  read = (item: ProfileItem): string => mustGet(this.codes, keyOf(item))
  write(item: ProfileItem, code: string): void {
    if (!item.leaveAlone && this.choices(item).includes(code)) this.codes.set(keyOf(item), code)
  }

  /** Every code that an item takes, in the order in which its keys go through them. */
  choices(item: ProfileItem): string[] {
    if ('map' in item.as)
      return [...new Set(Object.values(item.as.map))].sort((a, b) => Number(a) - Number(b))
    if ('pair' in item.as)
      return [...new Set(item.as.pair.codes.map((c) => c.code))].sort((a, b) => Number(a) - Number(b))
    const setting = this.device.settings.find((s) => s.id === item.setting)
    return setting ? this.numbers(item, setting).map((v) => shown(item.as, v)) : []
  }

  /** Whether a code of an item agrees with a value of one of the settings that it writes. */
  private fits(
    { setting, as }: ProfileItem,
    code: string,
    id: string,
    value: Unknowable<Value> | undefined,
  ): boolean {
    if (value === undefined || value === null) return false
    if ('map' in as) return as.map[String(value)] === code
    if ('pair' in as)
      return as.pair.codes.some(
        (c) => c.code === code && (setting === id ? c.value : c.other) === String(value),
      )
    return Number(shown(as, Number(value))) === Number(code)
  }

  /** The value of a setting: the one that all its items agree on; null where they agree on none. */
  value(id: string): Unknowable<Value> {
    const items = this.all.filter((i) => i.setting === id || ('pair' in i.as && i.as.pair.with === id))
    const setting = this.device.settings.find((s) => s.id === id)
    if (!items.length || !setting) return setting?.default ?? null
    const candidates: Value[] =
      setting.kind === 'choice'
        ? (setting.options ?? []).map((o) => o.id)
        : this.numbers(nth(items, 0), setting)
    return candidates.find((v) => items.every((i) => this.fits(i, this.read(i), id, v))) ?? null
  }

  private numbers(item: ProfileItem, setting: Device['settings'][number]): number[] {
    if ('map' in item.as) return Object.keys(item.as.map).map(Number)
    if ('pair' in item.as) {
      const own = item.setting === setting.id
      return [...new Set(item.as.pair.codes.map((c) => Number(own ? c.value : c.other)))]
    }
    const [low, high] = setting.range ?? [0, 0]
    const list: number[] = []
    for (let v = low; v <= high + 1e-9; v += setting.step ?? 1) list.push(v)
    return list
  }

  /** The items that the device shows, given what it remembers now. */
  visible(): ProfileItem[] {
    const context = settingsContext((id) => this.value(id))
    return this.all.filter((i) => !i.when || evaluate(i.when, context) === 'yes')
  }

  values(): Record<string, Unknowable<Value>> {
    return Object.fromEntries(this.device.settings.map((s) => [s.id, this.value(s.id)]))
  }
}

/** A number as its display shows it. */
function shown(as: ProfileItem['as'], value: number): string {
  if (!('number' in as)) return ''
  const factor = 10 ** (as.number.decimals ?? 0)
  const whole = Math.round((value * as.number.times + as.number.plus) * factor)
  return (whole / factor).toFixed(as.number.decimals ?? 0)
}
