'use client'

import { keyInSheet, type SheetLine } from '@/core/setup'
import { onDevice } from '@/jobfile'
import { lineWords } from '@/words'
import { useJobScreen } from '../session'
import { nameOf, tickId, valueText } from './keyInNames'

/** The key-in sheets on paper, to be ticked by hand where no screen goes: every device, what must be set, and its keys. */
export function PrintedSheets() {
  const { job, inst } = useJobScreen()
  const sheets = inst.placed.flatMap((placed) => {
    const sheet = keyInSheet(placed, onDevice(job, placed))
    return sheet ? [{ placed, sheet }] : []
  })
  return (
    <div data-testid="printed-sheets" className="text-[13px] leading-snug">
      <h1 className="text-lg font-bold">{job.title}: what to key in</h1>
      {sheets.length === 0 && <p>Nothing in this job is set by keys, switches or pins.</p>}
      {sheets.map(({ placed, sheet }) => (
        <section key={placed.ref} className="mt-3 break-inside-avoid">
          <h2 className="font-bold">
            {placed.label}, {placed.device.name} (fits {sheet.fits.join(', ')})
          </h2>
          {sheet.lines.length === 0 && <p>It stands as wanted.</p>}
          {sheet.profile.noUndo && (
            <p>What is stored cannot be taken back: write down first what it shows.</p>
          )}
          <ol>
            {sheet.lines.map((l: SheetLine) => {
              const words = lineWords(l, l.item ? nameOf(placed, l.item.setting) : '')
              const ticked = Boolean(job.setup.ticks[tickId(placed, l)])
              return (
                <li key={l.id} className="flex gap-2 border-t border-line py-0.5">
                  <span className="font-mono">{ticked ? '[x]' : '[ ]'}</span>
                  <span className="flex-1">
                    <span className="font-bold">{words.title}</span>
                    {l.kind === 'set' && (
                      <>
                        {': '}
                        {valueText(placed, l.item.setting, l.to)}, {l.item.code} {l.item.label} →{' '}
                        <span className="font-mono font-bold">{l.toCode}</span>
                      </>
                    )}
                    <span className="block">{words.keys}</span>
                  </span>
                </li>
              )
            })}
          </ol>
        </section>
      ))}
      <p className="mt-3">
        The makers’ instructions decide. Power off, locked and metered dead before switches and pins are
        moved.
      </p>
    </div>
  )
}
