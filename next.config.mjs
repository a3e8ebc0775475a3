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
  // Read as they are, once: bundled, every route would carry copies of them.
  serverExternalPackages: [
    'better-auth',
    'class-transformer',
    'class-validator',
    'drizzle-orm',
    'nodemailer',
    'pdfkit',
    'pg',
    'pino',
    'piscina',
    'sharp',
  ],
  devIndicators: false,
  experimental: {
    // Words of the server's own errors name its functions as they are written, and the build takes half the time.
    serverMinification: false,
    turbopackSourceMaps: false,
    // Every build begins from nothing (./falto).
    turbopackFileSystemCacheForBuild: false,
  },
}

export default config
