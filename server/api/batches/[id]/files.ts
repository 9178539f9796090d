/** All files of a batch as one zip, once it is done. */
export default defineEventHandler((event) => {
  if (!isFetch(event)) return refuseMethod(event)
  const id = getRouterParam(event, 'id')!
  const state = batches.state(id)
  if (!state) return refuseRequest(event, 404, 'unknown', 'there is no such batch.')
  const file = batches.fetch(id)
  if (!file) return refuseRequest(event, 409, 'working', `${state.done} of ${state.of} fits are done: ask again later.`)
  setHeaders(event, { 'content-type': 'application/zip', 'content-disposition': 'attachment; filename="fits.zip"' })
  return file
})
