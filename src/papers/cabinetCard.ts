import { READINGS } from '@/core/readings'
import QRCode from 'qrcode'
import { profilesOf, type ProfileItem } from '@/core/equipment'
import { makeRef, settingValue, type Placed } from '@/core/installation'
import { codeOf as keyCode, isShown } from '@/core/setup'
import { lockOutList } from '@/core/startup'
import type { Drawing, Shape } from '@/drawing'
import { cabinetWords, degrees, figure, KIND_WORDS, lower, refWords } from '@/words'
import { codeOf, type LeftOut } from './code'
import { bankLines } from './heatParts'
import { line, lines, type Block, type Line, type Paper, type Section } from './paper'
import type { PaperInput } from './paperInput'
import { speak, type Labels } from './speech'

/** Readings on a card; the rest are in the report. */
const MOST_READINGS = 14

/**
 * The card that is taped inside the panel, half a page: landing, banks, what to lock out, switches, codes, gates, what was
 * read when it was new, and a code that holds the job's essentials.
 * @param day the day on which it is made
 */
export function cabinetCardOf(input: PaperInput, day: Date, lang = 'en'): Paper {
  const speech = speak(lang)
  const { labels } = speech
  const { job } = input
  const sections: Section[] = [
    { id: 'landing', title: labels.landing, blocks: landing(input, labels) },
    { id: 'banks', title: labels.bankTable, blocks: banks(input, labels) },
    { id: 'gates', title: labels.gates, blocks: gates(input, speech.balanceAt) },
    { id: 'pins', title: labels.pins, blocks: switches(input) },
    { id: 'codes', title: labels.codes, blocks: codes(input) },
    { id: 'lockOut', title: labels.lockOut, blocks: lockOut(input) },
    { id: 'new', title: labels.whenNew, blocks: readings(input) },
    { id: 'code', title: labels.scan.split(':')[0] ?? '', blocks: code(input, day, labels) },
  ]
  return {
    lang: speech.lang,
    layout: 'card',
    title: job.title,
    under: [
      line(
        [labels.cabinetCard, speech.day(day), job.technician || labels.nobody, job.handover?.licence ?? '']
          .filter(Boolean)
          .join(', '),
      ),
    ],
    sections: sections.filter((s) => s.blocks.length > 0),
    foot: labels.makersWin,
  }
}

/** Device by device, each terminal with the colors on it and where they go. */
function landing({ inst }: PaperInput, labels: Labels): Block[] {
  return inst.placed.flatMap((p): Block[] => {
    const rows = p.device.terminals
      .filter((t) => t.side === 'low')
      .flatMap((t): Line[] => {
        const here = makeRef(p.ref, t.id)
        const on = inst.wires.flatMap((w) => {
          const [own, far] = w.a === here ? ['a', w.b] : w.b === here ? ['b', w.a] : [null, null]
          if (own === null) return []
          const colour = own === 'b' ? (w.colourB ?? w.colour) : w.colour
          const to = far ? lower(refWords(inst, far)) : labels.notLanded
          return [`${colour}${w.cable === null ? ` ${labels.jumper}` : ''} → ${to}`]
        })
        return on.length ? [line(`${t.label}: ${on.join('; ')}`)] : []
      })
    return rows.length
      ? [
          { kind: 'heading', text: p.label },
          { kind: 'lines', lines: rows },
        ]
      : []
  })
}

const banks = (input: PaperInput, labels: Labels): Block[] =>
  bankLines(input).flatMap(({ kit, banks: all }) =>
    all.length
      ? [
          lines(
            line(kit, 'strong'),
            ...all.map((b) => line(`${b.live}: ${labels.rowsOn.toLowerCase()} ${b.rows}`)),
          ),
        ]
      : [],
  )

function gates({ crossing, inst }: PaperInput, balanceAt: (at: string) => string): Block[] {
  const said: Line[] = []
  if (typeof crossing?.balanceF === 'number')
    said.push(line(balanceAt(degrees(Math.round(crossing.balanceF))), 'strong'))
  for (const g of crossing?.gates.gates ?? [])
    if (g.acts && g.valueF !== null) said.push(line(`${refWords(inst, g.at)}: ${degrees(g.valueF)}`))
  return said.length ? [{ kind: 'lines', lines: said }] : []
}

/** The items of a device that it shows while it is set as it is, each with its code. */
function keyedItems(p: Placed): { item: ProfileItem; code: string; isSwitch: boolean }[] {
  const read = (id: string) => settingValue(p, id)
  return profilesOf(p.device)
    .slice(0, 1)
    .flatMap((profile) =>
      profile.items
        .filter((item) => isShown(item, read))
        .flatMap((item) => {
          const code = keyCode(item, read)
          return code === null ? [] : [{ item, code, isSwitch: profile.style === 'switches' }]
        }),
    )
}

