// npm test: installs what is missing, then types, lint, formatting, unit tests, and the real interface in Chromium.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, checkNode, installBrowser, installPackages, root } from './set-up.mjs'

checkNode()
installPackages()
installBrowser()

const results = join(root, 'test-results')
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
let passed = 0
let failed = 0

function check(name, args) {
  const since = Date.now()
  const done = spawnSync('npm', ['run', '--silent', ...args], { cwd: root, stdio: 'inherit' })
  const good = done.status === 0
  if (good) passed += 1
  else failed += 1
  console.log(`${good ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - since) / 1000).toFixed(0)} s)`)
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

check('types', ['typecheck'])
check('lint', ['lint'])
check('formatting', ['format:check'])
tests('unit tests', 'test:unit')
// A fixed run, so that it says the same everywhere; it takes about half a minute here, and is not timed.
check('fuzzing', ['fuzz', '--', '--cases', '2000', '--seed', '2026', '--limit', '30'])
build()
tests('interface in Chromium', 'test:e2e')
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
