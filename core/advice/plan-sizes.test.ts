import { describe, expect, it } from 'vitest'
import { draftBlouse } from '../../demo/blouse'
import { chartOf, nestOf } from '../../demo/nest'
import { demoWardrobe } from '../../demo/wardrobe'
import { figureMm, latestSet, type MeasureSet } from '../body'
import { cornersAsSewn, walkGarment } from '../match'
import { findKind, foldPlan, LEFT_OVER, withId, type Change, type NewChange } from '../changes'
import type { Project } from '../formats'
import { findZones, finishedMm } from '../measure'
import { findPiece } from '../pattern'
import { makeWorksheet, NO_SIZING, otherMeasures } from '../size'
import { makeBody } from '../../scripts/study/make-body'
import { asOwn, changeForLength, layMore, layOnPlan, listFaults, nameProposed, planFromBody, planSizes, planWith, ownStops } from './index'
import { bodyWith, contextWith } from '../changes/test-context'

const { projects, wearers } = demoWardrobe(new Date('2026-11-23'))
const contextFor = (project: Project, set: MeasureSet | null) =>
  contextWith({ sizeId: project.garment.baseSizeId, sizing: project.sizing, body: set, bought: project.garment })

describe('from body to plan', () => {
  const nested = projects.filter((p) => p.garment.sizes.length > 1)

  it.each(nested.map((p) => [p.name, p] as const))('%s: every stop applies, every promise holds, no fault is made', (_, project) => {
    const set = latestSet(wearers.find((w) => w.id === project.wearerId))
    const plan = planSizes(project.garment, contextFor(project, set)).map((c, i) => withId(c, `c${i}`))
    const folded = foldPlan(project.garment, plan, contextFor(project, set))
    expect(folded.stops.map((s) => [s.change.kind, s.status])).toEqual(plan.map((c) => [c.kind, 'applied']))
    expect(folded.stops.flatMap((s) => s.applied!.held.filter((h) => !h.held).map((h) => `${h.label} ${h.before} ${h.after}`))).toEqual([])
    expect(
      listFaults(folded, contextFor(project, set))
        .filter((f) => f.verdict === 'fault')
        .map((f) => f.message),
    ).toEqual([])
  })

  it('the wearer of three sizes gets the wanted ease in each zone within 2 mm, measured on the altered pieces', () => {
    const asDesigned = projects.find((p) => p.id === 'demo-blouse')!
    const project = { ...asDesigned, sizing: { ...asDesigned.sizing, fit: 'fitted' as const } }
    const set = latestSet(wearers.find((w) => w.id === 'cook'))!
    const sheet = makeWorksheet(project.garment, project.sizing, set)
    const chosen = sheet.rows.filter((r) => ['bust', 'waist', 'hip'].includes(r.zone.id))
    expect(new Set(chosen.map((r) => r.chosen!.sizeId)).size).toBe(3)
    const plan = planSizes(project.garment, contextFor(project, set)).map((c, i) => withId(c, `c${i}`))
    expect(plan.map((c) => c.kind)).toEqual([
      'lengthen',
      'lengthen',
      'blend',
      'lower-armhole',
      'front-length',
      'across-armhole',
      'add-at-edge',
    ])
    const { garment } = foldPlan(project.garment, plan, contextWith())
    for (const row of chosen) {
      const ease = finishedMm(garment, row.zone, 'one') - row.bodyMm!
      expect(Math.abs(ease - row.wantedMm), `${row.zone.id}: ${ease} of ${row.wantedMm}`).toBeLessThan(2)
    }
  })
  it('draws sizes on for a body beyond the range, and blends those', () => {
    const project = projects.find((p) => p.id === 'demo-tapered')!
    const set = latestSet(wearers.find((w) => w.id === 'lamplighter'))!
    const sheet = makeWorksheet(project.garment, project.sizing, set)
    expect(sheet.rows.find((r) => r.zone.id === 'hip')!.chosen).toMatchObject({ rule: 'above-range', beyond: 2 })
    const list = planSizes(project.garment, contextFor(project, set))
    const plan = list.map((c, i) => withId(c, `c${i}`))
    expect(plan.map((c) => c.kind)).toEqual(['lengthen', 'lengthen', 'grade', 'blend', 'add-at-edge', 'seam-stretch', 'seam-stretch'])
    // Called by the sizes that the stop before it makes.
    expect(nameProposed(planFromBody(project.garment, contextFor(project, set))).map((p) => p.words.title)[3]).toBe('Blend 10 waist, 9 hip')
    const { garment } = foldPlan(project.garment, plan, contextWith())
    for (const row of sheet.rows.filter((r) => r.zone.id === 'waist' || r.zone.id === 'hip')) {
      const ease = finishedMm(garment, row.zone, 'one') - row.bodyMm!
      expect(Math.abs(ease - row.wantedMm), `${row.zone.id}: ${ease} of ${row.wantedMm}`).toBeLessThan(2)
    }
  })
  it('brings a sleeve to the arm, whatever sizes and armhole do to its cap', () => {
    const project = projects.find((p) => p.id === 'demo-jacket')!
    for (const armMm of [540, 575, 660]) {
      const set = { ...makeBody(7), figures: { ...makeBody(7).figures, 'arm-length': { mm: armMm } } }
      const { stops, folded } = planFromBody(project.garment, contextFor(project, set))
      const sleeves = stops.filter((s) => s.kind === 'lengthen' && findPiece(project.garment, s.inputs.pieceId)!.kind === 'sleeve')
      expect(sleeves, String(armMm)).toHaveLength(1)
      expect(otherMeasures(folded.garment, set).find((r) => r.id === 'arm-length')!.garmentMm, String(armMm)).toBeCloseTo(armMm, 0)
      // Before any size: what is longer is longer in all of them.
      expect(stops.findIndex((s) => s === sleeves[0])).toBeLessThan(stops.findIndex((s) => s.kind === 'blend'))
    }
  })
  it.each(['demo-blouse', 'demo-dress', 'demo-jacket', 'demo-tunic'])('brings shoulder and neck of %s to the body’s', (id) => {
    const project = projects.find((p) => p.id === id)!
    for (const [shoulderMm, neckMm] of [
      [104, 330],
      [139, 455],
    ]) {
      const body = { ...makeBody(11), figures: { ...makeBody(11).figures, shoulder: { mm: shoulderMm! }, neck: { mm: neckMm! } } }
      const { stops, folded } = planFromBody(project.garment, contextFor(project, body))
      expect(stops.filter((s) => s.kind === 'shoulder-width')).toHaveLength(1)
      const rows = otherMeasures(folded.garment, body)
      expect(rows.find((r) => r.id === 'shoulder')!.garmentMm).toBeCloseTo(shoulderMm!, 0)
      const neck = rows.find((r) => r.id === 'neck')!
      expect(neck.garmentMm).toBeGreaterThan(neckMm! - 1)
      // Only a neckline that would choke is drawn anew.
      const redrawn = stops.filter((s) => s.kind === 'redraw-neckline')
      expect(redrawn.length > 0).toBe(Math.abs(neck.garmentMm - neckMm!) < 1)
      expect(folded.stops.flatMap((s) => s.applied!.held.filter((h) => !h.held))).toEqual([])
    }
  })
  it('leaves the shoulder beside a wide neckline as it was designed', () => {
    const project = projects.find((p) => p.id === 'demo-bather')!
    const body = makeBody(11)
    expect(otherMeasures(project.garment, body).find((r) => r.id === 'shoulder')).toMatchObject({ missingMm: null })
    expect(planSizes(project.garment, contextFor(project, body)).map((s) => s.kind)).not.toContain('shoulder-width')
  })
  it.each(['demo-tapered', 'demo-flared'])('gives the thigh of %s its room at both seams, no steeper than a line runs out well', (id) => {
    const project = projects.find((p) => p.id === id)!
    for (const seed of [1, 2, 5, 6, 9, 12]) {
      const body = makeBody(seed)
      const { stops, folded } = planFromBody(project.garment, contextFor(project, body))
      const row = makeWorksheet(project.garment, project.sizing, body, project.garment).rows.find((r) => r.zone.id === 'thigh')!
      const mm = finishedMm(
        folded.garment,
        findZones(folded.garment).find((z) => z.id === 'thigh')!,
        folded.garment.baseSizeId,
      )
      expect(mm - row.bodyMm! - row.wantedMm, `${seed}`).toBeGreaterThan(-2)
      for (const s of stops) if (s.kind === 'seam-stretch') expect(s.inputs.amountMm).toBeLessThanOrEqual(s.inputs.belowMm / 4 + 0.001)
      expect(folded.stops.flatMap((s) => s.applied!.held.filter((h) => !h.held))).toEqual([])
    }
  })
  it('says what is left over where a thigh wants more than its seams can run out to, at the crotch point too', () => {
    const project = projects.find((p) => p.id === 'demo-flared')!
    const body = makeBody(3)
    const far = { ...body, figures: { ...body.figures, thigh: { mm: figureMm(body, 'thigh')! + 120 } } }
    const { stops } = planFromBody(project.garment, contextFor(project, far))
    const legs = stops.filter((s) => s.kind === 'seam-stretch')
    expect(legs.at(-1)!.note.endsWith(LEFT_OVER)).toBe(true)
  })
  it('puts lengths before sizes, and plans nothing for a body that the base size fits', () => {
    const garment = nestOf(draftBlouse())
    const measured = makeWorksheet(garment, NO_SIZING, null)
    const mm = (id: string) => measured.rows.find((r) => r.zone.id === id)!.sizes.find((s) => s.sizeId === 'one')!.mm
    const fitting = bodyWith({ bust: mm('bust') - 60, waist: mm('waist') - 30, hip: mm('hip') - 48 })
    expect(planSizes(garment, contextWith({ body: fitting }))).toEqual([])
    const tall = bodyWith({ bust: mm('bust') - 10, waist: mm('waist') - 30, hip: mm('hip') - 48, 'back-neck-to-waist': 440 })
    expect(planSizes(garment, contextWith({ sizing: chartOf(garment), body: tall })).map((c) => c.kind)).toEqual([
      'lengthen',
      'blend',
      'add-at-edge',
    ])
  })
})

