import { shopName } from '../db/builds'
import { countEntries } from '../db/entries'
import { currentRules } from '../db/rules'
import { api, by } from '../http/api'
import { SHOP } from '../http/shop'

export default api(async () => ({ name: await shopName(SHOP) ?? SHOP, kept: await countEntries(by()), rules: await currentRules(by()) }))
