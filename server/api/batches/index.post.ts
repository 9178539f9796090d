import { readBatch, said } from '../../many/batches'

/** Begins a batch of fits (docs/formats.md): garments for wearers, worked off beside others, kept until fetched. */
export default defineEventHandler(async (event) => {
  // Only a page of this server, or a program, sends this: another site's form cannot.
  if (!(getHeader(event, 'content-type') ?? '').startsWith('application/json'))
    return refuseRequest(event, 415, 'type', 'a batch is sent as application/json.')
  const body: unknown = await readBody(event).catch(() => null)
  const asked = readBatch(body)
  if (!asked.ok) return refuseRequest(event, 400, asked.problem.code, said(asked.problem))
  const begun = batches.begin(asked.value, new Date().toISOString().slice(0, 10))
  if (!begun.ok) return refuseRequest(event, 507, begun.problem.code, said(begun.problem))
  setResponseStatus(event, 202)
  return begun.value
})
