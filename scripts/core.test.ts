import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { writeWearersCsv } from '../core/body'
import { contentsOf, readProjectFile, writeBackup, writeProjectFile, type Contents } from '../core/formats'
import { demoWardrobe } from '../demo/wardrobe'
import { RULES, rulePanel, ruleTable } from '../tests/corpus/rule-panel'
import { runCommand } from './core/command'

let dir: string
let file: string
let contents: Contents
/** What the command says and writes, without a process of its own. */
async function core(...args: string[]) {
  const { status, out, said } = await runCommand(args)
  return { status, stdout: typeof out === 'string' ? out : new TextDecoder().decode(out), stderr: said.map((line) => `${line}\n`).join('') }
}

beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'tidal-seam-core-'))
  file = join(dir, 'wardrobe.json')
  const { projects, wearers, log } = demoWardrobe(new Date('2026-01-01'))
  contents = contentsOf(projects, wearers, [], log)
  writeFileSync(file, writeProjectFile(contents, new Date('2026-01-01')))
})
afterAll(() => rmSync(dir, { recursive: true, force: true }))

describe('the command line', () => {
  it('runs from its sources', async () => {
    const { argv } = process
    const said: unknown[] = []
    const hears = vi.spyOn(console, 'error').mockImplementation((line) => void said.push(line))
    process.argv = [...argv.slice(0, 2), '--help']
    await import('./core')
    expect(said.join('\n')).toContain('measure FILE')
    expect(process.exitCode).toBe((await core('--help')).status)
    hears.mockRestore()
    process.argv = argv
    process.exitCode = 0
    expect(JSON.parse(readFileSync('package.json', 'utf8')).scripts.core).toContain('scripts/core.ts')
  })

  it('tells the fittings and versions of a fit, also out of a backup, and compares a version with the plan', async () => {
    const zip = join(dir, 'wardrobe.zip')
    writeFileSync(zip, writeBackup(contents, new Map(), new Date('2026-01-01')))
    const told = await core('fittings', zip, '--garment', '1', '--fit', '2', '--units', 'in')
    expect(told.stderr).toBe('')
    const { fittings, versions } = JSON.parse(told.stdout) as {
      fittings: { items: { seen: string; became: string }[] }[]
      versions: { name: string; added: string[] }[]
    }
    expect(fittings[0]!.items).toContainEqual({
      seen: 'Shoulder line: The seam slants to the back toward its end, 3/8 in',
      became: 'Forward shoulder 3/8 in',
    })
    expect(versions.map((v) => v.name)).toEqual(['As sewn for the harbour scene', 'Second mock-up', 'First mock-up'])
    expect(versions[1]!.added).toHaveLength(3)
    const compared = await core('compare', zip, '--garment', '1', '--fit', '2', '--version', 'Second mock-up')
    const { figures } = JSON.parse(compared.stdout) as { figures: { label: string; firstMm: number; secondMm: number }[] }
    const back = figures.find((f) => f.label === 'centre back')!
    expect(back.secondMm - back.firstMm).toBeCloseTo(-6.35, 1)
    expect(await core('compare', zip, '--garment', '1', '--fit', '2', '--version', 'Third')).toMatchObject({ status: 1 })
    expect((await core('compare', zip, '--garment', '1', '--fit', '2')).status).toBe(2)
  })

  it('fits a garment, named as one says it, to everybody of a table, and says what is wrong with one', async () => {
    const table = join(dir, 'chorus.csv')
    writeFileSync(table, writeWearersCsv(contents.wearers.slice(0, 2), 'cm'))
    const out = join(dir, 'fits')
    const args = ['fit', file, '--garment', 'rope walker’s TUNIC', '--wearers', table]
    const run = await core(...args, '--out', out, '--no-cloth')
    expect([run.status, run.stdout]).toEqual([0, `2 fits written to ${out}.\n`])
    const { data } = Papa.parse<{ stops: string }>(readFileSync(join(out, 'table.csv'), 'utf8').trim(), { header: true })
    expect(data).toHaveLength(2)
    const [first] = contents.wearers
    const made = readProjectFile(
      readFileSync(join(out, first!.name.replace(' ', '-').toLowerCase(), 'rope-walker-s-tunic', 'fit.json'), 'utf8'),
    )
    expect(made.ok && made.value.fits[0]!.plan.length).toBe(Number(data[0]!.stops))
    expect((await core(...args)).status).toBe(2)
    expect((await core('fit', file, '--wearers', file, '--out', out)).stderr).toMatch(/the column “wearer”.* is missing/)
    expect((await core('fit', file, '--garment', 'cape', '--wearers', table, '--out', out)).stderr).toMatch(
      /--garment cape: the file has 1 /,
    )
  })

  it('applies a change from a file and prints ledger and promises', async () => {
    const change = join(dir, 'change.json')
    writeFileSync(
      change,
      JSON.stringify({
        kind: 'lengthen',
        inputs: {
          amountMm: -34.925,
          pieceId: 'front',
          leftOut: [],
          levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }],
        },
      }),
    )
    const done = await core('apply', file, '--garment', '1', '--change', change)
    expect(done.status).toBe(0)
    const out = JSON.parse(done.stdout) as {
      stops: { status: string; held: { held: boolean }[] }[]
      ledger: { id: string; beforeMm: number; afterMm: number }[]
    }
    expect(out.stops[0]!.status).toBe('applied')
    expect(out.stops[0]!.held.every((h) => h.held)).toBe(true)
    const fold = out.ledger.find((r) => r.id === 'edge:front:fold')!
    expect(fold.afterMm - fold.beforeMm).toBeCloseTo(-34.925, 6)
    writeFileSync(
      change,
      JSON.stringify({
        kind: 'lengthen',
        inputs: {
          amountMm: -900,
          pieceId: 'front',
          leftOut: [],
          levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }],
        },
      }),
    )
    const refused = await core('apply', file, '--garment', '1', '--change', change)
    expect(refused.status).toBe(1)
    expect(refused.stdout).toBe('')
    expect(refused.stderr).toMatch(/at most/)
  })
  it('understands a typed wish as the page does, and adds it to the plan before any command', async () => {
    const wish = async (say: string) =>
      JSON.parse((await core('wish', file, '--garment', '1', '--units', 'in', '--say', say)).stdout) as {
        how: string
        why: string | null
        offers: { sentence: string; asksAmount: boolean }[]
      }
    expect(await wish('take 3/4 off the sleeve length')).toMatchObject({ how: 'does', offers: [{ sentence: 'Shorten the sleeve 3/4 in' }] })
    // More than works is asked about, with the most that does.
    const tooMuch = await wish('shorten the body by 40')
    expect(tooMuch).toMatchObject({ how: 'asks', why: expect.stringContaining('at most') as string })
    expect(tooMuch.offers[0]!.sentence).toMatch(/^Shorten the body .* in, the largest that works$/)
    const lengthOf = async (...said: string[]) => {
      const { measures } = JSON.parse((await core('measure', file, '--garment', '1', ...said)).stdout) as {
        measures: { id: string; mm: number }[]
      }
      return measures.find((m) => m.id === 'edge:sleeve:seam-front')!.mm
    }
    const [was, is] = [await lengthOf(), await lengthOf('--say', 'shorten the sleeve by 2', '--say', 'shorten the sleeve by 1')]
    expect(was - is).toBeCloseTo(30, 0)
    const applied = JSON.parse((await core('apply', file, '--garment', '1', '--say', 'neckline 1 deeper')).stdout) as {
      stops: { title: string; status: string }[]
    }
    expect(applied.stops.at(-1)).toMatchObject({ title: 'Deeper neckline in front', status: 'applied' })
    // What is not clear adds nothing, and says what it may mean.
    const refusals: [string, RegExp][] = [
      ['armhole gapes', /say by how much: the depth that is pinned out at the edge/],
      ['sleeve', /Is one of these meant\?\n - /],
      ['flurb the wibble', /Say what should change/],
    ]
    for (const [say, why] of refusals) {
      const refused = await core('apply', file, '--garment', '1', '--say', say)
      expect(refused).toMatchObject({ status: 1, stdout: '', stderr: expect.stringMatching(why) as string })
    }
    expect((await core('apply', file, '--garment', '1')).status).toBe(2)
    expect((await core('wish', file, '--garment', '1')).status).toBe(2)
  })
  it('takes the plan that the body asks for: asked again it asks for nothing, and what is left over is told', async () => {
    const taken = join(dir, 'taken.json')
    expect((await core('export', file, '--garment', '5', '--from-body', '--format', 'json', '--out', taken)).status).toBe(0)
    const { proposed } = JSON.parse((await core('plan', taken)).stdout) as { proposed: { how: string }[] }
    expect(proposed.length).toBeGreaterThan(1)
    expect(new Set(proposed.map((p) => p.how))).toEqual(new Set(['there']))
    const tissue = JSON.parse((await core('tissue', taken)).stdout) as {
      given: { id: string; leftMm: number | null; by: string[] }[]
      rows: { id: string; verdict: string }[]
    }
    const bust = tissue.given.find((g) => g.id === 'bust')!
    expect(Math.abs(bust.leftMm!)).toBeLessThan(2)
    expect(bust.by.length).toBeGreaterThan(0)
    expect(tissue.rows.find((r) => r.id === 'bust')!.verdict).toBe('agrees')
    const nobody = join(dir, 'nobody.json')
    writeFileSync(nobody, writeProjectFile({ ...contents, wearers: [] }, new Date('2026-01-01')))
    expect((await core('apply', nobody, '--garment', '5', '--from-body')).stderr).toMatch(/no wearer with figures/)
  })
  it('prints only the pieces that a plan changes, within a rim, in all sizes, as often as they are cut, or on one page for a projector', async () => {
    const pdf = join(dir, 'some.pdf')
    const pages = async (...options: string[]) => {
      const made = await core('export', file, '--garment', '13', '--format', 'pdf', '--out', pdf, ...options)
      expect(made.stderr).toBe('')
      return Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [pdf], { encoding: 'utf8' }))![1])
    }
    const all = await pages()
    expect(await pages('--only-changed')).toBeLessThanOrEqual(all)
    expect(await pages('--margin', '25')).toBeGreaterThan(all)
    expect(await pages('--every-layer')).toBeGreaterThan(all)
    expect((await core('export', file, '--garment', '13', '--format', 'projector', '--out', pdf)).status).toBe(0)
    expect(execFileSync('pdfinfo', [pdf], { encoding: 'utf8' })).toMatch(/Pages:\s+1\n/)
    const svg = async (...options: string[]) => (await core('export', file, '--garment', '5', ...options)).stdout.length
    expect(await svg('--all-sizes')).toBeGreaterThan((await svg()) * 1.5)
    expect((await core('export', file, '--garment', '1', '--only-changed', '--at', '0')).stderr).toMatch(/changes no piece/)
    expect((await core('export', file, '--garment', '1', '--format', 'pdf', '--margin', '400')).status).toBe(2)
  })
  it('measures and checks', async () => {
    const faults = JSON.parse((await core('check', file, '--garment', '3')).stdout) as { faults: { message: string }[] }
    expect(faults.faults[0]!.message).toMatch(/seam: Front leg, (out|in)seam is 0.8 cm too long/)
    const before = JSON.parse((await core('measure', file, '--garment', '2', '--at', '0')).stdout) as {
      measures: { id: string; mm: number }[]
    }
    const after = JSON.parse((await core('measure', file, '--garment', '2')).stdout) as typeof before
    const of = (m: typeof before, id: string) => m.measures.find((x) => x.id === id)!.mm
    expect(of(after, 'finished:leg-opening')).toBeCloseTo(of(before, 'finished:leg-opening'), 2)
    expect(of(after, 'edge:front:outseam')).toBeGreaterThan(of(before, 'edge:front:outseam') + 37)
  })
  it('exports SVG that it imports again, PDF, and a project file', async () => {
    const svg = join(dir, 'blouse.svg')
    expect((await core('export', file, '--garment', '1', '--out', svg)).status).toBe(0)
    const back = await core('import', svg)
    expect(back.status).toBe(0)
    const read = readProjectFile(back.stdout)
    expect(read.ok && read.value.garments[0]!.garment.pieces.map((p) => p.name)).toEqual(['Front for cup B', 'Back', 'Sleeve', 'Neckband'])
    expect(read.ok && read.value.garments[0]!.garment.seams.length).toBeGreaterThanOrEqual(4)
    const pdf = join(dir, 'blouse.pdf')
    expect((await core('export', file, '--garment', '1', '--format', 'pdf', '--paper', 'letter', '--out', pdf)).status).toBe(0)
    expect(readFileSync(pdf).subarray(0, 5).toString()).toBe('%PDF-')
    expect(execFileSync('pdftotext', ['-f', '1', '-l', '1', pdf, '-'], { encoding: 'utf8' })).toContain(
      'Measure the square and sew a mock-up before cutting fabric.',
    )
    expect(readProjectFile((await core('export', file, '--garment', '1', '--format', 'json')).stdout).ok).toBe(true)
  })
  it('exports DXF that it imports again, and HPGL; a paper or width that there is not is wrong use', async () => {
    const dxf = join(dir, 'blouse.dxf')
    expect((await core('export', file, '--garment', '1', '--format', 'dxf', '--out', dxf)).status).toBe(0)
    const read = readProjectFile((await core('import', dxf)).stdout)
    expect(read.ok && read.value.garments[0]!.garment.pieces.map((p) => p.name).sort()).toEqual([
      'Back',
      'Front for cup B',
      'Neckband',
      'Sleeve',
    ])
    const came = read.ok ? read.value.garments[0]!.garment : null
    expect(came!.sizes.length).toBeGreaterThan(1)
    // Another size of the nest lies there when it is asked for; one that it has not is refused with those that it has.
    const largest = came!.sizes[came!.sizes.length - 1]!
    expect(largest.id).not.toBe(came!.baseSizeId)
    const other = readProjectFile((await core('import', dxf, '--size', largest.name)).stdout)
    expect(other.ok && other.value.garments[0]!.garment.baseSizeId).toBe(largest.id)
    expect((await core('import', dxf, '--size', 'huge')).stderr).toContain(
      `the garment has the sizes ${came!.sizes.map((s) => s.name).join(', ')}`,
    )
    expect((await core('export', file, '--garment', '1', '--format', 'hpgl')).stdout).toMatch(/^IN;/)
    expect((await core('export', file, '--garment', '1', '--format', 'pdf', '--paper', 'a9')).status).toBe(2)
  })
  it('imports with layers as they are said, and at the size that the test square says', async () => {
    const svg = join(dir, 'small.svg')
    // Drawn at 96 %: the square of 50 mm measures 48.
    const group = (id: string, d: string) => `<g id="${id}"><path d="${d}" fill="none" stroke="#000"/></g>`
    writeFileSync(
      svg,
      `<svg xmlns="http://www.w3.org/2000/svg" width="600mm" height="500mm" viewBox="0 0 600 500">
        ${group('Outlines', 'M100 20H292V404H100Z')}${group('Arrows', 'M200 60V340M194 70L200 60L206 70')}${group('Ticks', 'M292 200H284')}
        ${group('Sheet', 'M20 20H68V68H20Z')}<text x="22" y="46" font-size="5">5 x 5 cm</text><text x="130" y="200" font-size="9">Back panel</text></svg>`,
    )
    const pieceOf = async (...more: string[]) => {
      const { stdout, stderr } = await core('import', svg, ...more)
      const read = readProjectFile(stdout)
      if (!read.ok) throw new Error(stderr)
      return { stderr, piece: read.value.garments[0]!.garment.pieces[0]! }
    }
    const as = await pieceOf()
    expect(as.stderr).toContain('The test square says that the drawing is at 96.0 %')
    expect([as.piece.name, as.piece.notches.length]).toEqual(['Back panel', 1])
    const xs = Object.values(as.piece.shapes).flatMap((shape) => Object.values(shape.edges).flatMap((path) => path.map((s) => s.from.x)))
    // Drawn as it is cut: 200 mm, less the allowance on both sides.
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(180, 3)
    expect((await pieceOf('--layer', 'Ticks=nothing')).piece.notches).toHaveLength(0)
    expect((await core('import', svg, '--layer', 'Ticks=darts')).status).toBe(2)
    expect((await core('import', svg, '--layer', 'Pins=notch')).stderr).toContain('--layer Pins: the file has the layers')
  })
  it('imports a DXF in all sizes of its rule table', async () => {
    const [dxf, rul] = [join(dir, 'panel.dxf'), join(dir, 'panel.rul')]
    writeFileSync(dxf, rulePanel())
    writeFileSync(rul, ruleTable(RULES))
    const sizes = async (...more: string[]) => {
      const read = readProjectFile((await core('import', dxf, ...more)).stdout)
      return read.ok ? read.value.garments[0]!.garment.sizes.map((s) => s.name) : []
    }
    expect(await sizes('--rules', rul)).toEqual(['38', '40', '42'])
    expect(await sizes()).toHaveLength(1)
    expect((await core('import', dxf)).stderr).toContain('4 places have the number of a rule')
    expect((await core('import', dxf, '--rules', dxf)).stderr).toContain('it is no rule table')
  })
  it('imports a photograph of a paper piece, and says how well it is known; not one that breaks off', async () => {
    const done = await core('import', 'public/demo-photographs/paper-front.jpg', '--beside', '297x210')
    expect(done.stderr).toMatch(/outline 1 is off by up to [0-3]\.\d mm\./)
    const read = readProjectFile(done.stdout)
    const [front] = read.ok ? read.value.garments[0]!.garment.pieces : []
    expect([front!.name, front!.kind]).toEqual(['paper front', 'front'])
    expect(front!.edges.map((e) => e.role).sort()).toEqual(['armhole', 'centre-front', 'hem', 'neck', 'shoulder', 'side'])
    const broken = join(dir, 'broken.jpg')
    writeFileSync(broken, readFileSync('public/demo-photographs/paper-front.jpg').subarray(0, 3000))
    expect((await core('import', broken)).stderr).toMatch(/cannot be read as a picture/)
  })
  it('lays the pieces on a cloth, and says why not', async () => {
    type Answer = { problem: string | null; lengthMm: number; unmatched: string[]; laid: { name: string }[]; cards: { name: string }[] }
    const on = async (...args: string[]) => JSON.parse((await core('cloth', file, '--garment', '1', ...args)).stdout) as Answer
    const flat = await on('--width', '1500')
    expect(flat.laid).toHaveLength(6)
    expect(flat.lengthMm).toBeGreaterThan(1000)
    expect((await on('--width', '250')).problem).toMatch(/wide across its grain, and the cloth has room for 25/)
    expect(flat.cards.map((c) => c.name)).toContain('Neckband')
    const checked = await on('--width', '1500', '--stripes', '60', '--stripes-along', '45')
    expect(checked.lengthMm).toBeGreaterThan(flat.lengthMm)
    expect(checked.unmatched.join()).toContain('side seam')
    expect((await core('cloth', file, '--garment', '1', '--stripes-along', 'wide')).stderr).toContain(
      '--stripes-along is between 0 and 1000 mm',
    )
  })
  it('says what the worksheet, the plan, the stops and the steps say, in the units asked for', async () => {
    const of = async <T>(...args: string[]) => JSON.parse((await core(...args, '--garment', '2')).stdout) as T
    const sheet = await of<{ rows: { id: string; bodyMm: number | null; chosen: { why: string } | null }[]; trace: { name: string }[] }>(
      'worksheet',
      file,
    )
    expect(sheet.rows.find((r) => r.id === 'hip')).toMatchObject({
      bodyMm: expect.any(Number) as number,
      chosen: { why: expect.any(String) as string },
    })
    expect(sheet.trace.map((t) => t.name)).toContain('Front leg')
    const plan = await of<{ proposed: { how: string; kind: string; title: string }[] }>('plan', file)
    expect(plan.proposed.length).toBeGreaterThan(1)
    expect(plan.proposed.every((p) => ['there', 'add', 'set'].includes(p.how) && p.title !== '')).toBe(true)
    const stops = await of<{ stops: { status: string; held: { held: boolean }[] }[]; ledger: unknown[] }>('stops', file)
    expect(stops.stops.map((x) => x.status)).toEqual(stops.stops.map(() => 'applied'))
    expect(stops.ledger.length).toBeGreaterThan(3)
    const steps = (await of<{ stops: { steps: string[] }[] }>('steps', file, '--units', 'in')).stops.flatMap((x) => x.steps)
    expect(steps.join(' ')).toMatch(/ in\b/)
    expect(steps.join(' ')).not.toMatch(/\d cm/)
    const eighths = await of<{ stops: { steps: string[] }[] }>('steps', file, '--units', 'in', '--mark', '1/8')
    expect(JSON.stringify(eighths)).not.toContain('/16 in')
    const page = await of<{
      stops: { title: string; held: { of: number } }[]
      zones: { name: string; afterMm: number }[]
      leftOver: string[]
    }>('notebook', file, '--units', 'in')
    expect(page.stops).toHaveLength(stops.stops.length)
    expect(page.zones.map((z) => z.name)).toContain('hip')
    expect(page.leftOver.join(' ')).toMatch(/ in /)
  })
  it('gives altered pieces as data: edges that close, corners, notches on their edges, in any size', async () => {
    interface Shapes {
      size: string
      sizes: { id: string; name: string }[]
      pieces: {
        edges: { id: string; lengthMm: number; from: { x: number; y: number }; to: { x: number; y: number }; path: string }[]
        corners: { at: { x: number; y: number } }[]
        notches: { at: { x: number; y: number } }[]
      }[]
    }
    const of = async (...args: string[]) => JSON.parse((await core('shapes', file, '--garment', '1', ...args)).stdout) as Shapes
    const shapes = await of()
    for (const piece of shapes.pieces)
      for (const [i, edge] of piece.edges.entries()) {
        const next = piece.edges[(i + 1) % piece.edges.length]!
        expect(Math.hypot(next.from.x - edge.to.x, next.from.y - edge.to.y)).toBeLessThan(0.01)
        expect(piece.corners[i]!.at.x).toBeCloseTo(edge.from.x, 3)
        expect(edge.path).toMatch(/^M/)
        expect(edge.lengthMm).toBeGreaterThan(0)
      }
    const largest = shapes.sizes[shapes.sizes.length - 1]!
    const widest = (x: Shapes) => Math.max(...x.pieces[1]!.edges.map((e) => e.lengthMm))
    expect(widest(await of('--size', largest.name))).toBeGreaterThan(widest(shapes))
    expect((await core('shapes', file, '--garment', '1', '--size', 'enormous')).stderr).toMatch(/the garment has the sizes/)
  })
  it.each([
    [['measure'], 2, /Name one file/],
    [['dance', 'x'], 2, /not a command/],
    [['measure', 'x', '--loud', 'y'], 2, /--loud is not an option/],
    [['measure', 'x', '--at'], 2, /--at needs a value/],
    [['measure', 'x', '--paper', 'a4'], 2, /--paper does nothing for measure: it is for export, fit/],
    [['import', 'x', '--say', 'shorten the sleeve by 2'], 2, /--say does nothing for import/],
    [['steps', 'x', '--units', 'ell'], 2, /--units is in or cm/],
    [['steps', 'x', '--units', 'cm', '--mark', '1/8'], 2, /--mark for cm is 1mm or 0.5mm/],
    [[], 2, /Say what to do/],
    [['measure', '/nowhere.json'], 1, /There is no file/],
    [['import', 'package.json'], 1, /neither SVG, PDF nor DXF/],
    [['import', 'public/demo-photographs/demo-second-back.jpg'], 1, /photograph: .*Point at its four corners|stands out/],
    [['import', 'public/demo-photographs/paper-front.jpg', '--beside', 'ell'], 2, /--beside is a4, letter/],
    [['import', 'public/demo-photographs/paper-front.jpg', '--corners', '1,2,3'], 2, /--corners is four places/],
    [['measure', 'package.json'], 1, /not a Tidal Seam project file/],
  ] as const)('%j ends with %d and a sentence', async (args, code, words) => {
    const done = await core(...args)
    expect(done.status).toBe(code)
    expect(done.stderr).toMatch(words)
  })
  it('asks which garment when there are several, and refuses one that is not there', async () => {
    expect((await core('measure', file)).stderr).toMatch(/choose one with --garment/)
    expect((await core('measure', file, '--garment', '99')).status).toBe(1)
  })
})
