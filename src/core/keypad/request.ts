import type { Profile } from '../equipment'
import type { Memory } from './memory'

/** Request codes: one writes a value and says nothing of it, another reads it back. */
export class Request {
  private line = ''
  private said = 'READY'

  constructor(
    private readonly memory: Memory,
    private readonly profile: Profile,
  ) {}

  settings = () => this.memory.values()
  keys = () => [...'0123456789.', 'TO', 'SEND', 'CLEAR']
  display = (): string => this.line || this.said

  press(key: string): void {
    if (key === 'CLEAR') this.line = ''
    else if (key === 'TO') this.line += '>'
    else if (/^[\d.]$/.test(key)) this.line += key
    else if (key === 'SEND') this.send()
  }

  private send(): void {
    const [code, value] = this.line.split('>')
    this.line = ''
    const items = this.memory.visible()
    const written = items.find((i) => i.code === code)
    const read = items.find((i) => i.readBack === code)
    if (value !== undefined && written) {
      // It takes what it can and says "SENT" either way: that is why it is read back.
      this.memory.write(written, value)
      this.said = `${code} SENT`
    } else if (value === undefined && read) this.said = `${code} = ${this.memory.read(read)}`
    else this.said = 'NO CODE'
  }
}
