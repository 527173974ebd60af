import { circle, roofThrough, type ChamberSpec, type ChamberValve } from '#core'

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
  const form = { ...seat, tilt: 19, seatHeight: 4.4, topCutWidth: 0.6 }
  const intake = { ...form, valve: 'intake' as const, y: -16.8011, diameter: 33, leans: 270, throat: 29, stem: 5.9 }
  const exhaust = { ...form, valve: 'exhaust' as const, y: 14.6736, diameter: 28.5, leans: 90, throat: 25.1, stem: 5.1 }
  return {
    kind: 'pentRoof', outline: circle(42.75), pads: [{ towards: 270, chord: 33.0021, recess: 0 }, { towards: 90, chord: 32.9357, recess: 0 }],
    valves: [{ ...intake, x: -17.2 }, { ...exhaust, x: -14.95 }, { ...intake, x: 17.2 }, { ...exhaust, x: 14.95 }],
    draft: 18, floorRadius: 6, roof: { shape: 'ridge', height: 14.458, slope: 19, rises: 90 }, plug: { x: 0, y: 0, diameter: 12, recess: 0 }
  }
}

/** The trials single: band and dome turned about one axis. */
export function skerryChamber(): ChamberSpec {
  return {
    kind: 'turnedDome', outline: circle(34, 24), pads: [], draft: 0, floorRadius: 0, valves: [],
    roof: { shape: 'turned', recess: 1.1, band: 10, domeRadius: 24.04, height: 14.4, toroid: false }, plug: { x: 0, y: 0, diameter: 14, recess: 0 }
  }
}

/** The smaller single's: a flat roof with a corner, as a round-nosed tool leaves it. */
export function skerrySmallChamber(): ChamberSpec {
  return {
    kind: 'turnedDome', outline: circle(27, 24), pads: [], draft: 0, floorRadius: 0, valves: [],
    roof: { shape: 'turned', recess: 0.7, band: 8, domeRadius: 19, height: 6.2, toroid: false, section: 'flat', corner: 4 }, plug: { x: 0, y: 0, diameter: 14, recess: 0 }
  }
}

/** The hill-climb twin: a hemisphere with two large valves across it. */
export function caldbeckChamber(): ChamberSpec {
  const form = { ...seat, x: 0, tilt: 30, topCutWidth: 0.6 }
  return {
    kind: 'hemispherical', outline: circle(41.37), pads: [], valves: [
      { ...form, valve: 'intake', y: -21.067, diameter: 42, leans: 270, seatHeight: 3.5997, throat: 37, stem: 7.6 },
      { ...form, valve: 'exhaust', y: 21.7765, diameter: 36, leans: 90, seatHeight: 6.3285, throat: 31.7, stem: 6.5 }
    ],
    draft: 0, floorRadius: 0, roof: { shape: 'sphere', height: 24.6506, radius: 47.04 }, plug: { x: 18.9, y: 0, diameter: 14, recess: 0 }
  }
}
