import { fieldFault } from '#shared/dto'

/** Rules of a field as Vuetify asks for them. */
export type FieldRules = ((value: unknown) => true | string)[]

/**
 * Rules of a form's fields, off the very class that the server checks them with: told when a field is left, and never
 * before.
 *
 * @param Body the class
 * @param as what a typed text means to the class; itself if not given
 */
export function useRules(Body: new () => object, as: (text: string, field: string) => unknown = text => text) {
  return (field: string): FieldRules => [value => fieldFault(Body, { [field]: as(String(value ?? ''), field) }, field) ?? true]
}
