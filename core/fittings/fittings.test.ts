import { describe, expect, it } from 'vitest'
import { statSync, readFileSync } from 'node:fs'
import { DEMO_PHOTOS, HARBOUR_FIT } from '../../demo/cooks-blouse'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, findKind, foldPlan, newStop, withId, type Change } from '../changes'
import { contentsOf, pictureType, readBackup, readProjectFile, stopsOf, writeBackup, writeProjectFile } from '../formats'
import { measureLength } from '../geometry'
import { DEFAULT_TOLERANCES } from '../match'
import { choicesOf } from '../size'
import {
  ANCHORS,
  beginLike,
  canCompare,
  carriedOver,
  commonStops,
  compareFigures,
  comparePieces,
  emptyFitting,
  emptySighting,
  FittingSchema,
  isSameWork,
  newestFirst,
  PhotoSchema,
  questionsOf,
  seenWords,
  stopsSince,
  versionOf,
  VersionSchema,
  type ComparedSide,
  type Fitting,
  type Work,
} from './index'

const { projects, wearers, log } = demoWardrobe(new Date('2026-05-01'))
const harbour = projects.find((p) => p.id === HARBOUR_FIT)!
const cook = wearers.find((w) => w.id === 'cook')!
const context = contextOf(harbour.garment, harbour, cook, DEFAULT_TOLERANCES)

describe('the story of the Cook’s blouse', () => {
  it('is what a file may hold, its photographs as they are drawn', () => {
    for (const f of log.fittings) expect(FittingSchema.safeParse(f).success).toBe(true)
    for (const v of log.versions) expect(VersionSchema.safeParse(v).success).toBe(true)
    for (const p of log.photos) expect(PhotoSchema.safeParse(p).success).toBe(true)
    for (const { id, bytes } of DEMO_PHOTOS) {
      const file = `public/demo-photographs/${id}.jpg`
      expect(statSync(file).size).toBe(bytes)
      expect(pictureType(new Uint8Array(readFileSync(file)))).toBe('image/jpeg')
    }
  })
  it('goes from three signs to stops that can be done and hold', () => {
    const folded = foldPlan(harbour.garment, stopsOf(harbour), context)
    expect(folded.stops.map((s) => s.status)).toEqual(folded.stops.map(() => 'applied'))
    expect(folded.stops.flatMap((s) => s.applied!.held).filter((h) => !h.held)).toEqual([])
    expect(folded.stops.map((s) => s.change.kind)).toEqual(['lengthen', 'shoulder-forward', 'bust-amount', 'level-wedge', 'uneven-hem'])
  })
  it('has a stop for each sign that was taken, and each stop leads back to its sign', () => {
    const taken = log.fittings.flatMap((f) =>
      f.sightings.flatMap((s) => (s.decision.is === 'taken' ? s.decision.changeIds.map((id) => [f.id, s.id, id]) : [])),
    )
    expect(taken.length).toBe(4)
    for (const [fittingId, of, id] of taken)
      expect(harbour.plan.find((c) => c.id === id)).toMatchObject({ from: 'fitting', seen: { fittingId, of } })
  })
  it('has a version of what is now, and an open question only where it still is one', () => {
    const now: Work = { mends: harbour.mends, plan: harbour.plan, choices: choicesOf(harbour.sizing) }
    expect(versionOf(log.versions, now)?.name).toBe('As sewn for the harbour scene')
    // The waist was to be looked at again, and has been.
    expect(questionsOf(log.fittings)).toEqual([])
    expect(questionsOf(log.fittings.slice(0, 1))).toMatchObject([{ sighting: { placeId: 'waist' } }])
  })
})

