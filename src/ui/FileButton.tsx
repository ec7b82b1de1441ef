'use client'

import { Upload } from 'lucide-react'
import { useRef } from 'react'
import { Button } from './Button'

/** A button that takes one file from the person; the same file can be chosen again. */
export function FileButton({
  label,
  name,
  accept = '.json,application/json',
  onFile,
}: {
  /** The button's text. */
  label: string
  /** The file's name for screen readers. */
  name: string
  /** Kinds of file, as the browser lists them. */
  accept?: string
  onFile: (file: File) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={name}
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          e.target.value = ''
        }}
      />
      <Button onClick={() => input.current?.click()}>
        <Upload aria-hidden className="size-4" /> {label}
      </Button>
    </>
  )
}
