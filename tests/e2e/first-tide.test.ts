import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { execFileSync } from 'node:child_process'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key, Origin, type WebDriver } from 'selenium-webdriver'
import { beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { byTest, click, resizeTo } from '../../scripts/browser'
import { demoWardrobe } from '../../demo/wardrobe'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, card, freshDemo, openGarment, retype, ask, outline, outlineAtRest, download } = app
/** Garments of the demo wardrobe. */
const DEMO = demoWardrobe(new Date()).projects.length
let driver: WebDriver
let server: { url: string }
beforeAll(() => {
  driver = app.driver()
  server = { url: app.url() }
})

describe('a new user', () => {
  it('gets from the first page to the PDF of the shortened blouse, and sees which seams were checked', async () => {
    await freshDemo()
    await (await (await card('demo-blouse')).findElement(By.css('[data-test="open-garment"]'))).click()
    await byTest(driver, 'table')
    const before = { front: await outlineAtRest('front'), back: await outline('back'), sleeve: await outline('sleeve') }
    const field = await byTest(driver, 'wish')
    await field.sendKeys('shorten the body by 1 3/8 inch')
    await soon('the change is found', async () => (await all('kind-lengthen')).length === 1)
    await field.sendKeys(Key.ENTER)
    expect(await textOf('stop-title')).toBe('Shorten the body')
    expect(await (await byTest(driver, 'field-amountMm')).getAttribute('value')).toBe('1 3/8')
    await soon(
      'front and back have moved',
      async () => (await outline('front')) !== before.front && (await outline('back')) !== before.back,
    )
    expect(await outline('sleeve')).toBe(before.sleeve)
    expect(await textOf('changed-pieces')).toBe('Changes: Front, Back')
    const held = /Held: (\d+) of (\d+)/.exec(await textOf('held'))!
    expect(held[1]).toBe(held[2])
    expect(await textOf('seam-summary')).toContain('5 seams match')

    await click(driver, 'station-match')
    expect(await textOf('match-summary')).toContain('5 seams walked')
    for (const seam of ['side', 'shoulder', 'armhole', 'sleeve', 'neckline']) {
      await click(driver, `seam-${seam}`)
      expect(await textOf('seam-verdict')).toBe('matches')
    }

    await click(driver, 'station-paper')
    await click(driver, 'save-pdf')
    const pdf = await download('.pdf')
    const text = execFileSync('pdftotext', [pdf, '-'], { encoding: 'utf8' })
    expect(text).toContain('Measure the square and sew a mock-up before cutting fabric.')
    expect(text).toContain('Shorten the body 1 3/8 in')
    expect(text).toContain('for the Cook')
    await click(driver, 'save-svg')
    expect(readFileSync(await download('.svg'), 'utf8')).toContain('data-part="seam line"')
    await click(driver, 'tab-steps')
    await soon('steps', async () => (await all('paper-step')).length >= 6)
    expect(await (await all('paper-step'))[1]!.getText()).toContain('1 3/8 in')
  })
})

