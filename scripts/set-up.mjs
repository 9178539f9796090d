// Shared by `npm run demo` and `npm test`: installs what is missing and says so. Node's own modules only, since nothing
// else is there on a fresh machine.
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')

/** Ends with one plain sentence. */
export function giveUp(sentence) {
  console.error(`\n${sentence}`)
  process.exit(1)
}

const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(0)} s`

/** Runs a command to its end, beside what else goes on. Where it fails, what it said is left in set-up.log. */
export function run(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data))
    const end = (isDone, error = '') => {
      if (!isDone) writeFileSync(join(root, 'set-up.log'), `${command} ${args.join(' ')}\n${error}\n${said}`)
      resolve(isDone)
    }
    child.on('error', (error) => end(false, error.message))
    child.on('close', (status) => end(status === 0))
  })
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    giveUp(`Tidal Seam needs Node.js 20.19 or newer; this is ${process.versions.node}. Install a newer one and try again.`)
}

const hashOf = (text) => createHash('sha256').update(text).digest('hex')

/** Installs the packages of the lock file when they are missing or the lock has changed. */
export async function installPackages() {
  const mark = join(root, 'node_modules', '.tidal-seam-lock')
  const lock = hashOf(readFileSync(join(root, 'package-lock.json')))
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  console.log('Installing packages (about a minute and a half the first time) ...')
  const since = Date.now()
  // Not “npm ci”: it refuses a lock without the optional binaries of other systems, and a registry that has not got all
  // of them makes such a lock. Installing by the lock without saving takes the same versions.
  if (!(await run('npm', ['install', '--no-save', '--no-audit', '--no-fund'])))
    giveUp('The packages could not be installed: see set-up.log. Check the connection to the package registry and try again.')
  writeFileSync(mark, lock)
  console.log(`Packages installed in ${seconds(since)}.`)
}

/** Debian's Chromium, its driver, and the tool that turns PDF pages into pictures, for the tests. */
export async function installBrowser() {
  const wanted = [
    ['/usr/bin/chromium', 'chromium'],
    ['/usr/bin/chromedriver', 'chromium-driver'],
    ['/usr/bin/pdftoppm', 'poppler-utils'],
  ].filter(([file]) => !existsSync(file))
  if (wanted.length === 0) return
  const names = wanted.map(([, name]) => name)
  console.log(`Installing ${names.join(', ')} (about a minute) ...`)
  const since = Date.now()
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = (...args) => run([...sudo, 'apt-get'][0], [...sudo, 'apt-get', ...args].slice(1), { DEBIAN_FRONTEND: 'noninteractive' })
  if (!(await apt('update', '-qq')) || !(await apt('install', '-y', '-qq', ...names)))
    giveUp(`${names.join(', ')} could not be installed: see set-up.log. Install them by hand and try again.`)
  console.log(`Installed in ${seconds(since)}.`)
}

const SOURCES = ['app', 'core', 'demo', 'public', 'server', 'nuxt.config.ts', 'package-lock.json']

function sourceHash() {
  const sum = createHash('sha256')
  const add = (path) => {
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name))
    else if (!path.endsWith('.test.ts')) sum.update(relative(root, path)).update(readFileSync(path))
  }
  for (const name of SOURCES) if (existsSync(join(root, name))) add(join(root, name))
  return sum.digest('hex')
}

/** Builds the application when its sources have changed since the last build. */
export async function build() {
  const mark = join(root, '.output', '.tidal-seam-sources')
  const now = sourceHash()
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return
  console.log('Building (two or three minutes) ...')
  const since = Date.now()
  if (!(await run('npx', ['--no-install', 'nuxt', 'build'], { NUXT_TELEMETRY_DISABLED: '1' })))
    giveUp('The application could not be built: see set-up.log.')
  mkdirSync(dirname(mark), { recursive: true })
  writeFileSync(mark, now)
  console.log(`Built in ${seconds(since)}.`)
}
