/** How the interface library's parts behave unless a place says otherwise. */
export const components = {
  VMenu: { location: 'bottom start', offset: 6, transition: false },
  VDialog: { transition: false, maxWidth: 640 },
  VSnackbar: { location: 'bottom', timeout: 8000 },
} as const
