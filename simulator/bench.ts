import { BENCH_LIFTS, DEMO_BENCH, flowTruth, hiddenPort } from '../demo/flow'
import { truthOf } from '../demo/truth'
import { SimulatedFlowBench } from './flowBench'
import { fillingLevel, simulatedGauge, type GaugeTraits } from './gauge'

/** Where a gauge is held: in the build of which name, cylinder and thing, and at which place on the crown. */
export interface HeldAt { build: string, cylinder: number, what: string, x: number, y: number }

/** A stand-in gauge as the server's gauge drivers see it. */
export interface SimulatedDriver {
  id: string
  name: string
  measures: 'volume' | 'length' | 'mass' | 'flow'
  unit: string
  resolution: number
  open: (at: HeldAt, send: (piece: string) => void) => () => void
}

/** Readings a second. */
const RATE = 20

let opened = 0

/** Sends what a gauge would: a line of text a reading, its sign and unit with it. */
function stream(next: (seconds: number) => number, decimals: number, unit: string, send: (piece: string) => void): () => void {
  const begun = Date.now()
  const timer = setInterval(() => {
    const value = next((Date.now() - begun) / 1000)
    send(`${value < 0 ? '' : '+'}${value.toFixed(decimals)} ${unit}\r\n`)
  }, 1000 / RATE)
  return () => clearInterval(timer)
}

function handGauge(id: string, name: string, measures: 'length' | 'mass', unit: string, traits: GaugeTraits): SimulatedDriver {
  return {
    id, name, measures, unit, resolution: traits.resolution,
    open(at, send) {
      const show = simulatedGauge(traits, ++opened)
      const truth = truthOf(at)
      return stream(seconds => show(truth ?? 0, seconds), traits.resolution < 0.1 ? 2 : 1, unit, send)
    }
  }
}

/** A burette whose level is read off its display. Every ninth filling has a bubble in it, every thirteenth leaks. */
const burette: SimulatedDriver = {
  id: 'sim-burette', name: 'Simulated burette', measures: 'volume', unit: 'cc', resolution: 0.1,
  open(at, send) {
    const turn = ++opened
    const show = simulatedGauge({ resolution: 0.1, noise: 0.015, drift: 0 }, turn)
    const truth = truthOf(at)
    const mishap = turn % 9 === 0 ? { bubble: 0.9 } : turn % 13 === 0 ? { leak: 0.4 } : {}
    // The display's own error, the same every time: what a check pour finds.
    return stream(seconds => truth === undefined ? 0 : show(fillingLevel(truth + 0.07, seconds, mishap), seconds), 1, 'cc', send)
  }
}

/** Seconds a lift takes: a real bench settles for longer. */
const LIFT_SECONDS = 0.6

/** A flow bench that steps through its lifts and sends each once, then waits. */
const flowBench: SimulatedDriver = {
  id: 'sim-flow', name: 'Simulated flow bench', measures: 'flow', unit: 'L/s', resolution: 0.1,
  open({ build, what }, send) {
    const bench = new SimulatedFlowBench(DEMO_BENCH, ++opened)
    const port = hiddenPort(build, what === 'exhaustFlow' ? 'exhaust' : 'intake')
    let i = 0
    const timer = setInterval(() => {
      const lift = BENCH_LIFTS[i++]
      if (lift === undefined) return clearInterval(timer)
      send(`+${lift.toFixed(2)} mm +${bench.read(flowTruth(port, lift)).toFixed(1)} L/s\r\n`)
    }, LIFT_SECONDS * 1000)
    return () => clearInterval(timer)
  }
}

/** The bench's stand-ins, in the order they are offered. */
export const simulatedBench: SimulatedDriver[] = [
  burette,
  handGauge('sim-dial', 'Simulated dial indicator', 'length', 'mm', { resolution: 0.01, noise: 0.003, drift: 0.004 }),
  handGauge('sim-calliper', 'Simulated calliper', 'length', 'mm', { resolution: 0.01, noise: 0.006, drift: 0 }),
  handGauge('sim-scale', 'Simulated scale', 'mass', 'g', { resolution: 0.1, noise: 0.05, drift: 0.05 }),
  flowBench
]
