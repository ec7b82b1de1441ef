'use client'

import { X } from 'lucide-react'
import { Button, cx } from '@/ui'
import { lazy, Suspense, type ComponentType } from 'react'
import type { Leads } from '../leads'

interface Leading {
  leads: Leads
  setLeads: (leads: Leads) => void
}
/** Fetched when it is opened first, or ahead when nothing else is to be done. */
const tool = (load: () => Promise<ComponentType<Leading>>) => ({
  fetch: load,
  show: lazy(async () => ({ default: await load() })),
})
export const TOOLS = [
  { id: 'plan', label: 'Plan', ...tool(async () => (await import('../../plan')).PlanPanel) },
  { id: 'meter', label: 'Meter', ...tool(async () => (await import('./MeterTool')).MeterTool) },
  { id: 'finder', label: 'Find the fault', ...tool(async () => (await import('./FaultFinder')).FaultFinder) },
  { id: 'failures', label: 'If one part fails', ...tool(async () => (await import('./Failures')).Failures) },
  { id: 'wires', label: 'Wire finder', ...tool(async () => (await import('./WireFinder')).WireFinder) },
  { id: 'export', label: 'Export', ...tool(async () => (await import('./ExportPanel')).ExportPanel) },
] as const
/** Fetches every tool, for when nothing else is to be done. */
export const fetchTools = () => Promise.all(TOOLS.map((t) => t.fetch()))
export type Tool = (typeof TOOLS)[number]['id']

export interface ToolProps extends Leading {
  open: Tool | null
  setOpen: (tool: Tool | null) => void
}

/** Tools of the wiring page; one is open at a time. */
export function ToolButtons({
  open,
  setOpen,
  className,
}: Pick<ToolProps, 'open' | 'setOpen'> & { className?: string }) {
  return (
    <div className={cx('flex flex-wrap gap-1.5', className)} role="group" aria-label="Tools">
      {TOOLS.map((t) => (
        <Button
          key={t.id}
          className="lg:!min-h-9 lg:!px-2.5 lg:text-[15px]"
          look={open === t.id ? 'strong' : 'plain'}
          aria-expanded={open === t.id}
          onClick={() => setOpen(open === t.id ? null : t.id)}
        >
          {t.label}
        </Button>
      ))}
    </div>
  )
}

/** The open tool beside the drawing, where its answer and the drawing are seen together. */
export function ToolPanel({ open, setOpen, leads, setLeads }: ToolProps) {
  const tool = TOOLS.find((t) => t.id === open)
  if (!tool) return null
  return (
    <aside
      aria-label={tool.label}
      className="no-print sticky top-[84px] max-h-[calc(100dvh-96px)] overflow-y-auto pb-4"
    >
      <div className="mb-2 flex items-center justify-between gap-2">
        <p className="text-lg font-bold">{tool.label}</p>
        <Button
          look="quiet"
          className="!px-2"
          aria-label={`Close ${tool.label}`}
          onClick={() => setOpen(null)}
        >
          <X aria-hidden className="size-5" />
        </Button>
      </div>
      <Suspense>
        <tool.show leads={leads} setLeads={setLeads} />
      </Suspense>
    </aside>
  )
}
