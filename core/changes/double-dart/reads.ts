import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { dartWay } from '../shared/reading/dart-way'
import { dartsOf } from '../shared/darts/find-darts'
import { isNamed } from '../shared/reading/things'
import type { Reading } from '../types'
import { doubleDartInputs, doubleDartPlaces } from './find'
import type { DoubleDartInputs } from './schema'

const IN: readonly Concept[] = ['in', 'more', 'too-loose', 'make']
const OUT: readonly Concept[] = ['out', 'less', 'too-tight']

/** Craft 6.11 as it is said: “take in the waist dart of the back 1/2”, “make a waist dart 3/4”. */
export function readDoubleDart(wish: Wish, garment: Garment): Reading<DoubleDartInputs>[] {
  if (says(wish, 'move', 'finish', 'split', 'merge', 'straighten', 'up', 'down', 'dart-legs', 'fold')) return []
  if (!says(wish, 'two-tipped') && !(says(wish, 'dart') && says(wish, 'waist'))) return []
  // A waist dart that begins at the waist edge is another thing.
  if (!says(wish, 'two-tipped') && dartsOf(garment).some((d) => isNamed(wish, d.dart.name))) return []
  const places = doubleDartPlaces(garment)
  const side = (['front', 'back'] as const).find((s) => wish.said.has(s))
  const there = places.filter((p) => (p.lineId !== null && p.lineId !== undefined) || says(wish, 'make', 'more', 'shape', 'two-tipped'))
  const fits = there.filter((p) => !side || p.piece.kind.includes(side))
  const meant = side || fits.length === 1 ? fits : fits.filter((p) => p.piece.kind === 'back')
  const way = dartWay(wish) || towards(wish, IN, OUT)
  const amountMm = way === 0 ? (wish.amounts.length === 0 ? 0 : null) : oneAmount(wish, way)
  return meant.flatMap((p): Reading<DoubleDartInputs>[] => {
    const inputs = doubleDartInputs(garment, p.ref)
    if (!inputs) return []
    return [
      {
        inputs: { ...inputs, amountMm: amountMm ?? 0 },
        uses: used(wish, 'two-tipped', 'dart', 'waist', 'front', 'back', 'shape', 'piece', ...IN, ...OUT),
        sure: amountMm !== null && way !== 0 && meant.length === 1,
        ...(way === 0 ? {} : { towards: way }),
        how: wish.amounts.length > 0 ? 'at its widest place' : '',
      },
    ]
  })
}
