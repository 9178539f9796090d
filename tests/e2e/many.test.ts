import { unzipSync } from 'fflate'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, type WebDriver } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { writeWearersCsv } from '../../core/body'
import { byTest, click, LONG_WAIT_MS, openBrowser, WAIT_MS } from '../../scripts/browser'
import { makeBody } from '../../scripts/study/make-body'
import { useApplication } from './session'

const app = useApplication()
const { textOf, soon, freshDemo, download } = app
let driver: WebDriver
beforeAll(() => {
  driver = app.driver()
})

/** A table of made wearers, as a workshop sends it. */
function tableOf(count: number, first = 60): string {
  const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-chorus-')), 'chorus.csv')
  const chorus = Array.from({ length: count }, (_, i) => ({
    id: `c${i}`,
    name: `Chorus ${i + 1}`,
    ownMeasures: [],
    sets: [{ ...makeBody(first + i), takenOn: '2026-05-01' }],
  }))
  writeFileSync(file, writeWearersCsv(chorus, 'cm'))
  return file
}

async function readTable(on: WebDriver, url: string, file: string) {
  await on.get(`${url}/wearers`)
  await (await byTest(on, 'csv-file')).sendKeys(file)
  await byTest(on, 'wearer-Chorus 1')
}

/** The dress for everybody whose name begins so. */
async function choose(on: WebDriver, url: string, count: number) {
  await on.get(`${url}/many`)
  await click(on, 'many-Quay dress')
  for (let i = 1; i <= count; i++) await click(on, `many-Chorus ${i}`)
}

const cell = async (row: string, name: string) =>
  (await (await byTest(driver, `many-row-${row}`)).findElement(By.css(`[data-test="${name}"]`)).getText()).replace(/\s+/g, ' ')

