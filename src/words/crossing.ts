import type {
  CrossingView,
  DownTo,
  GateIntent,
  RecommendedSchool,
  SchoolYear,
  MissingInput,
} from '@/core/crossing'
import {
  BTU_PER_KWH,
  loadAt,
  type BillFuel,
  type Climate,
  type Fuel,
  type HouseValue,
  type LoadLine,
  type LoadWay,
  type ValueSource,
} from '@/core/house'
import { degrees, figure, whole } from './numbers'
import { STRATEGY_WORDS } from './setup'

export const HOUSE_WORDS: Record<HouseValue, string> = {
  indoorF: 'Held indoors, °F',
  noHeatF: 'No heat wanted above, °F',
  designLoad: 'Design load, BTU/h',
  designF: 'Outdoor design temperature, °F',
  ua: 'Loss a degree, BTU/h·°F',
  gains: 'Gains from people and sun, BTU/h',
  runShare: 'Share of the time it ran, 0 to 1',
  runKwh: 'Drew meanwhile, kWh',
  runHours: 'Over, hours',
  runF: 'Outdoors meanwhile, °F',
  billsYear: 'Used in a year, kWh, therms or gallons',
  billsSummerMonth: 'Used in a summer month',
  billsEfficiency: 'Efficiency of what burned it, or COP',
  degreeDays: 'Degree-days that year, °F·day',
  altitudeFt: 'Altitude, ft',
  cfmFan: 'CFM, fan',
  cfmLow: 'CFM, low',
  cfmHigh: 'CFM, high',
  cfmHeat: 'CFM, heat',
  defrostMinutes: 'A defrost lasts, min',
  serviceA: 'Main breaker, A',
  areaFt2: 'Floor area, ft²',
  applianceVa: 'Fastened appliances, VA',
  peakKw: 'Highest demand of the year, kW',
}
export const SOURCE_WORDS: Record<ValueSource, string> = {
  typed: 'typed',
  plate: 'from the plate',
  measured: 'measured',
  estimated: 'estimated',
  device: 'from the device',
}
export const WAY_WORDS: Record<LoadWay, { name: string; how: string }> = {
  run: {
    name: 'Measured run',
    how: 'run share times capacity there, or an inverter’s kWh times COP over the hours',
  },
  bills: {
    name: 'Bills',
    how: 'a year’s fuel less its summer base, times efficiency, over 24 hours and the degree-days',
  },
  design: { name: 'Design load', how: 'the load over the degrees from no heat to the design temperature' },
  ua: {
    name: 'Loss and gains',
    how: 'the loss a degree; gains move the temperature from which nothing heats',
  },
}
/** A gate on the picture, as short as it goes. */
export const GATE_SHORT: Record<GateIntent, string> = {
  compressorLockout: 'heat pump off below',
  auxLockout: 'aux off above',
  outdoorSwitch: 'outdoor thermostat',
  changeover: 'changeover',
}
export const BILL_FUEL_WORDS: Record<BillFuel, string> = {
  electric: 'Electricity',
  gas: 'Natural gas',
  lp: 'LP',
  oil: 'Oil',
}
export const CLIMATE_WORDS: Record<Climate, string> = {
  mildWet: 'Mild and wet',
  mixed: 'Mixed',
  coldDry: 'Cold and dry',
}
export const FUEL_UNIT: Record<Fuel, string> = { gas: 'therms', lp: 'gal of LP', oil: 'gal of oil' }
const FUEL_WORDS: Record<Fuel, string> = { gas: 'gas', lp: 'LP', oil: 'oil' }

const WANTED_WORDS: Record<MissingInput, string> = {
  load: 'the house’s load, by any of four ways',
  ratings: 'the outdoor unit’s capacity at 47 and 17 °F',
  climate: 'a climate',
  design: 'the outdoor design temperature',
  kwh: 'the price of a kWh',
  fuelPrice: 'the price of the fuel',
  burner: 'the furnace’s input and efficiency',
}
/** Missing inputs as a sentence; null: nothing is missing. */
export const missingInputsSentence = (wanted: readonly MissingInput[]): string | null =>
  wanted.length ? `Not known yet: ${wanted.map((w) => WANTED_WORDS[w]).join('; ')}.` : null

const kilowatts = (btuh: number): string => `${figure(btuh / BTU_PER_KWH)} kW`
export const btuh = (n: number): string => `${whole(n)} BTU/h`
/** An amount of money, with its sign where one is set. */
export const money = (n: number | null, currency = ''): string =>
  n === null ? 'not known' : `${currency}${whole(n)}`

