import { shopName } from '../db/builds'
import { countEntries } from '../db/entries'
import { currentRules } from '../db/rules'
import { SHOP, api, by } from '../http/api'

export default api(async () => ({ name: await shopName(SHOP) ?? SHOP, kept: await countEntries(by()), rules: await currentRules(by()) }))
