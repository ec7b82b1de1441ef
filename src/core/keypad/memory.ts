import { nth, under } from '../sure'
import { evaluate, type Device, type Unknowable, type ProfileItem, type Value } from '../equipment'
import { settingsContext } from '../installation'

const keyOf = (item: ProfileItem): string => `${item.address ?? ''}/${item.code}`

/** What a device remembers: a code for each item, and from them the value of each setting. */
export class Memory {
  private readonly codes = new Map<string, string>()

  constructor(
    readonly device: Device,
    start: Readonly<Record<string, Unknowable<Value>>>,
  ) {
    for (const item of this.all) {
      const setting = device.settings.find((s) => s.id === item.setting)
      const value = start[item.setting] ?? setting?.default
      const wanted = this.choices(item).find((c) => this.fits(item, c, value))
      this.codes.set(keyOf(item), wanted ?? nth(this.choices(item), 0))
    }
  }

  private get all(): ProfileItem[] {
    return this.device.profile?.items ?? []
  }

  read = (item: ProfileItem): string => under(this.codes, keyOf(item))
  write(item: ProfileItem, code: string): void {
    if (this.choices(item).includes(code)) this.codes.set(keyOf(item), code)
  }

  /** Every code that an item takes, in the order in which its keys go through them. */
  choices(item: ProfileItem): string[] {
    if ('map' in item.as)
      return [...new Set(Object.values(item.as.map))].sort((a, b) => Number(a) - Number(b))
    const setting = this.device.settings.find((s) => s.id === item.setting)
    const [low, high] = setting?.range ?? [0, 0]
    const { plus, times } = item.as.number
    const list: string[] = []
    for (let v = low; v <= high + 1e-9; v += setting?.step ?? 1)
      list.push(String(Math.round(v * times + plus)))
    return list
  }

  /** Whether a code of an item agrees with a value of its setting. */
  private fits(item: ProfileItem, code: string, value: Unknowable<Value> | undefined): boolean {
    if (value === undefined || value === null) return false
    if ('map' in item.as) return item.as.map[String(value)] === code
    const { plus, times } = item.as.number
    return Math.round(Number(value) * times + plus) === Number(code)
  }

  /** The value of a setting: the one that all its items agree on; null where they agree on none. */
  value(id: string): Unknowable<Value> {
    const items = this.all.filter((i) => i.setting === id)
    const setting = this.device.settings.find((s) => s.id === id)
    if (!items.length || !setting) return setting?.default ?? null
    const candidates: Value[] =
      setting.kind === 'choice'
        ? (setting.options ?? []).map((o) => o.id)
        : this.numbers(nth(items, 0), setting)
    return candidates.find((v) => items.every((i) => this.fits(i, this.read(i), v))) ?? null
  }

  private numbers(item: ProfileItem, setting: Device['settings'][number]): number[] {
    if ('map' in item.as) return Object.keys(item.as.map).map(Number)
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
