/** The one shop there is today. */
export const SHOP = 'millrace-lane'
