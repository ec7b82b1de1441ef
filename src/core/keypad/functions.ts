import { nth } from '../assert'
import type { Profile, ProfileItem } from '../equipment'
import type { Memory } from './memory'

const ADDRESSES = ['group', 'unit', 'outdoor'] as const
const LETTER = { group: 'G', unit: 'U', outdoor: 'O' } as const

/** A wired controller: function numbers at three addresses, behind a passcode, with the unit off. */
export class Functions {
  private on = true
  private pin: string | null = null
  private open = false
  private address: (typeof ADDRESSES)[number] = 'group'
  private at = 0
  private pending: string | null = null

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => ['ON/OFF', ...this.profile.enter, ...'0123456789', 'OK', 'ADDR', 'FN+', 'FN-', 'VAL+', 'VAL-', 'WRITE', ...this.profile.leave] // prettier-ignore

  private here = (): ProfileItem[] =>
    this.memory.visible().filter((i) => (i.address ?? 'unit') === this.address)
  private item = (): ProfileItem | undefined => this.here()[this.at]

  display(): string {
    if (this.pin !== null) return `CODE ${this.pin.replace(/./g, '*')}`
    if (!this.open) return this.on ? 'ON' : 'OFF'
    const item = this.item()
    if (!item) return `${LETTER[this.address]} --`
    return `${LETTER[this.address]} ${item.code} ${this.pending ?? this.memory.read(item)}${this.pending === null ? '' : '*'}`
  }

  press(key: string): void {
    if (this.pin !== null) {
      if (key === 'OK') {
        this.open = this.pin === (this.profile.passcode ?? '')
        this.pin = null
        this.at = 0
      } else if (/^\d$/.test(key)) this.pin += key
      return
    }
    if (!this.open) {
      if (key === 'ON/OFF') this.on = !this.on
      // With the unit running the controller pretends that there is no such menu.
      if (this.profile.enter.includes(key) && !(this.profile.unitOff && this.on)) this.pin = ''
      return
    }
    if (this.profile.leave.includes(key)) {
      this.open = false
      this.pending = null
    } else if (key === 'ADDR') this.go(nth(ADDRESSES, (ADDRESSES.indexOf(this.address) + 1) % 3), 0)
    else if (key === 'FN+') this.go(this.address, Math.min(this.here().length - 1, this.at + 1))
    else if (key === 'FN-') this.go(this.address, Math.max(0, this.at - 1))
    else this.change(key)
  }

  private go(address: (typeof ADDRESSES)[number], at: number): void {
    this.address = address
    this.at = at
    // A value that was not written is lost.
    this.pending = null
  }

  private change(key: string): void {
    const item = this.item()
    if (!item) return
    const codes = this.memory.choices(item)
    const now = codes.indexOf(this.pending ?? this.memory.read(item))
    if (key === 'VAL+') this.pending = nth(codes, (now + 1) % codes.length)
    if (key === 'VAL-') this.pending = nth(codes, (now + codes.length - 1) % codes.length)
    if (key === 'WRITE' && this.pending !== null) {
      this.memory.write(item, this.pending)
      this.pending = null
    }
  }
}
