/** A valve's head in plan: its middle, and half its length along and across the crank; tilted, it is shorter across. */
export interface Oval { x: number, y: number, along: number, across: number }

/** Where valves may stand: inside a circle about the bore's centre, and between two chords that run along the crank. */
export interface Room { radius: number, below: number, above: number }

const SAMPLES = 36
const ROUNDS = 500
/** Nearer than this to where it should be, a valve is there, mm. */
const THERE = 0.02

/**
 * Moves valves until each lies inside the room and clear of the others, from where they stand to begin with.
 *
 * @param start where each stands at first, mm
 * @param room see {@link Room}, the chords as distances from the centre
 * @param wall least distance to the room's edge and `bridge` between two valves, mm, 0 or more
 * @returns the ovals in the same order, or undefined where they do not all fit
 * Source: positions corrected by what each constraint is broken by, all at once, so that what lies alike stays alike
 *   (Jacobi's iteration on projections; Müller et al., Position Based Dynamics, 2007, §3.3).
 * @example placed([{ x: 0, y: 0, along: 10, across: 10 }, { x: 1, y: 0, along: 10, across: 10 }], { radius: 22, below: 22, above: 22 }, 0, 1) // middles 21 apart
 */
export function placed(start: readonly Oval[], room: Room, wall: number, bridge: number): Oval[] | undefined {
  let now = start.map(oval => ({ ...oval }))
  for (let round = 0; round < ROUNDS; round++) {
    let worst = 0
    const push = now.map(() => [0, 0] as [number, number])
    const by = (i: number, x: number, y: number) => {
      push[i]![0] += x
      push[i]![1] += y
      worst = Math.max(worst, Math.hypot(x, y))
    }
    now.forEach((oval, i) => {
      const [outX, outY] = outside(oval, room.radius - wall)
      by(i, outX, outY)
      by(i, 0, Math.max(0, oval.across - oval.y - room.below + wall) - Math.max(0, oval.y + oval.across - room.above + wall))
      now.slice(0, i).forEach((other, k) => {
        // Stretched across the crank until they are round: then they touch where their middles say so.
        const squeeze = (oval.across + other.across) / (oval.along + other.along)
        const [dx, dy] = [oval.x - other.x, (oval.y - other.y) / squeeze]
        const apart = Math.hypot(dx, dy)
        const short = oval.along + other.along + bridge / squeeze - apart
        if (short <= 0) return
        const [ux, uy] = apart > 1e-9 ? [dx / apart, dy / apart] : [1, 0]
        by(i, short / 2 * ux, short / 2 * uy * squeeze)
        by(k, -short / 2 * ux, -short / 2 * uy * squeeze)
      })
    })
    if (worst < THERE) return now
    now = now.map((oval, i) => ({ ...oval, x: oval.x + push[i]![0], y: oval.y + push[i]![1] }))
  }
  return undefined
}

/** How an oval must move to lie inside a circle about the centre. */
function outside({ x, y, along, across }: Oval, radius: number): [number, number] {
  let [far, fx, fy] = [radius, 0, 0]
  for (let i = 0; i < SAMPLES; i++) {
    const turn = 2 * Math.PI * i / SAMPLES
    const [px, py] = [x + along * Math.cos(turn), y + across * Math.sin(turn)]
    const from = Math.hypot(px, py)
    if (from > far) [far, fx, fy] = [from, px, py]
  }
  return far > radius ? [-fx * (1 - radius / far), -fy * (1 - radius / far)] : [0, 0]
}
