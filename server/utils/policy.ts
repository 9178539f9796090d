import { createHash } from 'node:crypto'

/** What a page may load and run, by directive: nothing from outside, nothing inline that is not named by its hash. */
const RULES = {
  'default-src': "'self'",
  'script-src': "'self'",
  'style-src': "'self'",
  'img-src': "'self' data: blob:",
  'font-src': "'self'",
  'connect-src': "'self'",
  'worker-src': "'self'",
  'object-src': "'none'",
  'base-uri': "'none'",
  'form-action': "'self'",
  'frame-ancestors': "'none'",
}

/**
 * The content security policy of an answer.
 *
 * @param html a page, whose own inline scripts are let run by their hash; none for other files
 */
export function policyFor(html = ''): string {
  const inline = [...html.matchAll(/<script(?![^>]*\bsrc=)(?![^>]*\btype="application\/(?:ld\+)?json")[^>]*>([\s\S]*?)<\/script>/g)]
  const hashes = inline.map(([, script]) => `'sha256-${createHash('sha256').update(script!).digest('base64')}'`)
  const rules = { ...RULES, 'script-src': [RULES['script-src'], ...hashes].join(' ') }
  return Object.entries(rules)
    .map(([name, value]) => `${name} ${value}`)
    .join('; ')
}

/** The worker that reads words on pictures: its core is WebAssembly that ships with the application. */
const WORD_READER = /^\/_nuxt\/worker\.min[-.][\w-]+\.js$/

/** The policy of a file: the worker that reads words may run WebAssembly of its own, nothing else may. */
export const policyOfFile = (path: string): string =>
  WORD_READER.test(path)
    ? policyFor().replace(`script-src ${RULES['script-src']}`, `script-src ${RULES['script-src']} 'wasm-unsafe-eval'`)
    : policyFor()

/** Headers of every answer: types are what they say, no page is framed, no address is handed on. */
export const SAFE_HEADERS = {
  'content-security-policy': policyFor(),
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
}