describe('the tideline', () => {
  beforeEach(freshDemo)

  it('edits, switches off, reorders, deletes and undoes; all of it is there after a reload', async () => {
    await openGarment('demo-dress', 'reshape')
    const bought = await outlineAtRest('bodice-front')
    await ask('shorten the body by 1', 'lengthen')
    await soon('shortened', async () => (await outline('bodice-front')) !== bought)
    await retype(await byTest(driver, 'field-amountMm'), '35mm')
    await soon('35 mm is 1 3/8 in', async () => (await (await byTest(driver, 'field-amountMm')).getAttribute('value')) === '1 3/8')
    await ask('hem longer at the back', 'uneven-hem')
    await retype(await byTest(driver, 'field-centreBackMm'), '2')
    await click(driver, 'field-centreBackMm-plus')
    await soon('two stops', async () => (await all('stop-1')).length === 1)
    expect(await textOf('stop-1')).toContain('Uneven hem')
    // The hem has been let down before the pieces are looked at.
    await soon('two inches longer', async () => (await textOf('stop-1')).includes('+2'))
    const altered = await outlineAtRest('skirt-back')

    await (await byTest(driver, 'stop-1')).sendKeys(Key.chord(Key.ALT, Key.ARROW_LEFT))
    await soon('reordered by keyboard', async () => (await textOf('stop-0')).includes('Uneven hem'))
    expect(await outline('skirt-back')).toBe(altered)
    await driver.navigate().refresh()
    await soon('still in that order', async () => (await textOf('stop-0')).includes('Uneven hem'))

    await click(driver, 'stop-0')
    await click(driver, 'switch')
    await soon('switched off', async () => (await outline('skirt-back')) !== altered)
    await click(driver, 'undo')
    await soon('on again', async () => (await outline('skirt-back')) === altered)
    await click(driver, 'stop-0')
    await click(driver, 'delete-stop')
    await soon('deleted', async () => (await all('stop-1')).length === 0)
    await driver.navigate().refresh()
    await byTest(driver, 'table')
    await click(driver, 'undo')
    await soon('undone across a reload', async () => (await all('stop-1')).length === 1)
    await click(driver, 'redo')
    await soon('and redone', async () => (await all('stop-1')).length === 0)
  })

  it('plays from as bought to as altered under the slider', async () => {
    await openGarment('demo-tapered', 'reshape')
    const altered = await outlineAtRest('front')
    const slider = await byTest(driver, 'tide-slider')
    await slider.sendKeys(Key.HOME)
    const bought = await outlineAtRest('front', altered)
    await driver.executeScript(`arguments[0].value = 0.5; arguments[0].dispatchEvent(new Event('input', { bubbles: true }))`, slider)
    await soon('half way', async () => ![altered, bought].includes(await outline('front')))
    await slider.sendKeys(Key.END)
    await soon('as altered', async () => (await outline('front')) === altered)
  })

  it('drags the level and the amount on the piece, by mouse and by keyboard', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('lengthen the body by 1', 'lengthen')
    const handle = await byTest(driver, 'handle-amount')
    const circle = await handle.findElement(By.css('circle'))
    await driver
      .actions()
      .move({ origin: circle })
      .press()
      .move({ origin: Origin.POINTER, x: 0, y: 30 })
      .move({ origin: Origin.POINTER, x: 0, y: 12 })
      .release()
      .perform()
    await soon('a larger amount', async () => Number(await (await byTest(driver, 'handle-amount')).getAttribute('aria-valuenow')) > 40)
    const dragged = await (await byTest(driver, 'field-amountMm')).getAttribute('value')
    expect(dragged).toMatch(/^\d+( \d\/8| \d\/4| 1\/2)?$/)
    await (await byTest(driver, 'handle-amount')).sendKeys(Key.ARROW_UP)
    await soon('an eighth less', async () => (await (await byTest(driver, 'field-amountMm')).getAttribute('value')) !== dragged)
    const below = await (await byTest(driver, 'level-below-0')).getAttribute('value')
    await (await byTest(driver, 'handle-level:line-1')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_DOWN))
    await soon('the line moved down', async () => (await (await byTest(driver, 'level-below-0')).getAttribute('value')) !== below)
  })

  it('warns when a partner is left out, and refuses too much with an amount that works', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 2', 'lengthen')
    await click(driver, 'partner-back')
    expect(await textOf('caution-partner-left-out')).toContain('Back was left out')
    await soon('the header counts the fault', async () => /[1-9]/.test(await textOf('station-match')))
    await click(driver, 'mend-partner-left-out')
    await soon('mended', async () => (await all('caution-partner-left-out')).length === 0)
    await retype(await byTest(driver, 'field-amountMm'), '40')
    expect(await textOf('problem')).toMatch(/at most/)
    await click(driver, 'use-largest')
    await soon('applied', async () => (await all('problem')).length === 0)
    await retype(await byTest(driver, 'field-amountMm'), 'a lot')
    expect(await driver.findElement(By.css('[role="alert"]')).getText()).toContain('not a length')
  })

  it('places the waist seam of the dress and gives the length back in the skirt', async () => {
    await openGarment('demo-dress', 'reshape')
    await ask('waist seam too low', 'place-seam')
    await retype(await byTest(driver, 'field-wantedMm'), '5 1/2')
    await soon('all four pieces', async () => (await textOf('changed-pieces')).includes('Skirt back'))
    const held = /Held: (\d+) of (\d+)/.exec(await textOf('held'))!
    expect(held[1]).toBe(held[2])
  })
})

