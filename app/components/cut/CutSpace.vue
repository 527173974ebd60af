<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import type { Cut } from '#core'
import { askSolids } from '~/composables/useSolids'

/** The chamber's air as a body, as a mould of it would stand on its mouth, and the plane of the cut through it; turned by the pointer or the arrow keys. */
const props = defineProps<{ chamber: string, plane: Cut, bore: number, label: string }>()
const holder = useTemplateRef<HTMLElement>('holder')
const size = useElementSize(holder)
const sentence = ref('')
let stage: Awaited<ReturnType<typeof open>> | undefined

/** The drawing package is large: it comes when somebody looks. */
async function open(host: HTMLElement) {
  const THREE = await import('three')
  const { OrbitControls } = await import('three/addons/controls/OrbitControls.js')
  const css = getComputedStyle(host)
  const colour = (name: string) => new THREE.Color(css.getPropertyValue(name).trim())
  const renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true })
  host.appendChild(renderer.domElement)
  renderer.domElement.setAttribute('aria-hidden', 'true')
  const scene = new THREE.Scene()
  const camera = new THREE.PerspectiveCamera(32, 1, 1, 1000)
  camera.up.set(0, 0, 1)
  camera.position.set(40, -150, 95)
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.target.set(0, 0, 8)
  controls.enablePan = false
  controls.listenToKeyEvents(host)
  const light = new THREE.DirectionalLight(0xffffff, 2.2)
  scene.add(light, new THREE.AmbientLight(0xffffff, 1.1))
  const air = new THREE.Mesh(new THREE.BufferGeometry(), new THREE.MeshStandardMaterial({ color: colour('--well'), roughness: 0.75, side: THREE.DoubleSide }))
  const sheet = new THREE.Mesh(new THREE.PlaneGeometry(1, 1), new THREE.MeshBasicMaterial({ color: colour('--dye'), transparent: true, opacity: 0.32, side: THREE.DoubleSide, depthWrite: false }))
  scene.add(air, sheet)
  const draw = () => {
    light.position.copy(camera.position)
    renderer.render(scene, camera)
  }
  controls.addEventListener('change', draw)
  return {
    draw,
    surface(positions: Float32Array, triangles: Uint32Array) {
      air.geometry.dispose()
      air.geometry = new THREE.BufferGeometry()
      air.geometry.setAttribute('position', new THREE.BufferAttribute(positions, 3))
      air.geometry.setIndex(new THREE.BufferAttribute(triangles, 1))
      air.geometry.computeVertexNormals()
    },
    plane({ depth, slopeX, slopeY }: Cut, bore: number) {
      sheet.scale.set(bore * 1.2, bore * 1.2, 1)
      sheet.position.set(0, 0, depth)
      sheet.quaternion.setFromUnitVectors(new THREE.Vector3(0, 0, 1), new THREE.Vector3(-slopeX, -slopeY, 1).normalize())
    },
    fit(width: number, height: number) {
      if (width < 2 || height < 2) return
      renderer.setSize(width, height)
      camera.aspect = width / height
      camera.updateProjectionMatrix()
    },
    close() {
      controls.dispose()
      air.geometry.dispose()
      renderer.dispose()
      renderer.domElement.remove()
    }
  }
}
async function load() {
  const answer = await askSolids('surface', 'surface', { key: props.chamber })
  if (answer.kind !== 'done' || !stage) return
  stage.surface(answer.value.positions, answer.value.triangles)
  stage.draw()
}
onMounted(async () => {
  try {
    stage = await open(holder.value!)
  } catch {
    sentence.value = 'This device can’t draw in three dimensions; plan and section show the same cut.'
    return
  }
  stage.fit(size.width.value, size.height.value)
  stage.plane(props.plane, props.bore)
  await load()
})
watch(() => props.chamber, load)
watch([() => props.plane, size.width, size.height], () => {
  stage?.fit(size.width.value, size.height.value)
  stage?.plane(props.plane, props.bore)
  stage?.draw()
}, { deep: true })
onBeforeUnmount(() => stage?.close())
</script>

<template>
  <div ref="holder" class="space" tabindex="0" role="img" :aria-label="label"><p v-if="sentence" class="small">{{ sentence }}</p></div>
</template>

<style scoped>
.space { min-height: 0; min-width: 0; overflow: hidden; background: var(--sheet-deep); }
.space :deep(canvas) { display: block; }
</style>
