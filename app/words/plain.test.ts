import { readFileSync, readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

/** Words that nobody is to read, as docs/words.md lists them. */
const NEVER = /```text\n([\s\S]*?)```/.exec(readFileSync('docs/words.md', 'utf8'))![1]!.trim().split('\n')
const sources = ['app', 'shared', 'server'].flatMap(folder => readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter(f => /\.(vue|ts)$/.test(f) && !/\.test\.ts$/.test(f)).map(f => `${folder}/${f}`))
/** What may be said: a file without its comments and its own names. */
const said = (text: string) => text.replace(/<!--[\s\S]*?-->|\/\*[\s\S]*?\*\/|(?<![:\w'"`])\/\/[^\n]*/g, '')

describe('what the application says', () => {
  it('is in none of the words that stumbled', () => {
    const found = sources.flatMap((file) => {
      const text = said(readFileSync(file, 'utf8'))
      return NEVER.filter(word => text.includes(word)).map(word => `${file}: ${word}`)
    })
    expect(NEVER.length).toBeGreaterThan(20)
    expect(found).toEqual([])
  })
  it('says a caution as whole sentences', () => {
    const cautions = sources.flatMap(file => [...said(readFileSync(file, 'utf8')).matchAll(/class="caution[^"]*"[^>]*>([^<{]+)</g)].map(m => m[1]!.trim())).filter(Boolean)
    expect(cautions.length).toBeGreaterThan(5)
    for (const caution of cautions) expect(caution).toMatch(/^[A-Z].*[.:]$/)
  })
})
