import { policyFor, policyOfFile, SAFE_HEADERS } from '../utils/policy'

/** Every answer carries the safe headers, files and refusals too; a page lets its own inline script run by its hash. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', (event) => {
    // What is set by the framework later, about itself, is left out.
    const { res } = event.node
    const set = res.setHeader.bind(res)
    res.setHeader = (name, value) => (name.toLowerCase() === 'x-powered-by' ? res : set(name, value))
    for (const [name, value] of Object.entries(SAFE_HEADERS)) res.setHeader(name, value)
    res.setHeader('content-security-policy', policyOfFile(event.path))
  })
  nitro.hooks.hook('render:response', (response) => {
    if (typeof response.body !== 'string') return
    response.headers = { ...response.headers, 'content-security-policy': policyFor(response.body) }
  })
})
