import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import { Offline } from '@/features/offline'
import { THEME_SCRIPT } from '@/ui'
import { beyond, text } from './fonts'
import './globals.css'

export const metadata: Metadata = {
  title: 'Gate Cross',
  description: 'Wiring, proof and start-up of heat pumps, for the technician who does it.',
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1, viewportFit: 'cover' }

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  // Its page's policy lets only scripts with this run; a page that is made for one request has its own.
  const nonce = (await headers()).get('x-nonce') ?? undefined
  return (
    <html lang="en" className={`${text.variable} ${beyond.variable}`} suppressHydrationWarning>
      <head>
        {/* Before the first paint, so that the page does not flash in the other theme. */}
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        {children}
        <Offline />
      </body>
    </html>
  )
}
