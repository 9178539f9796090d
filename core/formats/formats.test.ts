import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { demoWardrobe } from '../../demo/wardrobe'
import { outlinesIn } from '../import/test-outlines'
import { boundsOf, flattenPath, measureArea, nearestPlace } from '../geometry'
import { layOutSheet } from '../paper'
import {
  contentsOf,
  FILE_VERSION,
  migrateFile,
  projectsOf,
  readProjectFile,
  readSvg,
  splitProject,
  writeProjectFile,
  writeSvg,
} from './index'

const words = {
  garmentName: 'Blouse',
  wearerName: 'the Cook',
  sizeName: 'own draft',
  date: '2026-01-01',
  changes: ['Shorten <the> body & "more"'],
  ruler: 'in' as const,
}
const svg = (inner: string, head = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${inner}</svg>`
const only = (text: string) => {
  const read = readSvg(text)
  if (!read.ok) throw new Error(read.problem.message)
  return read.value
}

type Plain = Record<string, unknown>

/** Draws an edge together into its first point; the one before it runs on to where it ended. */
function spoilEdge(project: Plain): void {
  type Shape = { edges: Record<string, { from: object; to: object }[]> }
  const piece = (project.garment as { pieces: { edges: { id: string }[]; shapes: Record<string, Shape> }[] }).pieces[0]!
  const shape = Object.values(piece.shapes)[0]!
  const [first, second] = piece.edges
  const from = shape.edges[first!.id]![0]!.from
  shape.edges[first!.id] = [{ kind: 'line', from, to: from } as never]
  shape.edges[second!.id]![0]!.from = from
}

describe('project file', () => {
  const { projects, wearers } = demoWardrobe(new Date('2026-02-03'))
  const contents = contentsOf(projects, wearers)
  const text = writeProjectFile(contents, new Date('2026-02-03'))
  /** The same as version 4 wrote it: a garment and its work in one. */
  const version4 = () => {
    const plain = JSON.parse(text) as { garments: Plain[]; fits: Plain[] } & Plain
    const { garments, fits, ...rest } = plain as typeof plain & { wearers: Plain[]; savedAt: string }
    const one = (g: Plain) => {
      const { id, name, garment, charts, createdAt, updatedAt } = g
      const { wearerId, choices, plan } = fits.find((f) => f.garmentId === id)!
      return { id, name, wearerId, garment, sizing: { ...(charts as Plain), ...(choices as Plain) }, plan, createdAt, updatedAt } as Plain
    }
    return { ...rest, version: 4, projects: garments.map(one) } as Plain & typeof rest & { projects: Plain[] }
  }
  it('goes out and in, whole: a garment once, with each of its fits', () => {
    const read = readProjectFile(text)
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value).toMatchObject(JSON.parse(JSON.stringify(contents)) as Plain)
    expect(
      projectsOf(read.value)
        .map((p) => p.id)
        .sort(),
    ).toEqual(projects.map((p) => p.id).sort())
    for (const p of projects)
      expect(splitProject(projectsOf(read.value).find((q) => q.id === p.id)!)).toEqual(JSON.parse(JSON.stringify(splitProject(p))))
    expect(read.value.fits.length).toBe(projects.length)
  })
  it('brings a file of version 4 up: each garment becomes one with a single fit', () => {
    const old = version4()
    const read = readProjectFile(JSON.stringify(old))
    if (!read.ok) throw new Error(`${read.problem.where}: ${read.problem.message}`)
    expect(read.value.garments).toEqual(JSON.parse(JSON.stringify(contents.garments)))
    const first = contents.fits.filter((f) => f.id === f.garmentId)
    expect(read.value.fits).toEqual(JSON.parse(JSON.stringify(first)))
  })
  it.each<[string, string, string, RegExp]>([
    ['cut short', text.slice(0, text.length / 2), 'file-unreadable', /line \d+/],
    ['not JSON', 'hello', 'file-unreadable', /line 1/],
    ['another format', '{"format":"x"}', 'file-other', /project file/],
    ['a newer version', text.replace(`"version": ${FILE_VERSION}`, `"version": ${FILE_VERSION + 1}`), 'file-newer', /version/],
    ['no version', text.replace(`"version": ${FILE_VERSION}`, '"version": "one"'), 'file-version', /version/],
    [
      'a wrong figure',
      text.replace('"allowanceMm": 10', '"allowanceMm": -10'),
      'file-wrong',
      /garment 1 “Lamplighter’s blouse”.*allowanceMm/,
    ],
    ['a figure that is none', text.replace(/"x": 74,/, '"x": "74",'), 'file-wrong', /garment 1/],
    [
      'an unknown change',
      text.replace('"kind": "lengthen"', '"kind": "levitate"'),
      'file-wrong',
      /fit 2 of the garment “Quay trousers, tapered”/,
    ],
    ['a lost edge', text.replace('"edgeId": "side-lower"', '"edgeId": "gone"'), 'garment-invalid', /Lamplighter/],
  ])('%s is refused with the place', (_, broken, code, where) => {
    expect(broken).not.toBe(text)
    const read = readProjectFile(broken)
    expect(read.ok).toBe(false)
    if (read.ok) return
    expect(read.problem.code).toBe(code)
    expect(`${read.problem.where}`).toMatch(where)
    expect(read.problem.remedy).toMatch(/\.$/)
  })
  it('brings a file of version 1 up: its wearers get a dated set, its garments an open sizing', () => {
    const now = version4()
    const old = {
      ...now,
      version: 1,
      wearers: [
        { id: 'cook', name: 'the Cook', heelRoundMm: 318 },
        { id: 'ghost', name: 'the Ghost', heelRoundMm: null },
      ],
      projects: now.projects.map(({ sizing: _, ...rest }) => rest),
    }
    const read = readProjectFile(JSON.stringify(old))
    if (!read.ok) throw new Error(`${read.problem.where}: ${read.problem.message}`)
    const [cook, ghost] = read.value.wearers
    expect(cook!.sets).toEqual([{ id: 'first', takenOn: now.savedAt.slice(0, 10), note: '', figures: { heel: { mm: 318 } } }])
    expect(ghost!.sets).toEqual([])
    expect(read.value.garments.map((p) => p.garment)).toEqual(now.projects.map((p) => p.garment))
    expect(readProjectFile(writeProjectFile(read.value, new Date(0))).ok).toBe(true)
  })
  it('brings a file of version 2 up: no zones of their own, no changes with a name', () => {
    const now = version4()
    const { recipes: _, ...rest } = now
    const old = {
      ...rest,
      version: 2,
      projects: now.projects.map(({ sizing, ...p }) => ({ ...p, sizing: without(sizing as Plain, 'ownZones') })),
    }
    const read = readProjectFile(JSON.stringify(old))
    if (!read.ok) throw new Error(`${read.problem.where}: ${read.problem.message}`)
    expect(read.value.recipes).toEqual([])
    expect(projectsOf(read.value).map((p) => p.sizing)).toEqual(now.projects.map((p) => p.sizing))
  })
  it('brings a file of version 3 up: names, days and figures that were once stored unchecked are mended, and kept in words', () => {
    const now = version4()
    const set = { id: 's', takenOn: '2026-02-31', note: 'tired', figures: { waist: { mm: 52_000 }, bust: { mm: 960 } } }
    const old = {
      ...now,
      version: 3,
      projects: [{ ...now.projects[0]!, name: 'a\u0007b'.repeat(60) }, ...now.projects.slice(1)],
      wearers: [{ id: 'giant', name: 'the\nGiant', sets: [set, { ...set, id: 't', takenOn: '2026-13-45' }], ownMeasures: [] }],
    }
    const read = readProjectFile(JSON.stringify(old))
    if (!read.ok) throw new Error(`${read.problem.where}: ${read.problem.message}`)
    const [giant] = read.value.wearers
    expect(giant!.name).toBe('the Giant')
    expect(giant!.sets[0]).toMatchObject({ takenOn: '2026-02-28', figures: { bust: { mm: 960 } } })
    expect(giant!.sets[0]!.note).toMatch(/tired \(day as written: 2026-02-31\) \(left out, too large for a body: waist .*52000/)
    expect(giant!.sets[1]!.takenOn).toBe('2000-01-01')
    expect(read.value.garments[0]!.name).toHaveLength(120)
    expect(readProjectFile(writeProjectFile(read.value, new Date(0))).ok).toBe(true)
  })
  it.each<[string, (file: { garments: Plain[]; fits: Plain[]; wearers: Plain[] }) => void, RegExp]>([
    ['two garments of one id', (f) => void f.garments.push(f.garments[0]!), /garments.*“demo-blouse” is used twice/],
    ['two fits of one id', (f) => void f.fits.push(f.fits[0]!), /fits.*is used twice/],
    ['a fit of a garment that it does not have', (f) => void (f.fits[0]!.garmentId = 'gone'), /fit 1: .*“gone”, which is not in the file/],
    ['two wearers of one id', (f) => void f.wearers.push(f.wearers[0]!), /wearers.*is used twice/],
    [
      'two stops of one id',
      (f) => void (f.fits[1]!.plan as Plain[]).push((f.fits[1]!.plan as Plain[])[0]!),
      /plan.*“longer” is used twice/,
    ],
    ['two sizes of one id', (f) => void ((f.garments[0]!.garment as { sizes: Plain[] }).sizes[1]!.id = 'one'), /is used twice/],
    ['an id that is a word of the language', (f) => void (f.wearers[0]!.id = 'constructor'), /cannot be used as an id/],
    [
      'a piece whose id has a blank in it',
      (f) => void ((f.garments[0]!.garment as { pieces: Plain[] }).pieces[0]!.id = 'left front'),
      /the id of a piece has no blank in it/,
    ],
    ['a name with signs that do not print', (f) => void (f.garments[0]!.name = 'a\u0000b'), /do not print/],
    ['a missing field', (f) => void delete f.fits[0]!.plan, /fit 1 of the garment “Lamplighter’s blouse”, plan.*it is missing/],
    ['a day that is none', (f) => void ((f.wearers[0]!.sets as Plain[])[0]!.takenOn = '2026-02-30'), /not a day of the calendar/],
    ['an edge of no length', (f) => spoilEdge(f.garments[2]!), /has no length/],
  ])('with %s is refused with the place, in words for people', (_, spoil, words) => {
    const file = JSON.parse(text) as { garments: Plain[]; fits: Plain[]; wearers: Plain[] }
    spoil(file)
    const read = readProjectFile(JSON.stringify(file))
    if (read.ok) throw new Error('it was let in')
    expect(`${read.problem.where}: ${read.problem.message}`).toMatch(words)
    expect(read.problem.message).not.toMatch(/expected|received|undefined|invalid/i)
  })

  it('runs every migration from the version of the file on, in order', () => {
    const ran: number[] = []
    const step = (n: number) => (f: Record<string, unknown>) => (ran.push(n), { ...f, [`step${n}`]: true })
    const out = migrateFile({ version: 2 }, 2, [step(1), step(2), step(3)], 4)
    expect(ran).toEqual([2, 3])
    expect(out).toEqual({ version: 4, step2: true, step3: true })
    expect(() => migrateFile({}, 1, [], 2)).toThrow(/needs 1 migrations/)
  })
})

describe('SVG out', () => {
  const sheet = layOutSheet(draftBlouse(), 'one', words, 1200)
  const text = writeSvg(sheet, 'Blouse')
  it('is in true millimetres, named, escaped, and reads back to the same outlines within 0.01 mm', () => {
    const drawing = only(text)
    expect(drawing.mmPerUnit).toBeCloseTo(1, 9)
    const outlines = outlinesIn(drawing).filter((o) => !o.aside)
    expect(outlines.map((o) => o.name)).toEqual(['Front', 'Back', 'Sleeve', 'Neckband'])
    for (const o of outlines) {
      expect(o.called).toBe('seam line')
      const original = sheet.pieces.find((p) => p.piece.name === o.name)!.seamLine
      for (const p of flattenPath(o.path, 0.5)) expect(nearestPlace(original, p).distanceMm).toBeLessThan(0.01)
      expect(Math.abs(measureArea(o.path) - measureArea(original))).toBeLessThan(2)
    }
    for (const part of ['cut line', 'seam line', 'grain', 'fold', 'notches', 'marks', 'corners', 'text', 'test square'])
      expect(text).toContain(`data-part="${part}"`)
    for (const p of sheet.pieces)
      for (const { name, at } of [...p.corners, ...p.points]) {
        expect(text).toContain(`d="M${at.x} ${at.y}`)
        expect(text).toContain(`<title>${name}</title>`)
      }
    const words = text.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' ')
    expect(words).toContain('Shorten &lt;the&gt; body &amp; &quot;more&quot;')
  })
})

