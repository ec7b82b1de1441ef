import type { NextConfig } from 'next'

const config: NextConfig = {
  // Names the rules of this build, so that no verdict of other rules is shown as one of these.
  env: { GATE_CROSS_ENGINE: process.env.GATE_CROSS_ENGINE ?? '' },
  // These load native or optional modules at run time and must not be bundled.
  serverExternalPackages: ['sequelize', 'umzug', 'pg', 'pg-hstore'],
  poweredByHeader: false,
  devIndicators: false,
}

export default config
