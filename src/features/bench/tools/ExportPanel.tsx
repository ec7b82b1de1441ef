'use client'

import { Download } from 'lucide-react'
import { downloadFile, Button } from '@/ui'
import { landingCsv } from '@/words'
import { useJobScreen } from '../../session'
import { benchSvg } from '@/drawing'

/** The wiring as files that any program opens. */
export function ExportPanel() {
  const { inst, job, volts, situation } = useJobScreen()
  return (
    <section aria-label="Take the wiring out" className="flex flex-wrap gap-2">
      <Button onClick={() => downloadFile(`${job.id}-landing.csv`, 'text/csv', landingCsv(inst))}>
        <Download aria-hidden className="size-4" /> Landing schedule, CSV
      </Button>
      <Button
        onClick={() =>
          downloadFile(`${job.id}-wiring.svg`, 'image/svg+xml', benchSvg(inst, volts, job.title, situation))
        }
      >
        <Download aria-hidden className="size-4" /> Wiring, SVG
      </Button>
      <Button onClick={() => window.print()}>Print for the cabinet door</Button>
    </section>
  )
}
