import { Plotter, PlotRequestSchema, PlotterRefusal, TROUBLES } from '../utils/plotter'

const plotter = new Plotter()
const STATUS = { busy: 409, 'out-of-paper': 409, 'out-of-step': 409, 'cut-off': 503, wrong: 400 } as const

/**
 * The simulated plotter. GET: its state, with `?since=` also what it has drawn since so many strokes. POST: strokes of a plot, or
 * `{ "trouble": "busy" }`, which is what somebody at the machine does to it.
 */
export default defineEventHandler(async (event) => {
  if (isFetch(event)) {
    const since = Number(getQuery(event).since)
    return { ...plotter.state(), ...(Number.isInteger(since) && since >= 0 ? { drawing: plotter.drawing(since) } : {}) }
  }
  if (event.method !== 'POST') return refuseMethod(event)
  const body: unknown = await readBody(event).catch(() => null)
  const trouble = typeof body === 'object' && body !== null && 'trouble' in body ? TROUBLES.find((t) => t === body.trouble) : undefined
  if (trouble) return plotter.setTrouble(trouble)
  const request = PlotRequestSchema.safeParse(body)
  if (!request.success) return refuseRequest(event, 400, 'wrong', 'these are no strokes of a plot.')
  try {
    return plotter.take(request.data)
  } catch (error) {
    if (error instanceof PlotterRefusal) return refuseRequest(event, STATUS[error.code], error.code, error.message)
    throw error
  }
})
