import { isOperation, pouredFirst, stopsOf, type Figure, type OperationEntry } from '#core'
import { useGlass } from './useGlass'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'

/** Planned work that is done or dropped, together where it was planned together, and where the glass stops at it; `said`: what the shop answered where it was not kept. */
export function usePlanned() {
  const build = useBuild()
  const said = ref('')

  async function finish(ids: readonly string[], state: 'done' | 'dropped', measured?: Figure): Promise<string | undefined> {
    const operations = ids.flatMap((id): OperationEntry[] => {
      const entry = build.byId.get(id)
      return entry && isOperation(entry) ? [entry] : []
    })
    const fault = notKept(await build.addAll(operations.map(({ id, kind, scope, body }) => ({ kind, scope, body: { ...body, state, ...(measured ? { measured } : {}) }, more: { supersedes: id } }) as ToAdd)))
    said.value = fault ?? ''
    return fault
  }
  const { stopAt } = useGlass()
  /** Where the glass stands once work on a chamber is done; what is worked on a lathe has its rounds told beside this. */
  function stopOf({ id, scope }: OperationEntry): string | undefined {
    if (!build.replayed || scope.level !== 'cylinder' || pouredFirst(build.replayed.layout.engine) !== 'chamber') return undefined
    return stopAt(stopsOf(build.replayed, build.stages, scope.cylinder, 'chamber').find(({ stage }) => stage.operations.some(op => op.id === id))?.stop)
  }
  return { finish, stopOf, said }
}
