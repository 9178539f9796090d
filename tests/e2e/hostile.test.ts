import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { beforeEach, describe, expect, it } from 'vitest'
import { readBackup } from '../../core/formats'
import { byTest, click, openBrowser, WAIT_MS } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, card, freshDemo, openGarment, ask, retype, download } = app
const run = (script: string, ...values: unknown[]) => app.driver().executeScript(script, ...values)
const bodyText = async () => (await app.driver().findElement(By.css('body'))).getText()
const status = () => textOf('status')

/** The stops on the tideline, by their places. */
const STOPS = [0, 1, 2, 3, 4, 5].map((i) => `[data-test="stop-${i}"]`).join()

/** A file on the disk, to be handed to a file field. */
function fileOf(name: string, text: string): string {
  const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), name)
  writeFileSync(file, text)
  return file
}
const hand = async (field: string, file: string) => (await app.driver().findElement(By.css(`[data-test="${field}"]`))).sendKeys(file)

/** From here on every write of the page fails as on a full disk, until `giveRoom`. */
const fillDisk = () =>
  run(`window.__put ??= IDBObjectStore.prototype.put; IDBObjectStore.prototype.put = function () { throw new DOMException('The quota has been exceeded.', 'QuotaExceededError') }
    IDBObjectStore.prototype.add = IDBObjectStore.prototype.put`)
const giveRoom = () => run('IDBObjectStore.prototype.put = window.__put; IDBObjectStore.prototype.add = window.__put')

/** The page is left although it says that something is not stored. */
async function leaveTo(path: string) {
  await run(
    'window.onbeforeunload = null; for (const e of ["beforeunload"]) window.addEventListener(e, (x) => x.stopImmediatePropagation(), true)',
  )
  await app.driver().get(`${app.url()}${path}`)
  await app
    .driver()
    .switchTo()
    .alert()
    .accept()
    .catch(() => undefined)
}

describe('a dart into the hem', () => {
  it('is worked out, and the garment opens again after a reload', async () => {
    await freshDemo()
    await openGarment('demo-piper', 'reshape')
    await ask('move a dart', 'move-dart')
    await (await byTest(app.driver(), 'field-edgeId')).sendKeys('hem')
    await soon('it goes to the hem', async () => (await textOf('stop-title')).includes('hem'))
    expect(await all('problem')).toHaveLength(0)
    await app.driver().navigate().refresh()
    await byTest(app.driver(), 'table')
    await click(app.driver(), 'station-match')
    await expect.poll(() => textOf('match-summary')).toMatch(/seams walked/)
    await app.driver().get(app.url())
    await card('demo-piper')
  })
})

describe('figures of wearers from a file', () => {
  it.each([
    ['a figure longer than a body', 'the Giant,2026-03-01,Waist,52 m', /line 3: Waist, “52 m”: a body has no length over 5 m/],
    ['a day that is none', 'the Giant,2026-13-45,Waist,80 cm', /line 3: “2026-13-45” is not a day of the calendar/],
  ])('with %s are refused whole, by line', async (_, row, words) => {
    await freshDemo()
    await app.driver().get(`${app.url()}/wearers`)
    await byTest(app.driver(), 'csv-file')
    await hand('csv-file', fileOf('wearers.csv', `wearer,taken on,measure,figure\nthe Cook,2026-03-02,Waist,80 cm\n${row}\n`))
    await soon('said', async () => words.test(await bodyText()))
    expect(await all('wearer-the Giant')).toHaveLength(0)
    await app.driver().get(app.url())
    await click(app.driver(), 'back-up')
    const backup = readBackup(readFileSync(await download('.zip')))
    expect(backup.ok).toBe(true)
  })
  it('written out never begin a cell as a formula', async () => {
    await app.driver().get(`${app.url()}/wearers`)
    await (await byTest(app.driver(), 'new-wearer-name')).sendKeys('=2+5', Key.ENTER)
    await byTest(app.driver(), 'wearer-=2+5')
    await retype(await byTest(app.driver(), 'figure-waist'), '31 ⅝')
    await soon('stored', async () => (await status()) === 'saved')
    await click(app.driver(), 'save-csv')
    expect(readFileSync(await download('.csv'), 'utf8')).toContain("'=2+5,")
  })
})

