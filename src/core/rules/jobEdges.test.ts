import { libraryDevice, without, wireBetween } from '../../../tests/helpers/demo'
import { as, bus, job, lifted, ONLINE, seen } from '../../../tests/helpers/jobFixtures'
import type { Plate, Value } from '../equipment'
import type { Installation, Site, Wire } from '../installation'
import { jobFindings } from '.'

/** What one rule finds: each code at its place, with its figures. */
function finds(rule: string, inst: Installation, site: Partial<Site> = {}, tested = true): string {
  return jobFindings(seen(inst, site, tested))
    .filter((f) => f.rule === rule)
    .map((f) => [f.code, f.at, ...f.also, ...f.numbers.map((n) => Math.round(n * 1000) / 1000)].join(' '))
    .join('; ')
}
const strips = (settings: Record<string, Value | null> = {}) => job('quillfeather-lane', settings)
const plated = (inst: Installation, ref: string, plate: Plate) =>
  as(inst, ref, (p) => ({ ...p, device: { ...p.device, plate: { ...p.device.plate, ...plate } } }))
/** With a plate that says nothing of its kilowatts. */
const silent = (inst: Installation, ref: string) =>
  as(inst, ref, (p) => {
    const { kilowatts: _, ...plate } = p.device.plate
    return { ...p, device: { ...p.device, plate } }
  })
/** The conductors of one feed of another gauge. */
const gauged = (feed: string, gauge: number, inst = strips()): Installation => ({
  ...inst,
  wires: inst.wires.map((w) => ([w.a, w.b].some((e) => e?.startsWith(`${feed}.`)) ? { ...w, gauge } : w)),
})
/** Conductors from the feed's ends to the furnace's, two by two: feed, furnace, feed, furnace. */
function oneLeg(...ends: string[]): Installation {
  const inst = job('tallow-mill')
  const wires = inst.wires.filter((w) => w.a?.startsWith('feedA.') !== true)
  const pairs = ends.flatMap((end, i) => (i % 2 ? [] : [[end, ends[i + 1]]]))
  const laid = pairs.map(([a, b], i) => ({
    ...wires[0]!,
    id: `own${i}`,
    a: `feedA.${a}` as const,
    b: `fur.${b}` as const,
  }))
  return { ...inst, wires: [...wires, ...laid] }
}
/** A feed of two legs and a neutral, whose second leg is landed on the furnace's neutral. */
function threeWire(): Installation {
  const inst = oneLeg('L1', 'L1', 'L2', 'N')
  const terminals = libraryDevice('feed-240').terminals.concat(
    libraryDevice('feed-120').terminals.slice(1, 2),
  )
  return as(inst, 'feedA', (p) => ({ ...p, device: { ...libraryDevice('feed-240'), terminals } }))
}
const unfed = (inst: Installation): Installation => ({
  ...inst,
  wires: inst.wires.filter((w) => ![w.a, w.b].some((e) => e?.startsWith('feed'))),
})
/** Two thermostats, one of which has no setting for what it is set in. */
const both = (id: string, other: string): Installation => ({
  ...job(id),
  placed: [
    ...job(id).placed,
    { ...job(other).placed.find((p) => p.ref === 'tstat')!, ref: 'other' },
    ...job(other).placed.filter((p) => p.ref === 'fur'),
  ],
})
const ungauged = (feed: string): Installation => ({
  ...strips(),
  wires: strips().wires.map(({ gauge, ...w }) =>
    [w.a, w.b].some((e) => e?.startsWith(`${feed}.`)) || gauge === undefined ? w : { ...w, gauge },
  ),
})
const noMca = (inst: Installation, ref: string): Installation =>
  as(inst, ref, (p) => {
    const { mca: _, ...plate } = p.device.plate
    return { ...p, device: { ...p.device, plate } }
  })
const withoutEnd = (ref: string, id: string, inst: Installation): Installation =>
  as(inst, ref, (p) => ({
    ...p,
    device: { ...p.device, terminals: p.device.terminals.filter((t) => t.id !== id) },
  }))
/** A second transformer, and conductors: from, to, from, to. */
function twoTransformers(...ends: (Wire['a'] | null)[]): Installation {
  const x: Installation['placed'][number] = {
    ref: 'x',
    label: 'x',
    device: libraryDevice('sedge-x40'),
    settings: {},
  }
  const laid = ends.flatMap((a, i) =>
    i % 2 ? [] : [{ id: `own${i}`, cable: null, colour: 'red', a, b: ends[i + 1] ?? null }],
  )
  return { ...strips(), placed: [...strips().placed, x], wires: [...strips().wires, ...(laid as Wire[])] }
}
function twoFeeds(): Installation {
  const inst = strips()
  const second = { ...inst.placed.find((p) => p.ref === 'feedA')!, ref: 'feedC' }
  const laid: Wire = { id: 'own', cable: null, colour: 'red', a: 'feedC.L1', b: 'kit.L1' }
  return { ...inst, placed: [...inst.placed, second], wires: [...inst.wires, laid] }
}
/** Somebody has looked: copper, and terminals marked 75 °C. */
const MARKED: Partial<Site> = { house: { values: {}, cable: 'copper75' } }
const plates = (ref: string, plate: object): Partial<Site> => ({ plates: { [ref]: plate } })

