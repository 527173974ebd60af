import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'

const packages = JSON.parse(readFileSync('package.json', 'utf8')) as Record<'dependencies' | 'devDependencies', Record<string, string>>
const doc = readFileSync('docs/dependencies.md', 'utf8')

it('every package is listed with its version, its licence and why it is here', () => {
  const listed = [...doc.matchAll(/^\| (\S+) \| (\d\S*) \| (\S+) \| (.{5,}) \|$/gm)].map(([, name, version, licence]) => [name, version, licence])
  const wanted = Object.entries({ ...packages.dependencies, ...packages.devDependencies })
    .map(([name, version]) => [name, version, (JSON.parse(readFileSync(`node_modules/${name}/package.json`, 'utf8')) as { license: string }).license])
  expect(listed).toEqual(wanted)
})
