import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { By, until } from 'selenium-webdriver'
import { contextOf, foldPlan } from '../core/changes'
import { compareFigures, comparePieces, type ComparedSide } from '../core/fittings'
import { readBackup, stopsOf } from '../core/formats'
import { DEFAULT_TOLERANCES } from '../core/match'
import { HARBOUR_FIT } from '../demo/cooks-blouse'
import { demoWardrobe } from '../demo/wardrobe'
import { byTest, click, openBrowser, serve } from './browser'

// npm run bench:fittings: a machine with two hundred fittings and six hundred photographs on it: how fast the station opens, how a backup
// goes out and comes back, what memory it takes, and how fast two versions are compared. Build first. Nothing here passes or fails.

const FITTINGS = 200
const PHOTOS_EACH = 3
const PHOTO_BYTES = 180_000
const RUNS = 9

const middle = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Fills the page's storage: every fifth fitting belongs to the Cook's blouse, the others to other fits of the demo. */
const FILL = `
  const [fittings, each, bytes, done] = arguments
  const open = indexedDB.open('tidal-seam')
  open.onsuccess = () => {
    const db = open.result
    const tx = db.transaction(['fits', 'fittings', 'photos', 'pictures'], 'readwrite')
    const all = tx.objectStore('fits').getAllKeys()
    const one = tx.objectStore('fittings').get('first')
    one.onsuccess = () => {
      const photoOf = tx.objectStore('photos').get('demo-mock-up-front')
      photoOf.onsuccess = () => {
        for (let i = 0; i < fittings; i++) {
          const fitId = i % 5 === 0 ? '${HARBOUR_FIT}' : all.result[i % all.result.length]
          const id = 'bench-' + i
          tx.objectStore('fittings').put({ ...one.result, id, fitId, versionId: null, heldOn: '2025-' + String(1 + (i % 12)).padStart(2, '0') + '-11' })
          for (let k = 0; k < each; k++) {
            const data = new Uint8Array(bytes)
            for (let at = 0; at < bytes; at += 65536) crypto.getRandomValues(data.subarray(at, Math.min(bytes, at + 65536)))
            data.set([0xff, 0xd8, 0xff], 0)
            const photoId = id + '-' + k
            tx.objectStore('photos').put({ ...photoOf.result, id: photoId, fitId, fittingId: id, bytes })
            tx.objectStore('pictures').put({ id: photoId, type: 'image/jpeg', data, keptAt: new Date().toISOString() })
          }
        }
      }
    }
    tx.oncomplete = () => { db.close(); done() }
  }`

const server = await serve()
const { driver, downloads, close } = await openBrowser()
try {
  await driver.get(server.url)
  await click(driver, 'open-demo-first')
  await driver.wait(until.elementLocated(By.css('[data-id="demo-blouse"]')), 20_000)
  await wait(3000)
  await driver.manage().setTimeouts({ script: 120_000 })
  await driver.executeAsyncScript(FILL, FITTINGS, PHOTOS_EACH, PHOTO_BYTES)
  console.log(`${FITTINGS} fittings, ${FITTINGS * PHOTOS_EACH} photographs of ${PHOTO_BYTES / 1000} kB`)

  const opened: number[] = []
  for (let i = 0; i < RUNS; i++) {
    await driver.get(`${server.url}/garment/demo-blouse/reshape?fit=${HARBOUR_FIT}`)
    await byTest(driver, 'table')
    await wait(1500)
    opened.push(
      await driver.executeAsyncScript<number>(`
        const done = arguments[arguments.length - 1]
        const from = performance.now()
        document.querySelector('[data-test=station-fittings]').click()
        const look = () => document.querySelectorAll('[data-test=story-fitting]').length > 10 ? done(performance.now() - from) : requestAnimationFrame(look)
        look()`),
    )
  }
  console.log(`the station opens: median ${Math.round(middle(opened))} ms, longest ${Math.round(Math.max(...opened))} ms`)
  const heap = () => driver.executeScript<number>('return performance.memory.usedJSHeapSize')
  console.log(`memory of the page: ${Math.round((await heap()) / 1e6)} MB`)

  await driver.get(server.url)
  await driver.wait(until.elementLocated(By.css('[data-id="demo-blouse"]')), 20_000)
  const before = Date.now()
  await click(driver, 'back-up')
  const arrived = () => (existsSync(downloads) ? readdirSync(downloads) : []).find((f) => f.endsWith('.zip'))
  while (!arrived()) await wait(50)
  const file = arrived()!
  console.log(`backup: ${((Date.now() - before) / 1000).toFixed(1)} s, ${Math.round(statSync(join(downloads, file)).size / 1e6)} MB`)
  console.log(`memory of the page after it: ${Math.round((await heap()) / 1e6)} MB`)
  const read = readBackup(new Uint8Array(readFileSync(join(downloads, file))))
  if (!read.ok) throw new Error(read.problem.message)
  console.log(
    `in it: ${read.value.file.fittings.length} fittings, ${read.value.file.photos.length} photographs, ${read.value.pictures.size} pictures`,
  )
  await click(driver, 'wardrobe-menu')
  await click(driver, 'delete-everything')
  await click(driver, 'delete-everything-sure')
  await byTest(driver, 'open-demo-first')
  const restoring = Date.now()
  await (await driver.findElement(By.css('[data-test="restore-file"]'))).sendKeys(join(downloads, file))
  await driver.wait(until.elementLocated(By.css('[data-id="demo-blouse"]')), 120_000)
  console.log(`restore: ${((Date.now() - restoring) / 1000).toFixed(1)} s; memory of the page: ${Math.round((await heap()) / 1e6)} MB`)
} finally {
  await close()
  server.stop()
}

const { projects, wearers } = demoWardrobe(new Date())
const project = projects.find((p) => p.id === HARBOUR_FIT)!
const context = contextOf(project.garment, project, wearers.find((w) => w.id === project.wearerId) ?? null, DEFAULT_TOLERANCES)
const altered = foldPlan(project.garment, stopsOf(project), context).garment
const side = (garment: ComparedSide['garment']): ComparedSide => ({
  garment,
  sizeId: garment.baseSizeId,
  sizing: project.sizing,
  body: context.body,
})
const times = Array.from({ length: RUNS }, () => {
  const from = performance.now()
  comparePieces(side(project.garment), side(altered), 'underarm')
  compareFigures(side(project.garment), side(altered))
  return performance.now() - from
})
console.log(`two versions compared: median ${middle(times).toFixed(1)} ms, longest ${Math.max(...times).toFixed(1)} ms`)