describe('storage that is full', () => {
  beforeEach(freshDemo)

  it('is said at once; what is done stays on the page, can be saved as a file, and is stored when there is room', async () => {
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 1', 'lengthen')
    await soon('stored', async () => (await status()) === 'saved')
    await fillDisk()
    const note = await byTest(app.driver(), 'note')
    await note.sendKeys('Too long above the waist', Key.TAB)
    await expect.poll(() => textOf('storage-page')).toContain('the storage of this browser is full')
    await soon('not saved', async () => (await status()) === 'not saved')
    // Work goes on, and undo with it.
    await retype(await byTest(app.driver(), 'field-amountMm'), '1 3/8')
    await soon('the pieces have the new figure', async () => /1\s*(⅜|3.8)/.test(await textOf('stop-0')))
    await click(app.driver(), 'storage-save')
    const saved = readBackup(readFileSync(await download('.zip')))
    if (!saved.ok) throw new Error(saved.problem.message)
    expect(saved.value.file.fits.find((f) => f.id === 'demo-blouse')!.plan[0]!.note).toBe('Too long above the waist')
    await click(app.driver(), 'storage-again')
    await soon('still full', async () => (await bodyText()).includes('Not yet'))
    await giveRoom()
    await click(app.driver(), 'storage-again')
    await soon('stored again', async () => (await status()) === 'saved' && (await all('storage-page')).length === 0)
    await openGarment('demo-blouse', 'reshape')
    await click(app.driver(), 'stop-0')
    await expect.poll(async () => (await byTest(app.driver(), 'note')).getAttribute('value')).toBe('Too long above the waist')
    await expect.poll(async () => (await byTest(app.driver(), 'field-amountMm')).getAttribute('value')).toBe('1 3/8')
  })

  it('when a garment is hung in the wardrobe: the tray and the garment are both there, or neither', async () => {
    await app.driver().get(`${app.url()}/import`)
    await byTest(app.driver(), 'pattern')
    await hand('pattern-file', join(process.cwd(), 'demo/outside/pedlars-waistcoat.svg'))
    await click(app.driver(), 'confirm-scale')
    await click(app.driver(), 'rest-is-plain')
    await soon('ready', async () => (await textOf('tray-count')) === '3 outlines, 2 ready')
    await click(app.driver(), 'to-seams')
    await soon('stored', async () => (await status()) === 'saved')
    await fillDisk()
    await click(app.driver(), 'finish-import')
    await byTest(app.driver(), 'storage-page')
    await byTest(app.driver(), 'table')
    // The browser itself still has the tray as it was, and no new garment.
    await giveRoom()
    await leaveTo('/import')
    await expect.poll(() => textOf('tray-count')).toBe('3 outlines, 2 ready')
    await app.driver().get(app.url())
    await card('demo-blouse')
    expect(await bodyText()).not.toContain('pedlars waistcoat')
  })
})

describe('a plan that does not come to an end', () => {
  it('can be stopped, says at which stop it was, and is worked out when tried again, or without that stop', async () => {
    await freshDemo()
    const { driver } = app
    const silence = `window.__post = Worker.prototype.postMessage; Worker.prototype.postMessage = () => {}`
    const { identifier } = (await driver().sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source: silence,
    })) as unknown as {
      identifier: string
    }
    await driver().get(`${app.url()}/garment/demo-harper/reshape`)
    await click(driver(), 'stop-working')
    await expect.poll(() => textOf('trouble')).toMatch(/it was stopped.*It was at “Finish the side dart”.*Nothing is lost/)
    await driver().sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier })
    await run('Worker.prototype.postMessage = window.__post')
    await click(driver(), 'leave-out-stop')
    await byTest(driver(), 'table')
    await click(driver(), 'stop-1')
    await expect.poll(() => textOf('switch')).toBe('Switch on')
    await click(driver(), 'switch')
    await soon('worked out whole', async () => (await textOf('switch')) === 'Switch off' && (await all('trouble')).length === 0)
  })
})

