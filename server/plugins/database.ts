import { SHOP_NAME } from '#demo/names'
import { openShop } from '../db/builds'
import { applyMigrations } from '../db/migrate'
import { seed } from '../db/seed'
import { SHOP } from '../http/shop'
import { keepSummaries } from '../aside'
import { forTheLog } from '../db/trouble'
import { isReady } from '../http/ready'

async function prepare(): Promise<void> {
  await applyMigrations()
  const { hasDemo } = await openShop(SHOP, SHOP_NAME)
  if (!hasDemo && process.env.BOWL_DEMO === '1') {
    // Read only where it is put in: its photographs take seconds to draw, which every later start would wait for.
    const { demoShop } = await import('#demo/shop')
    await seed({ shop: SHOP, hand: demoShop.hand }, demoShop)
  }
  isReady()
  await keepSummaries()
}

/** Before the first request: the schema is this code's, and a new shop has its demo builds if they were asked for. */
export default defineNitroPlugin(() => {
  prepare().catch((error: Error) => {
    console.error(`The database can’t be used: ${error.message.startsWith('Failed query') ? forTheLog(error) : error.message}`)
    process.exit(1)
  })
})