describe('proposed stops and a plan that has some already', () => {
  const project = projects.find((p) => p.id === 'demo-blouse')!
  const set = latestSet(wearers.find((w) => w.id === 'cook'))!
  const sizeId = project.garment.baseSizeId
  /** What the worksheet proposes on top of a plan, laid on it. */
  const laid = (plan: Change[], body = set) => {
    const context = contextFor(project, body)
    const own = ownStops(plan)
    return layOnPlan(planSizes(foldPlan(project.garment, own, context).garment, context, own), plan)
  }
  /** The plan with everything that is proposed taken into it. */
  const taken = (plan: Change[], body = set): Change[] => {
    let n = plan.length
    return planWith(laid(plan, body), plan, () => `p${n++}`).plan
  }
  const half = (plan: Change[]): Change => {
    const whole = plan.find((c) => c.kind === 'lengthen')!
    return asOwn({ ...whole, id: 'by-hand', inputs: { ...whole.inputs, amountMm: whole.inputs.amountMm / 2 } })
  }
  const wordsOf = (list: readonly NewChange[]) => list.map(({ kind, inputs, note }) => ({ kind, inputs, note }))

  it('once taken, nothing is proposed again', () => {
    const plan = taken([])
    expect(plan.map((c) => c.kind)).toEqual([
      'lengthen',
      'blend',
      'shoulder-width',
      'lower-armhole',
      'front-length',
      'across-armhole',
      'add-at-edge',
    ])
    expect(laid(plan).filter((l) => l.how !== 'there')).toEqual([])
  })
  it('after new measurements it is the plan that those alone would give, and stops of one’s own are as they were', () => {
    const square = findKind('shoulder-slope').begin(project.garment, contextFor(project, set))
    if (!square.ok) throw new Error(square.problem.message)
    const own: Change = { id: 'own', kind: 'shoulder-slope', on: true, note: 'mine', inputs: square.value }
    for (const [first, second] of [
      [3, 5],
      [5, 8],
      [8, 2],
      [12, 6],
    ] as const) {
      const plan = [...taken([], makeBody(first)), own]
      const then = taken(plan, makeBody(second))
      const alone = taken([own], makeBody(second))
      const fromBody = (list: Change[]) => wordsOf(list.filter((c) => c.id !== 'own'))
      expect(fromBody(then), `${first} to ${second}`).toEqual(fromBody(alone))
      expect(then.filter((c) => c.id === 'own')).toEqual([own])
      expect(laid(then, makeBody(second)).filter((l) => l.how !== 'there')).toEqual([])
    }
  })
  it('what a body asked for, and the next does not, is dropped', () => {
    const plan = taken([], makeBody(3))
    const gone = laid(plan, null as unknown as MeasureSet)
    expect(gone.map((l) => l.how)).toEqual(plan.map(() => 'drop'))
    expect(planWith(gone, plan, () => 'new').plan).toEqual([])
  })
  it('one more stop is put to the one that does the same, which is one’s own from then on', () => {
    const plan = taken([])
    const there = plan.find((c) => c.kind === 'lengthen')!
    const more = layMore({ ...there, inputs: { ...there.inputs, amountMm: 7 } } as NewChange, plan)
    expect(more).toMatchObject({ how: 'set', change: { id: there.id, inputs: { amountMm: there.inputs.amountMm + 7 } } })
    expect(more.how === 'set' && more.change.from).toBeUndefined()
    expect(layMore({ ...there, inputs: { ...there.inputs, pieceId: 'neckband' } } as NewChange, plan)).toMatchObject({
      how: 'add',
      beforeId: null,
    })
  })
  it('a stop on one side of the body takes nothing over that is for both, nor the other way round', () => {
    const plan = taken([])
    const there = plan.find((c) => c.kind === 'lengthen')!
    const onLeft = { ...there, inputs: { ...there.inputs, side: 'left' } } as typeof there
    expect(layMore({ ...there } as NewChange, [onLeft])).toMatchObject({ how: 'add' })
    expect(layMore({ ...onLeft } as NewChange, [there])).toMatchObject({ how: 'add' })
    expect(layMore({ ...onLeft } as NewChange, [onLeft])).toMatchObject({ how: 'set', change: { inputs: { side: 'left' } } })
    const bicep = {
      id: 'bicep',
      kind: 'bicep-width',
      inputs: { amountMm: 12, armhole: 'lower', side: 'right' },
      on: true,
      note: '',
    } as Change
    expect(layMore({ ...bicep, inputs: { amountMm: 30, armhole: 'lower' } } as NewChange, [bicep])).toMatchObject({ how: 'add' })
  })
  it('is made for both sides alike: what is for one alone is no part of it, and comes after it', () => {
    const context = contextFor(project, set)
    const begun = findKind('bicep-width').begin(project.garment, context)
    const fold = findKind('take-in-fold').begin(project.garment, context)
    if (!begun.ok || !fold.ok) throw new Error('refused')
    const sided: Change[] = [
      { id: 'arm', kind: 'bicep-width', on: true, note: '', inputs: { ...begun.value, amountMm: -8, side: 'left' } },
      { id: 'fold', kind: 'take-in-fold', on: true, note: '', inputs: { ...fold.value, amountMm: 9, sides: 'one' } },
    ]
    const plan = taken([])
    for (const own of sided) {
      expect(ownStops([own])).toEqual([])
      expect(laid([...plan, own]).filter((l) => l.how !== 'there')).toEqual([])
      const then = taken([own])
      expect(wordsOf(then)).toEqual(wordsOf([...plan, own]))
      expect(foldPlan(project.garment, then, context).stops.map((s) => s.status)).toEqual(then.map(() => 'applied'))
    }
  })
  it('a length that was changed by hand is not added twice: only what is missing goes to the same stop', () => {
    const whole = taken([])
    const [own] = laid([half(whole)])
    expect(own).toMatchObject({ how: 'set', change: { id: 'by-hand' } })
    const after = taken([half(whole)])
    const amount = (plan: Change[]) => (plan.find((c) => c.kind === 'lengthen')!.inputs as { amountMm: number }).amountMm
    expect(after.filter((c) => c.kind === 'lengthen')).toHaveLength(1)
    expect(amount(after)).toBeCloseTo(amount(whole), 2)
  })
  it('a size stop with other figures is set, not doubled; one that is switched off counts for nothing', () => {
    const whole = taken([])
    const other = whole.map((c) => (c.kind === 'add-at-edge' ? { ...c, inputs: { bustMm: 30, waistMm: 0, hipMm: 0 } } : c))
    expect(laid(other).filter((l) => l.how !== 'there')).toMatchObject([
      { how: 'set', change: { id: whole.find((c) => c.kind === 'add-at-edge')!.id } },
    ])
    const off = whole.map((c) => (c.kind === 'blend' ? { ...c, on: false } : c))
    expect(
      laid(off)
        .filter((l) => l.how !== 'there')
        .map((l) => [l.how, 'proposed' in l && l.proposed.kind]),
    ).toEqual([['add', 'blend']])
  })
  it('a width changed by hand counts: the sizes are chosen for the pieces as it leaves them', () => {
    const dart = findKind('double-dart')
    const begun = dart.begin(project.garment, contextFor(project, set))
    if (!begun.ok) throw new Error(begun.problem.message)
    const stop: Change = { id: 'dart', kind: 'double-dart', on: true, note: '', inputs: { ...begun.value, amountMm: 20 } }
    const add = (plan: Change[]) => taken(plan).find((c) => c.kind === 'add-at-edge')!.inputs as { waistMm: number }
    // 20 mm on a back cut on the fold are 40 round the waist, 10 on each of its four side edges, whatever size is cut.
    const cut = (plan: Change[]) => {
      const { garment } = foldPlan(project.garment, taken(plan), contextFor(project, set))
      const row = makeWorksheet(project.garment, project.sizing, set).rows.find((r) => r.zone.id === 'waist')!
      return finishedMm(garment, row.zone, sizeId) - row.bodyMm! - row.wantedMm
    }
    expect(add([stop]).waistMm).not.toBeCloseTo(add([]).waistMm, 1)
    expect(Math.abs(cut([stop]))).toBeLessThan(2)
  })
})

