'use client'

import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { Suspense } from 'react'
import { Button } from '@/ui'
import { ToolButtons, TOOLS, type ToolProps } from './BenchTools'

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
