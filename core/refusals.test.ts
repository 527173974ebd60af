import { describe, expect, it } from 'vitest'
import { DomainError } from './domain'
import {
  axialGap, bandEdgeShift, bowlVolume, camRetard, clearanceForRatio, clearanceFromSinking, clearanceVolume, compressionRatio, crankAngleAtDrop, creviceVolume, crownVolumeFromPour,
  curtainArea, cylinderVolume, gaveWhenSunk, machIndex, outlinePoints, retainerClearance, springLoad, springTravel, peakDemand, revsAtMach, seatPoints, sectionArea, sectionsVolume, speedOfSound, speedThrough, throatFor, throatShare, throatStanding, effectiveCompressionRatio, exact, flatCutDepth, fromSource, heatCloses, knownVolume, leakWatchTime, oneSidedError, openingLedge, pistonTravel,
  pourVolume, pushrodChange, ridgeVolume, rodStretch, runningGap, scaleAtTemperature, scaleDoubt, seatLedge, seatMargin, sinking, squishAreaOver, squishShare, squishVelocity, stopReading, sweptVolume,
  thenFlat, trappedCompressionRatio, valveClearanceLost, vFlange, warmedVolume, waterDensity, waterVolume
} from '.'

type Figures = Record<string, number>
/** A function, figures that it takes, and for some of them what it does not take; no figure at all is taken by none. */
type Row = [name: string, call: (x: Figures) => unknown, good: Figures, bad?: Record<string, number[]>]

const train = { stroke: 85, rodLength: 150 }
const glass = { kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1 } as const
const band = { bore: 92, stroke: 85, rodLength: 150, rpm: 5000, squishArea: 1998, bandEdge: 87.6, clearanceAtTdc: 1.26, bowlVolume: 57.3271 }
const seat = { diameter: 44.5, seatWidth: 1.4, seatAngle: 45 }

