import { expose, transfer } from 'comlink'
import Module from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import { SolidBench, type Answer, type AskName, type Call, type Recipe } from './solidBench'

const made = async () => {
  const kit = await Module({ locateFile: () => wasmUrl })
  kit.setup()
  // Files are written rarely and with a large package: it comes when one is.
  return new SolidBench(kit, async mesh => (await import('./stl')).stlOf(mesh))
}
let bench: Promise<SolidBench> | undefined

/** The bench; what could not be fetched once is fetched again for the next question. */
function ready(): Promise<SolidBench> {
  bench ??= made().catch((error: unknown) => {
    bench = undefined
    throw error
  })
  return bench
}

expose({
  async know(made: Recipe[]): Promise<void> {
    (await ready()).know(made)
  },
  async call<K extends AskName>(call: Call<K>): Promise<Answer<K>> {
    const answer = await (await ready()).call(call)
    if (answer.kind !== 'done') return answer
    const { value } = answer
    if (value instanceof ArrayBuffer) return transfer(answer, [value])
    if (typeof value === 'object' && 'positions' in value) return transfer(answer, [value.positions.buffer, value.triangles.buffer])
    return answer
  }
})
