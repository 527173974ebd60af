import type { Cut, RowEnd } from '#core'
import type { LengthUnit } from '#shared/figures'

/** Creases sharper than this are drawn, degrees. */
const CREASE = 28
/** Names stand below the presses along the top, px. */
const UNDER_PRESSES = 56
/** What is within this of the face lies in it, mm. */
const FLAT = 1e-3

export type BodyView = 'head' | 'mould'
/** A name beside the body, where it lies on the picture, px. */
export interface BodyName { words: string, left: number, top: number }

/** Edges that only one of some triangles has, as segments. */
function rimOf(positions: Float32Array, triangles: number[]): number[][] {
  const name = (i: number) => `${positions[3 * i]!.toFixed(3)} ${positions[3 * i + 1]!.toFixed(3)}`
  const edges = new Map<string, [number, number]>()
  for (let t = 0; t < triangles.length; t += 3) {
    for (const [a, b] of [[0, 1], [1, 2], [2, 0]] as const) {
      const [i, j] = [triangles[t + a]!, triangles[t + b]!]
      const back = `${name(j)}|${name(i)}`
      if (edges.has(back)) edges.delete(back)
      else edges.set(`${name(i)}|${name(j)}`, [i, j])
    }
  }
  const next = new Map([...edges.values()].map(([i, j]) => [name(i), j]))
  const loops: number[][] = []
  while (next.size > 0) {
    const [start, first] = [...next][0]!
    const loop: number[] = []
    for (let at = first, key = start; ;) {
      next.delete(key)
      loop.push(at)
      key = name(at)
      const to = next.get(key)
      if (to === undefined) break
      at = to
    }
    if (loop.length > 2) loops.push(loop)
  }
  return loops
}

const overCut = (positions: Float32Array, { depth, slopeX, slopeY }: Cut) => (i: number) => positions[3 * i + 2]! - depth - slopeX * positions[3 * i]! - slopeY * positions[3 * i + 1]!

/** Where a plane crosses the body's walls, as pairs of points: `over` tells how far a corner stands over it. */
function crossing(positions: Float32Array, triangles: Uint32Array, over: (i: number) => number): number[] {
  const points: number[] = []
  for (let t = 0; t < triangles.length; t += 3) {
    const three = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!]
    const high = three.map(over)
    const at = [[0, 1], [1, 2], [2, 0]].flatMap(([a, b]) => {
      const [p, q] = [high[a!]!, high[b!]!]
      if ((p > 0) === (q > 0)) return []
      const k = p / (p - q)
      return [0, 1, 2].map(axis => positions[3 * three[a!]! + axis]! * (1 - k) + positions[3 * three[b!]! + axis]! * k)
    })
    if (at.length === 6) points.push(...at)
  }
  return points
}

/** Pairs of points in the plane of a section, joined to loops: along the crank and up. */
function loopsOf(pairs: number[]): [number, number][][] {
  const name = (i: number) => `${pairs[i]!.toFixed(2)} ${pairs[i + 2]!.toFixed(2)}`
  const next = new Map<string, number[]>()
  const join = (key: string, to: number) => next.set(key, [...next.get(key) ?? [], to])
  for (let i = 0; i < pairs.length; i += 6) {
    join(name(i), i + 3)
    join(name(i + 3), i)
  }
  const loops: [number, number][][] = []
  const used = new Set<string>()
  for (const start of next.keys()) {
    const loop: [number, number][] = []
    for (let key: string | undefined = start; key !== undefined && !used.has(key);) {
      used.add(key)
      const to: number | undefined = next.get(key)?.find(i => !used.has(name(i)))
      if (to !== undefined) loop.push([pairs[to]!, pairs[to + 2]!])
      key = to === undefined ? undefined : name(to)
    }
    if (loop.length > 2) loops.push(loop)
  }
  return loops
}

/** Metal shown above the highest point of a section, mm. */
const ROOF = 6

/**
 * A chamber in three dimensions: by default one looks into the head, as it lies on the bench; turned over, at the mould of its
 * air. Lit from the upper left wherever one stands, with creases, a contour each millimetre and the line of the cut. The
 * drawing package is large: it comes when somebody looks.
 */
