import type { FieldProblem } from './problem'

/** How deep anything that comes in may be nested: a chamber's drawing, the deepest there is, needs seven. */
const DEEPEST = 24

/**
 * Characters no text may hold: controls but the line's end and the tab, halves of a pair, and those that turn the
 * direction of writing round (what is read would not be what is stored).
 */
const UNPRINTABLE = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]|\p{Cs}/u // eslint-disable-line no-control-regex -- they are what is looked for

/** What is wrong with a text wherever it goes in, if anything. */
export function textFault(text: string): string | undefined {
  const found = UNPRINTABLE.exec(text)
  if (!found) return undefined
  const code = found[0].codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')
  return `There is a character in it that can’t be printed (U+${code}): type it again without it.`
}

/** Whether something is an object with fields: no list, no null. */
export const isFields = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * What is wrong with anything out of JSON before its fields are even looked at: nested without end, names that would
 * reach an object's workings, text that can't be kept.
 *
 * @param plain what came in
 * @param path where it stands
 */
export function plainFault(plain: unknown, path = ''): FieldProblem | undefined {
  // Walked with a list of its own: something nested ten thousand deep must not use up the stack.
  const open: { value: unknown, path: string, depth: number }[] = [{ value: plain, path, depth: 0 }]
  for (let here = open.pop(); here; here = open.pop()) {
    const { value, path, depth } = here
    if (typeof value === 'string') {
      const sentence = textFault(value)
      if (sentence) return { path, sentence }
    }
    if (typeof value !== 'object' || value === null) continue
    if (depth > DEEPEST) return { path: path.slice(0, 80), sentence: 'This is nested deeper than anything here can be.' }
    if (Array.isArray(value)) {
      for (let i = value.length - 1; i >= 0; i--) open.push({ value: value[i], path: `${path}[${i}]`, depth: depth + 1 })
      continue
    }
    for (const key of Object.keys(value).reverse()) {
      const at = path ? `${path}.${key.slice(0, 40)}` : key.slice(0, 40)
      if (key === '__proto__' || key === 'constructor' || key === 'prototype' || textFault(key)) return { path: textFault(key) ? path : at, sentence: `“${textFault(key) ? 'A field' : key}” is not known here.` }
      open.push({ value: (value as Record<string, unknown>)[key], path: at, depth: depth + 1 })
    }
  }
  return undefined
}
