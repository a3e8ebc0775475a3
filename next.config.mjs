/** @type {import('next').NextConfig} */
const config = {
  // Types are checked once, by ./falto test.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  serverExternalPackages: ['pino', 'pg', 'pdfkit', 'sharp'],
  devIndicators: false,
}

export default config
