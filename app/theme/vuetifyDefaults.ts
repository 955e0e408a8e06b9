const FIELD = {
  variant: 'outlined',
  density: 'compact',
  hideDetails: true,
  singleLine: true,
} as const

/** How the interface library's parts look and behave unless a place says otherwise. */
export const components = {
  VBtn: { variant: 'outlined', density: 'compact', ripple: false },
  VTextField: FIELD,
  VTextarea: { ...FIELD, noResize: false },
  VSelect: { ...FIELD, menuProps: { maxHeight: 360 } },
  VAutocomplete: { ...FIELD, menuProps: { maxHeight: 360 } },
  VCombobox: FIELD,
  VCheckboxBtn: { density: 'compact', ripple: false },
  VRadioGroup: { density: 'compact', hideDetails: true },
  VRadio: { density: 'compact', ripple: false },
  VSlider: {
    density: 'compact',
    hideDetails: true,
    color: 'accent',
    thumbSize: 14,
    trackSize: 2,
    ripple: false,
  },
  VList: { density: 'compact' },
  VMenu: { location: 'bottom start', offset: 6, transition: false, minWidth: 1 },
  VDialog: { transition: false, maxWidth: 640 },
  VSnackbar: { location: 'bottom' },
  VTooltip: { openDelay: 350, transition: false },
} as const
