import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { By, until } from 'selenium-webdriver'
import { byTest, click, openBrowser, serve, type Opened } from './browser'

// npm run bench:page: the wardrobe and a garment beside an empty page of the same framework: script that is fetched, first paint, when
// what one came for is there, and how far things jump meanwhile; and a large wardrobe. Build first. Nothing here passes or fails.

const RUNS = 9
/** Garments that hang in the wardrobe. */
const HUNG = 50
/** A wardrobe of many years. */
const LARGE = { garments: 500, wearers: 100, acts: 10_000 }
/** How long a page is watched for what it still fetches, ms. */
const WATCHED_MS = 1500

/** An application of the same framework with one page that says its name, built once. */
function buildEmpty(): string {
  const dir = join('node_modules', '.cache', 'tidal-seam', 'empty-page')
  const built = join(dir, '.output')
  if (existsSync(join(built, 'server'))) return built
  mkdirSync(join(dir, 'pages'), { recursive: true })
  writeFileSync(join(dir, 'package.json'), '{ "private": true, "type": "module" }\n')
  writeFileSync(
    join(dir, 'nuxt.config.ts'),
    "export default { ssr: false, telemetry: false, nitro: { compressPublicAssets: true }, compatibilityDate: '2026-11-01' }\n",
  )
  writeFileSync(join(dir, 'app.vue'), '<template><NuxtPage /></template>\n')
  writeFileSync(join(dir, 'pages', 'index.vue'), '<template><h1 data-test="empty">Tidal Seam</h1></template>\n')
  if (!existsSync(join(dir, 'node_modules'))) symlinkSync(join(process.cwd(), 'node_modules'), join(dir, 'node_modules'))
  const done = spawnSync(process.execPath, [join(process.cwd(), 'node_modules', 'nuxt', 'bin', 'nuxt.mjs'), 'build'], { cwd: dir })
  if (done.status !== 0) throw new Error(`the empty page could not be built:\n${String(done.stderr)}`)
  return built
}

/**
 * Script that a page needs before it can be drawn, packed, bytes: the one that every page begins with, the pages' own, and what these name.
 * What is fetched afterwards, while one reads, is not among it.
 */
function scriptOf(built: string, pages: readonly string[]): number {
  const dir = join(built, 'public', '_nuxt')
  const read = (name: string) => readFileSync(join(dir, name), 'utf8')
  // The only one that knows the pages by their names.
  const entry = readdirSync(dir).find((name) => name.endsWith('.js') && /name:"index",path:"\/"/.test(read(name)))!
  const found = new Set<string>()
  const take = (name: string) => {
    if (found.has(name)) return
    found.add(name)
    for (const [, other] of read(name).matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)) take(other!)
  }
  take(entry)
  for (const page of pages) take(new RegExp(`name:"${page}"[^}]*?import\\("\\./([^"]+)"\\)`).exec(read(entry))![1]!)
  return [...found].reduce((sum, name) => sum + gzipSync(read(name), { level: 9 }).length, 0)
}

interface Seen {
  paint: number
  /** When what one came for was there. */
  there: number
  /** How far things jumped (the sum that browsers call layout shift). */
  shift: number
}

/** Notes, before anything of the page runs, when an element comes into sight and what jumps. */
const watching = (name: string) => `
  window.seen = { there: 0, shift: 0 }
  new PerformanceObserver((list) => { for (const e of list.getEntries()) if (!e.hadRecentInput) window.seen.shift += e.value })
    .observe({ type: 'layout-shift', buffered: true })
  const look = () => {
    if (document.querySelector('[data-test="${name}"]')) window.seen.there = performance.now()
    else requestAnimationFrame(look)
  }
  look()`

const READ = `return { paint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0, ...window.seen }`

const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

/** Opens an address with nothing of it kept from before. */
async function look(driver: Opened['driver'], url: string, name: string): Promise<Seen> {
  await driver.sendDevToolsCommand('Network.setBypassServiceWorker', { bypass: true })
  await driver.sendDevToolsCommand('Network.clearBrowserCache', {})
  const { identifier } = (await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: watching(name),
  })) as unknown as {
    identifier: string
  }
  await driver.get(url)
  await driver.wait(async () => (await driver.executeScript('return window.seen?.there ?? 0')) !== 0, 30_000, `${name} on ${url}`)
  const first = (await driver.executeScript(READ)) as Seen
  await driver.sleep(WATCHED_MS)
  const last = (await driver.executeScript(READ)) as Seen
  await driver.sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier })
  return { ...first, shift: last.shift }
}

