'use client'

import { useRef, useState } from 'react'
import { ask, linesOf } from '@/client'
import { sentence, type Imported } from '@/jobfile'
import { Button, cx, FileButton } from '@/ui'
import { count } from '@/words'
import type { ShopImport } from './importShop'

/** Message about an import: that it runs, or how it ended. */
interface Said {
  ok: boolean
  title: string
  lines: string[]
  /** Next actions with the same file. */
  acts: [label: string, act: () => void][]
}

/** Longest list of messages that is shown. */
const MOST_LINES = 8
/** As much of a file as tells a job from a shop. */
const HEAD = 4096
const SHOP_HEAD = /^\s*\{\s*"(?:jobs"|devices"|format"\s*:\s*"gatecross\.shop")/

/** Imports a job file, or the file of a whole shop. What is wrong is said place by place. */
export function TakeIn({ onDone }: { onDone: () => void }) {
  const [said, setSaid] = useState<Said | null>(null)
  const running = useRef<AbortController | null>(null)

  const takeJob = async (file: File, copy: boolean) => {
    const path = `/api/jobs${copy ? '?copy=1' : ''}`
    const answer = await ask(fetch, path, { method: 'POST', body: await file.text() })
    if (answer.ok) {
      setSaid({ ok: true, title: `${file.name} is imported.`, lines: [], acts: [] })
      onDone()
      return
    }
    const isTaken = answer.why === 'refused' && answer.status === 409
    setSaid({
      ok: false,
      title: 'Nothing was imported.',
      lines: linesOf(answer, 'not sent').map((line) => `${file.name}, ${line}`),
      acts: isTaken ? [['Import as a copy', () => void takeJob(file, true)]] : [],
    })
  }

  const takeShop = async (file: File, copies: boolean) => {
    running.current?.abort()
    const { signal } = (running.current = new AbortController())
    const runs = (items: readonly Imported[]) =>
      setSaid({
        ok: true,
        title: `Importing ${file.name}. ${count(items.length)} checked.`,
        lines: [],
        acts: [['Stop import', () => running.current?.abort()]],
      })
    runs([])
    const { importShop } = await import('./importShop')
    const ended = await importShop(file, copies, runs, signal)
    const again = (label: string, asCopies: boolean): Said['acts'][number] => [
      label,
      () => void takeShop(file, asCopies),
    ]
    setSaid({
      ok: !ended.stopped && ended.items.every((i) => i.outcome === 'imported' || i.outcome === 'known'),
      title: shopTitle(ended.items),
      lines: shopLines(ended),
      acts: [
        ...(ended.stopped ? [again('Continue import', copies)] : []),
        ...(ended.items.some((i) => i.outcome === 'differs') ? [again('Import those as copies', true)] : []),
      ],
    })
    onDone()
  }

  const take = async (file: File) =>
    SHOP_HEAD.test(await file.slice(0, HEAD).text()) ? takeShop(file, false) : takeJob(file, false)
  return (
    <section aria-label="Take a job in">
      <div className="flex flex-wrap gap-3">
        <FileButton label="Import a job file" name="Job file" onFile={(file) => void take(file)} />
        <a
          href="/api/shop"
          download
          className="inline-flex min-h-12 items-center rounded border border-edge bg-raised px-4 text-[15px] lg:min-h-9 lg:px-3"
        >
          Export all jobs
        </a>
      </div>
      {said && (
        <div
          role="status"
          className={cx(
            'mt-3 border-l-4 p-3',
            said.ok ? 'border-well bg-well-soft' : 'border-harm bg-harm-soft',
          )}
        >
          <p className="font-bold">{said.title}</p>
          <ul>
            {said.lines.slice(0, MOST_LINES).map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
          {said.lines.length > MOST_LINES && <p>and {count(said.lines.length - MOST_LINES)} more.</p>}
          <div className="mt-2 flex flex-wrap gap-3 empty:hidden">
            {said.acts.map(([label, act]) => (
              <Button key={label} onClick={act}>
                {label}
              </Button>
            ))}
          </div>
        </div>
      )}
    </section>
  )
}

function shopTitle(items: readonly Imported[]): string {
  const of = (list: Imported['list'], outcome: Imported['outcome']) =>
    items.filter((i) => i.list === list && i.outcome === outcome).length
  const known = of('jobs', 'known') + of('devices', 'known')
  const some = (n: number, one: string) => `${count(n)} ${one}${n === 1 ? '' : 's'}`
  return `Imported ${some(of('jobs', 'imported'), 'job')} and ${some(of('devices', 'imported'), 'device')}. ${count(known)} already here.`
}

/** A line for the end before the end of the file, and for each item that was not imported. */
function shopLines({ items, stopped }: ShopImport): string[] {
  const lines = items.flatMap(({ list, index, id, outcome, problems }): string[] => {
    const one = list === 'jobs' ? 'job' : 'device'
    switch (outcome) {
      case 'differs':
        return [`${id}: not imported. The shop has another ${one} with this name.`]
      case 'deleted':
        return [`${id}: not imported. It is in the deleted jobs. Restore it there.`]
      case 'refused':
        // A line of the item's own text is no line of the file.
        return (problems ?? []).slice(0, 1).map(({ line: _, ...p }) => {
          const at = `${list}[${index}]`
          return sentence({ ...p, path: p.path ? `${at}.${p.path}` : at })
        })
      case 'imported':
      case 'known':
        return []
    }
  })
  return [...(stopped ? [`${stopped}. The import stopped there.`] : []), ...lines]
}
