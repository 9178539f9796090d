import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  BODY_MEASURES,
  compareSets,
  figureMm,
  findDoubts,
  historyOf,
  latestSet,
  measuresOf,
  readWearersCsv,
  WearerSchema,
  writeWearersCsv,
  type Figure,
  type MeasureSet,
  type Wearer,
} from './index'

const setOf = (figures: Record<string, number | [number, number]>, takenOn = '2026-03-01', id = takenOn): MeasureSet => ({
  id,
  takenOn,
  note: '',
  figures: Object.fromEntries(
    Object.entries(figures).map(([k, v]): [string, Figure] => [k, typeof v === 'number' ? { mm: v } : { leftMm: v[0], rightMm: v[1] }]),
  ),
})
const wearerOf = (...sets: MeasureSet[]): Wearer => ({ id: 'cook', name: 'the Cook', sets, ownMeasures: [] })
let made = 0
const newId = () => `new-${++made}`

describe('the measures', () => {
  it('have one id, one sentence and a usual range each', () => {
    expect(new Set(BODY_MEASURES.map((m) => m.id)).size).toBe(BODY_MEASURES.length)
    for (const m of BODY_MEASURES) {
      expect(m.how).toMatch(/^[A-Z].{15,}\.$/)
      expect(m.usual.toMm).toBeGreaterThan(m.usual.fromMm)
    }
  })
  it('end with the wearer’s own', () => {
    const own = { id: 'cuff', name: 'Cuff', kind: 'round' as const }
    expect(measuresOf({ ownMeasures: [own] }).at(-1)).toMatchObject({ id: 'cuff', name: 'Cuff', kind: 'round' })
  })
})

describe('figures of a wearer', () => {
  it('count the larger side, since cloth must go round both', () => {
    expect(figureMm(setOf({ bicep: [301, 312] }), 'bicep')).toBe(312)
    expect(figureMm(setOf({ bicep: 300 }), 'bicep')).toBe(300)
    expect(figureMm(setOf({}), 'bicep')).toBeUndefined()
    expect(figureMm(null, 'bicep')).toBeUndefined()
  })
  it('come from the newest set, whatever order the sets are in; of one day the later one', () => {
    const wearer = wearerOf(
      setOf({ bust: 1 }, '2026-02-01', 'a'),
      setOf({ bust: 3 }, '2026-03-01', 'b'),
      setOf({ bust: 2 }, '2025-12-01', 'c'),
    )
    expect(latestSet(wearer)?.id).toBe('b')
    expect(latestSet(wearerOf(...wearer.sets, setOf({}, '2026-03-01', 'd')))?.id).toBe('d')
    expect(latestSet(wearerOf())).toBeNull()
  })
  it('of two sets stand side by side, with the change where both have one', () => {
    const rows = compareSets(setOf({ bust: 940, waist: 760 }), setOf({ bust: 955, hip: 1000 }), BODY_MEASURES)
    expect(rows.map((r) => [r.measureId, r.changeMm])).toEqual([
      ['bust', 15],
      ['waist', null],
      ['hip', null],
    ])
  })
  it('go over time in order of their days, leaving out sets without them', () => {
    const wearer = wearerOf(setOf({ bust: 950 }, '2026-05-01'), setOf({ bust: 940 }, '2026-01-01'), setOf({ hip: 1000 }, '2026-03-01'))
    expect(historyOf(wearer, 'bust').map((p) => p.takenOn)).toEqual(['2026-01-01', '2026-05-01'])
  })
})

describe('doubts', () => {
  const sound = { 'high-bust': 880, bust: 940, waist: 780, hip: 1000, bicep: [290, 296] as [number, number], thigh: 580, knee: 380 }
  it('are none about an ordinary body', () => {
    expect(findDoubts(setOf(sound))).toEqual([])
  })
  it.each<[string, Record<string, number | [number, number]>, string, RegExp]>([
    ['a hip of 12 mm', { hip: 12 }, 'hip', /^Hip \{mm 12\}: usually it lies between/],
    ['a waist over the hip by half', { waist: 1550 }, 'waist', /Waist \{mm 1550\} and hip \{mm 1000\}/],
    ['a high bust over the bust', { 'high-bust': 1010 }, 'high-bust', /full bust \{mm 940\}/],
    ['sides that differ much', { bicep: [290, 330] }, 'bicep', /left \{mm 290\} and right \{mm 330\} differ by \{between 330 290\}/],
    ['a knee over the thigh', { thigh: 360, knee: 400 }, 'knee', /thigh/],
  ])('ask about %s, and name what it contradicts', (_, figures, id, words) => {
    const doubts = findDoubts(setOf({ ...sound, ...figures }))
    expect(doubts.filter((d) => d.measureId === id).map((d) => d.message)).toContainEqual(expect.stringMatching(words))
  })
  it('ask once about one odd figure, not about everything beside it', () => {
    expect(findDoubts(setOf({ ...sound, hip: 12 })).map((d) => d.measureId)).toEqual(['hip'])
  })
  it('ask about a great change since the set before', () => {
    const before = setOf(sound, '2026-01-01')
    expect(findDoubts(setOf({ ...sound, waist: 800 }), before)).toEqual([])
    expect(findDoubts(setOf({ ...sound, waist: 920 }), before)[0]?.message).toBe(
      'Waist was {mm 780} on 2026-01-01 and is {mm 920} now. Is that so?',
    )
  })
})

