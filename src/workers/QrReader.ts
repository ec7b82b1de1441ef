import { transfer, wrap, type Remote } from 'comlink'
import type { QrWork } from './qr.worker'

/** Reads QR codes out of pictures, off the main thread. */
export class QrReader {
  private readonly worker: Worker
  private readonly work: Remote<QrWork>

  constructor() {
    this.worker = new Worker(new URL('./qr.worker.ts', import.meta.url), { type: 'module' })
    this.work = wrap<QrWork>(this.worker)
  }

  /** What a code in the picture says; null where none is seen. The picture's pixels go along and are gone here. */
  read({ data, width, height }: ImageData): Promise<string | null> {
    return this.work.read(transfer(data, [data.buffer]), width, height)
  }

  close(): void {
    this.worker.terminate()
  }
}
