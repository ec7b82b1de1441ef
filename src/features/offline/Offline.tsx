'use client'

import { useEffect, useState } from 'react'
import { Button } from '@/ui'

/** ms after which the app is put on the device: what the person came for goes first. */
const AFTER_MS = 3000
/** ms after which it is tried again where that broke off, twice as long each time, and the longest such pause. */
const AGAIN_MS = { first: 10_000, most: 600_000 }

/** Whether what is being put on the device gets there whole. */
const whole = (making: ServiceWorker | null | undefined): Promise<boolean> =>
  new Promise((resolve) => {
    if (!making) return resolve(true)
    making.addEventListener('statechange', () => {
      if (making.state === 'redundant') resolve(false)
      else if (making.state !== 'installing') resolve(true)
    })
  })

/** Puts the app on this device, for days without a signal; a new release is taken when the person says so. */
export function Offline() {
  const [take, setTake] = useState<{ act: () => void } | null>(null)
  useEffect(() => {
    // While the app is developed, a copy on the device would show scripts of an earlier minute.
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV === 'development') return
    const put = async () => {
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
      return whole((await worker.register({ immediate: true }))?.installing)
    }
    let timer: ReturnType<typeof setTimeout> | undefined
    let left = false
    // A file that fails to load stops the fetching; earlier files stay cached. Without storage the page works as long
    // as there is a signal.
    const tryIn = (wait: number, pause: number) => {
      timer = setTimeout(
        () =>
          void put()
            .catch(() => false)
            .then((done) => !done && !left && tryIn(pause, Math.min(2 * pause, AGAIN_MS.most))),
        wait,
      )
    }
    tryIn(AFTER_MS, AGAIN_MS.first)
    return () => {
      left = true
      clearTimeout(timer)
    }
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
