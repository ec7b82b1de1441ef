'use client'

import { Download, Printer } from 'lucide-react'
import { type ReactNode, useMemo, useState } from 'react'
import { LANGUAGES, PaperView, UnprintableError, type Paper, type PaperInput } from '@/papers'
import { Button, downloadFile, SelectField, useLocalStorage } from '@/ui'

/** A paper on the screen, and the ways to take it along. */
export function PaperPanel({
  name,
  of,
  make,
  children,
  after,
}: {
  /** Name of its files, without the ending. */
  name: string
  of: PaperInput
  /** Makes the paper in a language; the same function each time, for it is set anew when this is another. */
  make: (of: PaperInput, lang: string) => Paper
  /** More to do with it. */
  children?: ReactNode
  /** Screen content after a section of the paper. */
  after?: (section: string) => ReactNode
}) {
  const [lang, setLang] = useLocalStorage<string>('gate-cross-paper-language', 'en')
  const [said, setSaid] = useState<string | null>(null)
  const [isMaking, setMaking] = useState(false)
  const paper = useMemo(() => make(of, lang), [make, of, lang])
  const pdf = async () => {
    setMaking(true)
    setSaid(null)
    try {
      // Whoever reads the screen does not wait for what sets pages.
      const { pdfOf } = await import('@/papers/pdf')
      const fonts = {
        regular: new URL('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf', import.meta.url).href,
        bold: new URL('dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf', import.meta.url).href,
      }
      downloadFile(`${name}.pdf`, 'application/pdf', await pdfOf(paper, fonts))
    } catch (error) {
      setSaid(
        error instanceof UnprintableError
          ? `The PDF can print Latin, Greek and Cyrillic letters only. It cannot print: ${error.words.join(', ')}. Use HTML or Print: the browser prints these.`
          : `The PDF could not be made: ${error instanceof Error ? error.message : 'try again'}.`,
      )
    }
    setMaking(false)
  }
  const html = async () => {
    const { htmlOf } = await import('@/papers/html')
    downloadFile(`${name}.html`, 'text/html', htmlOf(paper))
  }
  return (
    <div>
      <div className="no-print mb-4 flex flex-wrap items-end gap-3">
        <Button look="strong" disabled={isMaking} onClick={() => void pdf()}>
          <Download aria-hidden className="size-4" /> {isMaking ? 'Making the PDF …' : 'PDF'}
        </Button>
        <Button onClick={() => void html()}>
          <Download aria-hidden className="size-4" /> HTML
        </Button>
        <Button onClick={() => window.print()}>
          <Printer aria-hidden className="size-4" /> Print
        </Button>
        <SelectField
          label="Language"
          value={lang}
          options={LANGUAGES.map((l) => [l.lang, l.name] as const)}
          onValue={setLang}
        />
        {children}
      </div>
      {said && (
        <p role="alert" className="mb-3 bg-harm-soft p-3">
          {said}
        </p>
      )}
      <PaperView paper={paper} {...(after ? { after } : {})} />
    </div>
  )
}