describe('many fits', () => {
  it('fit the dress to twelve wearers at once: a table, one zip, and the figures that each fit has opened alone', async () => {
    await freshDemo()
    const file = tableOf(12)
    await readTable(driver, app.url(), file)
    await choose(driver, app.url(), 12)
    await expect.poll(() => textOf('many-start')).toBe('Work out 12 fits')
    await click(driver, 'many-start')
    await driver.wait(async () => (await driver.findElements(By.css('[data-test="many-open"]'))).length === 12, LONG_WAIT_MS, 'twelve fits')
    await soon('all are done', async () => (await textOf('message')).includes('12 fits worked out'))
    await click(driver, 'many-take')
    await soon('taken', async () => (await textOf('message')).includes('12 fits taken'))
    // Looked at as the fits that they are now: nothing is worked out again.
    await soon('there', async () => (await textOf('many-row-Chorus 3')).includes('there already'))

    await click(driver, 'many-zip')
    const zip = await driver.wait(() => download('.zip').catch(() => null), LONG_WAIT_MS, 'the zip')
    const files = unzipSync(readFileSync(zip!))
    for (let i = 1; i <= 12; i++)
      for (const name of ['sheets.pdf', 'pieces.svg', 'pieces.dxf', 'notebook.pdf', 'cutting-cards.pdf', 'fit.json'])
        expect(Object.keys(files)).toContain(`chorus-${i}/quay-dress/${name}`)
    expect(new TextDecoder().decode(files['table.csv']).trim().split('\r\n')).toHaveLength(13)

    const name = 'Chorus 9'
    await driver.get(`${app.url()}/many`)
    await byTest(driver, `many-row-${name}`)
    const told = {
      stops: await cell(name, 'many-stops'),
      size: await cell(name, 'many-size'),
      seams: await cell(name, 'many-seams'),
      pages: await cell(name, 'many-pages'),
      cloth: await cell(name, 'many-cloth-of'),
    }
    const row = await byTest(driver, `many-row-${name}`)
    await row.findElement(By.css('[data-test="many-open"]')).click()
    await byTest(driver, 'worksheet')
    await expect.poll(() => textOf('fit-menu')).toBe(`for ${name}`)
    const sheet = (await textOf('worksheet')).replace(/\s+/g, ' ')
    for (const part of told.size.split(/ (?=waist|hip)/)) expect(sheet).toContain(part.replace(/^\w+ /, ''))
    const station = async (at: string, sign: string) => {
      await click(driver, `station-${at}`)
      await byTest(driver, sign)
    }
    await station('reshape', 'table')
    const ids = await driver.executeScript<string[]>(
      `return [...document.querySelectorAll('[data-test^="stop-"]')].map((e) => e.dataset.test)`,
    )
    expect(ids.filter((id) => /^stop-\d+$/.test(id))).toHaveLength(Number(told.stops))
    await station('match', 'match-summary')
    await expect
      .poll(() => textOf('match-summary'))
      .toContain(told.seams.includes('match') ? `${/\d+/.exec(told.seams)![0]} seams walked` : 'fault')
    await station('paper', 'page-count')
    await expect.poll(() => textOf('page-count')).toContain(`${told.pages} `)
    await click(driver, 'tab-cloth')
    await soon('laid', async () => (await textOf('cloth-needed')).replace(/\s+/g, ' ').includes(told.cloth))
  })

  it('lose nothing when the browser is killed in the middle: they go on where they were', async () => {
    const profile = mkdtempSync(join(tmpdir(), 'tidal-seam-killed-'))
    const count = 12
    const file = tableOf(count, 80)
    try {
      const first = await openBrowser(1280, 800, profile)
      await first.driver.get(app.url())
      await click(first.driver, 'open-demo-first')
      await first.driver.wait(async () => (await first.driver.findElements(By.css('[data-id="demo-blouse"]'))).length > 0, WAIT_MS)
      await readTable(first.driver, app.url(), file)
      await choose(first.driver, app.url(), count)
      await click(first.driver, 'many-start')
      const done = async (on: WebDriver) => (await on.findElements(By.css('[data-test="many-open"]'))).length
      await first.driver.wait(async () => (await done(first.driver)) >= 2, LONG_WAIT_MS, 'two are done')
      await first.kill()

      const again = await openBrowser(1280, 800, profile)
      try {
        await again.driver.get(`${app.url()}/many`)
        const start = await byTest(again.driver, 'many-start')
        const kept = await done(again.driver)
        expect(kept).toBeGreaterThanOrEqual(2)
        expect(kept).toBeLessThan(count)
        expect(await start.getText()).toBe(`Go on: ${count - kept} ${count - kept === 1 ? 'fit' : 'fits'}`)
        await start.click()
        await again.driver.wait(async () => (await done(again.driver)) > kept, LONG_WAIT_MS, 'it goes on')
      } finally {
        await again.close()
      }
    } finally {
      rmSync(profile, { recursive: true, force: true })
    }
  })

  it('say who can share a cut, and put them on one sheet; the server takes a batch as well', async () => {
    await freshDemo()
    const file = tableOf(3, 60)
    await readTable(driver, app.url(), file)
    await choose(driver, app.url(), 3)
    await click(driver, 'many-with-cloth')
    await click(driver, 'many-start')
    await driver.wait(async () => (await driver.findElements(By.css('[data-test="many-open"]'))).length === 3, LONG_WAIT_MS, 'three fits')
    await click(driver, 'many-tab-share')
    await click(driver, 'share-go')
    await expect.poll(() => textOf('shared-cuts')).toMatch(/patterns for 3 people/)
    const within = await byTest(driver, 'share-within')
    await app.retype(within, '4 in')
    await soon('said', async () => (await textOf('message')).includes('How far pieces may be apart is between'))
    await app.retype(within, '3 1/2 in')
    await click(driver, 'share-go')
    await soon('fewer', async () => /^[12] patterns? for 3 people/.test(await textOf('shared-cuts')))
    await click(driver, 'nest-svg')
    const svg = readFileSync(await download('.svg'), 'utf8')
    for (const name of ['Chorus 1', 'Chorus 2', 'Chorus 3']) expect(svg).toContain(name)
    await click(driver, 'many-tab-cut')
    await soon('the list', async () => (await textOf('cut-list')).includes('Quay dress, for Chorus 2'))

    const demo = (await (await fetch(`${app.url()}/api/demo`)).json()) as { garments: { name: string }[] }
    const body = {
      file: { ...demo, garments: demo.garments.filter((g) => g.name === 'Quay dress'), fits: [], fittings: [], versions: [], photos: [] },
      wearersCsv: readFileSync(file, 'utf8'),
      choices: { cloth: null },
    }
    const send = (content: string) =>
      fetch(`${app.url()}/api/batches`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: content })
    expect((await send('{"file":')).status).toBe(400)
    expect((await send('{"file":{}}')).status).toBe(400)
    const begun = (await (await send(JSON.stringify(body))).json()) as { id: string; of: number }
    expect(begun.of).toBe(3)
    const at = `${app.url()}/api/batches/${begun.id}`
    await driver.wait(async () => ((await (await fetch(at)).json()) as { state: string }).state === 'done', LONG_WAIT_MS, 'the batch')
    const files = Object.keys(unzipSync(new Uint8Array(await (await fetch(`${at}/files`)).arrayBuffer())))
    expect(files.filter((f) => f.endsWith('/sheets.pdf'))).toHaveLength(3)
    expect((await fetch(at, { method: 'DELETE' })).status).toBe(204)
    expect((await fetch(at)).status).toBe(404)
  })
})
