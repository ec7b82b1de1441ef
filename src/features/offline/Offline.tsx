'use client'

import { useEffect, useState } from 'react'
import { Button } from '@/ui'

/** ms after which the app is put on the device: what the person came for goes first. */
const AFTER_MS = 3000

/** Puts the app on this device, for days without a signal; a new release is taken when the person says so. */
export function Offline() {
  const [take, setTake] = useState<{ act: () => void } | null>(null)
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return
    const register = async () => {
      const { Serwist } = await import('@serwist/window')
      const worker = new Serwist('/sw.js', { scope: '/' })
      worker.addEventListener('waiting', () => {
        setTake({
          act: () => {
            worker.addEventListener('controlling', () => window.location.reload())
            worker.messageSkipWaiting()
          },
        })
      })
      await worker.register({ immediate: true })
    }
    // Without a place to store it there is nothing to be done: the page works as long as there is a signal.
    const timer = setTimeout(() => void register().catch(() => undefined), AFTER_MS)
    return () => clearTimeout(timer)
  }, [])
  if (!take) return null
  return (
    <div
      role="status"
      className="no-print fixed inset-x-0 bottom-28 z-30 mx-auto flex w-fit max-w-[92vw] items-center gap-3 rounded border border-ink bg-raised px-4 py-2 text-[15px] shadow lg:bottom-4"
    >
      A new version of Gate Cross is here.
      <Button look="strong" onClick={take.act}>
        Take it
      </Button>
      <Button look="quiet" onClick={() => setTake(null)}>
        Later
      </Button>
    </div>
  )
}
