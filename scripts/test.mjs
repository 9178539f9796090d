// npm test: installs what is missing, then types, lint, formatting, unit tests, and the real interface in Chromium.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, checkNode, giveUp, installBrowser, installPackages, root, run } from './set-up.mjs'

checkNode()
await Promise.all([installPackages(), installBrowser()])

const results = join(root, 'test-results')
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
let passed = 0
let failed = 0

/** A command whose output is shown once it has ended, so that two can run beside each other. */
function check(name, command, args) {
  const since = Date.now()
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += data))
    child.on('error', (error) => (said += `${error.message}\n`))
    child.on('close', (status) => {
      if (status === 0) passed += 1
      else failed += 1
      process.stdout.write(said)
      console.log(`${status === 0 ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - since) / 1000).toFixed(0)} s)`)
      resolve()
    })
  })
}

/** A Vitest run, counted test by test from its report. */
function tests(name, script) {
  const report = join(results, `${script.replace(':', '-')}.json`)
  const since = Date.now()
  const done = spawnSync('npm', ['run', '--silent', script, '--', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`], {
    cwd: root,
    stdio: 'inherit',
  })
  const counts = existsSync(report) ? JSON.parse(readFileSync(report, 'utf8')) : { numPassedTests: 0, numFailedTests: 1 }
  passed += counts.numPassedTests
  failed += counts.numFailedTests
  if (done.status !== 0 && counts.numFailedTests === 0) failed += 1
  console.log(`${done.status === 0 ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - since) / 1000).toFixed(0)} s)`)
}

const npm = (...args) => ['npm', ['run', '--silent', ...args]]
// What types and lint read of the framework; each would write it anew.
if (!(await run('npx', ['--no-install', 'nuxt', 'prepare']))) giveUp('The framework could not be prepared: see set-up.log.')
// Building keeps one core busy, and writes elsewhere than what is read here; what needs one core as well goes on beside it.
const onOneCore = async () => {
  await check('types', 'npx', ['--no-install', 'vue-tsc', '--noEmit', '-p', 'tsconfig.json'])
  await check('lint', ...npm('lint'))
  await check('formatting', ...npm('format:check'))
  // A fixed run, so that it says the same everywhere; it is not timed.
  await check('fuzzing', ...npm('fuzz', '--', '--cases', '1200', '--seed', '2026', '--limit', '30'))
}
await Promise.all([build(), onOneCore()])
tests('unit tests', 'test:unit')
tests('interface in Chromium', 'test:e2e')
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
