import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { By, type WebDriver } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { byTest, click, resizeTo } from '../../scripts/browser'
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
    'garment/demo-blouse/wearer',
    'garment/demo-blouse/size',
    'garment/demo-blouse/reshape',
    'garment/demo-flared/match',
    'garment/demo-tapered/paper',
  ]

  async function serious(): Promise<string[]> {
    await driver.executeScript(axe)
    return (await driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1]; axe.run({ resultTypes: ['violations'] }).then((r) => done(r.violations.filter((v) => ['serious', 'critical'].includes(v.impact)).map((v) => v.id + ': ' + v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join(' | '))))`,
    )) as string[]
  }

  it('axe-core finds nothing serious or critical on any screen, light and dark', async () => {
    await freshDemo()
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 1 3/8', 'lengthen')
    for (const light of ['light', 'dark']) {
      await driver.executeScript(`localStorage.setItem('tidal-seam-light', '${light}')`)
      for (const screen of SCREENS) {
        await driver.get(`${server.url}/${screen}`)
        await byTest(
          driver,
          ({ '': 'open-demo', import: 'pattern', wearers: 'choose-set' } as Record<string, string>)[screen] ?? 'garment-name',
        )
        if (screen.startsWith('garment'))
          await byTest(
            driver,
            { reshape: 'table', match: 'match-summary', paper: 'page-count', wearer: 'choose-set', size: 'worksheet' }[
              screen.split('/')[2]!
            ]!,
          )
        if (screen.endsWith('reshape')) await click(driver, 'stop-0')
        expect(await serious(), `${screen || 'wardrobe'}, ${light}`).toEqual([])
        if (screen.endsWith('paper')) {
          await click(driver, 'tab-steps')
          await byTest(driver, 'paper-step')
          expect(await serious(), `paper steps, ${light}`).toEqual([])
        }
        if (screen !== 'import') continue
        await (
          await driver.findElement(By.css('[data-test="pattern-file"]'))
        ).sendKeys(join(process.cwd(), 'demo/outside/pedlars-waistcoat.svg'))
        await click(driver, 'scale-line')
        expect(await serious(), `scale, ${light}`).toEqual([])
        await click(driver, 'scale-file')
        await click(driver, 'confirm-scale')
        await byTest(driver, 'tray-picture')
        expect(await serious(), `tray, ${light}`).toEqual([])
        await click(driver, 'to-seams')
        await byTest(driver, 'garment-title')
        expect(await serious(), `seams, ${light}`).toEqual([])
        await click(driver, 'tray-clear')
        await byTest(driver, 'pattern')
      }
    }
    await driver.executeScript(`localStorage.removeItem('tidal-seam-light')`)
  })

  it('fits a 1024 x 768 tablet: nothing is wider than the page, and the work is in reach', async () => {
    await freshDemo()
    await resizeTo(driver, 1024, 768)
    try {
      for (const screen of SCREENS) {
        await driver.get(`${server.url}/${screen}`)
        await byTest(
          driver,
          ({ '': 'open-demo', import: 'pattern', wearers: 'choose-set' } as Record<string, string>)[screen] ?? 'garment-name',
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