describe('wearers as CSV', () => {
  const figure = fc.oneof(
    fc.record({ mm: fc.integer({ min: 50, max: 2000 }) }),
    fc.record({ leftMm: fc.integer({ min: 50, max: 2000 }), rightMm: fc.integer({ min: 50, max: 2000 }) }),
  )
  const wearers = fc.uniqueArray(
    fc.record({
      name: fc.string({ minLength: 1, maxLength: 20 }).filter((s) => s.trim() === s && s !== ''),
      sets: fc.uniqueArray(
        fc.record({
          takenOn: fc.integer({ min: 1, max: 28 }).map((d) => `2026-04-${String(d).padStart(2, '0')}`),
          figures: fc.dictionary(fc.constantFrom(...BODY_MEASURES.map((m) => m.id)), figure, { minKeys: 1 }),
        }),
        { selector: (s) => s.takenOn, minLength: 1, maxLength: 3 },
      ),
    }),
    { selector: (w) => w.name, minLength: 1, maxLength: 4 },
  )
  const bare = (list: Wearer[]) =>
    list.map((w) => ({ name: w.name, sets: w.sets.map((s) => ({ takenOn: s.takenOn, figures: s.figures })) }))

  it('go out and in again, whatever their names and figures', () => {
    fc.assert(
      fc.property(wearers, (drawn) => {
        const list = drawn.map((w, i): Wearer => ({
          id: `w${i}`,
          name: w.name,
          sets: w.sets
            .map((s, k) => ({ id: `s${k}`, note: '', ...s, figures: { ...s.figures } }))
            .sort((a, b) => a.takenOn.localeCompare(b.takenOn)),
          ownMeasures: [],
        }))
        const read = readWearersCsv(writeWearersCsv(list, 'cm'), 'in', newId)
        if (!read.ok) throw new Error(read.problem.message)
        expect(bare(read.value)).toEqual(bare(list))
        for (const w of read.value) expect(WearerSchema.safeParse(w).success).toBe(true)
      }),
    )
  })
  it('are read from a spreadsheet: columns in any order, fractions, mixed units, own measures', () => {
    const read = readWearersCsv(
      'Measure,Figure,Wearer,Taken on,Left,Right\nFull bust,37 1/4,the Cook,2026-03-01,,\nbicep,,the Cook,2026-03-01,30 cm,11 3/4 in\nCuff,7 1/2,the Cook,2026-03-01,,\n',
      'in',
      newId,
    )
    if (!read.ok) throw new Error(read.problem.message)
    const [cook] = read.value
    expect(cook!.sets[0]!.figures.bust).toEqual({ mm: expect.closeTo(946.15, 6) })
    expect(cook!.sets[0]!.figures.bicep).toEqual({ leftMm: 300, rightMm: expect.closeTo(298.45, 6) })
    expect(cook!.ownMeasures.map((m) => m.name)).toEqual(['Cuff'])
    expect(cook!.sets[0]!.figures[cook!.ownMeasures[0]!.id]).toEqual({ mm: expect.closeTo(190.5, 6) })
  })
  it.each<[string, string, RegExp]>([
    ['no heading', 'hello,world\n1,2\n', /column “wearer”, “taken on”, “measure” is missing/],
    ['nothing below the heading', 'wearer,taken on,measure,figure\n', /no rows/],
    ['a figure that is none', 'wearer,taken on,measure,figure\nthe Cook,2026-03-01,Waist,lots\n', /lots/],
    ['a length of nothing', 'wearer,taken on,measure,figure\nthe Cook,2026-03-01,Waist,0\n', /“0”: this is not a length/],
    ['a day that is none', 'wearer,taken on,measure,figure\nthe Cook,last week,Waist,31\n', /“last week” is not a day/],
    ['a row without a name', 'wearer,taken on,measure,figure\n,2026-03-01,Waist,31\n', /no name/],
  ])('are refused whole with %s, naming the line', (_, text, words) => {
    const read = readWearersCsv(text, 'in', newId)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(`${read.problem.where}: ${read.problem.message}`).toMatch(words)
  })
})
