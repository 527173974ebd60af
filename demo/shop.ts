import { instruments } from './instruments'
import { launchEngine } from './launch'
import { testSix } from './testSix'

const hand = 'ML'

/** The made-up demo shop, as it is put into a new database. */
export const demoShop = {
  name: 'Millrace Lane Engine Works',
  hand,
  instruments,
  builds: [launchEngine(hand), testSix(hand)].map(({ build, name, reference, entries }) => ({ id: build, name, reference, entries }))
}
