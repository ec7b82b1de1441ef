'use client'

import { useEffect, useRef, useState } from 'react'
import { QrReader } from '@/workers'
import { imageOf } from './picture'

/** ms between two looks through the camera. */
const EVERY_MS = 250

/** Looks through the camera until a code is seen. */
export function useCamera(onText: (text: string) => void) {
  const video = useRef<HTMLVideoElement>(null)
  const [isOn, setOn] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  const heard = useRef(onText)
  useEffect(() => {
    heard.current = onText
  }, [onText])
  useEffect(() => {
    if (!isOn) return
    let gone = false
    let stream: MediaStream | null = null
    const reader = new QrReader()
    const stop = () => {
      gone = true
      stream?.getTracks().forEach((t) => t.stop())
      reader.close()
    }
    const look = async () => {
      const at = video.current
      if (gone || !at) return
      const seen = at.videoWidth > 0 ? await reader.read(imageOf(at, at.videoWidth, at.videoHeight)) : null
      if (gone) return
      if (seen !== null) {
        setOn(false)
        heard.current(seen)
      } else setTimeout(() => void look(), EVERY_MS)
    }
    const begin = async () => {
      try {
        // A page that is not on the machine itself or on https has no cameras at all.
        const cameras = navigator.mediaDevices as MediaDevices | undefined
        if (!cameras) throw new Error('this page may not use one')
        stream = await cameras.getUserMedia({ video: { facingMode: 'environment' } })
        const at = video.current
        if (gone || !at) return stop()
        at.srcObject = stream
        await at.play()
        void look()
      } catch (error) {
        if (gone) return
        setSaid(
          `No camera: ${error instanceof Error ? error.message : 'not allowed'}. Choose a picture instead.`,
        )
        setOn(false)
      }
    }
    void begin()
    return stop
  }, [isOn])
  const start = () => {
    setSaid(null)
    setOn(true)
  }
  return { video, isOn, said, start, stop: () => setOn(false) }
}
