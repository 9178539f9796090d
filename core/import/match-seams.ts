import { familyOf, type EdgeRole, type Garment, type Piece, type RunEdge } from '../pattern'
import { hasCuffFor, rolesScore, whatIsAmong, wordsOf, type Among } from './roles-together'
import { beside, besideRun, edgesOf, isRing, jointsOf, runsDown, runsOf, sidesOf, type Run, type Side } from './sides'
import { whatMeets, type Met } from './what-meets'

/** Two sides are proposed as a seam when their lengths differ by no more than this part of the longer. */
const LIKE_PART = 0.12

/** What is gathered is so many times as long as what it is sewn to at most: a cap, and all else. */
const GATHERED_TIMES = { cap: 1.6, other: 3 }

/** Sides are as long as each other to this, mm, or to this part. */
const SAME_MM = 1.5

const SAME_PART = 0.006
const NEAR_PART = 0.03

/** Notches and joints that meet within this distance along a seam, mm. */
const MEET_MM = 5

/** A cap may be shorter than its armholes by this part: it was drawn so, or measured otherwise. */
const SHORT_CAP_PART = 0.02

/** Ease in a cap moves them apart by this more at most, mm. */
const CAP_MEET_MM = 10

/** What a pair must come to before it is proposed, and where its edges are called so that they belong together. */
const LEAST_SCORE = 3

const LEAST_CALLED = 2.5
/** What each further piece in a side costs: what is sewn piece by piece is not taken for one seam. */
const RUN_COST = 0.3
/** Scores that differ by less are the same. */
const ALIKE = 0.01
/** Sides that are compared at most, which takes a second: beyond, a garment has too many edges for all to be tried. */
const MOST_SIDES = 1500

/** Parts that lie on others, or double them: their edges are as long as those that they lie on, and are not sewn to them. */
const DOUBLES = /\b(?:facing|interfacing|lining|interlining|under ?collar|pocket|flap|tab|welt|loop|jet|carrier|epaulette?)s?\b/i

/** Two sides, how they lie to each other, and what speaks for it. */
interface Match {
  first: Side
  second: Side
  score: number
  /** How alike the ends are: which way round the second is walked. */
  ends: number
}

/** Can a cap be sewn to armholes? It is not shorter than they are, and both begin and end at the underarm. */
function isCapFor(cap: Side, armholes: Side, joined: ReadonlyMap<string, readonly string[]>): boolean {
  const isWhole = !beside(armholes).includes('shoulder') && !goesOverSide(armholes)
  return cap.mm >= armholes.mm * (1 - SHORT_CAP_PART) && !isRing(cap, joined) && isWhole
}

/** Do armholes go on over the side seam, under the arm, and begin and end elsewhere? Then they are walked from the wrong end, or unfinished. */
const goesOverSide = ({ runs }: Side): boolean =>
  runs.slice(1).some((next, i) => [runs[i]!, next].every((run, k) => besideRun(run)[k === 0 ? 1 : 0] === 'side'))

/** Are two sides about as long as each other? */
const isLike = (first: Side, second: Side) => Math.abs(first.mm - second.mm) <= LIKE_PART * Math.max(first.mm, second.mm)

/** Edges that are sewn gathered, by what they are gathered into. */
const GATHERS: readonly (readonly [gathered: EdgeRole, into: EdgeRole])[] = [
  ['cap', 'armhole'],
  ['waist', 'waist'],
  ['waist', 'band'],
  ['hem', 'band'],
  ['leg-opening', 'band'],
  // A back that is pleated or gathered into its yoke.
  ['panel', 'panel'],
]

/** What lies beside both ends of an edge that is gathered whole: parts of it are gathered into nothing. */
const WHOLE_BESIDE: Partial<Record<EdgeRole, readonly EdgeRole[]>> = {
  waist: ['centre-front', 'crotch'],
  hem: ['underarm'],
  'leg-opening': ['inseam', 'outseam'],
}

/** Does an edge run from the armhole to the centre, as that of a yoke does? */
const isAcross = (ends: readonly EdgeRole[]) => ends.includes('armhole') && ends.includes('centre-front')

