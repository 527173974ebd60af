import { isOperation, type Figure, type OperationEntry } from '#core'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'

/** Planned work that is done or dropped, together where it was planned together; `said`: what the shop answered where it was not kept. */
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
  return { finish, said }
}