describe('by hand', () => {
  it('reorders stops by dragging them, and says when a garment is not there', async () => {
    await freshDemo()
    await openGarment('demo-dress', 'reshape')
    await ask('shorten the body by 1', 'lengthen')
    await ask('hem longer at the back', 'uneven-hem')
    const from = await byTest(driver, 'stop-1')
    const to = await byTest(driver, 'stop-0')
    await driver
      .actions()
      .move({ origin: from })
      .press()
      .move({ origin: from, x: -30, y: 0 })
      .move({ origin: to, x: -40, y: 0, duration: 300 })
      .release()
      .perform()
    await soon('dragged in front', async () => (await textOf('stop-0')).includes('Uneven hem'))
    await driver.get(`${server.url}/garment/nobody/reshape`)
    await soon('a plain sentence', async () => (await driver.findElement(By.css('main')).getText()).includes('no such garment'))
  })
})

describe('match', () => {
  it('lets one say what counts as matching', async () => {
    await freshDemo()
    await openGarment('demo-flared', 'match')
    await retype(await byTest(driver, 'tolerance-ease'), '10mm')
    await soon('8 mm can be eased', async () => (await textOf('seam-verdict')) === 'can be eased')
  })

  it('shows the fault in the flared trousers first, and one click mends it', async () => {
    await freshDemo()
    await openGarment('demo-flared', 'match')
    expect(await textOf('seam-verdict')).toBe('fault')
    // In- and outseam are off by the same 8 mm; either may come first.
    await click(driver, 'seam-outseam')
    expect(await textOf('fault-outseam:length')).toMatch(/Front leg, outseam is 5\/16 in too long for Back leg/)
    await click(driver, 'mend-0')
    await soon('no fault left', async () => (await textOf('seam-verdict')) === 'matches')
    await click(driver, 'station-reshape')
    expect(await textOf('stop-0')).toContain('Lengthen the leg')
  })
})

describe('match, seam by seam', () => {
  beforeEach(freshDemo)

  it('takes limits for one seam alone, and undoes them', async () => {
    await openGarment('demo-flared', 'match')
    await click(driver, 'seam-outseam')
    await click(driver, 'own-tolerance')
    await retype(await byTest(driver, 'seam-ease'), '10mm')
    await soon('8 mm can be eased here', async () => (await textOf('seam-verdict')) === 'can be eased')
    await click(driver, 'seam-inseam')
    await soon('but not there', async () => (await textOf('seam-verdict')) === 'fault')
    await click(driver, 'undo')
    await click(driver, 'seam-outseam')
    await soon('a fault again', async () => (await textOf('seam-verdict')) === 'fault')
  })

  it('mends a notch that misses its partner, and dart legs that differ, by one click each', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('move a notch', 'move-notch')
    await retype(await byTest(driver, 'field-byMm'), '1')
    await ask('dart legs', 'equal-legs')
    await retype(await byTest(driver, 'field-growMm'), '1/2')
    await soon('the stop has its figure', async () => (await textOf('stop-1')).includes('1/2'))
    await click(driver, 'station-match')
    await click(driver, 'seam-armhole')
    await soon('the notch, and the dart', async () => (await driver.findElements(By.css('[data-test^="fault-"]'))).length >= 2)
    for (const words of ['Move the notch on', 'Make the short leg']) {
      const faults = (await driver.findElements(By.css('[data-test^="fault-"]'))).length
      const button = await driver.findElement(By.xpath(`//button[@data-mend][contains(., "${words}")]`))
      await driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button)
      await button.click()
      await soon(`“${words}” mends it`, async () => (await driver.findElements(By.css('[data-test^="fault-"]'))).length < faults)
    }
    await click(driver, 'station-reshape')
    await soon('both mends are stops', async () => (await all('stop-3')).length === 1)
    expect(await textOf('seam-summary')).toContain('5 seams match')
  })
})

