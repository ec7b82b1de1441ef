import { renderToStaticMarkup } from 'react-dom/server'
import type { Paper } from './paper'
import { paperCss } from './paperCss'
import { PaperView } from './PaperView'

/** A paper as one HTML file that needs nothing else: it opens with no network, and prints. */
export function htmlOf(paper: Paper): string {
  return `<!doctype html>\n${renderToStaticMarkup(
    <html lang={paper.lang}>
      {/* eslint-disable-next-line @next/next/no-head-element -- a file of its own, and no page of the app */}
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta httpEquiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'" />
        <title>{paper.foot}</title>
        <style dangerouslySetInnerHTML={{ __html: paperCss }} />
      </head>
      <body>
        <PaperView paper={paper} />
      </body>
    </html>,
  )}\n`
}
