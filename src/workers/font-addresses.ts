import type { FontId } from '@/core/sheets/page/fonts'

/** Where the fonts on paper are delivered: each in a file of the release, so that a device without a connection has them. */
export const fontAddresses: Readonly<Record<FontId, URL>> = {
  text: new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
    import.meta.url,
  ),
  textMore: new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff',
    import.meta.url,
  ),
  bold: new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
    import.meta.url,
  ),
  boldMore: new URL(
    '../../node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff',
    import.meta.url,
  ),
  head: new URL(
    '../../node_modules/@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-600-normal.woff',
    import.meta.url,
  ),
  headMore: new URL(
    '../../node_modules/@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-ext-600-normal.woff',
    import.meta.url,
  ),
  greek: new URL(
    '../../node_modules/@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff',
    import.meta.url,
  ),
  cyrillic: new URL(
    '../../node_modules/@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff',
    import.meta.url,
  ),
  math: new URL(
    '../../node_modules/@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff',
    import.meta.url,
  ),
  signs: new URL(
    '../../node_modules/@fontsource/noto-sans-symbols-2/files/noto-sans-symbols-2-symbols-400-normal.woff',
    import.meta.url,
  ),
}
