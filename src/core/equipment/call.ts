/** A demand that a person makes at the thermostat, or the thermostat by itself. It is never a list of outputs. */
export type Call =
  'off' | 'fan' | 'cool1' | 'cool2' | 'heat1' | 'heat2' | 'heatAux1' | 'heatAux2' | 'emergency'

/** All calls, lowest first: the order in which a smallest witness is sought. */
export const CALLS: readonly Call[] = [
  'off',
  'fan',
  'cool1',
  'cool2',
  'heat1',
  'heat2',
  'heatAux1',
  'heatAux2',
  'emergency',
]

export const isCooling = (c: Call): boolean => c === 'cool1' || c === 'cool2'
/** Heating by the heat pump, with or without backup; emergency heat is not one of them. */
export const isHeatPumpHeating = (c: Call): boolean =>
  c === 'heat1' || c === 'heat2' || c === 'heatAux1' || c === 'heatAux2'
/** A call that asks for backup heat. */
export const wantsBackup = (c: Call): boolean => c === 'heatAux1' || c === 'heatAux2' || c === 'emergency'
