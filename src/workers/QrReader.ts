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

  /** Reads the code in a picture; null where there is none. The pixels move to the worker and are no longer here. */
  read({ data, width, height }: ImageData): Promise<string | null> {
    return this.work.read(transfer(data, [data.buffer]), width, height)
  }

  close(): void {
    this.worker.terminate()
  }
}