describe('a fitting', () => {
  const fitting = (id: string, heldOn: string, more: Partial<Fitting> = {}): Fitting => ({
    ...emptyFitting(id, { fitId: 'fit', heldOn, setId: null, versionId: null }, `${heldOn}T10:00:00.000Z`),
    ...more,
  })
  it('begins empty, and may stay so', () => {
    expect(FittingSchema.safeParse(fitting('a', '2026-05-01')).success).toBe(true)
    expect(FittingSchema.safeParse({ ...fitting('a', '2026-05-01'), sightings: [emptySighting('s', 'neck')] }).success).toBe(true)
  })
  it.each([
    ['a day that is none', { heldOn: '2026-02-30' }],
    ['an amount of less than nothing', { sightings: [{ ...emptySighting('s', 'neck'), mm: -1 }] }],
    ['an amount that is no figure', { sightings: [{ ...emptySighting('s', 'neck'), mm: Infinity }] }],
    ['a side that a body does not have', { sightings: [{ ...emptySighting('s', 'neck'), side: 'middle' }] }],
  ])('is refused with %s', (_, more) => {
    expect(FittingSchema.safeParse({ ...fitting('a', '2026-05-01'), ...more }).success).toBe(false)
  })
  it('carries over what is to be looked at again, once, to be judged anew', () => {
    const later = { ...emptySighting('s', 'waist'), signId: 'waist-hangs', decision: { is: 'later' as const } }
    const carried = carriedOver([fitting('a', '2026-05-01', { sightings: [later, { ...later, id: 't' }] })], () => 'new')
    expect(carried).toEqual([{ ...later, id: 'new', decision: { is: 'open' } }])
  })
  it('is said in words, also with a sign or place that this version does not know', () => {
    expect(seenWords({ ...emptySighting('s', 'neck'), isWell: true })).toBe('Neck: sits well')
    expect(seenWords({ ...emptySighting('s', 'hem-back'), signId: 'back-dips', half: 'back', side: 'left', words: 'by a lot.' })).toBe(
      'Hem, centre back: The hem dips at the back. by a lot (back, left)',
    )
    expect(seenWords({ ...emptySighting('s', 'elbow'), signId: 'odd' })).toBe('A place this version does not know: odd')
  })
})

describe('versions', () => {
  const stop = (id: string, mm: number): Change =>
    withId(
      newStop('shoulder-width', {
        ...(findKind('shoulder-width').begin(harbour.garment, context) as { ok: true; value: object }).value,
        amountMm: mm,
      }),
      id,
    )
  const work = (plan: Change[]): Work => ({ mends: [], plan, choices: choicesOf(harbour.sizing) })
  it('are the same where the same pieces would be cut, whatever was ticked off', () => {
    const ticked = { ...work([stop('a', 5)]), choices: { ...choicesOf(harbour.sizing), traced: ['front'], looked: ['waist'] } }
    expect(isSameWork(work([stop('a', 5)]), ticked)).toBe(true)
    expect(isSameWork(work([stop('a', 5)]), work([stop('a', 6)]))).toBe(false)
    expect(isSameWork(work([stop('a', 5)]), work([{ ...stop('a', 5), on: false }]))).toBe(false)
  })
  it('tell what became of their stops', () => {
    const since = stopsSince(work([stop('a', 5), stop('b', 5)]), work([stop('a', 6), stop('c', 5)]))
    expect([since.added, since.changed, since.gone].map((l) => l.map((c) => c.id))).toEqual([['c'], ['a'], ['b']])
    expect(stopsSince(null, work([stop('a', 5)])).added).toHaveLength(1)
  })
  it('are listed the newest first', () => {
    expect(newestFirst(log.versions).map((v) => v.id)).toEqual(['as-sewn', 'second-mock-up', 'first-mock-up'])
  })
})

