import { nth } from '../assert'
import type { Profile, ProfileItem } from '../equipment'
import type { Memory } from './memory'

/** Mode, setting, option; a stored option stays, with no undo and no reset. */
export class Triplets {
  private open = false
  private opened = 0
  private at = 0
  private pending: string | null = null

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => [...this.profile.enter, 'MODE', 'SETTING', 'OPTION', 'STORE', ...this.profile.leave]

  private mode = (i: ProfileItem): string => nth(i.code.split('-'), 0)
  private item = (): ProfileItem => nth(this.memory.visible(), this.at)

  display(): string {
    if (!this.open) return '-'
    const item = this.item()
    return `${item.code}-${this.pending ?? this.memory.read(item)}${this.pending === null ? '' : '?'}`
  }

  press(key: string): void {
    if (!this.open) {
      this.opened = key === this.profile.enter[this.opened] ? this.opened + 1 : 0
      if (this.opened < this.profile.enter.length) return
      this.open = true
      this.opened = 0
      this.at = 0
      return
    }
    const items = this.memory.visible()
    const now = this.item()
    if (this.profile.leave.includes(key)) {
      this.open = false
      this.pending = null
    } else if (key === 'MODE') {
      const modes = [...new Set(items.map(this.mode))]
      const next = modes[(modes.indexOf(this.mode(now)) + 1) % modes.length]
      this.turn(items.findIndex((i) => this.mode(i) === next))
    } else if (key === 'SETTING') {
      const own = items.filter((i) => this.mode(i) === this.mode(now))
      this.turn(items.indexOf(nth(own, (own.indexOf(now) + 1) % own.length)))
    } else if (key === 'OPTION') {
      const codes = this.memory.choices(now)
      this.pending = nth(codes, (codes.indexOf(this.pending ?? this.memory.read(now)) + 1) % codes.length)
    } else if (key === 'STORE' && this.pending !== null) {
      this.memory.write(now, this.pending)
      this.pending = null
    }
  }

  private turn(to: number): void {
    this.at = to
    this.pending = null
  }
}
