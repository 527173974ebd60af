import { nthOfKind, type ChamberSpec, type FlangePart, type Outline, type PortPlaceName, type PortWay, type SeatFault, type ThroatAim, type ThroatStanding, type Valve } from '#core'
import { digits, say, type LengthUnit } from '#shared/figures'

/** Places in a port, as a shop calls them. */
export const PLACE_WORDS: Record<PortPlaceName, string> = {
  throat: 'throat', bowl: 'bowl', guideBoss: 'guide boss', shortTurn: 'short turn', roof: 'roof', floor: 'floor', walls: 'side walls', vane: 'vane', flange: 'flange'
}
export const WAY_WORDS: Record<PortWay, string> = { take: 'take metal', round: 'round it off', leave: 'leave it', thin: 'thin: keep off' }
export const PART_WORDS: Record<FlangePart, string> = { pipe: 'manifold or pipe', gasket: 'gasket', port: 'port' }
export const FORM_WORDS: Record<Outline['form'], string> = { rectangle: 'rectangle', oval: 'oval with round ends', circle: 'circle', ellipse: 'ellipse', points: 'traced points' }

/** What each aim is, and what it risks. */
export const AIM_WORDS: Record<ThroatAim, { name: string, risk: string }> = {
  asCast: { name: 'as cast', risk: 'Leaves the casting as it is: the safe choice where nobody knows how thick the walls are.' },
  usual: { name: 'usual', risk: 'What most shops open to. The seat keeps its width, and the bowl can still be blended under it.' },
  brave: { name: 'brave', risk: 'The seat becomes narrow, the insert thin, and some heads flow no more for it. Look at the insert first.' }
}
export const STANDING_WORDS: Record<ThroatStanding, string> = { small: 'smaller than most castings', asCast: 'as most castings come', usual: 'as most shops aim', brave: 'large: watch the insert', past: 'past what a seat usually stands' }

export const TOUCH_WORDS = { outer: 'near the outer edge', middle: 'in the middle', inner: 'near the inner edge', partly: 'not all round' } as const
export const LEAK_WORDS = { tight: 'tight', weeps: 'weeps', leaks: 'leaks' } as const
export const PIT_WORDS = { none: 'no pits', outside: 'beside where it touches', inside: 'where the valve touches' } as const

/** What is wrong with a seat, and what to do. */
export function saySeatFault(fault: SeatFault, lengths: LengthUnit): string {
  const length = (mm: number) => say(mm, 'length', lengths)
  switch (fault.kind) {
    case 'leaks': return 'It leaks: cut or lap it again before it is used.'
    case 'weeps': return 'It weeps: lap it lightly and test it again.'
    case 'pits': return 'There are pits where the valve touches: the seat has to go deeper or wider.'
    case 'touches': return 'The valve does not touch all round: true the guide, then cut the seat.'
    case 'runOut': return `Run-out is ${length(fault.figure)}, the shop’s limit is ${length(fault.bound)}: cut it again from the guide.`
    case 'margin': return `The valve’s margin is ${length(fault.figure)}, under ${length(fault.bound)}: it may burn. Use another valve.`
    case 'narrow': return `The seat is ${length(fault.figure)} wide, under ${length(fault.bound)}: it carries too little heat away.`
    case 'wide': return `The seat is ${length(fault.figure)} wide, over ${length(fault.bound)}: narrow it with the cuts beside it.`
    case 'guide': return `The guide has ${length(fault.figure)} of clearance, over ${length(fault.bound)}: renew it before the seat is cut.`
  }
}

/** Which of several ports or valves of one kind, behind its cylinder. */
export const sayNth = (n?: number): string => n === undefined ? '' : `, no. ${n}`

/** A port or valve by its cylinder: “exhaust 3”, “intake 2, no. 1”. */
export const sayPortOf = ({ valve, cylinder, n }: { valve: Valve, cylinder: number, n?: number }): string => `${valve} ${cylinder}${sayNth(n)}`

/** A drawn valve among those of its chamber: “exhaust”, “intake, no. 2”. */
export const sayDrawnValve = (valves: ChamberSpec['valves'], i: number): string =>
  `${valves[i]!.valve}${sayNth(valves.filter(v => v.valve === valves[i]!.valve).length > 1 ? nthOfKind(valves, i) : undefined)}`

/** A share of the valve, in percent. */
export const sayShare = (share: number): string => `${digits(share * 100, 1)} %`
