import type { Unknowable, Value } from '@/core/equipment'
import { settingValue, type Placed } from '@/core/installation'
import { resultOf } from '@/core/rules'
import { drives } from '@/core/situation'
import { benchDrawing } from '@/drawing'
import {
  factorsSentence,
  findingSentence,
  findingWords,
  plateLine,
  proofSentence,
  refWords,
  ruleWords,
  settingText,
  temporaryWords,
  undecidedSentence,
  valueAtText,
} from '@/words'
import { line, type Block, type Cell, type Line, type Section } from './paper'
import type { PaperInput } from './paperInput'
import type { Speech } from './speech'

/** Every rule with how it stands. */
export function provenSection({ inst, proof }: PaperInput, { labels }: Speech): Section {
  const rows = proof.rules.map((rule): { id: string; cells: Cell[] } => {
    const found = proof.findings.filter((x) => x.rule === rule)
    const finding = found.find((x) => x.severity !== 'warn') ?? found[0]
    const undecided = proof.undecided.find((x) => x.rule === rule)
    const stands: Line = {
      broken: { text: labels.broken, tone: 'harm' as const },
      undecided: { text: labels.undecided, tone: 'watch' as const },
      warning: { text: labels.look, tone: 'watch' as const },
      holds: { text: labels.holds, tone: 'strong' as const },
    }[resultOf(proof, rule)]
    return {
      id: `rule:${rule}`,
      cells: [
        stands,
        [
          line(ruleWords(rule)),
          ...(finding ? [line(findingSentence(inst, finding), stands.tone)] : []),
          ...(undecided ? [line(undecidedSentence(inst, undecided))] : []),
        ],
      ],
    }
  })
  return {
    id: 'proven',
    title: labels.proven,
    newPage: true,
    blocks: [
      {
        kind: 'lines',
        lines: [line(proofSentence(inst, proof), 'strong'), line(`${factorsSentence(proof)}.`, 'soft')],
      },
      { kind: 'table', caption: labels.proven, widths: [1, 5], rows },
    ],
  }
}

/** Installed equipment, with plates and settings that are set by hand. */
export function gearSection({ inst, seen }: PaperInput, { labels }: Speech): Section {
  const plateText = (p: Placed): string => {
    const { model, serial, newFromBox: _, seenOnline: __, ...plate } = seen.plates[p.ref] ?? {}
    return [
      model ? `${labels.model} ${model}` : '',
      serial ? `${labels.serial} ${serial}` : '',
      plateLine({ ...p.device.plate, ...plate }),
    ]
      .filter(Boolean)
      .join(', ')
  }
  const setText = (p: Placed): string =>
    p.device.settings
      .filter((s) => s.group === 'plate' || drives(p.device, s.id))
      .map((s) => `${s.label}: ${settingText(s, settingValue(p, s.id))}`)
      .join(' · ')
  return {
    id: 'gear',
    title: labels.gear,
    blocks: [
      {
        kind: 'table',
        caption: labels.gear,
        widths: [1, 3],
        rows: inst.placed.map((p) => ({
          id: `gear:${p.ref}`,
          cells: [
            { text: p.label, tone: 'strong' },
            [
              line([p.device.name, p.where ?? ''].filter(Boolean).join(', ')),
              ...(plateText(p) ? [line(plateText(p), 'soft')] : []),
              ...(setText(p) ? [line(setText(p), 'soft')] : []),
            ],
          ],
        })),
      },
    ],
  }
}

/** The drawing of the landing, and every conductor by name. */
export function landingSections({ inst, job }: PaperInput, { labels }: Speech): Section[] {
  const cableOf = (id: string | null) =>
    job.cables.find((c) => c.id === id)?.label.toLowerCase() ?? labels.jumper
  const rows = [...job.cables.map((c) => c.id), null].flatMap((cable) =>
    job.wires
      .filter((w) => w.cable === cable)
      .map((w) => ({
        id: `wire:${w.id}`,
        cells: [
          `${w.colour}${w.colourB ? `, ${w.colourB}` : ''}, ${cableOf(cable)}`,
          w.a ? refWords(inst, w.a) : labels.notLanded,
          `${w.b ? refWords(inst, w.b) : labels.notLanded}${w.doubt ? ` (${labels.notChecked})` : ''}`,
        ],
      })),
  )
  return [
    {
      id: 'landing',
      title: labels.landing,
      newPage: true,
      blocks: [{ kind: 'drawing', title: labels.landing, drawing: benchDrawing(inst, null) }],
    },
    {
      id: 'schedule',
      title: labels.schedule,
      blocks: [
        {
          kind: 'table',
          caption: labels.schedule,
          heads: [labels.conductor, labels.from, labels.to],
          widths: [2, 2, 2],
          rows,
        },
      ],
    },
  ]
}

/** Settings keyed in, by whom, and contradictions. */
export function settingsSection({ inst, job, conflicts }: PaperInput, speech: Speech): Section {
  const { labels } = speech
  const text = (at: string, value: Unknowable<Value>) => valueAtText(inst, at, value)
  const rows = Object.entries(job.setup.keyed).flatMap(([at, k]) =>
    k.left
      ? [
          {
            id: `keyed:${at}`,
            cells: [
              refWords(inst, at),
              k.found ? text(at, k.found.value) : '',
              { text: text(at, k.left.value), tone: 'strong' as const },
              k.readBack ? text(at, k.readBack.value) : '',
              `${k.left.who || labels.nobody}, ${speech.moment(k.left.when)}`,
            ] satisfies Cell[],
          },
        ]
      : [],
  )
  const blocks: Block[] = []
  if (conflicts.length)
    blocks.push({ kind: 'lines', lines: conflicts.map((c) => line(`${findingWords(inst, c)}.`, 'harm')) })
  blocks.push(
    rows.length
      ? {
          kind: 'table',
          caption: labels.settings,
          heads: [labels.setting, labels.found, labels.left, labels.readBack, labels.who],
          widths: [3, 1.4, 1.4, 1.4, 2],
          rows,
        }
      : { kind: 'lines', lines: [line(labels.nothingKeyed)] },
  )
  return { id: 'settings', title: labels.settings, blocks }
}

/** Temporary changes for a test: who put each back, and when. */
export function putBackSection({ inst, job }: PaperInput, speech: Speech): Section {
  const { labels } = speech
  return {
    id: 'putBack',
    title: labels.putBack,
    blocks: job.setup.temporary.length
      ? [
          {
            kind: 'lines',
            lines: job.setup.temporary.map((t) => {
              const { stands, open } = temporaryWords(inst, t)
              return t.back
                ? line(
                    `${stands} ${labels.wasPutBack} ${t.back.who || labels.nobody}, ${speech.moment(t.back.when)}.`,
                  )
                : line(open, 'harm')
            }),
          },
        ]
      : [],
  }
}
