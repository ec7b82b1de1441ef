import type { Installation } from '@/core/installation'
import type { Operation } from '@/jobfile'
import { refWords } from './names'

type Words = {
  [K in Operation['kind']]: (inst: Installation, op: Extract<Operation, { kind: K }>) => string
}

/** Action of each kind of edit, as a clause after "Yours:" or a name. A kind without a clause does not compile. */
const OPERATION_WORDS: Words = {
  landWire: (inst, op) =>
    `${refWords(inst, `wires.${op.wire}`)} ${op.terminal ? `to ${refWords(inst, op.terminal)}` : 'lifted'}`,
  addWire: (_, op) => `a ${op.wire.colour} conductor added`,
  removeWire: () => 'a conductor removed',
  markWire: (_, op) => `a conductor marked ${op.doubt ? 'not checked' : 'checked'}`,
  colourWire: (_, op) => `a conductor's colour ${op.colour}`,
  setSetting: (inst, op) =>
    `${refWords(inst, `${op.ref}.${op.setting}`)} ${op.value === null ? 'not known' : String(op.value)}`,
  setCableFeet: (_, op) => `a cable ${op.feet} ft long`,
  setField: (_, op) => `${op.field}: ${op.value}`,
  placeDevice: (_, op) => `${op.placed.label} added`,
  removeDevice: (inst, op) => `${refWords(inst, op.ref)} removed`,
  replaceDevice: (_, op) => `a newer description of ${op.device.name}`,
  addCable: (_, op) => `${op.cable.label} added`,
  removeCable: () => 'a cable removed',
  takeReading: (_, op) => `a reading of ${op.reading.value}`,
  answer: () => 'an answer of the interview',
  markSource: () => 'where a setting comes from',
  noteKeyed: () => 'a note of what a device showed',
  tickLine: () => 'a tick on a key-in sheet',
  addTemporary: () => 'a temporary setting',
  putBack: () => 'a temporary setting put back',
  markCard: (_, op) => `a card of the test run ${op.mark ? `marked ${op.mark.state}` : 'opened again'}`,
  noteCall: () => 'when a call was made',
  setToday: (_, op) =>
    op.outdoorF === null ? 'the day’s temperature taken away' : `${op.outdoorF} °F outdoors`,
  closeVisit: () => 'the end of a visit',
  setPlate: (inst, op) => `the plate of ${refWords(inst, op.ref)}`,
  setAir: () => 'what was measured of the air',
  setPrice: () => 'a price',
  setCurrency: () => 'the currency',
  setRates: () => 'prices by the hour',
  setHouse: () => 'a number of the house',
  setHouseChoice: () => 'how the house is reckoned',
  setClimate: () => 'the climate',
  clearClimate: () => 'the climate taken away',
  setHandover: (_, op) =>
    op.field === 'licence' ? 'the licence' : op.field === 'arrived' ? 'when they came' : 'when they went',
  sign: (_, op) => `signed by ${op.signature.name}`,
  withdrawSignature: () => 'a signature withdrawn',
  restore: (_, op) =>
    op.changes.length === 1 ? 'an edit taken back' : `an edit of ${op.changes.length} places taken back`,
  batch: (inst, op) => {
    const said = op.ops.slice(0, 2).map((o) => operationWords(inst, o))
    return op.ops.length > 2 ? `${said.join('; ')} and ${op.ops.length - 2} more` : said.join('; ')
  },
}

export function operationWords(inst: Installation, op: Operation): string {
  // Each entry takes its own kind; the key that is looked up is the kind of the operation that is passed.
  const words = OPERATION_WORDS[op.kind] as (inst: Installation, op: Operation) => string
  return words(inst, op)
}

/** The thing that a place of the document is about, for "not taken back: …". */
export function placeWords(inst: Installation, path: string): string {
  const [section = '', name = '', ...rest] = path.split('.')
  switch (section) {
    case 'wires':
      return refWords(inst, `wires.${name}`)
    case 'placed':
      return rest[0] === 'settings' && rest[1] ? refWords(inst, `${name}.${rest[1]}`) : refWords(inst, name)
    case 'cables':
      return 'a cable'
    case 'devices':
      return 'a device’s description'
    case 'setup':
      return 'the setup'
    case 'commissioning':
      return 'what was read on site'
    case 'house':
      return name === 'climate' ? 'the climate' : 'a number of the house'
    case 'prices':
      return 'a price'
    case 'startup':
      return 'the test run'
    case 'handover':
      return name === 'signatures' ? 'a signature' : 'the handover'
    default:
      return section === 'site' ? name : section
  }
}
