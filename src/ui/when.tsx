'use client'

import { useSyncExternalStore } from 'react'

/** A moment in the owner's own zone and manner of writing; as the server draws the page, in UTC. */
export function When({ at }: { at: string }) {
  const text = useSyncExternalStore(
    neverChanges,
    () => momentIn(at),
    () => momentIn(at, { timeZone: 'UTC', locale: 'en-GB' }),
  )
  return <time dateTime={at}>{text}</time>
}

const neverChanges = () => () => undefined

/** A moment to the minute, as it is written in a zone; without one, where the page is looked at. */
export function momentIn(at: string, where: { timeZone?: string; locale?: string } = {}): string {
  const { locale, ...zone } = where
  return new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', ...zone }).format(
    new Date(at),
  )
}
