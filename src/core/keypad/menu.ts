import { nth } from '../assert'
import type { Profile } from '../equipment'
import type { Memory } from './memory'

/** Numbered items, one after the other; a passcode where there is one; items come and go with the answers. */
export class Menu {
  private opened = 0
  private pin: string | null = null
  private open = false
  private at = 0

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => [
    ...new Set([...this.profile.enter, ...(this.profile.passcode ? [...'0123456789', 'OK'] : [])]),
    'NEXT', 'BACK', 'UP', 'DOWN', ...this.profile.leave,
  ] // prettier-ignore

  display(): string {
    if (this.pin !== null) return `PIN ${this.pin.replace(/./g, '*')}`
    const item = this.open ? this.memory.visible()[this.at] : undefined
    return item ? `${item.code} ${this.memory.read(item)}` : '72'
  }

  press(key: string): void {
    if (this.pin !== null) return this.typePin(key)
    if (!this.open) {
      this.opened = key === this.profile.enter[this.opened] ? this.opened + 1 : 0
      if (this.opened < this.profile.enter.length) return
      this.opened = 0
      this.at = 0
      if (this.profile.passcode) this.pin = ''
      else this.open = true
      return
    }
    if (this.profile.leave.includes(key)) this.open = false
    const items = this.memory.visible()
    if (key === 'NEXT') this.at = (this.at + 1) % items.length
    if (key === 'BACK') this.at = (this.at + items.length - 1) % items.length
    if (key !== 'UP' && key !== 'DOWN') return
    const item = nth(items, this.at)
    const codes = this.memory.choices(item)
    const now = codes.indexOf(this.memory.read(item))
    this.memory.write(item, nth(codes, (now + (key === 'UP' ? 1 : codes.length - 1)) % codes.length))
    // An answer may hide items above or below; the display stays on this one.
    this.at = this.memory.visible().indexOf(item)
  }

  private typePin(key: string): void {
    if (key === 'OK') {
      this.open = this.pin === this.profile.passcode
      this.pin = null
    } else if (/^\d$/.test(key)) this.pin += key
  }
}
