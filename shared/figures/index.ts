export { CORE_UNIT, UNITS, isUnit, type UnitName } from './units'
export { TYPED_LIMIT, parseFigure, type FieldOf, type Parsed } from './parse'
export { digits, say, sayCylinders, sayDoubt, sayList, shown, shownUnit, type LengthUnit } from './show'
export { readGauge } from './gauge'
