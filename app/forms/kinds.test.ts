import { readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { ENTRY_KINDS, kindRule, type Entry, type Scope } from '#core'
import { checkEntry } from '#shared/dto'
import { sayEntry, sayKind, typedOf } from '../words/entries'
import { formOf } from './forms'

const FOLDERS = { core: '../../core/ledger/kinds', checks: '../../shared/dto/kinds', words: '../words/kinds', forms: './kinds' }
const inFolder = (path: string) => readdirSync(fileURLToPath(new URL(path, import.meta.url))).filter(f => f !== 'index.ts').map(f => f.replace(/\.ts$/, '')).sort()
const SCOPES: Record<Scope['level'], Scope> = {
  build: { level: 'build' }, bank: { level: 'bank', bank: 1 }, head: { level: 'head', head: 1 }, cylinder: { level: 'cylinder', cylinder: 1 },
  valve: { level: 'valve', cylinder: 1, valve: 'intake' }, port: { level: 'port', cylinder: 1, port: 'exhaust' }
}
const OTHER = 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90'

describe('every kind of entry', () => {
  it.each(Object.entries(FOLDERS))('has a file of its name in %s', (_, path) => expect(inFolder(path)).toEqual([...ENTRY_KINDS].sort()))
  it.each(ENTRY_KINDS)('%s is let in as its own example, for each thing it may be about, and said in words', (kind) => {
    const rule = kindRule(kind)
    for (const level of Object.keys(SCOPES) as Scope['level'][]) {
      const entry = { at: '2026-03-09T08:00:00.000Z', hand: 'ML', kind, v: 1, scope: SCOPES[level], body: rule.example(), ...(rule.takesPlace ? { supersedes: OTHER } : {}), ...(rule.pictured ? { photos: ['a'.repeat(64)] } : {}) }
      const checked = checkEntry(entry)
      const wanted = rule.scopes.includes(level) && !(kind === 'pour' && level === 'build')
      expect(checked.ok ? [] : checked.fields.map(f => f.path), level).toEqual(wanted ? [] : ['scope'])
    }
    const entry = { id: 'a', build: 'b', seq: 1, at: '', hand: 'ML', kind, v: 1, scope: SCOPES[rule.scopes[0]!], body: rule.example() } as unknown as Entry
    expect(sayEntry(entry, 'in')).not.toMatch(/undefined|NaN|\[object|^$/)
    expect(typedOf(entry) ?? '').not.toMatch(/undefined|NaN|\[object/)
    expect(sayKind(kind)).toMatch(/^[A-Z][a-z]/)
    expect(['sheet', 'pour', 'shape', 'ports', 'cut', 'mockup', 'flow', 'papers', 'daybook']).toContain(rule.at(entry.body).station)
    // What a field of the plain form puts in is a field of the body.
    for (const { name } of formOf(kind).fields ?? []) {
      const body = { ...rule.example() as object, [name]: [] }
      const checked = checkEntry({ at: '2026-03-09T08:00:00.000Z', hand: 'ML', kind, v: 1, scope: entry.scope, body })
      expect(checked.ok ? '' : checked.fields.find(f => f.path === `body.${name}`)?.sentence ?? '', name).not.toMatch(/^$|not known here/)
    }
  })
})
