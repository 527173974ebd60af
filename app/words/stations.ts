/** What each station is called, by the last word of its address. */
export const STATION_WORDS = { sheet: 'Sheet', pour: 'Pour', shape: 'Shape', cut: 'Cut', mockup: 'Mock-up', daybook: 'Daybook' } as const
