/** Place of the banner that reports an action. */
export const BANNER = 'fixed inset-x-3 bottom-[10.5rem] z-20 lg:inset-x-auto lg:bottom-4 lg:left-[190px]'
export const BANNER_LOOK =
  'flex flex-wrap items-center gap-3 rounded bg-ink px-4 py-2 text-[15px] text-bench shadow-lg'
