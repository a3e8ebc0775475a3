import { buildSync } from 'esbuild'
import { FOR_NODE } from './bundle.mjs'

/** The server's computing, as one file beside what Next.js builds. */
buildSync({ ...FOR_NODE, entryPoints: ['src/server/computing/worker.ts'], outfile: '.next/computing.mjs' })
