import { buildSync } from 'esbuild'
import { join } from 'node:path'

/**
 * The worker of many fits as one program, fonts included: it needs nothing beside it, wherever the server stands.
 * @param root the folder of the checkout
 */
export function bundleWorker(root: string): string {
  const { outputFiles } = buildSync({
    entryPoints: [join(root, 'server', 'many', 'worker.ts')],
    bundle: true,
    write: false,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    loader: { '.woff': 'binary' },
    logLevel: 'error',
  })
  return outputFiles[0]!.text
}
