import { expose } from 'comlink'
import jsQR from 'jsqr'

/** Looks for a QR code in a picture. */
const work = {
  /** @returns what the code says; null where none is seen */
  read: (pixels: Uint8ClampedArray, width: number, height: number): string | null =>
    jsQR(pixels, width, height)?.data ?? null,
}
export type QrWork = typeof work

expose(work)