describe('a plan ends with every line drawn through', () => {
  const turns = (garment: Project['garment']) =>
    new Map(cornersAsSewn(walkGarment(garment, garment.baseSizeId)).map((c) => [c.id, Math.abs(c.turnDeg)]))
  it.each([
    ['demo-blouse', 10, 'finished'],
    ['demo-dress', 1, 'high-bust'],
    ['demo-jacket', 14, 'high-bust'],
  ] as const)('%s, made body %i, by %s: no corner as sewn turns by 3 degrees more than as bought', (id, seed, school) => {
    const { garment, sizing } = projects.find((p) => p.id === id)!
    const context = contextWith({ sizeId: garment.baseSizeId, sizing: { ...sizing, school }, body: makeBody(seed), bought: garment })
    const plan = planSizes(garment, context).map((c, i) => withId(c, `c${i}`))
    const { stops } = foldPlan(garment, plan, context)
    const last = stops.at(-1)!.garment
    const untrued = stops.findLast((s) => s.change.kind !== 'true-corner')!.garment
    const more = (g: typeof garment) => Math.max(...[...turns(g)].map(([corner, deg]) => deg - (turns(garment).get(corner) ?? 0)))
    expect(more(untrued)).toBeGreaterThan(3)
    expect(more(last)).toBeLessThan(3.01)
    expect(stops.flatMap((s) => s.applied!.held.filter((h) => !h.held).map((h) => `${s.change.kind}: ${h.label}`))).toEqual([])
  })
  it('where a waist seam lies under the bust, what its waist gains goes into a dart there and not into the side', () => {
    const { garment, sizing } = projects.find((p) => p.id === 'demo-dress')!
    const context = contextWith({
      sizeId: garment.baseSizeId,
      sizing: { ...sizing, school: 'high-bust' },
      body: makeBody(1),
      bought: garment,
    })
    const bust = planSizes(garment, context).find((c) => c.kind === 'bust-amount')!
    expect(bust.inputs).toMatchObject({ waist: 'dart' })
    const sides = (g: typeof garment) => turns(g).get('waist-front:end')!
    const [only] = foldPlan(garment, [withId(bust, 'b')], context).stops
    expect(Math.abs(sides(only!.garment) - sides(garment))).toBeLessThan(1)
    // The dart parts the edge along which the waist is measured: what is missing there is found on both parts of it.
    const { folded } = planFromBody(garment, context)
    for (const row of makeWorksheet(garment, context.sizing, context.body, garment).rows.filter((r) => r.zone.id === 'waist')) {
      const zone = findZones(folded.garment).find((z) => z.id === 'waist')!
      const mm = finishedMm(folded.garment, zone, garment.baseSizeId)
      expect(Math.abs(mm - row.bodyMm! - row.wantedMm)).toBeLessThan(2)
    }
  })
})