/** A sentence of the answer, and the arithmetic that it opens to. */
export interface AnswerLine {
  id: 'balance' | 'design' | 'emergency' | 'breakEven' | 'year' | 'lines' | 'unsure'
  text: string
  how: string
  /** It calls for somebody. */
  grave?: boolean
}

const downTo = (t: DownTo): string =>
  t === null
    ? 'at every temperature that it may run at'
    : t === 'never'
      ? 'at no temperature'
      : `down to ${degrees(Math.round(t))}`

const lineHow = (line: LoadLine): string =>
  `The house wants ${figure(line.slope)} BTU/h for each degree below ${figure(line.noHeatF)} °F` +
  `${line.noHeatAssumed ? ' (the usual no-heat temperature)' : ''}, by ${WAY_WORDS[line.way].name.toLowerCase()}: ${WAY_WORDS[line.way].how}.`

const curveHow = (v: CrossingView): string =>
  v.unit?.fromTons
    ? 'Its capacity is what units of its tons usually have: an estimate, until its ratings are typed.'
    : v.unit?.frostEstimated
      ? 'Capacity runs in straight lines through its ratings; 10 % off at 35 °F for frost is an estimate, for want of a rating there.'
      : 'Capacity runs in straight lines through its ratings.'

/** The Balance page's first answer, in sentences. */
export function crossingAnswer(v: CrossingView, currency = ''): AnswerLine[] {
  const said: AnswerLine[] = []
  const add = (line: AnswerLine | null) => line && said.push(line)
  add(balanceLine(v))
  add(designLine(v))
  add(emergencyLine(v))
  add(breakEvenLine(v))
  add(yearLine(v, currency))
  add(spreadLine(v))
  add(unsureLine(v))
  return said
}

function balanceLine(v: CrossingView): AnswerLine | null {
  if (v.balanceF === undefined || !v.line) return null
  const carries =
    v.balanceF === 'never' ? 'carries the house at no temperature' : `carries the house ${downTo(v.balanceF)}`
  const heats = v.sharing.some((s) => s.heatPump)
  return {
    id: 'balance',
    text: heats
      ? `The heat pump alone ${carries}.`
      : `As wired, the heat pump doesn’t heat. By its plate it ${carries}.`,
    grave: !heats,
    how: `${lineHow(v.line)} ${curveHow(v)} Where the two meet is the balance point.`,
  }
}

function designLine(v: CrossingView): AnswerLine | null {
  const { design: d } = v
  if (!d) return null
  const where = `At ${degrees(d.outdoorF)}`
  const how =
    `${where}${v.designFromClimate ? ' (the coldest hundredth of the climate’s hours)' : ''} the house wants ` +
    `${btuh(d.loadBtuh)} and the heat pump gives ${btuh(d.capacityBtuh)}${d.heldOff ? ', as wired and set' : ''}; ` +
    `the difference over 3,412 is ${figure(d.lacksKw)} kW.`
  if (d.cools)
    return {
      id: 'design',
      text: `${where} the compressor cools on a heat call. With what it takes away the house needs ${figure(d.lacksKw)} kW; ${v.fuel ? `the furnace has ${kilowatts(d.furnaceBtuh)}` : `the strips have ${figure(d.kitKw)}`}.`,
      how,
      grave: true,
    }
  if (d.lacksKw < 0.05) return { id: 'design', text: `${where} it lacks nothing.`, how }
  const backup = v.fuel ? 'the furnace' : 'strips'
  const wants = figure(d.loadBtuh / BTU_PER_KWH)
  const lacks = d.heldOff
    ? `${where} nothing lets the heat pump heat, so ${wants} kW must come from ${backup}`
    : d.together
      ? `${where} it lacks ${figure(d.lacksKw)} kW`
      : `${where} it lacks ${figure(d.lacksKw)} kW of ${wants}, and takes turns with ${backup}`
  const has = v.fuel
    ? d.furnaceBtuh > 0
      ? `the furnace has ${kilowatts(d.furnaceBtuh)}`
      : 'the furnace’s output is not known, or nothing brings it on'
    : d.kitKw > 0
      ? `the strips that may run there have ${figure(d.kitKw)}`
      : 'no strips may run there'
  const kw = v.fuel ? d.furnaceBtuh / BTU_PER_KWH : d.kitKw
  // A source that runs alone has to carry the whole load.
  const enough = d.together && !d.heldOff ? kw >= d.lacksKw : kw * BTU_PER_KWH >= d.loadBtuh
  return { id: 'design', text: `${lacks}; ${has}.`, how, grave: !enough }
}

