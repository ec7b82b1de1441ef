import { nth } from '../assert'
import type { Profile, ProfileItem } from '../equipment'
import type { Memory } from './memory'

/** Four lights count the item in binary and three its value; what is stored counts only after a second press. */
export class Leds {
  private at = 0
  private pending = new Map<ProfileItem, string>()
  private stored = new Map<ProfileItem, string>()

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => ['SELECT', 'CHANGE', 'STORE']

  private lights(n: number, count: number): string {
    let text = ''
    for (let bit = count - 1; bit >= 0; bit--) text += (n >> bit) & 1 ? '●' : '○'
    return text
  }

  display(): string {
    const item = nth(this.memory.visible(), this.at)
    const code = this.pending.get(item) ?? this.stored.get(item) ?? this.memory.read(item)
    const state = this.pending.has(item) ? ' changed' : this.stored.has(item) ? ' blinking' : ''
    return `${this.lights(Number(item.code), 4)} ${this.lights(Number(code), 3)}${state}`
  }

  press(key: string): void {
    const items = this.memory.visible()
    const item = nth(items, this.at)
    if (key === 'SELECT') this.at = (this.at + 1) % items.length
    else if (key === 'CHANGE') {
      const codes = this.memory.choices(item)
      const now = this.pending.get(item) ?? this.stored.get(item) ?? this.memory.read(item)
      this.pending.set(item, nth(codes, (codes.indexOf(now) + 1) % codes.length))
    } else if (key === 'STORE') this.store(item)
  }

  private store(item: ProfileItem): void {
    const changed = this.pending.get(item)
    const blinking = this.stored.get(item)
    if (changed !== undefined) {
      this.pending.delete(item)
      if (this.profile.activate) this.stored.set(item, changed)
      else this.memory.write(item, changed)
    } else if (blinking !== undefined) {
      this.stored.delete(item)
      this.memory.write(item, blinking)
    }
  }
}
