import { kindForm } from '../kindForm'

export const pour = kindForm<'pour'>({
  figure: {
    label: 'Right reading',
    dimension: () => 'volume',
    right: (body, figure, terms) => {
      const { kind, capacity } = body.instrument
      // One term is where the glass stood in the end; several are fills one after the other.
      const fills = terms.map((end, i) => ({ start: terms.length === 1 ? body.fills[0]!.start : body.fills[i]?.start ?? (kind === 'burette' ? 0 : capacity), end }))
      return { ...body, fills, typed: figure.typed }
    }
  }
})
