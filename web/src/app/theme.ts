import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** The framework would take a hexadecimal variable apart; in this form it leaves it as it is. */
const inks = (colors: Record<string, string>) =>
  Object.fromEntries(
    Object.entries(colors).map(([name, hex]) => [
      name,
      `rgb(${hex
        .match(/\w\w/g)
        ?.map((pair) => parseInt(pair, 16))
        .join(' ')})`,
    ]),
  )

/** The tokens of the look: a paper desk by day, a slate one by night. */
const light = {
  dark: false,
  colors: {
    background: '#F4F1EA',
    surface: '#FFFFFF',
    'on-background': '#1E2C35',
    'on-surface': '#1E2C35',
    primary: '#1E6B66',
    'on-primary': '#FFFFFF',
    warning: '#9A6412',
    error: '#9B2F3A',
    'on-error': '#FFFFFF',
  },
  variables: {
    'high-emphasis-opacity': 1,
    ...inks({
      edge: '#DDD7CA',
      rim: '#EAE5DA',
      slate: '#566570',
      'sea-soft': '#DDEBE7',
      'tab-near': '#E9C98A',
      'tab-near-ink': '#5F3C05',
      'tab-soon': '#F6E9CF',
      'tab-soon-ink': '#7D5009',
      'tab-over': '#F0CFD1',
      'tab-over-ink': '#8A2531',
      'tab-far': '#ECE8DE',
      'tab-far-ink': '#566570',
    }),
  },
}

const dark = {
  dark: true,
  colors: {
    background: '#12202A',
    surface: '#1A2C38',
    'on-background': '#E8EDEA',
    'on-surface': '#E8EDEA',
    primary: '#6FC2B8',
    'on-primary': '#0D2422',
    warning: '#E0B15A',
    error: '#F08A8F',
    'on-error': '#2C0A0D',
  },
  variables: {
    'high-emphasis-opacity': 1,
    ...inks({
      edge: '#2E4452',
      rim: '#0E1921',
      slate: '#9FB0BA',
      'sea-soft': '#1F4447',
      'tab-near': '#7A5A1F',
      'tab-near-ink': '#FCEBC8',
      'tab-soon': '#453A22',
      'tab-soon-ink': '#E9C98A',
      'tab-over': '#5E2A32',
      'tab-over-ink': '#FFC9CC',
      'tab-far': '#263945',
      'tab-far-ink': '#A9B8C1',
    }),
  },
}

export type ThemeChoice = 'light' | 'dark' | 'system'

const KEPT = 'zippy-tray.theme'

export function keptTheme(): ThemeChoice {
  const kept = localStorage.getItem(KEPT)
  return kept === 'light' || kept === 'dark' ? kept : 'system'
}

export function keepTheme(choice: ThemeChoice): void {
  localStorage.setItem(KEPT, choice)
}

export const vuetify = createVuetify({
  theme: { defaultTheme: keptTheme(), themes: { light, dark } },
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  defaults: {
    VBtn: { variant: 'flat', rounded: 'lg', class: 'quiet-caps' },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto', color: 'primary' },
    VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto', color: 'primary' },
    VCombobox: { variant: 'outlined', density: 'compact', hideDetails: 'auto', color: 'primary' },
    VDialog: { maxWidth: 560, transition: 'sheet-over', closeOnBack: false },
    // Each of them would make every change of the address wait; the router closes what is open when one goes back.
    VMenu: { closeOnBack: false },
    VOverlay: { closeOnBack: false },
    VList: { density: 'compact' },
  },
})
