/** @type {import('next').NextConfig} */
const config = {
  // Types are checked once, by ./falto test.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  serverExternalPackages: ['pino', 'pg'],
  devIndicators: false,
}

export default config
