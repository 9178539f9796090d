import { randomUUID } from 'node:crypto'
import { answerAsTried, answerWish, layOnPlan, planFromBody, planWith } from '../../core/advice'
import { ChangeSchema, contextAfter, findKind, foldPlan, withId, type Change } from '../../core/changes'
import { stopsOf } from '../../core/formats'
import { issueWords } from '../../core/issue-words'
import { unitsOf, writeLengths } from '../../core/units'
import { workedOn, type Opened } from './answers'
import { BadInput, readBytes, sentence } from './bad-input'
import type { Options } from './read-arguments'

async function readChanges(file: string): Promise<Change[]> {
  let data: unknown
  try {
    data = JSON.parse(new TextDecoder().decode(await readBytes(file)))
  } catch (error) {
    if (error instanceof BadInput) throw error
    throw new BadInput(`${file} is not whole JSON.`)
  }
  return (Array.isArray(data) ? data : [data]).map((one, i) => {
    const read = ChangeSchema.safeParse({ id: `added-${i + 1}`, on: true, note: '', ...(one as object) })
    if (!read.success)
      throw new BadInput(
        `${file}, change ${i + 1}, ${read.error.issues[0]!.path.join('.') || 'kind'}: ${issueWords(read.error.issues[0]!)}.`,
      )
    return read.data
  })
}

/** What is understood of a typed wish on the pieces as the plan leaves them, as the page says it. */
export function readSaid({ folded, context, ruler }: Opened, text: string) {
  const now = contextAfter(folded, context)
  return answerAsTried(answerWish(text, unitsOf(ruler), folded.garment, now), folded.garment, now).answer
}

/** The change that a wish means, where it means one and says how much. */
function changeSaid(opened: Opened, text: string): Change {
  const answer = readSaid(opened, text)
  const words = (said: string) => writeLengths(said, opened.ruler)
  if (answer.how === 'does' && !answer.offer.asksAmount) return withId(answer.offer.change, randomUUID())
  if (answer.how === 'does') {
    const { kind, inputs } = answer.offer.change
    const { title } = findKind(kind)!.describe(opened.folded.garment, inputs)
    throw new BadInput(`--say “${text}”: ${title}; say by how much${answer.measure ? `: ${words(answer.measure)}` : ''}.`)
  }
  const offers = answer.how === 'asks' ? answer.offers.map((o) => ` - ${words(o.sentence)}`) : []
  throw new BadInput([`--say “${text}”: ${answer.why ? words(answer.why) : 'nothing was said.'}`, ...offers].join('\n'))
}

/** A plan as the wearer's figures ask for it: new stops where they belong, others set anew or dropped. */
function planAsked(opened: Opened): Change[] {
  const { project, context } = opened
  if (!context.body) throw new BadInput('--from-body: the fit has no wearer with figures.')
  const { own, garment } = workedOn(opened)
  const laid = layOnPlan(planFromBody(garment, context, own).stops, stopsOf(project))
  const set = new Map(laid.flatMap((l) => (l.how === 'set' ? [[l.change.id, l.change] as const] : [])))
  return [...project.mends.map((c) => set.get(c.id) ?? c), ...planWith(laid, project.plan, randomUUID).plan]
}

/**
 * A fit with what is added on the command line: the plan from the body first, then changes from a file, then typed wishes. All of it or
 * nothing.
 *
 * @param plan its stops, those for everybody first
 * @throws BadInput where a change is refused or a wish is not clear
 */
export async function withAdded(opened: Opened, plan: readonly Change[], options: Options): Promise<{ opened: Opened; plan: Change[] }> {
  const folded = (stops: readonly Change[], now: Opened): Opened => ({
    ...now,
    folded: foldPlan(now.project.garment, stops, now.context, now.folded),
  })
  const added = (now: Opened, stops: readonly Change[], more: readonly Change[]) => {
    const next = folded([...stops, ...more], now)
    const refused = next.folded.stops.slice(stops.length).find((s) => s.problem)
    if (refused) throw new BadInput(sentence(refused.problem!, now.ruler))
    return { opened: next, plan: [...stops, ...more] }
  }
  let now = { opened, plan: [...plan] }
  if (options['from-body']) {
    const asked = planAsked(opened)
    now = { opened: folded(asked, opened), plan: asked }
  }
  if (options.change !== undefined) now = added(now.opened, now.plan, await readChanges(options.change))
  for (const text of options.say ?? []) now = added(now.opened, now.plan, [changeSaid(now.opened, text)])
  return now
}
