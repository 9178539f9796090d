import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { By, error, Key, Origin, until, type WebElement } from 'selenium-webdriver'
import { afterAll, beforeAll } from 'vitest'
import { byTest, click, openBrowser, serve, WAIT_MS, type Opened } from '../../scripts/browser'

/** What is met when a page is not drawn yet, or is being drawn anew. */
const NOT_YET = [error.StaleElementReferenceError, error.NoSuchElementError]

/** So many garments hang in the demo wardrobe: not all of them are drawn at once. */
export const DEMO_GARMENTS = 14

/** The built application in a browser of its own, for one file of tests, with what a hand and an eye do in it. */
export function useApplication() {
  let server: { url: string; stop: () => void }
  let browser: Opened

  beforeAll(async () => {
    server = await serve()
    browser = await openBrowser()
  })
  afterAll(async () => {
    await browser?.close()
    server?.stop()
  })
  const driver = () => browser.driver

  const all = (name: string) => driver().findElements(By.css(`[data-test="${name}"]`))
  /** The words of an element; one that is drawn afresh meanwhile is read again. */
  const textOf = async (name: string): Promise<string> => {
    const read = async () => ({ text: await (await byTest(driver(), name)).getText() })
    const found = await driver().wait(() =>
      read().catch((e: unknown) => (e instanceof error.StaleElementReferenceError ? null : Promise.reject(e))),
    )
    return found!.text
  }
  /** Waits until something is so; an element that is not drawn yet, or was drawn afresh meanwhile, is looked for again. */
  const soon = (what: string, check: () => Promise<boolean>) =>
    driver().wait(
      () => check().catch((e: unknown) => (NOT_YET.some((kind) => e instanceof kind) ? false : Promise.reject(e))),
      WAIT_MS,
      what,
    )
  const card = (id: string) => driver().wait(until.elementLocated(By.css(`[data-id="${id}"]`)), WAIT_MS)

  /** A wardrobe with nothing but the demo in it. */
  async function freshDemo() {
    // A document of the same place in which nothing runs, so that nothing writes meanwhile.
    await driver().get(`${server.url}/mark.svg`)
    await driver().executeAsyncScript(
      `const done = arguments[arguments.length - 1]; indexedDB.databases().then(async (all) => { for (const d of all) await new Promise((r) => { const q = indexedDB.deleteDatabase(d.name); q.onsuccess = q.onerror = q.onblocked = r }); localStorage.clear(); done() })`,
    )
    await driver().get(server.url)
    await click(driver(), 'open-demo-first')
    await soon('all of the demo hangs', async () => (await all('garment-card')).length === DEMO_GARMENTS)
  }

  const SIGNS: Record<string, string> = {
    reshape: 'table',
    match: 'match-summary',
    paper: 'page-count',
    wearer: 'choose-wearer',
    size: 'worksheet',
    tissue: 'tissue-figure',
    fittings: 'story',
  }
  /** Opens a station: from the wardrobe as its links do, which keeps the page warm; by its address from anywhere else. */
  async function openGarment(id: string, station: string) {
    const path = `/garment/${id}/${station}`
    const isInWardrobe = await driver().executeScript<boolean>('return location.pathname === "/" && Boolean(window.useNuxtApp)')
    if (isInWardrobe) await driver().executeScript('void window.useNuxtApp().$router.push(arguments[0])', path)
    else await driver().get(`${server.url}${path}`)
    await byTest(driver(), SIGNS[station]!)
  }

  async function retype(field: WebElement, text: string) {
    await driver().executeScript('arguments[0].scrollIntoView({ block: "center" })', field)
    await field.click()
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, Key.ENTER)
  }

  /** Chooses an option of a list by what it says. */
  async function choose(name: string, option: string) {
    const list = await byTest(driver(), name)
    await driver().executeScript('arguments[0].scrollIntoView({ block: "center" })', list)
    await list.findElement(By.xpath(`./option[contains(normalize-space(.), "${option}")]`)).click()
  }

  async function ask(wish: string, kind: string) {
    const stops = () => driver().findElements(By.css('ol [data-test^="stop-"]'))
    const count = (await stops()).length
    const field = await byTest(driver(), 'wish')
    await field.click()
    await field.sendKeys(wish)
    await click(driver(), `kind-${kind}`)
    // The form of the stop that was open before is there until then.
    await soon('one stop more', async () => (await stops()).length === count + 1)
    await byTest(driver(), 'stop-title')
  }

  const outline = async (piece: string) => (await (await byTest(driver(), `outline-${piece}`)).getAttribute('d')) ?? ''

  /** The outline of a piece once it lies still, and lies otherwise than before. */
  async function outlineAtRest(piece: string, before?: string) {
    let last = ''
    await soon(`the ${piece} lies still`, async () => {
      const now = await outline(piece)
      if (now !== before && now === last) return true
      last = now
      await driver().sleep(300)
      return false
    })
    return last
  }

  /** A stored day as this browser writes it. */
  const dayWords = (day: string) =>
    driver().executeScript<string>(
      `return new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeZone: 'UTC' }).format(new Date('${day}'))`,
    )

  const taken = new Set<string>()
  /** The next file that arrives; one that was taken before is not given again. */
  async function download(ending: string): Promise<string> {
    let name = ''
    await soon(`a ${ending} file`, async () => {
      const there = existsSync(browser.downloads) ? readdirSync(browser.downloads) : []
      name = there.find((f) => f.endsWith(ending) && !taken.has(f)) ?? ''
      return name !== ''
    })
    taken.add(name)
    return join(browser.downloads, name)
  }

  /** Takes hold of a handle and drags it, as a hand does. */
  async function drag(handle: string, dx: number, dy: number) {
    await byTest(driver(), handle)
    // The ring itself: the figure beside it belongs to the handle too.
    const held = await driver().findElement(By.css(`[data-test="${handle}"] circle`))
    const [halfX, halfY] = [Math.round(dx / 2), Math.round(dy / 2)]
    // From where the hand is: the ring itself moves along with it, sooner or later.
    await driver()
      .actions({ async: true })
      .move({ origin: held })
      .press()
      .move({ origin: Origin.POINTER, x: halfX, y: halfY, duration: 120 })
      .move({ origin: Origin.POINTER, x: dx - halfX, y: dy - halfY, duration: 120 })
      .release()
      .perform()
  }

  return {
    driver,
    drag,
    url: () => server.url,
    all,
    textOf,
    soon,
    card,
    freshDemo,
    openGarment,
    retype,
    choose,
    ask,
    outline,
    outlineAtRest,
    download,
    dayWords,
  }
}
