import { simulatedBench } from '#simulator/bench'

/** Where a gauge is held, `build` being its name. Real gauges need not know; a stand-in has nothing else to go by. */
export interface HeldAt { build: string, cylinder: number, what: string, x: number, y: number }

/**
 * A gauge that sends readings as lines of text, as it would over a serial line. A real one is one more file that
 * makes one of these out of its port, and one more line below; how its pieces become readings is `readLines`.
 */
export interface GaugeDriver {
  id: string
  name: string
  measures: 'volume' | 'length' | 'mass' | 'flow'
  /** Unit of its readings, as it would be typed. */
  unit: string
  resolution: number
  /** Starts sending, in pieces however they fall; the returned function ends it. */
  open: (at: HeldAt, send: (piece: string) => void) => () => void
}

/** Every gauge of this bench. The stand-ins come with the demo shop. */
export const gauges = (): GaugeDriver[] => process.env.BOWL_DEMO === '1' ? simulatedBench : []
