import { unzipSync } from 'fflate'
import { afterAll, describe, expect, it } from 'vitest'
import { writeWearersCsv } from '../../core/body'
import { contentsOf, writeProjectFile } from '../../core/formats'
import { demoWardrobe } from '../../demo/wardrobe'
import { Batches, LIMITS, pairsOf, readBatch, said, usualChoices, type BatchAsked } from './batches'
import { bundleWorker } from './bundle-worker'
import { Crew } from './crew'

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
const tunic = projects.find((p) => p.id === 'demo-tunic')!
const file = JSON.parse(writeProjectFile(contentsOf([tunic], wearers), new Date('2026-05-01'))) as Record<string, unknown>
const csv = writeWearersCsv(wearers, 'cm')
const asked = (body: unknown = { file, wearersCsv: csv }): BatchAsked => {
  const read = readBatch(body)
  if (!read.ok) throw new Error(said(read.problem))
  return { ...read.value, choices: { ...read.value.choices, cloth: null } }
}

/** The same fit so many times. */
const one = (times: number) => {
  const [first] = asked().pairs
  return Array.from({ length: times }, () => first!)
}

/** A program that answers each task with what its own `answer` says, so that batches are tried without working out fits. */
const saying = (answer: string) =>
  `require('worker_threads').parentPort.on('message', (task) => { const post = (a) => require('worker_threads').parentPort.postMessage(a); ${answer} })`
const QUICK = `post({ ok: true, figures: { sizes: [], stops: 0, stuck: [], left: [], seams: 0, faults: { seam: 0, notch: 0, corner: 0, dart: 0, eased: 0 }, pages: 1, clothMm: null, clothProblem: null }, lines: [], files: { 'pieces.svg': new TextEncoder().encode('<svg/>') } })`

const crews: Crew[] = []
const crewOf = (program: string, size = 2, hungMs?: number) => {
  const crew = new Crew(() => program, size, hungMs)
  crews.push(crew)
  return crew
}
afterAll(() => Promise.all(crews.map((c) => c.end())))

async function ended(batches: Batches, id: string) {
  for (;;) {
    const state = batches.state(id)!
    if (state.state === 'done') return state
    await new Promise((r) => setTimeout(r, 5))
  }
}
const begun = (batches: Batches, of = asked()) => {
  const made = batches.begin(of, '2026-05-01')
  if (!made.ok) throw new Error(said(made.problem))
  return made.value.id
}

describe('what is asked of a batch', () => {
  it('is every garment for every wearer, of the file or of a table', () => {
    expect(asked().pairs.map((p) => p.wearer.name)).toEqual(wearers.map((w) => w.name))
    expect(asked({ file }).pairs).toHaveLength(wearers.length)
    expect(asked().pairs.every((p) => p.there === null)).toBe(true)
  })
  it.each([
    ['nothing', null],
    ['no file', {}],
    ['a file that is none', { file: { format: 'other' } }],
    ['nobody', { file: { ...file, wearers: [] } }],
    ['a table without columns', { file, wearersCsv: 'a,b\n1,2' }],
    ['paper that there is not', { file, choices: { paper: 'a9' } }],
    ['a roll of no width', { file, choices: { rollMm: -3 } }],
    ['something besides', { file, more: 1 }],
  ])('is refused in a sentence: %s', (_, body) => {
    const read = readBatch(body)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(said(read.problem)).toMatch(/^.{10,400}\.$/)
  })
  it('has a limit', () => {
    const many = Array.from({ length: LIMITS.fits + 1 }, (_, i) => ({ ...wearers[0]!, id: `w${i}`, name: `W ${i}` }))
    const read = readBatch({ file: { ...file, wearers: many } })
    expect(!read.ok && said(read.problem)).toContain(`${LIMITS.fits} are taken at once`)
  })
})

