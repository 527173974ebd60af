import { expose, transfer } from 'comlink'
import Module from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import { SolidBench, type Answer, type AskName, type Call } from './solidBench'
import { stlOf } from './stl'

const bench = Module({ locateFile: () => wasmUrl }).then((kit) => {
  kit.setup()
  return new SolidBench(kit, stlOf)
})

expose({
  async call<K extends AskName>(call: Call<K>): Promise<Answer<K>> {
    const answer = await (await bench).call(call)
    if (answer.kind !== 'done') return answer
    const { value } = answer
    if (value instanceof ArrayBuffer) return transfer(answer, [value])
    if (typeof value === 'object' && 'positions' in value) return transfer(answer, [value.positions.buffer, value.triangles.buffer])
    return answer
  }
})
