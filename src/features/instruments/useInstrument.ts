'use client'

import { useEffect, useState } from 'react'
import type { Point } from '@/core/instruments'
import { CHANNEL, type FromInstrument, type FromPage } from '@/workers'

/** ms after which an instrument that says nothing counts as gone; and between two times that a hold is said. */
const [GONE_MS, AGAIN_MS] = [5000, 1500]

/**
 * Display of an instrument that is held at a point; null: there is none.
 * @param point null: no point
 * @param since ISO time of the call; null: long ago
 */
export function useInstrument(point: Point | null, since: string | null): FromInstrument | null {
  const [shown, setShown] = useState<FromInstrument | null>(null)
  // A point is the same for as long as it says the same.
  const key = point && JSON.stringify(point)
  useEffect(() => {
    // A browser without channels has no instruments either.
    if (key === null || typeof BroadcastChannel === 'undefined') return
    const id = crypto.randomUUID()
    const channel = new BroadcastChannel(CHANNEL)
    let timer: ReturnType<typeof setTimeout> | null = null
    channel.onmessage = ({ data }: MessageEvent<FromInstrument | FromPage>) => {
      if (data.type !== 'value' || data.id !== id) return
      if (timer) clearTimeout(timer)
      timer = setTimeout(() => setShown(null), GONE_MS)
      setShown(data)
    }
    const say = (message: FromPage) => channel.postMessage(message)
    const hold = () => say({ type: 'hold', id, point: JSON.parse(key) as Point, since })
    hold()
    // An instrument that comes later hears of it as well.
    const again = setInterval(hold, AGAIN_MS)
    return () => {
      clearInterval(again)
      say({ type: 'release', id })
      if (timer) clearTimeout(timer)
      channel.close()
      setShown(null)
    }
  }, [key, since])
  return shown
}
