export const THEME_KEY = 'gate-cross-theme'

/** Sets the theme before the first paint. Light unless the technician has chosen dark. */
export const THEME_SCRIPT = `try{document.documentElement.dataset.theme=localStorage.getItem('${THEME_KEY}')==='dark'?'dark':'light'}catch{document.documentElement.dataset.theme='light'}`
