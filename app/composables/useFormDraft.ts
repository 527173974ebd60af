import { asSet, type Figure, type QuantityRule } from '#core'
import { figureFault } from '#shared/dto'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'

/** A field that was emptied where something usual would stand: nothing, and not the usual. */
const EMPTIED = ' '

/**
 * A form whose fields are kept on this device until it is sent: a reload loses nothing of it.
 *
 * @param name of the form and of what it is about
 */
export function useFormDraft(name: () => string) {
  const build = useBuild()
  const drafts = useDrafts()
  const key = (field: string) => `${build.view?.id}/form/${name()}/${field}`
  const text = (field: string, usual = '') => computed({
    get: () => {
      const kept = drafts.get(key(field))
      return kept === EMPTIED ? '' : kept ?? usual
    },
    set: (to: string) => {
      if (to !== '') drafts.set(key(field), to)
      else if (usual === '') drafts.clear(key(field))
      else drafts.set(key(field), EMPTIED)
    }
  })
  /** Names in a row, as photographs have them. */
  const names = (field: string, usual: () => readonly string[] = () => []) => computed({
    get: () => text(field, usual().join()).value.split(',').filter(Boolean),
    set: (list: string[]) => text(field, usual().join()).value = list.join()
  })
  const figure = (field: string): Figure | undefined => {
    const kept = drafts.get(key(field))
    return kept === undefined || kept === EMPTIED ? undefined : JSON.parse(kept) as Figure
  }
  /** Whether a field was typed into, or emptied. */
  const touched = (field: string) => drafts.get(key(field)) !== undefined
  /** A field's figure, or the one that stands for it until one is typed; nothing once it was emptied. */
  const given = (field: string, usual?: Figure) => drafts.get(key(field)) === EMPTIED ? undefined : figure(field) ?? usual
  const part = (field: string, usual?: Figure) => asSet(given(field, usual)?.value)
  /** Empties a field that need not be filled in. */
  const empty = (field: string) => () => drafts.set(key(field), EMPTIED)
  const keep = (field: string, rule: QuantityRule, noun: string) => async (given: Figure): Promise<string | undefined> => {
    const fault = figureFault(given, { ...rule, noun })
    if (!fault) drafts.set(key(field), JSON.stringify(given))
    return fault
  }
  /** Sends what is in the form, see {@link useDrafts}: another thing's form that came to stand here meanwhile is left alone. */
  const sent = (fields: readonly string[], send: () => Promise<string | undefined>) => drafts.sent(fields.map(key), send)
  const clear = (fields: readonly string[]) => fields.forEach(field => drafts.clear(key(field)))
  return { key, text, names, figure, touched, given, part, empty, keep, sent, clear }
}
