import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { opened } from './sfnt'

it.each(['400', '700'])('the font of weight %s is opened whole: each table adds up to the sum that its maker wrote', async (weight) => {
  const font = await opened(new Uint8Array(readFileSync(`node_modules/@fontsource/b612/files/b612-latin-${weight}-normal.woff`)))
  const at = new DataView(font.buffer)
  const tables = Array.from({ length: at.getUint16(4) }, (_, i) => {
    const [sum, offset, length] = [4, 8, 12].map(n => at.getUint32(12 + 16 * i + n)) as [number, number, number]
    return { tag: String.fromCharCode(...font.subarray(12 + 16 * i, 16 + 16 * i)), sum, offset, length }
  })
  expect(tables.map(t => t.tag)).toEqual(expect.arrayContaining(['cmap', 'glyf', 'head', 'hmtx', 'loca']))
  // OpenType, “Calculating Checksums”: big-endian words added up; that of head without its own word for the whole font.
  for (const { tag, sum, offset, length } of tables) {
    let added = 0
    for (let i = 0; i < length; i += 4) if (tag !== 'head' || i !== 8) added = (added + at.getUint32(offset + i)) >>> 0
    expect(added, tag).toBe(sum)
  }
})
it('what is no such font is refused', async () => {
  await expect(opened(new TextEncoder().encode('a font that is none, and long enough to be looked at all the same'))).rejects.toThrow(RangeError)
})
