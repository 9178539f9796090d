/** How far a batch is, with a row for each fit that is done; DELETE stops it and forgets it. */
export default defineEventHandler((event) => {
  const id = getRouterParam(event, 'id')!
  if (event.method === 'DELETE') {
    if (!batches.delete(id)) return refuseRequest(event, 404, 'unknown', 'there is no such batch.')
    setResponseStatus(event, 204)
    return null
  }
  if (!isFetch(event)) return refuseMethod(event)
  return batches.state(id) ?? refuseRequest(event, 404, 'unknown', 'there is no such batch.')
})
