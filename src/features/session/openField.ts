import type { StoreApi } from 'zustand'
import type { SessionState } from './sessionState'

/**
 * The revision that was seen when the box that somebody types in was first typed in: what is made of it is compared with what
 * others have done since, however long it stays open.
 */
export function watchOpenField(state: StoreApi<SessionState>): {
  seen: () => number | undefined
  close: () => void
} {
  let open: { box: EventTarget; version: number } | null = null
  const typed = ({ target }: Event) => {
    if (target && open?.box !== target) open = { box: target, version: state.getState().view.version }
  }
  const left = () => {
    open = null
  }
  document.addEventListener('input', typed, true)
  document.addEventListener('focusout', left, true)
  return {
    seen: () => (open && open.box === document.activeElement ? open.version : undefined),
    close: () => {
      document.removeEventListener('input', typed, true)
      document.removeEventListener('focusout', left, true)
    },
  }
}
