import type { ChangeContext } from '../changes'
import { finishedMm, findZones, ZONE_FACTS, type ZoneId } from '../measure'
import type { Garment } from '../pattern'
import { lengthToken } from '../units'
import type { Concept, Wish } from '../wishes'

/** Parts of the body that have a round, and the zone that measures it; null where pieces have none. */
const ROUNDS: readonly [Concept, ZoneId | null][] = [
  ['bust', 'bust'],
  ['waist', 'waist'],
  ['hip', 'hip'],
  ['bicep', 'bicep'],
  ['thigh', 'thigh'],
  ['knee', 'knee'],
  ['leg-opening', 'leg-opening'],
  ['ankle', 'leg-opening'],
  ['calf', null],
  ['elbow', null],
]

/** Nearer than this it measures that already, mm. */
const THERE_MM = 0.5

/**
 * What is said of a wish that names a part and what it is to measure, and nothing else, where no change answers it: that it
 * measures so already, that no change takes it there, or that it is not measured here; null for any other wish.
 */
export function saidMeasure(wish: Wish, garment: Garment, context: ChangeContext): string | null {
  const named = ROUNDS.filter(([concept]) => wish.said.has(concept))
  // “Knee 22” may be too small a figure to be known for a measure.
  const bare = wish.amounts.length === 1 && wish.amounts[0]!.sign === 0 && wish.said.size === 1 ? wish.amounts[0]!.mm : null
  const wantedMm = wish.amounts.length === 0 ? wish.wantedMm : bare
  if (wantedMm === null || named.length !== 1) return null
  const [concept, zoneId] = named[0]!
  const zone = zoneId && findZones(garment).find((z) => z.id === zoneId)
  if (!zone) return `The ${concept} is not measured on these pieces. Say how much more or less it should be, such as “${concept} 1 wider”.`
  const mm = finishedMm(garment, zone, context.sizeId, context.sizing.shiftsMm[zone.id])
  return Math.abs(mm - wantedMm) < THERE_MM
    ? `The ${ZONE_FACTS[zone.id].name} measures ${lengthToken(mm)} already: nothing is to be done.`
    : `The ${ZONE_FACTS[zone.id].name} measures ${lengthToken(mm)} all round now, and no change takes it to ${lengthToken(wantedMm)} at once. Say the figure all round, and not across a piece that lies flat.`
}
