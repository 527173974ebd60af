import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { BenchGauge } from '#shared/dto'
import { readGauge } from '#shared/figures'
import { gaugeReading } from '~/composables/useBenchKeys'
import type { GaugePlace } from '~/composables/useKeypad'
import { useBuild } from './build'
import { useShop } from './shop'

/** The gauge in hand: what it shows now, and putting that where a typing gauge would. */
export const useGauge = defineStore('gauge', () => {
  const shop = useShop()
  const build = useBuild()
  const keypad = useKeypad()
  const all = ref<BenchGauge[]>([])
  /** Those that a hand holds; a flow bench is none of them. */
  const gauges = computed(() => all.value.filter(g => g.measures !== 'flow'))
  const benches = computed(() => all.value.filter(g => g.measures === 'flow'))
  const chosenId = useLocalStorage('bowl.gauge', '')
  const chosen = computed(() => gauges.value.find(g => g.id === chosenId.value))
  const shown = ref('')
  /** Where it is held: the field that was focused last. */
  const place = ref<GaugePlace>()
  /** Each reading taken ends a filling; the next begins at nought. */
  const turn = ref(0)

  async function load() {
    all.value = await shop.read<BenchGauge[]>('/api/gauges') ?? all.value
  }

  watch(() => keypad.active.value?.gaugeAt, (at) => {
    if (at) place.value = at
  })
  /** A flow bench that is running has the one live channel until it is let go. */
  const bench = shallowRef<{ id: string, what: string, turn: number, on: (line: string) => void }>()
  const held = computed(() => bench.value && build.view
    ? { gauge: bench.value.id, build: build.view.id, cylinder: build.cylinder, what: bench.value.what, x: 0, y: 0, turn: bench.value.turn }
    : chosen.value && build.view
      ? { gauge: chosen.value.id, build: build.view.id, cylinder: build.cylinder, what: place.value?.what ?? '', x: place.value?.x ?? 0, y: place.value?.y ?? 0, turn: turn.value }
      : undefined)
  watch(held, (now, before) => {
    if (JSON.stringify(now) === JSON.stringify(before)) return
    shown.value = ''
    const running = bench.value
    shop.hold(now, (data) => {
      if (running) running.on(data)
      else shown.value = readGauge(data) ?? shown.value
    })
  })

  /** Puts what the gauge shows into the focused field, or asks where it belongs. */
  function take() {
    const reading = shown.value
    if (!reading) return
    if (keypad.active.value) keypad.active.value.take(reading)
    else gaugeReading.value = reading
    turn.value++
  }
  return { gauges, benches, chosenId, chosen, shown, place, bench, load, take }
})
