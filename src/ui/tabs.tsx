'use client'

/** Chooses one of a few panels that stand in the same place. */
export function Tabs<T extends string>({
  label,
  names,
  picked,
  onPick,
}: {
  label: string
  /** The panels by what they are called, in order. */
  names: Readonly<Record<T, string>>
  picked: T
  onPick: (panel: T) => void
}) {
  return (
    <div role="group" aria-label={label} className="mb-3 flex border-b">
      {(Object.keys(names) as T[]).map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === picked}
          onClick={() => onPick(one)}
          className="-mb-px min-h-10 flex-1 border-b-2 border-transparent font-medium text-silt aria-pressed:border-brine aria-pressed:text-brine"
        >
          {names[one]}
        </button>
      ))}
    </div>
  )
}
