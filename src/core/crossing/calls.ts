import type { Call } from '../equipment'

/** Calls by which a house is heated day by day; emergency heat is not one of them. */
export const HEATING_CALLS: readonly Call[] = ['heat1', 'heat2', 'heatAux1', 'heatAux2']
