import { FLOW_FILE_LIMIT, readFlowFile } from '#shared/files/flowFile'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'

/**
 * Runs or rows out of a file: a table of whole runs is kept at once, each once; rows alone go into the field.
 *
 * @param text the field that rows are typed in
 */
export function useFlowFile(text: Ref<string>) {
  const build = useBuild()
  const told = ref('')
  async function take(files: File | File[] | null) {
    const file = Array.isArray(files) ? files[0] : files
    told.value = ''
    if (!file || !build.replayed || !build.view) return
    if (file.size > FLOW_FILE_LIMIT) {
      told.value = 'That is too large for a file of runs: 2 MB at most.'
      return
    }
    const { id: of } = build.view
    const content = await file.text()
    // Another build was opened meanwhile: the file was not for that one.
    if (build.view?.id !== of) return
    if (!/depression_pa/i.test(content.slice(0, 400))) {
      text.value = content
      return
    }
    const found = readFlowFile(content, build.replayed.layout, of, new Date().toISOString())
    if (typeof found === 'string') {
      told.value = found
      return
    }
    // What came in before is there, whatever became of it since.
    const fresh = found.filter(run => !build.byId.has(run.id) && !build.byId.has(run.left))
    const here = found.length - fresh.length
    const runs = (count: number) => `${count} ${count === 1 ? 'run' : 'runs'}`
    const fault = notKept(await build.addAll(fresh.map(({ id, scope, at, body }) => ({ kind: 'flowRun', id, scope, body, more: { at } }))))
    told.value = fault ?? `${runs(fresh.length)} came in${here > 0 ? `, ${runs(here)} ${here === 1 ? 'was' : 'were'} here already` : ''}.`
  }
  return { take, told }
}
