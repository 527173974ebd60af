import { crankAngleAtDrop, pistonTravel, topDeadCentre, type CrankTrain } from '../engine'
import { carry, linear, type Sourced } from '../estimate'
import { NOW, operationsOn, type Ledger, type OperationEntry } from '../ledger'
import { combine, sum, type Part } from './part'
import { cutDepth, knownQuantity, pistonRise, statedQuantity, underBarrel } from './statements'

function trainOf(ledger: Ledger, cylinder: number): { stroke: Part, rod: Part, pinOffset: number } | undefined {
  const [stroke, rod] = [statedQuantity(ledger, 'stroke', cylinder), knownQuantity(ledger, 'rodLength', cylinder)]
  return stroke && rod && { stroke, rod, pinOffset: statedQuantity(ledger, 'pinOffset', cylinder)?.estimate.value ?? 0 }
}

/** Nothing where a crank train can't turn. */
function turning<T>(f: () => T): T | undefined {
  try {
    return f()
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}

/**
 * Travel from where the exhaust port is just shut to top dead centre.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param planned operations to add after everything done
 * @returns mm, from whichever was said last: that travel itself, the port's edge below the deck less the deck clearance, or
 *   the degrees it is open for; undefined where nobody said any of them,
 *   or the port would lie below the stroke
 * Source: Heywood §2.2, eq. 2.5 at half of what the port is shut for.
 * @example exhaustPort(ledger, 1)?.estimate.value // 43.1 mm
 */
export function exhaustPort(ledger: Ledger, cylinder: number, planned: OperationEntry[] = []): Part | undefined {
  const travel = statedQuantity(ledger, 'exhaustPortTop', cylinder, NOW, planned)
  const edge = statedQuantity(ledger, 'exhaustPortDeck', cylinder, NOW, planned)
  const deck = knownQuantity(ledger, 'deckClearance', cylinder, NOW, planned)
  const open = ledger.layout.engine?.strokes === 2 ? statedQuantity(ledger, 'exhaustDuration', cylinder) : undefined
  const train = trainOf(ledger, cylinder)
  const placeOf = (part: Part | undefined) => part ? ledger.place.get(part.entries[0]!)! : -1
  const ways = [
    { place: placeOf(travel), part: () => travel },
    { place: placeOf(edge), part: () => edge && deck && sum([[1, edge], [-1, deck]], 'derived') },
    { place: placeOf(open), part: () => open && train && turning(() => moved(shutFor(open, train), ledger, cylinder, placeOf(open), planned)) }
  ].sort((a, b) => b.place - a.place)
  return ways.filter(way => way.place >= 0).map(way => way.part()).find(part => part && part.estimate.value > 0 && part.estimate.value < (train?.stroke.estimate.value ?? Infinity))
}

/** A travel that was known at a place, with what has lifted or lowered the barrel since, or its piston's crown. */
function moved(part: Part, ledger: Ledger, cylinder: number, since: number, planned: OperationEntry[]): Part {
  const operations = operationsOn([...ledger.done.filter(op => ledger.place.get(op.id)! > since), ...planned], ledger.layout, cylinder, ['spacer', 'deckCut', 'crownWork'])
  const terms = operations.flatMap((op): [number, Sourced][] => {
    if (op.kind === 'spacer') return [[-1, underBarrel(op)]]
    const rise = op.kind === 'crownWork' ? pistonRise(op) : op.kind === 'deckCut' && op.body.foot ? cutDepth(op, cylinder) : undefined
    return rise ? [[1, rise]] : []
  })
  return terms.length === 0 ? part : { ...part, estimate: linear([[1, part.estimate], ...terms]) }
}

function shutFor(open: Part, { stroke, rod, pinOffset }: NonNullable<ReturnType<typeof trainOf>>): Part {
  return combine(([degrees, s, l]) => {
    const train: CrankTrain = { stroke: s!, rodLength: l!, pinOffset }
    return pistonTravel(train, topDeadCentre(train) + (360 - degrees!) / 2)
  }, [open, stroke, rod], 'derived')
}

/**
 * Degrees of crank that the exhaust port is open for, as it is or with what is planned.
 *
 * @param ledger the opened ledger
 * @param cylinder its number
 * @param planned operations to add after everything done
 * @returns undefined without port, stroke or rod, or where the port lies below the stroke
 * Source: crank angles of its travel on either side of top dead centre ({@link crankAngleAtDrop}), 360° less both.
 * @example portOpen(ledger, 1)?.estimate.value // 190°
 */
export function portOpen(ledger: Ledger, cylinder: number, planned: OperationEntry[] = []): Part | undefined {
  const [port, train] = [exhaustPort(ledger, cylinder, planned), trainOf(ledger, cylinder)]
  if (!port || !train || port.estimate.value >= train.stroke.estimate.value) return undefined
  const { stroke, rod, pinOffset } = train
  return turning(() => {
    const shut = (value: number) => {
      const of: CrankTrain = { stroke: stroke.estimate.value, rodLength: rod.estimate.value, pinOffset }
      return crankAngleAtDrop(of, value, 'after') - crankAngleAtDrop(of, value, 'before')
    }
    return { ...port, provenance: 'derived', estimate: carry(([h]) => 360 - shut(h!), [port.estimate]) }
  })
}
