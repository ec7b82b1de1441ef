import type { NextConfig } from 'next'

const config: NextConfig = {
  // Names the rules of this build, so that no verdict of other rules is shown as one of these.
  env: { GATE_CROSS_ENGINE: process.env.GATE_CROSS_ENGINE ?? '' },
  // These load native or optional modules at run time and must not be bundled.
  serverExternalPackages: ['sequelize', 'umzug', 'pg', 'pg-hstore', 'piscina', 'pino'],
  poweredByHeader: false,
  devIndicators: false,
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Referrer-Policy', value: 'same-origin' },
        ],
      },
      // A job's data is for this page now; no cache on the way may store it.
      {
        source: '/api/:path*',
        headers: [
          { key: 'Cache-Control', value: 'no-store' },
          // Pages get theirs from the proxy, with a nonce; data is nothing to show.
          { key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" },
        ],
      },
      // Packed, changes would be held back until there are enough of them; and an export takes a core while it is packed.
      { source: '/api/(changes|shop)', headers: [{ key: 'Cache-Control', value: 'no-store, no-transform' }] },
    ]),
}

export default config
