import { CHAMBER_KINDS, NUMBERINGS, VALVE_COUNTS, headsOf, layOut, takesValves, type Bodies, type ChamberKind, type Engine, type Figure, type Numbering } from '#core'
import { parseFigure } from '#shared/figures'

/** What an engine is, as it is asked: every answer as it stands in its field. */
export interface EngineAnswers {
  strokes: 2 | 4
  arrangement: Engine['arrangement']
  cylinders: string | number
  /** A head for each bank, or how many of its cylinders share one. */
  each: 'bank' | number
  angle: string | number
  numbering: Numbering | 'own'
  /** “1 4 6 7 / 2 3 5 8”: the cylinders of each bank. */
  own: string
  first: Engine['first']
  /** Where cylinder 1 lies with the face up and the intake side away; empty where nobody said. */
  side: 'right' | 'left' | ''
  head: Engine['head']
  /** “2+2”: intake and exhaust valves of a cylinder. */
  valves: string
  chamber: ChamberKind
}

export const FOUR: EngineAnswers = {
  strokes: 4, arrangement: 'inLine', cylinders: 4, each: 'bank', angle: '', numbering: 'acrossBanks', own: '', first: 'front', side: 'right', head: 'removable', valves: '1+1', chamber: 'wedge'
}

const MOST = 16
const NONE = '0+0'
const LATHE: readonly ChamberKind[] = ['turnedDome', 'hemispherical', 'bathtub', 'open']

const countsOf = (valves: string) => valves.split('+').map(Number) as [intakes: number, exhausts: number]

/** What can still be chosen beside the other answers. */
export function choicesOf({ strokes, head, valves }: EngineAnswers): { heads: Engine['head'][], valves: string[], chambers: ChamberKind[] } {
  const counts = VALVE_COUNTS.map(([i, e]) => `${i}+${e}`)
  return {
    heads: strokes === 4 ? ['removable', 'blind'] : ['removable', 'turned', 'blind'],
    valves: head === 'turned' ? [NONE] : strokes === 4 ? counts.filter(c => c !== NONE) : counts,
    chambers: head === 'turned' ? ['turnedDome'] : valves === NONE ? [...LATHE] : CHAMBER_KINDS.filter(kind => takesValves(kind, ...countsOf(valves)))
  }
}

const USUAL_CHAMBER = { '0+0': 'turnedDome', '1+1': 'wedge', '2+1': 'pentRoof', '2+2': 'pentRoof', '3+2': 'pentRoof' } as Record<string, ChamberKind>

/** The answers once one of them has changed: what no longer goes with it becomes its usual. */
export function answered<K extends keyof EngineAnswers>(answers: EngineAnswers, name: K, value: EngineAnswers[K]): EngineAnswers {
  const now = { ...answers, [name]: value }
  if (name === 'arrangement' && value === 'single') now.cylinders = 1
  if (name === 'arrangement' && value !== 'single' && Number(now.cylinders) === 1) now.cylinders = value === 'inLine' ? 4 : 2
  if (name === 'strokes') [now.head, now.valves] = value === 2 ? ['turned', NONE] : ['removable', '1+1']
  if (name === 'strokes' && value === 2) now.each = 1
  if (now.each !== 'bank' && now.each !== 1 && !sharesOf(now).includes(now.each)) now.each = 'bank'
  if (!choicesOf(now).heads.includes(now.head)) now.head = 'removable'
  if (!choicesOf(now).valves.includes(now.valves)) now.valves = choicesOf(now).valves[0]!
  // A chamber that somebody chose stays where other valves go with it; one that only came with the valves goes with them.
  const came = now.chamber === USUAL_CHAMBER[answers.valves]
  if (name !== 'chamber' && ((name === 'valves' && came) || !choicesOf(now).chambers.includes(now.chamber))) now.chamber = USUAL_CHAMBER[now.valves]!
  if (!choicesOf(now).chambers.includes(now.chamber)) now.chamber = choicesOf(now).chambers[0]!
  return now
}

/** Whether the engine has two banks, so that it is asked how they are numbered. */
export const hasBanks = ({ arrangement, cylinders }: EngineAnswers): boolean => (arrangement === 'vee' || arrangement === 'flat') && Number(cylinders) > 1

/** How many cylinders of a bank may share a head where neither all do nor each has its own: what goes into every bank without a rest. */
export function sharesOf(answers: EngineAnswers): number[] {
  const cylinders = Number(answers.cylinders)
  if (!Number.isInteger(cylinders) || cylinders < 4 || cylinders > MOST) return []
  const banks = banksOf(answers, cylinders)
  // Banks that are still being typed are taken to be alike.
  const sizes = (typeof banks === 'string' ? layOut(cylinders, answers.arrangement, 'acrossBanks').banks : banks).map(bank => bank.length)
  return Array.from({ length: Math.min(...sizes) - 2 }, (_, i) => i + 2).filter(n => sizes.every(size => size % n === 0))
}