describe('two garments laid over each other', () => {
  const altered = foldPlan(harbour.garment, stopsOf(harbour), context).garment
  const side = (garment: ComparedSide['garment']): ComparedSide => ({
    garment,
    sizeId: garment.baseSizeId,
    sizing: harbour.sizing,
    body: context.body,
  })
  const [bought, now] = [side(harbour.garment), side(altered)]
  const lengthOf = (path: Parameters<typeof measureLength>[0] | null) => (path ? measureLength(path) : 0)

  it.each(ANCHORS)('meet at the %s, and no line changes its length by being laid', (anchor) => {
    const pieces = comparePieces(bought, now, anchor)
    expect(pieces.map((p) => p.id)).toEqual(harbour.garment.pieces.map((p) => p.id))
    const own = comparePieces(now, bought, anchor)
    for (const p of pieces) {
      expect(p.at).not.toBeNull()
      expect(lengthOf(p.second)).toBeCloseTo(lengthOf(own.find((o) => o.id === p.id)!.first), 6)
    }
  })
  it('are the same outline where nothing was changed', () => {
    for (const p of comparePieces(bought, bought, 'underarm')) {
      p.first!.forEach((s, i) => {
        expect(s.from.x).toBeCloseTo(p.second![i]!.from.x, 9)
        expect(s.from.y).toBeCloseTo(p.second![i]!.from.y, 9)
      })
    }
    expect(compareFigures(bought, bought).every((r) => r.firstMm === r.secondMm)).toBe(true)
  })
  it('can be laid where they have pieces of one kind: a jacket on a blouse, and no trousers', () => {
    const of = (id: string) => projects.find((p) => p.id === id)!.garment
    expect(['demo-jacket', 'demo-piper', 'demo-tapered'].map((id) => canCompare(harbour.garment, of(id)))).toEqual([true, true, false])
    expect(canCompare(of('demo-tapered'), of('demo-flared'))).toBe(true)
  })
  it('show pieces that only one of them has', () => {
    const less = { ...bought, garment: { ...harbour.garment, pieces: harbour.garment.pieces.slice(1) } }
    expect(comparePieces(bought, less, 'top').find((p) => p.id === harbour.garment.pieces[0]!.id)).toMatchObject({ second: null, at: null })
    expect(comparePieces(less, bought, 'top').filter((p) => p.first === null)).toHaveLength(1)
  })
  it('have their finished measures, ease and seams side by side', () => {
    const rows = compareFigures(bought, now)
    const bust = rows.find((r) => r.id === 'finished:bust')!
    expect(bust.secondMm! - bust.firstMm!).toBeLessThan(-5)
    const ease = rows.find((r) => r.id === 'ease:bust')!
    expect(ease.secondMm! - ease.firstMm!).toBeCloseTo(bust.secondMm! - bust.firstMm!, 6)
    expect(rows.some((r) => r.group === 'seam')).toBe(true)
  })
})

describe('what garments of a wearer had in common', () => {
  const stop = (garment: (typeof projects)[number]['garment'], id: string, mm: number): Change => {
    const kind = findKind('shoulder-forward')
    const begun = kind.begin(garment, context)
    if (!begun.ok) throw new Error(begun.problem.message)
    return withId(newStop(kind.kind, { ...begun.value, amountMm: mm }), id)
  }
  const worn = ['demo-blouse', 'demo-jacket', 'demo-dancer'].map((id, i) => {
    const { name, garment } = projects.find((p) => p.id === id)!
    return { name, garment, stops: [stop(garment, `s${i}`, [8, 12, 10][i]!)] }
  })
  it('is counted garment by garment, with the middle amount', () => {
    const plain = { ...worn[0]!, name: 'Plain', stops: [] }
    expect(commonStops([...worn, plain])).toMatchObject([{ kind: 'shoulder-forward', amountMm: 10, in: 3, of: 4 }])
  })
  it('is nothing that goes the other way, is switched off, comes from the figures, or was made once', () => {
    const first = worn[0]!.stops[0]!
    const other = (change: Partial<Change>) => [worn[0]!, { ...worn[1]!, stops: [{ ...first, ...change } as Change] }]
    expect(commonStops(other({ on: false }))).toEqual([])
    expect(commonStops(other({ from: 'body' }))).toEqual([])
    expect(commonStops([worn[0]!])).toEqual([])
    const { amountMm: _, ...rest } = first.inputs as { amountMm: number }
    expect(commonStops(other({ inputs: { ...rest, amountMm: -8 } } as Partial<Change>))).toEqual([])
  })
  it('begins on another garment by its own edges, or says why it cannot', () => {
    const [common] = commonStops(worn)
    const dress = projects.find((p) => p.id === 'demo-dress')!.garment
    const begun = beginLike(common!, dress, { ...context, bought: dress }, 'in three garments')
    expect(begun.ok && begun.value).toMatchObject({ kind: 'shoulder-forward', inputs: { amountMm: 10 }, note: 'in three garments' })
    const trousers = projects.find((p) => p.id === 'demo-tapered')!.garment
    expect(beginLike(common!, trousers, { ...context, bought: trousers }, '').ok).toBe(false)
  })
})

