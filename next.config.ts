import type { NextConfig } from 'next'

const config: NextConfig = {
  // A server runs from a copy of its build, so that building anew takes nothing away under it (scripts/lib/build.mjs).
  distDir: process.env.SALT_SHELF_BUILD ?? '.next',
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  serverExternalPackages: ['pg'],
  // Fewer and larger scripts: a station's seventeen, each packed by itself, weigh a tenth more than seven.
  experimental: { turbopackChunking: { minChunkSize: 600_000, maxMergeChunkSize: 600_000 } },
}

export default config
