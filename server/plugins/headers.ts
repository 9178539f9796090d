import { policyFor, SAFE_HEADERS } from '../utils/policy'

/** Every answer carries the safe headers, files and refusals too; a page lets its own inline script run by its hash. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', (event) => {
    // What is set by the framework later, about itself, is left out.
    event.node.res.setHeader = withoutPoweredBy(event.node.res.setHeader.bind(event.node.res))
    for (const [name, value] of Object.entries(SAFE_HEADERS)) event.node.res.setHeader(name, value)
  })
  nitro.hooks.hook('render:response', (response) => {
    if (typeof response.body !== 'string') return
    response.headers = { ...response.headers, 'content-security-policy': policyFor(response.body) }
  })
})

type SetHeader = (name: string, value: number | string | readonly string[]) => never

const withoutPoweredBy =
  (set: SetHeader): SetHeader =>
  (name, value) =>
    name.toLowerCase() === 'x-powered-by' ? (undefined as never) : set(name, value)
