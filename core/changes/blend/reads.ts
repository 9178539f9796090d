import type { Garment } from '../../pattern'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import type { Reading } from '../types'
import type { BlendInputs } from './schema'

const ZONES = ['bust', 'waist', 'hip'] as const

/** Craft 6.6 as it is said: “size 4 at the bust, size 5 at the hip”, “blend 3 bust, 4 waist, 5 hip”, “size 6”. */
export function readBlend(wish: Wish, garment: Garment): Reading<BlendInputs>[] {
  const isTitle = says(wish, 'blending')
  if ((wish.sizes.length === 0 && !isTitle) || says(wish, 'grading', 'cut', 'sleeve', 'front', 'back', 'dart')) return []
  if (garment.sizes.length < 2) return []
  const base = garment.baseSizeId
  const inputs: BlendInputs = { bust: base, waist: base, hip: base, startMm: 0, endMm: 0 }
  const byName = (name: string) => garment.sizes.find((s) => s.name.toUpperCase() === name)
  let isClear = true
  const chosen = wish.sizes.map((s) => ({ size: byName(s.name), zones: ZONES.filter((z) => s.beside.has(z)) }))
  // “Blend 3 bust, 4 waist, 5 hip”: a bare figure before a zone is a size there.
  if (isTitle && wish.sizes.length === 0)
    for (const m of wish.text.matchAll(/(?:size )?([\p{L}\d]{1,4}) (?:at the )?(bust|waist|hip)\b/giu)) {
      const zone = ZONES.find((z) => z === m[2]!.toLowerCase())
      chosen.push({ size: byName(m[1]!.toUpperCase()), zones: zone ? [zone] : [] })
    }
  for (const { size, zones } of chosen) {
    if (!size) isClear = false
    else for (const zone of zones.length > 0 ? zones : chosen.length === 1 ? ZONES : []) inputs[zone] = size.id
    if (zones.length === 0 && chosen.length > 1) isClear = false
  }
  return [
    {
      inputs,
      uses: used(wish, 'blending', 'size', 'above', 'below', ...ZONES),
      takes: ['sizes'],
      sure: isClear && chosen.length > 0 && (isTitle || wish.amounts.length === 0),
    },
  ]
}
