import { kind } from '../kind'

/** What is found on a head that comes in. `numbering`: the end at which its cylinders count from one. */
export const FINDINGS = ['leakTrack', 'erosion', 'crack', 'sunkValve', 'painted', 'filed', 'oil', 'missing', 'thin', 'numbering', 'other'] as const
export type Finding = (typeof FINDINGS)[number]

/** How far from a head's middle a place on its face can lie, mm. */
export const FACE_REACH = 600

export interface FindingBody {
  what: Finding
  /** Where on the face, mm: x from the head's middle, + to the right as its face is seen, y + towards the exhaust side. */
  place?: { x: number, y: number }
  words?: string
  /** Who was told of it. */
  told?: string
  /** What was decided then. */
  decided?: string
}

/** Something found on a head as it came in: where, who was told, what was decided. */
export const finding = kind<FindingBody>()({
  example: () => ({ what: 'leakTrack', place: { x: 52, y: -8 }, words: 'soot across the bridge', told: 'the owner, by telephone', decided: 'cut until it is gone' }),
  at: () => ({ station: 'sheet', leaf: 'takeIn' }),
  role: 'remark', scopes: ['head'], changes: [], bounds: {}
})
