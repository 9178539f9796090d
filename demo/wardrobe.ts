import { newStop, withId, type Change, type KindName } from '../core/changes'
import { keepReading } from '../core/changes/crotch-shape'
import type { Wearer } from '../core/body'
import type { Log, Project } from '../core/formats'
import { NO_SIZING, type Sizing } from '../core/size'
import { draftBlouse } from './blouse'
import { cooksBlouse, HARBOUR_FIT } from './cooks-blouse'
import { crotchReadings } from './crotch-readings'
import { CUPS, withCups } from './cups'
import { chartOf, nestOf, STRAIGHT_EASE } from './nest'
import { draftArmholeDart, draftDartless, draftSlantedDart, draftSleeveless, draftTwoDarts } from './dart-blouses'
import { draftJacket } from './jacket'
import { draftOnePiece } from './one-piece'
import { draftQuayDress } from './quay-dress'
import { draftTrousers, FLARED, TAPERED } from './trousers'
import { draftTunic } from './tunic'
import { draftWaistDart } from './waist-darts'
import { DEMO_WEARERS } from './wearers'

const lengthen = (
  id: string,
  pieceId: string,
  amountMm: number,
  lines: [string, number][],
  note: string,
  leftOut: string[] = [],
): Change => ({
  id,
  kind: 'lengthen',
  on: true,
  note,
  inputs: {
    amountMm,
    pieceId,
    levels: lines.map(([line, share], i) => ({ id: `line-${i + 1}`, share, mark: { by: 'line', id: line }, belowMm: 0 })),
    leftOut,
  },
})

const stop = (id: string, kind: KindName, inputs: unknown, note: string): Change => withId(newStop(kind, inputs, note), id)

/** A fit before it has its dates. */
type Undated = Omit<Project, 'createdAt' | 'updatedAt' | 'bought'>