export async function openBody(host: HTMLElement, lengths: LengthUnit, rowBegins: () => RowEnd | undefined, tell: (names: BodyName[]) => void) {
  const [THREE, { OrbitControls }, { LineSegments2 }, { LineSegmentsGeometry }, { LineMaterial }] = await Promise.all([
    import('three'), import('three/addons/controls/OrbitControls.js'), import('three/addons/lines/LineSegments2.js'), import('three/addons/lines/LineSegmentsGeometry.js'), import('three/addons/lines/LineMaterial.js')
  ])
  const css = getComputedStyle(host)
  const colour = (name: string) => new THREE.Color(css.getPropertyValue(name).trim())
  const renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true })
  renderer.localClippingEnabled = true
  host.appendChild(renderer.domElement)
  renderer.domElement.setAttribute('aria-hidden', 'true')
  const scene = new THREE.Scene()
  const camera = new THREE.OrthographicCamera(-1, 1, 1, -1, 1, 1000)
  camera.up.set(0, 0, 1)
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.enablePan = false
  controls.listenToKeyEvents(host)
  const light = new THREE.DirectionalLight(0xffffff, 2.4)
  scene.add(light, light.target, new THREE.AmbientLight(0xffffff, 0.85))

  const metal = new THREE.MeshStandardMaterial({ color: colour('--well'), roughness: 0.5, metalness: 0.15 })
  metal.onBeforeCompile = (shader) => {
    shader.uniforms.ink = { value: colour('--ink') }
    shader.vertexShader = `varying float high;\n${shader.vertexShader}`.replace('#include <begin_vertex>', '#include <begin_vertex>\nhigh = position.z;')
    shader.fragmentShader = `varying float high;\nuniform vec3 ink;\n${shader.fragmentShader}`.replace('#include <color_fragment>', `#include <color_fragment>
      float off = abs(fract(high + 0.5) - 0.5) / max(fwidth(high), 1e-4);
      diffuseColor.rgb = mix(ink, diffuseColor.rgb, 0.84 + 0.16 * smoothstep(0.3, 1.1, off));`)
  }
  const body = new THREE.Mesh(new THREE.BufferGeometry(), metal)
  const face = new THREE.Mesh(new THREE.BufferGeometry(), new THREE.MeshBasicMaterial({ color: colour('--sheet'), side: THREE.DoubleSide }))
  const slab = new THREE.Mesh(new THREE.CircleGeometry(1, 96), new THREE.MeshBasicMaterial({ color: colour('--dye'), transparent: true, opacity: 0.24, side: THREE.DoubleSide, depthWrite: false }))
  const line = (name: string, wide: number) => new LineSegments2(new LineSegmentsGeometry(), new LineMaterial({ color: colour(name).getHex(), linewidth: wide }))
  const creases = line('--ink', 1.5)
  const walls = line('--dye', 2.5)
  const bar = line('--ink', 2)
  const hatched = new THREE.MeshBasicMaterial({ color: colour('--sheet'), side: THREE.DoubleSide })
  hatched.onBeforeCompile = (shader) => {
    shader.uniforms.ink = { value: colour('--ink') }
    shader.fragmentShader = `uniform vec3 ink;\n${shader.fragmentShader}`.replace('#include <color_fragment>', '#include <color_fragment>\nif (mod(gl_FragCoord.x + gl_FragCoord.y, 9.0) < 1.5) diffuseColor.rgb = ink;')
  }
  const sawn = new THREE.Mesh(new THREE.BufferGeometry(), hatched)
  const profile = line('--ink', 2.5)
  /** What stands nearer than the section is gone. */
  const near = new THREE.Plane(new THREE.Vector3(0, 1, 0), 0)
  let sawnAt: number | undefined
  scene.add(body, face, slab, creases, walls, bar, sawn, profile)

  let shown: { positions: Float32Array, triangles: Uint32Array } | undefined
  let plane: Cut = { depth: 0, slopeX: 0, slopeY: 0 }
  let [radius, level, view] = [50, 0, 'head' as BodyView]
  const segments = (of: typeof creases, points: ArrayLike<number>) => {
    of.geometry.dispose()
    of.geometry = new LineSegmentsGeometry()
    of.visible = points.length > 0
    if (points.length > 0) of.geometry.setPositions(points instanceof Float32Array ? points : new Float32Array(points as number[]))
  }

  const ruler = () => lengths === 'in' ? { words: '½ in', long: 12.7 } : { words: '10 mm', long: 10 }
  /** Where the rule lies: at the end that is told by no cylinder. */
  const ruled = () => radius * (rowBegins()?.left ? 0.8 : -0.8)
  function scale() {
    const half = ruler().long / 2
    segments(bar, [ruled() - half, radius * 0.86, level, ruled() + half, radius * 0.86, level])
  }
  function names() {
    const { clientWidth: w, clientHeight: h } = renderer.domElement
    const at = (words: string, x: number, y: number): BodyName => {
      const p = new THREE.Vector3(x, y, level).project(camera)
      return { words, left: Math.max(44, Math.min(w - 44, (p.x + 1) / 2 * w)), top: Math.max(UNDER_PRESSES, Math.min(h - 12, (1 - p.y) / 2 * h)) }
    }
    // Sawn open one looks along the face: a rule that lies on it is not to be read there.
    const begins = rowBegins()
    tell([
      at('intake side', 0, -radius), ...begins ? [at(begins.left ? `← to cylinder ${begins.cylinder}` : `to cylinder ${begins.cylinder} →`, radius * (begins.left ? -0.9 : 0.9), radius * 0.97)] : [],
      ...sawnAt === undefined ? [at(ruler().words, ruled(), radius * 0.97)] : []
    ])
  }
  // One picture a frame however often the hand moves; a device that can't keep up draws coarsely, without lines, until the hand rests.
  const SLOW = 60
  let [asked, slow, turning, last] = [false, false, false, 0]
  function draw() {
    if (asked) return
    asked = true
    requestAnimationFrame((now) => {
      asked = false
      slow = turning && (slow || (last > 0 && now - last > SLOW))
      last = turning ? now : 0
      creases.visible = !slow
      const fine = slow ? 0.5 : window.devicePixelRatio
      if (renderer.getPixelRatio() !== fine) renderer.setPixelRatio(fine)
      paint()
    })
  }
  controls.addEventListener('start', () => turning = true)
  controls.addEventListener('end', () => {
    turning = false
    draw()
  })
  function paint() {
    const begun = performance.now()
    const [right, up] = [0, 1].map(i => new THREE.Vector3().setFromMatrixColumn(camera.matrixWorld, i))
    light.target.position.copy(controls.target)
    light.position.copy(camera.position).addScaledVector(right!, -110).addScaledVector(up!, 110)
    renderer.render(scene, camera)
    names()
    // For the bench: what the page itself does for a picture, apart from what its drawing costs the screen.
    performance.measure('body picture', { start: begun })
    performance.clearMeasures('body picture')
  }
  controls.addEventListener('change', draw)

  function stand() {
    controls.target.set(0, 0, level + (view === 'head' ? 2 : 8))
    // From below the intake side is up and cylinder 1 to the right, as on the plan beside it.
    // Sawn open one looks at the cut, not down on it.
    camera.position.set(0, sawnAt !== undefined ? -200 : view === 'head' ? -70 : -120, view === 'head' ? (sawnAt !== undefined ? -60 : -200) : 120)
    metal.side = view === 'head' ? THREE.BackSide : THREE.FrontSide
    metal.needsUpdate = true
    face.visible = view === 'head'
    controls.update()
  }
  function cut() {
    slab.scale.set(radius, radius, 1)
    slab.position.set(0, 0, plane.depth)
    slab.quaternion.setFromUnitVectors(new THREE.Vector3(0, 0, 1), new THREE.Vector3(-plane.slopeX, -plane.slopeY, 1).normalize())
    slab.visible = Math.abs(plane.depth - level) > FLAT || plane.slopeX !== 0 || plane.slopeY !== 0
    segments(walls, shown && slab.visible ? crossing(shown.positions, shown.triangles, overCut(shown.positions, plane)) : [])
  }
  function saw() {
    const at = sawnAt
    const clip = at === undefined ? [] : [near]
    bar.visible = at === undefined
    for (const one of [metal, face.material, slab.material, creases.material, walls.material]) one.clippingPlanes = clip
    sawn.visible = at !== undefined && shown !== undefined
    if (at === undefined || !shown) return segments(profile, [])
    near.constant = -at
    const { positions, triangles } = shown
    // A hair beside the corners that lie on it.
    const pairs = crossing(positions, triangles, i => positions[3 * i + 1]! - at - 1e-4)
    segments(profile, pairs)
    const half = Math.sqrt(Math.max(1, radius * radius - at * at))
    const top = ROOF + pairs.reduce((most, z, i) => i % 3 === 2 ? Math.max(most, z) : most, level)
    const metalIn = new THREE.Shape([[-half, level], [half, level], [half, top], [-half, top]].map(([x, z]) => new THREE.Vector2(x, z)))
    metalIn.holes = loopsOf(pairs).map(loop => new THREE.Path(loop.map(([x, z]) => new THREE.Vector2(x, Math.max(level + 1e-3, z)))))
    sawn.geometry.dispose()
    sawn.geometry = new THREE.ShapeGeometry(metalIn).rotateX(Math.PI / 2).translate(0, at, 0)
  }
  stand()
  return {
    draw,
    surface(positions: Float32Array, triangles: Uint32Array) {
      shown = { positions, triangles }
      level = Infinity
      for (let i = 2; i < positions.length; i += 3) level = Math.min(level, positions[i]!)
      // The lid over its mouth is no metal: one looks through it.
      const lid: number[] = []
      const rest: number[] = []
      for (let t = 0; t < triangles.length; t += 3) {
        const three = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!]
        const list = three.every(i => positions[3 * i + 2]! < level + FLAT) ? lid : rest
        list.push(...three)
      }
      const indexed = new THREE.BufferGeometry()
      indexed.setAttribute('position', new THREE.BufferAttribute(positions, 3))
      indexed.setIndex(rest)
      body.geometry.dispose()
      // Faces of their own, so that a machined edge stays one.
      body.geometry = indexed.toNonIndexed()
      body.geometry.computeVertexNormals()
      segments(creases, new THREE.EdgesGeometry(indexed, CREASE).attributes.position!.array as Float32Array)
      const disc = new THREE.Shape().absarc(0, 0, radius, 0, 2 * Math.PI)
      disc.holes = rimOf(positions, lid).map(loop => new THREE.Path(loop.map(i => new THREE.Vector2(positions[3 * i], positions[3 * i + 1]))))
      face.geometry.dispose()
      face.geometry = new THREE.ShapeGeometry(disc, 48)
      face.position.z = level
      scale()
      stand()
      cut()
      saw()
    },
    /** Saws the head open along the crank, so far from the bore's line, or puts it together again. */
    section(to: number | undefined) {
      const first = (sawnAt === undefined) !== (to === undefined)
      sawnAt = to
      saw()
      if (first) stand()
      draw()
    },
    plane(to: Cut, bore: number) {
      plane = to
      radius = bore * 0.62
      cut()
    },
    measure(by: LengthUnit) {
      lengths = by
      scale()
      draw()
    },
    turn(to: BodyView) {
      view = to
      stand()
      draw()
    },
    fit(width: number, height: number) {
      if (width < 2 || height < 2) return
      renderer.setSize(width, height)
      const half = radius * Math.max(1, Math.min(width, height) / (Math.min(width, height) - 24))
      const [x, y] = width > height ? [half * width / height, half] : [half, half * height / width]
      Object.assign(camera, { left: -x, right: x, top: y, bottom: -y })
      camera.updateProjectionMatrix()
      for (const one of [creases, walls, bar, profile]) one.material.resolution.set(width, height)
    },
    close() {
      controls.dispose()
      for (const one of [body, face, slab, creases, walls, bar, sawn, profile]) {
        one.geometry.dispose()
        one.material.dispose()
      }
      renderer.dispose()
      renderer.domElement.remove()
    }
  }
}
