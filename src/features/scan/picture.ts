/** px of the longer side that a code is looked for in: more makes nothing clearer, and takes time. */
const MOST_SIDE = 1600

/** Pixels of anything that can be drawn. @throws Error where the browser draws nothing */
export function imageOf(source: CanvasImageSource, width: number, height: number): ImageData {
  const scale = Math.min(1, MOST_SIDE / Math.max(width, height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * scale)
  canvas.height = Math.round(height * scale)
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('this browser draws no pictures')
  // A picture that lets through shows on white, as paper does.
  context.fillStyle = '#fff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.drawImage(source, 0, 0, canvas.width, canvas.height)
  return context.getImageData(0, 0, canvas.width, canvas.height)
}
