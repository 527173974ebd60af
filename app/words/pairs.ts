/** A table of words as the choices of a list, in its order. */
export const pairsOf = <Key extends string>(words: Readonly<Record<Key, string>>): (readonly [Key, string])[] => Object.entries(words) as [Key, string][]
/** Words that are their own names, as choices. */
export const plainPairs = <Key extends string>(names: readonly Key[]): (readonly [Key, string])[] => names.map(name => [name, name])
