export type { Brand } from './brand'
export { asAmps, asOhms, asVolts, asWatts, type Amps, type Ohms, type Volts, type Watts } from './electric'
export { between, celsius, degF, deltaF, kelvins, warmer, type DegF, type DeltaF } from './temperature'
export { wireOhms } from './wire'