function emergencyLine(v: CrossingView): AnswerLine | null {
  if (v.emergencyF === undefined) return null
  const what = v.fuel ? 'the furnace' : `the kit’s ${figure(v.emergencyKitKw)} kW`
  const text =
    v.emergencyF === null
      ? `With the heat pump dead ${what} holds the house as cold as it gets.`
      : v.emergencyF === 'never'
        ? `With the heat pump dead ${what} does not hold the house at all.`
        : `With the heat pump dead ${what} holds the house ${downTo(v.emergencyF)}.`
  return {
    id: 'emergency',
    text: text.replace('kW holds', 'kW hold'),
    how: v.fuel
      ? `Emergency heat brings the burner: ${btuh(v.burner?.outputBtuh ?? 0)} against the load.`
      : `Emergency heat brings ${figure(v.emergencyKitKw)} kW as wired, ${btuh(v.emergencyKitKw * BTU_PER_KWH)} against the load.`,
  }
}

function breakEvenLine(v: CrossingView): AnswerLine | null {
  if (!v.fuel)
    return v.unit
      ? {
          id: 'breakEven',
          text: 'Against strips the heat pump is cheaper wherever it runs.',
          how: 'A kWh in a strip is 3,412 BTU; in a heat pump it is that times its COP, which is above 1.',
        }
      : null
  if (!v.breakEven) return null
  const { aboveF, cop } = v.breakEven
  const fuel = FUEL_WORDS[v.fuel]
  const text =
    aboveF === null
      ? `At these prices the heat pump is cheaper than ${fuel} wherever it runs.`
      : aboveF === 'never'
        ? `At these prices ${fuel} is cheaper at every temperature.`
        : `Against ${fuel} at these prices the heat pump is cheaper above ${degrees(Math.round(aboveF))}.`
  return {
    id: 'breakEven',
    text,
    how: `Both cost the same at a COP of ${figure(cop, 2)}. An hour of the furnace costs its fuel at ${figure((v.burner?.efficiency ?? 0) * 100)} % and ${figure((v.burner?.blowerKw ?? 0) + (v.burner?.motorKw ?? 0), 2)} kWh. It gives the fuel’s heat and the blower’s.`,
  }
}

/** A share of a year's cost from which a difference is worth a person's while. */
const WORTH_SHARE = 0.04

function yearLine(v: CrossingView, currency: string): AnswerLine | null {
  const { year, recommended } = v
  if (!year) return null
  const cost = year.cost === null ? `${whole(year.kwh)} kWh` : money(year.cost, currency)
  const unmet = year.unmetDegreeHours >= 10 ? ` and leaves ${whole(year.unmetDegreeHours)} °F·h unmet` : ''
  const best = recommended?.best.year.cost
  const more = year.cost !== null && best !== null && best !== undefined ? year.cost - best : 0
  const isWorth = year.cost !== null && more > WORTH_SHARE * year.cost
  return {
    id: 'year',
    text:
      `As wired and set a year costs ${cost}${unmet}` +
      `${isWorth && recommended ? `: ${money(more, currency)} more than “${STRATEGY_WORDS[recommended.best.school].name}”` : ''}.`,
    how: `${whole(year.heatPumpKwh)} kWh of heat pump, ${whole(year.stripKwh)} of strips, ${whole(year.blowerKwh)} of blower beside backup${v.fuel ? `, ${whole(year.fuel)} ${FUEL_UNIT[v.fuel]}` : ''}, over ${whole(year.heatingHours)} hours that want heat. Differentials, recovery and the coldest room are left to the simulation.`,
    grave: isWorth || year.unmetDegreeHours >= 10,
  }
}

function unsureLine(v: CrossingView): AnswerLine | null {
  if (!v.unsure.length) return null
  const where = v.unsure.map((s) => `from ${figure(s.from)} to ${degrees(s.to)}`).join(' and ')
  return {
    id: 'unsure',
    text: `A setting that is not known yet decides who heats ${where}.`,
    how: 'There nothing is counted on that may not be: the year may cost less than it says. Look the setting up in Setup.',
    grave: true,
  }
}