/** All of the demo but its dates, in the order in which it hangs. */
function makeDemo(): { projects: Undated[]; wearers: Wearer[]; log: Log } {
  const project = (
    id: string,
    name: string,
    wearerId: string | null,
    garment: Project['garment'],
    plan: Change[] = [],
    sizing: Sizing = NO_SIZING,
  ): Undated => ({ id, garmentId: id, name, fitName: '', wearerId, garment, sizing, mends: [], plan, notes: '' })
  /** A garment in sizes 1 to 7, with its size chart. */
  const nested = (id: string, name: string, wearerId: string, garment: Project['garment'], plan: Change[], own: Partial<Sizing> = {}) =>
    project(id, name, wearerId, garment, plan, { ...chartOf(garment), ...own })
  const readings = crotchReadings(draftTrousers(TAPERED), '2026-11-02')
  const projects = [
    nested('demo-blouse', 'Lamplighter’s blouse', 'cook', withCups(nestOf(draftBlouse())), [], { cups: CUPS }),
    nested('demo-tapered', 'Quay trousers, tapered', 'lamplighter', nestOf(draftTrousers(TAPERED)), [
      lengthen(
        'longer',
        'front',
        38,
        [
          ['thigh-shorten', 3],
          ['calf-shorten', 2],
        ],
        'Long in the leg: more above the knee than below, so that the knee line sits at the knee.',
      ),
    ]),
    project('demo-flared', 'Quay trousers, flared', 'lamplighter', draftTrousers(FLARED)),
    project('demo-bather', 'Bather’s one-piece', 'bather', draftOnePiece(), [
      lengthen('body', 'front', 19.05, [['shorten', 1]], 'Pulls at the shoulders: longer in the body, back left out by mistake.', ['back']),
    ]),
    nested('demo-dress', 'Quay dress', 'bather', nestOf(draftQuayDress()), [], {
      ...chartOf(nestOf(draftQuayDress()), STRAIGHT_EASE),
      fabric: 'drapey',
    }),
    project('demo-piper', 'Piper’s blouse', 'cook', draftArmholeDart(), [
      stop(
        'to-side',
        'straighten-dart',
        { dart: 'front side-dart', way: 'exact', lowerMm: 0, tipBackMm: 38, trued: true },
        'The stage cloth is striped: the dart goes from the armhole to the side, where it lies along the stripes and can be pressed flat.',
      ),
      stop(
        'finish',
        'finish-dart',
        { dart: 'front side-dart', tipBackMm: 38, legs: 'equal', pressTo: 'after' },
        'Tip an inch and a half short of the apex, pressed down, cap cut so.',
      ),
    ]),
    project('demo-helm', 'Helmsman’s blouse', 'lamplighter', draftSlantedDart(), [
      stop(
        'straight',
        'straighten-dart',
        { dart: 'front side-dart', way: 'exact', lowerMm: 0, tipBackMm: 38, trued: true },
        'The slanted dart shows under the stage lights; straight across it disappears in the weave.',
      ),
      stop('lower', 'raise-dart', { dart: 'front side-dart', amountMm: -13 }, 'The bust sits half an inch lower than drafted.'),
    ]),
    project('demo-harper', 'Harper’s blouse', 'bather', draftTwoDarts(), [
      stop(
        'merge',
        'merge-darts',
        { dart: 'front side-dart-2', into: 'front side-dart', tipBackMm: 38, trued: true },
        'The harp’s strap rubs on the shoulder dart: both go into one at the side.',
      ),
      stop(
        'finish',
        'finish-dart',
        { dart: 'front side-dart', tipBackMm: 38, legs: 'equal', pressTo: 'after' },
        'One deeper dart, finished afresh.',
      ),
    ]),
    project('demo-dancer', 'Dancer’s top', 'bather', draftSleeveless(), [
      stop(
        'fold',
        'take-in-fold',
        { dart: 'front side-dart', edgeId: 'armhole', from: 'at-armhole', atMm: 110, amountMm: 13, sides: 'both', tipBackMm: 38 },
        'First fitting: the armhole gaped, half an inch was pinned out on both sides, a hand’s breadth below the shoulder.',
      ),
      stop(
        'finish',
        'finish-dart',
        { dart: 'front side-dart', tipBackMm: 38, legs: 'equal', pressTo: 'after' },
        'The dart took it in; legs made equal.',
      ),
    ]),
    project('demo-baker', 'Baker’s smock', 'cook', draftDartless(), [
      stop(
        'bust',
        'bust-amount',
        { pieceId: 'front', amountMm: 19, waist: 'side', opening: 'dart', tipBackMm: 38 },
        'Cut straight, without darts: it rode up at the front. Three quarters of an inch more on the half, taken out again along the side.',
      ),
    ]),
    project('demo-ferryman', 'Ferryman’s waistcoat', 'lamplighter', draftWaistDart(), [
      lengthen(
        'longer',
        'back',
        19.05,
        [['shorten', 1]],
        'The back hung above the waist: three quarters of an inch longer, through the dart.',
      ),
      stop(
        'hollow',
        'double-dart',
        { dart: 'back waist-dart', amountMm: 9.525, upperMm: 130, lowerMm: 100, raiseMm: 0, outMm: 0, legs: 'ruled' },
        'A hollow back: three eighths of an inch more in each dart, and its legs ruled anew after the lengthening.',
      ),
    ]),
    nested('demo-stoker', 'Stoker’s trousers', 'lamplighter', nestOf(draftTrousers(TAPERED)), [
      stop(
        'crotch',
        'crotch-shape',
        { readings: readings.map(keepReading), frontShare: 0.3, backShare: 0.5, giveBackMm: 0 },
        'Folds ran from the crotch to the seat. Three readings of the flexible curve; a third in front and half at the back to begin with.',
      ),
    ]),
    nested('demo-jacket', 'Harbour master’s jacket', 'cook', nestOf(draftJacket()), [
      stop(
        'forward',
        'shoulder-forward',
        { amountMm: 12.7, sleeve: 'slide', acrossMm: 6 },
        'The shoulder seam slants to the back: half an inch from its end to the middle between the bones.',
      ),
      stop(
        'bicep',
        'bicep-width',
        { amountMm: 19.05, armhole: 'lower' },
        'Full arms: three quarters of an inch more round the bicep, shared by the two sleeve pieces; the armhole takes what the cap grew by.',
      ),
    ]),
    nested('demo-tunic', 'Rope walker’s tunic', 'bather', nestOf(draftTunic()), [
      stop(
        'gape',
        'take-in-fold',
        { dart: 'front side-dart', edgeId: 'neck', from: 'at-shoulder', atMm: 150, amountMm: 12.7, sides: 'both', tipBackMm: 38 },
        'The crossing edge gaped over the bust: half an inch pinned out, swung into the side dart.',
      ),
      stop(
        'overlap',
        'wrap-over',
        { overlapMm: 130, coverMm: 142, endAboveMm: 200, shorterPct: 3, clothMm: 1400 },
        'An inch more overlap, so that it stays closed when she bends; the edge drawn anew.',
      ),
    ]),
  ]
  // The same trousers for another wearer: begun, and nothing done yet.
  const trousers = projects.find((p) => p.id === 'demo-tapered')!
  const second: Undated = { ...trousers, id: 'demo-tapered-cook', wearerId: 'cook', plan: [] }
  const wearers = DEMO_WEARERS.map((w) => (w.id === 'lamplighter' ? { ...w, crotchCurves: readings } : w))
  // The Cook’s blouse once more, as it was fitted for the harbour scene.
  const blouse = projects.find((p) => p.id === 'demo-blouse')!
  const story = cooksBlouse(
    blouse.garment,
    blouse.sizing,
    wearers.find((w) => w.id === 'cook')!,
  )
  const fitted: Undated = { ...blouse, id: HARBOUR_FIT, fitName: 'harbour scene', plan: story.plan }
  return { wearers, projects: [...projects, second, fitted], log: story.log }
}

let made: ReturnType<typeof makeDemo> | null = null

/**
 * The demo wardrobe. The tapered trousers carry a finished plan; the flared ones a fault in the draft to find; the blouse
 * is as bought, ready for the first change. Five fronts show what becomes of darts, each plan with its reasons. The tapered trousers
 * are fitted to a second wearer too; the Cook’s blouse has been through two fittings. Drafted once: what is returned is shared, and
 * not to be changed.
 *
 * @param now when it was opened, for the dates of the rows
 */
export function demoWardrobe(now: Date): { projects: Project[]; wearers: Wearer[]; log: Log } {
  made ??= makeDemo()
  // Rows a minute apart, newest first, so that they hang in this order; a further fit of a garment is begun after all of these.
  const order = made.projects.map((p) => p.garmentId).filter((id, i, all) => all.indexOf(id) === i)
  const minutesAgo = (minutes: number) => new Date(now.getTime() - 60_000 * minutes).toISOString()
  const projects = made.projects.map((fit): Project => {
    const bought = minutesAgo(order.indexOf(fit.garmentId))
    const begun = fit.id === fit.garmentId ? bought : minutesAgo(order.length)
    return { ...fit, createdAt: begun, updatedAt: begun, bought: { createdAt: bought, updatedAt: bought } }
  })
  return { ...made, projects }
}
