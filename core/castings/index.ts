export { coverageFactor, likelyOfNext, scatterOf, USUAL_SCATTER, type Likely, type Scatter } from './spread'
export { CASTING_FIGURES, castingEntries, castingHeads, castingStart, castingsOf, type Casting, type CastingFigure, type CastingGain, type CastingHead } from './castings'
