import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key, until } from 'selenium-webdriver'
import { corpusGarments } from '../tests/corpus/garments'
import { toPdfFile } from '../tests/corpus/pdf-files'
import { drawSheet, type Hand } from '../tests/corpus/sheet'
import { byTest, click, openBrowser, serve } from './browser'

// npm run screenshots: one PNG of each main view at 1280 x 800, from the demo data. Build first.

const OUT = 'docs/screenshots'
mkdirSync(OUT, { recursive: true })
const server = await serve()
const { driver, downloads, close } = await openBrowser()
const settle = (ms = 900) => new Promise((resolve) => setTimeout(resolve, ms))

async function shoot(name: string): Promise<void> {
  await settle()
  writeFileSync(join(OUT, `${name}.png`), Buffer.from(await driver.takeScreenshot(), 'base64'))
  console.log(name)
}

async function open(path: string, sign: string): Promise<void> {
  await driver.get(`${server.url}/${path}`)
  await byTest(driver, sign)
}

/** An invented coat as a tiled PDF, such as a stranger may bring. */
async function tiledPattern(folder: string): Promise<string> {
  const hand: Hand = {
    lines: 'both',
    grain: 'two-heads',
    notch: 'tick-in',
    fold: 'bracket',
    words: 'lines',
    turnDeg: 0,
    chords: false,
    twice: false,
    inner: false,
    parted: false,
    around: ['title', 'test-square'],
    sizes: [],
    sizesNamed: 'key',
    shared: false,
  }
  const file = join(folder, 'harbour-coat.pdf')
  writeFileSync(file, await toPdfFile(drawSheet(corpusGarments(7)[0]!, hand), 'pdf-cut-overlap'))
  return file
}

try {
  await driver.get(server.url)
  await click(driver, 'open-demo-first')
  await driver.wait(until.elementLocated(By.css('[data-id="demo-blouse"]')), 10_000)
  await settle(7000)
  await shoot('wardrobe')

  await open('garment/demo-blouse/wearer', 'choose-set')
  await (await byTest(driver, 'figure-waist')).click()
  await shoot('wearer')
  await open('garment/demo-blouse/size', 'worksheet')
  await shoot('size')
  await open('garment/demo-blouse/tissue', 'tissue-figure')
  await click(driver, 'tissue-front-to-waist')
  await shoot('tissue')

  await open('garment/demo-blouse/reshape', 'table')
  const wish = await byTest(driver, 'wish')
  await wish.sendKeys('shorten the body by 1 3/8')
  await byTest(driver, 'wish-does')
  await wish.sendKeys(Key.ENTER)
  await byTest(driver, 'stop-title')
  await shoot('reshape')

  await open('garment/demo-flared/reshape', 'table')
  const grade = await byTest(driver, 'wish')
  await grade.sendKeys('grade')
  await click(driver, 'kind-grade')
  const interval = await byTest(driver, 'field-intervalMm')
  await interval.sendKeys(Key.chord(Key.CONTROL, 'a'), '1 1/2', Key.ENTER)
  await settle(1500)
  await shoot('grade')

  /** Adds a stop with an amount to the plus side, and puts the slider back by a part of it. */
  const begin = async (words: string, kind: string, amount: string, back: number) => {
    await (await byTest(driver, 'wish')).sendKeys(words)
    await click(driver, `kind-${kind}`)
    await click(driver, 'field-amountMm-plus')
    await (await byTest(driver, 'field-amountMm')).sendKeys(Key.chord(Key.CONTROL, 'a'), amount, Key.ENTER)
    await settle(1500)
    await driver.executeScript(
      `const r = document.querySelector('[data-test=tide-slider]'); r.value = Number(r.max) - arguments[0]; r.dispatchEvent(new Event('input'))`,
      back,
    )
  }
  await open('garment/demo-bather/reshape', 'table')
  await begin('waist only', 'pivot-slide', '3/4', 0.35)
  await shoot('pivot')
  await open('garment/demo-jacket/reshape', 'table')
  await click(driver, 'stop-0')
  const sewn = await byTest(driver, 'sewn-picture')
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', sewn)
  await settle(1500)
  await shoot('pair')

  await open('garment/demo-flared/match', 'match-summary')
  await shoot('match')

  await open('garment/demo-blouse/paper', 'page-count')
  await shoot('paper')
  await open('garment/demo-blouse/paper', 'page-count')
  await click(driver, 'tab-steps')
  await byTest(driver, 'paper-step')
  await shoot('steps')

  await open('garment/demo-dress/paper', 'page-count')
  await click(driver, 'tab-cloth')
  await settle(4500)
  await shoot('cloth')
  await open('many', 'many-empty')
  await click(driver, 'many-Quay dress')
  await click(driver, 'many-all-wearerIds')
  await click(driver, 'many-start')
  await driver.wait(async () => (await driver.findElements(By.css('[data-test="many-open"]'))).length === 3, 60_000)
  await shoot('many')
  await open('garment/demo-blouse/project', 'calibrate')
  for (const side of ['square-across', 'square-down'])
    await (await byTest(driver, side)).sendKeys(Key.chord(Key.CONTROL, 'a'), '8', Key.ENTER)
  await click(driver, 'calibrate-done')
  await byTest(driver, 'thrown')
  await click(driver, 'turn')
  await settle(1000)
  await shoot('projector')

  // Nothing was downloaded into it yet.
  mkdirSync(downloads, { recursive: true })
  await open('import', 'pattern')
  await (await driver.findElement(By.css('[data-test="pattern-file"]'))).sendKeys(await tiledPattern(downloads))
  await byTest(driver, 'pages-picture')
  await settle(800)
  await shoot('pages')
  await click(driver, 'confirm-pages')
  await click(driver, 'confirm-scale')
  await byTest(driver, 'tray-picture')
  await shoot('tray')

  await open('import', 'tray-clear')
  await click(driver, 'tray-clear')
  await click(driver, 'try-photograph')
  await driver.wait(until.elementLocated(By.css('[data-test="other-sheet"]')), 60_000).then((b) => b.click())
  // Read again as the sheet that it is: what was found is shown, and nothing of another one.
  const shown = async (...names: string[]) => driver.findElements(By.css(names.map((n) => `[data-test="${n}"]`).join(', ')))
  await driver.wait(
    async () => (await shown('photo-proportion', 'photo-busy')).length === 0 && (await shown('photo-read')).length === 1,
    60_000,
  )
  await settle(1500)
  await shoot('photograph')

  await open('garment/demo-blouse/fittings?fit=demo-blouse-harbour', 'story')
  await driver.findElements(By.css('[data-test="story-fitting"]')).then((all) => all.at(-1)!.click())
  await click(driver, 'tab-decide')
  await click(driver, 'judge-again')
  await byTest(driver, 'accept')
  await settle(1200)
  await shoot('fittings')
  await click(driver, 'undo')
  await click(driver, 'to-compare')
  const first = await byTest(driver, 'compare-first')
  await first.findElement(By.xpath('./option[contains(., "as bought")]')).click()
  await settle(1800)
  await shoot('compare')
} finally {
  await close()
  server.stop()
}
