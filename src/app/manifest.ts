import type { MetadataRoute } from 'next'

/** What a phone needs to know to put Salt Shelf among its applications. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    id: '/',
    name: 'Salt Shelf',
    short_name: 'Salt Shelf',
    description: 'Plan, prove, document and carry a camera’s controls and memory banks.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#FAF7F2',
    theme_color: '#FAF7F2',
    icons: [
      { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  }
}
