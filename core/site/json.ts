import { refuse, type Answer } from '../answers'

/** Keys that would reach into the language instead of the document. */
const HOSTILE = new Set(['__proto__', 'constructor', 'prototype'])
/** A document is a dozen levels deep; what is far deeper is none, and would only exhaust whoever walks it. */
const MOST_DEEP = 100

/** Reads JSON that comes from outside. Nothing that it can hold throws; keys that reach into the language are dropped. */
export function readJson(text: string): Answer<{ json: unknown }> {
  const plain = text.replace(/^\uFEFF/, '')
  const begin = plain.trim().slice(0, 40)
  if (!begin) return refuse('This file is empty.')
  if (isTooDeep(plain)) return refuse(`This is not a site file: its brackets stand more than ${MOST_DEEP} deep.`)
  try {
    return { ok: true, json: JSON.parse(plain, (key, value) => (HOSTILE.has(key) ? undefined : value)) }
  } catch {
    return refuse(`This is not a site file: it is not JSON. It begins “${begin}”.`)
  }
}

/** True where brackets outside of texts stand deeper in each other than any document's. */
export function isTooDeep(text: string): boolean {
  let [deep, inText] = [0, false]
  for (let at = 0; at < text.length; at++) {
    const letter = text[at]!
    if (inText) {
      if (letter === '\\') at++
      else if (letter === '"') inText = false
    } else if (letter === '"') inText = true
    else if (letter === '{' || letter === '[') {
      if (++deep > MOST_DEEP) return true
    } else if (letter === '}' || letter === ']') deep--
  }
  return false
}
