import { circle, roofThrough, startingSpec, type ChamberSpec, type ChamberValve } from '#core'

const seat = { seatWidth: 1.4, seatAngle: 45, sunk: 0, topCutAngle: 30 }

/** The launch engine and its sister: a wedge that falls to its squish pad, both valves in line, stems to the intake side. */
export function launchChamber(): ChamberSpec {
  const valves: ChamberValve[] = [
    { ...seat, valve: 'intake', x: -19.4, y: 6.8, diameter: 44.5, tilt: 24, leans: 270, seatHeight: 1.35, topCutWidth: 0.5, throat: 39.4, stem: 8 },
    { ...seat, valve: 'exhaust', x: 23.9, y: 3.5, diameter: 37, tilt: 24, leans: 270, seatHeight: 1.4, topCutWidth: 0.482, throat: 32.2, stem: 8 }
  ]
  return {
    kind: 'wedge', outline: circle(46), pads: [{ towards: 270, chord: 14.67, recess: 0 }], valves, draft: 7, floorRadius: 5,
    roof: roofThrough(valves, 24, 90), plug: { x: 2, y: 29, diameter: 14, recess: 0 }
  }
}

/** The ice racer: four valves under a pent roof, pads before and behind. */
export function hollinChamber(): ChamberSpec {
  return { ...startingSpec('pentRoof', { bore: 85.5, intake: 33, exhaust: 28.5, tilt: 19, mouthArea: 5010, seatHeight: 4.4 }), draft: 18, floorRadius: 6 }
}

/** The trials single: band and dome turned about one axis. */
export function skerryChamber(): ChamberSpec {
  return {
    kind: 'turnedDome', outline: circle(34, 24), pads: [], draft: 0, floorRadius: 0, valves: [],
    roof: { shape: 'turned', recess: 1.1, band: 10, domeRadius: 24.04, height: 14.4, toroid: false }, plug: { x: 0, y: 0, diameter: 14, recess: 0 }
  }
}

/** The hill-climb twin: a hemisphere with two large valves across it. */
export function caldbeckChamber(): ChamberSpec {
  return startingSpec('hemispherical', { bore: 84, intake: 42, exhaust: 36, tilt: 30 })
}
