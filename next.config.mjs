/** Names this build: a fingerprint of its sources where ./falto makes it. */
const build = process.env['FALTO_BUILD'] ?? 'development'

/** @type {import('next').NextConfig} */
const config = {
  // Types are checked once, by ./falto test.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  generateBuildId: () => build,
  env: { FALTO_BUILD: build },
  // Components that say 'use memo' are drawn again only where what they show has changed; all of them would make the
  // first load a twentieth larger.
  reactCompiler: { compilationMode: 'annotation' },
  // Every page's title is known beforehand: it comes with the page, for everybody, and never a moment later.
  htmlLimitedBots: /.*/,
  serverExternalPackages: ['pino', 'pg', 'pdfkit', 'sharp', 'piscina'],
  devIndicators: false,
}

export default config
