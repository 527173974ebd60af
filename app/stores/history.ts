import { useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { useDrafts } from './drafts'

/** Something this hand did: entries that were made together, or a change of what is being drawn. */
export type Step = { entries: string[] } | { draft: string, before: string, after: string }
interface Kept { build: string, done: Step[], undone: Step[] }

const NOTHING: Kept = { build: '', done: [], undone: [] }
/** More than a day's work is not taken back step by step. */
const MOST = 200
/** A drag is many changes of one drawing: those that follow each other sooner than this are one step, ms. */
const ONE_DRAG = 1000
/** A drawing's step has the whole drawing in it: no more than these are remembered. */
const MOST_DRAWN = 30

/** What this tab did on the build that is open, in order, so that it can be taken back and done again. It outlives a reload. */
export const useHistory = defineStore('history', () => {
  const kept = useSessionStorage<Kept>('bowl.history', NOTHING, { shallow: true })
  const drafts = useDrafts()
  let lastDraw = 0
  const done = computed(() => kept.value.done)
  const undone = computed(() => kept.value.undone)

  function opened(build: string) {
    if (kept.value.build !== build) kept.value = { ...NOTHING, build }
  }
  function did(step: Step) {
    const all = [...kept.value.done, step].slice(-MOST)
    const tooMany = all.filter(one => 'draft' in one).length - MOST_DRAWN
    let drawn = 0
    kept.value = { ...kept.value, done: tooMany > 0 ? all.filter(one => !('draft' in one) || ++drawn > tooMany) : all, undone: [] }
  }
  /** Writes a drawing's new state down, and remembers the one before. */
  function draw(draft: string, after: string) {
    const last = kept.value.done.at(-1)
    const now = Date.now()
    const before = drafts.get(draft) ?? ''
    drafts.set(draft, after)
    if (last && 'draft' in last && last.draft === draft && last.after === before && now - lastDraw < ONE_DRAG) kept.value = { ...kept.value, done: [...kept.value.done.slice(0, -1), { ...last, after }], undone: [] }
    else did({ draft, before, after })
    lastDraw = now
  }
  /** The last step is taken back, or done again, as `step` says it now; without one it is only forgotten. */
  const moved = (from: 'done' | 'undone', step?: Step) => {
    const to = from === 'done' ? 'undone' : 'done'
    kept.value = { ...kept.value, [from]: kept.value[from].slice(0, -1), ...(step ? { [to]: [...kept.value[to], step] } : {}) }
  }
  /** What was to move a step was refused: the step is where it was, and nothing took its place. */
  const movedBack = (from: 'done' | 'undone', turned: Step, step: Step) => {
    const to = from === 'done' ? 'undone' : 'done'
    kept.value = { ...kept.value, [to]: kept.value[to].filter(one => one !== turned), [from]: [...kept.value[from], step] }
  }
  /** What was refused never happened. */
  const forget = (entry: string) => kept.value = { ...kept.value, done: kept.value.done.filter(step => !('entries' in step && step.entries.includes(entry))) }
  return { done, undone, opened, did, draw, moved, movedBack, forget }
})
