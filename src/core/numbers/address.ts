/** Where a figure is asked for, and with what in the place of what is known. */
export interface NumberAsked {
  readonly id: string
  /** The place of the plan; null for the one in hand. */
  readonly at: string | null
  readonly typed: Readonly<Record<string, string>>
}

/** The place of a figure on the page of numbers, behind its `#`: `burst?at=base%20stills&rate=8%2Fs`. */
export function numberHash({ id, at, typed }: NumberAsked): string {
  const asked = new URLSearchParams([...(at === null ? [] : [['at', at]]), ...Object.entries(typed)])
  const more = asked.toString()
  return more === '' ? id : `${id}?${more}`
}

/** The figure that such a place names. */
export function numberAsked(place: string): NumberAsked {
  const [id = '', more = ''] = place.split('?')
  const { at = null, ...typed } = Object.fromEntries(new URLSearchParams(more)) as Record<string, string>
  return { id, at, typed }
}

const choosing = 'choose/'

/** The place of a choice on that page, in the place of a figure's id: `choose/shutter`. */
export function choicePlace(adviser: string): string {
  return `${choosing}${adviser}`
}

/** The adviser that such a place names; null where it is that of a figure. */
export function choiceNamed(place: string): string | null {
  return place.startsWith(choosing) ? place.slice(choosing.length) : null
}
