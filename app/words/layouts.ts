import type { Bodies } from '#core'

/** How the heads of an engine can lie, as it is asked. */
export const LAYOUTS = { oneHead: 'one head', twoBanks: 'two banks, a head each', oneEach: 'one head a cylinder' } as const
export type LayoutName = keyof typeof LAYOUTS

/** The layout statement for a number of cylinders. Two banks: the first half of the numbers is bank 1. */
export function layoutBody(cylinders: number, layout: LayoutName): Bodies['layout'] {
  const all = Array.from({ length: cylinders }, (_, i) => i + 1)
  if (layout === 'oneEach') return { heads: all.map(c => [c]), banks: [all] }
  if (layout === 'twoBanks' && cylinders > 1) {
    const half = Math.ceil(cylinders / 2)
    const banks = [all.slice(0, half), all.slice(half)]
    return { heads: banks, banks }
  }
  return { heads: [all], banks: [all] }
}