/** Codes as left, run together: the device's own, to be compared with what it shows. */
const codes = ({ inst }: PaperInput): Block[] =>
  inst.placed.flatMap((p): Block[] => {
    const said = keyedItems(p)
      .filter((k) => !k.isSwitch)
      .map((k) => `${k.item.address ? `${k.item.address} ` : ''}${k.item.code}=${k.code}`)
    return said.length ? [lines(line(p.label, 'strong'), said.join(' · '))] : []
  })

const ON = /^(?:on|1)$/i
const isTwoWay = ({ item }: { item: ProfileItem }): boolean =>
  'map' in item.as && Object.values(item.as.map).every((code) => ON.test(code) || /^(?:off|0)$/i.test(code))

/** Switches and pins as they stand: those that are on or off as pictures, others by what they are on. */
const switches = ({ inst }: PaperInput): Block[] =>
  inst.placed.flatMap((p): Block[] => {
    const all = keyedItems(p).filter((k) => k.isSwitch)
    const twoWay = all.filter((k) => isTwoWay(k))
    const other = all.filter((k) => !twoWay.includes(k))
    if (!all.length) return []
    return [
      lines(line(p.label, 'strong'), ...other.map((k) => line(`${k.item.code}: ${k.code}`))),
      ...(twoWay.length
        ? [{ kind: 'drawing' as const, title: p.label, drawing: switchDrawing(twoWay) }]
        : []),
    ]
  })

/** A row of switches: the dark half is where the lever stands, up is on. */
function switchDrawing(all: readonly { item: ProfileItem; code: string }[]): Drawing {
  const [wide, high, gap] = [26, 40, 44]
  const shapes = all.flatMap(({ item, code }, i): Shape[] => {
    const x = i * gap + 8
    const isOn = ON.test(code)
    return [
      { kind: 'rect', x, y: 2, width: wide, height: high, fill: '#fff', stroke: '#222', strokeWidth: 2 },
      { kind: 'rect', x: x + 4, y: isOn ? 6 : 22, width: wide - 8, height: 16, fill: '#222' },
      { kind: 'text', x: x + wide / 2, y: 56, text: item.code, size: 11, anchor: 'middle' },
      { kind: 'text', x: x + wide / 2, y: 69, text: isOn ? 'ON' : 'OFF', size: 11, anchor: 'middle' },
    ]
  })
  return { width: Math.max(220, all.length * gap + 8), height: 74, shapes }
}

const lockOut = ({ inst }: PaperInput): Block[] => {
  const said = lockOutList(inst).flatMap((c) => {
    const [title = '', ...rest] = cabinetWords(inst, c)
    return [
      line(title, 'strong'),
      ...rest.filter((r) => !r.trim().startsWith('Prove')).map((r) => line(r.trim())),
    ]
  })
  return said.length ? [{ kind: 'lines', lines: said }] : []
}

const readings = ({ inst, stands }: PaperInput): Block[] => {
  const said = stands.slice(-MOST_READINGS).map((r) => {
    const value = r.value === 'OL' ? 'OL' : `${figure(r.value, 2)} ${READINGS[r.kind].unit}`
    return line(`${KIND_WORDS[r.kind]}, ${lower(refWords(inst, r.at))}: ${value}`)
  })
  return said.length ? [{ kind: 'lines', lines: said }] : []
}

function code({ job }: PaperInput, day: Date, labels: Labels): Block[] {
  const { text, left } = codeOf(job, day)
  const missing = leftWords(left)
  return [
    ...(text === null ? [] : [{ kind: 'qr' as const, title: labels.scan, ...modulesOf(text) }]),
    lines(
      line(missing.length ? `${labels.notInCode} ${missing.join(', ')}.` : labels.scanAll, 'soft'),
      line(labels.scan, 'soft'),
    ),
  ]
}

/** Facts that a code had no room for, and facts that no code contains. */
function leftWords(left: LeftOut): string[] {
  if (left.all) return ['the landing and settings: they are too many for one code']
  return [
    ...(left.readings ? [`${left.readings} ${left.readings === 1 ? 'reading' : 'readings'}`] : []),
    ...(left.texts ? ['address and places'] : []),
    'owner, notes, house, history and what devices are like inside',
  ]
}

/** A QR code at level M as its dark modules, row by row. */
function modulesOf(text: string): { size: number; dark: boolean[] } {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  return { size: modules.size, dark: Array.from(modules.data, (bit) => bit === 1) }
}