describe('the wardrobe', () => {
  it('duplicates, renames, deletes with undo, backs up and restores', async () => {
    await freshDemo()
    const menu = async (id: string, entry: string) => {
      await (await (await card(id)).findElement(By.css('[data-test="garment-menu"]'))).click()
      await click(driver, entry)
    }
    await menu('demo-bather', 'duplicate')
    await soon('one more', async () => (await all('garment-card')).length === DEMO + 1)
    await menu('demo-bather', 'rename')
    await (await byTest(driver, 'rename-field')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Harbour suit', Key.ENTER)
    await soon('renamed', async () => (await (await card('demo-bather')).getText()).includes('Harbour suit'))
    await menu('demo-dress', 'delete')
    await soon('gone', async () => (await all('garment-card')).length === DEMO)
    await click(driver, 'undo')
    await soon('back', async () => (await all('garment-card')).length === DEMO + 1)
    await click(driver, 'back-up')
    const backup = await download('.json')
    await menu('demo-dress', 'delete')
    await menu('demo-bather', 'delete')
    await soon('one less', async () => (await all('garment-card')).length === DEMO - 1)
    await (await driver.findElement(By.css('[data-test="restore-file"]'))).sendKeys(backup)
    await soon('restored', async () => (await all('garment-card')).length === DEMO + 1)
    const broken = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'broken.json')
    writeFileSync(broken, readFileSync(backup, 'utf8').slice(0, 5000))
    await (await driver.findElement(By.css('[data-test="restore-file"]'))).sendKeys(broken)
    await soon('a plain sentence', async () =>
      (await driver.findElement(By.css('body')).getText()).includes('not whole or not a project file'),
    )
    expect(await all('garment-card')).toHaveLength(DEMO + 1)
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
    await byTest(driver, 'choose-file')
    const dir = mkdtempSync(join(tmpdir(), 'tidal-seam-'))
    const hostile = join(dir, 'hostile.svg')
    writeFileSync(hostile, '<svg xmlns="http://www.w3.org/2000/svg"><script>document.title="taken"</script></svg>')
    await (await driver.findElement(By.css('[data-test="svg-file"]'))).sendKeys(hostile)
    expect(await textOf('refused')).toContain('it contains a script')
    expect(await driver.getTitle()).toBe('Tidal Seam')

    await (await driver.findElement(By.css('[data-test="svg-file"]'))).sendKeys(join(process.cwd(), 'demo/outside/pedlars-waistcoat.svg'))
    await click(driver, 'confirm-scale')
    expect(await textOf('tray-count')).toBe('3 outlines, 2 ready')
    await driver.navigate().refresh()
    expect(await textOf('tray-count')).toBe('3 outlines, 2 ready')
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
    await retype(await byTest(driver, 'all-allowances'), '3/8')
    await click(driver, 'to-seams')
    expect(await textOf('proposed-side seam')).toMatch(/1 notch meets/)
    await byTest(driver, 'proposed-shoulder seam')
    await click(driver, 'finish-import')
    await byTest(driver, 'table')
    expect(await textOf('garment-name')).toBe('pedlars waistcoat')
    await ask('shorten the body by 1 1/2', 'lengthen')
    await soon('front and back', async () => (await textOf('changed-pieces')) === 'Changes: Waistcoat front, Waistcoat back')
    await driver.get(`${server.url}/import`)
    expect(await textOf('tray-count')).toBe('1 outlines, 0 ready')
    await click(driver, 'grain-page')
    await soon('the belt is ready', async () => (await textOf('tray-count')) === '1 outlines, 1 ready')
  })

  it('takes its scale from a line of known length, and shows where an outline is open', async () => {
    await freshDemo()
    const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'plain.svg')
    writeFileSync(
      file,
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 300"><path d="M10 10H110V210H10Z"/><path d="M150 10H250V210H150V30"/><path d="M60 40V180"/></svg>',
    )
    await driver.get(`${server.url}/import`)
    await byTest(driver, 'choose-file')
    await (await driver.findElement(By.css('[data-test="svg-file"]'))).sendKeys(file)
    await click(driver, 'scale-line')
    const first = await byTest(driver, 'scale-line-1:0')
    await driver.executeScript(`arguments[0].dispatchEvent(new MouseEvent('click', { bubbles: true }))`, first)
    await retype(await byTest(driver, 'true-length'), '10')
    await click(driver, 'confirm-scale')
    expect(await textOf('tray-count')).toBe('2 outlines, 1 ready')
    await click(driver, 'tray-outline-2')
    await byTest(driver, 'trouble-place')
    expect(await driver.findElement(By.css('[role="alert"]')).getText()).toContain('The outline is open')
    await click(driver, 'tray-outline-1')
    await click(driver, 'to-seams')
    await click(driver, 'finish-import')
    await byTest(driver, 'table')
    await click(driver, 'station-paper')
    await byTest(driver, 'page-count')
    await click(driver, 'units-in')
    expect((await all('page-map')).length).toBe(1)
  })
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
          ({ '': 'open-demo', import: 'choose-file', wearers: 'choose-set' } as Record<string, string>)[screen] ?? 'garment-name',
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
          await driver.findElement(By.css('[data-test="svg-file"]'))
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
        await byTest(driver, 'choose-file')
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
          ({ '': 'open-demo', import: 'choose-file', wearers: 'choose-set' } as Record<string, string>)[screen] ?? 'garment-name',
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
