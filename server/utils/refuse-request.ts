import type { H3Event } from 'h3'

/** Is it only asked for something? */
export const isFetch = (event: H3Event): boolean => event.method === 'GET' || event.method === 'HEAD'

/** Answers with a status and a sentence, as JSON: for programs and for people who look. */
export function refuseRequest(event: H3Event, status: number, code: string, message: string) {
  setResponseStatus(event, status)
  setHeader(event, 'content-type', 'application/json')
  return { ok: false, problem: { code, where: event.path.split('?')[0]!.slice(0, 200), message } }
}

export function refuseMethod(event: H3Event) {
  setHeader(event, 'allow', 'GET, HEAD')
  return refuseRequest(event, 405, 'method', 'it can only be fetched.')
}
