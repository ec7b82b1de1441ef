'use client'

import { Tabs } from 'radix-ui'
import { Download } from 'lucide-react'
import { formatJob } from '@/jobfile'
import { cabinetCardOf, reportOf } from '@/papers'
import { Button, downloadFile, TAB_LOOK } from '@/ui'
import { OwnersPaper, PaperPanel, usePaperInput } from '../papers'
import { useJobScreen } from '../session'
import { History } from './History'
import { ReadingsFile } from './ReadingsFile'
import { Signatures } from './Signatures'
import { YearByYear } from './YearByYear'

const TABS = [
  { id: 'report', label: 'Report', show: Report },
  { id: 'cabinet', label: 'Cabinet card', show: Cabinet },
  { id: 'owner', label: 'Owner’s card', show: OwnersPaper },
  { id: 'years', label: 'Year by year', show: YearByYear },
] as const

/** What is handed over: the report, the card in the cabinet, the owner's card, and how the house was over the years. */
export function Handover() {
  return (
    <div className="max-w-4xl pb-10 print:max-w-none">
      <Tabs.Root defaultValue="report">
        <Tabs.List aria-label="What is handed over" className="no-print mb-4 flex flex-wrap gap-2">
          {TABS.map((t) => (
            <Tabs.Trigger key={t.id} value={t.id} className={TAB_LOOK}>
              {t.label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {TABS.map(({ id, show: Tab }) => (
          <Tabs.Content key={id} value={id}>
            <Tab />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </div>
  )
}

function Report() {
  const { job } = useJobScreen()
  const input = usePaperInput()
  return (
    <>
      <PaperPanel
        name={`${job.id}-report`}
        paperIn={(lang) => reportOf(input, lang)}
        after={(section) =>
          section === 'readings' ? (
            <ReadingsFile />
          ) : section === 'signatures' ? (
            <Signatures state={input.state} />
          ) : null
        }
      >
        <Button onClick={() => downloadFile(`${job.id}.json`, 'application/json', formatJob(job))}>
          <Download aria-hidden className="size-4" /> Job file
        </Button>
      </PaperPanel>
      <History />
    </>
  )
}

function Cabinet() {
  const { job } = useJobScreen()
  const input = usePaperInput()
  return <PaperPanel name={`${job.id}-card`} paperIn={(lang) => cabinetCardOf(input, new Date(), lang)} />
}
