import paperCore from 'paper/dist/paper-core.js'
import type paperTypes from 'paper'
import { listFaults } from '../core/advice'
import { contextOf, foldPlan, type Change } from '../core/changes'
import { DEFAULT_TOLERANCES, walkGarment } from '../core/match'
import { compareMeasures } from '../core/measure'
import { cutSegment, type Path, type Segment } from '../core/geometry'
import { outlineOf, shapeOf, type Garment } from '../core/pattern'
import { gradeGarment } from '../core/changes/grade'
import { draftBlouse } from '../demo/blouse'
import { draftQuayDress } from '../demo/quay-dress'

// npm run bench: medians and ratios, printed; nothing here passes or fails.

const RUNS = 60
/** Runs before the clock counts: a drag sends dozens of frames, so the compiled code is what people meet. */
const WARM_UP = 40

function median(run: () => void): number {
  for (let i = 0; i < WARM_UP; i++) run()
  const times: number[] = []
  for (let i = 0; i < RUNS; i++) {
    const since = performance.now()
    run()
    times.push(performance.now() - since)
  }
  return times.sort((a, b) => a - b)[Math.floor(RUNS / 2)]!
}

const change = (id: string, amountMm: number, belowMm: number): Change => ({
  id,
  kind: 'lengthen',
  on: true,
  note: '',
  inputs: { amountMm, pieceId: 'front', leftOut: [], levels: [{ id: 'l', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm }] },
})

/** Ten changes up and down the body; `nudge` stands for the amount being dragged. */
const plan = (nudge: number): Change[] =>
  Array.from({ length: 10 }, (_, i) => change(`c${i}`, i === 9 ? -20 + nudge : i % 2 === 0 ? 12 : -12, i * 4))

/** The same garment with every curve cut into `parts`: more segments, the same shape. */
function finer(garment: Garment, parts: number): Garment {
  const cut = (path: Path): Path =>
    path.flatMap((s): Segment[] =>
      s.kind === 'line' ? [s] : Array.from({ length: parts }, (_, i) => cutSegment(s, i / parts, (i + 1) / parts)),
    )
  return {
    ...garment,
    pieces: garment.pieces.map((p) => {
      const shape = shapeOf(p, 'one')
      return {
        ...p,
        shapes: { one: { ...shape, edges: Object.fromEntries(Object.entries(shape.edges).map(([id, path]) => [id, cut(path)])) } },
      }
    }),
  }
}

const segments = (g: Garment) => g.pieces.reduce((n, p) => n + outlineOf(p, shapeOf(p, 'one')).length, 0)
const context = contextOf(draftBlouse(), null, null, DEFAULT_TOLERANCES)
const ms = (n: number) => `${n.toFixed(2)} ms`.padStart(11)

const blouse = draftBlouse()
let nudge = 0

/** All of it from nothing: fold, ledger, seams, faults. */
const whole = median(() => {
  const folded = foldPlan(blouse, plan((nudge = (nudge + 0.1) % 5)), context)
  compareMeasures(blouse, folded.garment, 'one', context.sizing)
  walkGarment(folded.garment, 'one')
})
console.log(`fold 10 changes, ledger, match, from nothing   ${ms(whole)}   (a frame at 60 a second has 16.67 ms)`)

/** As when an amount is dragged: the stops before it are reused, those after it wait for the drop. */
let earlier = foldPlan(blouse, plan(0), context)
for (const [name, count] of [
  ['first', 1],
  ['fifth', 5],
  ['last', 10],
] as const) {
  const kept = plan(0).slice(0, count)
  earlier = foldPlan(blouse, kept, context)
  const drag = median(() => {
    const changes = [...kept.slice(0, -1), change('dragged', -20 + (nudge = (nudge + 0.1) % 5), count * 4)]
    earlier = foldPlan(blouse, changes, context, earlier)
    compareMeasures(blouse, earlier.garment, 'one', context.sizing)
    walkGarment(earlier.garment, 'one')
  })
  console.log(`${`one frame while the ${name} amount is dragged`.padEnd(46)} ${ms(drag)}`)
}
const faults = median(() => void listFaults(earlier, context))
console.log(`faults with the changes that mend them         ${ms(faults)}`)

console.log('\ngrowth with the number of segments (fold of 10, ledger, match):')
let first: { n: number; t: number } | null = null
for (const parts of [1, 2, 4, 8]) {
  const garment = finer(blouse, parts)
  const n = segments(garment)
  const t = median(() => {
    const folded = foldPlan(garment, plan((nudge = (nudge + 0.1) % 5)), context)
    compareMeasures(garment, folded.garment, 'one', context.sizing)
    walkGarment(folded.garment, 'one')
  })
  first ??= { n, t }
  console.log(`${String(n).padStart(6)} segments ${ms(t)}   ${(n / first.n).toFixed(2)} x segments, ${(t / first.t).toFixed(2)} x time`)
}

// The same cuts with a general vector library: every outline of front and back cut at the level, parts moved, ten times.
const paper = paperCore as unknown as typeof paperTypes
paper.setup(new paper.Size(1000, 1000))
const asPaper = (path: Path) => {
  const out = new paper.Path({ closed: true, insert: false })
  for (const s of path) {
    const last = out.lastSegment
    if (s.kind === 'cubic' && last) last.handleOut = new paper.Point(s.c1.x - s.from.x, s.c1.y - s.from.y)
    out.add(
      new paper.Segment(
        new paper.Point(s.to.x, s.to.y),
        s.kind === 'cubic' ? new paper.Point(s.c2.x - s.to.x, s.c2.y - s.to.y) : undefined,
      ),
    )
  }
  return out
}
type Shape = ReturnType<ReturnType<typeof asPaper>['intersect']>
const general = median(() => {
  for (const id of ['front', 'back']) {
    const piece = blouse.pieces.find((p) => p.id === id)!
    let outline: Shape = asPaper(outlineOf(piece, shapeOf(piece, 'one')))
    for (let i = 0; i < 10; i++) {
      const upper = new paper.Path.Rectangle({ from: [-100, -100], to: [600, 400 + i * 4], insert: false })
      const lower = new paper.Path.Rectangle({ from: [-100, 400 + i * 4], to: [600, 2000], insert: false })
      const top = outline.intersect(upper, { insert: false })
      const bottom = outline.intersect(lower, { insert: false })
      bottom.translate(new paper.Point(0, i % 2 === 0 ? 12 : -12))
      outline = top.unite(bottom, { insert: false })
      void outline.bounds.height
    }
  }
})
console.log(
  `\nthe same ten cuts with a general vector library ${ms(general)}   (no redrawing, no ledger, no seams): ${(general / whole).toFixed(2)} x ours`,
)

console.log('\ngrading the dress (one size is one set of five pieces, its cap solved, its growth made exact):')
const dress = draftQuayDress()
for (const up of [1, 2, 4, 8]) {
  const t = median(
    () =>
      void gradeGarment(dress, {
        intervalMm: 40,
        up,
        down: 0,
        upIntervalsMm: [],
        downIntervalsMm: [],
        centre: 'none',
        rules: {},
        school: 'shift',
      }),
  )
  console.log(`${String(up).padStart(6)} sizes    ${ms(t)}   ${(t / up).toFixed(2)} ms a size`)
}
