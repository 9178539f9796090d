import { By, Key, until } from 'selenium-webdriver'
import { byTest, click, openBrowser, serve } from './browser'

// npm run bench:frames: what the page itself loses of its frames while eight sizes are graded over the dress. Build first.
// Nothing here passes or fails.

const RUNS = 16
/** A run counts when no more frames than this were lost while nothing was done. */
const QUIET = 1
const FRAME_MS = 1000 / 60
/** How long the page is watched after the figure was typed, ms. */
const WATCHED_MS = 1500

/** Notes every frame, and when the sizes of the result come into sight. */
const WATCH = `
  const seen = (window.seen = { at: [], shown: 0 })
  const sizes = () => document.querySelectorAll('[data-test="size-key"] li').length
  const before = sizes()
  const note = (now) => {
    seen.at.push(now)
    if (!seen.shown && sizes() !== before) seen.shown = now
    if (window.seen === seen) requestAnimationFrame(note)
  }
  requestAnimationFrame(note)`

interface Watched {
  at: number[]
  shown: number
}

const server = await serve()
const { driver, close } = await openBrowser()
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

async function type(name: string, text: string): Promise<void> {
  const field = await byTest(driver, name)
  await field.click()
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER)
}

/** Frames lost, and the longest one in ms, between two moments. */
function lost({ at }: Watched, from: number, to: number): { count: number; longest: number } {
  const gaps = at.flatMap((t, i) => (i > 0 && t > from && t <= to ? [t - at[i - 1]!] : []))
  return {
    count: gaps.reduce((n, gap) => n + Math.max(0, Math.round(gap / FRAME_MS) - 1), 0),
    longest: Math.round(Math.max(0, ...gaps)),
  }
}
const middle = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!

try {
  await driver.get(server.url)
  await click(driver, 'open-demo-first')
  await driver.wait(until.elementLocated(By.css('[data-id="demo-dress"]')), 20_000)
  await driver.get(`${server.url}/garment/demo-dress/reshape`)
  await byTest(driver, 'table')
  const wish = await byTest(driver, 'wish')
  await wish.click()
  await wish.sendKeys('grade')
  await click(driver, 'kind-grade')
  await type('field-intervalMm', '1 1/2')
  const phases = { idle: [], 'until the sizes come': [], 'while they are drawn': [] } as Record<string, ReturnType<typeof lost>[]>
  for (let run = 0; run < RUNS; run++) {
    await type('field-up', '2')
    await wait(WATCHED_MS)
    await driver.executeScript(WATCH)
    await wait(WATCHED_MS)
    const typed = (await driver.executeScript('return performance.now()')) as number
    await type('field-up', '8')
    await wait(WATCHED_MS)
    const seen = (await driver.executeScript('const { seen } = window; window.seen = null; return seen')) as Watched
    if (!seen.shown) throw new Error('the eight sizes did not come into sight')
    // The frame in which they are first seen already belongs to drawing them.
    const arrived = seen.shown - 2 * FRAME_MS
    phases.idle!.push(lost(seen, 0, typed))
    phases['until the sizes come']!.push(lost(seen, typed, arrived))
    phases['while they are drawn']!.push(lost(seen, arrived, Infinity))
  }
  const quiet = phases.idle!.map((idle) => idle.count <= QUIET)
  if (!quiet.includes(true)) throw new Error('the machine was busy in every run: try again when it is quiet')
  console.log(`frames lost of 60 a second and the longest frame: middle of ${quiet.filter(Boolean).length} quiet runs of ${RUNS}`)
  for (const [name, rows] of Object.entries(phases)) {
    const counted = rows.filter((_, i) => quiet[i])
    const counts = counted.map((r) => r.count)
    console.log(`${name.padEnd(22)} ${middle(counts)} (${counts.join(' ')})  ${middle(counted.map((r) => r.longest))} ms`)
  }
} finally {
  await close()
  server.stop()
}
