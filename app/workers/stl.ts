import { BufferAttribute, BufferGeometry, Mesh as Shape, MeshBasicMaterial } from 'three'
import { STLExporter } from 'three/addons/exporters/STLExporter.js'
import type { Mesh } from '#core'

/** A mesh as a binary STL file, in mm and its own frame. */
export function stlOf({ positions, triangles }: Mesh): ArrayBuffer {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1))
  const view = new STLExporter().parse(new Shape(geometry, new MeshBasicMaterial()), { binary: true }) as unknown as DataView
  return view.buffer.slice(view.byteOffset, view.byteOffset + view.byteLength) as ArrayBuffer
}
