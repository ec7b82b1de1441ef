'use client'

import dynamic from 'next/dynamic'
import { useSyncExternalStore } from 'react'

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false })

/** A layer of the bars: its name and its color, by a variable of the theme. */
export interface ChartLayer {
  name: string
  colour: `--${string}`
  values: number[]
}

const themeOf = (): string => document.documentElement.dataset.theme ?? 'light'
function onTheme(listener: () => void): () => void {
  const watch = new MutationObserver(listener)
  watch.observe(document.documentElement, { attributeFilter: ['data-theme'] })
  return () => watch.disconnect()
}
/** A page's policy lets only styles with this in; the browser shows it to scripts alone. */
const nonceOf = (): string => document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? ''
const colourOf = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/**
 * Bars in layers. The same numbers stand in a table beside it, which is what is read aloud.
 * @param unit after or before each number, as `format` makes it
 */
export function StackedChart({
  title,
  categories,
  layers,
  format,
}: {
  title: string
  categories: string[]
  layers: ChartLayer[]
  format: (value: number) => string
}) {
  // Its colors are read from the theme, so that it is drawn anew with it.
  const theme = useSyncExternalStore(onTheme, themeOf, () => 'light')
  const ink = colourOf('--ink')
  return (
    <div aria-hidden data-chart={title} className="min-h-[245px]">
      <Chart
        key={theme}
        type="bar"
        height={230}
        series={layers.map((l) => ({ name: l.name, data: l.values }))}
        options={{
          chart: {
            stacked: true,
            background: 'transparent',
            toolbar: { show: false },
            zoom: { enabled: false },
            animations: { enabled: false },
            fontFamily: 'inherit',
            foreColor: ink,
            nonce: nonceOf(),
          },
          theme: { mode: theme === 'dark' ? 'dark' : 'light' },
          colors: layers.map((l) => colourOf(l.colour)),
          fill: { opacity: 1 },
          stroke: { width: 1, colors: [colourOf('--bench')] },
          dataLabels: { enabled: false },
          plotOptions: { bar: { columnWidth: '72%' } },
          grid: {
            borderColor: colourOf('--line'),
            strokeDashArray: 2,
          },
          xaxis: { categories, axisTicks: { show: false } },
          yaxis: { labels: { formatter: format } },
          legend: { position: 'top', horizontalAlign: 'left' },
          tooltip: { y: { formatter: format } },
        }}
      />
    </div>
  )
}
