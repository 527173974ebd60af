// Writes what a soak came to into docs/reliability.md, in place of what the last one did: soakReport.mjs FILE COMMIT
import { readFileSync, writeFileSync } from 'node:fs'

const [file, commit] = process.argv.slice(2)
const DOC = 'docs/reliability.md'
const [FROM, TO] = ['<!-- figures -->', '<!-- /figures -->']
const lines = readFileSync(file, 'utf8').trim().split('\n').map(line => JSON.parse(line))
const rows = lines.map(({ what, figures }) => `| ${what} | ${Object.entries(figures).map(([name, value]) => `${name} ${value}`).join(', ')} |`)
const date = new Date().toISOString().slice(0, 10)
const table = [FROM, '', `Soaked on ${date} at commit \`${commit}\`, two cores.`, '', '| what | figures |', '| --- | --- |', ...rows, '', TO].join('\n')
const doc = readFileSync(DOC, 'utf8')
writeFileSync(DOC, doc.slice(0, doc.indexOf(FROM)) + table + doc.slice(doc.indexOf(TO) + TO.length))
