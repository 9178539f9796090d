import { contextOf, foldPlan } from '../core/changes'
import { makeLay, shuffled, USUAL_ROUNDS, usualCloth, wantedOf, type Cloth } from '../core/cloth'
import { diceOf } from '../core/dice'
import { stopsOf } from '../core/formats'
import { DEFAULT_TOLERANCES } from '../core/match'
import { demoWardrobe } from '../demo/wardrobe'

// npm run bench:lay [-- ORDERS]: every demo garment laid on three cloths by the search of the application, as long as it takes there, and by thrown orders of which
// the best is kept: the length that each needs, their ratio, and how long the search took. Nothing here passes or fails.

const ORDERS = Number(process.argv[2] ?? 1000)
const CLOTHS: [string, Cloth][] = [
  ['150 cm flat', { ...usualCloth(), widthMm: 1500 }],
  ['115 cm one way', { ...usualCloth(), widthMm: 1150, isOneWay: true }],
  ['150 cm folded', { ...usualCloth(), widthMm: 1500, isFolded: true }],
]

const { projects, wearers } = demoWardrobe(new Date('2026-05-01'))
console.log('garment; cloth; pieces; search mm; ms; best of thrown mm; ratio; used')
let worst = 0
for (const project of projects) {
  const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
  const { garment } = foldPlan(project.garment, stopsOf(project), contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES))
  const wanted = wantedOf(garment, Object.fromEntries(garment.pieces.map((p) => [p.id, p.cut.count])))
  for (const [name, cloth] of CLOTHS) {
    const began = performance.now()
    const own = makeLay(garment, garment.baseSizeId, wanted, cloth, { rounds: USUAL_ROUNDS })
    const tookMs = performance.now() - began
    if (!own.ok) {
      console.log(`${project.name}; ${name}; ${own.problem.where}: ${own.problem.code}`)
      continue
    }
    const dice = diceOf(7)
    let best = Infinity
    for (let i = 0; i < ORDERS; i++) {
      const made = makeLay(
        garment,
        garment.baseSizeId,
        shuffled(
          wanted.map((_, k) => k),
          dice,
        ).map((k) => wanted[k]!),
        cloth,
        {
          rounds: 1,
          isThrown: true,
          seed: i + 1,
        },
      )
      if (made.ok) best = Math.min(best, made.value.lengthMm)
    }
    const ratio = own.value.lengthMm / best
    worst = Math.max(worst, ratio)
    const figures = [
      own.value.laid.length,
      own.value.lengthMm.toFixed(0),
      tookMs.toFixed(0),
      best.toFixed(0),
      ratio.toFixed(3),
      own.value.used.toFixed(2),
    ]
    console.log([project.name, name, ...figures].join('; '))
  }
}
console.log(`worst ratio: ${worst.toFixed(3)}`)
