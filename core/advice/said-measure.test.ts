import { expect, it } from 'vitest'
import { demoWardrobe } from '../../demo/wardrobe'
import { contextOf } from '../changes'
import { DEFAULT_TOLERANCES } from '../match'
import { finishedMm, findZones } from '../measure'
import { answerWish } from './answer-wish'

const { projects, wearers } = demoWardrobe(new Date('2026-03-01'))
const project = projects.find((p) => p.id === 'demo-tapered')!
const wearer = wearers.find((w) => w.id === project.wearerId) ?? null
const context = contextOf(project.garment, project, wearer, DEFAULT_TOLERANCES)
const whyOf = (text: string) => {
  const answer = answerWish(text, 'in', project.garment, context)
  return answer.how === 'does' ? 'done' : `${answer.how}: ${answer.why}`
}
const openingMm = finishedMm(
  project.garment,
  findZones(project.garment).find((z) => z.id === 'leg-opening')!,
  context.sizeId,
)

it('what measures so already is said to, and nothing is offered', () => {
  expect(whyOf(`leg opening ${openingMm.toFixed(2)} mm`)).toMatch(/^nothing: The leg opening measures .* already/)
  expect(whyOf(`leg opening ${(openingMm + 20).toFixed(2)} mm`)).toMatch(/^asks/)
})

it('what is not measured on the pieces is said not to be, with what can be said instead', () => {
  expect(whyOf('calf 15')).toMatch(/^nothing: The calf is not measured on these pieces. Say how much more or less/)
})