describe('a note that two tabs write', () => {
  it('is not lost half typed: what the other tab stored is shown beside it', async () => {
    await freshDemo()
    const { driver } = app
    const second = async (path: string) => {
      await driver().switchTo().newWindow('tab')
      await driver().get(`${app.url()}${path}`)
    }
    await openGarment('demo-helm', 'reshape')
    await click(driver(), 'stop-0')
    const mine = await driver().getWindowHandle()
    // Without the focus, as with two windows side by side: leaving the field would store it.
    await run(
      `const field = arguments[0]; field.value = 'Mine, half ty'; field.dispatchEvent(new Event('input'))`,
      await byTest(driver(), 'note'),
    )
    await second('/garment/demo-helm/reshape')
    await click(driver(), 'stop-0')
    await (await byTest(driver(), 'note')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Theirs', Key.TAB)
    await soon('stored', async () => (await status()) === 'saved')
    await driver().close()
    await driver().switchTo().window(mine)
    await expect.poll(() => textOf('note-theirs')).toContain('“Theirs”')
    await expect.poll(async () => (await byTest(driver(), 'note')).getAttribute('value')).toBe('Mine, half ty')
    await (await byTest(driver(), 'note')).sendKeys(Key.END, 'ped', Key.TAB)
    await soon('mine is stored', async () => (await all('note-theirs')).length === 0 && (await status()) === 'saved')
    await driver().navigate().refresh()
    await click(driver(), 'stop-0')
    await expect.poll(async () => (await byTest(driver(), 'note')).getAttribute('value')).toBe('Mine, half typed')
  })
})

describe('storage that does not serve', () => {
  it.each([
    [
      'is blocked',
      `IDBFactory.prototype.open = () => { throw new DOMException('access denied', 'SecurityError') }
       Object.defineProperty(window, 'localStorage', { get() { throw new DOMException('access denied', 'SecurityError') } })`,
      /does not let the page store/,
    ],
    ['is missing', `Object.defineProperty(window, 'indexedDB', { value: undefined })`, /does not let the page store/],
    ['does not answer', `IDBFactory.prototype.open = () => ({ addEventListener() {} })`, /does not answer/],
  ])('because it %s is said, and the demo can be used and saved as a file', async (_, script, why) => {
    const browser = await openBrowser()
    const { driver } = browser
    try {
      await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: script })
      await driver.get(app.url())
      const banner = await byTest(driver, 'storage-page')
      expect(await banner.getText()).toMatch(why)
      await click(driver, 'open-demo-first')
      await (
        await (
          await driver.findElement(By.css('[data-id="demo-blouse"]')).catch(() => byTest(driver, 'garment-card'))
        ).findElement(By.css('[data-test="open-garment"]'))
      ).click()
      const wish = await byTest(driver, 'wish')
      await wish.sendKeys('shorten the body by 1')
      await click(driver, 'kind-lengthen')
      await byTest(driver, 'stop-title')
      await click(driver, 'storage-save')
    } finally {
      await browser.close()
    }
  })
})

describe('a drawing in a page frame, with lines that are none', () => {
  it('brings the pieces in; the frame is set aside and can be taken back', async () => {
    await freshDemo()
    await app.driver().get(`${app.url()}/import`)
    await byTest(app.driver(), 'pattern')
    const text = `<svg xmlns="http://www.w3.org/2000/svg" width="800mm" height="600mm" viewBox="0 0 800 600"><rect width="100%" height="100%"/><rect x="8" y="8" width="784" height="584"/>
      <circle cx="3" cy="3" r="1e-7"/><ellipse id="sun" rx="1e9" ry="1e9"/><g transform="scale(0)"><path d="M0 0h9v9z"/></g>
      <g id="Front"><path d="M60 60C90 60 110 40 120 30L220 50L240 180L230 420L60 420Z"/><path id="grain" d="M110 120V360"/></g>
      <g id="Back"><path d="M400 40L500 60L520 180L510 420L400 420Z"/></g></svg>`
    await hand('pattern-file', fileOf('framed.svg', text))
    await expect.poll(() => textOf('lines-left-out')).toContain('“sun”: it lies more than 10 km away.')
    await click(app.driver(), 'confirm-scale')
    await expect.poll(() => textOf('tray-count')).toBe('2 outlines, 2 set aside, 1 ready')
    await click(app.driver(), 'tray-outline-2')
    await expect.poll(() => textOf('set-aside')).toContain('frame of the page')
    await click(app.driver(), 'take-back')
    await soon('taken back', async () => (await textOf('tray-count')).startsWith('3 outlines, 1 set aside'))
    await click(app.driver(), 'mode-sheet')
    const onSheet = (name: string) => app.driver().findElement(By.css(`[data-test="sheet-picture"] [aria-label="${name}"]`))
    await (await byTest(app.driver(), 'sheet-outline-2')).sendKeys(Key.ENTER)
    await soon('set aside by a key', async () => (await textOf('tray-count')).startsWith('2 outlines, 2 set aside'))
    await (await onSheet('Front')).sendKeys(Key.SPACE)
    await soon('out by a key', async () => (await textOf('tray-count')).endsWith('0 ready'))
    await (await onSheet('Front')).click()
    await soon('in by a click', async () => (await textOf('tray-count')).endsWith('1 ready'))
    await expect.poll(async () => (await byTest(app.driver(), 'piece-name')).getAttribute('value')).toBe('Front')
  })
})

