/** How the tabs of a place look. */
export const TAB_LOOK =
  'inline-flex min-h-12 items-center rounded border border-edge bg-raised px-4 text-[15px] leading-tight hover:bg-panel data-[state=active]:border-ink data-[state=active]:bg-ink data-[state=active]:text-bench lg:min-h-9 lg:px-3'
