'use client'

import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
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
const TOOLS = [
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

interface ToolProps extends Leading {
  open: Tool | null
  setOpen: (tool: Tool | null) => void
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
      <Suspense>
        <tool.show leads={leads} setLeads={setLeads} />
      </Suspense>
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
            <Suspense>
              <tool.show leads={leads} setLeads={setLeads} />
            </Suspense>
          ) : (
            <ToolButtons open={open} setOpen={setOpen} className="mt-1 grid grid-cols-2" />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