describe('a browser that is killed', () => {
  it('has after each of five kills everything that it had said was saved', async () => {
    const profile = mkdtempSync(join(tmpdir(), 'tidal-seam-killed-'))
    for (let round = 0; round <= 5; round++) {
      const browser = await openBrowser(1280, 800, profile)
      const { driver } = browser
      const textIn = async (name: string) => (await byTest(driver, name)).getText()
      await driver.get(app.url())
      if (round === 0) {
        await click(driver, 'open-demo-first')
        await byTest(driver, 'garment-card')
      }
      await driver.get(`${app.url()}/garment/demo-blouse/reshape`)
      const wish = await byTest(driver, 'wish')
      expect(await driver.findElements(By.css(STOPS))).toHaveLength(round)
      if (round === 5) {
        await browser.close()
        break
      }
      await wish.sendKeys(`shorten the body by ${round + 1}/8`)
      await click(driver, 'kind-lengthen')
      await driver.wait(
        async () => (await driver.findElements(By.css(STOPS))).length === round + 1 && (await textIn('status')) === 'saved',
        WAIT_MS,
      )
      await browser.kill()
    }
  })
})

describe('the server', () => {
  it('lets nothing inline run that is not its own, and says so in headers; answers plainly to what it does not do', async () => {
    const page = await fetch(app.url())
    const policy = page.headers.get('content-security-policy')!
    expect(policy).toMatch(/script-src 'self' 'sha256-/)
    expect(policy).not.toContain('unsafe')
    // WebAssembly is run by the worker that reads words alone, and text as a script by nothing.
    for (const file of readdirSync('.output/public/_nuxt').filter((f) => f.endsWith('.js'))) {
      const own = (await fetch(`${app.url()}/_nuxt/${file}`, { method: 'HEAD' })).headers.get('content-security-policy')!
      expect(own.includes("'wasm-unsafe-eval'"), file).toBe(file.startsWith('worker.min'))
      expect(own.replace("'wasm-unsafe-eval'", ''), file).not.toContain('unsafe')
    }
    expect(page.headers.get('x-powered-by')).toBeNull()
    for (const path of ['/', '/mark.svg', '/api/demo', '/api/nothing']) {
      const answer = await fetch(`${app.url()}${path}`)
      expect(answer.headers.get('x-content-type-options'), path).toBe('nosniff')
      expect(answer.headers.get('x-frame-options'), path).toBe('DENY')
      expect(answer.headers.get('referrer-policy'), path).toBe('no-referrer')
    }
    const unknown = await fetch(`${app.url()}/api/nothing/at/all`)
    expect([unknown.status, await unknown.json()]).toMatchObject([404, { ok: false }])
    for (const [path, method] of [
      ['/api/demo', 'POST'],
      ['/', 'DELETE'],
    ] as const)
      expect((await fetch(`${app.url()}${path}`, { method })).status, path).toBe(405)
    expect((await fetch(`${app.url()}/api/demo`, { method: 'POST', body: 'x'.repeat(100_000) })).status).toBe(413)
    const demo = await fetch(`${app.url()}/api/demo`, { headers: { 'accept-encoding': 'br' } })
    const again = await fetch(`${app.url()}/api/demo`, { headers: { 'if-none-match': demo.headers.get('etag')! } })
    expect([demo.headers.get('content-encoding'), again.status]).toEqual(['br', 304])
  })
  it('no page logs an error, also under its own policy', async () => {
    await freshDemo()
    await openGarment('demo-blouse', 'reshape')
    await ask('shorten the body by 1', 'lengthen')
    for (const station of ['wearer', 'size', 'match', 'paper']) await openGarment('demo-blouse', station)
    const logged = await app.driver().manage().logs().get('browser')
    expect(logged.filter((l) => l.level.name === 'SEVERE').map((l) => l.message)).toEqual([])
  })
})
