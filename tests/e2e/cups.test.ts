import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By } from 'selenium-webdriver'
import { describe, expect, it } from 'vitest'
import { toPathData } from '../../core/formats'
import { movePath } from '../../core/geometry'
import { outlineOf, shapeOf } from '../../core/pattern'
import { draftBlouse } from '../../demo/blouse'
import { withCups } from '../../demo/cups'
import { byTest, click } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { all, textOf, soon, openGarment, retype } = app
const field = (name: string) => byTest(app.driver(), name)
const press = (name: string) => click(app.driver(), name)

/** A file with a front for each of three cups, and a back, all as seam lines without a word about them. */
function cupsFile(): string {
  const garment = withCups(draftBlouse())
  const pieces = [...garment.cups!, garment.pieces.find((p) => p.id === 'back')!]
  const groups = pieces.map((p, i) => {
    const path = movePath(outlineOf(p, shapeOf(p, 'one')), { x: 60 + i * 420, y: 150 })
    return `<g id="${p.name}"><path d="${toPathData(path, true)}" fill="none" stroke="black"/></g>`
  })
  const file = join(mkdtempSync(join(tmpdir(), 'tidal-seam-')), 'blouse-in-cups.svg')
  writeFileSync(
    file,
    `<svg xmlns="http://www.w3.org/2000/svg" width="2000mm" height="1000mm" viewBox="0 0 2000 1000">${groups.join('')}</svg>`,
  )
  return file
}

describe('a pattern with pieces for several cups', () => {
  it('comes in as one garment, and the body’s cup is the first stop of its plan', async () => {
    await app.freshDemo()
    await app.driver().get(`${app.url()}/import`)
    await (await field('pattern-file')).sendKeys(cupsFile())
    await press('confirm-scale')
    for (const n of [1, 2, 3, 4]) {
      await press(`tray-outline-${n}`)
      await press('grain-page')
      await soon('ready as it is, too', async () => (await textOf(`tray-outline-${n}`)).includes('ready'))
      await press('allowance-included')
    }
    for (const [n, cup] of [
      [1, 'A'],
      [3, 'C'],
    ] as const) {
      await press(`tray-outline-${n}`)
      await (await field('cup-of')).findElement(By.css('option[value="outline-2"]')).click()
      // Until it says for which cup it is it waits, with the reason.
      await soon('waits', async () => (await textOf(`tray-outline-${n}`)).includes('which cup'))
      await retype(await field('cup-name'), cup)
      await soon('ready', async () => (await textOf(`tray-outline-${n}`)).includes('ready'))
    }
    await press('tray-outline-2')
    await retype(await field('cup-name'), 'B')
    await press('to-seams')
    await retype(await field('garment-title'), 'Blouse in cups')
    await (await field('import-wearer')).findElement(By.xpath('./option[contains(., "Cook")]')).click()
    await press('finish-import')
    await field('table')
    await expect.poll(() => all('piece-outline-2')).toHaveLength(1)
    expect(await all('piece-outline-1')).toHaveLength(0)

    const id = (await app.driver().getCurrentUrl()).split('/').at(-2)!
    await openGarment(id, 'wearer')
    await retype(await field('figure-bust'), '38 1/4')
    // Within the application: a page that is left in the moment of writing would lose it.
    await press('station-size')
    await field('worksheet')
    await soon('the largest of its cups', async () => (await textOf('cup')).includes('take the front for cup C'))
    // A table of the pattern's own moves the border between two cups.
    await app.driver().executeScript('document.querySelector("[data-test=size-chart]").open = true')
    await retype(await field('cup-upto-1'), '2 7/8')
    await soon('another cup', async () => (await textOf('cup')).includes('take the front for cup B'))
    await press('undo')
    await soon('as before', async () => (await textOf('cup')).includes('cup C'))
    await press('make-plan')
    await soon('taken', async () => (await all('make-plan')).length === 0)
    await openGarment(id, 'reshape')
    await press('stop-0')
    await soon('the piece for her cup', async () => (await textOf('stop-title')) === 'Take the front for cup C')
    const held = /Held: (\d+) of (\d+)/.exec(await textOf('held'))!
    expect(held[1]).toBe(held[2])
    expect(Number(held[1])).toBeGreaterThan(3)
  })
})