/** Whether it is asked where cylinder 1 lies on the face: where a head that comes off has a row of them, or is one of a row. */
export const hasSides = (answers: EngineAnswers): boolean => answers.head === 'removable' && Number(answers.cylinders) > (hasBanks(answers) ? 2 : 1)

/** The heads that begin at the left: one bank is the other's mirror image, intakes between them or outside. */
function fromLeftOf(answers: EngineAnswers, { heads, banks }: Pick<Bodies['layout'], 'heads' | 'banks'>): number[] {
  if (!hasSides(answers) || answers.side === '') return []
  const second = (head: number[]) => banks.findIndex(bank => bank.includes(head[0]!)) === 1
  return heads.flatMap((head, i) => second(head) !== (answers.side === 'left') ? [i + 1] : [])
}

/** “1 4 6 7 / 2 3 5 8” as two banks of all the cylinders there are, or what is wrong with it. */
function ownBanks(own: string, cylinders: number): number[][] | string {
  const banks = own.split('/').map(bank => bank.trim().split(/[\s,]+/).filter(Boolean).map(Number))
  const all = banks.flat()
  const right = banks.length === 2 && banks.every(bank => bank.length > 0) && all.length === cylinders && new Set(all).size === cylinders && all.every(c => Number.isInteger(c) && c >= 1 && c <= cylinders)
  return right ? banks : `Name all ${cylinders} cylinders once, with a stroke between the banks: ${Array.from({ length: cylinders }, (_, i) => i + 1).map(c => c === Math.ceil(cylinders / 2) ? `${c} /` : c).join(' ')}.`
}

/** The banks as they were answered, or what is wrong with them as somebody names them. */
const banksOf = (answers: EngineAnswers, cylinders: number): number[][] | string => {
  const { arrangement, numbering, own } = answers
  if (numbering === 'own' && hasBanks(answers)) return ownBanks(own, cylinders)
  return layOut(cylinders, arrangement, numbering === 'own' ? 'acrossBanks' : numbering).banks
}

function angleOf(angle: string | number): Figure | undefined | string {
  const typed = String(angle).trim()
  if (typed === '') return undefined
  const parsed = parseFigure(typed, { dimension: 'angle', unit: '°' })
  return parsed.kind === 'figure' ? parsed.figure : parsed.kind === 'refused' ? parsed.sentence : 'An angle in degrees, such as 90.'
}

/** The engine as it is kept, or what is wrong with an answer, by its field. */
export function engineBody(answers: EngineAnswers): { body: Bodies['layout'] } | { faults: Partial<Record<keyof EngineAnswers, string>> } {
  const { strokes, arrangement, each, first, head, chamber } = answers
  const cylinders = Number(answers.cylinders)
  if (!Number.isInteger(cylinders) || cylinders < 1 || cylinders > MOST) return { faults: { cylinders: `A whole number from 1 to ${MOST}.` } }
  if (arrangement === 'single' && cylinders > 1) return { faults: { cylinders: 'A single has one cylinder.' } }
  const banks = banksOf(answers, cylinders)
  if (typeof banks === 'string') return { faults: { own: banks } }
  const bankAngle = arrangement === 'vee' ? angleOf(answers.angle) : undefined
  if (typeof bankAngle === 'string') return { faults: { angle: bankAngle } }
  const [intakes, exhausts] = countsOf(answers.valves)
  const engine: Engine = { strokes, arrangement, ...(bankAngle ? { bankAngle } : {}), first, head, intakes, exhausts, chamber }
  const rows = { heads: headsOf(banks, each === 'bank' ? undefined : each), banks }
  const fromLeft = fromLeftOf(answers, rows)
  return { body: { ...rows, engine, ...(fromLeft.length > 0 ? { fromLeft } : {}) } }
}

/** The answers that give an engine: to be put right. */
export function answersOf({ heads, banks, engine, fromLeft }: Bodies['layout']): EngineAnswers {
  const cylinders = heads.flat().length
  const two = banks.length === 2
  const { bankAngle, intakes, exhausts, ...rest } = engine ?? { ...FOUR, arrangement: cylinders === 1 ? 'single' : two ? 'vee' : 'inLine', intakes: 1, exhausts: 1, bankAngle: undefined }
  const numbering = NUMBERINGS.find(n => String(layOut(cylinders, 'vee', n).banks) === String(banks))
  return {
    strokes: rest.strokes, arrangement: rest.arrangement, first: rest.first, head: rest.head, chamber: rest.chamber, cylinders,
    // On two banks one of them begins at the left; where neither does nobody was asked.
    side: fromLeft?.includes(1) ? 'left' : two && !fromLeft && rest.head === 'removable' ? '' : 'right', each: heads.length > banks.length ? Math.max(...heads.map(head => head.length)) : 'bank',
    angle: bankAngle ? bankAngle.typed || bankAngle.value : '', numbering: !two ? 'acrossBanks' : numbering ?? 'own', own: two && !numbering ? banks.map(b => b.join(' ')).join(' / ') : '', valves: `${intakes}+${exhausts}`
  }
}
