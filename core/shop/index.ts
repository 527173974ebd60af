export { SCHOOL_AREAS, SCHOOL_TOPICS, type SchoolArea, type SchoolTopic } from './schools'
export { STARTING_COSTS, WORK, type Cost, type Work, type WorkCosts } from './costs'
export { EDGES, LEVERS, ROUTE_MOST, switched, type Edges, type Lever, type RouteMost, type RouteStart } from './routeStart'
export { STARTING_RULES, cautiousLeast, leastClearance, windowFor, type LeastClearances, type SeatRule, type SeatRules, type ShopRules, type SpringRules, type SquishWindow } from './rules'
