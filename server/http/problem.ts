import type { Problem } from '#shared/dto'

/** An answer that is not the wanted one, on its way to becoming problem+json. */
export class ApiProblem extends Error {
  constructor(readonly status: number, readonly title: string, detail: string, readonly more: Partial<Problem> = {}) {
    super(detail)
  }
}
