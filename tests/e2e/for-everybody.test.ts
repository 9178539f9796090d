import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { By, type WebDriver } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { byTest, click, LONG_WAIT_MS, resizeTo } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { freshDemo, openGarment, ask } = app
let driver: WebDriver
let server: { url: string }
beforeAll(() => {
  driver = app.driver()
  server = { url: app.url() }
})

describe('for everybody', () => {
  const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
  const SCREENS = [
    '',
    'import',
    'wearers',
    'many',
    'garment/demo-blouse/wearer',
    'garment/demo-blouse/size',
    'garment/demo-blouse/reshape',
    'garment/demo-flared/match',
    'garment/demo-tapered/paper',
  ]

  /** What it finds; in the dark only the colours are other ones, and only they are looked at again. */
  async function serious(light: string): Promise<string[]> {
    await driver.executeScript(axe)
    const only = light === 'dark' ? `runOnly: ['color-contrast'],` : ''
    return (await driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1]; axe.run({ ${only} resultTypes: ['violations'] }).then((r) => done(r.violations.filter((v) => ['serious', 'critical'].includes(v.impact)).map((v) => v.id + ': ' + v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | '))))`,
    )) as string[]
  }

  /** A table of many with something in it, so that it is looked at. */
  async function fitTwo() {
    await driver.get(`${server.url}/many`)
    for (const name of ['many-Quay dress', 'many-the Cook', 'many-the Lamplighter']) await click(driver, name)
    await click(driver, 'many-start')
    await driver.wait(async () => (await driver.findElements(By.css('[data-test="many-open"]'))).length === 2, LONG_WAIT_MS)
  }

  it('axe-core finds nothing serious or critical on any screen, light and dark', async () => {
    await freshDemo()
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 1 3/8', 'lengthen')
    // What a screen reader is told of it.
    await app.soon('heard', async () =>
      /^Stop 1, Shorten the body −1 3\/8 in: held (\d+) of \1\./.test(
        (await (await byTest(driver, 'heard')).getAttribute('textContent')) ?? '',
      ),
    )
    await fitTwo()
    /** In the light, and in the dark, on the same screen. */
    const sound = async (what: string) => {
      for (const light of ['light', 'dark']) {
        await app.soon(
          light,
          async () => (await driver.executeScript(`return document.documentElement.classList.contains('dark')`)) === (light === 'dark'),
        )
        expect(await serious(light), `${what}, ${light}`).toEqual([])
        await click(driver, 'theme')
      }
    }
    for (const screen of SCREENS) {
      await driver.get(`${server.url}/${screen}`)
      await byTest(
        driver,
        ({ '': 'open-demo', import: 'pattern', wearers: 'choose-set', many: 'many-garmentIds' } as Record<string, string>)[screen] ??
          'garment-name',
      )
      if (screen.startsWith('garment'))
        await byTest(
          driver,
          { reshape: 'table', match: 'match-summary', paper: 'page-count', wearer: 'choose-set', size: 'worksheet' }[
            screen.split('/')[2]!
          ]!,
        )
      if (screen.endsWith('reshape')) await click(driver, 'stop-0')
      await sound(`${screen || 'wardrobe'}`)
      if (screen === 'many') {
        await byTest(driver, 'many-table')
        for (const [tab, sign] of [
          ['cut', 'cut-fit'],
          ['share', 'share-go'],
        ]) {
          await click(driver, `many-tab-${tab}`)
          await byTest(driver, sign!)
          await sound(`many, ${tab}`)
        }
      }
      if (screen.endsWith('paper')) {
        await click(driver, 'tab-steps')
        await byTest(driver, 'paper-step')
        await sound('paper steps')
        await click(driver, 'tab-cloth')
        await byTest(driver, 'cloth-table')
        await sound('cloth')
        await click(driver, 'tab-machines')
        await byTest(driver, 'plotter-table')
        await sound('machines')
      }
      if (screen !== 'import') continue
      await (
        await driver.findElement(By.css('[data-test="pattern-file"]'))
      ).sendKeys(join(process.cwd(), 'demo/outside/pedlars-waistcoat.svg'))
      await click(driver, 'scale-line')
      await sound('scale')
      await click(driver, 'scale-file')
      await click(driver, 'confirm-scale')
      await byTest(driver, 'tray-picture')
      await sound('tray')
      await click(driver, 'to-seams')
      await byTest(driver, 'garment-title')
      await sound('seams')
      await click(driver, 'tray-clear')
      await click(driver, 'try-photograph')
      await byTest(driver, 'photo-read')
      await sound('photograph')
      await click(driver, 'tray-clear')
      await byTest(driver, 'pattern')
    }
  })

  it('fits a 1024 x 768 tablet: nothing is wider than the page, and the work is in reach', async () => {
    await freshDemo()
    await resizeTo(driver, 1024, 768)
    try {
      for (const screen of SCREENS) {
        await driver.get(`${server.url}/${screen}`)
        await byTest(
          driver,
          ({ '': 'open-demo', import: 'pattern', wearers: 'choose-set', many: 'many-garmentIds' } as Record<string, string>)[screen] ??
            'garment-name',
        )
        const [wide, page] = (await driver.executeScript('return [document.documentElement.scrollWidth, innerWidth]')) as [number, number]
        expect(wide, screen).toBeLessThanOrEqual(page)
      }
      await openGarment('demo-blouse', 'reshape')
      await ask('shorten the body by 1', 'lengthen')
      const rect = await (await byTest(driver, 'field-amountMm')).getRect()
      expect(rect.x + rect.width).toBeLessThanOrEqual(1024)
    } finally {
      await resizeTo(driver, 1280, 800)
    }
  })
})
