import type { Ref } from '@/core/installation'
import { demoInstallation } from '../../../tests/helpers/demo'
import {
  cableBetween,
  choose,
  landingOperations,
  sensible,
  sensibleFor,
  spareOf,
  type Landing,
} from './landing'
import { drawWires, layOut, SIZE } from '@/drawing'

const inst = demoInstallation('quillfeather-lane')
const id = () => 'new'
const step = (state: Landing, terminal: Ref) => choose(inst, state, terminal, id)

describe('landing', () => {
  it('goes from nothing to chosen to landing to landed', () => {
    const chosen = step({ step: 'none' }, 'ah.R').next
    expect(chosen).toEqual({ step: 'chosen', terminal: 'ah.R' })
    expect(step(chosen, 'ah.C')).toEqual({ next: { step: 'chosen', terminal: 'ah.C' }, op: null })
    const landing = step(chosen, 'ah.R').next
    expect(landing).toEqual({ step: 'landing', from: 'ah.R' })
    expect(step(landing, 'ah.R').next).toEqual({ step: 'none' })
    expect(step(landing, 'ah.G').op).toMatchObject({
      kind: 'addWire',
      wire: { cable: null, a: 'ah.R', b: 'ah.G' },
    })
  })

  it('uses the spare conductor of the cable between two places, with its ends the right way round', () => {
    const { op } = step({ step: 'landing', from: 'od.W' }, 'ah.W2')
    expect(op).toMatchObject({ kind: 'addWire', wire: { cable: 'c2', a: 'ah.W2', b: 'od.W' } })
    expect(landingOperations(inst, op!)).toEqual([
      { kind: 'landWire', wire: spareOf(inst, 'c2')!.id, end: 'a', terminal: 'ah.W2' },
      { kind: 'landWire', wire: spareOf(inst, 'c2')!.id, end: 'b', terminal: 'od.W' },
    ])
  })

  it('moves one end of a conductor', () => {
    expect(step({ step: 'moving', wire: 'w07', end: 'b' }, 'ah.W1').op).toEqual({
      kind: 'landWire',
      wire: 'w07',
      end: 'b',
      terminal: 'ah.W1',
    })
  })

  it('knows that the outdoor thermostat and the unit are one place, and the cables between the others', () => {
    expect(cableBetween(inst, 'odt.T1', 'od.W')).toBeNull()
    expect(cableBetween(inst, 'tstat.E', 'ah.W2')?.id).toBe('c1')
    expect(cableBetween(inst, 'odt.T1', 'spl.x')?.id).toBe('c2')
  })

  it('raises what a technician would join, and nothing else', () => {
    expect(sensible(inst, 'tstat.E', 'ah.W2')).toBe(true)
    expect(sensible(inst, 'tstat.Y', 'od.Y')).toBe(true)
    expect(sensible(inst, 'tstat.OB', 'od.OB')).toBe(true)
    expect(sensible(inst, 'tstat.R', 'ah.C')).toBe(false)
    expect(sensible(inst, 'tstat.E', 'ah.Y')).toBe(false)
    expect(sensibleFor(inst, { step: 'moving', wire: 'w07', end: 'b' }, 'ah.W1')).toBe(true)
    expect(sensibleFor(inst, { step: 'none' }, 'ah.W1')).toBe(false)
  })
})

describe('the bench drawing', () => {
  const layout = layOut(inst.placed)

  it('places every low-voltage terminal once, without overlap, inside its width', () => {
    expect(layout.at.size).toBe(7 + 7 + 1 + 3 + 5 + 2)
    const places = [...layout.at.values()].map((p) => `${p.column}|${p.y}`)
    expect(new Set(places).size).toBe(places.length)
    expect(layout.width).toBeLessThanOrEqual(740)
    for (const p of layout.panels) expect(p.x + SIZE.column).toBeLessThanOrEqual(layout.width - SIZE.margin)
  })

  it('draws every low-voltage conductor, and shows the bare ends of the spares', () => {
    const { wires, cables } = drawWires(inst, layout)
    // 8 and 7 conductors, 2 jumpers, and 3 of the harness that are low voltage.
    expect(wires).toHaveLength(8 + 7 + 2 + 3)
    expect(wires.filter((w) => w.loose.length === 2)).toHaveLength(2)
    expect(cables.map((c) => c.cable.id)).toEqual(['c1', 'c2'])
    for (const w of wires) expect(w.d).not.toContain('NaN')
  })
})
