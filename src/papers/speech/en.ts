import { format } from 'date-fns'
import { dateWords } from '@/words'
import type { BackupName, Speech } from './speech'

const readings = (n: number): string => `${n} ${n === 1 ? 'reading' : 'readings'}`
const SOURCE: Record<BackupName, string> = { strips: 'the electric strips', furnace: 'the furnace' }
/** "about 2.8 times the heat pump’s" */
const ofHeatPump = (times: number): string =>
  times >= 0.95 && times <= 1.05
    ? 'about the heat pump’s'
    : times < 1
      ? `about ${Math.round(times * 100)} % of the heat pump’s`
      : `about ${Math.round(times * 10) / 10} times the heat pump’s`

/** English. */
export const en: Speech = {
  lang: 'en',
  name: 'English',
  labels: {
    report: 'Start-up report',
    atAGlance: 'In a minute',
    whatItIs: 'What it is',
    proven: 'What was proven',
    gear: 'Gear',
    landing: 'As it is landed',
    schedule: 'Landing schedule',
    settings: 'Settings as left',
    run: 'Test run',
    readings: 'Readings',
    kit: 'Backup heat and line circuits',
    crossing: 'Who heats when, and why',
    putBack: 'Stood otherwise for a test',
    safety: 'Safety',
    signatures: 'Signatures',
    broken: 'Broken',
    look: 'Worth a look',
    undecided: 'Undecided',
    holds: 'Holds',
    open: 'What is open',
    nothingOpen: 'Nothing is open.',
    notTried: 'Not tried',
    noCards: 'No card of the test run was ended.',
    noReadings: 'No readings were taken.',
    nothingKeyed: 'Nothing was keyed in on this visit.',
    conductor: 'Conductor',
    from: 'From',
    to: 'To',
    notLanded: 'not landed',
    notChecked: 'not checked',
    jumper: 'jumper',
    setting: 'Setting',
    found: 'As found',
    left: 'As left',
    readBack: 'Read back',
    who: 'By',
    reading: 'Reading',
    verdict: 'Held against',
    taken: 'Taken',
    nobody: 'nobody named',
    technician: 'Technician',
    licence: 'Licence',
    arrived: 'Arrived',
    departed: 'Left',
    lastReading: 'Last reading',
    noReadingsYet: 'No readings yet',
    serial: 'serial',
    model: 'model',
    notKnown: 'not known',
    superseded: 'Superseded',
    check: 'Check, cheapest first:',
    note: 'Note:',
    row: 'Row',
    circuits: 'Line circuits',
    lockOut: 'Before a cabinet is opened',
    bankTable: 'Bank table',
    live: 'Live',
    rowsOn: 'Rows on',
    gate: 'Gate',
    setAt: 'Set at',
    why: 'Why',
    decides: 'It decides who heats, as wired and set.',
    holdsNothing: 'It holds nothing as things stand.',
    isOff: 'Off at present.',
    wasPutBack: 'put back by',
    stillOpen: 'still to be put back',
    signedThis: 'Signed for what stands in this report.',
    changedSince: 'Something was changed after it was signed.',
    withdrawn: 'Withdrawn',
    notSigned: 'Not signed.',
    makersWin:
      'The makers’ instructions, local code and the authority having jurisdiction win over anything in this report. The proof covers the wiring and settings recorded here, not what was not recorded.',
    caution:
      'Two or more supplies may feed one cabinet: open, lock and meter dead every one. Capacitors hold charge. Elements stay hot; strips never run without air. Gas and refrigerant are for the licensed and certified. In emergency the compressor is off: do not leave anyone without heat.',
    page: 'Page',
    cabinetCard: 'Cabinet card',
    codes: 'Codes as left',
    pins: 'Switches and pins',
    whenNew: 'Read when new',
    gates: 'Gates',
    balance: 'Balance point',
    scan: 'Scan it in Gate Cross: the landing, the settings and the readings are in it, with no signal.',
    scanAll: 'All of this card’s landing, settings and readings are in it.',
    notInCode: 'Not in the code:',
    ownersCard: 'How your heating is set',
    costs: 'What it costs',
  },
  roles: { technician: 'Technician', owner: 'Owner', inspector: 'Inspector' },
  verdicts: { right: 'Right', watch: 'Look again', wrong: 'Wrong', unjudged: 'Recorded' },
  cards: { done: 'Done', failed: 'Failed', notTestable: 'Not testable', waiting: 'Waiting for weather' },
  read: ({ all, right, watch, wrong, unjudged }) =>
    all === 0
      ? 'No readings yet.'
      : `${readings(all)}: ${[
          [right, 'right'],
          [watch, 'to look at again'],
          [wrong, 'wrong'],
          [unjudged, 'recorded, held against nothing'],
        ]
          .filter(([n]) => n !== 0)
          .map(([n, what]) => `${n} ${what}`)
          .join(', ')}.`,
  day: (at) => format(at, 'd MMMM yyyy'),
  moment: (at) => dateWords(at, 'd MMM yyyy HH:mm'),
  balanceAt: (at) => `The heat pump alone carries the house down to ${at}.`,
  owner: {},
  auxCosts: (times, at, source) =>
    `When the wall shows AUX, ${source === 'strips' ? 'the electric strips help' : 'the furnace heats instead of the heat pump'}. At ${at} outside the same warmth then costs ${ofHeatPump(times)}.`,
  cheaperAbove: (at) =>
    `At today’s prices the heat pump is the cheaper heat above ${at} outside, the furnace below it.`,
  emergencyCosts: (times, source) =>
    `Emergency heat is for a heat pump that has failed: then ${SOURCE[source]} ${source === 'strips' ? 'heat' : 'heats'} alone${times === null ? ', and it costs more' : `, at ${ofHeatPump(times)} cost`}. Call us when you need it.`,
}
