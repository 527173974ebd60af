import { v5 as uuidv5 } from 'uuid'

export const SHOP_NAME = 'Millrace Lane Engine Works'

const DEMO_NAMESPACE = '2b0e4c1a-9c1f-5a7e-8f36-5d1b2a7c4e90'

/** An identity made from a name: the same on every machine. */
export const demoId = (name: string): string => uuidv5(name, DEMO_NAMESPACE)
