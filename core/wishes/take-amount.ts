import type { Concept } from './lexicon'

/** How the amount is taken for what one sees (craft 9), the first that fits; every word of `seen` must be said. */
const HOW: [seen: Concept[], how: string][] = [
  [['sway'], 'the depth that is pinned out at the centre back, nothing at the side'],
  [['collar-back'], 'what a slash across the back opens by; or, at the shoulder, from the seam’s end to the middle between the bones'],
  [['forward-shoulder'], 'from the seam’s end to the middle between the bones in front of and behind the shoulder'],
  [['square-shoulder'], 'the gap at the end of the shoulder'],
  [['sloping-shoulder'], 'the depth of the fold at the end of the shoulder'],
  [['arm-drags'], 'the body’s bicep and the ease wanted, less the finished bicep'],
  [['bicep'], 'the body’s bicep and the ease wanted, less the finished bicep'],
  [['swings-forward'], 'how far the side seam is off upright'],
  [['swings-back'], 'how far the side seam is off upright'],
  [['side-swings'], 'how far the side seam is off upright'],
  [['belly'], 'what is missing at the fullest place of the belly, half of it on the half piece'],
  [['rounded-back'], 'what a slash across the upper back opens by'],
  [['gapes'], 'the depth that is pinned out at the edge'],
  [['fold'], 'the depth that is pinned out'],
  [['shoulder', 'too-loose'], 'from where the sleeve seam sits to the corner of the shoulder, with a sleeve basted in'],
  [['shoulder', 'too-tight'], 'from the corner of the shoulder to where the sleeve seam sits, with a sleeve basted in'],
  [['shoulder', 'out'], 'from where the sleeve seam sits to the corner of the shoulder, with a sleeve basted in'],
  [['shoulder', 'in'], 'from where the sleeve seam sits to the corner of the shoulder, with a sleeve basted in'],
  [['dart', 'too-high'], 'from the dart’s tip down to the apex, along the grain'],
  [['dart', 'too-low'], 'from the dart’s tip up to the apex, along the grain'],
  [['bust', 'too-tight'], 'the body’s full bust and the ease wanted, less the finished bust; half of it on the half piece'],
  [['bust', 'too-loose'], 'the depth of the empty folds, pinned out; half of it on the half piece'],
  [['waist-seam', 'too-high'], 'from the seam to an elastic that is tied round the waist'],
  [['waist-seam', 'too-low'], 'from the seam to an elastic that is tied round the waist'],
  [['knee', 'too-high'], 'waist to knee on the body, less the same on the piece'],
  [['knee', 'too-low'], 'waist to knee on the body, less the same on the piece'],
  [['hem', 'too-high'], 'the difference of the distances to the floor'],
  [['hem', 'too-low'], 'the difference of the distances to the floor'],
  [['hem', 'too-long'], 'the difference of the distances to the floor'],
  [['hem', 'too-short'], 'the difference of the distances to the floor'],
  [['too-tight'], 'the cloth that is missing all round'],
  [['too-loose'], 'what can be pinned out all round'],
  [['too-long'], 'what is to go, pinned up where it is too long'],
  [['too-short'], 'what is missing where it is too short'],
]

/** How the amount is measured for the sign that a wish names; null where it names none. */
export const takeAmount = (said: ReadonlySet<Concept>): string | null =>
  HOW.find(([seen]) => seen.every((word) => said.has(word)))?.[1] ?? null
