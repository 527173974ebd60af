/** The trade's vocabulary. Lengths mm, areas mm², volumes cc, angles degrees; conversion happens at the edges. */
export * from './engine'
export * from './estimate'
export * from './pour'
export * from './squish'
export * from './chamber'
export * from './ledger'
export * from './shop'
export { DomainError } from './domain'