const ROWS: Row[] = [
  ['sweptVolume', x => sweptVolume(x as never), { bore: 92, stroke: 85 }, { bore: [0, -1], stroke: [0] }],
  ['cylinderVolume', x => cylinderVolume(x.diameter!, x.height!), { diameter: 94, height: 1.2 }, { diameter: [-1] }],
  ['creviceVolume', x => creviceVolume(x as never), { bore: 92, crownDiameter: 91.4, topLandHeight: 7 }, { bore: [0], crownDiameter: [0, 92.1], topLandHeight: [-0.1] }],
  ['clearanceVolume', x => clearanceVolume(x as never), { chamber: 55, gasket: 8, deck: 2, crown: 3, crevice: 0.6, other: 0 }, { gasket: [-1], crevice: [-1] }],
  ['openingLedge', x => openingLedge(x as never), { area: 7300, outline: 310, bore: 92 }, { area: [0], outline: [0], bore: [0] }],
  ['compressionRatio', x => compressionRatio(x.swept!, x.clearance!), { swept: 565, clearance: 65 }, { swept: [0], clearance: [0] }],
  ['clearanceForRatio', x => clearanceForRatio(x.swept!, x.ratio!), { swept: 565, ratio: 9.6 }, { swept: [0], ratio: [1] }],
  ['pistonTravel', x => pistonTravel({ stroke: x.stroke!, rodLength: x.rodLength!, pinOffset: x.pinOffset! }, x.crankAngle!), { ...train, pinOffset: 1, crankAngle: 30 }, { stroke: [0], rodLength: [42, 43] }],
  ['crankAngleAtDrop', x => crankAngleAtDrop(train, x.drop!, 'after'), { drop: 1 }, { drop: [-1, 86] }],
  ['oneSidedError', x => oneSidedError(train, x.resolution!, x.slack!, x.drop!), { resolution: 0.01, slack: 0.05, drop: 1 }, { resolution: [0], slack: [-0.1], drop: [0] }],
  ['effectiveCompressionRatio', x => effectiveCompressionRatio({ ...x } as never), { bore: 92, ...train, clearance: 65.7, intakeClosing: 50 }, { bore: [0], clearance: [0], intakeClosing: [-1, 181] }],
  ['trappedCompressionRatio', x => trappedCompressionRatio(x as never), { bore: 50, clearance: 15, exhaustPortTop: 30 }, { bore: [0], clearance: [0], exhaustPortTop: [-1] }],
  ['fromSource', x => fromSource(x.value!, x.u!, 'a'), { value: 1, u: 0.1 }, { u: [-0.1] }],
  ['exact', x => exact(x.value!), { value: 1 }],
  ['knownVolume of a ball', x => knownVolume({ kind: 'ball', diameter: x['known.diameter']!, u: x['known.u']! }), { 'known.diameter': 40, 'known.u': 0.005 }, { 'known.diameter': [0], 'known.u': [-1] }],
  ['knownVolume of a cylinder', x => knownVolume({ kind: 'cylinder', diameter: 40, height: x['known.height']!, u: 0.01 }), { 'known.height': 30 }, { 'known.height': [0] }],
  ['pourVolume', x => pourVolume([{ start: 0, end: x['fills[0].end']! }], { ...glass, capacity: x['instrument.capacity']!, tolerance: x['instrument.tolerance']!, resolution: x['instrument.resolution']!, film: x['instrument.film']!, correction: x['instrument.correction']!, repeatability: x['instrument.repeatability']!, check: { at: x['instrument.check.at']!, u: x['instrument.check.u']! } }),
    { 'fills[0].end': 55, 'instrument.capacity': 100, 'instrument.tolerance': 0.2, 'instrument.resolution': 0.1, 'instrument.film': 0, 'instrument.correction': 1, 'instrument.repeatability': 0.1, 'instrument.check.at': 33, 'instrument.check.u': 0.05 },
    { 'fills[0].end': [0, 101, -1], 'instrument.capacity': [0], 'instrument.tolerance': [-0.1], 'instrument.resolution': [0, 101], 'instrument.film': [-1], 'instrument.correction': [0], 'instrument.repeatability': [-1], 'instrument.check.at': [0], 'instrument.check.u': [-1] }],
  ['scaleDoubt', x => scaleDoubt(x.value!, glass), { value: 50 }, { value: [-1] }],
  ['crownVolumeFromPour', x => crownVolumeFromPour(x as never), { bore: 92, depth: 10, poured: 69 }, { bore: [0], depth: [-1], poured: [0] }],
  ['scaleAtTemperature', x => scaleAtTemperature(x.reading!, x.expansion!, x.temperature!), { reading: 60, expansion: 3e-4, temperature: 35 }, { reading: [-1], expansion: [-1] }],
  ['stopReading', x => stopReading(x.wanted!, x.start!, glass), { wanted: 50, start: 0 }, { wanted: [0], start: [-1, 101] }],
  ['leakWatchTime', x => leakWatchTime(glass, x.rate!), { rate: 0.2 }, { rate: [0] }],
  ['waterDensity', x => waterDensity(x.temperature!), { temperature: 20 }],
  ['waterVolume', x => waterVolume(x.mass!, 20), { mass: 50 }, { mass: [0] }],
  ['warmedVolume', x => warmedVolume(x.volume!, x.expansion!, x.warmer!), { volume: 50, expansion: 1e-3, warmer: 5 }, { volume: [-1], expansion: [-1] }],
  ['heatCloses', x => heatCloses({ ...x, rod: 'steel' } as never), { rodLength: 150, crankRadius: 42.5, compressionHeight: 37 }, { rodLength: [0], crankRadius: [0], compressionHeight: [0] }],
  ['rodStretch', x => rodStretch(x as never), { mass: 0.62, beamMass: 0.25, crankRadius: 42.5, rodLength: 150, rpm: 5500, area: 150, modulus: 206e9 }, { mass: [0], beamMass: [-1], crankRadius: [0], rodLength: [42.5], rpm: [-1], area: [0], modulus: [0] }],
  ['runningGap', x => runningGap(x as never), { cold: 1.26, rodStretch: 0.065, bearings: 0.09, rock: 0.04, thermal: 0.05 }, { rodStretch: [-1], bearings: [-1], rock: [-1] }],
  ['axialGap', x => axialGap(x.read!, x.bandAngle!), { read: 1.9, bandAngle: 10 }, { bandAngle: [-1, 90] }],
  ['bandEdgeShift', x => bandEdgeShift(x.off!, x.bandAngle!), { off: 0.4, bandAngle: 10 }, { bandAngle: [0, 90] }],
  ['squishVelocity', x => squishVelocity(x as never, -10), band, { bore: [0], squishArea: [-1], bandEdge: [0], clearanceAtTdc: [0], rpm: [-1] }],
  ['bowlVolume', x => bowlVolume(x.clearance!, x.bore!, x.clearanceAtTdc!), { clearance: 65, bore: 92, clearanceAtTdc: 1.2 }, { bore: [0] }],
  ['squishShare', x => squishShare(x.squishArea!, x.bore!), { squishArea: 1998, bore: 92 }, { bore: [0], squishArea: [-1] }],
  ['squishAreaOver', x => squishAreaOver(x.bore!, x.opening!), { bore: 92, opening: 4650 }, { bore: [0], opening: [-1] }],
  ['curtainArea', x => curtainArea({ diameter: x.diameter!, seatWidth: x.seatWidth!, seatAngle: x.seatAngle! }, x.lift!), { ...seat, lift: 8 }, { diameter: [0], seatWidth: [-1], seatAngle: [-1, 90], lift: [-1] }],
  ['flatCutDepth', x => flatCutDepth(x.toLose!, x.perMm!), { toLose: 7, perMm: 4.65 }, { toLose: [-1], perMm: [0] }],
  ['valveClearanceLost', x => valveClearanceLost(x.drop!, x.tilt!, 'alongValve'), { drop: 1, tilt: 24 }, { tilt: [-1] }],
  ['clearanceFromSinking', x => clearanceFromSinking(x.sunk!, x.tilt!, 'upright'), { sunk: 0.5, tilt: 24 }, { sunk: [-1], tilt: [-1] }],
  ['thenFlat', x => thenFlat({ depth: 0.5, slopeX: 0, slopeY: 0.02 }, x.flat!), { flat: 0.3 }, { flat: [-1] }],
  ['vFlange', x => vFlange(x.halfBank!, x.flange!, x.drop!), { halfBank: 45, flange: 35, drop: 0.6 }, { flange: [0] }],
  ['camRetard', x => camRetard(x.drop!, { runAngle: x.runAngle!, pitch: x.pitch!, camTeeth: x.camTeeth! }), { drop: 0.6, runAngle: 5, pitch: 9.525, camTeeth: 38 }, { pitch: [0], camTeeth: [0] }],
  ['sinking', x => sinking({ diameter: x.diameter!, topCut: x.topCut! }, x.sunk!), { diameter: 38, topCut: 30, sunk: 0.5 }, { diameter: [0], topCut: [0, 90], sunk: [-1] }],
  ['seatLedge', x => seatLedge(x.seatAngle!, x.topCut!, x.sunk!), { seatAngle: 45, topCut: 30, sunk: 0.5 }, { sunk: [-1] }],
  ['ridgeVolume', x => ridgeVolume(x as never), { height: 0.4, width: 2, across: 40, arc: 360 }, { height: [-1], width: [-1], across: [0], arc: [-1, 361] }],
  ['seatMargin', x => seatMargin({ centre: [0, 0, 9], axis: [0, 0, 1], diameter: x.diameter! }, { depth: x.depth!, slopeX: 0, slopeY: 0 }), { diameter: 36, depth: 0.5 }, { diameter: [0] }],
  ['throatShare', x => throatShare(x as never), { throat: 38, valveDiameter: 44 }, { throat: [0, 44], valveDiameter: [0] }],
  ['throatFor', x => throatFor(x as never), { share: 0.88, valveDiameter: 44 }, { share: [0, 1], valveDiameter: [0] }],
  ['throatStanding', x => throatStanding(x.share!), { share: 0.88 }, { share: [0] }],
  ['sectionArea', x => sectionArea(x as never), { width: 32, height: 38, radius: 8 }, { width: [0], height: [0], radius: [-1, 17] }],
  ['sectionsVolume', x => sectionsVolume([{ at: 0, area: 900 }, { at: x['sections[1].at']!, area: x['sections[1].area']! }]), { 'sections[1].at': 20, 'sections[1].area': 800 }, { 'sections[1].at': [0, -1], 'sections[1].area': [0] }],
  ['speedThrough', x => speedThrough(x.flow!, x.area!), { flow: 180, area: 1100 }, { flow: [-1], area: [0] }],
  ['machIndex', x => machIndex(x as never), { bore: 92, stroke: 85, rpm: 6000, valveDiameter: 44.5, valves: 1, meanFlowCoefficient: 0.35, soundSpeed: 345 }, { bore: [0], stroke: [0], rpm: [-1], valveDiameter: [0], valves: [0], meanFlowCoefficient: [0], soundSpeed: [0] }],
  ['revsAtMach', x => revsAtMach({ bore: 92, stroke: 85, valveDiameter: 44.5, valves: 1, meanFlowCoefficient: 0.35, soundSpeed: 345 }, x.index!), { index: 0.5 }, { index: [0] }],
  ['speedOfSound', x => speedOfSound(x.temperature!), { temperature: 20 }, { temperature: [-273.15] }],
  ['peakDemand', x => peakDemand(x as never), { bore: 92, stroke: 85, rodLength: 150, rpm: 6000 }, { bore: [0], stroke: [0], rodLength: [42.5], rpm: [-1] }],
  ['outlinePoints', x => outlinePoints({ form: 'rectangle', x: x.x!, y: x.y!, width: x.width!, height: x.height!, radius: x.radius! }), { x: 0, y: 0, width: 34, height: 40, radius: 8 }, { width: [0], height: [0], radius: [-1, 18] }],
  ['outlinePoints of a circle', x => outlinePoints({ form: 'circle', x: x.x!, y: x.y!, diameter: x.diameter! }), { x: 0, y: 0, diameter: 40 }, { diameter: [0] }],
  ['seatPoints', x => seatPoints({ cuts: [{ angle: 60, width: 2 }, { angle: x['cuts[1].angle']!, width: x['cuts[1].width']! }], seat: x.seat!, outer: x.outer! }), { 'cuts[1].angle': 45, 'cuts[1].width': 1.4, 'seat': 1, 'outer': 43 }, { 'cuts[1].angle': [0, 60, 90], 'cuts[1].width': [0], 'seat': [-1, 2, 0.5], 'outer': [0] }],
  ['gaveWhenSunk', x => gaveWhenSunk({ form: x.form!, topCut: x.topCut! }, x.sunk!), { form: 39, topCut: 30, sunk: 0.5 }, { form: [0], topCut: [0, 90], sunk: [-1] }],
  ['springLoad', x => springLoad({ rate: x.rate!, freeLength: x.freeLength! }, x.height!), { rate: 30, freeLength: 50, height: 40 }, { rate: [0], freeLength: [0], height: [-1] }],
  ['springTravel', x => springTravel(x as never), { installedHeight: 40, lift: 10, solidHeight: 28 }, { lift: [-1] }],
  ['retainerClearance', x => retainerClearance(x as never), { retainerToSeal: 12, lift: 10 }, { lift: [-1] }],
  ['pushrodChange', ({ pushrodAngle, rockerRatio, ...change }) => pushrodChange(change as never, { pushrodAngle: pushrodAngle!, rockerRatio: rockerRatio! }), { gasketGain: 0.2, headCut: 1, deckCut: 0, pushrodAngle: 5, sunk: 0.3, rockerRatio: 1.5, baseCircleLost: 0 }, { rockerRatio: [0], pushrodAngle: [90, -90] }]
]

const thrown = (work: () => unknown): unknown => {
  try {
    work()
  } catch (error) {
    return error
  }
  return undefined
}

describe('what a formula does not take it refuses by the argument’s own name, with the bound', () => {
  it.each(ROWS)('%s', (_, call, good, bad = {}) => {
    expect(thrown(() => call(good))).toBeUndefined()
    for (const argument of Object.keys(good)) {
      for (const value of [NaN, Infinity, ...bad[argument] ?? []]) {
        const error = thrown(() => call({ ...good, [argument]: value }))
        const where = `${argument} ${value}`
        expect(error, where).toBeInstanceOf(DomainError)
        expect(`${(error as DomainError).argument} ${(error as DomainError).bound}`, where).toContain(argument)
        expect((error as DomainError).bound.length, where).toBeGreaterThan(3)
      }
    }
  })
})
