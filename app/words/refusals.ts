import { say, type LengthUnit } from '#shared/figures'

const BOUNDS = /^(-?[\d.]+) can’t be right for (.+), in mm: it must lie between (-?[\d.]+) and (-?[\d.]+)\.$/
const NEEDED = /^A number is needed for (.+), in mm(?:, between (-?[\d.]+) and (-?[\d.]+))?\.$/

const SPAN = /between (-?[\d.]+) and (-?[\d.]+) mm(²?)/

/** What the server has against a plain number in millimetres, said in the lengths it was typed in. */
export function inTyped(sentence: string, lengths: LengthUnit): string {
  if (lengths === 'mm') return sentence
  const length = (mm: string) => say(Number(mm), 'length', lengths)
  const bounds = BOUNDS.exec(sentence)
  if (bounds) return `${length(bounds[1]!)} can’t be right for ${bounds[2]}: it must lie between ${length(bounds[3]!)} and ${length(bounds[4]!)}.`
  const needed = NEEDED.exec(sentence)
  if (needed) return `A number is needed for ${needed[1]}${needed[2] ? `, between ${length(needed[2])} and ${length(needed[3]!)}` : ', in inches'}.`
  return sentence.replace(SPAN, (_, low: string, high: string, square: string) => `between ${say(Number(low), square ? 'area' : 'length', lengths)} and ${say(Number(high), square ? 'area' : 'length', lengths)}`)
}
