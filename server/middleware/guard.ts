/** What a route takes in one request, at most: strokes for the plotter. What is larger is refused before it is read, bytes. */
const LONGEST_BODY = 65_536

/** Pages and files are only fetched; what a request sends is limited. The routes under /api look to their own methods. */
export default defineEventHandler((event) => {
  const length = Number(getHeader(event, 'content-length') ?? 0)
  if (!(length <= LONGEST_BODY) || getHeader(event, 'transfer-encoding'))
    return refuseRequest(event, 413, 'too-large', 'so much is not taken in at once here.')
  if (!event.path.startsWith('/api/') && !isFetch(event)) return refuseMethod(event)
})
