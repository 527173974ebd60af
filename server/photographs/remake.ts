import sharp from 'sharp'
import { NoPicture, type Remade } from './picture'

/** Longest edge that is kept, and that of the small one, px. */
export const LONGEST = 3000
const SMALL = 360
/** A picture of more than this is not opened: phones take up to some fifty million. */
export const MOST_PIXELS = 80_000_000
const SECONDS = 20

// Only what a camera makes is read at all: no drawing, no document, no format that opens other files.
sharp.block({ operation: ['VipsForeignLoad'] })
sharp.unblock({ operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer'] })
sharp.cache(false)
sharp.concurrency(1)

/**
 * Makes a picture anew: upright, at most {@link LONGEST} px, JPEG, without the place it was taken at or anything else that came
 * with it.
 *
 * @throws NoPicture where it is none, is cut short, or is too large to open
 */
export async function remake(sent: Buffer): Promise<Remade> {
  if (sent.length === 0) throw new NoPicture(unreadable)
  const opened = sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'truncated', sequentialRead: true })
  const { width = 0, height = 0 } = await opened.metadata().catch((error: Error) => {
    throw new NoPicture(/pixel limit/i.test(error.message) ? tooLarge : unreadable)
  })
  if (width * height > MOST_PIXELS) throw new NoPicture(tooLarge)
  try {
    const { data, info } = await opened.autoOrient().resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#fff' }).timeout({ seconds: SECONDS }).jpeg({ quality: 84 }).toBuffer({ resolveWithObject: true })
    const small = await sharp(data).resize({ width: SMALL, height: SMALL, fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 78 }).toBuffer()
    return { bytes: data, small, width: info.width, height: info.height }
  } catch {
    throw new NoPicture('This picture is damaged, or was cut short on its way. Take it again, or send it anew.')
  }
}

const unreadable = 'This is no picture that can be read here: JPEG, PNG and WebP are.'
const tooLarge = `This picture is too large to open: at most ${MOST_PIXELS / 1e6} million pixels.`