/** More in the storage of the page: what is there of the demo once more, under ids of its own, and acts that could be undone. */
const HANG = `
  const [counts, done] = arguments
  const open = indexedDB.open('tidal-seam')
  open.onsuccess = () => {
    const db = open.result
    const tx = db.transaction(['garments', 'fits', 'wearers', 'acts'], 'readwrite')
    const [garments, fits, wearers, acts] = ['garments', 'fits', 'wearers', 'acts'].map((name) => tx.objectStore(name))
    const choices = { school: null, fit: 'as-designed', fabric: 'medium', wantedMm: {}, chosen: {}, traced: [] }
    garments.getAll().onsuccess = ({ target: { result: rows } }) => {
      for (let i = rows.length; i < counts.garments; i++) {
        const { createdAt, updatedAt, ...row } = rows[i % rows.length]
        const garmentId = row.id + '-' + i
        garments.put({ ...row, id: garmentId, name: row.name + ' ' + i, createdAt, updatedAt })
        fits.put({ id: 'fit-' + i, garmentId, name: '', wearerId: null, choices, plan: [], notes: '', createdAt, updatedAt })
      }
    }
    wearers.getAll().onsuccess = ({ target: { result: rows } }) => {
      for (let i = rows.length; i < counts.wearers; i++) wearers.put({ ...rows[i % rows.length], id: 'wearer-' + i, name: 'Chorus ' + i })
    }
    for (let i = 0; i < counts.acts; i++)
      acts.add({ scope: 'fit-' + (i % 100), label: 'note ' + i, at: new Date().toISOString(), undone: 0, changes: [] })
    tx.oncomplete = () => { db.close(); done() }
  }`

/** How many fits it is kept of what is left to settle in them. */
const SETTLED = `
  const [done] = arguments
  const open = indexedDB.open('tidal-seam')
  open.onsuccess = () => {
    const count = open.result.transaction('settled').objectStore('settled').count()
    count.onsuccess = () => { open.result.close(); done(count.result) }
  }`
/** Five hundred garments are worked out one after the other, ms. */
const SETTLING_MS = 600_000

const builtEmpty = buildEmpty()
const empty = await serve(builtEmpty)
const server = await serve()
const { driver, close } = await openBrowser()
try {
  await driver.get(server.url)
  await click(driver, 'open-demo-first')
  await driver.wait(until.elementLocated(By.css('[data-id="demo-dress"]')), 30_000)
  await driver.manage().setTimeouts({ script: 120_000 })
  await driver.executeAsyncScript(HANG, { garments: HUNG, wearers: 0, acts: 0 })
  await byTest(driver, 'open-demo')
  const pages = [
    { what: 'an empty page', url: empty.url, name: 'empty', script: scriptOf(builtEmpty, ['index']) },
    { what: `the wardrobe with ${HUNG} garments`, url: server.url, name: 'garment-card', script: scriptOf('.output', ['index']) },
    {
      what: 'a garment on its table',
      url: `${server.url}/garment/demo-dress/reshape`,
      name: 'table',
      script: scriptOf('.output', ['garment', 'garment-id-reshape']),
    },
  ]
  const seen = pages.map((): Seen[] => [])
  for (let run = 0; run < RUNS; run++) for (const [i, { url, name }] of pages.entries()) seen[i]!.push(await look(driver, url, name))
  const figures = seen.map((runs, i) => {
    const of = (key: keyof Seen) => middle(runs.map((r) => r[key]))
    return { script: pages[i]!.script, paint: of('paint'), there: of('there'), shift: of('shift') }
  })
  const [base] = figures
  console.log(`middle of ${RUNS} runs in turn; in brackets, times that of the empty page`)
  for (const [i, f] of figures.entries()) {
    const times = (key: 'script' | 'paint' | 'there') => `(${(f[key] / base![key]).toFixed(2)})`
    console.log(
      `${pages[i]!.what.padEnd(32)} script ${(f.script / 1000).toFixed(0)} kB ${times('script')}  first paint ${f.paint.toFixed(0)} ms ${times('paint')}  there ${f.there.toFixed(0)} ms ${times('there')}  jumps ${f.shift.toFixed(3)}`,
    )
  }
  await driver.get(server.url)
  await byTest(driver, 'open-demo')
  await driver.executeAsyncScript(HANG, LARGE)
  const first = (await look(driver, server.url, 'garment-card')).there
  // As one that was open before: what is left to settle is worked out once, and kept.
  await driver.wait(async () => (await driver.executeAsyncScript<number>(SETTLED)) >= LARGE.garments, SETTLING_MS)
  const large: number[] = []
  for (let run = 0; run < RUNS; run++) large.push((await look(driver, server.url, 'garment-card')).there)
  console.log(
    `the wardrobe with ${LARGE.garments} garments, ${LARGE.wearers} wearers and ${LARGE.acts} acts: there after ${middle(large).toFixed(0)} ms; for the first time after ${first.toFixed(0)} ms`,
  )
} finally {
  await close()
  server.stop()
  empty.stop()
}
