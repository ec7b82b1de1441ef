'use client'

import { later, useNow } from '../session'

/** Said at once; what is still on the page alone, and the way out, come with their words: most devices store. */
const Unstored = later(
  async () => (await import('./Unstored')).Unstored,
  () => <p className="flex-1 basis-72 font-bold">This device stores nothing.</p>,
)

/** Said loudly where the device stores nothing: what is entered is gone with the page unless the server has it. */
export function NothingStored() {
  const isKeeping = useNow((s) => s.view.isKeeping)
  if (isKeeping) return null
  return (
    <section
      aria-label="Nothing is stored here"
      role="alert"
      className="no-print mb-3 flex flex-wrap items-center gap-3 border-4 border-harm bg-harm-soft p-3"
    >
      <Unstored />
    </section>
  )
}
