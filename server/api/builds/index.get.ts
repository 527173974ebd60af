import { nextMove, replay, type Entry } from '#core'
import type { BuildSummary } from '#shared/dto'
import { listBuilds, type BuildRow } from '../../db/builds'
import { listEntries } from '../../db/entries'
import { api, by } from '../../http/api'

function summary(build: BuildRow, entries: Entry[]): BuildSummary {
  const replayed = replay(entries)
  const ratios = replayed?.asIs.flatMap(state => state.ratio?.value.value ?? []) ?? []
  const target = replayed?.target?.body
  return {
    id: build.id, name: build.name, reference: build.reference, entries: entries.length,
    lastAt: entries.at(-1)?.at ?? null,
    cylinders: replayed?.layout.cylinders.length ?? 0,
    ratio: ratios.length > 0 ? { low: Math.min(...ratios), high: Math.max(...ratios) } : null,
    target: target ? { ratio: target.ratio.value, tolerance: target.tolerance.value } : null,
    next: nextMove(replayed)
  }
}

export default api(async () => {
  const builds = await listBuilds(by())
  return Promise.all(builds.map(async build => summary(build, await listEntries(by(), build.id))))
})
