import * as yup from 'yup'
import { list, named, optional, publish, record, shape } from '@/jobfile'

const str = () => yup.string().defined()
const num = () => yup.number().defined()
const bool = () => yup.boolean().defined()
/** With what stood before, where that decides how the relays rest. */
const situation = (): yup.ObjectSchema<object> =>
  shape({
    call: str(),
    outdoorF: num(),
    modes: record(str()),
    after: optional(named('situation', situation)),
  })
const finding = () =>
  shape({
    rule: str(),
    code: str(),
    severity: str(),
    words: str(),
    at: str(),
    also: list(str()),
    numbers: list(num()),
    witness: situation().nullable(),
    path: list(str()),
    dependsOn: list(str()),
    because: list(str()),
  })
const undecided = () =>
  shape({
    rule: str(),
    code: str().nullable(),
    unknown: list(str()),
    words: str(),
    witness: situation().nullable(),
  })
const gate = () => shape({ at: str(), side: str(), state: str(), name: str(), reason: str() })

const sumsFields = () => ({
  hours: num(),
  heatPumpKwh: num(),
  stripKwh: num(),
  blowerKwh: num(),
  fuelBtu: num(),
  compressorHours: num(),
  stripHours: num(),
  burnerHours: num(),
  backupHours: record(num()),
  starts: num(),
  shortestOffSeconds: num().nullable(),
  defrosts: num(),
  defrostsByTime: num(),
  mostFrostLb: num(),
  coldestF: num(),
  coldestAt: num(),
  belowHours: num(),
})

/** A temperature down to which something holds. */
const downTo = () => ({ known: bool(), downToF: num().nullable(), always: bool() })
/** The sums of a year. */
const year = () => ({
  cost: num().nullable(),
  kwh: num().nullable(),
  heatPumpKwh: num().nullable(),
  stripKwh: num(),
  fuel: num(),
  backupHours: num(),
  unmetDegreeHours: num(),
  peakKw: num().nullable(),
  heatPumpStarts: num(),
  backupStarts: num(),
  coldDefrostMinutes: num(),
  coldAirHours: num(),
})

