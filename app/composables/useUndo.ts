import { v4 as uuid } from 'uuid'
import { restoring } from '#core'
import { notKept } from './useStatement'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useDrafts } from '~/stores/drafts'
import { useHistory, type Step } from '~/stores/history'
import { sayEntry } from '~/words/entries'

/** Takes back what this hand did last, and does again what it took back: entries by entries of their own, drawings as they were. */
export function useUndo() {
  const build = useBuild()
  const device = useDevice()
  const drafts = useDrafts()
  const history = useHistory()
  const said = ref('')
  let last: Promise<void> = Promise.resolve()

  function words(step: Step | undefined): string {
    if (!step) return ''
    if ('draft' in step) return 'the last step of the drawing'
    // What an undoing took the place of is what the hand knows it by.
    const entry = build.byId.get(step.entries[0]!)
    const meant = entry?.kind === 'void' ? build.byId.get(entry.supersedes ?? '') ?? entry : entry
    return meant ? `${sayEntry(meant, device.lengths)}${step.entries.length > 1 ? ` and ${step.entries.length - 1} more` : ''}` : ''
  }

  /** One after the other: a hand that presses again before the shop has answered means the step before. */
  const turn = (from: 'done' | 'undone') => last = last.catch(() => undefined).then(() => turnOne(from))

  async function turnOne(from: 'done' | 'undone'): Promise<void> {
    const step = history[from].at(-1)
    if (!step) return
    const what = words(step)
    const verb = from === 'done' ? 'Undone' : 'Done again'
    if ('draft' in step) {
      const [was, to] = from === 'done' ? [step.after, step.before] : [step.before, step.after]
      // A drawing that was kept or dropped since has no step to go back to.
      if ((drafts.get(step.draft) ?? '') === was) {
        drafts.set(step.draft, to)
        history.moved(from, step)
        said.value = `${verb}: ${what}.`
      } else {
        history.moved(from)
        await turnOne(from)
      }
      return
    }
    const list = restoring(build.entries, step.entries, uuid)
    if (!list) {
      history.moved(from)
      said.value = 'Somebody has changed that since: look in the Daybook.'
      return
    }
    const sending = build.addAll(list.map(({ id, kind, scope, body, ...more }) => ({ id, kind, scope, body, more }) as ToAdd), false)
    // Moved before the shop has answered, as the screen shows it: a reload meanwhile finds it so.
    const turned = { entries: list.map(({ id }) => id) }
    history.moved(from, turned)
    const fault = notKept(await sending)
    if (fault) history.movedBack(from, turned, step)
    said.value = fault ?? `${verb}: ${what}.`
  }
  return { undoing: computed(() => words(history.done.at(-1))), redoing: computed(() => words(history.undone.at(-1))), undo: () => turn('done'), redo: () => turn('undone'), said }
}
