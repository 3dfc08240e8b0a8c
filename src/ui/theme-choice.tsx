'use client'

import { Moon, Sun } from 'lucide-react'
import { useSyncExternalStore } from 'react'
import { IconButton } from './button'

/** Changes between day and night; the choice is kept in a cookie, so that the server draws it at once. */
export function ThemeChoice() {
  const night = useSyncExternalStore(watchTheme, isNight, () => false)
  return (
    <IconButton label={night ? 'Day theme' : 'Night theme'} onClick={() => choose(night ? 'day' : 'night')}>
      {night ? <Sun size={18} aria-hidden="true" /> : <Moon size={18} aria-hidden="true" />}
    </IconButton>
  )
}

function choose(theme: 'day' | 'night'): void {
  document.documentElement.dataset.theme = theme
  document.cookie = `theme=${theme}; path=/; max-age=31536000; samesite=strict`
}

function isNight(): boolean {
  const chosen = document.documentElement.dataset.theme
  return chosen === undefined ? matchMedia('(prefers-color-scheme: dark)').matches : chosen === 'night'
}

function watchTheme(changed: () => void): () => void {
  const system = matchMedia('(prefers-color-scheme: dark)')
  const observer = new MutationObserver(changed)
  system.addEventListener('change', changed)
  observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
  return () => {
    system.removeEventListener('change', changed)
    observer.disconnect()
  }
}