/** The shape of every `--json` answer, made when it is asked for. `gatecross schema NAME` prints it as JSON Schema. */
export const ANSWERS = {
  check: () =>
    shape({
      ok: bool(),
      verdict: str(),
      rules: num(),
      states: num(),
      assumed: list(str()),
      findings: list(finding()),
      undecided: list(undecided()),
    }),
  sweep: () =>
    shape({
      states: num(),
      factors: shape({
        calls: num(),
        temperatures: num(),
        mostModes: num(),
        assumptions: num(),
        otherRests: num(),
      }),
      rules: list(shape({ rule: str(), result: str(), words: str() })),
    }),
  state: () =>
    shape({
      situation: situation(),
      settled: bool(),
      cycle: list(str()),
      running: list(str()),
      open: list(str()),
      terminals: list(shape({ terminal: str(), volts: num(), state: str() })),
      overcurrents: list(shape({ ref: str(), amps: num(), limitA: num() })),
    }),
  chain: () =>
    shape({
      target: str(),
      running: str(),
      words: str(),
      first: num().nullable(),
      gates: list(gate()),
      route: list(str()),
    }),
  meter: () =>
    shape({
      from: str(),
      to: str(),
      volts: num(),
      meterOhms: num(),
      hangsOn: list(str()),
      situation: situation(),
    }),
  plan: () =>
    shape({
      sentence: str(),
      wires: list(shape({ cable: str().nullable(), colour: str(), a: str(), b: str(), why: str() })),
      spares: list(shape({ cable: str(), left: num() })),
      short: list(shape({ cable: str(), by: num() })),
      apart: list(list(str())),
      gaveUp: list(str()),
      notLanded: list(str()),
      settings: list(shape({ placed: str(), setting: str(), value: str(), why: str(), words: str() })),
      unmet: list(shape({ what: str(), words: str() })),
      differences: list(shape({ kind: str(), words: str() })),
    }),
  failures: () =>
    shape({
      effects: list(
        shape({
          failure: str(),
          at: str(),
          state: str(),
          effect: str(),
          rule: str().nullable(),
          words: str(),
          shows: str(),
        }),
      ),
    }),
  crossing: () =>
    shape({
      sentences: list(str()),
      wanted: list(str()),
      loadLine: shape({ way: str(), slope: num(), noHeatF: num() }).nullable(),
      balance: shape(downTo()),
      emergency: shape(downTo()),
      breakEven: shape({ cop: num(), ...downTo() }).nullable(),
      design: shape({
        outdoorF: num(),
        loadBtuh: num(),
        capacityBtuh: num(),
        heldOff: bool(),
        cools: bool(),
        lacksKw: num(),
        kitKw: num(),
        furnaceBtuh: num(),
        together: bool(),
      }).nullable(),
      sharing: list(
        shape({
          from: num(),
          to: num(),
          heatPump: bool(),
          kitKw: num(),
          furnace: bool(),
          together: bool(),
        }),
      ),
      year: shape(year()).nullable(),
      schools: list(shape({ school: str(), ...year() })),
      recommended: str().nullable(),
    }),
  kit: () =>
    shape({
      kits: list(
        shape({
          kit: str(),
          volts: num(),
          rows: list(shape({ ref: str(), row: num(), ohms: num(), amps: num(), kw: num() })),
          banks: list(shape({ inputs: list(str()), rows: list(num()) })),
        }),
      ),
      circuits: list(
        shape({
          feed: str(),
          feeds: list(str()),
          requiredA: num(),
          breakerA: num().nullable(),
          gauge: num().nullable(),
          words: str(),
          notes: list(str()),
        }),
      ),
      advice: list(str()),
      readings: list(str()),
      notKnown: list(str()),
    }),
  startup: () =>
    shape({
      broken: list(str()),
      cards: list(
        shape({
          id: str(),
          title: str(),
          call: str(),
          steps: list(str()),
          moved: list(shape({ at: str(), value: str() })),
          runs: list(str()),
          stays: list(str()),
          open: list(str()),
          today: str().nullable(),
          can: bool(),
          steady: num(),
        }),
      ),
    }),
  wait: () =>
    shape({
      call: str(),
      steady: num(),
      settled: bool(),
      waits: list(
        shape({
          load: str(),
          on: bool(),
          seconds: num(),
          held: list(shape({ ref: str(), seconds: num() })),
        }),
      ),
      untimed: list(str()),
      words: list(str()),
    }),
  run: () =>
    shape({
      scene: str(),
      ended: str(),
      until: num(),
      events: list(
        shape({
          at: num(),
          what: list(str()),
          why: list(str()),
          running: list(str()),
          call: str(),
          words: str(),
        }),
      ),
      room: list(
        shape({
          at: num(),
          roomF: num(),
          targetF: num(),
          outdoorF: num(),
          coilF: num(),
          supplyF: num(),
          frostLb: num(),
        }),
      ),
      sums: shape(sumsFields()),
      notes: list(str()),
      untimed: list(str()),
    }),
  winter: () =>
    shape({
      known: bool(),
      days: num(),
      ended: str(),
      cost: num().nullable(),
      sums: shape(sumsFields()),
      words: list(str()),
    }),
  judge: () =>
    shape({
      readings: list(
        shape({
          id: str(),
          kind: str(),
          value: str(),
          verdict: str(),
          held: str(),
          low: num().nullable(),
          high: num().nullable(),
          causes: list(str()),
        }),
      ),
    }),
  supplies: () =>
    shape({
      cabinets: list(
        shape({
          where: str(),
          devices: list(str()),
          supplies: list(shape({ feed: str(), stillLive: list(str()), still24: list(str()) })),
          controlFrom: list(str()),
          neverDead: list(str()),
          stored: str(),
          prove: list(list(str())),
        }),
      ),
    }),
  conflicts: () =>
    shape({
      conflicts: list(
        shape({
          rule: str(),
          code: str(),
          severity: str(),
          at: list(str()),
          words: str(),
          clear: shape({ at: str(), value: str() }).nullable(),
        }),
      ),
    }),
  sheet: () =>
    shape({
      device: str(),
      fits: list(str()),
      changes: num(),
      lines: list(
        shape({
          kind: str(),
          code: str(),
          address: str(),
          setting: str(),
          from: str(),
          to: str(),
          toCode: str(),
          words: str(),
          keys: str(),
        }),
      ),
      cannot: list(str()),
    }),
  changed: () => shape({ ok: bool(), changed: list(str()) }),
  problems: () => shape({ ok: bool(), problems: list(shape({ path: str(), expected: str(), got: str() })) }),
}
export type AnswerName = keyof typeof ANSWERS

/** An answer's JSON Schema. */
export const answerSchema = (name: AnswerName): Record<string, unknown> =>
  publish(ANSWERS[name](), `Gate Cross answer: ${name}`)
