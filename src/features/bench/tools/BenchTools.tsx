'use client'

import { Button } from '@/ui'
import { PlanPanel } from '../../plan'
import { FaultFinder } from './FaultFinder'
import { Failures } from './Failures'
import { MeterTool } from './MeterTool'
import { TakeOut } from './TakeOut'
import { WireFinder } from './WireFinder'
import type { Leads } from '../leads'

const TOOLS = [
  { id: 'plan', label: 'Plan', show: PlanPanel },
  { id: 'meter', label: 'Meter', show: MeterTool },
  { id: 'finder', label: 'Find the fault', show: FaultFinder },
  { id: 'failures', label: 'If one part fails', show: Failures },
  { id: 'wires', label: 'Wire finder', show: WireFinder },
  { id: 'out', label: 'Export', show: TakeOut },
] as const
export type Tool = (typeof TOOLS)[number]['id']

/** What can be asked of the wiring beside looking at it; one tool open at a time. */
export function BenchTools({
  open,
  setOpen,
  leads,
  setLeads,
}: {
  open: Tool | null
  setOpen: (tool: Tool | null) => void
  leads: Leads
  setLeads: (leads: Leads) => void
}) {
  const tool = TOOLS.find((t) => t.id === open)
  return (
    <div className="no-print mt-3 scroll-mt-20 border-t border-line pt-2 pb-6">
      <div className="flex flex-wrap gap-2" role="group" aria-label="Tools">
        {TOOLS.map((t) => (
          <Button
            key={t.id}
            look={open === t.id ? 'strong' : 'plain'}
            aria-expanded={open === t.id}
            onClick={() => setOpen(open === t.id ? null : t.id)}
          >
            {t.label}
          </Button>
        ))}
      </div>
      {tool && (
        <div className="mt-3">
          <tool.show leads={leads} setLeads={setLeads} />
        </div>
      )}
    </div>
  )
}
