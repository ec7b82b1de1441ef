import type { DeviceDraft, DraftRow } from '../equipment'
import { buildDevice, freshDraft } from '.'

const ROWS: DraftRow[] = [
  { watts: 4800, by: 'W1', circuit: 1 },
  { watts: 4800, by: 'W2', circuit: 1 },
  { watts: 4800, by: 'W2', circuit: 2 },
]
const kit = (change: Partial<DeviceDraft>) =>
  buildDevice({ ...freshDraft('stripKit'), name: 'Some kit', rows: ROWS, ...change }, 'own-kit')
const contacts = (change: Partial<DeviceDraft>) =>
  kit(change).parts.flatMap((p) => (p.kind === 'contact' ? [p] : []))

describe('rows of a kit that a form describes', () => {
  it('on sequencers come in one after another within a step, and go out in the opposite order', () => {
    const heats = contacts({ switchedBy: 'sequencer', stepSeconds: 40 }).filter((c) =>
      c.id.startsWith('heat'),
    )
    // 40 s · (n + 1) / 4; out: 90 s, and 40 / 3 s less for each row after the first.
    expect(heats.map((c) => c.after)).toEqual([
      { closes: 20, opens: 90 },
      { closes: 30, opens: 77 },
      { closes: 40, opens: 63 },
    ])
  })

  it('on relays come at once', () => {
    const heats = contacts({ switchedBy: 'relay', stepSeconds: 40 }).filter((c) => c.id.startsWith('heat'))
    expect(heats).toHaveLength(3)
    expect(heats.every((c) => c.after === undefined)).toBe(true)
  })

  it('have a limit each, and a fuse link where the form says so, called what a person calls them', () => {
    const named = (change: Partial<DeviceDraft>) => contacts(change).map((c) => c.label)
    expect(named({ fuseLinks: true })).toEqual(
      expect.arrayContaining(['Row 1 fuse link', 'Row 1 limit', 'Row 3 fuse link', 'Row 3 limit']),
    )
    expect(named({ fuseLinks: false }).join()).not.toMatch(/fuse link/)
    const modes = kit({ fuseLinks: true }).modes.filter((m) => /^(limit|link)1$/.test(m.id))
    expect(modes.map((m) => m.states.map((s) => [s.id, s.label, s.condition ?? null]))).toEqual([
      [
        ['closed', 'Closed', null],
        ['open', 'Open, too hot', 'tripped'],
      ],
      [
        ['good', 'Good', null],
        ['open', 'Open', 'failed'],
      ],
    ])
  })
})
