export { composeDevice } from './compose'
export { freshSketch, OFFERED, OUTPUTS, SKETCH_KINDS, type Sketch, type SketchKind } from './sketch'