/** Can the longer of two sides be gathered into the other, by what they are called? Each is there from end to end. */
function isGathered(first: Side, second: Side): boolean {
  const [long, short] = first.mm > second.mm ? [first, second] : [second, first]
  const [gathered, into] = [long.runs[0]!.run.role, short.runs[0]!.run.role]
  if (!GATHERS.some(([a, b]) => a === gathered && b === into)) return false
  if (long.mm > short.mm * (gathered === 'cap' ? GATHERED_TIMES.cap : GATHERED_TIMES.other)) return false
  const [p, q] = [beside(long), beside(short)]
  if (gathered === 'cap') return q.every((role) => role === 'side')
  if (gathered === 'panel' && !isAcross(p)) return false
  if (into === 'waist' || gathered === 'panel') return p[0] === q[0] && p[1] === q[1]
  return p[0] === p[1] && WHOLE_BESIDE[gathered]!.includes(p[0])
}

/** A cap is drawn with its back on the left. */
function isWalkedFromBack(cap: Side, armholes: Side): boolean {
  const { run, reversed } = cap.runs[0]!
  return cap.runs.every((r) => r.run.piece === run.piece) && (run.isFromLeft !== reversed) === (armholes.runs[0]!.run.piece.kind === 'back')
}

/** Front or back, where a piece says which. */
const placeOf = ({ name, kind }: Piece): string | undefined =>
  /\b(?:front|back)\b/.exec(`${name.toLowerCase()} ${kind.replace('-', ' ')}`)?.[0]

/** Do two pieces say that one lies in front and the other at the back? From there to here lead only seams that are called so, and no panel's. */
function isElsewhere(a: Run, b: Run): boolean {
  const places = [placeOf(a.piece), placeOf(b.piece)]
  return [a, b].some((r) => r.role === 'panel') && !places.includes(undefined) && places[0] !== places[1]
}

/** How exactly notches meet says which way round, where as many meet both ways and nothing else does. */
const EXACT_PART = 0.4

/** How much speaks for walking two sides this way round: notches first, then what lies beside their ends, then how they are drawn. */
function endsScore(first: Side, second: Side, met: Met, isCapRound: boolean): number {
  const [a, b] = [first.runs[0]!.run, second.runs[0]!.run]
  const [p, q] = [beside(first), beside(second)]
  const alike = [0, 1].filter((i) => p[i] === q[i] && p[i] !== 'other').length
  const isCap = a.role === 'cap' || b.role === 'cap'
  const isSameWay = !isCap && runsDown(first) !== null && runsDown(first) === runsDown(second)
  // On whole pieces what is right on the one's paper meets what is left on the other's: their outlines run against each other.
  const runsAgainst = second.runs[0]!.reversed && ((a.hasTwin && b.hasTwin) || runsDown(first) === null)
  // A band is sewn by its lower edge, where nothing else tells; a cuff by its upper one.
  const isCuff = [a, b].some((r) => r.role === 'hem' || r.role === 'leg-opening')
  const isByLowEdge = [a, b].some((r) => r.role === 'band' && r.isLow !== isCuff)
  const told = [EXACT_PART * met.exact, isSameWay ? 0.5 : 0, runsAgainst ? 0.25 : 0, isByLowEdge ? 0.25 : 0, isCapRound ? 0.5 : 0]
  return 2 * (met.notches + met.atJoints) + alike + told.reduce((sum, t) => sum + t, 0)
}