describe('SVG in', () => {
  it.each([
    ['mm', 'width="100mm" height="100mm" viewBox="0 0 100 100"', 50, 'mm'],
    ['cm over another viewBox', 'width="20cm" height="20cm" viewBox="0 0 100 100"', 100, 'cm'],
    ['inches', 'width="10in" height="10in" viewBox="0 0 100 100"', 127, 'in'],
    ['px', 'width="100px" height="100px" viewBox="0 0 100 100"', (50 * 25.4) / 96, 'guess'],
    ['no unit', 'width="100" height="100"', (50 * 25.4) / 96, 'guess'],
    ['nothing at all', '', (50 * 25.4) / 96, 'guess'],
    ['height alone', 'height="100mm" viewBox="0 0 50 100"', 50, 'mm'],
  ])('scale from %s', (_, head, mm, from) => {
    const drawing = only(svg('<rect x="10" y="10" width="50" height="50"/>', head))
    const b = boundsOf(drawing.shapes[0]!.path)
    expect(b.maxX - b.minX).toBeCloseTo(mm as number, 6)
    expect(drawing.scaleFrom).toBe(from)
  })
  it('reads nested groups, every transform, use and symbol', () => {
    const drawing = only(
      svg(`<defs><rect id="r" width="10" height="10"/><symbol id="s"><path d="M0 0h4v4z"/></symbol></defs>
        <g transform="translate(10 20)"><g id="inner" transform="rotate(90 0 0) scale(2)"><use xlink:href="#r" x="1"/></g></g>
        <use href="#s" transform="matrix(1 0 0 1 50 50)"/><g transform="skewX(45)"><line x1="0" y1="0" x2="0" y2="10"/></g>`),
    )
    const [r, s, l] = drawing.shapes.map((x) => boundsOf(x.path))
    // (1..11, 0..10) doubled, turned a quarter clockwise, moved.
    expect([r!.minX, r!.maxX, r!.minY, r!.maxY].map((v) => Math.round(v * 1000) / 1000)).toEqual([-10, 10, 22, 42])
    expect([s!.minX, s!.maxY]).toEqual([50, 54])
    expect(l!.maxX).toBeCloseTo(10, 9)
    expect(drawing.shapes[0]!.groups).toEqual(['inner'])
  })
  it('reads arcs, quadratics, relative and smooth commands', () => {
    const [circle, quad, smooth] = only(
      svg(
        '<path d="M0 10a10 10 0 1 1 20 0a10 10 0 1 1-20 0z"/><path d="M0 0q10 20 20 0t20 0"/><path d="m5 5c0 5 5 5 5 0s5-5 5 0h5v5H5z"/>',
      ),
    ).shapes
    expect(Math.abs(measureArea(circle!.path))).toBeCloseTo(Math.PI * 100, 0)
    expect(circle!.closed).toBe(true)
    expect(boundsOf(quad!.path).maxY).toBeCloseTo(10, 6)
    expect(boundsOf(quad!.path).minY).toBeCloseTo(-10, 6)
    expect(smooth!.closed).toBe(true)
  })
  it('takes names from titles, labels and ids; skips what is hidden', () => {
    const drawing = only(
      svg(
        '<g id="a"><title>Left front</title><path d="M0 0h5v5z"/></g><g display="none"><path d="M0 0h9v9z"/></g><path style="display:none" d="M0 0h9"/><circle id="button" cx="5" cy="5" r="2"/>',
      ),
    )
    expect(drawing.shapes.map((s) => s.name)).toEqual(['Left front', 'button'])
  })
  it('reads the hand-made outside file: inches, mirrored group, use, text', () => {
    const drawing = only(readFileSync(new URL('../../demo/outside/pedlars-waistcoat.svg', import.meta.url), 'utf8'))
    expect(drawing.scaleFrom).toBe('in')
    const [front, back, belt] = outlinesIn(drawing)
    expect([front!.name, back!.name, belt!.name]).toEqual(['Waistcoat front', 'Waistcoat back', 'belt'])
    const b = boundsOf(belt!.path)
    expect(b.maxX - b.minX).toBeCloseTo(7.5 * 25.4, 6)
    expect(front!.trouble).toBeNull()
  })
  it.each<[string, string, string]>([
    ['no XML', 'hello', 'svg-unreadable'],
    ['nothing', '', 'svg-unreadable'],
    ['cut short', svg('<path d="M0 0h5"/>').slice(0, 90), 'svg-unreadable'],
    ['another XML', '<html><body/></html>', 'svg-unreadable'],
    ['no lines', svg('<text>hi</text>'), 'svg-unreadable'],
    ['a script', svg('<script>alert(1)</script><path d="M0 0h5v5z"/>'), 'svg-script'],
    ['a handler', svg('<path onclick="x()" d="M0 0h5v5z"/>'), 'svg-script'],
    ['entities', `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]>${svg('<path d="M0 0h5"/>')}`, 'svg-unreadable'],
    ['an infinite line', svg('<path d="M0 0L1e400 5"/>'), 'svg-unreadable'],
    ['a broken line', svg('<path d="M0 0 L banana"/>'), 'svg-unreadable'],
    ['a broken transform', svg('<g transform="wobble(3)"><path d="M0 0h5"/></g>'), 'svg-unreadable'],
    ['groups without end', svg('<g>'.repeat(200) + '<path d="M0 0h5"/>' + '</g>'.repeat(200)), 'svg-unreadable'],
    ['50 MB', svg(`<!--${'x'.repeat(50_000_000)}-->`), 'svg-too-large'],
    ['use in a circle', svg('<g id="a"><use href="#a"/></g><path d="M0 0h5"/>'), 'svg-unreadable'],
  ])('%s gets a plain sentence', (_, text, code) => {
    const read = readSvg(text)
    expect(read.ok).toBe(false)
    if (read.ok) return
    expect(read.problem.code).toBe(code)
    expect(read.problem.message).toMatch(/^[^{}<>]+\.$/)
    expect(read.problem.remedy).toContain('nothing was changed')
  })
  it('never throws on any text', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string().map((s) => svg(s)),
          fc.string().map((s) => svg(`<path d="${s.replace(/[<&"]/g, '')}"/>`)),
        ),
        (text) => typeof readSvg(text).ok === 'boolean',
      ),
      { numRuns: 200 },
    )
  })
})

function without(record: Record<string, unknown>, key: string): Record<string, unknown> {
  return Object.fromEntries(Object.entries(record).filter(([k]) => k !== key))
}
