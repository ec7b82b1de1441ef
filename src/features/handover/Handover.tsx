'use client'

import { Download } from 'lucide-react'
import { formatJob } from '@/jobfile'
import { cabinetCardOf, reportOf, type PaperInput } from '@/papers'
import { Button, downloadFile, TabSet } from '@/ui'
import { OwnersPaper, PaperPanel, usePaperInput } from '../papers'
import { useJobScreen } from '../session'
import { History } from './History'
import { ReadingsFile } from './ReadingsFile'
import { Signatures } from './Signatures'
import { YearByYear } from './YearByYear'

/** Papers: the report, the card in the cabinet, the owner's card, and the house's history. */
export function Handover() {
  return (
    <div className="max-w-4xl pb-10 print:max-w-none">
      <TabSet
        label="What is handed over"
        tabs={[
          { id: 'report', label: 'Report', content: <Report /> },
          { id: 'cabinet', label: 'Cabinet card', content: <Cabinet /> },
          { id: 'owner', label: 'Owner’s card', content: <OwnersPaper /> },
          { id: 'years', label: 'Year by year', content: <YearByYear /> },
        ]}
      />
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
        of={input}
        make={reportOf}
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

const cardOfToday = (input: PaperInput, lang: string) => cabinetCardOf(input, new Date(), lang)

function Cabinet() {
  const { job } = useJobScreen()
  const input = usePaperInput()
  return <PaperPanel name={`${job.id}-card`} of={input} make={cardOfToday} />
}
