<script setup lang="ts">
import worker from 'pdfjs-dist/build/pdf.worker.min.mjs?url'

/** A paper as it will print: the very PDF that is saved, page by page. */
const props = defineProps<{ pdf: Uint8Array, name: string }>()
const pages = ref<{ n: number, width: number, height: number, text: string }[]>([])
const sheets = useTemplateRef<HTMLCanvasElement[]>('sheets')
const fault = ref('')
/** Only the newest is drawn: a paper that was asked for before this one comes too late. */
let turn = 0

async function draw() {
  const mine = ++turn
  fault.value = ''
  const pdfjs = await import('pdfjs-dist')
  pdfjs.GlobalWorkerOptions.workerSrc = worker
  // It takes the bytes it is given for its own.
  const loading = pdfjs.getDocument({ data: props.pdf.slice(), isEvalSupported: false })
  try {
    const document = await loading.promise
    const found = await Promise.all(Array.from({ length: document.numPages }, (_, i) => document.getPage(i + 1)))
    if (mine !== turn) return
    const texts = await Promise.all(found.map(async page => (await page.getTextContent()).items.map(item => 'str' in item ? item.str : '').join(' ').replace(/\s+/g, ' ').trim()))
    const ratio = Math.min(2, window.devicePixelRatio || 1) * 1.35
    pages.value = found.map((page, i) => ({ n: i + 1, ...(({ width, height }) => ({ width, height }))(page.getViewport({ scale: ratio })), text: texts[i]! }))
    await nextTick()
    for (const [i, page] of found.entries()) {
      const canvas = sheets.value?.[i]
      if (mine !== turn || !canvas) return
      await page.render({ canvas, viewport: page.getViewport({ scale: ratio }) }).promise
    }
  } catch (error) {
    console.warn('a paper could not be shown', error)
    if (mine === turn) fault.value = 'This paper can’t be shown here. Save it, and open it beside this page.'
  } finally {
    void loading.destroy()
  }
}
watch(() => props.pdf, draw, { immediate: true })
onBeforeUnmount(() => turn++)
</script>

<template>
  <div class="sheets" :aria-busy="pages.length === 0 && !fault" data-paper>
    <p v-if="fault" class="sentence">{{ fault }}</p>
    <canvas v-for="page in pages" :key="page.n" ref="sheets" :width="page.width" :height="page.height" role="img" :aria-label="`${name}, page ${page.n} of ${pages.length}: ${page.text}`" />
  </div>
</template>

<style scoped>
.sheets { display: grid; gap: 14px; justify-items: center; }
canvas { width: 100%; max-width: 760px; height: auto; background: #fff; border: 1px solid var(--ink); }
</style>
