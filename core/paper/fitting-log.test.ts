import { describe, expect, it } from 'vitest'
import { HARBOUR_FIT } from '../../demo/cooks-blouse'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf, foldPlan } from '../changes'
import { emptySighting, type Decision, type Fitting } from '../fittings'
import { stopsOf } from '../formats'
import { DEFAULT_TOLERANCES } from '../match'
import { makeFittingLog } from './fitting-log'

const { projects, wearers, log } = demoWardrobe(new Date('2026-05-01'))
const project = projects.find((p) => p.id === HARBOUR_FIT)!
const context = contextOf(
  project.garment,
  project,
  wearers.find((w) => w.id === 'cook')!,
  DEFAULT_TOLERANCES,
)
const folded = foldPlan(project.garment, stopsOf(project), context)
const logOf = (fittings: readonly Fitting[], more: Partial<typeof log> = {}) =>
  makeFittingLog(folded.garment, folded.stops, { ...log, ...more, fittings })

describe('the fittings as the notebook tells them', () => {
  it('are told the oldest first, each with its version, cloth, signs from the top down, and photographs', () => {
    const [first, second] = logOf([...log.fittings].reverse())
    expect([first!.heldOn, first!.version, second!.heldOn, second!.version]).toEqual([
      '2026-11-04',
      'First mock-up',
      '2026-11-18',
      'Second mock-up',
    ])
    expect(first!.facts).toEqual([
      'Cloth: old sheeting, falls medium, no stretch, washed.',
      'Worn with: Stage clogs with a heel of an inch, her own bodice below.',
    ])
    expect(first!.items.map((i) => i.seen.split(':')[0])).toEqual([
      'Shoulder line',
      'Sleeve',
      'Bust level and dart',
      'Waist level',
      'Back against front',
    ])
    expect(first!.well).toEqual(['Neck', 'Armhole', 'Side seam'])
    expect(first!.photos.map((p) => [p.text, p.marks.length])).toEqual([
      ['First mock-up, front', 2],
      ['First mock-up, back', 1],
    ])
  })
  it('leave out what was not written down', () => {
    const bare: Fitting = {
      ...log.fittings[0]!,
      versionId: null,
      cloth: { kind: '', drape: null, stretch: null, isWashed: null },
      worn: '',
      sightings: [],
    }
    expect(logOf([bare], { photos: [] })[0]).toMatchObject({ version: null, facts: [], items: [], well: [], photos: [] })
  })
  it.each<[Decision, string]>([
    [{ is: 'open' }, 'open'],
    [{ is: 'later' }, 'to be looked at again'],
    [{ is: 'rejected', reason: '' }, 'left as it is'],
    [{ is: 'rejected', reason: 'she likes it so' }, 'left as it is: she likes it so'],
    [{ is: 'taken', changeIds: ['for-shoulder-line-slants-back'] }, 'Forward shoulder {mm 9.525}'],
    [{ is: 'taken', changeIds: ['gone', 'for-shoulder-line-slants-back'] }, 'a stop that was deleted since; Forward shoulder {mm 9.525}'],
  ])('say what became of a sign: %o', (decision, words) => {
    const seen = { ...emptySighting('s', 'neck'), signId: 'chokes', mm: 5, decision }
    expect(logOf([{ ...log.fittings[0]!, sightings: [seen] }])[0]!.items).toEqual([
      { seen: 'Neck: The front neckline chokes, {mm 5}', became: words },
    ])
  })
  it('tell pins by what was pinned, also on a piece that has gone', () => {
    const pins: Fitting['pins'] = [
      {
        id: 'p',
        side: 'left',
        words: '',
        decision: { is: 'open' },
        pinned: { how: 'wedge', pieceId: 'gone', edgeId: 'gone', belowMm: 5, isOut: true, mm: 7 },
      },
    ]
    expect(logOf([{ ...log.fittings[0]!, sightings: [], pins }])[0]!.items[0]!.seen).toBe(
      'Pinned. Wedge of {mm 7} out at an edge that has gone, a piece that has gone, left only',
    )
  })
})
