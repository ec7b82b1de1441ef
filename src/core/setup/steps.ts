import type { Profile, ProfileItem } from '../equipment'

export type LineKind =
  'unitOff' | 'powerOff' | 'wait' | 'enter' | 'set' | 'leaveAlone' | 'leave' | 'unitOn' | 'powerOn'

/** A step at the device. `starts` and `shows`: the beginning of its display, or the exact text (one of these). */
export type Step =
  | { do: 'press'; key: string }
  | { do: 'until'; key: string; starts?: string; shows?: string[] }
  | { do: 'check'; shows: string }
  | { do: 'wait'; until: string }

const press = (key: string): Step => ({ do: 'press', key })
const typed = (text: string): Step[] => [...text].map(press)

interface Frame {
  id: Exclude<LineKind, 'set' | 'leaveAlone'>
  steps: Step[]
}

/** Steps before the first setting. */
export function opening(p: Profile): Frame[] {
  const frames: Frame[] = []
  if (p.unitOff) frames.push({ id: 'unitOff', steps: [{ do: 'until', key: 'ON/OFF', shows: ['OFF'] }] })
  if (p.powerOff) frames.push({ id: 'powerOff', steps: [{ do: 'until', key: 'POWER', starts: 'POWER OFF' }] })
  if (p.wait) frames.push({ id: 'wait', steps: [{ do: 'wait', until: p.wait }] })
  const keys = p.enter.map(press)
  if (p.passcode !== undefined) keys.push(...typed(p.passcode), press('OK'))
  if (p.style === 'guided')
    keys.push({ do: 'check', shows: 'These terminals are live: correct?' }, press('YES'))
  if (keys.length) frames.push({ id: 'enter', steps: keys })
  return frames
}

/** Steps after the last setting. */
export function closing(p: Profile): Frame[] {
  const frames: Frame[] = []
  const keys: Step[] = p.leave.map(press)
  if (p.style === 'guided') keys.unshift({ do: 'until', key: 'KEEP', shows: ['Finish?'] })
  if (keys.length) frames.push({ id: 'leave', steps: keys })
  if (p.unitOff) frames.push({ id: 'unitOn', steps: [{ do: 'until', key: 'ON/OFF', shows: ['ON'] }] })
  if (p.powerOff) frames.push({ id: 'powerOn', steps: [{ do: 'until', key: 'POWER', starts: 'POWER ON' }] })
  return frames
}

/** A number as a row of lights, on for 1, the highest bit first. */
const lights = (n: number, count: number): string =>
  Array.from({ length: count }, (_, i) => ((n >> (count - 1 - i)) & 1 ? '●' : '○')).join('')

/** The lights of an item with a value: four count the item, three the value. */
export const ledPattern = (item: ProfileItem, code: string): string =>
  `${lights(Number(item.code), 4)} ${lights(Number(code), 3)}`

/**
 * The steps that bring one item to a code.
 * @param lowest the lowest code of a number item
 */
export function stepsFor(p: Profile, item: ProfileItem, code: string, lowest: string | null): Step[] {
  switch (p.style) {
    case 'menu':
      return [
        { do: 'until', key: 'NEXT', starts: `${item.code} ` },
        { do: 'until', key: 'UP', shows: [`${item.code} ${code}`] },
      ]
    case 'guided': {
      const reach: Step = { do: 'until', key: 'KEEP', starts: `${item.code}: ` }
      if ('map' in item.as) {
        // Choices stand in the order of their numbers.
        const choices = [...new Set(Object.values(item.as.map))].sort((a, b) => Number(a) - Number(b))
        return [reach, press(`PICK ${choices.indexOf(code) + 1}`)]
      }
      return [
        reach,
        { do: 'until', key: 'LESS', shows: [`${item.code}: ${lowest}`] },
        { do: 'until', key: 'MORE', shows: [`${item.code}: ${code}`] },
        press('KEEP'),
      ]
    }
    case 'functions': {
      const at = { group: 'G', unit: 'U', outdoor: 'O' }[item.address ?? 'unit']
      return [
        { do: 'until', key: 'ADDR', starts: `${at} ` },
        { do: 'until', key: 'FN+', starts: `${at} ${item.code} ` },
        { do: 'until', key: 'VAL+', shows: [`${at} ${item.code} ${code}`, `${at} ${item.code} ${code}*`] },
        press('WRITE'),
        { do: 'check', shows: `${at} ${item.code} ${code}` },
      ]
    }
    case 'request':
      return [
        ...typed(item.code),
        press('TO'),
        ...typed(code),
        press('SEND'),
        { do: 'check', shows: `${item.code} SENT` },
        ...(item.readBack
          ? [
              ...typed(item.readBack),
              press('SEND'),
              { do: 'check', shows: `${item.readBack} = ${code}` } as Step,
            ]
          : []),
      ]
    case 'triplets': {
      const [mode] = item.code.split('-')
      return [
        { do: 'until', key: 'MODE', starts: `${mode}-` },
        { do: 'until', key: 'SETTING', starts: `${item.code}-` },
        { do: 'until', key: 'OPTION', shows: [`${item.code}-${code}`, `${item.code}-${code}?`] },
        press('STORE'),
        { do: 'check', shows: `${item.code}-${code}` },
      ]
    }
    case 'leds':
      return [
        { do: 'until', key: 'SELECT', starts: `${lights(Number(item.code), 4)} ` },
        { do: 'until', key: 'CHANGE', starts: ledPattern(item, code) },
        press('STORE'),
        ...(p.activate ? [press('STORE')] : []),
        { do: 'check', shows: ledPattern(item, code) },
      ]
    case 'switches':
      return [press(`${item.code} ${code}`)]
  }
}
