import { controlFields, sensorFields } from './control'
import type { KindRow } from './row'

export const outdoorSensor: KindRow = {
  traits: ['sensesOutdoors', 'optional'],
  plate: { ...controlFields, ...sensorFields },
  column: 2,
  inJob: { ref: 'sensor', where: 'north wall' },
}
