import { makeRef, type Installation, type Name } from '@/core/installation'
import { heaterRows } from '@/core/kit'
import type { ReadingKind, ReadingPlace } from '@/core/startup'
import { PLACE_WORDS, refWords } from '@/words'

/** One way of taking a reading: where the leads or the jaw go. */
export interface Spot {
  place: ReadingPlace
  at: Name
  label: string
}

/** Where a kind of reading can be taken in this job, likeliest first. */
export function spotsFor(inst: Installation, kind: ReadingKind): Spot[] {
  const spot = (place: ReadingPlace, at: Name, label = `${refWords(inst, at)}`): Spot => ({
    place,
    at,
    label,
  })
  const lined = inst.placed.filter((p) => p.device.terminals.some((t) => t.side === 'line'))
  const feeds = lined.filter((p) => p.device.kind === 'feed')
  const rows = heaterRows(inst)
  const kits = inst.placed.filter((p) => rows.some((r) => r.ref.startsWith(`${p.ref}.`)))
  switch (kind) {
    case 'controlVolts':
      return inst.placed
        .filter((p) => p.device.terminals.some((t) => t.role === 'C'))
        .flatMap((p) =>
          p.device.terminals
            .filter((t) => t.role === 'R')
            .map((t) => spot('terminals', makeRef(p.ref, t.id), p.label)),
        )

    case 'lineVolts':
      return [
        ...lined
          .filter((p) => p.device.kind !== 'feed')
          .map((p) => spot('disconnect', p.ref, `${p.label} ${PLACE_WORDS.disconnect}`)),
        ...feeds.map((p) => spot('feed', p.ref, p.label)),
      ]
    case 'legToGround':
      return lined.flatMap((p) =>
        p.device.terminals
          .filter((t) => t.role === 'line' && t.label !== 'N' && p.device.kind !== 'feed')
          .map((t) => spot('terminals', makeRef(p.ref, t.id))),
      )
    case 'stripAmps':
      return [
        ...feeds
          .filter((f) => kits.some((k) => joined(inst, f.ref, k.ref)))
          .map((f) => spot('feed', f.ref, f.label)),
        ...kits.flatMap((k) =>
          k.device.terminals
            .filter((t) => t.side === 'line' && t.role === 'line')
            .map((t) => spot('kitLead', makeRef(k.ref, t.id), `One kit lead, ${t.label}`)),
        ),
        ...rows.map((r) => spot('rowTerminals', r.ref, `Row ${r.row} terminals`)),
      ]
    case 'rowOhms':
      return rows.map((r) => spot('rowTerminals', r.ref, `Row ${r.row}, element alone`))
    case 'returnAir':
    case 'supplyAir': {
      const place = kind === 'returnAir' ? 'returnDuct' : 'supplyDuct'
      return inst.placed
        .filter((p) => p.device.kind === 'airHandler')
        .map((p) =>
          spot(
            place,
            p.ref,
            kind === 'returnAir' ? 'Return duct' : 'Supply duct, out of sight of the strips',
          ),
        )
    }
  }
}

const joined = (inst: Installation, a: string, b: string): boolean =>
  inst.wires.some((w) => {
    const ends = [w.a?.split('.')[0], w.b?.split('.')[0]]
    return ends.includes(a) && ends.includes(b)
  })
