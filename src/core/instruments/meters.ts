import { READINGS, type Instrument, type ReadingKind, type Tool } from '../readings'

/** Practice meter that takes a tool's place. */
const METERS: Readonly<Record<Tool, Instrument>> = {
  multimeter: 'voltmeter',
  clampMeter: 'clamp',
  capacitanceMeter: 'voltmeter',
  probeThermometer: 'thermometer',
  clampThermometer: 'thermometer',
  manometer: 'manometer',
  oilGauge: 'gauges',
  combustionAnalyzer: 'analyser',
  smokeTester: 'analyser',
  refrigerantGauges: 'gauges',
  vacuumGauge: 'gauges',
  scale: 'gauges',
  tape: 'gauges',
  stopwatch: 'gauges',
  marking: 'gauges',
}

/** Practice meter of a reading, with its unit. */
export function meterFor(kind: ReadingKind): { instrument: Instrument; unit: string } {
  const { tool, meter = METERS[tool], unit } = READINGS[kind]
  return { instrument: meter, unit }
}
