'use client'

/** A choice of a few, each with its words; spoken by `label` where no words stand beside it. */
export function Select<T extends string>({
  label,
  value,
  options,
  onPick,
  className = 'min-h-9 rounded-md border bg-sheet px-2',
}: {
  label?: string
  value: T
  /** What can be chosen, by id and words, in order. */
  options: readonly (readonly [id: T, words: string])[]
  onPick: (id: T) => void
  className?: string
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onPick(event.target.value as T)}
      className={className}
    >
      {options.map(([id, words]) => (
        <option key={id} value={id}>
          {words}
        </option>
      ))}
    </select>
  )
}
