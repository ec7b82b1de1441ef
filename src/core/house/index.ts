export { airflowOf, riseOf } from './air'
export { gasInputShare, meteredShare } from './altitude'
export {
  CLIMATES,
  climateYear,
  designFOf,
  monthTexts,
  weatherOf,
  type Climate,
  type ClimateChoice,
} from './climates'
export { breakEvenCop, BTU_PER_KWH, furnaceBtuh, HEAT_CONTENT, type Fuel, type FurnaceFigures } from './fuel'
export {
  DEFAULT_INDOOR_F,
  lineBy,
  linesOf,
  loadAt,
  loadLineOf,
  noHeat,
  missingFor,
  type LoadLine,
  type UnitFigures,
} from './loadLine'
export { kwhAt, meanKwh, PRICE_LIMITS, type Prices, type RatePeriod } from './prices'
export {
  BILL_FUELS,
  CABLE_RATINGS,
  cableOf,
  HOUSE_VALUES,
  houseValue,
  LOAD_WAYS,
  UNKNOWN_HOUSE,
  VALUE_SOURCES,
  type BillFuel,
  type CableRating,
  type House,
  type HouseValue,
  type LoadWay,
  type Sourced,
  type ValueSource,
} from './values'
export {
  binned,
  degreeDaysBelow,
  designTemperature,
  MONTH_HOURS,
  monthAndHour,
  YEAR_HOURS,
  type Weather,
} from './weather'
