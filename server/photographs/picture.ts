/** A picture as it was made anew, and the same small. */
export interface Remade { bytes: Buffer, small: Buffer, width: number, height: number }

/** A picture that can't be kept, and why. */
export class NoPicture extends Error {}

/** What goes before the two pictures from the process that makes them: their sizes, or why there are none. */
export type Head = { width: number, height: number, bytes: number, small: number } | { sentence: string }
