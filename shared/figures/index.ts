export { CORE_UNIT, UNITS, fitsDimension, fromCore, inCore, isUnit, type UnitName } from './units'
export { TYPED_LIMIT, parseFigure, sayAsTyped, type FieldOf, type Parsed } from './parse'
export { airSpeed, capital, digits, inLengths, placesFor, say, sayCylinders, sayDoubt, sayList, sayRate, shown, shownUnit, signed, type LengthUnit } from './show'
export { readGauge } from './gauge'
