import { contextOf, newStop, withId, type Change } from '../core/changes'
import { emptySighting, mendSign, type Decision, type Fitting, type Photo, type Sighting, type Version } from '../core/fittings'
import type { Log } from '../core/formats'
import type { Wearer } from '../core/body'
import { DEFAULT_TOLERANCES } from '../core/match'
import type { Garment } from '../core/pattern'
import { choicesOf, type Sizing } from '../core/size'

/** The fit that the story belongs to: the Cook’s blouse for the harbour scene. */
export const HARBOUR_FIT = 'demo-blouse-harbour'

/** Its photographs as scripts/demo-photographs.ts draws them into public/demo-photographs: by their ids, with their size. */
export const DEMO_PHOTOS = [
  { id: 'demo-mock-up-front', fitting: 'first', text: 'First mock-up, front', bytes: 18303 },
  { id: 'demo-mock-up-back', fitting: 'first', text: 'First mock-up, back', bytes: 18378 },
  { id: 'demo-second-front', fitting: 'second', text: 'Second mock-up, front', bytes: 17750 },
  { id: 'demo-second-back', fitting: 'second', text: 'Second mock-up, back', bytes: 17616 },
] as const
export const PHOTO_PX = { width: 600, height: 800 } as const

const MARKS: Record<string, Photo['marks']> = {
  'demo-mock-up-front': [
    { id: 'seam', x: 0.66, y: 0.2, text: 'The seam slants to the back' },
    { id: 'folds', x: 0.4, y: 0.43, text: 'Empty folds under the bust' },
  ],
  'demo-mock-up-back': [{ id: 'pool', x: 0.5, y: 0.5, text: 'Cloth pools above the waist: half an inch pinned out' }],
  'demo-second-back': [{ id: 'hem', x: 0.5, y: 0.78, text: 'The hem dips at the back' }],
}

const seen = (placeId: string, signId: string | null, mm: number | null, more: Partial<Sighting> = {}): Sighting => ({
  ...emptySighting(`${placeId}-${signId ?? 'well'}`, placeId),
  signId,
  mm,
  isWell: signId === null,
  ...more,
})

/** The story of the Cook’s blouse: three signs in the first mock-up, three decisions, a second mock-up that is good but for the hem. */
export function cooksBlouse(garment: Garment, sizing: Sizing, cook: Wearer): { plan: Change[]; log: Log } {
  const context = contextOf(garment, { sizing }, cook, DEFAULT_TOLERANCES)
  const first: Change = withId(
    newStop(
      'lengthen',
      {
        amountMm: -9.525,
        pieceId: 'front',
        levels: [{ id: 'line-1', share: 1, mark: { by: 'line', id: 'shorten' }, belowMm: 0 }],
        leftOut: [],
      },
      'Back neck to waist is three eighths of an inch shorter than the pattern gives.',
    ),
    'body-shorter',
  )
  /** The stop that a sign leads to, as the station makes it. */
  const stopFor = (sighting: Sighting, fittingId: string, note: string): Change => {
    const [offer] = mendSign(sighting, garment, context).offers
    if (!offer) throw new Error(`nothing is offered for ${sighting.signId}`)
    return { ...withId(offer.change, `for-${sighting.id}`), note, from: 'fitting', seen: { fittingId, of: sighting.id } }
  }
  const signs = {
    shoulder: seen('shoulder-line', 'slants-back', 9.525),
    bust: seen('bust', 'empty-folds', 12.7, { words: 'Folds under the bust on both sides, none above it.' }),
    back: seen('balance', 'pools-back', 12.7, { half: 'back' }),
    hem: seen('hem-back', 'back-dips', 6.35, { half: 'back' }),
  }
  const stops = {
    shoulder: stopFor(
      signs.shoulder,
      'first',
      'First mock-up: the shoulder seam slanted to the back, three eighths of an inch at its end.',
    ),
    bust: stopFor(signs.bust, 'first', 'First mock-up: half an inch of empty folds pinned under the bust.'),
    back: stopFor(signs.back, 'first', 'First mock-up: half an inch pinned out at the centre back above the waist, nothing at the side.'),
    hem: stopFor(signs.hem, 'second', 'Second mock-up: a quarter of an inch lower at the back than in front, measured to the floor.'),
  }
  const taken = (sighting: Sighting): Sighting => ({ ...sighting, decision: { is: 'taken', changeIds: [`for-${sighting.id}`] } })
  const decided = (sighting: Sighting, decision: Decision): Sighting => ({ ...sighting, decision })
  const well = ['neck', 'armhole', 'side-seam'].map((id) => seen(id, null, null))
  const cloth = { kind: 'old sheeting', drape: 'medium', stretch: 'none', isWashed: true } as const
  const setId = cook.sets.at(-1)!.id
  const fitting = (id: string, heldOn: string, versionId: string, sightings: Sighting[], notes: string): Fitting => ({
    id,
    fitId: HARBOUR_FIT,
    heldOn,
    setId,
    versionId,
    cloth,
    worn: 'Stage clogs with a heel of an inch, her own bodice below.',
    notes,
    sightings,
    pins: [],
    createdAt: `${heldOn}T15:00:00.000Z`,
    updatedAt: `${heldOn}T16:00:00.000Z`,
  })
  const version = (id: string, name: string, on: string, why: Version['why'], plan: Change[]): Version => ({
    id,
    fitId: HARBOUR_FIT,
    name,
    madeAt: `${on}T10:00:00.000Z`,
    why,
    mends: [],
    plan,
    choices: choicesOf(sizing),
    setId,
  })
  const toSecond = [first, stops.shoulder, stops.bust, stops.back]
  const plan = [...toSecond, stops.hem]
  const fittings = [
    fitting(
      'first',
      '2026-11-04',
      'first-mock-up',
      [
        taken(signs.shoulder),
        taken(signs.bust),
        taken(signs.back),
        ...well,
        decided(seen('sleeve', 'sleeve-long', 9.525), {
          is: 'rejected',
          reason: 'Rolled up on stage: the cuff is meant to fall over the hand.',
        }),
        decided(seen('waist', 'waist-hangs', 19.05), { is: 'later' }),
      ],
      'She reaches up to the lamps in the second scene: arms over the head must be possible.',
    ),
    fitting(
      'second',
      '2026-11-18',
      'second-mock-up',
      [
        ...['shoulder-line', 'neck', 'armhole', 'bust', 'waist', 'balance', 'hip', 'side-seam'].map((id) => seen(id, null, null)),
        taken(signs.hem),
      ],
      'Good but for the hem. The waist no longer hangs away since the back is shorter.',
    ),
  ]
  const photos = DEMO_PHOTOS.map(({ id, fitting: fittingId, text, bytes }, i): Photo => ({
    id,
    fitId: HARBOUR_FIT,
    fittingId,
    text,
    type: 'image/jpeg',
    widthPx: PHOTO_PX.width,
    heightPx: PHOTO_PX.height,
    bytes,
    marks: MARKS[id] ?? [],
    createdAt: `${fittingId === 'first' ? '2026-11-04' : '2026-11-18'}T15:3${i}:00.000Z`,
  }))
  const versions = [
    version('first-mock-up', 'First mock-up', '2026-11-02', 'by-hand', [first]),
    version('second-mock-up', 'Second mock-up', '2026-11-11', 'printed', toSecond),
    version('as-sewn', 'As sewn for the harbour scene', '2026-11-20', 'by-hand', plan),
  ]
  return { plan, log: { fittings, versions, photos } }
}
