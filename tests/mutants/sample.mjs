// A sample of small faults, each put into a copy of the core by itself, for folders whose tests Stryker slows down too much
// (all its faults stand in one source, and every loop asks which is on): node tests/mutants/sample.mjs FOLDER COUNT [SEED]
import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, readFileSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { resolve } from 'node:path'
import ts from 'typescript'

const [folder, count, seed = '1'] = process.argv.slice(2)
const copy = resolve('.stryker/sample')
rmSync(copy, { recursive: true, force: true })
mkdirSync(copy, { recursive: true })
for (const part of ['core', 'shared', 'demo', 'simulator', 'tests/support', 'package.json', 'vitest.mutate.config.ts', ...readdirSync('.').filter(name => /^tsconfig.*\.json$/.test(name))]) cpSync(part, `${copy}/${part}`, { recursive: true })
for (const part of ['node_modules', '.nuxt']) symlinkSync(resolve(part), `${copy}/${part}`)

const { SyntaxKind: K } = ts
const OTHERS = new Map([
  [K.PlusToken, '-'], [K.MinusToken, '+'], [K.AsteriskToken, '/'], [K.SlashToken, '*'], [K.LessThanToken, '<='], [K.LessThanEqualsToken, '<'], [K.GreaterThanToken, '>='],
  [K.GreaterThanEqualsToken, '>'], [K.AmpersandAmpersandToken, '||'], [K.BarBarToken, '&&'], [K.EqualsEqualsEqualsToken, '!=='], [K.ExclamationEqualsEqualsToken, '===']
])
const SWAPPED = { 'Math.min': 'Math.max', 'Math.max': 'Math.min', 'Math.sin': 'Math.cos', 'Math.cos': 'Math.sin' }

/** Every place in a file where a small fault can be put, and what is put there. */
function faultsIn(name) {
  const text = readFileSync(`${copy}/core/${folder}/${name}`, 'utf8')
  const found = []
  const put = (node, to) => found.push({ name, text, from: node.getStart(), end: node.getEnd(), was: node.getText(), to })
  const visit = (node) => {
    if (ts.isBinaryExpression(node) && OTHERS.has(node.operatorToken.kind)) put(node.operatorToken, OTHERS.get(node.operatorToken.kind))
    const condition = ts.isConditionalExpression(node) ? node.condition : ts.isIfStatement(node) ? node.expression : undefined
    if (condition) for (const to of ['true', 'false']) put(condition, to)
    if (ts.isPropertyAccessExpression(node) && Object.hasOwn(SWAPPED, node.getText())) put(node, SWAPPED[node.getText()])
    if (ts.isPrefixUnaryExpression(node) && node.operator === K.MinusToken && !ts.isNumericLiteral(node.operand)) put(node, node.operand.getText())
    if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression) && node.expression.name.text === 'filter') put(node, node.expression.expression.getText())
    ts.forEachChild(node, visit)
  }
  visit(ts.createSourceFile(name, text, ts.ScriptTarget.Latest, true))
  return found
}

const faults = readdirSync(`${copy}/core/${folder}`).filter(name => name.endsWith('.ts') && !/\.(test|bench)\.ts$|^index\.ts$/.test(name)).flatMap(faultsIn)
let state = Number(seed)
const drawn = faults.map(fault => [state = (state * 1664525 + 1013904223) % 2 ** 32, fault]).sort(([a], [b]) => a - b).slice(0, Number(count)).map(([, fault]) => fault)
/** In threads, so that a fault that never ends goes with its process. */
const passes = () => spawnSync(process.execPath, ['node_modules/vitest/vitest.mjs', 'run', '--config', 'vitest.mutate.config.ts', '--bail', '1', '--pool', 'threads'], { cwd: copy, env: { ...process.env, BOWL_MUTATE: folder }, timeout: 240_000, killSignal: 'SIGKILL' }).status === 0
if (!passes()) throw new Error(`the tests of core/${folder} fail without any fault`)
let noticed = 0
for (const { name, text, from, end, was, to } of drawn) {
  const file = `${copy}/core/${folder}/${name}`
  writeFileSync(file, text.slice(0, from) + to + text.slice(end))
  if (passes()) {
    const line = text.slice(0, from).split('\n').length
    console.log(`survived: core/${folder}/${name}:${line}  ${was.slice(0, 60)} → ${to.slice(0, 60)}\n    ${text.split('\n')[line - 1].trim()}`)
  } else noticed++
  writeFileSync(file, text)
}
console.log(`core/${folder}: ${noticed} of ${drawn.length} noticed (${Math.round(100 * noticed / drawn.length)} %), out of ${faults.length} places`)
rmSync(copy, { recursive: true, force: true })
