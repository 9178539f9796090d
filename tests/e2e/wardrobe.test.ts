import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key, type WebDriver } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { DEMO_GARMENTS, useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, card, freshDemo, openGarment, retype, ask, download } = app
let driver: WebDriver
let server: { url: string }
beforeAll(() => {
  driver = app.driver()
  server = { url: app.url() }
})

describe('the wardrobe', () => {
  it('finds a garment by its name, its wearer or what is left to settle; and reminds of backing up when that is asked for', async () => {
    await freshDemo()
    const names = async () =>
      Promise.all((await all('garment-card')).map(async (c) => (await c.findElement(By.css('h2')).getText()).replace(/\s+/g, ' ')))
    const find = async (words: string) => {
      await (await byTest(driver, 'find-garment')).sendKeys(Key.chord(Key.CONTROL, 'a'), words || Key.BACK_SPACE)
    }
    await find('QUAY tapered')
    await soon('one', async () => (await names()).join() === 'Quay trousers, tapered')
    await find('lamplighter quay')
    await soon('by wearer', async () => (await names()).length > 1 && (await names()).every((n) => n.startsWith('Quay')))
    await find('fault')
    await soon('by what is left to settle', async () => (await names()).includes('Quay trousers, flared'))
    expect(await names()).not.toContain('Quay trousers, tapered')
    await find('nothing like it')
    await soon('none', async () => (await all('none-found')).length === 1)
    await find('')
    await soon('all', async () => (await names()).length === DEMO_GARMENTS)

    // Labels: typed on a card, found by one click, taken back.
    const flared = await app.card('demo-flared')
    await flared.findElement(By.css('[data-test="garment-menu"]')).click()
    await click(driver, 'label')
    await (await byTest(driver, 'label-field')).sendKeys('harbour scene, act 2, Harbour Scene', Key.ENTER)
    await soon('two labels', async () => (await all('card-label')).length === 2)
    await click(driver, 'find-label')
    await soon('by its label', async () => (await names()).join() === 'Quay trousers, flared')
    await click(driver, 'find-label')
    await soon('all again', async () => (await names()).length === DEMO_GARMENTS)
    await click(driver, 'undo')
    await soon('no labels', async () => (await all('card-label')).length === 0 && (await all('find-label')).length === 0)

    await expect.poll(() => textOf('back-up-reminder')).toContain('Not backed up yet')
    expect((await all('back-up-now')).length).toBe(0)
    await driver.executeScript(`localStorage.setItem('tidal-seam-backed-up', '2026-01-02T08:00:00.000Z')`)
    await driver.navigate().refresh()
    const day = await app.dayWords('2026-01-02')
    await soon('due', async () => {
      const words = await textOf('back-up-reminder')
      return words.includes(`Last backed up on ${day}.`) && /Something was done in the \d+ days since/.test(words)
    })
    await app.choose('remind-days', 'never')
    await soon('not asked for', async () => (await all('back-up-now')).length === 0)
    await app.choose('remind-days', 'after a week')
    await click(driver, 'back-up-now')
    await download('.zip')
    await soon('done', async () => (await all('back-up-now')).length === 0)
  })

  it('duplicates, renames, deletes with undo, backs up and restores', async () => {
    await freshDemo()
    const menu = async (id: string, entry: string) => {
      // Cards move up while others come and go: a click that met the wrong place is made again.
      await soon(`“${entry}” in the menu`, async () => {
        if ((await all(entry)).length > 0) return true
        await (await (await card(id)).findElement(By.css('[data-test="garment-menu"]'))).click()
        return false
      })
      await click(driver, entry)
    }
    await menu('demo-bather', 'duplicate')
    await soon('one more', async () => (await all('garment-card')).length === DEMO_GARMENTS + 1)
    await menu('demo-bather', 'rename')
    await (await byTest(driver, 'rename-field')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Harbour suit', Key.ENTER)
    await soon('renamed', async () => (await (await card('demo-bather')).getText()).includes('Harbour suit'))
    await menu('demo-dress', 'delete')
    await soon('gone', async () => (await all('garment-card')).length === DEMO_GARMENTS)
    await click(driver, 'undo')
    await soon('back', async () => (await all('garment-card')).length === DEMO_GARMENTS + 1)
    await click(driver, 'back-up')
    const backup = await download('.zip')
    await menu('demo-dress', 'delete')
    await menu('demo-bather', 'delete')
    await soon('one less', async () => (await all('garment-card')).length === DEMO_GARMENTS - 1)
    await (await driver.findElement(By.css('[data-test="restore-file"]'))).sendKeys(backup)
    await soon('restored', async () => (await all('garment-card')).length === DEMO_GARMENTS + 1)
    const broken = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'broken.zip')
    writeFileSync(broken, readFileSync(backup).subarray(0, 5000))
    await (await driver.findElement(By.css('[data-test="restore-file"]'))).sendKeys(broken)
    await soon('a plain sentence', async () => (await driver.findElement(By.css('body')).getText()).includes('the file is not whole'))
    expect(await all('garment-card')).toHaveLength(DEMO_GARMENTS + 1)
  })

  it('fits one garment to several wearers: another fit is begun as a copy, has its own stops, and its own address', async () => {
    await freshDemo()
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten above the waist 1/2', 'lengthen')
    await click(driver, 'fit-menu')
    await click(driver, 'begin-fit')
    await (await (await byTest(driver, 'new-fit-wearer')).findElement(By.xpath('./option[contains(., "Bather")]'))).click()
    await click(driver, 'new-fit-copy')
    await click(driver, 'new-fit-begin')
    await soon('the copy is open', async () => (await textOf('fit-menu')).includes('for the Bather') && (await all('stop-0')).length === 1)
    const own = await driver.getCurrentUrl()
    expect(own).toMatch(/garment\/demo-blouse\/reshape\?fit=/)
    await ask('lengthen the sleeve 1', 'lengthen')
    await soon('two stops', async () => (await all('stop-1')).length === 1)
    // A stop that mends the pattern is met in the other fit too.
    await click(driver, 'for-everybody')
    await click(driver, 'fit-menu')
    const first = async () => {
      for (const f of await all('choose-fit')) if ((await f.getText()).includes('for the Cook')) return f
      throw new Error('the first fit is not in the list')
    }
    await (await first()).click()
    await soon('the first fit', async () => (await textOf('fit-menu')).includes('for the Cook') && (await all('stop-1')).length === 1)
    await expect.poll(() => textOf('stop-0')).toMatch(/sleeve/i)
    // Its address brings one back to it.
    await driver.get(own)
    await soon('the copy again', async () => (await textOf('fit-menu')).includes('for the Bather'))
    await click(driver, 'fit-menu')
    await click(driver, 'delete-fit')
    await soon('only the first is left', async () => (await textOf('fit-menu')).includes('for the Cook'))
    await driver.get(server.url)
    await soon(
      'the copy is gone from the card',
      async () => (await (await card('demo-blouse')).findElements(By.css('[data-test="card-fit"]'))).length === 2,
    )
    expect(await (await card('demo-tapered')).findElements(By.css('[data-test="card-fit"]'))).toHaveLength(2)
  })

  it('two tabs see each other and lose nothing', async () => {
    await freshDemo()
    await openGarment('demo-blouse', 'reshape')
    const first = await driver.getWindowHandle()
    await driver.switchTo().newWindow('tab')
    const second = await driver.getWindowHandle()
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 1', 'lengthen')
    await driver.switchTo().window(first)
    await soon('the other tab’s stop is here', async () => (await all('stop-0')).length === 1)
    await ask('lengthen the sleeve by 2', 'lengthen')
    await soon('both stops', async () => (await all('stop-1')).length === 1)
    await driver.switchTo().window(second)
    await soon('both stops there too', async () => (await all('stop-1')).length === 1)
    await driver.close()
    await driver.switchTo().window(first)
  })
})

