import { simulatedBench } from '#simulator/bench'

/** Where a gauge is held. Real gauges need not know; a stand-in has nothing else to go by. */
export interface HeldAt { build: string, cylinder: number, what: string, x: number, y: number }

/**
 * A gauge that sends readings. A serial gauge is one more file that makes one of these (its lines read by
 * `readLines`) and one more line below.
 */
export interface GaugeDriver {
  id: string
  name: string
  measures: 'volume' | 'length' | 'mass'
  /** Unit of its readings, as it would be typed. */
  unit: string
  resolution: number
  /** Starts sending; the returned function ends it. */
  open: (at: HeldAt, onReading: (value: number) => void) => () => void
}

/** Every gauge of this bench. The stand-ins come with the demo shop. */
export const gauges = (): GaugeDriver[] => process.env.BOWL_DEMO === '1' ? simulatedBench : []
