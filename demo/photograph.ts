import { createHash } from 'node:crypto'
import { crc32, deflateSync } from 'node:zlib'
import { chance } from './chance'

function chunk(type: string, data: Uint8Array): Buffer {
  const piece = Buffer.alloc(12 + data.length)
  piece.writeUInt32BE(data.length)
  piece.write(type, 4)
  piece.set(data, 8)
  piece.writeUInt32BE(crc32(piece.subarray(4, 8 + data.length)), 8 + data.length)
  return piece
}

/**
 * A PNG of rows of samples.
 *
 * @param bits a sample has
 * @param colour PNG's colour type: 0 grey, 2 red, green and blue
 * @param rows each with its filter's byte before it
 */
export function png(width: number, height: number, bits: number, colour: number, rows: Uint8Array): Buffer {
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width)
  head.writeUInt32BE(height, 4)
  head[8] = bits
  head[9] = colour
  return Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), chunk('IHDR', head), chunk('IDAT', deflateSync(rows)), chunk('IEND', new Uint8Array())])
}

export interface DemoPhotograph { sha256: string, bytes: Buffer }

const [WIDE, TALL] = [960, 640]
const smooth = (t: number) => t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t)

/** How the metal looks at a place of a head's face, px: its shade from 0 to 1, and its colour over that. */
type Look = (x: number, y: number) => readonly [red: number, green: number, blue: number]

function render(look: Look, seed: number): DemoPhotograph {
  const { uniform } = chance(seed)
  // A face that was ground once: fine lines along it, a few coarse ones across.
  const lines = Array.from({ length: TALL }, () => (uniform() - 0.5) * 9)
  const rows = new Uint8Array((WIDE * 3 + 1) * TALL)
  for (let y = 0; y < TALL; y++) {
    for (let x = 0; x < WIDE; x++) {
      // The lamp stands at the upper left.
      const light = 1.06 - 0.3 * Math.hypot(x / WIDE - 0.3, y / TALL - 0.25)
      const grain = lines[y]! + Math.round((uniform() - 0.5) * 3) * 3
      look(x, y).forEach((channel, i) => rows[y * (WIDE * 3 + 1) + 1 + x * 3 + i] = Math.max(0, Math.min(255, channel * light + grain)))
    }
  }
  const bytes = png(WIDE, TALL, 8, 2, rows)
  return { sha256: createHash('sha256').update(bytes).digest('hex'), bytes }
}

const METAL = [176, 178, 176] as const
const mix = (a: readonly number[], b: readonly number[], t: number) => a.map((v, i) => v + (b[i]! - v) * t) as unknown as readonly [number, number, number]

/** Two chambers of a head with the bridge between them, as a lamp shows them. */
function chambers(over: (metal: readonly [number, number, number], x: number, y: number) => readonly [number, number, number]): Look {
  const mouths = [[150, 320], [810, 320]] as const
  const water = [[480, 110], [480, 540], [60, 60], [900, 60], [60, 590], [900, 590]] as const
  return (x, y) => {
    const chamber = Math.min(...mouths.map(([cx, cy]) => Math.hypot((x - cx) / 1.05, (y - cy) / 0.86) - 250))
    const hole = Math.min(...water.map(([cx, cy]) => Math.hypot(x - cx, y - cy) - 24))
    if (hole < 0) return mix([34, 32, 30], METAL, smooth((hole + 4) / 8))
    const inside = mix([96, 86, 74], [58, 50, 42], smooth(-chamber / 220))
    return chamber < 0 ? mix(inside, METAL, smooth((chamber + 5) / 10)) : over(METAL, x, y)
  }
}

/** Soot that was blown across the bridge where the gasket leaked. */
export const leakPhotograph = (): DemoPhotograph => render(chambers((metal, x, y) => {
  const middle = 322 + 26 * Math.sin(x / 70) + 9 * Math.sin(x / 17)
  const track = smooth(1 - Math.abs(y - middle) / (30 + 10 * Math.sin(x / 41)))
  return mix(mix(metal, [150, 132, 104], 0.8 * smooth(1 - Math.abs(y - middle) / 90)), [38, 32, 28], 0.85 * track)
}), 6)

/** Paint that somebody let run onto the face. */
export const paintPhotograph = (): DemoPhotograph => render(chambers((metal, x, y) => {
  const edge = 560 + 22 * Math.sin(x / 53) + 14 * Math.sin(x / 19)
  return y > edge || Math.hypot(x - 700, (y - 570) / 1.4) < 46 ? mix([44, 74, 92], metal, smooth((edge - y + 6) / 12) * 0.2) : metal
}), 7)
