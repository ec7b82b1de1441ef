'use client'

import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { Button, cx } from '@/ui'
import { PlanPanel } from '../../plan'
import { FaultFinder } from './FaultFinder'
import { Failures } from './Failures'
import { MeterTool } from './MeterTool'
import { ExportPanel } from './ExportPanel'
import { WireFinder } from './WireFinder'
import type { Leads } from '../leads'

const TOOLS = [
  { id: 'plan', label: 'Plan', show: PlanPanel },
  { id: 'meter', label: 'Meter', show: MeterTool },
  { id: 'finder', label: 'Find the fault', show: FaultFinder },
  { id: 'failures', label: 'If one part fails', show: Failures },
  { id: 'wires', label: 'Wire finder', show: WireFinder },
  { id: 'export', label: 'Export', show: ExportPanel },
] as const
export type Tool = (typeof TOOLS)[number]['id']

interface ToolProps {
  open: Tool | null
  setOpen: (tool: Tool | null) => void
  leads: Leads
  setLeads: (leads: Leads) => void
}

/** What can be asked of the wiring beside looking at it; one tool open at a time. */
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
      <tool.show leads={leads} setLeads={setLeads} />
    </aside>
  )
}

/** On a phone: the tools in a sheet over what is looked at, which stays in use behind it. */
export function ToolSheet({
  shown,
  setShown,
  open,
  setOpen,
  leads,
  setLeads,
}: ToolProps & { shown: boolean; setShown: (shown: boolean) => void }) {
  const tool = TOOLS.find((t) => t.id === open)
  return (
    <Dialog.Root open={shown} onOpenChange={setShown} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onInteractOutside={(e) => e.preventDefault()}
          className="no-print fixed inset-x-0 bottom-[108px] z-10 max-h-[46dvh] overflow-y-auto border-t-2 border-edge bg-panel px-4 pt-2 pb-4 shadow-lg lg:hidden"
        >
          <div className="flex items-center justify-between">
            <Dialog.Title className="text-lg font-bold">{tool?.label ?? 'Tools'}</Dialog.Title>
            <span className="flex">
              {tool && (
                <Button look="quiet" onClick={() => setOpen(null)}>
                  All tools
                </Button>
              )}
              <Dialog.Close asChild>
                <Button look="quiet" className="!px-3" aria-label="Close the tools">
                  <X aria-hidden className="size-5" />
                </Button>
              </Dialog.Close>
            </span>
          </div>
          {tool ? (
            <tool.show leads={leads} setLeads={setLeads} />
          ) : (
            <ToolButtons open={open} setOpen={setOpen} className="mt-1 grid grid-cols-2" />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