describe('batches', () => {
  it('work out real fits, and write all files of each', async () => {
    const batches = new Batches(crewOf(bundleWorker(process.cwd())))
    const id = begun(batches)
    expect(batches.fetch(id)).toBeNull()
    const state = await ended(batches, id)
    expect(state).toMatchObject({ done: 3, of: 3, failed: 0 })
    const files = unzipSync(batches.fetch(id)!)
    const names = Object.keys(files)
    for (const w of wearers)
      for (const name of ['sheets.pdf', 'pieces.svg', 'pieces.dxf', 'notebook.pdf', 'cutting-cards.pdf', 'fit.json'])
        expect(names).toContain(`${w.name.replace(' ', '-').toLowerCase()}/rope-walker-s-tunic/${name}`)
    for (const name of names.filter((n) => n.endsWith('.pdf'))) expect(new TextDecoder().decode(files[name]!.slice(0, 5))).toBe('%PDF-')
    expect(new TextDecoder().decode(files['table.csv']).trim().split('\r\n')).toHaveLength(4)
    expect(new TextDecoder().decode(files['cutting-list.csv']).trim().split('\r\n')).toHaveLength(1 + 3 * tunic.garment.pieces.length)
  })
  it('fifty at once come to their end, each with its own, and a small one does not wait for a large one', async () => {
    const batches = new Batches(crewOf(saying(QUICK), 2))
    const large = begun(batches, { ...asked(), pairs: one(300) })
    const small = Array.from({ length: 49 }, () => begun(batches))
    await Promise.all(small.map((id) => ended(batches, id)))
    expect(batches.state(large)!.state).toBe('working')
    for (const id of small) expect(batches.state(id)).toMatchObject({ done: 3, failed: 0 })
    expect((await ended(batches, large)).done).toBe(300)
  })
  it('with a fit that fails, hangs or ends its worker go on with the others, and say which', async () => {
    const name = wearers[1]!.name
    // Only the one that hangs is given up early: on a machine that is busy a sound one may take its time.
    for (const [how, why, hungMs] of [
      ['throw new Error("broken")', 'the computing part failed (Error: broken).', undefined],
      ['for (;;) {}', 'it took too long.', 5_000],
      ['process.exit(1)', 'the computing part ended.', undefined],
      ['post({ ok: false, why: "it is crooked." })', 'it is crooked.', undefined],
    ] as const) {
      const program = saying(`if (task.pair.wearer.name === ${JSON.stringify(name)}) { ${how} } else ${QUICK}`)
      const batches = new Batches(crewOf(program, 1, hungMs))
      const state = await ended(batches, begun(batches))
      expect(state).toMatchObject({ done: 3, failed: 1 })
      expect(state.rows.find((r) => r.wearer === name)!.figures).toBe(why)
    }
  })
  it('that are deleted are forgotten, and what waits of them is not worked out', async () => {
    const crew = crewOf(saying(QUICK), 1)
    const batches = new Batches(crew)
    const id = begun(batches, { ...asked(), pairs: one(500) })
    expect(batches.delete(id)).toBe(true)
    expect(batches.state(id)).toBeNull()
    expect(batches.delete(id)).toBe(false)
    const other = begun(batches)
    expect((await ended(batches, other)).done).toBe(3)
  })
  it('are kept until they are fetched; when there is no room it is said', async () => {
    const batches = new Batches(crewOf(saying(QUICK), 2))
    const ids = Array.from({ length: LIMITS.batches }, () => begun(batches))
    const full = batches.begin(asked(), '2026-05-01')
    expect(!full.ok && said(full.problem)).toMatch(/no room for another.*Fetch or delete one/)
    await Promise.all(ids.map((id) => ended(batches, id)))
    expect(batches.fetch(ids[4]!)).not.toBeNull()
    const next = begun(batches)
    expect(batches.state(ids[4]!)).toBeNull()
    expect(batches.state(ids[0]!)).not.toBeNull()
    expect((await ended(batches, next)).done).toBe(3)
  })
  it('pairs every garment with every wearer', () => {
    expect(
      pairsOf(
        asked()
          .pairs.slice(0, 1)
          .map((p) => p.row),
        wearers,
      ),
    ).toHaveLength(3)
    expect(usualChoices().paper).toBe('a4')
  })
})
