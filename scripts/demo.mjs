// npm run demo: installs what is missing, builds, serves, prints the address.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { build, checkNode, giveUp, installPackages, root } from './set-up.mjs'

const FIRST_PORT = Number(process.env.PORT ?? 4310)

function isFree(port) {
  return new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)))
  })
}

checkNode()
await installPackages()
await build()
let port = FIRST_PORT
while (port < FIRST_PORT + 50 && !(await isFree(port))) port += 1
if (port === FIRST_PORT + 50) giveUp(`No free port from ${FIRST_PORT} to ${port - 1}. Close another program, or set PORT.`)
if (port !== FIRST_PORT) console.log(`Port ${FIRST_PORT} is busy, taking ${port}.`)
const child = spawn(process.execPath, [join(root, '.output', 'server', 'index.mjs')], {
  cwd: root,
  env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), NODE_ENV: 'production', NUXT_PUBLIC_DEMO: 'true' },
  stdio: ['ignore', 'ignore', 'inherit'],
})
child.on('exit', (code) => process.exit(code ?? 0))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
for (let i = 0; i < 100; i++) {
  if (
    await fetch(`http://127.0.0.1:${port}`).then(
      (r) => r.ok,
      () => false,
    )
  ) {
    console.log(`\nTidal Seam is at http://127.0.0.1:${port}  (press Ctrl+C to stop)`)
    console.log('The demo wardrobe hangs there already, unless this browser has garments of its own.')
    break
  }
  await new Promise((r) => setTimeout(r, 100))
}
