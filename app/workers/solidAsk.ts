import type { ChamberModel } from '#core'
import { v5 as uuidv5 } from 'uuid'
import type { SolidAsk } from './solidBench'

const NAMES = '6f1d2a0c-51b7-5e0f-9d3a-2f8f0c1e7b55'

/** What is asked of the worker for a chamber: drawing, pour, cuts, under one name. */
export function solidAsk(model: ChamberModel, measured: number | undefined): SolidAsk {
  const { spec, done, seats } = model
  const ask = { spec, done, ...(measured === undefined ? {} : { measured }), assumed: { intake: seats.intake === 'assumed', exhaust: seats.exhaust === 'assumed' } }
  return { key: uuidv5(JSON.stringify(ask), NAMES), ...ask }
}
