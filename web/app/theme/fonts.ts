// Only the weights and scripts the screens use.
import '@fontsource/ibm-plex-sans/latin-400.css'
import '@fontsource/ibm-plex-sans/latin-500.css'
import '@fontsource/ibm-plex-sans/latin-600.css'
import '@fontsource/ibm-plex-sans/greek-400.css'
import '@fontsource/ibm-plex-sans/greek-500.css'
import '@fontsource/ibm-plex-sans-condensed/latin-400.css'
import '@fontsource/ibm-plex-sans-condensed/latin-500.css'
import '@fontsource/ibm-plex-sans-condensed/latin-600.css'
import '@fontsource/ibm-plex-serif/latin-400.css'
import '@fontsource/ibm-plex-serif/latin-500.css'
import '@fontsource/ibm-plex-serif/latin-600.css'
import '@fontsource/ibm-plex-serif/latin-400-italic.css'
import '@fontsource/ibm-plex-serif/latin-500-italic.css'
import sans from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-400-normal.woff2?url'
import sansMedium from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-500-normal.woff2?url'
import serif from '@fontsource/ibm-plex-serif/files/ibm-plex-serif-latin-400-normal.woff2?url'
import serifMedium from '@fontsource/ibm-plex-serif/files/ibm-plex-serif-latin-500-normal.woff2?url'

/** What every page begins with: asked for with the style sheets, lest lines break anew when it comes. */
export const FIRST_FONTS = [sans, sansMedium, serif, serifMedium].map((href) => ({
  rel: 'preload',
  as: 'font' as const,
  type: 'font/woff2',
  href,
  crossOrigin: 'anonymous' as const,
}))
