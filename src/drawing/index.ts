export { benchDrawing, benchSvg } from './bench'
export { COLOUR_NAMES, hue } from './colours'
export { drawWires, landedCounts, layOut, SIZE, type DrawnCable, type Panel } from './layout'
export { svgOf, type Drawing, type Shape } from './shapes'
