import Module from 'manifold-3d'
import { bench, describe } from 'vitest'
import { cap } from '../../tests/support/solids'
import { meshVolume, volumeAboveCut } from '.'

// One chamber of about 36 000 triangles, cut side by side: our clip against manifold's trim and volume.
const mesh = cap(50, 20, 90, 200)
meshVolume(mesh)
const { Manifold, Mesh } = await Module().then((wasm) => {
  wasm.setup()
  return wasm
})
const solid = new Manifold(new Mesh({ numProp: 3, vertProperties: new Float32Array(mesh.positions), triVerts: mesh.triangles }))
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
