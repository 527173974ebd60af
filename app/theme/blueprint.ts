import type { Blueprint } from 'vuetify'
import { mdiChevronDown, mdiChevronUp } from '@mdi/js'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** The check box's own square. */
const square = 'M4 4h16v16H4zM5.5 5.5v13h13v-13z'
const svg = (d: string) => `svg:${d}`

const shared = { 'border-opacity': 1, 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 1, 'disabled-opacity': 1, 'idle-opacity': 0, 'hover-opacity': 0.06, 'focus-opacity': 0, 'selected-opacity': 0.08, 'activated-opacity': 0, 'pressed-opacity': 0.1 }
const day = { 'sheet': '#E9EBE6', 'sheet-deep': '#DCDFD8', 'well': '#D6DCE4', 'ink': '#12202C', 'quiet': '#4A5763', 'dye': '#1B3FA0', 'scribe': '#EAF0FF', 'fill': '#1B3FA0', 'on-fill': '#EAF0FF', 'brass': '#7A5600', 'brass-fill': '#D9B45C', 'stop': '#A81E12', 'hair': '#9AA39C', 'bar': '#12202C' }
const dark = { 'sheet': '#10181F', 'sheet-deep': '#18232C', 'well': '#22303C', 'ink': '#E4E6DF', 'quiet': '#A9B4BD', 'dye': '#8FB0FF', 'scribe': '#10181F', 'fill': '#34509E', 'on-fill': '#EAF0FF', 'brass': '#E0B040', 'brass-fill': '#7A5E1F', 'stop': '#FF7B6B', 'hair': '#56646F', 'bar': '#060B10' }
/** Vuetify's own names, told in ours. */
const named = (c: typeof day) => ({
  ...c, ...Object.fromEntries(['sheet', 'sheet-deep', 'well', 'brass-fill'].map(name => [`on-${name}`, c.ink])), 'background': c.sheet, 'on-background': c.ink, 'surface': c.sheet, 'on-surface': c.ink, 'surface-bright': c.sheet, 'surface-light': c['sheet-deep'], 'surface-variant': c.ink, 'on-surface-variant': c.sheet,
  'primary': c.fill, 'on-primary': c['on-fill'], 'secondary': c.quiet, 'error': c.stop, 'warning': c.brass, 'info': c.dye, 'success': c.dye
})

/** Square, flat, hairlined; a field is a tinted well with its label over it. */
export const bench: Blueprint = {
  theme: {
    defaultTheme: 'day',
    themes: {
      day: { dark: false, colors: named(day), variables: { ...shared, 'border-color': day.hair } },
      night: { dark: true, colors: named(dark), variables: { ...shared, 'border-color': dark.hair } }
    }
  },
  icons: {
    defaultSet: 'mdi',
    sets: { mdi },
    aliases: {
      ...aliases,
      dropdown: svg(mdiChevronDown), expand: svg(mdiChevronDown), collapse: svg(mdiChevronUp),
      checkboxOff: svg(square), checkboxOn: svg(`${square}M7.5 11.5l1.2-1.2 2.3 2.3 5-5 1.2 1.2-6.2 6.2z`), checkboxIndeterminate: svg(`${square}M8 11h8v2H8z`)
    }
  },
  defaults: {
    global: { ripple: false },
    VTextField: { variant: 'solo', flat: true, density: 'compact', singleLine: true, persistentPlaceholder: true, hideDetails: 'auto', autocomplete: 'off' },
    VTextarea: { variant: 'solo', flat: true, density: 'compact', singleLine: true, persistentPlaceholder: true, hideDetails: 'auto', noResize: true },
    VSelect: { variant: 'solo', flat: true, density: 'compact', singleLine: true, persistentPlaceholder: true, hideDetails: 'auto', transition: false },
    VAutocomplete: { variant: 'solo', flat: true, density: 'compact', singleLine: true, persistentPlaceholder: true, hideDetails: 'auto', transition: false, autoSelectFirst: true },
    VFileInput: { variant: 'solo', flat: true, density: 'compact', singleLine: true, persistentPlaceholder: true, hideDetails: 'auto', prependIcon: '', prependInnerIcon: '$file', placeholder: 'choose a file' },
    VMessages: { transition: false },
    VBtn: { variant: 'outlined', slim: true },
    VBtnToggle: { variant: 'outlined', divided: true, mandatory: true, density: 'compact' },
    VCheckbox: { density: 'compact', hideDetails: 'auto', color: 'dye' },
    VRadioGroup: { density: 'compact', hideDetails: 'auto', inline: true, color: 'dye' },
    VTabs: { density: 'compact', hideSlider: true, showArrows: false, VTab: { variant: 'text', slim: true } },
    VWindow: { transition: false, reverseTransition: false },
    VMenu: { transition: false, offset: 2 },
    VTooltip: { transition: false, openDelay: 200, eager: false },
    VDialog: { transition: false, maxWidth: 560 },
    VList: { density: 'compact', elevation: 0 },
    VTable: { density: 'compact' },
    VDataTable: { density: 'compact' },
    VDataTableVirtual: { density: 'compact', fixedHeader: true, hover: false },
    VSlider: { color: 'dye', trackColor: 'ink', step: 0.1, thumbSize: 16, trackSize: 2, hideDetails: 'auto', density: 'compact' },
    VProgressLinear: { color: 'dye', height: 6, bgColor: 'hair', bgOpacity: 0.4 },
    VSkeletonLoader: { boilerplate: false },
    VExpansionPanels: { flat: true, tile: true, static: true },
    VAlert: { variant: 'text', border: 'start', borderColor: 'error', density: 'compact' },
    VAppBar: { flat: true, height: 48, color: 'bar', theme: 'night' },
    VNavigationDrawer: { permanent: true, width: 72, color: 'sheet-deep' },
    VCard: { flat: true, tile: true }
  }
}