describe('the bust of a body that differs much from its high bust', () => {
  const project = projects.find((p) => p.id === 'demo-blouse')!
  const { garment, sizing } = project
  const zone = (id: string) => findZones(garment).find((z) => z.id === id)!
  const fold = (plan: NewChange[]) =>
    foldPlan(
      garment,
      plan.map((c, i) => ({ ...c, id: `c${i}` })),
      contextWith(),
    )
  /** Of the base size everywhere, but for the full bust. */
  const body = (fullMm: number) =>
    bodyWith({
      'high-bust': sizing.bodyChart.one!['high-bust']!,
      bust: sizing.bodyChart.one!['high-bust']! + fullMm,
      waist: finishedMm(garment, zone('waist'), 'one') - 30,
      hip: finishedMm(garment, zone('hip'), 'one') - 48,
    })

  it('takes the pattern’s own piece for the cup first, and chooses the sizes on that', () => {
    const plan = planSizes(garment, contextWith({ sizing, body: body(80), bought: garment }))
    expect(plan[0]).toMatchObject({ kind: 'take-cup', inputs: { pieceId: 'front', cup: 'C' } })
    const [first] = layOnPlan(plan, [{ ...plan.at(-1)!, id: 'own' }])
    expect(first).toMatchObject({ how: 'add', beforeId: 'own' })
    const folded = fold(plan)
    expect(folded.stops.map((s) => s.status)).toEqual(plan.map(() => 'applied'))
    const row = makeWorksheet(garment, sizing, body(80)).rows.find((r) => r.zone.id === 'bust')!
    expect(Math.abs(finishedMm(folded.garment, row.zone, 'one') - row.bodyMm! - row.wantedMm)).toBeLessThan(2)
    // Once it is there, it is not asked for again; another cup sets the same stop.
    const taken = fold(plan.slice(0, 1)).garment
    expect(planSizes(taken, contextWith({ sizing, body: body(80), bought: garment })).map((c) => c.kind)).not.toContain('take-cup')
    const again = layOnPlan(planSizes(garment, contextWith({ sizing, body: body(10) })).slice(0, 1), [withId(plan[0]!, 'cup')])
    expect(again).toMatchObject([{ how: 'set', change: { id: 'cup', inputs: { cup: 'A' } } }])
  })
  it('beyond the largest cup, by high bust: the size of the high bust, and a fuller bust', () => {
    const set = body(120)
    const own = { ...sizing, school: 'high-bust' as const }
    const sheet = makeWorksheet(garment, own, set)
    expect(sheet.cup).toMatchObject({ change: true, cup: null })
    expect(sheet.rows.find((r) => r.zone.id === 'bust')!.chosen!.sizeId).toBe('one')
    const plan = planSizes(garment, contextWith({ sizing: own, body: set, bought: garment }))
    // Made fuller from the largest cup that there is.
    expect(plan[0]).toMatchObject({ kind: 'take-cup', inputs: { cup: 'C' } })
    const amount = (list: typeof plan) => (list.find((c) => c.kind === 'bust-amount')!.inputs as { amountMm: number }).amountMm
    // No more than the cup explains: half of 120 less the 50 that fronts are drafted for.
    expect(amount(plan)).toBeCloseTo(35, 6)
    const folded = fold(plan)
    expect(folded.stops.map((s) => s.status)).toEqual(plan.map(() => 'applied'))
    expect(folded.stops.flatMap((s) => s.applied!.held.filter((h) => !h.held).map((h) => h.label))).toEqual([])
    for (const id of ['bust', 'waist', 'hip']) {
      const row = sheet.rows.find((r) => r.zone.id === id)!
      expect(Math.abs(finishedMm(folded.garment, row.zone, 'one') - row.bodyMm! - row.wantedMm), id).toBeLessThan(2)
    }
    // Once taken, nothing is proposed again.
    const taken = plan.map((c, i) => withId(c, `c${i}`))
    const mine = ownStops(taken)
    expect(mine).toEqual([])
    expect(
      layOnPlan(planSizes(fold(mine).garment, contextWith({ sizing: own, body: set, bought: garment }), mine), taken).filter(
        (l) => l.how !== 'there',
      ),
    ).toEqual([])
    // By finished measure the size already fits the full bust: it is not made fuller too.
    expect(planSizes(garment, contextWith({ sizing: { ...sizing, school: 'finished' }, body: set })).map((c) => c.kind)).not.toContain(
      'bust-amount',
    )
  })
})

