import { buildSync } from 'esbuild'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'

/**
 * The command line (`scripts/core.ts`) for tests that call it many times: its sources are bundled once to a file of this
 * process's own, so that not every call compiles some hundred modules again.
 * @returns a function that runs the command with the arguments and gives its status, what it wrote and its errors
 */
export function bundledCommand() {
  const outfile = join('node_modules', '.cache', 'tidal-seam', `core-${process.pid}.mjs`)
  buildSync({
    entryPoints: ['scripts/core.ts'],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'silent',
  })
  return (...args: string[]) => spawnSync(process.execPath, [outfile, ...args], { encoding: 'utf8', maxBuffer: 1 << 28 })
}