describe('a file from outside', () => {
  it('comes in by scale, names and seams; what is not ready stays in the tray, also over a reload', async () => {
    await freshDemo()
    await driver.get(`${server.url}/import`)
    await byTest(driver, 'pattern')
    const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-'))
    const hostile = join(dir, 'hostile.svg')
    writeFileSync(hostile, '<svg xmlns="http://www.w3.org/2000/svg"><script>document.title="taken"</script></svg>')
    await (await driver.findElement(By.css('[data-test="pattern-file"]'))).sendKeys(hostile)
    await expect.poll(() => textOf('refused')).toContain('it contains a script')
    expect(await driver.getTitle()).toBe('Tidal Seam')

    await (
      await driver.findElement(By.css('[data-test="pattern-file"]'))
    ).sendKeys(join(process.cwd(), 'demo/outside/pedlars-waistcoat.svg'))
    await click(driver, 'confirm-scale')
    await expect.poll(() => textOf('tray-count')).toBe('3 outlines, 1 ready')
    await driver.navigate().refresh()
    await expect.poll(() => textOf('tray-count')).toBe('3 outlines, 1 ready')
    // The front edge of the waistcoat: its name is chosen by clicking it.
    await (await driver.findElement(By.css('[data-test="edge-5"]'))).sendKeys(Key.ENTER)
    // A notch without a mouse: so far along the marked edge.
    await retype(await byTest(driver, 'edge-along'), '4')
    await click(driver, 'notch-here')
    const role = await byTest(driver, 'edge-role')
    await role.sendKeys('centre front')
    await soon('named', async () => (await (await driver.findElement(By.css('[data-test="edge-5"]'))).getText()).includes('centre front'))
    // What was settled is undone step by step, also after a reload, and done again.
    const named = async () => (await (await driver.findElement(By.css('[data-test="edge-5"]'))).getText()).includes('centre front')
    await driver.navigate().refresh()
    await byTest(driver, 'tray-picture')
    await click(driver, 'undo')
    await soon('the edge has its guessed name', async () => !(await named()))
    await click(driver, 'redo')
    await soon('named again', named)
    await click(driver, 'rest-is-plain')
    await soon('every edge is named, or said to have no name', async () => (await textOf('tray-count')) === '3 outlines, 2 ready')
    await retype(await byTest(driver, 'all-allowances'), '3/8')
    await click(driver, 'to-seams')
    await expect.poll(() => textOf('proposed-side seam')).toMatch(/1 notch meets/)
    await byTest(driver, 'proposed-shoulder seam')
    await click(driver, 'finish-import')
    await byTest(driver, 'table')
    await expect.poll(() => textOf('garment-name')).toBe('pedlars waistcoat')
    await ask('shorten the body by 1 1/2', 'lengthen')
    await soon('front and back', async () => (await textOf('changed-pieces')) === 'Changes: Waistcoat front, Waistcoat back')
    await driver.get(`${server.url}/import`)
    await expect.poll(() => textOf('tray-count')).toBe('1 outline, 0 ready')
    await click(driver, 'grain-page')
    await soon('the belt is ready', async () => (await textOf('tray-count')) === '1 outline, 1 ready')
  })

  it('takes its scale from a line of known length, and shows where an outline is open', async () => {
    await freshDemo()
    const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'plain.svg')
    writeFileSync(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 300"><path d="M10 10H110V210H10Z"/><path d="M150 10H250V210H150V30"/><path d="M60 40V180"/></svg>',
    )
    await driver.get(`${server.url}/import`)
    await byTest(driver, 'pattern')
    await (await driver.findElement(By.css('[data-test="pattern-file"]'))).sendKeys(file)
    await click(driver, 'scale-line')
    const first = await byTest(driver, 'scale-line-1:0')
    await driver.executeScript(`arguments[0].dispatchEvent(new MouseEvent('click', { bubbles: true }))`, first)
    await retype(await byTest(driver, 'true-length'), '10')
    await click(driver, 'confirm-scale')
    await expect.poll(() => textOf('tray-count')).toBe('2 outlines, 0 ready')
    await click(driver, 'rest-is-plain')
    await soon('its edges need no names', async () => (await textOf('tray-count')) === '2 outlines, 1 ready')
    await click(driver, 'tray-outline-2')
    await byTest(driver, 'trouble-place')
    expect(await driver.findElement(By.css('[role="alert"]')).getText()).toContain('The outline is open')
    await click(driver, 'tray-outline-1')
    await click(driver, 'to-seams')
    await click(driver, 'finish-import')
    await byTest(driver, 'table')
    await click(driver, 'station-paper')
    await byTest(driver, 'page-count')
    await click(driver, 'ruler')
    await click(driver, 'ruler-in-eighths')
    await expect.poll(() => all('page-map')).toHaveLength(1)
  })
})
