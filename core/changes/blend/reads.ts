import type { Garment } from '../../pattern'
import { literally, type Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { BlendInputs } from './schema'

const ZONES = ['bust', 'waist', 'hip'] as const
type Zone = (typeof ZONES)[number]

/** What lies above the bust is cut in its size. */
const WITH_BUST = ['shoulder', 'neck', 'chest']

/** Sizes that stand right before a level: “blend 3 bust, 4 waist, 5 hip”, “size 3 shoulders with size 5 hips”. */
function sizesBeside(wish: Wish, garment: Garment): { name: string; zone: Zone; isSure: boolean }[] {
  const names = garment.sizes.map((s) => literally(s.name)).join('|')
  const levels = [...ZONES, ...WITH_BUST].join('|')
  const said = wish.text.matchAll(new RegExp(`(?<![\\p{L}\\d/.])(${names}) (?:(?:at|in|on|for) )?(?:the )?(${levels})s?\\b`, 'giu'))
  return [...said].map((m) => {
    const level = m[2]!.toLowerCase()
    const isSure = !WITH_BUST.includes(level)
    return { name: m[1]!.toUpperCase(), zone: isSure ? (level as Zone) : 'bust', isSure }
  })
}

/** “Blend between 3 and 5”, without levels. */
function sizesBetween(wish: Wish, garment: Garment): string[] {
  const names = garment.sizes.map((s) => literally(s.name)).join('|')
  const [, from, to] = new RegExp(`\\bbetween (${names}) and (${names})\\b`, 'iu').exec(wish.text) ?? []
  return from && to ? [from.toUpperCase(), to.toUpperCase()] : []
}

/** Craft 6.6 as it is said: “size 4 at the bust, size 5 at the hip”, “blend from 3 at the bust to 5 at the hip”, “one size up at the hip”. */
export function readBlend(wish: Wish, garment: Garment): Reading<BlendInputs>[] {
  const isTitle = says(wish, 'blending')
  const steps = wish.counts.up - wish.counts.down
  const isStep = steps !== 0 && says(wish, ...ZONES)
  if ((wish.sizes.length === 0 && !isTitle && !isStep) || says(wish, 'grading', 'cut', 'sleeve', 'front', 'back', 'dart')) return []
  if (garment.sizes.length < 2) return []
  const base = garment.sizes.findIndex((s) => s.id === garment.baseSizeId)
  const indexOf = (name: string) => garment.sizes.findIndex((s) => s.name.toUpperCase() === name)
  let isClear = true
  const beside = sizesBeside(wish, garment)
  const isBeside = wish.sizes.length > 1 && beside.length === wish.sizes.length
  if (isBeside) isClear = beside.every((b) => b.isSure)
  const chosen = (isBeside ? [] : wish.sizes).map((s) => {
    const zones: Zone[] = ZONES.filter((z) => s.beside.has(z))
    // The shoulder is cut in the size of the bust: that is asked.
    if (zones.length > 0 || !s.beside.has('shoulder')) return { at: indexOf(s.name), zones }
    isClear = false
    return { at: indexOf(s.name), zones: ['bust' as const] }
  })
  if (isBeside || (isTitle && wish.sizes.length === 0))
    for (const { name, zone } of beside) chosen.push({ at: indexOf(name), zones: [zone] })
  if (isTitle && chosen.length === 0) chosen.push(...sizesBetween(wish, garment).map((name) => ({ at: indexOf(name), zones: [] })))
  if (isStep) chosen.push({ at: base + steps, zones: ZONES.filter((z) => wish.said.has(z)) })
  // A size that the pattern has not got is no size of a blend.
  if (chosen.some((c) => garment.sizes[c.at] === undefined)) return []
  const at: Partial<Record<Zone, number>> = {}
  for (const { at: size, zones } of chosen) {
    for (const zone of zones.length > 0 ? zones : chosen.length === 1 ? ZONES : []) at[zone] = size
    if (zones.length === 0 && chosen.length > 1) isClear = false
  }
  // “Between sizes 3 and 5” says not where: the upper body first, and it is asked.
  if (chosen.length === 2 && chosen.every((c) => c.zones.length === 0)) [at.bust, at.hip] = [chosen[0]!.at, chosen[1]!.at]
  // Between two levels that were said the waist lies between their sizes.
  if (at.waist === undefined && at.bust !== undefined && at.hip !== undefined) at.waist = Math.floor((at.bust + at.hip) / 2)
  const idOf = (zone: Zone) => garment.sizes[at[zone] ?? base]!.id
  return [
    {
      inputs: { bust: idOf('bust'), waist: idOf('waist'), hip: idOf('hip'), startMm: 0, endMm: 0 },
      uses: used(wish, 'blending', 'size', 'above', 'below', 'between', 'from', 'up', 'down', ...ZONES),
      takes: isStep ? ['counts'] : isTitle ? ['sizes', 'wanted'] : ['sizes'],
      sure: isClear && chosen.length > 0 && (isTitle || wish.amounts.length === 0),
    },
  ]
}
