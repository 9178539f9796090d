/** What a route takes in one request, at most: strokes for the plotter. What is larger is refused before it is read, bytes. */
const LONGEST_BODY = 65_536
/** A batch: a project file with its garments in all sizes, and a table of wearers, bytes. */
const LONGEST_BATCH = 40_000_000

/** Pages and files are only fetched; what a request sends is limited. The routes under /api look to their own methods. */
export default defineEventHandler((event) => {
  const length = Number(getHeader(event, 'content-length') ?? 0)
  const most = event.path === '/api/batches' ? LONGEST_BATCH : LONGEST_BODY
  if (!(length <= most) || getHeader(event, 'transfer-encoding'))
    return refuseRequest(event, 413, 'too-large', 'so much is not taken in at once here.')
  if (!event.path.startsWith('/api/') && !isFetch(event)) return refuseMethod(event)
})
