import type { Concept } from './lexicon'

/**
 * Trade words and signs that are known, and what is said of them: what is not made here yet is said so, and never turned into
 * something else. What may help is known to the kinds of change (`mayMend`).
 */
export const TRADE: Partial<Record<Concept, string>> = {
  bicep: 'Said of the bicep alone: how the sleeve should change there is asked.',
  'arm-drags': 'Drag lines across the upper arm ask for a fuller bicep, and its armhole with it.',
  'collar-back': 'A collar that rides back may mean a forward shoulder, or a back that is too short.',
  'crotch-curve': 'The crotch is scooped by readings of the body’s own curve.',
  'crotch-depth': 'A crotch is made deeper or shallower at a line between waist and hip, or scooped by a reading of the body’s curve.',
  'flat-seat': 'A flat seat loses a wedge at centre back.',
  'full-seat': 'A full seat gains a wedge at centre back.',
  seat: 'Said of the seat alone: what should become of it?',
  belly: 'A full belly gains a wedge at centre front, or width at the sides.',
  'rounded-back': 'A rounded back gains a wedge across the shoulder blades, or length across the back.',
  'rounded-shoulders': 'Rounded shoulders may mean a forward shoulder, a rounded back, or both: each is a change of its own.',
  'back-width':
    'Width across the back is added at the middle of the armholes; more than a little comes with the shoulder, or from the sides.',
  'armhole-depth': 'An armhole is lowered or raised at the side, or widened with the sleeve: which is meant?',
  'sleeve-cap': 'The cap of a sleeve is drawn anew for its armhole, or slid with a forward shoulder.',
  'sleeve-pitch':
    'How far forward a sleeve hangs is where the middle of its cap meets the shoulder seam: its notch is moved, or the cap slid with a forward shoulder.',
  'straight-leg': 'A straight leg is as wide at its hem as at the knee: make the hem fuller or slimmer, or a part of its seams.',
  'no-dart': 'A dart is not left out, since it gives the piece its shape: it is moved where it is seen less, split, or made shallower.',
  'dart-pokes': 'A dart that pokes ends too close to the apex, or is sewn too blunt: finish it with its tip further back.',
  'neck-shape': 'A neckline is drawn deeper or higher at the centre, wider or narrower along the shoulders: how much?',
  'side-swings': 'A side seam that swings asks for width moved between front and back: which way does it swing?',
  'swings-forward': 'A side seam that swings forward asks for width moved from the back to the front.',
  'swings-back': 'A side seam that swings back asks for width moved from the front to the back.',
  'made-elsewhere': 'Pockets, closures, collars and trimmings are not reshaped here, and no piece is made that the pattern has not.',
  gathers: 'Gathers are what the longer edge has more: make the piece that is gathered slimmer or fuller at that edge.',
  'leg-stance': 'Legs that bow or knock want the whole leg swung about its knee, which is not made here yet.',
  'high-hip':
    'A hip that is higher on one side lifts the waist and the hem there: let the pieces out at that side above the hip, and level the hem. A wedge at one side alone is not made here yet.',
  'erect-back': 'An erect back is shorter across the shoulder blades: a wedge is taken out there, or length across the back.',
  'leg-twists':
    'A leg that twists may be cut off its grain, which no change of the pieces mends; or its side seam swings, and width is moved between front and back.',
  'mock-up': 'A mock-up is sewn from the altered pieces: print them under Paper, and write down what you see under Fittings.',
  'no-match': 'Match shows by how much the sides of each seam miss each other, where, and which change mends it.',
  'grain-line': 'The grain of a piece stays as it is.',
}

const HEIGHTS: readonly Concept[] = ['up', 'down', 'deeper', 'shallower', 'too-high', 'too-low', 'longer', 'shorter']
const WIDTHS: readonly Concept[] = ['out', 'in', 'too-tight', 'too-loose', 'more', 'less']
const NEVER: readonly Concept[] = ['dart', 'fold', 'gapes', 'wedge', 'true', 'notch', 'slash', 'open', 'close', 'side', 'size']

/** The trade word of a wish, named or put together: “lower the armhole”. */
export function tradeOf(said: ReadonlySet<Concept>): Concept | undefined {
  // Gathers in the head of a sleeve are ease of its cap.
  const named = said.has('sleeve-cap') ? 'sleeve-cap' : [...said].find((c) => TRADE[c] !== undefined)
  const says = (words: readonly Concept[]) => words.some((w) => said.has(w))
  if (named || says(NEVER)) return named
  // The length of one half of it is said of that half.
  const isHalf = (said.has('front') || said.has('back')) && (said.has('longer') || said.has('shorter'))
  if (said.has('armhole') && !isHalf && says([...HEIGHTS, ...WIDTHS])) return 'armhole-depth'
  if (said.has('neckline') && says([...HEIGHTS, ...WIDTHS])) return 'neck-shape'
  // “Take 3/4 off the sleeves” may be said of their length.
  const isWidth = says(WIDTHS.filter((w) => w !== 'more' && w !== 'less')) || said.has('width')
  if (said.has('sleeve') && isWidth && !said.has('hem') && !said.has('wrist') && !said.has('elbow')) return 'bicep'
  return undefined
}

/** Words that say nothing a change could do otherwise: they need not be accounted for. */
export const NEUTRAL: ReadonlySet<Concept> = new Set(['make', 'change', 'seam', 'edge', 'piece', 'length', 'width', 'from', 'into', 'over'])
