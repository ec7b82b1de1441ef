import type { Metadata, Viewport } from 'next'
import { THEME_SCRIPT } from '@/ui'
import './globals.css'

export const metadata: Metadata = {
  title: 'Gate Cross',
  description: 'Wiring, proof and start-up of heat pumps, for the technician who does it.',
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1, viewportFit: 'cover' }

export default function RootLayout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* Before the first paint, so that the page does not flash in the other theme. */}
        <script dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>{children}</body>
    </html>
  )
}
