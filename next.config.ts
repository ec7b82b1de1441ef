import type { NextConfig } from 'next'

const config: NextConfig = {
  // These load native or optional modules at run time and must not be bundled.
  serverExternalPackages: ['sequelize', 'umzug', 'pg', 'pg-hstore'],
  poweredByHeader: false,
  devIndicators: false,
}

export default config
