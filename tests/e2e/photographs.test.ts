import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Key, Origin } from 'selenium-webdriver'
import { beforeAll, describe, expect, it } from 'vitest'
import { measureLength } from '../../core/geometry'
import { byTest, click } from '../../scripts/browser'
import { placeIn } from '../../scripts/photographs/make-photograph'
import { CROTCH_CURVE, LEG_MARKS, LEG_MOVED, LEG_SCENES, SAVED } from '../../scripts/photographs/scenes'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, choose } = app
beforeAll(() => app.freshDemo())

const photograph = (name: string) => join(import.meta.dirname, `../../public/demo-photographs/${name}.jpg`)
const take = async (file: string, field = 'pattern') => (await byTest(app.driver(), `${field}-file`)).sendKeys(file)
const read = () => soon('it is read', async () => (await all('photo-read')).length > 0 && (await all('photo-busy')).length === 0)

/** Clicks a place of the shown photograph, dots of the picture. */
async function clickAt(at: { x: number; y: number }) {
  const [x, y] = await app.driver().executeScript<[number, number]>(
    `const box = document.querySelector('[data-test="photo-picture"] image').getBoundingClientRect()
     return [box.left + (box.width * arguments[0]) / ${SAVED.widthPx}, box.top + (box.height * arguments[1]) / ${SAVED.heightPx}]`,
    at.x,
    at.y,
  )
  await app
    .driver()
    .actions()
    .move({ x: Math.round(x), y: Math.round(y), origin: Origin.VIEWPORT })
    .click()
    .perform()
}

describe('a photograph of a paper piece', () => {
  it('becomes a piece with its grain and the names of its edges; a sheet that is another one is told', async () => {
    await app.driver().get(`${app.url()}/import`)
    await take(photograph('paper-front'))
    await read()
    // In inches a sheet of Letter is proposed, and this is none.
    await expect.poll(() => textOf('photo-proportion')).toMatch(/1\.41 times .* not 1\.29/)
    await click(app.driver(), 'other-sheet')
    await soon('it is A4', async () => (await all('photo-proportion')).length === 0 && (await all('photo-read')).length > 0)
    expect((await textOf('photo-read')).replace(/\s+/g, ' ')).toMatch(/^11 (?:3\/4|13\/16) in by 24 13\/16 in/)
    // A place that is moved a little is followed again to the sheet's corner: nothing becomes larger.
    const size = await textOf('photo-read')
    await (await byTest(app.driver(), 'photo-corner-2')).sendKeys(Key.ARROW_RIGHT, Key.ARROW_DOWN)
    await byTest(app.driver(), 'find-again')
    await read()
    await expect.poll(() => textOf('photo-read')).toBe(size)
    await click(app.driver(), 'find-again')
    await soon('found itself', async () => (await all('find-again')).length === 0)
    await read()
    await click(app.driver(), 'confirm-photos')
    await soon('one is ready', async () => (await textOf('tray-count')) === '1 outline, 1 ready')
    await expect.poll(async () => (await byTest(app.driver(), 'piece-name')).getAttribute('value')).toBe('paper front')
    await click(app.driver(), 'to-seams')
    await click(app.driver(), 'finish-import')
    await byTest(app.driver(), 'table')
    await expect.poll(() => textOf('table')).toMatch(/paper front/i)
  })

  it('too long for one is joined of two by marks; nothing of it is lost by a reload', async () => {
    await app.driver().get(`${app.url()}/import`)
    await take(photograph('paper-leg-upper'))
    await read()
    await choose('photo-known', 'A4')
    await soon('it is A4', async () => (await all('photo-proportion')).length === 0 && (await all('photo-read')).length > 0)
    // What goes on beyond the picture is no piece.
    await expect.poll(async () => (await byTest(app.driver(), 'confirm-photos')).isEnabled()).toBe(false)
    await take(photograph('paper-leg-lower'), 'another-photo')
    await soon('both are asked to be joined', async () => (await all('photo-apart')).length > 0)
    await read()
    await click(app.driver(), 'photo-marking')
    for (const [i, scene] of LEG_SCENES.entries()) {
      await click(app.driver(), `photo-tab-${i}`)
      await soon('shown', async () =>
        (await (await byTest(app.driver(), 'photo-picture')).getAttribute('aria-label'))!.includes(i === 0 ? 'upper' : 'lower'),
      )
      for (const [k, mm] of LEG_MARKS.entries()) {
        await clickAt(placeIn({ ...scene, ...SAVED }, i === 0 ? mm : { x: mm.x + LEG_MOVED.x, y: mm.y + LEG_MOVED.y }))
        await soon('marked', async () => (await all(`photo-mark-${k}`)).length > 0)
      }
    }
    await soon('joined', async () => (await all('photo-joined')).length > 0)
    await app.driver().navigate().refresh()
    await soon('joined again', async () => (await all('photo-joined')).length > 0)
    await click(app.driver(), 'confirm-photos')
    await soon('a piece', async () => /^1 outline/.test(await textOf('tray-count')))
  })

  it('that is cut off in the middle of its file is refused in a sentence, and what lay in the tray stays', async () => {
    const before = await textOf('tray-count')
    await click(app.driver(), 'tray-clear')
    const broken = join(mkdtempSync(join(tmpdir(), 'tidal-seam-photo-')), 'broken.jpg')
    writeFileSync(broken, readFileSync(photograph('paper-front')).subarray(0, 400))
    await take(broken)
    await soon('refused', async () => /cannot read it as a picture/.test(await textOf('refused')))
    await click(app.driver(), 'undo')
    await soon('back', async () => (await textOf('tray-count')) === before)
  })

  it('that was cut along a flexible curve becomes a reading of the crotch, as long as the curve is', async () => {
    await click(app.driver(), 'tray-clear')
    await take(photograph('paper-crotch'))
    await read()
    await choose('photo-known', 'A4')
    await soon('it is A4', async () => (await all('photo-proportion')).length === 0 && (await all('photo-read')).length > 0)
    await click(app.driver(), 'confirm-photos')
    await soon('an outline', async () => /^1 outline/.test(await textOf('tray-count')))
    await app.openGarment('demo-tapered', 'wearer')
    await soon('three readings', async () => (await all('crotch-curve')).length === 3)
    await click(app.driver(), 'curve-outline')
    const inseam = await byTest(app.driver(), 'place-inseamMm')
    const proposed = await inseam.getAttribute('aria-valuenow')
    await app.driver().actions().dragAndDrop(inseam, { x: -40, y: -6 }).perform()
    expect(await inseam.getAttribute('aria-valuenow')).not.toBe(proposed)
    await inseam.sendKeys(Key.ARROW_RIGHT)
    await click(app.driver(), 'outline-keep')
    await soon('a fourth', async () => (await all('crotch-curve')).length === 4)
    expect((await textOf('crotch-curve')).replace(/\s+/g, ' ')).toMatch(/traced from paper-crotch\.jpg$/)
    const lengthMm = await app.driver().executeScript<number>(
      `const points = document.querySelector('[data-test="crotch-curve"] polyline').points
       return [...points].slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - points[i].x, p.y - points[i].y), 0)`,
    )
    expect(Math.abs(lengthMm - measureLength(CROTCH_CURVE))).toBeLessThan(2)
  })
})
