import type { Profile, ProfileItem } from '../equipment'
import type { Memory } from './memory'

/** Screens that lead through: first which terminals are live, then question by question; kept only at the end. */
export class Guided {
  private opened = 0
  private step: 'closed' | 'wires' | 'ask' | 'end' = 'closed'
  private done: ProfileItem[] = []
  private answers: { item: ProfileItem; code: string; was: string }[] = []

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => [...this.profile.enter, 'YES', 'NO', 'KEEP', ...[1, 2, 3, 4, 5, 6].map((n) => `PICK ${n}`), 'LESS', 'MORE', 'FINISH', 'CANCEL'] // prettier-ignore

  private now = (): ProfileItem | undefined => this.memory.visible().find((i) => !this.done.includes(i))

  display(): string {
    if (this.step === 'closed') return 'Hello'
    if (this.step === 'wires') return 'These terminals are live: correct?'
    const item = this.now()
    if (this.step === 'end' || !item) return 'Finish?'
    return `${item.code}: ${this.memory.read(item)}`
  }

  press(key: string): void {
    if (key === 'CANCEL' && this.step !== 'closed') return this.giveUp()
    if (this.step === 'closed') {
      this.opened = key === this.profile.enter[this.opened] ? this.opened + 1 : 0
      if (this.opened === this.profile.enter.length) this.step = 'wires'
    } else if (this.step === 'wires') {
      if (key === 'YES') this.step = 'ask'
      if (key === 'NO') this.giveUp()
    } else if (this.step === 'end') {
      if (key !== 'FINISH') return
      this.answers = []
      this.reset()
    } else this.answer(key)
  }

  private answer(key: string): void {
    const item = this.now()
    if (!item) return
    const codes = this.memory.choices(item)
    const was = this.memory.read(item)
    const at = codes.indexOf(was)
    const pick = /^PICK (\d+)$/.exec(key)
    const next =
      pick && 'map' in item.as
        ? codes[Number(pick[1]) - 1]
        : key === 'MORE'
          ? codes[Math.min(codes.length - 1, at + 1)]
          : key === 'LESS'
            ? codes[Math.max(0, at - 1)]
            : undefined
    if (next !== undefined) {
      this.answers.push({ item, code: next, was })
      this.memory.write(item, next)
    }
    if (key === 'KEEP' || (pick && next !== undefined)) this.done.push(item)
    if (!this.now()) this.step = 'end'
  }

  /** Left before the end: nothing of it is kept. */
  private giveUp(): void {
    for (const a of this.answers.reverse()) this.memory.write(a.item, a.was)
    this.answers = []
    this.reset()
  }
  private reset(): void {
    this.step = 'closed'
    this.opened = 0
    this.done = []
  }
}
