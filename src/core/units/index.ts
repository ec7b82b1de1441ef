export type { Brand } from './brand'
export { between, celsius, degF, deltaF, kelvins, warmer, type DegF, type DeltaF } from './temperature'
export { wireOhms } from './wire'
