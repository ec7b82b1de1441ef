/** Gear of the cases, in the words of the command line: what is bolted down, its cables, its line work and the planned landing. */
const strips = (stat: string, inside: string, kit: string, out: string): string[] => [
  `place tstat=${stat} --where wall --box`,
  `place ah=${inside} kit=${kit} --where garage --box`,
  `place od=${out} --where north --box`,
  'cable tstat=ah --conductors 10',
  'cable ah=od --conductors 8',
  'land --line',
]
const fuel = (stat: string, furnace: string, out: string, extras: string[], plan: string): string[] => [
  `place tstat=${stat} --where wall --box`,
  `place fur=${furnace} --where garage --box`,
  `place od=${out} --where north --box`,
  ...extras,
  'cable tstat=fur --conductors 10',
  'cable fur=od --conductors 8',
  'land --line',
  `land --plan ${plan}`.trim(),
]

/** One stage, two rows, nothing that holds backup off. */
export const ONE_STAGE = [...strips('sorrel-h1', 'teasel-a3', 'teasel-k2', 'marram-s1'), 'land --plan']
export const ONE_STAGE_BOARD = [...strips('sorrel-h1', 'teasel-a5', 'teasel-k2', 'marram-s1'), 'land --plan']
export const TWO_STAGE = [...strips('sorrel-h2', 'teasel-a5', 'teasel-k2', 'marram-t2'), 'land --plan']
export const B_UNIT = [...strips('sorrel-h1', 'teasel-a3', 'teasel-k2', 'marram-b2'), 'land --plan']
export const INVERTER = [...strips('sorrel-h1', 'teasel-v2', 'teasel-k2', 'marram-v3'), 'land --plan']
/** An ordinary thermostat on 24 V indoors, and a pair that talks over its bus. */
export const INVERTER_BUS = [
  ...strips('sorrel-h1', 'teasel-v2', 'teasel-k2', 'marram-v3'),
  'set ah.selector=bus od.selector=bus',
  'land --plan',
]
export const NO_COMMON = [...strips('plover-p2', 'teasel-a3', 'teasel-k2', 'marram-s1'), 'land --plan']
export const B_COMMON = [...strips('plover-b7', 'teasel-a3', 'teasel-k2', 'marram-s1'), 'land --plan']
export const TWO_STAGE_SENSOR = [
  ...strips('sorrel-h2', 'teasel-a5', 'teasel-k2', 'marram-t2'),
  'place os=sedge-os1 --where north --box',
  'land --plan',
]
export const OUTDOOR_THERMOSTAT = [
  ...strips('sorrel-h1', 'teasel-a3', 'teasel-k2', 'marram-b2'),
  'place odt=sedge-t50 --where north --box',
  'land --plan',
]
export const LEAK = [
  ...strips('sorrel-h1', 'teasel-a6', 'teasel-k2', 'marram-s1'),
  'place lk=sedge-lk1 --where garage --box',
  'land --plan',
]
/** Everything as in ONE_STAGE, and nobody has looked at any setting. */
export const NOT_LOOKED_AT = ONE_STAGE.map((l) => l.replace(' --box', ''))
export const SENSOR_FUEL = fuel(
  'sorrel-d1',
  'brindle-g1',
  'marram-s1',
  ['place os=sedge-os1 --where north --box'],
  '',
)
export const TWO_STAGE_FURNACE = fuel(
  'sorrel-d1', 'brindle-g2', 'marram-s1', ['place os=sedge-os1 --where north --box'], '',
) // prettier-ignore
export const STAGE_FUEL = fuel(
  'plover-s3', 'brindle-g1', 'marram-s1',
  ['place rel=sedge-r1 ceat=sedge-a103 --where garage --box'], '--fuel stage',
) // prettier-ignore
export const KIT_FUEL = fuel(
  'sorrel-d1', 'brindle-g1', 'marram-s1', ['place fk=sedge-f2 --where garage --box'], '--fuel kit',
) // prettier-ignore
export const ELECTRIC_FURNACE = fuel('sorrel-h1', 'brindle-e1', 'marram-s1', [], '')
export const PACKAGED = [
  'place tstat=sorrel-h1 --where wall --box',
  'place od=marram-p4 --where north --box',
  'cable tstat=od --conductors 10',
  'land --line',
  'land --plan',
]
/** A one-row kit without a lead to the blower, on an air handler that runs its blower on G alone. */
export const NO_INTERLOCK = [...strips('sorrel-h1', 'teasel-a3', 'teasel-k1', 'marram-s1'), 'land --plan']
export const TWO_VALVE_ENDS = [...strips('plover-p1', 'teasel-a3', 'teasel-k2', 'marram-s1'), 'land --plan']
export const FLOAT = [
  ...strips('sorrel-h1', 'teasel-a3', 'teasel-k2', 'marram-s1'),
  'place fl=sedge-fl1 --where garage --box',
  'land --plan',
]
export const FLOAT_BOARD = [
  ...strips('sorrel-h1', 'teasel-a5', 'teasel-k2', 'marram-s1'),
  'place fl=sedge-fl1 --where garage --box',
  'land --plan',
]
/** A wired controller on its bus to both boards. */
export const BUS = [
  ...strips('sedge-w1', 'teasel-v2', 'teasel-k2', 'marram-v3'),
  'set ah.selector=bus od.selector=bus',
  'land --plan',
]
export const PACKAGED_FUEL = [
  'place tstat=sorrel-d1 --where wall --box',
  'place od=brindle-p7 --where north --box',
  'place os=sedge-os1 --where north --box',
  'cable tstat=od --conductors 10',
  'land --line',
  'land --plan',
]
/** Devices named by what they do, of which no plate is known. */
export const PLAIN = [
  ...strips('plain-thermostat-1', 'plain-air-handler-g', 'plain-kit-2', 'plain-heat-pump-1'),
  'land --plan',
]
export const PLAIN_FUEL = fuel(
  'plain-thermostat-fuel', 'plain-gas-furnace-1', 'plain-heat-pump-1',
  ['place os=sedge-os1 --where north --box'], '',
) // prettier-ignore
export const ZONES = [
  'place tstat=sorrel-h1 --where wall --box',
  'place ah=teasel-a3 kit=teasel-k2 zp=sedge-z2 --where garage --box',
  'place od=marram-s1 --where north --box',
  'cable tstat=zp --conductors 10',
  'cable ah=od --conductors 8',
  'land --line',
  'land --plan',
]
export const OIL = fuel(
  'plover-s3', 'brindle-o1', 'marram-s1',
  ['place rel=sedge-r1 iso=sedge-r1 ceat=sedge-a103 --where garage --box'], '--fuel stage',
) // prettier-ignore
export const MONITOR = [
  ...strips('sorrel-h1', 'teasel-a3', 'teasel-k2', 'marram-s1'),
  'place m=sedge-m1 --where north --box',
  'land --plan',
]
export const TWO_CIRCUITS = [...strips('sorrel-h1', 'teasel-a5', 'teasel-k3', 'marram-s1'), 'land --plan']
export const HUMID = fuel(
  'sorrel-d1', 'brindle-g1', 'marram-s1',
  ['place os=sedge-os1 --where north --box', 'place hum=sedge-h1 --where garage --box'], '',
) // prettier-ignore