describe('a backup with photographs', () => {
  const contents = contentsOf(projects, wearers, [], log)
  const pictures = new Map(DEMO_PHOTOS.map(({ id }) => [id as string, new Uint8Array(readFileSync(`public/demo-photographs/${id}.jpg`))]))
  const zip = writeBackup(contents, pictures, new Date('2026-05-01'))

  it('comes back whole, picture by picture', () => {
    const read = readBackup(zip)
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value.file.fittings).toEqual(log.fittings)
    expect(read.value.file.versions).toEqual(JSON.parse(JSON.stringify(log.versions)))
    expect([...read.value.pictures].map(([id, data]) => [id, data.length])).toEqual([...pictures].map(([id, data]) => [id, data.length]))
  })
  it('is read as a plain project file too, of this version or an older one, then without pictures', () => {
    const text = writeProjectFile(contents, new Date('2026-05-01'))
    const plain = readBackup(new TextEncoder().encode(text))
    expect(plain.ok && [plain.value.file.photos.length, plain.value.pictures.size]).toEqual([4, 0])
    const { fittings: _f, versions: _v, photos: _p, ...old } = JSON.parse(text) as Record<string, unknown>
    const fits = (old.fits as { plan: Record<string, unknown>[] }[]).map((f) => ({
      ...f,
      plan: f.plan.map(({ seen: _, from, ...c }) => (from === 'fitting' ? c : { ...c, ...(from ? { from } : {}) })),
    }))
    const six = readBackup(new TextEncoder().encode(JSON.stringify({ ...old, fits, version: 6 })))
    expect(six.ok && six.value.file.fittings).toEqual([])
  })
  it.each<[string, () => Uint8Array]>([
    ['cut short', () => zip.slice(0, 5000)],
    ['of zeros after its first bytes', () => new Uint8Array([...zip.slice(0, 30), ...new Uint8Array(2000)])],
    ['of something else', () => writeBackup({ ...contents, photos: [] }, new Map(), new Date()).map((b, i) => (i < 2 ? b : b ^ 1))],
    [
      'with a picture that is none',
      () => writeBackup(contents, new Map([['demo-mock-up-front', new TextEncoder().encode('<svg onload="x()"/>')]]), new Date()),
    ],
  ])('that is %s is refused in a sentence', (_, bytes) => {
    const read = readBackup(bytes())
    expect(read.ok).toBe(false)
    if (!read.ok) expect(`${read.problem.where}: ${read.problem.message}`.length).toBeGreaterThan(20)
  })
  it('whose fitting belongs to a fit that is not in it is refused by name', () => {
    const lost = { ...contents, fittings: log.fittings.map((f) => ({ ...f, fitId: 'gone' })) }
    const read = readProjectFile(writeProjectFile(lost, new Date('2026-05-01')))
    expect(read.ok ? '' : `${read.problem.where}: ${read.problem.message}`).toBe(
      'fitting of 2026-11-04: it belongs to the fit “gone”, which is not in the file.',
    )
  })
})
