import { fineCheck, instruments } from './instruments'
import { caldbeck } from './caldbeck'
import { practiceHeads } from './castings'
import { hollin } from './hollin'
import { launchEngine } from './launch'
import { SHOP_NAME } from './names'
import { skerry, skerrySmall } from './skerry'
import { testSix } from './testSix'

const hand = 'ML'

/** The made-up demo shop, as it is put into a new database. */
export const demoShop = {
  name: SHOP_NAME,
  hand,
  instruments,
  checks: [fineCheck],
  builds: [launchEngine(hand), hollin(hand), skerry(hand), skerrySmall(hand), caldbeck(hand), testSix(hand), ...practiceHeads(hand)].map(({ build, name, reference, entries, photographs }) => ({ id: build, name, reference, entries, photographs }))
}