describe('a change for a length', () => {
  const garment = draftBlouse()
  const rowOf = (figures: Record<string, number>, id: string) =>
    makeWorksheet(garment, NO_SIZING, bodyWith(figures)).lengths.find((r) => r.id === id)!

  it('lengthens at the printed line between the two places, by just what is missing', () => {
    const change = changeForLength(garment, rowOf({ 'back-neck-to-waist': 430 }, 'back-neck-to-waist'), contextWith())!
    expect(change.inputs).toMatchObject({ amountMm: 18, pieceId: 'back', levels: [{ mark: { by: 'line', id: 'shorten' }, belowMm: 0 }] })
    const folded = foldPlan(garment, [{ ...change, id: 'c' }], contextWith())
    const now = makeWorksheet(folded.garment, NO_SIZING, bodyWith({ 'back-neck-to-waist': 430 })).lengths.find(
      (r) => r.id === 'back-neck-to-waist',
    )!
    expect(now.missingMm).toBeCloseTo(0, 6)
  })
  it('moves the hem where the hem is missing', () => {
    expect(changeForLength(garment, rowOf({ 'waist-to-hem-side': 260 }, 'waist-to-hem-side'), contextWith())!.kind).toBe('uneven-hem')
  })
  it('is none where nothing worth a line is missing, or nothing is known', () => {
    expect(changeForLength(garment, rowOf({ 'back-neck-to-waist': 414 }, 'back-neck-to-waist'), contextWith())).toBeNull()
    expect(changeForLength(garment, rowOf({}, 'back-neck-to-waist'), contextWith())).toBeNull()
  })
})
