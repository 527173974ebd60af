import type { CylinderState, Entry, Part, PartName } from '#core'
import { digits } from '#shared/figures'

/** What the parts of the clearance volume are called. */
export const PART_WORDS: Record<PartName, string> = {
  chamber: 'Chamber', gasket: 'Gasket', deck: 'Deck', crown: 'Crown', crevice: 'Crevice', other: 'Other'
}

const v = (part: Part | undefined, decimals = 2) => part ? digits(part.estimate.value, decimals) : '?'

/** The formula of a cylinder's ratio with its numbers in it. */
export function ratioFormula(state: CylinderState): string {
  return `(swept + clearance) / clearance = (${v(state.swept)} + ${v(state.clearance)}) / ${v(state.clearance)}`
}

/** The sum of the clearance volume with its numbers in it. */
export function clearanceFormula(state: CylinderState): string {
  const terms = (Object.keys(PART_WORDS) as PartName[]).filter(name => state.parts[name] && (name !== 'other' || state.parts.other!.estimate.value !== 0))
  return terms.map(name => `${PART_WORDS[name].toLowerCase()} ${v(state.parts[name])}`).join(' + ').replaceAll('+ −', '− ')
}

/** How each part of the stack is reckoned, in words and signs. */
const PART_FORMULAS: Record<PartName, string> = {
  chamber: 'the mean of the pours; carried over later cuts by what a depth takes × depth',
  gasket: 'π/4 × gasket bore² × thickness / 1000; or the area of its outline × thickness / 1000',
  deck: 'π/4 × bore² × deck clearance / 1000',
  crown: '+ what a dish or pockets hold, − what a dome takes',
  crevice: 'π/4 × (bore² − crown diameter²) × top land height / 1000',
  other: 'as stated'
}

type Look = (id: string) => Entry | undefined

/** Whether a part is what an assembled pour leaves over for it; `entry` looks an entry up by its id. */
export const isLeftOver = (part: Part | undefined, entry: Look): boolean => part?.entries.some((id) => {
  const found = entry(id)
  return found?.kind === 'pour' && found.body.encloses === 'assembled'
}) ?? false

/** How a part of a cylinder's stack is reckoned. */
export const partFormula = (name: PartName, part: Part | undefined, entry: Look): string =>
  isLeftOver(part, entry) ? 'the whole as it was poured assembled, less the rest of the stack' : PART_FORMULAS[name]