/** The rule, what is tried, the job, and what is found. */
const TABLE: [string, string, () => string, string][] = [
  // The outdoor unit allows 30 A and asks for 17.8.
  ['lineCircuits', 'breakerOverMax', () => finds('lineCircuits', strips({ 'feedB.breakerA': 35 })), 'breakerOverMax feedB.breakerA 35 30'],
  ['lineCircuits', 'one amp more than that', () => finds('lineCircuits', strips({ 'feedB.breakerA': 31 })), 'breakerOverMax feedB.breakerA 31 30'],
  ['lineCircuits', 'the largest that is allowed', () => finds('lineCircuits', strips({ 'feedB.breakerA': 30 })), ''],
  ['lineCircuits', 'what is not known', () => finds('lineCircuits', strips({ 'feedB.breakerA': null })), ''],
  ['lineCircuits', 'breakerUnderMca', () => finds('lineCircuits', strips({ 'feedB.breakerA': 15 }), plates('od', { mca: 15.1 })), 'breakerUnderMca feedB.breakerA 15 15.1'],
  ['lineCircuits', 'just the least', () => finds('lineCircuits', strips({ 'feedB.breakerA': 15 }), plates('od', { mca: 15 })), ''],
  // 14 AWG carries 20 A at 75 °C.
  ['lineCircuits', 'conductorUnderMca', () => finds('lineCircuits', gauged('feedB', 14), plates('od', { mca: 15.1 })), 'conductorUnderMca feedB od 15 15.1'],
  ['lineCircuits', 'a conductor that carries just that', () => finds('lineCircuits', gauged('feedB', 14), plates('od', { mca: 15 })), ''],
  // 40 A of strips, the blower's 2.4 and a quarter more are 53.
  ['lineCircuits', 'breakerUnderLoad', () => finds('lineCircuits', strips({ 'feedA.breakerA': 52 })), 'breakerUnderLoad feedA.breakerA 52 53'],
  ['lineCircuits', 'just the load', () => finds('lineCircuits', strips({ 'feedA.breakerA': 53 })), ''],
  ['lineCircuits', 'breakerUnderLoad by the blower’s plate as read: 1.25 × (40 + 4)', () => finds('lineCircuits', strips({ 'feedA.breakerA': 54 }), plates('ah', { blowerFla: 4 })), 'breakerUnderLoad feedA.breakerA 54 55'],
  ['lineCircuits', 'at 208 V rows draw less: 1.25 × (34.7 + 2.4)', () => finds('lineCircuits', strips({ 'feedA.breakerA': 46, 'feedA.volts': 208 })), 'breakerUnderLoad feedA.breakerA 46 46.333'],
  ['lineCircuits', 'breakerUnderLoad of an electric furnace without an MCA: 1.25 × (41.7 + its blower)', () => finds('lineCircuits', noMca(job('tansy-street', { 'feedA.breakerA': 50 }), 'fur')).split(' ').slice(0, 3).join(' '), 'breakerUnderLoad feedA.breakerA 50'],
  ['lineCircuits', 'with a plate its figure counts, and gravely', () => finds('lineCircuits', strips({ 'feedA.breakerA': 50 }), plates('kit', { mca: 55 })), 'breakerUnderMca feedA.breakerA 50 55'],
  ['lineCircuits', 'no breakerUnderLoad beside a plate', () => finds('lineCircuits', strips({ 'feedA.breakerA': 49 }), plates('kit', { mca: 45 })), ''],
  // 10 AWG carries 35 A.
  ['lineCircuits', 'conductorUnderLoad and breakerOverConductor', () => finds('lineCircuits', gauged('feedA', 10)), 'conductorUnderLoad feedA kit 30 53; breakerOverConductor feedA.breakerA 60 30'],
  ['lineCircuits', 'breakerOverConductor: 10 AWG under strips takes 30 A and no more', () => finds('lineCircuits', gauged('feedA', 10, strips({ 'feedA.breakerA': 35 })), plates('kit', { mca: 30 })), 'breakerOverConductor feedA.breakerA 35 30'],
  ['lineCircuits', 'its thirty', () => finds('lineCircuits', gauged('feedA', 10, strips({ 'feedA.breakerA': 30 })), plates('kit', { mca: 30 })), ''],
  // 6 AWG carries 65 A: the next size is 70; of a cable for 60 °C it is 55 A and 60.
  ['lineCircuits', 'undivided: the next size above a conductor is more than elements may stand on', () => finds('lineCircuits', gauged('feedA', 6, strips({ 'feedA.breakerA': 70 })), MARKED), 'breakerOverKit feedA.breakerA 70 60; undivided feedA 40'],
  ['lineCircuits', 'breakerOverConductor: one more', () => finds('lineCircuits', gauged('feedA', 6, strips({ 'feedA.breakerA': 80 })), MARKED), 'breakerOverKit feedA.breakerA 80 60; breakerOverConductor feedA.breakerA 80 65; undivided feedA 40'],
  // 48 A are 11,520 W on one row.
  ['lineCircuits', 'breakerOverKit: rows of 2,400 W ask for 1.25 × (20 + 2.4)', () => finds('lineCircuits', strips({ 'kit.rowWatts': 2400, 'feedA.breakerA': 60 })), 'breakerOverKit feedA.breakerA 60 30'],
  ['lineCircuits', 'one amp more than they need', () => finds('lineCircuits', strips({ 'kit.rowWatts': 2400, 'feedA.breakerA': 31 })), 'breakerOverKit feedA.breakerA 31 30'],
  ['lineCircuits', 'just what they need', () => finds('lineCircuits', strips({ 'kit.rowWatts': 2400, 'feedA.breakerA': 30 })), ''],
  ['lineCircuits', 'no more than its label allows', () => finds('lineCircuits', strips({ 'kit.rowWatts': 2400, 'feedA.breakerA': 60 }), plates('kit', { mocpA: 60 })), ''],
  ['lineCircuits', 'until somebody says, 6 AWG carries 55 A', () => finds('lineCircuits', gauged('feedA', 6, strips({ 'kit.rowWatts': 5040, 'feedA.breakerA': 60 }))), 'conductorUnderLoad feedA kit 55 55.5'],
  ['lineCircuits', 'and 65 A at terminals marked 75 °C', () => finds('lineCircuits', gauged('feedA', 6, strips({ 'kit.rowWatts': 5040, 'feedA.breakerA': 60 })), MARKED), ''],
  ['lineCircuits', 'undivided: more than 48 A', () => finds('lineCircuits', strips({ 'kit.rowWatts': 5770, 'feedA.breakerA': 60 }), MARKED), 'breakerUnderLoad feedA.breakerA 60 63.104; undivided feedA 48.083'],
  ['lineCircuits', '48 A on 60, which the blower makes too much', () => finds('lineCircuits', strips({ 'kit.rowWatts': 5760, 'feedA.breakerA': 60 }), MARKED), 'breakerUnderLoad feedA.breakerA 60 63'],
  ['lineCircuits', 'what a plate says for the whole of it', () => finds('lineCircuits', strips({ 'kit.rowWatts': 7500, 'feedA.breakerA': 65 }), { ...plates('kit', { mca: 65 }), ...MARKED }), ''],
  ['lineCircuits', 'breakerOverConductor by the cable that is recorded', () => finds('lineCircuits', gauged('feedA', 6, strips({ 'feedA.breakerA': 70 })), { house: { values: {}, cable: 'copper60' } }), 'breakerOverKit feedA.breakerA 70 60; breakerOverConductor feedA.breakerA 70 55; undivided feedA 40'],
  // A furnace is no compressor: 12 AWG stands behind 20 A.
  ['lineCircuits', 'breakerOverConductor of a furnace', () => finds('lineCircuits', gauged('feedA', 12, job('tallow-mill', { 'feedA.breakerA': 25 }))), 'breakerOverConductor feedA.breakerA 25 20'],
  ['lineCircuits', 'a furnace’s own twenty', () => finds('lineCircuits', gauged('feedA', 12, job('tallow-mill', { 'feedA.breakerA': 20 }))), ''],
  // Thermostat cable carries no line circuit.
  ['lineCircuits', 'conductorUnderMca of 18 AWG', () => finds('lineCircuits', gauged('feedB', 18), plates('od', { mca: 15 })), 'conductorUnderMca feedB od 0 15'],
  ['lineCircuits', 'conductorUnderLoad of a compressor without an MCA', () => finds('lineCircuits', noMca(gauged('feedB', 18), 'od'), plates('od', { compressorRla: 12, fanFla: 1 })), 'conductorUnderLoad feedB od 0 13'],
  ['lineCircuits', 'breakerOverConductor of 18 AWG: none at all', () => finds('lineCircuits', gauged('feedA', 18, job('tallow-mill', { 'feedA.breakerA': 15 }))).split('; ').at(-1)!, 'breakerOverConductor feedA.breakerA 15 0'],
  // 5 AWG is none of the table: it carries what 6 does, 65 A.
  ['lineCircuits', 'a gauge between two', () => finds('lineCircuits', gauged('feedA', 5, strips({ 'feedA.breakerA': 60 })), { ...plates('kit', { mca: 65 }), ...MARKED }), 'breakerUnderMca feedA.breakerA 60 65'],
  ['lineCircuits', 'a motor’s conductor may be smaller than its breaker', () => finds('lineCircuits', gauged('feedB', 14, strips({ 'feedB.breakerA': 30 })), MARKED), ''],

  ['tapFits', 'tapTooLow', () => finds('tapFits', strips({ 'ah.tap': 208 })), 'tapTooLow ah.tap 208 240'],
  ['tapFits', 'tapTooHigh', () => finds('tapFits', strips({ 'feedA.volts': 208 })), 'tapTooHigh ah.tap 240 208'],
  ['tapFits', '230 and 240 are one', () => finds('tapFits', strips({ 'feedA.volts': 230 })), ''],

  // 9.6 kW on a board that is set for 10, and the 15 % that are one size.
  ['lineCircuits', 'breakerUnderMca of a packaged unit', () => finds('lineCircuits', job('dovecote-lane'), { ...plates('od', { mca: 71 }), ...MARKED }), 'breakerUnderMca feedA.breakerA 70 71'],
  ['lineCircuits', 'breakerUnderMca of an electric furnace', () => finds('lineCircuits', job('tansy-street'), { ...plates('fur', { mca: 61 }), ...MARKED }), 'breakerUnderMca feedA.breakerA 60 61'],
  ['lineCircuits', 'a conductor of no gauge', () => finds('lineCircuits', ungauged('feedB'), plates('od', { mca: 20.1 })), ''],
  ['lineCircuits', 'an outdoor unit without an MCA', () => finds('lineCircuits', noMca(gauged('feedB', 14), 'od')), ''],
  ['stages', 'stageNotLanded of a second thermostat, beside one without such settings', () => finds('stages', both('quillfeather-lane', 'pennywort-close')), 'stageNotLanded other.compressorStages other.Y2; stageNotLanded other.backupStages other.W2'],
  ['stages', 'what is not known', () => finds('stages', job('pennywort-close', { 'tstat.compressorStages': null, 'tstat.backupStages': null })), ''],
  ['stages', 'stageNotLanded, and a setting whose terminal is not there', () => finds('stages', withoutEnd('tstat', 'Y2', lifted('pennywort-close', 'tstat.W2', 'ah.W2'))), 'stageNotLanded tstat.backupStages tstat.W2'],
  ['stages', 'stageNotSet', () => finds('stages', job('pennywort-close', { 'tstat.compressorStages': '1', 'tstat.backupStages': '1' })), 'stageNotSet tstat.compressorStages tstat.Y2; stageNotSet tstat.backupStages tstat.W2'],
  ['stages', 'one set and one landed', () => finds('stages', lifted('pennywort-close', 'tstat.Y2', 'ah.Y2', { 'tstat.compressorStages': '1' })), ''],
  ['plateAdds', 'plateMcaLow: more than a fortieth below', () => finds('plateAdds', strips(), plates('kit', { mca: 48.7 })), 'plateMcaLow kit. 48.7 50'],
  ['plateAdds', 'a fortieth below', () => finds('plateAdds', strips(), plates('kit', { mca: 48.8 })), ''],
  ['plateAdds', 'more than the sum is the plate’s own matter', () => finds('plateAdds', strips(), plates('kit', { mca: 60 })), ''],
  ['plateAdds', 'plateMcaLow with the blower on its plate: 1.25 × (40 + 3)', () => finds('plateAdds', strips(), plates('kit', { mca: 50, blowerFla: 3 })), 'plateMcaLow kit. 50 53.75'],
  // 1.25 × (10,000 / 240 + 2.3) + 13.8 + 1 = 69.8.
  ['plateAdds', 'plateMcaLow of a packaged unit, whose compressor runs with its strips', () => finds('plateAdds', job('dovecote-lane'), plates('od', { mca: 54 })), 'plateMcaLow od. 54 69.758'],
  ['plateAdds', 'and 70 is right', () => finds('plateAdds', job('dovecote-lane')), ''],
  ['plateAdds', 'strips on two circuits have a minimum for each', () => finds('plateAdds', twoFeeds(), plates('kit', { mca: 30 })), ''],
  ['noParallel', 'paralleled', () => finds('noParallel', twoTransformers('ah.R', 'x.R')), 'paralleled x.xfmr'],
  ['noParallel', 'two loose ends are not one', () => finds('noParallel', twoTransformers('ah.R', null, 'x.R', null)), ''],
  ['noParallel', 'nor two that begin nowhere', () => finds('noParallel', twoTransformers(null, 'ah.R', null, 'x.R')), ''],
  ['noParallel', 'commons that are joined', () => finds('noParallel', twoTransformers('ah.C', 'x.C')), ''],
  ['systemFamily', 'a thermostat without such a setting', () => finds('systemFamily', both('quillfeather-lane', 'tallow-mill')), ''],
  ['tapFits', 'no feed reaches it', () => finds('tapFits', unfed(strips({ 'ah.tap': 208 }))), ''],
  ['polarity', 'neutralCrossed: both crossed', () => finds('polarity', oneLeg('L1', 'N', 'N', 'L1')), 'neutralCrossed fur.N fur.L1'],
  ['polarity', 'neutralCrossed: the leg on both', () => finds('polarity', oneLeg('L1', 'L1', 'L1', 'N')), 'neutralCrossed fur.N fur.L1'],
  ['polarity', 'neutralCrossed: the neutral on both', () => finds('polarity', oneLeg('N', 'N', 'N', 'L1')), 'neutralCrossed fur.N fur.L1'],
  ['polarity', 'as it should be', () => finds('polarity', oneLeg('L1', 'L1', 'N', 'N')), ''],
  ['polarity', 'neutralCrossed: its neutral on the leg, its leg on nothing', () => finds('polarity', oneLeg('L1', 'N')), 'neutralCrossed fur.N fur.L1'],
  ['polarity', 'neutralCrossed: its leg on the neutral, its neutral on nothing', () => finds('polarity', oneLeg('N', 'L1')), 'neutralCrossed fur.N fur.L1'],
  ['polarity', 'neutralCrossed: its neutral on the second leg of a feed with a neutral', () => finds('polarity', threeWire()), 'neutralCrossed fur.N fur.L1'],
  ['kitSize', 'kitOther', () => finds('kitSize', plated(job('pennywort-close'), 'kit', { kilowatts: 8.4 })), 'kitNotListed ah. 8.4; kitOther ah.kitSize 10 8.4'],
  ['kitSize', 'kitOther the other way', () => finds('kitSize', plated(job('pennywort-close'), 'kit', { kilowatts: 11.6 })), 'kitNotListed ah. 11.6; kitOther ah.kitSize 10 11.6'],
  ['kitSize', 'kitOther by its rows, where no plate says', () => finds('kitSize', silent(job('pennywort-close', { 'kit.rowWatts': 4200 }), 'kit')), 'kitNotListed ah. 8.4; kitOther ah.kitSize 10 8.4'],
  ['kitSize', 'kitNotListed on a board that is told no size: 5, 9.6 and 15 are', () => finds('kitSize', plated(strips(), 'kit', { kilowatts: 20 })), 'kitNotListed ah. 20'],
  ['kitSize', 'by the plate of the kit as it was read', () => finds('kitSize', strips(), plates('kit', { kilowatts: 20 })), 'kitNotListed ah. 20'],
  ['kitSize', 'a list that was read on site stands over the library’s', () => finds('kitSize', plated(strips(), 'kit', { kilowatts: 20 }), plates('ah', { kits: [{ kilowatts: 20 }] })), ''],
  ['kitSize', 'a 9.6 kW kit is the 10 of a list', () => finds('kitSize', strips(), plates('ah', { kits: [{ kilowatts: 10 }] })), ''],
  ['kitSize', 'no list', () => finds('kitSize', plated(strips(), 'kit', { kilowatts: 20 }), plates('ah', { kits: [] })), ''],
  ['kitSize', 'one size', () => finds('kitSize', plated(job('pennywort-close'), 'kit', { kilowatts: 10.6 })), ''],

  ['staticClass', 'staticBelow', () => finds('staticClass', bus({ 'tstat.staticClass': '04' }), { staticInWc: 0.41 }), 'staticBelow tstat.staticClass 0.4 0.41'],
  ['staticClass', 'just its class', () => finds('staticClass', bus({ 'tstat.staticClass': '04' }), { staticInWc: 0.4 }), ''],
  ['staticClass', 'nothing measured', () => finds('staticClass', bus({ 'tstat.staticClass': '04' })), ''],

  ['stripHysteresis', 'stripReversed', () => finds('stripHysteresis', bus({ 'tstat.stripOn': 3, 'tstat.stripOff': 4 })), 'stripReversed tstat.stripOff tstat.stripOn 3 4'],
  ['stripHysteresis', 'stripTight where they are one', () => finds('stripHysteresis', bus({ 'tstat.stripOn': 3, 'tstat.stripOff': 3 })), 'stripTight tstat.stripOff tstat.stripOn 0 2'],
  ['stripHysteresis', 'stripTight', () => finds('stripHysteresis', bus({ 'tstat.stripOn': 4, 'tstat.stripOff': 2.5 })), 'stripTight tstat.stripOff tstat.stripOn 1.5 2'],
  ['stripHysteresis', 'two apart', () => finds('stripHysteresis', bus({ 'tstat.stripOn': 4, 'tstat.stripOff': 2 })), ''],
  ['stripHysteresis', 'stripTight by the device’s own gap', () => finds('stripHysteresis', plated(bus({ 'tstat.stripOn': 4, 'tstat.stripOff': 2 }), 'tstat', { leastStripGapF: 3 })), 'stripTight tstat.stripOff tstat.stripOn 2 3'],
  ['stripHysteresis', 'what is not known', () => finds('stripHysteresis', bus({ 'tstat.stripOn': null, 'tstat.stripOff': 3 })), ''],

  ['minimumOff', 'minimumOffShort', () => finds('minimumOff', strips({ 'tstat.minimumOff': 4 })), 'minimumOffShort tstat.minimumOff 4'],
  ['minimumOff', 'five minutes', () => finds('minimumOff', strips({ 'tstat.minimumOff': 5 })), ''],

  ['cycles', 'cyclesCompressor', () => finds('cycles', job('pennywort-close', { 'tstat.cyclesHeatPump': 4 })), 'cyclesCompressor tstat.cyclesHeatPump 4 3'],
  ['cycles', 'three an hour', () => finds('cycles', job('pennywort-close', { 'tstat.cyclesHeatPump': 3 })), ''],
  ['cycles', 'cyclesStrips', () => finds('cycles', job('pennywort-close', { 'tstat.cyclesBackup': 10 })), 'cyclesStrips tstat.cyclesBackup 10 9'],
  ['cycles', 'nine an hour', () => finds('cycles', job('pennywort-close', { 'tstat.cyclesBackup': 9 })), ''],
  ['cycles', 'cyclesBurner', () => finds('cycles', job('tallow-mill', { 'tstat.cyclesBackup': 4 })), 'cyclesBurner tstat.cyclesBackup 4 3'],

  ['droop', 'droopTight', () => finds('droop', job('pennywort-close', { 'tstat.droop': 1, 'tstat.stageDifferential': 1.5 })), 'droopTight tstat.droop tstat.stageDifferential 1 1.5'],
  ['droop', 'as wide as the differential', () => finds('droop', job('pennywort-close', { 'tstat.droop': 1.5, 'tstat.stageDifferential': 1.5 })), ''],
  ['droop', 'none at all', () => finds('droop', job('pennywort-close', { 'tstat.droop': 0, 'tstat.stageDifferential': 1.5 })), ''],

  ['earlyRecovery', 'earlyRecoveryWakes', () => finds('earlyRecovery', job('pennywort-close', { 'tstat.earlyRecovery': 'on' }), { answers: { sleepsByDay: 'yes' } }), 'earlyRecoveryWakes tstat.earlyRecovery'],
  ['earlyRecovery', 'earlyRecoveryWakes by its noise', () => finds('earlyRecovery', job('pennywort-close', { 'tstat.earlyRecovery': 'on' }), { answers: { noise: 'yes' } }), 'earlyRecoveryWakes tstat.earlyRecovery'],
  ['earlyRecovery', 'nobody minds', () => finds('earlyRecovery', job('pennywort-close', { 'tstat.earlyRecovery': 'on' })), ''],
  ['earlyRecovery', 'off', () => finds('earlyRecovery', job('pennywort-close', { 'tstat.earlyRecovery': 'off' }), { answers: { noise: 'yes' } }), ''],

  ['testsBlocked', 'lockBeforeTests', () => finds('testsBlocked', strips({ 'tstat.keypadLock': 'full' }), {}, false), 'lockBeforeTests tstat.keypadLock'],
  ['testsBlocked', 'after the tests it may be locked', () => finds('testsBlocked', strips({ 'tstat.keypadLock': 'full' })), ''],
  ['testsBlocked', 'stopBeforeTests', () => finds('testsBlocked', strips({ 'tstat.rangeHigh': 79 }), {}, false), 'stopBeforeTests tstat.rangeHigh 79'],
  ['testsBlocked', 'a stop that leaves room', () => finds('testsBlocked', strips({ 'tstat.rangeHigh': 80 }), {}, false), ''],

  ['systemFamily', 'fuelSetNoBurner', () => finds('systemFamily', job('pennywort-close', { 'tstat.system': 'dualFuel' })), 'fuelSetNoBurner tstat.system'],
  ['systemFamily', 'burnerNotSet', () => finds('systemFamily', job('tallow-mill', { 'tstat.system': 'heatPump' })), 'burnerNotSet tstat.system'],
  ['systemFamily', 'a kit that is in charge', () => finds('systemFamily', as(job('tallow-mill', { 'tstat.system': 'heatPump' }), 'sen', (p) => ({ ...p, device: libraryDevice('sedge-f2'), settings: {} }))), ''],

  ['backupSourceWrong', 'electricWithFurnace', () => finds('backupSourceWrong', job('tallow-mill', { 'tstat.backupSource': 'electric' })), 'electricWithFurnace tstat.backupSource'],
  ['backupSourceWrong', 'fuelWithStrips', () => finds('backupSourceWrong', job('pennywort-close', { 'tstat.backupSource': 'gas' })), 'fuelWithStrips tstat.backupSource'],
  ['backupSourceWrong', 'what is not known', () => finds('backupSourceWrong', job('pennywort-close', { 'tstat.backupSource': null })), ''],
  ['backupSourceWrong', 'gasWithLp', () => finds('backupSourceWrong', job('tallow-mill', { 'fur.fuel': 'lp' })), 'gasWithLp tstat.backupSource'],
  ['backupSourceWrong', 'LP with LP', () => finds('backupSourceWrong', job('tallow-mill', { 'fur.fuel': 'lp', 'tstat.backupSource': 'lp' })), ''],
  ['backupSourceWrong', 'oil with oil', () => finds('backupSourceWrong', job('candlemaker-yard', { 'tstat.backupSource': 'oil' })), ''],
  ['backupSourceWrong', 'gasWithOil, and LP likewise', () => finds('backupSourceWrong', job('candlemaker-yard', { 'tstat.backupSource': 'lp' })), 'gasWithOil tstat.backupSource'],

  ['valveSense', 'valveSense', () => finds('valveSense', job('pennywort-close', { 'od.rvSense': 'heating' })), 'valveSense tstat.rvSense od.rvSense'],
  ['valveSense', 'neither is known', () => finds('valveSense', job('pennywort-close', { 'od.rvSense': null })) + finds('valveSense', job('pennywort-close', { 'tstat.rvSense': null })), ''],
  ['valveSense', 'both the other way', () => finds('valveSense', job('pennywort-close', { 'od.rvSense': 'heating', 'tstat.rvSense': 'heating' })), ''],

  ['noPower', 'noPower', () => finds('noPower', lifted('quillfeather-lane', 'tstat.C', 'ah.C')), 'noPower tstat.C'],
  ['noPower', 'a battery', () => finds('noPower', plated(lifted('quillfeather-lane', 'tstat.C', 'ah.C'), 'tstat', { battery: true })), ''],

  ['emergencyPath', 'eNotLanded', () => finds('emergencyPath', lifted('quillfeather-lane', 'tstat.E', 'ah.W2')), 'eNotLanded tstat.auxWithE tstat.E'],
  ['emergencyPath', 'eLandedTogether', () => finds('emergencyPath', strips({ 'tstat.auxWithE': 'together' })), 'eLandedTogether tstat.auxWithE tstat.E'],
  ['emergencyPath', 'together and not landed', () => finds('emergencyPath', lifted('quillfeather-lane', 'tstat.E', 'ah.W2', { 'tstat.auxWithE': 'together' })), ''],

  ['stages', 'stageNotLanded', () => finds('stages', lifted('pennywort-close', 'tstat.W2', 'ah.W2')), 'stageNotLanded tstat.backupStages tstat.W2'],
  ['stages', 'stageNotSet', () => finds('stages', job('pennywort-close', { 'tstat.backupStages': '1' })), 'stageNotSet tstat.backupStages tstat.W2'],
  ['stages', 'what is not known', () => finds('stages', job('pennywort-close', { 'tstat.backupStages': null })), ''],
  ['stages', 'one and not landed', () => finds('stages', lifted('pennywort-close', 'tstat.Y2', 'ah.Y2', { 'tstat.compressorStages': '1' })), ''],

  ['inCharge', 'noneInCharge', () => finds('inCharge', job('tallow-mill', { 'tstat.inCharge': 'kit' })), 'noneInCharge tstat.inCharge'],
  ['inCharge', 'stageNoInterlock', () => finds('inCharge', job('tallow-mill', { 'tstat.inCharge': 'stage' })), 'stageNoInterlock tstat.inCharge'],
  ['inCharge', 'no dual fuel, nobody in charge', () => finds('inCharge', job('tallow-mill', { 'tstat.inCharge': 'kit', 'tstat.system': 'heatPump' })), ''],

  ['heatGap', 'heatGap', () => finds('heatGap', job('tallow-mill', { 'tstat.useCompressorLockout': 'on', 'tstat.compressorLockout': 30, 'tstat.useAuxLockout': 'on', 'tstat.auxLockout': 29 })), 'heatGap tstat.auxLockout tstat.compressorLockout 29 30'],
  ['heatGap', 'they meet', () => finds('heatGap', job('tallow-mill', { 'tstat.useCompressorLockout': 'on', 'tstat.compressorLockout': 30, 'tstat.useAuxLockout': 'on', 'tstat.auxLockout': 30 })), ''],
  ['heatGap', 'one of them off', () => finds('heatGap', job('tallow-mill', { 'tstat.useCompressorLockout': 'off', 'tstat.compressorLockout': 30, 'tstat.useAuxLockout': 'on', 'tstat.auxLockout': 20 })) + finds('heatGap', job('tallow-mill', { 'tstat.useCompressorLockout': 'on', 'tstat.compressorLockout': 30, 'tstat.useAuxLockout': 'off', 'tstat.auxLockout': 20 })), ''],

  ['lockoutSource', 'lockoutNoSource for each that is on', () => finds('lockoutSource', job('pennywort-close', { 'tstat.useAuxLockout': 'on', 'tstat.useCompressorLockout': 'on' })), 'lockoutNoSource tstat.useCompressorLockout tstat.outdoorSource; lockoutNoSource tstat.useAuxLockout tstat.outdoorSource'],
  ['lockoutSource', 'none is on', () => finds('lockoutSource', job('pennywort-close')), ''],
  ['lockoutSource', 'changeoverNoSource', () => finds('lockoutSource', job('tallow-mill', { 'tstat.outdoorSource': 'none' })), 'changeoverNoSource tstat.outdoorSource tstat.system'],
  ['lockoutSource', 'a sensor that is shown and no more', () => finds('lockoutSource', job('tallow-mill', { 'tstat.outdoorSource': 'display' })), 'changeoverNoSource tstat.outdoorSource tstat.system'],
  ['sensor', 'a sensor that is shown and no more', () => finds('sensor', job('tallow-mill', { 'tstat.outdoorSource': 'display' })), ''],
  ['heatGap', 'lockouts that nothing feels', () => finds('heatGap', job('tallow-mill', { 'tstat.outdoorSource': 'display', 'tstat.useCompressorLockout': 'on', 'tstat.compressorLockout': 30, 'tstat.useAuxLockout': 'on', 'tstat.auxLockout': 20 })), ''],
  ['lockoutSource', 'a kit decides', () => finds('lockoutSource', job('tallow-mill', { 'tstat.outdoorSource': 'none', 'tstat.inCharge': 'kit' })), ''],

  ['sensor', 'sensorNotLanded', () => finds('sensor', job('pennywort-close', { 'tstat.outdoorSource': 'wired' })), 'sensorNotLanded tstat.outdoorSource tstat.S1'],
  ['sensor', 'sensorNotLanded where one of two is', () => finds('sensor', lifted('tallow-mill', 'tstat.S2', 'spl4.x')), 'sensorNotLanded tstat.outdoorSource tstat.S2'],
  ['sensor', 'sensorNotSet', () => finds('sensor', job('tallow-mill', { 'tstat.outdoorSource': 'feed' })), 'sensorNotSet tstat.outdoorSource tstat.S1'],
  ['sensor', 'sensorOpen at the other end', () => finds('sensor', lifted('tallow-mill', 'sen.S2', 'spl4.x')), 'sensorOpen tstat.S2 tstat.outdoorSource'],
  ['sensor', 'what is not known', () => finds('sensor', job('tallow-mill', { 'tstat.outdoorSource': null })), ''],

  ['feedNotOnline', 'feedNotOnline', () => finds('feedNotOnline', job('candlemaker-yard')), 'feedNotOnline tstat.outdoorSource'],
  ['feedNotOnline', 'seen online', () => finds('feedNotOnline', job('candlemaker-yard'), ONLINE), ''],
  ['profileMisfit', 'profileMisfit', () => finds('profileMisfit', strips(), plates('tstat', { model: ' H9 ' })), 'profileMisfit tstat.'],
  ['profileMisfit', 'nobody read it', () => finds('profileMisfit', strips(), plates('tstat', { model: ' ' })), ''],

  ['factorySettings', 'factoryLeft', () => finds('factorySettings', job('copper-alley', { 'od.boost': 'on' })), 'factoryLeft od.boost'],
  ['factorySettings', 'asked for', () => finds('factorySettings', job('copper-alley', { 'od.boost': 'on' }), { answers: { complaint: 'weakHeat' } }), ''],
  ['factorySettings', 'asked for by the climate', () => finds('factorySettings', job('copper-alley', { 'od.longDefrost': 'on' }), { answers: { climate: 'humidCool' } }), ''],
  ['factorySettings', 'factoryLeft: another complaint asks for something else', () => finds('factorySettings', job('copper-alley', { 'od.longDefrost': 'on' }), { answers: { complaint: 'weakHeat' } }), 'factoryLeft od.longDefrost'],
  ['factorySettings', 'not known', () => finds('factorySettings', job('copper-alley', { 'od.boost': null })), ''],

  ['pairing', 'unpaired', () => finds('pairing', strips(), { plates: { od: { tons: 4 }, ah: { tons: 3 } } }), 'unpaired od. ah. 4 3'],
  ['pairing', 'alike', () => finds('pairing', strips(), { plates: { od: { tons: 3 }, ah: { tons: 3 } } }), ''],
  // 1.25 × 13.6 + 0.8 = 17.8.
  ['plateAdds', 'plateMca', () => finds('plateAdds', strips(), plates('od', { mca: 25 })), 'plateMca od. 25 13.6 0.8 17.8'],
  ['plateAdds', 'an inverter’s is no sum', () => finds('plateAdds', job('copper-alley'), plates('od', { mca: 25 })), ''],
  ['plateAdds', 'plateKilowatts', () => finds('plateAdds', strips(), plates('kit', { kilowatts: 15 })), 'plateKilowatts kit. 15 9.6'],
  ['spareLeft', 'noSpare', () => finds('spareLeft', { ...strips(), wires: strips().wires.filter((w) => w.a !== null || w.b !== null) }).split(' ')[0]!, 'noSpare'],
  ['togetherAhead', 'togetherAhead', () => finds('togetherAhead', job('tallow-mill', { 'tstat.together': 'yes' })), 'togetherAhead tstat.together'],
  ['togetherAhead', 'strips behind the coil may', () => finds('togetherAhead', job('pennywort-close', { 'tstat.together': 'yes' })), ''],
  ['selectorMatches', 'busOpen', () => {
    const inst = bus()
    return finds('selectorMatches', without(inst, wireBetween(inst, 'ah.D1', 'od.D1').id)).split(' ')[0]!
  }, 'busOpen'],
] // prettier-ignore

describe('a rule over gear, wiring and settings, at its edges', () => {
  it.each(TABLE)('%s, %s', (_, __, find, expected) => expect(find()).toBe(expected))
})
