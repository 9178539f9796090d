import { findZones } from '../../measure'
import { familyOf, findPiece, timesRound, type Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { LET_OUT, oneAmount, says, saysOnly, TAKE_IN, towards, used } from '../shared/reading/amounts'
import { keptAmong } from '../shared/reading/kept'
import { missingOf, takesWanted } from '../shared/reading/wanted'
import type { ChangeContext, Reading } from '../types'
import { wholeFront } from '../shared/no-front'
import { chainsOf } from '../shared/side-drawing'
import type { AddAtEdgeInputs } from './schema'

const ZONES = ['bust', 'waist', 'hip'] as const
/** What has another change for its width. */
const OTHERS: readonly Concept[] = [
  'dart',
  'two-tipped',
  'shoulder',
  'hem',
  'sleeve',
  'leg-opening',
  'pivot',
  'slide',
  'wedge',
  'fold',
  'gapes',
  'slash',
  'neckline',
  'armhole',
  'waist-seam',
  'knee',
  'thigh',
  'length',
  'longer',
  'shorter',
]

/** Pieces whose hems have a change of their own. */
const OWN_HEMS: readonly ReturnType<typeof familyOf>[] = ['leg', 'skirt']

/** Words beside which a wish is said of the whole garment. */
const OF_ALL: readonly Concept[] = ['out', 'in', 'too-tight', 'too-loose', 'round', 'each', 'make', 'width', 'body']

/** How many edges carry the round of a zone: of two pieces sewn to each other at the waist, one goes round it. */
function edgesRound(garment: Garment, chains: ReturnType<typeof chainsOf>, zoneId: string): number {
  const round =
    findZones(garment)
      .find((z) => z.id === zoneId)
      ?.parts.map((p) => p.pieceId) ?? []
  return chains
    .filter((c) => round.includes(c.chain.pieceId))
    .reduce((sum, c) => sum + timesRound(garment, findPiece(garment, c.chain.pieceId)!), 0)
}

type Places = NonNullable<ReturnType<typeof saidPlaces>>

/** Where a wish speaks of the width at the sides, and in which words; null where another change has that width. */
function saidPlaces(wish: Wish, garment: Garment) {
  // “Flare the hem 4” of a blouse: at the hip, and the side below it goes along.
  const isHem =
    says(wish, 'hem') && says(wish, ...LET_OUT, ...TAKE_IN, 'fuller') && garment.pieces.every((p) => !OWN_HEMS.includes(familyOf(p)))
  if (says(wish, ...OTHERS.filter((c) => c !== 'hem' || !isHem))) return null
  // The seat of a skirt is its hip; of trousers it has changes of its own.
  const isSeat = says(wish, 'seat') && garment.pieces.every((p) => familyOf(p) !== 'leg')
  const kept = keptAmong(wish, ZONES)
  // “Below the waist” is the hip, above it the bust, where nothing else is named.
  const beside =
    says(wish, 'waist') && !says(wish, 'bust', 'hip') ? (says(wish, 'below') ? 'hip' : says(wish, 'above') ? 'bust' : null) : null
  const zones = ZONES.filter((z) => !kept.includes(z) && (beside ? z === beside : wish.said.has(z) || (z === 'hip' && (isSeat || isHem))))
  return { isHem, isSeat, kept, zones, isBeside: beside !== null }
}

/** Every word that speaks of the width at the sides. */
function usesOf(wish: Wish, { isHem, isSeat, kept, isBeside }: Places): Concept[] {
  // “More ease at the hip”; “ease in” is another thing.
  return used(
    wish,
    ...(says(wish, 'more', 'less') ? (['ease'] as const) : []),
    ...(kept.length > 0 ? (['keep'] as const) : []),
    'side',
    'each',
    'round',
    'from',
    'seam',
    'body',
    ...(isSeat ? (['seat'] as const) : []),
    ...(isBeside ? (['above', 'below'] as const) : []),
    ...(isHem ? (['hem'] as const) : []),
    ...(isHem || says(wish, 'hip', 'waist') ? (['fuller'] as const) : []),
    ...ZONES,
    ...LET_OUT,
    ...TAKE_IN,
  )
}

/** Craft 6.12 as it is said: “take in the sides 1/2”, “let the waist out 1”, “too tight at the hip”. Round the body, unless “each” is said. */
export function readAddAtEdge(wish: Wish, garment: Garment, context: ChangeContext): Reading<AddAtEdgeInputs>[] {
  const places = saidPlaces(wish, garment)
  if (!places) return []
  const { isHem, zones } = places
  const hasSide = says(wish, 'side')
  // The bust by itself is made fuller from the apex, of a front that is a half piece; at the side it is let out.
  // “Let it out 1 all round” is said of the garment: of all levels.
  const isWhole = [...wish.said].every((c) => OF_ALL.includes(c))
  // A bust that is to measure so much may be let out there, too: which is asked.
  const isBust = zones.length === 1 && zones[0] === 'bust' && !wholeFront(garment)
  if (!hasSide && !isWhole && (zones.length === 0 || (isBust && wish.wantedMm === null))) return []
  const said = towards(wish, isHem || says(wish, 'hip', 'waist') ? [...LET_OUT, 'fuller'] : LET_OUT, TAKE_IN)
  // “Waist 1” says not which way: it is asked.
  const isBare =
    said === 0 &&
    wish.wantedMm === null &&
    wish.amounts.length === 1 &&
    says(wish, 'waist', 'hip') &&
    saysOnly(wish, 'waist', 'hip', 'round')
  if (said === 0 && wish.wantedMm === null && !isBare) return []
  const chains = chainsOf(garment, context.sizeId)
  const there = ZONES.filter((z) => chains.some((c) => c.zones.some((x) => x.zone === z)))
  const meant = zones.length > 0 ? zones : there
  const isThere = meant.length > 0 && meant.every((z) => there.includes(z))
  if (!isThere) return []
  // “Set the waist to 30”: what it lacks, or has too much, all round.
  const missing = meant.length === 1 ? missingOf({ ...wish, amounts: [] }, garment, meant[0]!, context) : null
  if (said === 0 && missing === null && !isBare) return []
  const way = missing === null ? said : missing < 0 ? -1 : 1
  const isAgainst = missing !== null && (missing * said < 0 || wish.amounts.length > 0)
  const edges = edgesRound(garment, chains, meant[0]!)
  if (edges === 0) return []
  const isEach = missing === null && says(wish, 'each')
  const ways = isBare ? ([1, -1] as const) : [way]
  return ways.map((towardsIt) => {
    const mm = missing ?? oneAmount(wish, towardsIt)
    const perEdge = mm === null ? 0 : isEach ? mm : mm / edges
    const at = (zone: (typeof ZONES)[number]) => (meant.includes(zone) ? perEdge : 0)
    return {
      inputs: { bustMm: at('bust'), waistMm: at('waist'), hipMm: at('hip') },
      uses: usesOf(wish, places),
      ...takesWanted(missing),
      // “Let it out 1” may be said of the sides, and is asked.
      sure: mm !== null && !isBare && !isAgainst && !isHem && (hasSide || !isBust) && (hasSide || !isWhole || says(wish, 'round')),
      ...(towardsIt === 0 ? {} : { towards: towardsIt }),
      ...(zones[0] ? { field: `${zones[0]}Mm` } : {}),
      where: zones.length > 0 ? `at the ${zones.join(' and ')}${isHem ? ', and on to the hem' : ''}` : '',
      how: mm ? `each edge, ${lengthToken(Math.abs(perEdge * edges))} round the body` : '',
    }
  })
}