/** What speaks for sewing two sides together; null where they cannot be, or too little does. */
function matchOf(first: Side, second: Side, joined: ReadonlyMap<string, readonly string[]>, among: Among): Match | null {
  const [a, b] = [first.runs[0]!.run, second.runs[0]!.run]
  const [longer, off] = [Math.max(first.mm, second.mm), Math.abs(first.mm - second.mm)]
  const roles = isLike(first, second) || isGathered(first, second) ? rolesScore(a, b, among) : null
  if (roles === null) return null
  const isCap = a.role === 'cap' || b.role === 'cap'
  const [cap, armholes] = a.role === 'cap' ? [first, second] : [second, first]
  if (isCap && !isCapFor(cap, armholes, joined)) return null
  const isSame = off <= Math.max(SAME_MM, SAME_PART * longer)
  // Ease lies in a cap where its notches leave it.
  const met = whatMeets(first, second, MEET_MM + (isCap ? Math.min(off / 2, CAP_MEET_MM) : 0))
  const words = new Set(first.runs.flatMap((r) => wordsOf(r.run.piece)))
  const isAlikeCalled = second.runs.some((r) => wordsOf(r.run.piece).some((w) => words.has(w)))
  const isRelated = isAlikeCalled || (a.piece.kind !== 'other' && familyOf(a.piece) === familyOf(b.piece))
  if (roles === 0 && met.notches + met.atJoints === 0 && !(isSame && isRelated)) return null
  const isUnlike = roles === 0 && first.runs.length + second.runs.length === 2 && a.isBent !== b.isBent
  const isCapRound = isCap && isWalkedFromBack(cap, armholes)
  const score =
    roles +
    (isSame ? 3 : off <= NEAR_PART * longer ? 1.5 : 1) +
    2 * met.notches +
    1.5 * met.atJoints +
    0.5 * met.joints -
    Math.min(3, met.lost) +
    (isAlikeCalled ? 0.5 : 0) +
    (isCapRound && met.notches + met.atJoints <= 1 ? 1 : 0) -
    (isElsewhere(a, b) ? 3 : 0) -
    (isUnlike ? 2 : 0) -
    RUN_COST * (first.runs.length + second.runs.length - 2)
  if (score < (roles >= 2 ? LEAST_CALLED : LEAST_SCORE)) return null
  return { first, second, score, ends: endsScore(first, second, met, isCapRound) }
}

const isSamePiece = (a: Side, b: Side) => a.runs.some((x) => b.runs.some((y) => x.run.piece === y.run.piece))

/** Two sides of a seam, walked from the same end, and what the first edge of each is called. */
export interface SewnSides {
  sides: [RunEdge[], RunEdge[]]
  roles: [EdgeRole, EdgeRole]
  /** How much longer the first is than the second where one is gathered into the other, mm; null where they are alike. */
  gatheredMm: number | null
}

/**
 * Pairs of sides that are likely sewn to each other, the likeliest first, each edge in one of them at most: by what the edges are called,
 * how long they are, and where their notches lie; also where edges of several pieces make up a side, over the seams that are found.
 */
export function matchSides(garment: Garment): SewnSides[] {
  const pieces = garment.pieces.filter((p) => !DOUBLES.test(p.name))
  const among = whatIsAmong(pieces)
  const hasOneSleeve = pieces.filter((p) => p.kind === 'sleeve').length === 1
  const mayMeet = (a: Side, b: Side) =>
    !a.runs.some((x) => b.runs.some((y) => x.run === y.run)) &&
    (!isSamePiece(a, b) || (hasOneSleeve && a.runs.length === 1 && a.runs[0]!.run.role === 'underarm'))
  let runs = pieces.flatMap((p) => runsOf(p, garment.baseSizeId, hasCuffFor(p, pieces)))
  const found: SewnSides[] = []
  const sides = new Map<string, Side>()
  let matches: Match[] = []
  for (;;) {
    const joined = jointsOf(garment, found)
    // What was compared before is not compared again: only sides over the newest seam are new.
    for (const [key, side] of sidesOf(runs, joined)) {
      if (sides.has(key) || sides.size >= MOST_SIDES) continue
      sides.set(key, side)
      for (const other of sides.values()) {
        if (!mayMeet(side, other)) continue
        // Each side is there in both directions: of the first, one will do.
        const [first, second] = other.runs[0]!.reversed ? [side, other] : [other, side]
        const match = first.runs[0]!.reversed ? null : matchOf(first, second, joined, among)
        if (match) matches.push(match)
      }
    }
    const best = matches.reduce<Match | null>((a, b) => (a && !isBetter(b, a) ? a : b), null)
    if (!best) return found
    const { first, second } = best
    found.push({
      sides: [edgesOf(first), edgesOf(second)],
      roles: [first.runs[0]!.run.role, second.runs[0]!.run.role],
      gatheredMm: isLike(first, second) ? null : first.mm - second.mm,
    })
    const used = new Set([...first.runs, ...second.runs].map((r) => r.run))
    const isFree = (side: Side) => !side.runs.some((r) => used.has(r.run))
    runs = runs.filter((r) => !used.has(r))
    matches = matches.filter((m) => isFree(m.first) && isFree(m.second))
    for (const [key, side] of sides) if (!isFree(side)) sides.delete(key)
  }
}

/** The better of two matches: what more speaks for, and of equals the one whose ends are more alike. */
const isBetter = (a: Match, b: Match) => a.score > b.score + ALIKE || (a.score > b.score - ALIKE && a.ends > b.ends)
