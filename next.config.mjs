/** @type {import('next').NextConfig} */
const config = {
  // Types are checked once, by ./falto test.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  // Components that say 'use memo' are drawn again only where what they show has changed; all of them would make the
  // first load a twentieth larger.
  reactCompiler: { compilationMode: 'annotation' },
  serverExternalPackages: ['pino', 'pg', 'pdfkit', 'sharp'],
  devIndicators: false,
}

export default config
