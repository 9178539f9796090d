import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By, Origin } from 'selenium-webdriver'
import { beforeEach, describe, expect, it } from 'vitest'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, openGarment, retype, ask } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)
const held = () => soon('every promise is held', async () => /Held: (\d+) of \1/.test(await textOf('held')))
const choose = async (name: string, value: string) => (await field(name)).findElement(By.css(`option[value="${value}"]`)).click()

describe('darts', () => {
  beforeEach(() => app.freshDemo())

  it('one from the armhole is dragged to the side, finished, folded, and its steps are printed', async () => {
    await openGarment('demo-piper', 'reshape')
    // Begin afresh: without the plan that comes with it.
    for (const left of [1, 0]) {
      await press('stop-0')
      await press('delete-stop')
      await soon('deleted', async () => (await all(`stop-${left}`)).length === 0)
    }
    const bought = await app.outlineAtRest('front')
    await ask('move a dart', 'move-dart')
    await choose('field-edgeId', 'armhole')
    await soon('still from the armhole', async () => (await textOf('stop-title')).includes('to the armhole'))
    const there = await app.outlineAtRest('front')
    // From the armhole round the underarm down to the side.
    const handle = await app.driver().findElement(By.css('[data-test="handle-first"] circle'))
    await app
      .driver()
      .actions({ async: true })
      .move({ origin: handle })
      .press()
      .move({ origin: Origin.POINTER, x: 40, y: 40, duration: 300 })
      .move({ origin: Origin.POINTER, x: 10, y: 110, duration: 400 })
      .release()
      .perform()
    await soon('at the side', async () => (await textOf('stop-title')).includes('to the side'))
    // Its tip is now as far from the apex as is usual at the side.
    await expect.poll(async () => (await field('field-tipBackMm')).getAttribute('value')).toBe('1 1/2')
    const moved = await app.outlineAtRest('front', there)
    expect(moved).not.toBe(bought)
    await held()

    await ask('dart tip', 'finish-dart')
    await held()
    const cap = await (await field('folded-cap')).getAttribute('d')
    await press('press-before')
    await soon('the cap is another', async () => (await (await field('folded-cap')).getAttribute('d')) !== cap)
    await soon('and the stop says so', async () => (await (await field('field-pressTo')).getAttribute('value')) === 'before')
    await retype(await field('field-tipBackMm'), '2')
    await soon('tip further back', async () => (await (await field('field-tipBackMm')).getAttribute('value')) === '2')
    await held()
    // What no dart can take is said with its limit, and the figure stays.
    await retype(await field('field-tipBackMm'), '20')
    await soon('said', async () => /Tip short of the apex.*at most/.test(await (await app.driver().findElement(By.css('body'))).getText()))
    await soon('as it was', async () => (await (await field('field-tipBackMm')).getAttribute('value')) === '2')
    await held()

    await press('station-match')
    await soon('walked', async () => (await textOf('match-summary')).includes('seams walked'))
    const faults = await app.driver().findElements(By.css('[data-test^="fault-"]'))
    expect(await Promise.all(faults.map((f) => f.getText()))).toEqual([])
    await press('station-paper')
    await press('tab-steps')
    await soon('the steps', async () => {
      const page = await (await app.driver().findElement(By.css('main'))).getText()
      return /rule from there to the apex/.test(page) && /fold the .* dart closed/.test(page)
    })
  })

  it('that can go two ways shows the figures of both apart, be they turned or not', async () => {
    await openGarment('demo-dancer', 'reshape')
    const overlapping = () =>
      app.driver().executeScript<number>(
        `const [a, b] = [...document.querySelectorAll('[data-handle] rect')].map((figure) => figure.getBoundingClientRect())
         return Math.min(Math.min(a.right, b.right) - Math.max(a.left, b.left), Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top))`,
      )
    await ask('apex too close to the side', 'raise-dart')
    await soon('both handles', async () => (await all('handle-amount')).length === 1 && (await all('handle-aside')).length === 1)
    expect(await overlapping()).toBeLessThan(0)
    await retype(await field('field-asideMm'), '1/2')
    await soon('turned', async () => (await textOf('stop-title')).startsWith('Turn'))
    await held()
    expect(await overlapping()).toBeLessThan(0)
  })

  it('a gaping armhole is taken in, two darts are merged, and a front without one gets a fuller bust', async () => {
    await openGarment('demo-dancer', 'reshape')
    await press('stop-0')
    await retype(await field('field-amountMm'), '5/8')
    await soon('deeper', async () => /5.8|⅝/.test(await textOf('stop-0')))
    await held()
    await choose('field-sides', 'one')
    await soon('says what that means', async () => (await all('caution-opened-out')).length === 1)
    await held()
    await openGarment('demo-harper', 'reshape')
    await press('stop-0')
    await held()
    await press('compare-open')
    await soon('both ways', async () => (await all('take-way-1')).length === 1)
    await openGarment('demo-baker', 'reshape')
    await press('stop-0')
    await retype(await field('field-amountMm'), '1')
    await held()
    await choose('field-opening', 'ease')
    await soon('refused with a figure', async () => (await textOf('problem')).includes('can be eased in'))
    await press('use-largest')
    await soon('as much as can be eased', async () => (await all('problem')).length === 0)
  })

  it('two lines that meet inside an imported piece are taken for a dart, can be lines again, and a dart again', async () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="500mm" viewBox="0 0 400 500">
      <path d="M20 120 L90 20 L210 60 L250 240 L225 430 L20 430 Z" fill="none" stroke="black"/>
      <path d="M240 316 L140 280 L236 346" fill="none" stroke="black"/>
      <path d="M60 150 L60 380" fill="none" stroke="black" id="grain"/></svg>`
    const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'front.svg')
    writeFileSync(file, svg)
    await app.driver().get(`${app.url()}/import`)
    await field('pattern')
    await (await app.driver().findElement(By.css('[data-test="pattern-file"]'))).sendKeys(file)
    await press('confirm-scale')
    const edgeCount = async () => (await app.driver().findElements(By.css('g[data-test^="edge-"]'))).length
    await expect.poll(() => textOf('readings')).toContain('taken for darts')
    const withDart = await edgeCount()
    await press('leave-darts')
    await soon('lines again', async () => (await edgeCount()) < withDart)
    await expect.poll(() => textOf('inner-folds')).toContain('Is it one?')
    await (await app.driver().findElement(By.css('[data-test^="make-dart-"]'))).click()
    await soon('no longer asked', async () => (await all('inner-folds')).length === 0)
    await soon('legs in the outline', async () => (await edgeCount()) === withDart)
  })

  it('a dart with two tips is read on import, a pleat is asked about; the dart is dragged wider, lengthened through, and matched', async () => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="600mm" viewBox="0 0 400 600">
      <g id="Tunic back"><path d="M20 40 L80 20 L190 60 Q176 150 226 200 Q190 330 236 520 L20 520 Z" fill="none" stroke="black"/>
      <path d="M50 120 L50 400" fill="none" stroke="black" id="grain"/>
      <path d="M110 240 L119 340 L110 440 L101 340 Z" fill="none" stroke="black"/>
      <path d="M150 520 L150 430" fill="none" stroke="black"/><path d="M180 520 L180 430" fill="none" stroke="black"/></g></svg>`
    const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'tunic.svg')
    writeFileSync(file, svg)
    await app.driver().get(`${app.url()}/import`)
    await field('pattern')
    await (await app.driver().findElement(By.css('[data-test="pattern-file"]'))).sendKeys(file)
    await press('confirm-scale')
    await field('inner-folds')
    await (await app.driver().findElement(By.css('[data-test^="make-pleat-"]'))).click()
    await soon('taken', async () => (await app.driver().findElements(By.css('[data-test^="make-pleat-"]'))).length === 0)
    await press('to-seams')
    await press('finish-import')
    await field('table')
    expect((await app.driver().findElements(By.css('[data-test^="fold-"]'))).length).toBe(2)
    await ask('hollow back', 'double-dart')
    await held()
    const lines = () => app.driver().findElements(By.css('[data-test^="fold-"]'))
    const drawn = async () => Promise.all((await lines()).map((l) => l.getAttribute('d')))
    const before = await drawn()
    const handle = await app.driver().findElement(By.css('[data-test="handle-amountMm"] circle'))
    await app
      .driver()
      .actions({ async: true })
      .move({ origin: handle })
      .press()
      .move({ origin: Origin.POINTER, x: 12, y: 0, duration: 300 })
      .release()
      .perform()
    await soon('taken in or let out', async () => (await (await field('field-amountMm')).getAttribute('value')) !== '0')
    await soon('drawn', async () => String(await drawn()) !== String(before))
    await held()
    await retype(await field('field-amountMm'), '1/4')
    await soon('typed', async () => /1.4|¼/.test(await textOf('stop-0')))
    await ask('shorter', 'lengthen')
    await retype(await field('field-amountMm'), '1')
    await soon('through the dart', async () => (await all('caution-line-through-dart')).length === 1)
    await held()
    await press('station-match')
    await soon('its legs are walked', async () => /waist dart/.test(await (await app.driver().findElement(By.css('main'))).getText()))
    expect((await app.driver().findElements(By.css('[data-test^="fault-dart"]'))).length).toBe(0)
  })
})
