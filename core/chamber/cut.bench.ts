import Module from 'manifold-3d'
import { bench, describe } from 'vitest'
import { launchChamber } from '../../demo/chambers'
import { calibrated, planOf, volumeAboveCut } from '.'

// The launch engine's chamber, some 30 000 triangles, cut side by side: our clip against manifold's trim and volume.
const kit = await Module().then((wasm) => {
  wasm.setup()
  return wasm
})
const spec = launchChamber()
const { mesh } = calibrated(kit, planOf(kit, spec), spec, 55.3)
const solid = new kit.Manifold(new kit.Mesh({ numProp: 3, vertProperties: new Float32Array(mesh.positions), triVerts: mesh.triangles }))
let depth = 0
const next = () => depth = (depth + 0.013) % 8

describe(`a cut through ${mesh.triangles.length / 3} triangles`, () => {
  bench('volumeAboveCut', () => {
    volumeAboveCut(mesh, { depth: next(), slopeX: 0, slopeY: 0.02 })
  })
  bench('manifold: trimByPlane, volume', () => {
    const length = Math.hypot(0.02, 1)
    const left = solid.trimByPlane([0, -0.02 / length, 1 / length], next() / length)
    left.volume()
    left.delete()
  })
})
