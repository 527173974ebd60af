export { STARTING_RULES, leastClearance, windowFor, type LeastClearances, type ShopRules, type SquishWindow } from './rules'
