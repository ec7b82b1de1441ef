import type { Profile, ProfileItem } from '../equipment'
import type { Memory } from './memory'

/** DIP switches and pins. Moved under power they do nothing good: the board reads them only when power comes back. */
export class Switches {
  private power = true
  private moved = new Map<ProfileItem, string>()

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => [
    'POWER',
    ...this.memory.visible().flatMap((i) => this.memory.choices(i).map((c) => `${i.code} ${c}`)),
  ]

  display(): string {
    const items = this.memory.visible().map((i) => `${i.code}:${this.moved.get(i) ?? this.memory.read(i)}`)
    return `${this.power ? 'POWER ON' : 'POWER OFF'} ${items.join(' ')}`
  }

  press(key: string): void {
    if (key === 'POWER') {
      this.power = !this.power
      if (this.power) {
        for (const [item, code] of this.moved) this.memory.write(item, code)
        this.moved.clear()
      }
      return
    }
    // A board that is live may be damaged by it; the stand-in only refuses.
    if (this.power && this.profile.powerOff) return
    const item = this.memory.visible().find((i) => key.startsWith(`${i.code} `))
    const code = key.slice((item?.code.length ?? 0) + 1)
    if (item && this.memory.choices(item).includes(code)) this.moved.set(item, code)
  }
}
