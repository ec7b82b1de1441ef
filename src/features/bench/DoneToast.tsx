'use client'

import { Toast } from 'radix-ui'
import { Button } from '@/ui'
import { BANNER, BANNER_LOOK } from './banner'
import type { useLanding } from './useLanding'

/** ms that what was done is offered for undoing; a pointer on it, or another window, holds it. */
const UNDO_MS = 10_000

/** The last action, with undo. */
export function DoneToast({ landing, hidden }: { landing: ReturnType<typeof useLanding>; hidden: boolean }) {
  const { done } = landing
  return (
    <Toast.Provider duration={UNDO_MS} label="Done" swipeDirection="down">
      {done && !hidden && (
        <Toast.Root key={done.at} className={BANNER_LOOK} onOpenChange={(open) => !open && landing.forget()}>
          <Toast.Title>{done.words}.</Toast.Title>
          <Toast.Action altText="Undo it" asChild>
            <Button className="!min-h-9" onClick={landing.undoDone}>
              Undo
            </Button>
          </Toast.Action>
        </Toast.Root>
      )}
      <Toast.Viewport className={BANNER} />
    </Toast.Provider>
  )
}