/** Share by which two lines may differ before it is worth saying. */
const LINES_AGREE = 0.15

function spreadLine(v: CrossingView): AnswerLine | null {
  const [first] = v.lines
  if (v.lines.length < 2 || !first || !v.line) return null
  const at = v.designF ?? 20
  const loads = v.lines.map((l) => ({ way: l.way, load: loadAt(l, at) }))
  const [least, most] = [Math.min(...loads.map((l) => l.load)), Math.max(...loads.map((l) => l.load))]
  const said = loads.map((l) => `${WAY_WORDS[l.way].name.toLowerCase()} ${btuh(l.load)}`).join(', ')
  const apart = most > 0 ? (most - least) / most : 0
  return {
    id: 'lines',
    text:
      apart > LINES_AGREE
        ? `The ways to the load differ by ${figure(100 * apart, 0)} %: look again at one of them.`
        : 'The ways to the load agree.',
    how: `At ${degrees(at)}: ${said}. Used: ${WAY_WORDS[v.line.way].name.toLowerCase()}.`,
    grave: apart > LINES_AGREE,
  }
}

const REASON_WORDS: Record<RecommendedSchool['why'], string> = {
  cheapest: 'it costs least of those that leave nobody cold',
  onlyWarm: 'it is the only one that leaves nobody cold',
  leastSharing: 'of the strategies that set who heats when, it costs least without leaving the house colder',
  lessUnmet: 'it leaves the house least cold; none of them covers it',
  comfort: 'the owner feels the heat pump’s air as cold',
}
/** The best strategy for the house, with its reason and what ties with it. */
export function recommendedSentence(r: RecommendedSchool): string {
  const ties = r.ties.map((t) => `“${STRATEGY_WORDS[t.school].name}”`)
  const tied = ties.length
    ? ` ${ties.join(', ')} ${ties.length > 1 ? 'tie' : 'ties'} with it within 2 %.`
    : ''
  return `This house speaks for “${STRATEGY_WORDS[r.best.school].name}”: ${REASON_WORDS[r.why]}.${tied} Practitioners differ; the reasons of each stand in the table.`
}

/** Yearly cost of tempering defrosts; null where nothing can temper them. */
export function defrostSentence(schools: readonly SchoolYear[], currency = ''): string | null {
  const of = (school: string) => schools.find((s) => s.school === school)?.year
  const [tempered, cold] = [of('temperedDefrost'), of('coldDefrost')]
  if (!tempered || !cold) return null
  const minutes = whole(cold.coldDefrostMinutes)
  // Without a heat pump that defrosts the two are the same.
  if (Math.abs(tempered.kwh - cold.kwh) < 0.5) return null
  const cost =
    tempered.cost === null || cold.cost === null
      ? `${whole(tempered.kwh - cold.kwh)} kWh`
      : money(tempered.cost - cold.cost, currency)
  return `Strips in defrost cost ${cost} a year more than ${minutes} minutes of cold air.`
}

interface Way {
  name: string
  year: Pick<
    SchoolYear['year'],
    'cost' | 'kwh' | 'fuel' | 'backupHours' | 'unmetDegreeHours' | 'peakKw' | 'coldDefrostMinutes'
  >
}
/** Difference of one way from another, with the numbers. */
export function comparedSentence(one: Way, other: Way, currency = ''): string {
  const part = (by: number, words: (n: number) => string, what: string): string | null =>
    Math.abs(by) < 0.5 ? null : `${words(Math.abs(by))}${what} ${by > 0 ? 'more' : 'less'}`
  const [a, b] = [one.year, other.year]
  const parts = [
    a.cost === null || b.cost === null ? null : part(a.cost - b.cost, (n) => money(n, currency), ''),
    part(a.kwh - b.kwh, whole, ' kWh'),
    part(a.fuel - b.fuel, whole, ' of fuel'),
    part(a.backupHours - b.backupHours, whole, ' h of backup'),
    part(a.unmetDegreeHours - b.unmetDegreeHours, whole, ' °F·h unmet'),
    part(a.coldDefrostMinutes - b.coldDefrostMinutes, whole, ' min of cold defrost'),
  ].filter((p) => p !== null)
  if (!parts.length) return `“${one.name}” and “${other.name}” come to the same in a year.`
  return `Against “${other.name}”, “${one.name}” is ${parts.join(', ')} in a year; its peak is ${figure(a.peakKw)} kW against ${figure(b.peakKw)}.`
}
